import { heldBy, openProtections } from "../../../core/hookup/ticks.ts";
import { coupledRivals, eventsOf, keepCoupled, keepEvent, keepTick } from "../../../data/hookup.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { notHereProblem } from "../frame/not-here.server.ts";
import { moment } from "../frame/print.ts";
import { written } from "../writing/written.server.ts";
import { EventDto, TickDto } from "./hookup.dto.ts";
import { endedBy, insteadOf, statesOf } from "./hookup-view.server.ts";

/** Ticks a line, or declares that it does not apply; a line that reads otherwise by now is not ticked. */
export const keepTicked = written(
  TickDto,
  ({ open, value: { id, line, said, state, reason }, told }): Outcome => {
    const ended = endedBy(open, told.at);
    if (ended) {
      // Of a coupling that is over: it is in the log, and counts for nothing now.
      keepTick(
        open.db,
        open.rig.id,
        { line, said, state, reason: state === "done" ? "" : reason },
        { id, ...told },
      );
      return kept(
        `Saved in the log only: it was ticked before ${ended.person} uncoupled, ${moment(ended.at)}, and does not count now`,
        { id, heed: true },
      );
    }
    const states = statesOf(open);
    const found = states.find((each) => each.line.key === line)?.line;
    if (!found)
      return refused({ form: "There is no such line on the list any more. Look at the list again." });
    if (found.metric !== said) return refused({ form: `The line reads otherwise now: ${found.text}` });
    const held = state === "done" ? heldBy(states, line) : null;
    if (held) return refused({ form: held });
    keepTick(
      open.db,
      open.rig.id,
      { line, said, state, reason: state === "done" ? "" : reason },
      { id, ...told },
    );
    return kept(state === "done" ? "Ticked" : "Does not apply", { id });
  },
);

/**
 * Records that the rig was hitched up or taken apart, at the time it was. It is coupled only when every line that protects people was
 * settled by ticks of that time.
 */
export const keepCoupling = written(EventDto, ({ open, value: { id, kind, instead }, told }): Outcome => {
  const latest = eventsOf(open.db, open.rig.id).find((event) => event.at <= told.at.toISOString());
  if ((latest?.kind ?? "uncoupled") === kind)
    return refused({ form: kind === "coupled" ? "It is coupled already." : "It is not coupled." });
  const away = kind === "coupled" ? notHereProblem(open.db, open.parts) : null;
  if (away) return refused({ form: away });
  const [first] = kind === "coupled" ? openProtections(statesOf(open, told.at)) : [];
  if (first) return refused({ form: `Still open: ${first.text}` });
  if (kind === "coupled") {
    const others = coupledRivals(open.db, open.rig.id, told.at.toISOString());
    if (others.length > 0 && instead !== "yes")
      return refused({ instead: insteadOf(others.map(({ name }) => name)) });
    keepCoupled(open.db, open.rig.id, { id, ...told });
  } else keepEvent(open.db, open.rig.id, kind, { id, ...told });
  return kept(kind === "coupled" ? "Coupled" : "Uncoupled: the ticks have expired", { id });
});
