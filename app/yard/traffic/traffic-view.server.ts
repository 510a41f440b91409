import { printLength } from "../../../core/quantity/length.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { works } from "../../../core/rig/whole.ts";
import { type LaneTool, trodden } from "../../../core/subjects/tool/lanes.ts";
import {
  baseOf,
  checkTraffic,
  type TrafficRow,
  type TrafficTool,
} from "../../../core/subjects/tool/traffic.ts";
import { factsOf } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { listEveryTool } from "../../../data/rigs.ts";
import { machineName } from "../../../data/whole.ts";
import { rigAddress } from "../../stations/frame/address.ts";

export type TrafficView = {
  /** `spacing`: how far apart its lines are, in words */
  tools: { id: number; label: string; rig: string; spacing: string; chosen: boolean }[];
  base: string | null;
  rows: {
    id: number;
    name: string;
    href: string;
    spacing: string;
    times: string;
    off: string;
    track: string;
    verdict: "fits" | "shift" | "no" | "unknown";
    why: string;
  }[];
  /** what is drawn across the field; null where nothing is held together */
  lanes: LanesView | null;
};

export type LanesView = {
  units: Units;
  /** `wheels`: whether they are known; `shifted`: how far its lines are moved for it, in words */
  tools: { name: string; lane: LaneTool; wheels: boolean; shifted: string | null }[];
  /** the share of the field under wheels, in words; null where somebody's wheels are not known */
  trodden: string | null;
  /** whose wheels are not known */
  unknown: { name: string; href: string }[];
};

/** Tools of the yard held against one another; `chosen` are couplings. */
export function trafficView(db: Database, chosen: ReadonlySet<number>, units: Units): TrafficView {
  const parts = listEveryTool(db).filter(
    ({ archivedAt, tractor }) => archivedAt === null && !tractor.practice,
  );
  const facts = factsOf(db, parts);
  const known = parts
    .map((part) => ({ part, rig: resolveRig(facts.get(part.couplingId)!) }))
    .filter(({ rig }) => works(rig));
  const picked = known
    .filter(({ part }) => chosen.has(part.couplingId))
    .map(
      ({ part, rig }): Picked => ({
        id: part.couplingId,
        href: rigAddress(part.id, "tool", { at: "tool.width", tool: part.couplingId }),
        name: machineName(part.implement),
        spacing: trackSpacing(rig).total,
        track: rig.values["tractor.trackRear"].value,
        tyre: rig.values["tractor.tyreWidth"].value,
        wheelsHref: rigAddress(part.id, "guidance", { at: "tractor.tyreWidth", tool: part.couplingId }),
      }),
    );
  const base = baseOf(picked);
  const length = (metres: number | null) => (metres === null ? "missing" : printLength(metres, units.tape));
  const rows = base ? checkTraffic(picked, base) : [];
  return {
    tools: known.map(({ part, rig }) => ({
      id: part.couplingId,
      label: machineName(part.implement),
      rig: part.name,
      spacing: lines(trackSpacing(rig).total, units),
      chosen: chosen.has(part.couplingId),
    })),
    base: base && `${base.name}, ${length(base.spacing)}`,
    rows: rows.map((row, index) => ({
      id: picked[index]!.id,
      name: row.name,
      href: picked[index]!.href,
      spacing: length(row.spacing),
      times: row.times === null ? "" : `${row.times} ×`,
      off: row.off === null ? "" : printLength(row.off, units.small, { signed: true }),
      track: length(row.track),
      verdict: row.verdict,
      why: row.why,
    })),
    lanes: base ? lanesView(picked, rows, base.spacing!, units) : null,
  };
}

type Picked = TrafficTool & { id: number; href: string; tyre: number | null; wheelsHref: string };

/** Passes and wheels from one edge, the lines shifted where that is what was said of them. */
function lanesView(
  picked: readonly Picked[],
  rows: readonly TrafficRow[],
  base: number,
  units: Units,
): LanesView {
  const tools = picked.flatMap(({ name, spacing, track, tyre }, index) => {
    if (spacing === null) return [];
    const wheels = track !== null && tyre !== null;
    const shift = rows[index]!.verdict === "shift" ? base / 2 : 0;
    return [
      {
        name,
        lane: { spacing, track: track ?? 0, tyre: tyre ?? 0, shift },
        wheels,
        shifted: shift === 0 ? null : printLength(shift, units.tape),
      },
    ];
  });
  const unknown = picked
    .filter(({ track, tyre, spacing }) => track === null || tyre === null || spacing === null)
    .map(({ name, spacing, href, wheelsHref }) => ({ name, href: spacing === null ? href : wheelsHref }));
  return {
    units,
    tools,
    trodden: unknown.length > 0 ? null : `${Math.round(100 * trodden(tools.map(({ lane }) => lane)))}\u00a0%`,
    unknown,
  };
}

function lines(spacing: number | null, { tape }: Units): string {
  return spacing === null ? "line spacing not known" : `lines ${printLength(spacing, tape)} apart`;
}
