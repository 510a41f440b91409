/** What there is to drive, and how tools of a kind hang on it: what a new rig is asked first (common practice, no source). */
import { ROWLESS, type ToolKindKey } from "../trade/kinds.ts";
import type { Drive } from "../trade/power.ts";
import { type Attachment, isFixed, OWN_ATTACHMENTS } from "./attachment.ts";
import { wordsOf } from "./kind-words.ts";

type MachineType = {
  label: string;
  kind: "tractor" | "self-propelled";
  /** choices of `tractor.steering` and `tractor.drive`; null where the type does not tell */
  steers: "front wheels" | "articulated" | "tracks" | null;
  drive: Drive | null;
};

export const MACHINE_TYPES = {
  assisted: {
    label: "Tractor, front-wheel assist",
    kind: "tractor",
    steers: "front wheels",
    drive: "front-wheel assist",
  },
  rear: { label: "Tractor, rear wheels pull", kind: "tractor", steers: "front wheels", drive: "two-wheel" },
  jointed: { label: "Articulated tractor", kind: "tractor", steers: "articulated", drive: "four-wheel" },
  tracked: { label: "Tractor on tracks", kind: "tractor", steers: "tracks", drive: "tracks" },
  driven: { label: "Self-propelled machine", kind: "self-propelled", steers: null, drive: null },
} as const satisfies Record<string, MachineType>;

export type MachineTypeKey = keyof typeof MACHINE_TYPES;
export const MACHINE_TYPE_KEYS = Object.keys(MACHINE_TYPES) as MachineTypeKey[];

const HANGS: Record<ToolKindKey, readonly Attachment[]> = {
  plough: ["mounted", "semi"],
  subsoiler: ["mounted", "semi"],
  chisel: ["mounted", "drawn", "semi", "links"],
  disc: ["drawn", "mounted", "semi", "links"],
  cultivator: ["mounted", "drawn", "semi", "links", "front"],
  hoe: ["mounted", "front", "drawn"],
  planter: ["drawn", "mounted", "links"],
  drill: ["drawn", "mounted", "links", "semi"],
  mower: ["mounted", "front", "drawn", "links"],
  conditioner: ["drawn", "links", "mounted", "front"],
  rake: ["drawn", "mounted", "links", "semi", "front"],
  spreader: ["mounted", "drawn"],
  sprayer: ["drawn", "mounted", "boom", "frontBoom"],
  cart: ["drawn", "front"],
  header: ["head"],
  roller: ["drawn", "mounted", "front"],
  other: OWN_ATTACHMENTS,
};

/** What is counted across a tool of this kind: its rows, bodies, nozzles; null where nothing is. */
export function countedAcross(tool: ToolKindKey): string | null {
  return ROWLESS.includes(tool) ? null : wordsOf(tool).many;
}

/** How a tool of this kind hangs on a machine of this type, the commonest first; empty where none does. */
export function hangsBy(tool: ToolKindKey, machine: MachineTypeKey): readonly Attachment[] {
  const self = MACHINE_TYPES[machine].kind === "self-propelled";
  return HANGS[tool].filter((attachment) => isFixed(attachment) === self);
}
