/** What a subject whose readings are lengths of the rig says of them besides. */
import { type Attachment, onLinks, onPin } from "../dimension/attachment.ts";
import { type PointKey, pointLabel } from "../dimension/points.ts";
import type { Chain } from "../rig/chain.ts";
import type { ResolvedRig } from "../rig/resolve.ts";

/** A length that follows from readings; how it is printed: along the tape, to a side, or as small as an uncertainty. */
export type Follow = {
  label: string;
  /** metres; null while a reading is missing */
  metres: number | null;
  as: "along" | "sideways" | "small";
  /** the sum it is, with its uncertainty; null where it is no sum */
  chain: Chain | null;
};

export type Measured = {
  /** which part of the rig a small drawing shows */
  region: "tractor" | "tool";
  /** where the chain from the receiver ends that its page adds up */
  to: PointKey;
  /** the sections stand among its readings, and in its drawing */
  sections: boolean;
  follows(rig: ResolvedRig): readonly Follow[];
  /** pages that belong to it, under its own */
  pages: readonly { page: string; label: string }[];
};

/** A sum that follows. */
export function follow(label: string, chain: Chain, as: Follow["as"] = "along"): Follow {
  return { label, metres: chain.total, as, chain };
}

/** "pin" or "link ends" where that says it shortly, else the whole name of what the tool hangs on. */
export function hangsOn(attachment: Attachment): string {
  if (onPin(attachment)) return "pin";
  return onLinks(attachment) ? "link ends" : pointLabel("pin", attachment);
}
