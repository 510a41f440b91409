import { heldBy, openProtections } from "../../../core/hookup/ticks.ts";
import { eventsOf, keepEvent, keepTick } from "../../../data/hookup.ts";
import { validateForm } from "../../session/validate.ts";
import { type Outcome, refused } from "../keep.server.ts";
import type { OpenRig } from "../rig-view.server.ts";
import { EVENT_FIELDS, EventDto, TICK_FIELDS, TickDto } from "./hookup.dto.ts";
import { statesOf } from "./hookup-view.server.ts";

/** Ticks a line, or declares that it does not apply; a line that reads otherwise by now is not ticked. */
export function keepTicked(open: OpenRig, form: FormData): Outcome {
  const checked = validateForm(TickDto, TICK_FIELDS, form);
  if (!checked.ok) return refused(checked.errors);
  const { id, person, line, said, state, reason } = checked.value;
  const states = statesOf(open);
  const found = states.find((each) => each.line.key === line)?.line;
  if (!found) return refused({ form: "There is no such line on the list any more. Look at the list again." });
  if (found.metric !== said) return refused({ form: `The line reads otherwise now: ${found.text}` });
  const held = state === "done" ? heldBy(states, line) : null;
  if (held) return refused({ form: held });
  keepTick(
    open.db,
    open.rig.id,
    { line, said, state, reason: state === "done" ? "" : reason },
    { id, person, at: new Date() },
  );
  return { ok: true, kept: { id, said: state === "done" ? "Ticked" : "Does not apply" }, person };
}

/** Records that the rig was hitched up or taken apart. It is coupled only when every line that protects people is settled. */
export function keepCoupling(open: OpenRig, form: FormData): Outcome {
  const checked = validateForm(EventDto, EVENT_FIELDS, form);
  if (!checked.ok) return refused(checked.errors);
  const { id, person, kind } = checked.value;
  const [latest] = eventsOf(open.db, open.rig.id);
  if ((latest?.kind ?? "uncoupled") === kind)
    return refused({ form: kind === "coupled" ? "It is coupled already." : "It is not coupled." });
  const [first] = kind === "coupled" ? openProtections(statesOf(open)) : [];
  if (first) return refused({ form: `Still open: ${first.text}` });
  keepEvent(open.db, open.rig.id, kind, { id, person, at: new Date() });
  return {
    ok: true,
    kept: { id, said: kind === "coupled" ? "Coupled" : "Uncoupled: the ticks have expired" },
    person,
  };
}
