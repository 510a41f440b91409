/** A rig's own case: what its card says, and what was wrong with it once by its own record. */
import { between } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { known } from "../rig/whole.ts";
import type { Hidden } from "./hidden.ts";
import type { Card } from "./setup.ts";

/** Where nobody read it (ours): half a second to switch, two metres and a half a second, an eighth of the width from row to row. */
const USUAL = { delay: 0.5, speed: 2.5, rows: 8 };
/** A drawn tool's work lies at least so far behind the antenna; nearer, a case is none. */
const NEAREST = -1.5;

/** What stands on a rig's card; null where antenna, tool or width is not known, or it works ahead of its antenna. */
export function cardOf(rig: ResolvedRig): Card | null {
  const [antenna, tool, width] = [
    known(rig, "receiver.lateral"),
    known(rig, "tool.lateral"),
    known(rig, "tool.width"),
  ];
  const length = between(rig, "receiver", "workMid", "x").total;
  if (antenna === null || tool === null || width === null || length === null || length > NEAREST) return null;
  return {
    antenna,
    tool,
    length,
    width,
    row: known(rig, "rows.spacing") ?? width / USUAL.rows,
    on: known(rig, "work.delayOn") ?? USUAL.delay,
    off: known(rig, "work.delayOff") ?? USUAL.delay,
    speed: known(rig, "work.speed") ?? USUAL.speed,
  };
}

/** Less is a tape's own scatter: metres, seconds (ours). */
const APART = { length: 0.04, time: 0.15 };

/** What was once read otherwise, as the fault it would be today: the reading before this one still in the terminal. */
export function slipsOf(rig: ResolvedRig): Hidden["faults"] {
  const before = (
    key: "receiver.lateral" | "tool.lateral" | "tool.width" | "work.delayOn" | "work.delayOff",
  ) => {
    const [now, was] = [known(rig, key), rig.values[key].previous?.value ?? null];
    return now === null || was === null ? null : { now, was, off: now - was };
  };
  const [antenna, tool, width] = [before("receiver.lateral"), before("tool.lateral"), before("tool.width")];
  const [on, off] = [before("work.delayOn"), before("work.delayOff")];
  const row = known(rig, "rows.spacing");
  return [
    ...(antenna && Math.abs(antenna.off) > APART.length
      ? [{ key: "antenna moved", magnitude: antenna.off }]
      : []),
    ...(tool && Math.abs(tool.now + tool.was) < APART.length / 2 && Math.abs(tool.now) > APART.length
      ? [{ key: "side swapped", magnitude: 1 }]
      : []),
    ...(width && row && Math.abs(Math.abs(width.off) - row) < APART.length
      ? [{ key: "a row off", magnitude: -Math.sign(width.off) }]
      : []),
    ...(on && Math.abs(on.off) > APART.time ? [{ key: "late on", magnitude: on.off }] : []),
    ...(off && Math.abs(off.off) > APART.time ? [{ key: "late off", magnitude: off.off }] : []),
  ];
}
