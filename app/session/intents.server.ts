/** What a page's form can mean: each intent with the class its fields are checked by, and what keeps it. */
import { type FieldErrors, validateForm } from "./validate.ts";

export type Intent<At, Answer> = (at: At, form: FormData, refused: (errors: FieldErrors) => Answer) => Answer;
export type Intents<At, Answer> = Readonly<Record<string, Intent<At, Answer>>>;

/** An intent whose fields are checked by a class: nothing of it runs unless every one is right. */
export function checkedBy<T extends object, At, Answer>(
  Dto: new () => T,
  keep: (at: At, value: T, form: FormData) => Answer,
): Intent<At, Answer> {
  return (at, form, refused) => {
    const checked = validateForm(Dto, form);
    return checked.ok ? keep(at, checked.value, form) : refused(checked.errors);
  };
}

/** @throws a 400 response where the form means nothing that is among them */
export function carryOut<At, Answer>(
  intents: Intents<At, Answer>,
  at: At,
  form: FormData,
  refused: (errors: FieldErrors) => Answer,
): Answer {
  const name = String(form.get("intent") ?? "");
  const intent = Object.hasOwn(intents, name) ? intents[name] : undefined;
  if (!intent) throw new Response("That request was not understood.", { status: 400 });
  return intent(at, form, refused);
}
