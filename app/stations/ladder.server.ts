import { keepTick, RUNG } from "../../data/hookup.ts";
import { type LadderFacts, ladderFacts } from "../../data/ladder.ts";
import type { Stamp } from "../session/clock.server.ts";
import { validateForm } from "../session/validate.ts";
import { type Outcome, refused } from "./keep.server.ts";
import { RungDto } from "./ladder.dto.ts";
import type { OpenRig } from "./rig-view.server.ts";
import { rungsOf } from "./rungs.ts";

export function ladderFactsOf({ db, rig, parts }: OpenRig): LadderFacts {
  return ladderFacts(db, new Map([[rig.id, parts]])).get(rig.id)!;
}

/** Ticks a rung only a person can know of. */
export function keepRung(open: OpenRig, form: FormData, { at, now }: Stamp): Outcome {
  const checked = validateForm(RungDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { id, person, rung } = checked.value;
  const found = rungsOf(open.whole, open.judged, ladderFactsOf(open)).find(({ key }) => key === rung);
  if (!found?.byPerson) return refused({ form: "That rung is told by its station, not ticked." });
  keepTick(
    open.db,
    open.rig.id,
    { line: rung, said: found.label, state: "done", reason: "" },
    { id, person, at, now, on: RUNG },
  );
  return { ok: true, kept: { id, said: found.label }, person };
}
