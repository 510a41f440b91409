import { compareShown } from "../../core/card/read-back.ts";
import { keepReadbacks, type NewReadback } from "../../data/cards.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { remembering } from "../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { viewCard } from "../stations/card/card-view.server.ts";
import { openCard, viewNumbered, viewReadBack } from "../stations/card/numbered-view.server.ts";
import { ReadBackPage } from "../stations/card/ReadBackPage.tsx";
import { PersonDto, ShownDto } from "../stations/card/terminal.dto.ts";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/read-back";

export async function loader({ request, params }: Route.LoaderArgs) {
  const { open, card } = openCard(await openRig(request, params.rigId), params.number);
  const now = viewCard(open).pages.flatMap(({ rows }) => rows);
  const cures = (label: string) =>
    (now.find((row) => row.label === label)?.links ?? []).map(({ letter, href }) => ({ letter, href }));
  const { outdated, where } = viewNumbered(open, card);
  return {
    frame: frameOf(open, "card", request),
    number: card.number,
    outdated,
    where,
    rows: viewReadBack(open, card, cures),
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const { open, card } = openCard(await openRig(request, params.rigId), params.number);
  const form = await formOf(request);
  const who = validateForm(PersonDto, form);
  const errors: FieldErrors = who.ok ? {} : who.errors;
  const lines: NewReadback[] = [];
  for (const [position, line] of card.lines.entries()) {
    const checked = validateForm(ShownDto, lineForm(form, position));
    if (!checked.ok) {
      errors[`shown-${position}`] = Object.values(checked.errors)[0]!;
      continue;
    }
    const { shown, word, absent, wrong } = checked.value;
    const about = { position, shown, word, wrong: wrong as NewReadback["wrong"] };
    if (absent === "yes") {
      lines.push({ ...about, shown: "", outcome: "missing", by: "" });
      continue;
    }
    const compared = compareShown(line, { text: shown, word });
    if (compared.kind === "unreadable") errors[`shown-${position}`] = compared.problem;
    if (compared.kind === "match") lines.push({ ...about, wrong: "", outcome: "match", by: "" });
    if (compared.kind === "differs" && wrong === "")
      errors[`wrong-${position}`] = "Say whose number is wrong.";
    else if (compared.kind === "differs") lines.push({ ...about, outcome: "differs", by: compared.by });
  }
  if (Object.keys(errors).length > 0 || !who.ok) return answered(refused(errors));
  if (lines.length === 0) return answered(refused({ form: "Nothing was read back yet." }));
  const { person } = who.value;
  keepReadbacks(open.db, card, lines, { person, at: new Date() });
  const said = `${lines.length} ${lines.length === 1 ? "line" : "lines"} read back and kept.`;
  return answered(kept(said), await remembering(open.preferences, person));
}

/** One line's fields, as they stand numbered in the form. */
function lineForm(form: FormData, position: number): FormData {
  const own = new FormData();
  for (const name of ["shown", "word", "absent", "wrong"])
    own.set(name, form.get(`${name}-${position}`) ?? "");
  return own;
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: loaderData ? `Read back card ${loaderData.number} · Ambrek` : "Ambrek" }];
}

export default ReadBackPage;
