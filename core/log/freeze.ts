import { DIMENSION_KEYS } from "../dimension/catalogue.ts";
import type { WholeRig } from "../rig/whole.ts";
import type { Frozen } from "../yard/log.ts";

/** What a rig is driven with as it stands: every reading that counts, and constants as they were calibrated last. */
export function freeze(whole: WholeRig, { card, variants }: Pick<Frozen, "card" | "variants">): Frozen {
  return {
    card,
    variants,
    readings: whole.parts.flatMap(({ rig }, part) =>
      DIMENSION_KEYS.flatMap((key) => {
        const { value, choice, grade } = rig.values[key];
        return value === null && choice === null ? [] : [{ part, key, value, choice, grade }];
      }),
    ),
    calibrations: whole.dose.flatMap(({ ended }, part) =>
      ended
        .filter(
          (each, at, all) =>
            each.accepted && all.findIndex((other) => other.accepted && other.kind === each.kind) === at,
        )
        .map(({ kind, found, at }) => ({ part, kind, found, at })),
    ),
  };
}
