/** What a page's form can mean: each intent with the class its fields are checked by, and what keeps it. */
import { type Outcome, refused } from "./outcome.ts";
import { validateForm } from "./validate.ts";

type Answer = Outcome | Promise<Outcome>;
export type Intents<At, A extends Answer = Outcome> = Readonly<Record<string, (at: At, form: FormData) => A>>;

/** An intent whose fields are checked by a class: nothing of it runs unless every one is right. */
export function checkedBy<T extends object, At, A extends Answer>(
  Dto: new () => T,
  keep: (at: At, value: T, form: FormData) => A,
) {
  return (at: At, form: FormData): A | Outcome => {
    const checked = validateForm(Dto, form);
    return checked.ok ? keep(at, checked.value, form) : refused(checked.errors);
  };
}

/** The entry of a table a form asks for, or null. */
export function askedOf<T>(table: Readonly<Record<string, T>>, form: FormData): T | null {
  const name = String(form.get("intent") ?? "");
  return Object.hasOwn(table, name) ? table[name]! : null;
}

/** To a form that asks for nothing there is. */
export const NOT_UNDERSTOOD = refused({ form: "That request was not understood." });

/** Carries out what a form asks for, or refuses what is not among the intents. */
export function carryOut<At, A extends Answer>(intents: Intents<At, A>, at: At, form: FormData): A | Outcome {
  return askedOf(intents, form)?.(at, form) ?? NOT_UNDERSTOOD;
}
