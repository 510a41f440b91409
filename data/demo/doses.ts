/** What the demo yard knows of its tools that dose: products, constants over the years, and what each really is on the bench. Every figure is made up. */
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import type { TrueDose } from "../../core/simulation/dose.ts";
import { chance } from "../../core/simulation/random.ts";
import type { Product } from "../../core/yard/product.ts";
import { putOnBench } from "../bench.ts";
import type { Database } from "../handle.ts";
import { addProduct, keepLoaded } from "../products.ts";
import { keepChange, keepReading } from "../readings.ts";
import { type RigTool, toolsOf } from "../rigs.ts";
import type { Lines } from "./rigs.ts";
import { BY, read } from "./told.ts";

type DemoDose = {
  person: string;
  /** when its lines were read */
  at: string;
  lines: Lines;
  /** what constants were before, oldest first */
  before?: { at: string; lines: Lines }[];
  /** what was changed on it */
  changes?: { at: string; kind: "product" | "nozzles" | "meters"; note: string }[];
  product?: { name: string; at: string };
  truth: TrueDose;
};

/** True constants are told as they would be typed. */
function truth(seed: number, constants: Lines, more: Partial<TrueDose> = {}): TrueDose {
  return {
    seed,
    constants: Object.fromEntries(read(constants).map(({ key, value }) => [key, value])) as Partial<
      Record<DimensionKey, number>
    >,
    nozzles: [],
    rows: [],
    pattern: null,
    valve: null,
    slip: 0.1,
    ...more,
  };
}

/** Nozzles that differ a little, but for some that are worn. */
function nozzles(count: number, worn: Readonly<Record<number, number>>, seed: number): number[] {
  const random = chance(seed);
  return Array.from({ length: count }, (_, at) => {
    const share = 1.01 + random.normal(0.007);
    return worn[at + 1] ?? share;
  });
}

const PER_HECTARE = 1e-4;
/** No dose is told of it. */
const NO_DOSE = { doseLow: null, doseHigh: null };

const PRODUCTS: readonly Omit<Product, "id">[] = [
  {
    name: "Leaf cover T1",
    form: "liquid",
    density: 1010,
    grainMass: null,
    establishment: null,
    price: 240,
    money: "€",
    doseLow: 150 * 1e-3 * PER_HECTARE,
    doseHigh: 250 * 1e-3 * PER_HECTARE,
  },
  {
    name: "Winter wheat Halvard",
    form: "seed",
    density: 770,
    grainMass: 44.5e-6,
    establishment: 0.87,
    price: 0.62,
    money: "€",
    ...NO_DOSE,
  },
  {
    name: "Winter barley Osk",
    form: "seed",
    density: 680,
    grainMass: 51e-6,
    establishment: 0.9,
    price: 0.58,
    money: "€",
    ...NO_DOSE,
  },
  {
    name: "Grain maize Torvi",
    form: "seed",
    density: 750,
    grainMass: 310e-6,
    establishment: 0.93,
    price: 9.4,
    money: "€",
    ...NO_DOSE,
  },
  {
    name: "Nitrogen 27",
    form: "granules",
    density: 1040,
    grainMass: null,
    establishment: null,
    price: 0.36,
    money: "€",
    doseLow: null,
    doseHigh: 250 * PER_HECTARE,
  },
  {
    name: "Feed wheat",
    form: "crop",
    density: 760,
    grainMass: null,
    establishment: null,
    price: 0.19,
    money: "€",
    ...NO_DOSE,
  },
];

