import { freeze } from "../../../core/log/freeze.ts";
import type { Frozen } from "../../../core/yard/log.ts";
import { latestCard } from "../../../data/cards.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

/** What a rig is driven with now, the card in the cab and the variants with it. */
export function frozenNow({ db, rig, parts, whole }: OpenRig): Frozen {
  return freeze(whole, {
    card: latestCard(db, rig)?.number ?? null,
    variants: parts.map(({ variant }) => variant?.name ?? ""),
  });
}
