import { ladderOf, type Rung } from "../../core/ladder/ladder.ts";
import type { Whole } from "../../core/rig/whole.ts";
import type { Judged } from "../../core/walk-round/judge-whole.ts";
import { keepTick } from "../../data/hookup.ts";
import { type LadderFacts, ladderFacts, rungLine } from "../../data/ladder.ts";
import { validateForm } from "../session/validate.ts";
import { placesOf } from "./hoses/hoses-view.ts";
import type { Outcome } from "./keep.server.ts";
import { RUNG_FIELDS, RungDto } from "./ladder.dto.ts";
import type { OpenRig } from "./rig-view.server.ts";

/** The ladder of a rig that was judged, with what the log says of it. */
export function rungsOf(whole: Whole, judged: Judged, facts: LadderFacts): Rung[] {
  const { problem, solved } = judged.hoses;
  const places =
    problem && solved ? placesOf(problem, solved).map(({ kind, number }) => `${kind} ${number}`) : [];
  return ladderOf({ whole, judged, log: { ...facts, places: new Set(places) } });
}

export function ladderFactsOf({ db, rig, parts }: OpenRig): LadderFacts {
  return ladderFacts(db, new Map([[rig.id, parts]])).get(rig.id)!;
}

/** Ticks a rung only a person can know of. */
export function keepRung(open: OpenRig, form: FormData): Outcome {
  const checked = validateForm(RungDto, RUNG_FIELDS, form);
  if (!checked.ok) return { ok: false, errors: checked.errors, asksReason: false };
  const { id, person, rung } = checked.value;
  const found = rungsOf(open.whole, open.judged, ladderFactsOf(open)).find(({ key }) => key === rung);
  if (!found?.byPerson)
    return {
      ok: false,
      errors: { form: "That rung is told by its station, not ticked." },
      asksReason: false,
    };
  keepTick(
    open.db,
    open.rig.id,
    { line: rungLine(rung), said: found.label, state: "done", reason: "" },
    { id, person, at: new Date() },
  );
  return { ok: true, kept: { id, said: found.label }, person };
}
