import { keepTick, RUNG } from "../../../data/hookup.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { ladderNow } from "../frame/ladder-now.server.ts";
import { written } from "../writing/written.server.ts";
import { RungDto } from "./ladder.dto.ts";
import { rungsOf } from "./rungs.ts";

/** What a person says of the rig that ends what held. */
const SAID: Readonly<Record<string, string>> = { road: "Gone by road", day: "A new working day" };

/** Ticks a rung only a person can know of. */
export const keepRung = written(RungDto, ({ open, value: { id, rung }, told }): Outcome => {
  const said = Object.hasOwn(SAID, rung) ? SAID[rung] : undefined;
  if (said !== undefined) {
    keepTick(
      open.db,
      open.rig.id,
      { line: rung, said, state: "done", reason: "" },
      { id, ...told, on: RUNG },
    );
    return kept(said, { id });
  }
  const found = rungsOf(open.whole, open.judged, ladderNow(open)).find(({ key }) => key === rung);
  if (!found?.byPerson) return refused({ form: "That rung is told by its station, not ticked." });
  keepTick(
    open.db,
    open.rig.id,
    { line: rung, said: found.label, state: "done", reason: "" },
    { id, ...told, on: RUNG },
  );
  return kept(found.label, { id });
});
