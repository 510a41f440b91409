/** What a rig's job asks of it: which tool works, what must be in sight, what must be heard, what it could record by. */

import { onLinks } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { askedKeys, guidedBy, usesTerminal } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { besides } from "../../rig/swath.ts";
import { chosen, known, type WholeRig, works } from "../../rig/whole.ts";
import { TOOL_KINDS, type ToolKind } from "../../trade/kinds.ts";
import type { AlarmKey, ReadoutKey, TriggerKey } from "../../trade/recording.ts";
import type { Work } from "../../yard/work.ts";

export type JobReckoned = {
  work: Work | null;
  /** the tool that works the field, by its place; null where none does */
  part: number | null;
  readouts: readonly ReadoutKey[];
  alarms: readonly AlarmKey[];
};

/** The tool of a rig whose work is recorded: the first that works, or of those side by side the first. */
export function leadOf(whole: Pick<WholeRig, "parts">): number | null {
  const lead = besides(whole)[0] ?? whole.parts.findIndex(({ rig }) => works(rig));
  return lead < 0 ? null : lead;
}

/** What is set, by which tool it is done, and what that asks to be in sight and heard. */
export function reckonJob(whole: WholeRig): JobReckoned {
  const part = leadOf(whole);
  const rig = part === null ? null : whole.parts[part]!.rig;
  return {
    work: whole.work,
    part,
    readouts: rig ? readoutsOf(rig) : [],
    alarms: rig ? alarmsOf(rig) : [],
  };
}

const RATES = ["rate.liquid", "rate.seed", "rate.seeds", "rate.spread"] as const;
export type RateKey = (typeof RATES)[number];

/** The rate a tool is set by; null of one that puts nothing out, or is fed by another. */
export function rateKeyOf(rig: ResolvedRig): RateKey | null {
  const asked = askedKeys(rig);
  return RATES.find((key) => asked.has(key)) ?? null;
}

/** The tool of a rig that doses: the one that works, or a cart that feeds it. */
export function dosingOf(
  { parts }: Pick<WholeRig, "parts">,
  lead: number,
): { part: number; key: RateKey } | null {
  for (const part of [lead, ...parts.keys()]) {
    const key = rateKeyOf(parts[part]!.rig);
    if (key) return { part, key };
  }
  return null;
}

const doses = (rig: ResolvedRig) => rateKeyOf(rig) !== null;

/** What has to be in sight while such a tool works (common practice, no source). */
export function readoutsOf(rig: ResolvedRig): ReadoutKey[] {
  const { lines, sections } = guidedBy(rig);
  const { tool } = rig;
  return [
    ...(usesTerminal(rig) ? (["map", "position"] as const) : []),
    ...(lines ? (["guidance"] as const) : []),
    "speed",
    ...(sections ? (["sections"] as const) : []),
    ...(doses(rig) ? (["rateSet", "rateApplied", "tank"] as const) : []),
    ...(tool === "planter" ? (["downforce", "singulation"] as const) : []),
    ...(tool === "drill" && isAir(rig) ? (["blockage"] as const) : []),
    ...(tool === "sprayer" ? (["pressure"] as const) : []),
    ...(tool === "header" ? (["loss", "yield"] as const) : []),
  ];
}

/** What has to be seen and heard when it goes wrong. */
export function alarmsOf(rig: ResolvedRig): AlarmKey[] {
  const { tool } = rig;
  return [
    ...(doses(rig) ? (["rate", "tank"] as const) : []),
    ...(tool === "planter" ? (["rows"] as const) : []),
    ...(tool === "drill" && isAir(rig) ? (["blockage"] as const) : []),
    ...(tool === "sprayer" ? (["pressure"] as const) : []),
    ...(tool === "header" ? (["loss"] as const) : []),
    ...(guidedBy(rig).lines ? (["position"] as const) : []),
  ];
}

/** Seed is blown along hoses wherever it is not dropped under the meter: so until somebody says that a wheel drives the meters. */
const isAir = (rig: ResolvedRig) => chosen(rig, "tool.meterDrive") !== "wheel";

/** Whether a rig has what a trigger needs; null where nobody told. */
export function hasTrigger(key: TriggerKey, whole: WholeRig, part: number): boolean | null {
  const { rig } = whole.parts[part]!;
  const { functions, told, supply, sockets } = whole.hoses;
  const own = functions.filter((fn) => fn.part === part);
  switch (key) {
    case "remote":
      return own.length > 0 ? own.some(({ trigger }) => trigger) : told[part] ? false : null;
    case "detent":
      if (supply === null || (own.length === 0 && !told[part])) return null;
      return own.length > 0 && supply.remotes.some(({ detent }) => detent);
    case "hitch":
      return onLinks(rig.attachment);
    case "head":
      return rig.attachment === "head";
    case "pto":
      return rig.tool === null ? null : (TOOL_KINDS[rig.tool] as ToolKind).driven !== false;
    case "sections":
      return guidedBy(rig).sections;
    case "bus":
      return sockets[part] === undefined || (sockets[part]!.length === 0 && !told[part])
        ? null
        : sockets[part]!.includes("implement bus");
    case "sensors":
      return rig.tool === "header" || rig.tool === "planter" ? true : null;
    case "frame":
      return null;
    case "manual":
      return true;
  }
}

/** Rows a tool works with; null where nobody counted. */
export const rowsOf = (rig: ResolvedRig) => known(rig, "rows.count" satisfies DimensionKey);
