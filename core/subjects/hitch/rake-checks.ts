/** What a rake asks of every tractor anew: both of its sides at one pace. */
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen } from "../../rig/whole.ts";

/** Whether both sides of a rake rise and fall together on this tractor; nothing for any other tool. */
export function rakeChecks(rig: ResolvedRig, rowOf: Checker): Check[] {
  if (chosen(rig, "tool.kind") !== "rake") return [];
  const row = rowOf("sides", "Both sides together");
  const even = chosen<"even" | "uneven" | "one">(rig, "work.sidesEven");
  const cure =
    "Trim the flow valves in small steps, a lift and a drop between two of them, until they do. On another tractor it is set anew.";
  if (even === null) return [row.note("work.sidesEven", "Nobody looked on this tractor.", cure)];
  if (even === "uneven")
    return [row.fix("work.sidesEven", "One side rises or falls before the other.", cure)];
  if (rig.values["work.sidesEven"].stale)
    return [
      row.check("work.sidesEven", "They did, before something on the tractor's oil was changed.", cure),
    ];
  return [
    row.good("work.sidesEven", even === "one" ? "It lifts in one piece." : "They rise and fall together."),
  ];
}
