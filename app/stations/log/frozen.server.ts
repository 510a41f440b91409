import { DIMENSION_KEYS } from "../../../core/dimension/catalogue.ts";
import type { Frozen } from "../../../core/yard/log.ts";
import { latestCard } from "../../../data/cards.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/** What a rig is driven with now: the card in the cab, variants, every reading that counts, calibrations. */
export function frozenNow({ db, rig, parts, whole }: OpenRig): Frozen {
  return {
    card: latestCard(db, rig)?.number ?? null,
    variants: parts.map(({ variant }) => variant?.name ?? ""),
    readings: whole.parts.flatMap(({ rig: resolved }, part) =>
      DIMENSION_KEYS.flatMap((key) => {
        const { value, choice, grade } = resolved.values[key];
        return value === null && choice === null ? [] : [{ part, key, value, choice, grade }];
      }),
    ),
    calibrations: whole.dose.flatMap(({ ended }, part) =>
      ended
        .filter(
          ({ accepted, kind }, at, all) =>
            accepted && all.findIndex((each) => each.accepted && each.kind === kind) === at,
        )
        .map(({ kind, found, at }) => ({ part, kind, found, at })),
    ),
  };
}
