/** Crops, products, workers and tasks as entities of ISO 11783-10, each made once and named by what uses it. */
import {
  type CropType,
  type CropVariety,
  type CulturalPractice,
  type GuidanceAllocation,
  type ISOXMLManager,
  type ISOXMLReference,
  type OperTechPractice,
  type Partfield,
  type ProcessDataVariable,
  type Product,
  type ProductGroup,
  TAGS,
  type TaskAttributes,
  type TreatmentZone,
  type Worker,
} from "isoxml";
import type { PlaceGiven } from "../../core/place/given.ts";
import type { CropGiven, ProductGiven, RateGiven } from "../../core/yard/task-set.ts";
import { designator } from "./task-file.ts";
import { FORM_GROUPS, hexDdi, QUANTITY_OF, RATE_OF } from "./task-words.ts";
import type { FieldsWritten } from "./write-places.ts";

/** A signed and an unsigned whole number of 32 bits. */
const MOST_VALUE = 2 ** 31 - 1;
const MOST_COUNT = 2 ** 32 - 2;

/** What is to be done with a rig. Names are those of the crops, products and places beside it. */
export type JobToGo = {
  /** index into the places */
  place: number;
  crop: string | null;
  variety: string | null;
  operations: readonly string[];
  worker: string;
  rates: readonly RateGiven[];
  line: string | null;
};

export type BesidesToGo = { crops: readonly CropGiven[]; products: readonly ProductGiven[] };

type Refers = (name: string) => ISOXMLReference | null;

export type Entities = {
  crops: CropType[];
  products: Product[];
  groups: ProductGroup[];
  workers: Worker[];
  practices: CulturalPractice[];
  crop: Refers;
  variety: (crop: string, name: string) => ISOXMLReference | null;
  product: Refers;
  worker: Refers;
  practice: Refers;
};

/** Makes each entity once, however many tasks name it. */
export function addBesides(
  manager: ISOXMLManager,
  { crops, products }: BesidesToGo,
  jobs: readonly JobToGo[],
): Entities {
  const each = <E extends Parameters<ISOXMLManager["registerEntity"]>[0]>(
    names: Iterable<string>,
    make: (name: string) => E,
  ) => {
    const made = new Map<string, { entity: E; reference: ISOXMLReference }>();
    for (const name of names) {
      if (name === "" || made.has(name)) continue;
      const entity = make(name);
      made.set(name, { entity, reference: manager.registerEntity(entity) });
    }
    return {
      all: [...made.values()].map(({ entity }) => entity),
      of: (name: string) => made.get(name)?.reference ?? null,
    };
  };
  const forms = new Set(products.flatMap(({ form }) => (form === null ? [] : [FORM_GROUPS[form]])));
  const groups = each(forms, (name) => groupOf(manager, name));
  const varieties = new Map<string, ISOXMLReference>();
  const crop = each(
    crops.map(({ name }) => name),
    (name) => cropOf(manager, crops.find((given) => given.name === name)!, varieties),
  );
  const product = each(
    products.map(({ name }) => name),
    (name) => productOf(manager, products.find((given) => given.name === name)!, groups.of),
  );
  const worker = each(
    jobs.map((job) => job.worker),
    (name) => workerOf(manager, name),
  );
  const practice = each(
    jobs.flatMap(({ operations }) => operations),
    (name) =>
      manager.createEntityFromAttributes(TAGS.CulturalPractice, {
        CulturalPracticeDesignator: designator(name),
      }) as CulturalPractice,
  );
  return {
    crops: crop.all,
    products: product.all,
    groups: groups.all,
    workers: worker.all,
    practices: practice.all,
    crop: crop.of,
    variety: (of, name) => varieties.get(`${of}\n${name}`) ?? null,
    product: product.of,
    worker: worker.of,
    practice: practice.of,
  };
}

function groupOf(manager: ISOXMLManager, name: string): ProductGroup {
  return manager.createEntityFromAttributes(TAGS.ProductGroup, {
    ProductGroupDesignator: name,
  }) as ProductGroup;
}

function cropOf(
  manager: ISOXMLManager,
  { name, varieties }: CropGiven,
  made: Map<string, ISOXMLReference>,
): CropType {
  return manager.createEntityFromAttributes(TAGS.CropType, {
    CropTypeDesignator: designator(name),
    CropVariety: varieties.map((variety) => {
      const entity = manager.createEntityFromAttributes(TAGS.CropVariety, {
        CropVarietyDesignator: designator(variety),
      }) as CropVariety;
      made.set(`${name}\n${variety}`, manager.registerEntity(entity));
      return entity;
    }),
  }) as CropType;
}

