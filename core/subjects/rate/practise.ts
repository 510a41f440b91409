/** What a tool put on the bench really is: like what is on record, but not the same, and with faults to find. */
import { dimension } from "../../dimension/catalogue.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { known } from "../../rig/whole.ts";
import type { TrueDose } from "../../simulation/dose.ts";
import { chance } from "../../simulation/random.ts";
import { calibrationsOf } from "./rate-of-rig.ts";

/** Constants lie so far from what is on record, 1 σ. */
const APART = 0.05;

/** The same seed gives the same tool. */
export function seedDose(rig: ResolvedRig, seed: number): TrueDose {
  const random = chance(seed + 104729);
  const constants: TrueDose["constants"] = {};
  for (const { constant } of calibrationsOf(rig)) {
    if (constant === null || constants[constant] !== undefined) continue;
    const { typical, plausible, family } = dimension(constant, rig);
    const base = known(rig, constant) ?? typical;
    const apart = family === "ratio" ? random.normal(0.03) : base * random.normal(APART);
    constants[constant] = Math.min(plausible[1], Math.max(plausible[0], base + apart));
  }
  const count = rig.tool === "sprayer" ? (known(rig, "rows.count") ?? 0) : 0;
  const rows = rig.tool === "planter" ? (known(rig, "rows.count") ?? 0) : 0;
  const bad = (of: number) => Math.floor(random.between(0, of));
  const worn = new Set([bad(count), bad(count), bad(count)]);
  const badRow = bad(rows);
  return {
    seed,
    constants,
    nozzles: Array.from({ length: count }, (_, at) =>
      worn.has(at) ? random.between(1.13, 1.25) : 1.01 + random.normal(0.007),
    ),
    rows: Array.from({ length: rows }, (_, at) =>
      at === badRow
        ? { skips: random.between(0.12, 0.2), doubles: 0.01, spacing: 0.22, emerge: 0.95 }
        : { skips: 0.015, doubles: 0.01, spacing: 0.16, emerge: 0.95 },
    ),
    pattern:
      rig.tool === "spreader"
        ? {
            reach: (known(rig, "tool.width") ?? 18) / 2,
            slope: 5.5,
            shift: (random.between(0, 1) < 0.5 ? -1 : 1) * random.between(0.6, 1.4),
            middle: 0.06,
          }
        : null,
    valve:
      rig.tool === "sprayer" ? { gain: random.between(0.0015, 0.005), lag: random.between(0.4, 0.8) } : null,
    slip: random.between(0.08, 0.22),
  };
}
