/** A machine as its page shows it: what it is, its points, weights, tyres, and the rigs it is in. */
import { POINTS_OF, SINGLE } from "../../../core/dimension/point-kinds.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import type { Database } from "../../../data/handle.ts";
import { pointsOf } from "../../../data/machines.ts";
import { planAways } from "../../../data/plan.ts";
import { type Machine, rigsOf } from "../../../data/rigs.ts";
import { axleTyresOf, listTyres, type StockedWeight, weightsOf } from "../../../data/settings.ts";
import { loanOf, onLoan } from "../../lending/lending-view.server.ts";
import { spanWords } from "../plan/plan-words.ts";
import { pressing } from "../service/service-view.server.ts";
import { KIND_WORDS, weighedFrom } from "./machine-words.ts";

const EMPTY = {
  id: 0,
  attachment: "drawn",
  make: "",
  model: "",
  fleetNumber: "",
  serial: "",
  busName: "",
  practice: false,
  archivedAt: null,
} as const;

const AXLES = {
  tractor: { front: "Front axle", rear: "Rear axle" },
  "self-propelled": { front: "Drive axle, in front", rear: "Steered axle, behind" },
  implement: { tool: "Its axle" },
} as const;

/** `known` is null for a machine that is to be made, of the kind `wanted` names. */
export function viewMachine(db: Database, known: Machine | null, wanted: string | null, units: Units) {
  const kind = (Object.keys(KIND_WORDS) as Machine["kind"][]).find((each) => each === wanted) ?? "tractor";
  const points = known ? pointsOf(db, known.id) : [];
  const machine: Omit<Machine, "id" | "archivedAt"> & { id: number; archivedAt: string | null } = known ?? {
    ...EMPTY,
    kind,
  };
  return {
    machine,
    points,
    kinds: POINTS_OF[machine.kind].filter(
      (each) => !SINGLE.includes(each) || points.every((point) => point.kind !== each),
    ) as readonly string[],
    weights:
      known && known.kind !== "implement"
        ? weightsOf(db, known.id).map((weight) => ({
            id: weight.id,
            label: weight.label,
            text: weightText(weight, known.kind, units),
          }))
        : null,
    units: { mass: unitOf("mass", units) as string, place: units.tape as string },
    axles: known ? axlesOf(db, known) : [],
    tyres: listTyres(db).map(({ id, label }) => ({ id, label })),
    rigs: known ? rigsOf(db, known.id).map(({ id, name }) => ({ id, name })) : [],
    season: known ? seasonOf(db, known.id, new Date()) : [],
    loan: known && !known.practice ? loanOf(db, known.id, new Date()) : null,
  };
}

/** What service finds on it now, and days it is away, in a line each. */
function seasonOf(db: Database, id: number, now: Date): string[] {
  const today = now.toISOString().slice(0, 10);
  const { due, order } = pressing(db, now, [id]);
  const loan = onLoan(db, id, now);
  return [
    ...(loan ? [loan] : []),
    ...due.map(({ item }) => `Due: ${item.name}`),
    ...order.map(({ part }) => `To order: ${part.count} × ${part.name}`),
    ...planAways(db)
      .filter(({ machineId, to }) => machineId === id && to >= today)
      .map(({ from, to, why }) => `Away ${spanWords(from, to)}${why && `: ${why}`}`),
  ];
}

function weightText({ mass, place, count }: StockedWeight, kind: Machine["kind"], units: Units): string {
  const where = place < 0 ? "behind" : "ahead of";
  return `${count} × ${say("mass", mass, units)}, ${printLength(Math.abs(place), units.tape)} ${where} the ${weighedFrom(kind)}`;
}

function axlesOf(db: Database, { id, kind }: Machine) {
  const fitted = axleTyresOf(db, [id]);
  return Object.entries(AXLES[kind]).map(([axle, label]) => {
    const found = fitted.find((each) => each.axle === axle);
    return {
      axle,
      label: label as string,
      tyreId: found ? String(found.tyre.id) : "",
      count: String(found?.count ?? 2),
    };
  });
}
