/** What the demo yard's rigs are set to do. Every figure is made up. */
import type { OperationKey } from "../../core/trade/operations.ts";
import type { AlarmKey, AlarmState, ReadoutKey, TriggerKey } from "../../core/trade/recording.ts";
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
    screen: {
      map: 1,
      position: 1,
      guidance: 1,
      speed: 1,
      sections: 1,
      rateSet: 1,
      rateApplied: 1,
      pressure: 2,
    },
    active: true,
    alarms: { rate: "heard", tank: "heard", pressure: "shown", position: "heard" },
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
        varietyWay: "one",
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
        season: demo.at.slice(0, 4),
        screen: demo.screen,
        screenActive: demo.active,
        alarms: demo.alarms,
        mutedRows: demo.muted ?? "",
      },
      told,
    );
  }
}
