import { and, asc, inArray, isNull } from "drizzle-orm";
import type { RigFacts } from "../core/rig/facts.ts";
import { resolveRig } from "../core/rig/resolve.ts";
import { shareLines } from "../core/rig/swath.ts";
import type { AxleTyres, StockWeight, WholeRig } from "../core/rig/whole.ts";
import { doseOfTools } from "./calibrations.ts";
import { factsOf } from "./facts.ts";
import { groundOfTools } from "./ground.ts";
import type { Database } from "./handle.ts";
import { hosesOfRigs } from "./hoses.ts";
import { behindOf, byRig, type Machine, type RigTool } from "./rigs.ts";
import { weight } from "./schema/index.ts";
import { type AxleTyre, axleTyresOf, fittedOf, roadLimitsOf } from "./settings.ts";
import { profilesOf } from "./steering.ts";
import { worksOf } from "./work.ts";

export function machineName({ make, model }: Pick<Machine, "make" | "model">): string {
  return `${make} ${model}`;
}

/** What people here call it: the number painted on it, or else make and model. */
export const shortName = (machine: Machine): string => machine.fleetNumber || machineName(machine);

/** Whole rigs by id, from their parts; each rig's parts in the order they are coupled. `believed`: what of the facts counts. */
export function wholesOf(
  db: Database,
  parts: readonly RigTool[],
  believed: (facts: RigFacts) => RigFacts = (facts) => facts,
): Map<number, WholeRig> {
  const facts = factsOf(db, parts);
  const rigs = byRig(parts);
  const limits = roadLimitsOf(db);
  const hoses = hosesOfRigs(db, rigs);
  const ground = groundOfTools(db, parts);
  const dose = doseOfTools(db, parts);
  const works = worksOf(db, rigs.keys());
  const cameras = profilesOf(db, [...new Set(parts.map(({ tractor }) => tractor.id))]);
  const weights = stockOf(db, parts);
  const fitted = fittedOf(db, [...rigs.keys()]);
  const tyres = axleTyresOf(
    db,
    parts.flatMap(({ tractor, implement }) => [tractor.id, implement.id]),
  );
  return new Map(
    [...rigs].map(([id, own]): [number, WholeRig] => {
      const { tractor } = own[0]!;
      const on = fitted.get(id);
      return [
        id,
        {
          tractor: machineName(tractor),
          selfPropelled: tractor.kind === "self-propelled",
          parts: shareLines(
            own.map((part) => ({
              id: part.couplingId,
              name: machineName(part.implement),
              rig: resolveRig(believed(facts.get(part.couplingId)!)),
              behind: behindOf(part, own),
              hitch: (part.rearHitch ?? part.hitch).label,
            })),
          ),
          weights: (weights.get(tractor.id) ?? []).map((each) => ({
            ...each,
            fitted: on?.get(each.id) ?? 0,
          })),
          tyres: {
            front: axleOf(tyres, tractor.id, "front"),
            rear: axleOf(tyres, tractor.id, "rear"),
            tools: own.map(({ implement }) => axleOf(tyres, implement.id, "tool")),
          },
          limits,
          hoses: hoses.get(id)!,
          ground: own.map(({ couplingId }) => ground.get(couplingId)!),
          dose: own.map(({ couplingId }) => dose.get(couplingId)!),
          work: works.get(id) ?? null,
          camera: cameras.get(tractor.id) ?? [],
        },
      ];
    }),
  );
}

function axleOf(tyres: readonly AxleTyre[], machineId: number, axle: AxleTyre["axle"]): AxleTyres | null {
  const found = tyres.find((each) => each.machineId === machineId && each.axle === axle);
  return found ? { label: found.tyre.label, count: found.count, table: { cells: found.tyre.cells } } : null;
}

function stockOf(db: Database, parts: readonly RigTool[]): Map<number, Omit<StockWeight, "fitted">[]> {
  const ids = [...new Set(parts.map(({ tractor }) => tractor.id))];
  const found = new Map<number, Omit<StockWeight, "fitted">[]>();
  const rows = db
    .select()
    .from(weight)
    .where(and(inArray(weight.machineId, ids), isNull(weight.archivedAt)))
    .orderBy(asc(weight.id))
    .all();
  for (const { id, machineId, label, mass, place, count } of rows)
    found.set(machineId, [...(found.get(machineId) ?? []), { id, what: label, mass, x: place, count }]);
  return found;
}
