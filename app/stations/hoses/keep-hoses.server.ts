import { remotesOf } from "../../../core/subjects/hoses/problem.ts";
import { remoteName } from "../../../core/yard/circuit.ts";
import { keepPlan, pinFunction, unpinAll } from "../../../data/hoses.ts";
import type { Stamp } from "../../session/clock.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { PersonDto } from "../card/terminal.dto.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { written } from "../writing/written.server.ts";
import { PinDto } from "./hoses.dto.ts";
import { placesOf } from "./hoses-view.ts";

/** Wants a function on a coupling, or with an empty one wherever it may go; the rest is solved anew. */
export const keepPin = written(PinDto, ({ open: { db, rig, whole, judged }, value, told }): Outcome => {
  const { problem } = judged.reckoned.hoses;
  const fn = whole.hoses.functions.find(({ id }) => String(id) === value.function);
  if (!fn || !problem) return refused({ form: "That function is not part of this rig." });
  const before = problem.pins.get(fn.id);
  const undo = {
    intent: "pin-hose",
    function: value.function,
    remote: before === undefined ? "" : String(before),
  };
  if (value.remote === "") {
    pinFunction(db, rig.id, fn.id, null, told);
    return before === undefined ? kept() : kept(`${fn.name}: free to go wherever it may`, { undo });
  }
  const remote = remotesOf(problem).find(({ id }) => String(id) === value.remote);
  if (!remote) return refused({ form: "This tractor has no such remote." });
  if (remote.number === 0)
    return refused({ form: "The port for power beyond is given to a motor by itself." });
  pinFunction(db, rig.id, fn.id, remote.id, told);
  return kept(`${fn.name}: pinned to ${remoteName(remote)}`, { undo });
});

export function keepUnpinned(
  { db, rig, preferences: { person } }: OpenRig,
  _form: FormData,
  { at, now }: Stamp,
): Outcome {
  unpinAll(db, rig.id, { person, at, now });
  return kept("Nothing is pinned now");
}

/** Keeps the plan as the way the hoses are plugged in; the tractor's other rigs are held to it. */
export const keepPlugged = written(PersonDto, ({ open: { db, rig, judged }, told }): Outcome => {
  const { problem, solved } = judged.reckoned.hoses;
  if (!problem || !solved) return refused({ form: "There is no plan to keep yet." });
  keepPlan(db, rig, placesOf(problem, solved), told);
  return kept("Saved: the tractor's other rigs are held to these levers");
});
