import { printLength } from "../../../core/quantity/length.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { works } from "../../../core/rig/whole.ts";
import { baseOf, checkTraffic, type TrafficTool } from "../../../core/subjects/tool/traffic.ts";
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
    .map(({ part, rig }): TrafficTool & { id: number; href: string } => ({
      id: part.couplingId,
      href: rigAddress(part.id, "tool", { at: "tool.width", tool: part.couplingId }),
      name: machineName(part.implement),
      spacing: trackSpacing(rig).total,
      track: rig.values["tractor.trackRear"].value,
    }));
  const base = baseOf(picked);
  const length = (metres: number | null) => (metres === null ? "missing" : printLength(metres, units.tape));
  return {
    tools: known.map(({ part, rig }) => ({
      id: part.couplingId,
      label: machineName(part.implement),
      rig: part.name,
      spacing: lines(trackSpacing(rig).total, units),
      chosen: chosen.has(part.couplingId),
    })),
    base: base && `${base.name}, ${length(base.spacing)}`,
    rows: base
      ? checkTraffic(picked, base).map((row, index) => ({
          id: picked[index]!.id,
          name: row.name,
          href: picked[index]!.href,
          spacing: length(row.spacing),
          times: row.times === null ? "" : `${row.times} ×`,
          off: row.off === null ? "" : printLength(row.off, units.small, { signed: true }),
          track: length(row.track),
          verdict: row.verdict,
          why: row.why,
        }))
      : [],
  };
}

function lines(spacing: number | null, { tape }: Units): string {
  return spacing === null ? "line spacing not known" : `lines ${printLength(spacing, tape)} apart`;
}