const DOSES: Readonly<Record<string, DemoDose>> = {
  "P1-B": {
    person: "Ilse Marrin",
    at: "2026-04-09T06:50:00.000Z",
    product: { name: "Leaf cover T1", at: "2026-04-09T06:40:00.000Z" },
    lines: {
      "tractor.turnRadius": "6.4",
      "work.area": "38.4 ha",
      "rate.liquid": "180 l/ha",
      "rate.speedSource": "wheel",
      "rate.pulsesPerMetre": "book: 8.72 /m",
      "rate.pulsesPerLitre": "book: 186 /l",
      "rate.nozzle": "03",
      "rate.pressureLow": "book: 1.5 bar",
      "rate.pressureHigh": "book: 5 bar",
      "rate.pumpFlow": "book: 190 l/min",
      "rate.tank": "book: 3200 l",
      "rate.tankRest": "book: 35 l",
      "rate.valve": "320",
      "rate.preset1": "100 %",
      "rate.preset2": "120 %",
      "rate.preset3": "80 %",
    },
    before: [
      { at: "2024-04-02T06:00:00.000Z", lines: { "rate.pulsesPerLitre": "book: 184 /l" } },
      { at: "2025-03-28T07:00:00.000Z", lines: { "rate.pulsesPerLitre": "book: 185.2 /l" } },
    ],
    changes: [{ at: "2025-03-20T09:00:00.000Z", kind: "nozzles", note: "Set of 03 put in" }],
    truth: truth(
      4101,
      { "rate.pulsesPerMetre": "8.76 /m", "rate.pulsesPerLitre": "175.4 /l" },
      {
        nozzles: nozzles(48, { 11: 1.15, 12: 1.19, 33: 1.16 }, 91),
        valve: { gain: 0.0042, lag: 0.6 },
      },
    ),
  },
  D7: {
    person: "Joren Talbeck",
    at: "2026-09-21T06:40:00.000Z",
    product: { name: "Winter wheat Halvard", at: "2026-09-21T06:20:00.000Z" },
    lines: {
      "work.area": "8.2 ha",
      "rate.seed": "164 kg/ha",
      "rate.speedSource": "receiver",
      "rate.displacement": "book: 212 g",
      "rate.rollDeclared": "medium",
      "rate.rollFitted": "high",
      "rate.ranksDeclared": "both",
      "rate.ranksFitted": "both",
      "rate.meterLow": "book: 5 rpm",
      "rate.meterHigh": "book: 90 rpm",
      "rate.hopper": "book: 900 kg",
    },
    truth: truth(4102, { "rate.displacement": "332 g" }),
  },
  D2: {
    person: "Ilse Marrin",
    at: "2026-09-14T06:00:00.000Z",
    product: { name: "Winter barley Osk", at: "2026-09-14T05:50:00.000Z" },
    lines: {
      "work.area": "6.4 ha",
      "rate.seed": "158 kg/ha",
      "rate.speedSource": "wheel",
      "rate.pulsesPerMetre": "3.12 /m",
      "rate.displacement": "book: 96 g",
      "rate.rollDeclared": "medium",
      "rate.rollFitted": "medium",
      "rate.ranksDeclared": "both",
      "rate.ranksFitted": "both",
      "rate.hopper": "book: 1150 kg",
    },
    truth: truth(4103, { "rate.pulsesPerMetre": "3.04 /m", "rate.displacement": "91.4 g" }),
  },
  R8: {
    person: "Ilse Marrin",
    at: "2026-04-27T06:20:00.000Z",
    product: { name: "Grain maize Torvi", at: "2026-04-27T06:10:00.000Z" },
    lines: {
      "work.area": "11.3 ha",
      "rate.seeds": "92000 /ha",
      "rate.speedSource": "radar",
      "rate.pulsesPerMetre": "book: 97 /m",
      "rate.rows": "8",
      "rate.startSpeed": "book: 2 km/h",
      "rate.timeout": "book: 4 s",
      "rate.alarmLow": "92 %",
      "rate.startHeight": "38 %",
      "rate.stopHeight": "52 %",
    },
    truth: truth(
      4104,
      {
        "rate.pulsesPerMetre": "98.1 /m",
        "rate.startHeight": "34 %",
        "rate.stopHeight": "55 %",
        "rate.loadCells": "6 kg",
        "rate.gyro": "1 %",
      },
      {
        rows: Array.from({ length: 8 }, (_, at) =>
          at === 5
            ? { skips: 0.17, doubles: 0.01, spacing: 0.24, emerge: 0.95 }
            : { skips: 0.015, doubles: 0.01, spacing: 0.16, emerge: 0.95 },
        ),
      },
    ),
  },
  S4: {
    person: "Ilse Marrin",
    at: "2026-03-19T07:40:00.000Z",
    product: { name: "Nitrogen 27", at: "2026-03-19T07:30:00.000Z" },
    lines: {
      "work.area": "18.8 ha",
      "rate.spread": "220 kg/ha",
      "rate.speedSource": "tractor",
      "rate.pulsesPerMetre": "book: 130 /m",
      "rate.flowFactor": "book: 1.00",
      "rate.scale": "1.00",
    },
    truth: truth(
      4105,
      { "rate.pulsesPerMetre": "131.2 /m", "rate.flowFactor": "1.06", "rate.scale": "0.985" },
      { pattern: { reach: 12, slope: 5.5, shift: 1.1, middle: 0.08 } },
    ),
  },
  "K1-S": {
    person: "Ilse Marrin",
    at: "2026-07-21T07:20:00.000Z",
    product: { name: "Feed wheat", at: "2026-07-21T07:10:00.000Z" },
    lines: { "work.area": "22.5 ha", "rate.yield": "1.04" },
    truth: truth(4106, { "rate.yield": "0.972" }),
  },
};

/** Products, readings over the years, and the bench of every tool that doses. */
export function plantDoses(db: Database, rigs: readonly RigTool[]): void {
  const products = new Map(PRODUCTS.map((each) => [each.name, addProduct(db, each, BY)]));
  for (const tool of rigs.flatMap(({ id }) => toolsOf(db, id))) {
    const demo = DOSES[tool.implement.fleetNumber];
    if (!demo) continue;
    const { person, product } = demo;
    for (const { at, lines } of [...(demo.before ?? []), demo]) keep(db, tool, lines, { person, at });
    for (const { at, kind, note } of demo.changes ?? [])
      keepChange(db, tool, { kind, note, person, at: new Date(at) });
    if (product)
      keepLoaded(db, tool.implement.id, products.get(product.name)!, { person, at: new Date(product.at) });
    putOnBench(db, tool.couplingId, demo.truth);
  }
}

function keep(
  db: Database,
  tool: RigTool,
  lines: Lines,
  { person, at }: { person: string; at: string },
): void {
  for (const { key, text, value, step, by } of read(lines, tool.attachment))
    keepReading(db, tool, { key, rawText: text, value, step, instrument: by, person, at: new Date(at) });
}
