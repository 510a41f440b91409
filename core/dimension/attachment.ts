import type { ToolKindKey } from "../trade/kinds.ts";
import type { PointKind } from "./point-kinds.ts";

/** How a tool hangs on what carries it, and on which points. It decides which dimensions a coupling has, and what they are called. */
export const ATTACHMENTS = {
  drawn: { label: "Trailed, on the drawbar", hitches: ["drawbar hole", "rear hitch"] },
  links: { label: "Trailed on the lower links (two-point)", hitches: ["rear three-point"] },
  semi: { label: "Semi-mounted", hitches: ["rear three-point"] },
  mounted: { label: "Mounted behind", hitches: ["rear three-point"] },
  front: { label: "Mounted in front", hitches: ["front three-point"] },
  head: { label: "Cutting head on a self-propelled machine", hitches: ["head mount"] },
  boom: { label: "Boom built on a self-propelled machine", hitches: ["boom mount"] },
  frontBoom: { label: "Boom in front of a self-propelled machine", hitches: ["boom mount"] },
  /** a drawn tool coupled to another implement: of the coupling, not of the tool */
  train: { label: "Trailed behind another implement", hitches: ["rear hitch"] },
  /** and behind two of them */
  third: { label: "Trailed behind two implements", hitches: ["rear hitch"] },
} as const satisfies Record<string, { label: string; hitches: readonly PointKind[] }>;

export type Attachment = keyof typeof ATTACHMENTS;
export const ATTACHMENT_KEYS = Object.keys(ATTACHMENTS) as Attachment[];

/** How a tool hangs, and what it is, where somebody said so: that decides which dimensions it has and what they are called. */
export type Hung = { attachment: Attachment; tool: ToolKindKey | null };

/** An attachment alone, of a tool nobody said the kind of. */
export function asHung(of: Attachment | Hung): Hung {
  return typeof of === "string" ? { attachment: of, tool: null } : of;
}

/** What is worked out once for each way of hanging and kind of tool is kept under this name. */
export function hungName({ attachment, tool }: Hung): string {
  return `${attachment} ${tool ?? ""}`;
}

/** What holds for one attachment and is not said otherwise holds for another that is like it. */
export const LIKE: Partial<Record<Attachment, Attachment>> = { frontBoom: "boom", third: "train" };

/** Drawn behind another implement: of the coupling, not of the tool. */
export function isTrain(attachment: Attachment): boolean {
  return attachment === "train" || attachment === "third";
}

/** Those an implement has of itself. */
export const OWN_ATTACHMENTS = ATTACHMENT_KEYS.filter((key) => !isTrain(key));

/** Carried whole by the machine when lifted: it has no wheels of its own. */
export function isCarried(attachment: Attachment): boolean {
  return attachment === "mounted" || attachment === "front" || isFixed(attachment);
}

/** Part of a machine that drives itself: neither links nor pins, and no shaft of a tractor's. */
export function isFixed(attachment: Attachment): boolean {
  return attachment === "head" || isBuiltOn(attachment);
}

/** Stays on its machine and is weighed with it; what it spreads lies on the machine. */
export function isBuiltOn(attachment: Attachment): boolean {
  return attachment === "boom" || attachment === "frontBoom";
}

/** Hangs on lower links. */
export function onLinks(attachment: Attachment): boolean {
  return (
    attachment === "mounted" || attachment === "front" || attachment === "semi" || attachment === "links"
  );
}

/** Pulled by an eye on a pin. */
export function onPin(attachment: Attachment): boolean {
  return attachment === "drawn" || isTrain(attachment);
}

/** Lies ahead of the machine that carries it. */
export function isAhead(attachment: Attachment): boolean {
  return attachment === "front" || attachment === "head" || attachment === "frontBoom";
}

/** What hangs on a point of a kind, the commonest first; null where nothing does. */
export function hangsOn(kind: PointKind): Attachment | null {
  return (
    ATTACHMENT_KEYS.find((key) => (ATTACHMENTS[key].hitches as readonly PointKind[]).includes(kind)) ?? null
  );
}