/** Told in kilograms on a cubic metre, which are grams on a litre; a thousand grains in milligrams. */
function productOf(
  manager: ISOXMLManager,
  { name, form, density, grainMass }: ProductGiven,
  group: Refers,
): Product {
  const count = (value: number) => Math.min(MOST_COUNT, Math.max(0, Math.round(value)));
  return manager.createEntityFromAttributes(TAGS.Product, {
    ProductDesignator: designator(name),
    QuantityDDI: hexDdi(QUANTITY_OF[form === "liquid" ? "volume" : "mass"]),
    ...(form === null ? {} : { ProductGroupIdRef: group(FORM_GROUPS[form])! }),
    ...(density === null ? {} : { DensityMassPerVolume: count(density) }),
    ...(grainMass === null ? {} : { DensityMassPerCount: count(grainMass * 1e9) }),
  }) as Product;
}

/** The last word is the family name, as people here sign. */
function workerOf(manager: ISOXMLManager, name: string): Worker {
  const words = name.split(/\s+/);
  const [last, first] = [words.at(-1)!, words.slice(0, -1).join(" ")];
  return manager.createEntityFromAttributes(TAGS.Worker, {
    WorkerLastName: designator(last),
    ...(first === "" ? {} : { WorkerFirstName: designator(first) }),
  }) as Worker;
}

/** The one zone that holds everywhere: the standard keeps 0 for out of it. */
const EVERYWHERE = 1;

/** What a task says of its job: where, what with, how much, along which line. */
export function taskOf(
  manager: ISOXMLManager,
  job: JobToGo,
  {
    places,
    written,
    entities,
  }: { places: readonly Omit<PlaceGiven, "problem">[]; written: FieldsWritten; entities: Entities },
): Partial<TaskAttributes> {
  const at = written.references[job.place]!;
  const worker = entities.worker(job.worker);
  return {
    PartfieldIdRef: at.field,
    ...(at.farm ? { FarmIdRef: at.farm } : {}),
    ...(at.client ? { CustomerIdRef: at.client } : {}),
    ...(worker ? { ResponsibleWorkerIdRef: worker } : {}),
    ...zonesOf(manager, job.rates, entities),
    OperTechPractice: job.operations.map(
      (name) =>
        manager.createEntityFromAttributes(TAGS.OperTechPractice, {
          CulturalPracticeIdRef: entities.practice(name)!,
        }) as OperTechPractice,
    ),
    ...lineOf(manager, job, places[job.place]!, written.fields[job.place]!),
  };
}

function zonesOf(
  manager: ISOXMLManager,
  rates: readonly RateGiven[],
  entities: Entities,
): Partial<TaskAttributes> {
  if (rates.length === 0) return {};
  const zone = manager.createEntityFromAttributes(TAGS.TreatmentZone, {
    TreatmentZoneCode: EVERYWHERE,
    TreatmentZoneDesignator: "Everywhere",
    ProcessDataVariable: rates.map((rate) => rateOf(manager, rate, entities)),
  }) as TreatmentZone;
  return { DefaultTreatmentZoneCode: EVERYWHERE, TreatmentZone: [zone] };
}

function rateOf(
  manager: ISOXMLManager,
  { product, kind, rate }: RateGiven,
  entities: Entities,
): ProcessDataVariable {
  const { ddi, steps } = RATE_OF[kind];
  const value = Math.round(rate * steps);
  if (!(value >= 0 && value <= MOST_VALUE)) throw new RangeError(`a rate of ${rate} cannot be written`);
  const reference = product === null ? null : entities.product(product);
  return manager.createEntityFromAttributes(TAGS.ProcessDataVariable, {
    ProcessDataDDI: hexDdi(ddi),
    ProcessDataValue: value,
    ...(reference ? { ProductIdRef: reference } : {}),
  }) as ProcessDataVariable;
}

function lineOf(
  manager: ISOXMLManager,
  { line }: JobToGo,
  { lines }: Pick<PlaceGiven, "lines">,
  field: Partfield,
): Partial<TaskAttributes> {
  const at = lines.findIndex(({ name }) => name === line);
  if (at < 0) return {};
  const group = field.attributes.GuidanceGroup![at]!;
  return {
    GuidanceAllocation: [
      manager.createEntityFromAttributes(TAGS.GuidanceAllocation, {
        GuidanceGroupIdRef: manager.getReferenceByEntity(group)!,
      }) as GuidanceAllocation,
    ],
  };
}

/** What grows on each place, by the tasks on it: the first that tells counts. */
export function tellCrops(
  { fields }: FieldsWritten,
  jobs: readonly JobToGo[],
  { crop, variety }: Pick<Entities, "crop" | "variety">,
): void {
  for (const job of [...jobs].reverse()) {
    if (job.crop === null) continue;
    const { attributes } = fields[job.place]!;
    const of = crop(job.crop);
    if (!of) continue;
    attributes.CropTypeIdRef = of;
    const sown = job.variety === null ? null : variety(job.crop, job.variety);
    if (sown) attributes.CropVarietyIdRef = sown;
    else delete attributes.CropVarietyIdRef;
  }
}
