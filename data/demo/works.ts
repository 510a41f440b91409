/** What the demo yard's rigs are set to do. Every figure is made up. */
import type { OperationKey } from "../../core/trade/operations.ts";
import type { AlarmKey, AlarmState, ReadoutKey, TriggerKey } from "../../core/trade/recording.ts";
import type { VarietyWay } from "../../core/yard/work.ts";
import type { Database } from "../handle.ts";
import { linesOf } from "../lines.ts";
import { productsOf } from "../products.ts";
import { type RigTool, toolsOf } from "../rigs.ts";
import { cropNamed, keepWork, varietyNamed } from "../work.ts";
import { BY } from "./told.ts";

type DemoWork = {
  field: string;
  at: string;
  person: string;
  operations: readonly OperationKey[];
  crop: string;
  varieties: readonly string[];
  way?: VarietyWay;
  /** SI */
  product?: { name: string; rate: number; counted?: boolean };
  trigger: TriggerKey | null;
  line: string | null;
  screen: Partial<Record<ReadoutKey, number>>;
  active: boolean;
  alarms: Partial<Record<AlarmKey, AlarmState>>;
  muted?: string;
};

const PER_HECTARE = 1e-4;
const LITRES = 1e-3;

const GUIDED = { map: 1, position: 1, guidance: 1, speed: 1, sections: 1 } as const;
const DOSED = { ...GUIDED, rateSet: 2, rateApplied: 2, tank: 2 } as const;

/** By the fleet number of the tool. */
const WORKS: Readonly<Record<string, DemoWork>> = {
  "P1-B": {
    field: "Far Fifty",
    at: "2026-04-09T07:10:00.000Z",
    person: "Ilse Marrin",
    operations: ["spraying"],
    crop: "Winter wheat",
    varieties: ["Halvard"],
    product: { name: "Leaf cover T1", rate: 180 * LITRES * PER_HECTARE },
    trigger: "sections",
    line: "Tramline",
    screen: { ...GUIDED, rateSet: 1, rateApplied: 1, pressure: 2 },
    active: true,
    alarms: { rate: "heard", tank: "heard", pressure: "shown", position: "heard" },
  },
  S4: {
    field: "Far Fifty",
    at: "2026-03-19T08:00:00.000Z",
    person: "Ilse Marrin",
    operations: ["spreading"],
    crop: "Winter wheat",
    varieties: [],
    product: { name: "Nitrogen 27", rate: 220 * PER_HECTARE },
    trigger: "sections",
    line: "Tramline",
    screen: DOSED,
    active: true,
    alarms: { rate: "heard", tank: "heard", position: "heard" },
  },
  R8: {
    field: "The Wedge",
    at: "2026-04-26T16:00:00.000Z",
    person: "Ola Brannick",
    operations: ["planting"],
    crop: "Grain maize",
    varieties: ["Torvi", "Brenka"],
    way: "map",
    product: { name: "Grain maize Torvi", rate: 9.2, counted: true },
    trigger: "sections",
    line: "North edge",
    screen: { ...DOSED, downforce: 2, singulation: 2 },
    active: true,
    alarms: { rate: "heard", tank: "heard", rows: "heard", position: "heard" },
  },
  "K1-S": {
    field: "Mill Acre",
    at: "2026-07-21T08:00:00.000Z",
    person: "Ilse Marrin",
    operations: ["harvest"],
    crop: "Winter wheat",
    varieties: ["Halvard"],
    trigger: "head",
    line: "East–west",
    screen: { ...GUIDED, loss: 2, yield: 2 },
    active: true,
    alarms: { loss: "heard", position: "heard" },
  },
  D7: {
    field: "Long Acre",
    at: "2026-09-20T17:30:00.000Z",
    person: "Ola Brannick",
    operations: ["sowing"],
    crop: "Winter barley",
    varieties: ["Osk"],
    product: { name: "Winter barley Osk", rate: 164 * PER_HECTARE },
    trigger: "hitch",
    line: "Long side",
    screen: { ...DOSED, blockage: 2 },
    active: true,
    alarms: { rate: "heard", tank: "heard", blockage: "heard", position: "heard" },
  },
};

/** Sets the rigs that are set to do something. */
export function plantWorks(
  db: Database,
  rigs: readonly RigTool[],
  fields: ReadonlyMap<string, number>,
): void {
  const lines = linesOf(db);
  const products = productsOf(db);
  for (const { id: rigId } of rigs) {
    const demo = toolsOf(db, rigId).flatMap(({ implement }) => WORKS[implement.fleetNumber] ?? [])[0];
    if (!demo) continue;
    const told = { person: demo.person, at: new Date(demo.at) };
    const fieldId = fields.get(demo.field)!;
    const cropId = cropNamed(db, demo.crop, BY);
    const { product } = demo;
    keepWork(
      db,
      rigId,
      {
        fieldId,
        operations: [...demo.operations],
        cropId,
        varietyWay: demo.way ?? "one",
        varieties: demo.varieties.map((name) => ({ id: varietyNamed(db, cropId, name, BY), rows: "" })),
        products: product
          ? [
              {
                id: products.find(({ name }) => name === product.name)!.id,
                rate: product.rate,
                counted: product.counted ?? false,
              },
            ]
          : [],
        recordedBy: demo.trigger,
        line: lines.find((line) => line.fieldId === fieldId && line.name === demo.line)?.seq ?? null,
        season: seasonOf(demo.at),
        screen: demo.screen,
        screenActive: demo.active,
        alarms: demo.alarms,
        mutedRows: demo.muted ?? "",
      },
      told,
    );
  }
}

/** What is sown in autumn is harvested in the next year's season. */
const seasonOf = (at: string) => String(Number(at.slice(0, 4)) + (at.slice(5, 7) >= "08" ? 1 : 0));
