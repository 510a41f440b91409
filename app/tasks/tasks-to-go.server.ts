/** What goes out in a task file: a rig with its job, or the whole yard. */
import { inWords, joined } from "../../core/quantity/said.ts";
import type { WholeRig } from "../../core/rig/whole.ts";
import { OPERATIONS } from "../../core/trade/operations.ts";
import { type CropGiven, type ProductGiven, type RateGiven, rateKindOf } from "../../core/yard/task-set.ts";
import type { Work } from "../../core/yard/work.ts";
import type { Database } from "../../data/handle.ts";
import { linesOf } from "../../data/lines.ts";
import { listFields } from "../../data/places.ts";
import { productsOf } from "../../data/products.ts";
import { everyRig, listEveryTool, type Machine, type RigTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { cropsOf } from "../../data/work.ts";
import { describeRig } from "../../formats/isoxml/describe.ts";
import { isCut } from "../../formats/isoxml/task-file.ts";
import type { RigToGo, TaskSetToGo } from "../../formats/isoxml/write.ts";
import type { JobToGo } from "../../formats/isoxml/write-tasks.ts";
import { fileStops } from "../stations/card/card-view.server.ts";
import { judgedOf } from "../yard/board.server.ts";

type Opened = { parts: readonly RigTool[]; whole: WholeRig };

/** The device descriptions of a rig. */
export function describedOf({ parts, whole }: Opened) {
  return describeRig(
    identity(parts[0]!.tractor),
    parts.map(({ implement, parentCouplingId }, at) => ({
      rig: whole.parts[at]!.rig,
      identity: identity(implement),
      behind:
        parentCouplingId === null
          ? null
          : parts.findIndex(({ couplingId }) => couplingId === parentCouplingId),
    })),
  );
}

function identity({ id, make, model, serial, busName }: Machine) {
  return { id, designator: `${make} ${model}`, serial, busName };
}

/** One rig with its job, and the field, the crop and the products of it. */
export function rigToGo(db: Database, open: Opened): TaskSetToGo {
  const { whole, parts } = open;
  const { work } = whole;
  const title = parts[0]!.name;
  const rig = { title, description: describedOf(open), job: work && jobOf(work, 0) };
  if (!work) return { places: [], crops: [], products: [], rigs: [rig] };
  return {
    places: placesOf(db, [work.field.id]),
    crops: cropsIn([work]),
    products: productsGiven(db).filter(({ name }) => work.products.some((each) => each.name === name)),
    rigs: [rig],
  };
}

export type YardToGo = {
  set: TaskSetToGo;
  /** rigs whose machines are not described, or that have no job: a sentence each */
  leftOut: string[];
};

/** Every field, crop and product, and each rig that has a job. */
export function yardToGo(db: Database, units: Parameters<typeof inWords>[1]): YardToGo {
  const fields = listFields(db).filter(({ archivedAt }) => archivedAt === null);
  const leftOut: string[] = [];
  const rigs: RigToGo[] = [];
  const inUse = listEveryTool(db).filter(({ archivedAt }) => archivedAt === null);
  const judged = judgedOf(db, inUse);
  const wholes = wholesOf(db, inUse);
  for (const [id, parts] of everyRig(inUse)) {
    const title = parts[0]!.name;
    const whole = wholes.get(id)!;
    const place = fields.findIndex(({ id }) => id === whole.work?.field.id);
    if (!whole.work || place < 0) {
      leftOut.push(`${title}: no job is set.`);
      continue;
    }
    const stops = fileStops({ findings: judged.get(id)!.holding });
    const said = joined(
      stops.map(({ what }) => what),
      " ",
    );
    if (stops.length > 0)
      leftOut.push(`${title}: its machines, while something stops it. ${inWords(said, units)}`);
    rigs.push({
      title,
      description: stops.length > 0 ? null : describedOf({ parts, whole }),
      job: jobOf(whole.work, place),
    });
  }
  return {
    set: {
      places: placesOf(
        db,
        fields.map(({ id }) => id),
      ),
      crops: cropsOf(db).map(({ name, varieties }) => ({
        name,
        varieties: varieties.map((each) => each.name),
      })),
      products: productsGiven(db),
      rigs,
    },
    leftOut,
  };
}

/** Fields by their number, in that order, as a file has them. */
function placesOf(db: Database, ids: readonly number[]): TaskSetToGo["places"] {
  const known = new Map(listFields(db).map((each) => [each.id, each]));
  const lines = linesOf(db);
  return ids.map((id) => {
    const { client, farm, name, bounded } = known.get(id)!;
    return {
      client,
      farm,
      field: name,
      boundary: bounded?.boundary ?? null,
      lines: lines
        .filter(({ fieldId }) => fieldId === id)
        .map((line) => ({ name: line.name, shape: line.shape })),
    };
  });
}

function cropsIn(works: readonly Work[]): CropGiven[] {
  return works.flatMap(({ crop, varieties }) =>
    crop ? [{ name: crop.name, varieties: varieties.map(({ name }) => name) }] : [],
  );
}

const productsGiven = (db: Database): ProductGiven[] =>
  productsOf(db).map(({ name, form, density, grainMass }) => ({ name, form, density, grainMass }));

/** A job as a task says it. */
export function jobOf(work: Work, place: number): JobToGo {
  const { crop, varietyWay, varieties, operations, person, products, line } = work;
  return {
    place,
    crop: crop?.name ?? null,
    variety: varietyWay === "one" ? (varieties[0]?.name ?? null) : null,
    operations: operations.map((key) => OPERATIONS[key].label),
    worker: person,
    rates: products.flatMap(({ name, form, rate, counted }): RateGiven[] =>
      rate === null ? [] : [{ product: name, kind: rateKindOf({ form, counted }), rate }],
    ),
    line: line?.name ?? null,
  };
}

/** What of a job no task file says, for whoever takes one along. */
export function notInFile({ field, crop, varietyWay, varieties, products, line }: Work): string[] {
  const names = [
    field.name,
    crop?.name ?? "",
    line?.name ?? "",
    ...[...varieties, ...products].map(({ name }) => name),
  ];
  const bare = products.filter(({ rate }) => rate === null).map(({ name }) => name);
  return [
    ...(varietyWay === "one" || varieties.length === 0
      ? []
      : [`Varieties ${varietyWay === "rows" ? "by rows" : "by a map"}: only their names are in it.`]),
    ...(bare.length > 0 ? [`${bare.join(", ")}: no rate is set, so none is in it.`] : []),
    ...names
      .filter(isCut)
      .map((name) => `${name}: the name is cut in it, the standard has room for 32 letters.`),
    ...(line && line.shifted !== 0 ? ["Shifts of the line: they are the terminal's own."] : []),
    "What records the field, the working screen and the alarms: they are set in the cab.",
  ];
}
