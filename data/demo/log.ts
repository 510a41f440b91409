/** The demo yard's season: what was driven where, and what came of it. Every figure is made up. */
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import { freeze } from "../../core/log/freeze.ts";
import type { OperationKey } from "../../core/trade/operations.ts";
import type { Frozen } from "../../core/yard/log.ts";
import type { Database } from "../handle.ts";
import { addLoad, addNote, beginWork, begunOf, endWork } from "../log.ts";
import { productsOf } from "../products.ts";
import { type RigTool, toolsOf } from "../rigs.ts";
import { wholesOf } from "../whole.ts";
import { cropNamed, keepWork, varietyNamed } from "../work.ts";
import { BY } from "./told.ts";

type DemoEntry = {
  /** fleet number of the tool */
  tool: string;
  field: string;
  operation: OperationKey;
  crop?: string;
  variety?: string;
  product?: { name: string; rate: number; used?: number };
  season: string;
  begun: string;
  ended: string | null;
  person: string;
  hectares: number | null;
  hours: number | null;
  litres: number | null;
  note?: string;
  loads?: readonly { name: string; number: string; to: string; tonnes: number; water: number; at: string }[];
  notes?: readonly { text: string; at: string }[];
  /** what was believed when it was driven and is another by now, SI */
  believed?: Partial<Record<DimensionKey, number>>;
};

const HA = 1e4;
const LITRE = 1e-3;
const PER_HA = 1e-4;

const LEAF = (used: number) => ({ name: "Leaf cover T1", rate: 180 * LITRE * PER_HA, used: used * LITRE });
const NITROGEN = (used: number) => ({ name: "Nitrogen 27", rate: 220 * PER_HA, used });
const OLA = "Ola Brannick";
const ILSE = "Ilse Marrin";

const ENTRIES: readonly DemoEntry[] = [
  {
    tool: "D7",
    believed: { "tool.width": 4.1 },
    field: "Long Acre",
    operation: "sowing",
    crop: "Winter wheat",
    variety: "Halvard",
    product: { name: "Winter wheat Halvard", rate: 162 * PER_HA, used: 4610 },
    season: "2026",
    begun: "2025-09-24T06:10:00Z",
    ended: "2025-09-24T16:40:00Z",
    person: OLA,
    hectares: 28.6,
    hours: 9.1,
    litres: 231,
  },
  {
    tool: "D7",
    believed: { "tool.width": 4.1 },
    field: "Mill Acre",
    operation: "sowing",
    crop: "Winter wheat",
    variety: "Halvard",
    product: { name: "Winter wheat Halvard", rate: 162 * PER_HA, used: 2830 },
    season: "2026",
    begun: "2025-09-25T06:20:00Z",
    ended: "2025-09-25T13:05:00Z",
    person: OLA,
    hectares: 17.5,
    hours: 5.9,
    litres: 148,
  },
  {
    tool: "D7",
    believed: { "tool.width": 4.1 },
    field: "Dovecote",
    operation: "sowing",
    crop: "Winter barley",
    variety: "Osk",
    product: { name: "Winter barley Osk", rate: 158 * PER_HA, used: 1500 },
    season: "2026",
    begun: "2025-09-26T08:00:00Z",
    ended: "2025-09-26T11:40:00Z",
    person: OLA,
    hectares: 9.6,
    hours: 3.2,
    litres: 80,
    notes: [{ text: "Wet corner at the brook left out, 0.2 ha", at: "2025-09-26T10:15:00Z" }],
  },
  {
    tool: "S4",
    field: "Quarry Piece",
    operation: "spreading",
    crop: "Winter wheat",
    product: NITROGEN(5150),
    season: "2026",
    begun: "2026-03-12T07:00:00Z",
    ended: "2026-03-12T08:50:00Z",
    person: ILSE,
    hectares: 23.2,
    hours: 1.5,
    litres: 19,
  },
  {
    tool: "S4",
    field: "Far Fifty",
    operation: "spreading",
    crop: "Winter wheat",
    product: NITROGEN(13_490),
    season: "2026",
    begun: "2026-03-12T09:20:00Z",
    ended: "2026-03-12T13:10:00Z",
    person: ILSE,
    hectares: 56.3,
    hours: 3.4,
    litres: 46,
    note: "Ran on in the last headland, 1.1 t more than the rate.",
  },
  {
    tool: "P1-B",
    field: "Quarry Piece",
    operation: "spraying",
    crop: "Winter wheat",
    variety: "Halvard",
    product: LEAF(4180),
    season: "2026",
    begun: "2026-04-08T05:40:00Z",
    ended: "2026-04-08T07:35:00Z",
    person: ILSE,
    hectares: 23.1,
    hours: 1.6,
    litres: 30,
  },
  {
    tool: "P1-B",
    field: "Park Side",
    operation: "spraying",
    crop: "Winter wheat",
    variety: "Halvard",
    product: LEAF(2760),
    season: "2026",
    begun: "2026-04-08T08:10:00Z",
    ended: "2026-04-08T09:30:00Z",
    person: ILSE,
    hectares: 15.3,
    hours: 1.1,
    litres: 20,
  },
  {
    tool: "R8",
    field: "The Wedge",
    operation: "planting",
    crop: "Grain maize",
    variety: "Torvi",
    season: "2026",
    begun: "2026-04-25T06:30:00Z",
    ended: "2026-04-25T12:15:00Z",
    person: OLA,
    hectares: 19.6,
    hours: 4.9,
    litres: 88,
  },
  {
    tool: "K1-S",
    field: "Dovecote",
    operation: "harvest",
    crop: "Winter barley",
    variety: "Osk",
    season: "2026",
    begun: "2026-07-11T09:30:00Z",
    ended: "2026-07-11T13:10:00Z",
    person: ILSE,
    hectares: 9.5,
    hours: 3.1,
    litres: 142,
    loads: [
      {
        name: "Cart 2",
        number: "1",
        to: "Hollin store",
        tonnes: 16.4,
        water: 13.6,
        at: "2026-07-11T10:40:00Z",
      },
      {
        name: "Cart 1",
        number: "2",
        to: "Hollin store",
        tonnes: 18.1,
        water: 13.9,
        at: "2026-07-11T11:50:00Z",
      },
      {
        name: "Cart 2",
        number: "3",
        to: "Hollin store",
        tonnes: 15.9,
        water: 13.4,
        at: "2026-07-11T13:00:00Z",
      },
      {
        name: "Cart 1",
        number: "4",
        to: "Hollin store",
        tonnes: 17.2,
        water: 14.1,
        at: "2026-07-11T13:08:00Z",
      },
    ],
  },
];

/** Plants the season on the rigs there are. */
export function plantLog(db: Database, rigs: readonly RigTool[], fields: ReadonlyMap<string, number>): void {
  const tools = new Map(
    rigs.flatMap(({ id }) => toolsOf(db, id).map((part) => [part.implement.fleetNumber, part] as const)),
  );
  const products = productsOf(db);
  for (const entry of ENTRIES) {
    const part = tools.get(entry.tool);
    if (!part) continue;
    const { person } = entry;
    const told = (at: string) => ({ person, at: new Date(at) });
    const cropId = entry.crop ? cropNamed(db, entry.crop, BY) : null;
    const product = entry.product && products.find(({ name }) => name === entry.product!.name)!;
    const workId = keepWork(
      db,
      part.id,
      {
        fieldId: fields.get(entry.field)!,
        operations: [entry.operation],
        cropId,
        varietyWay: "one",
        varieties: entry.variety ? [{ id: varietyNamed(db, cropId!, entry.variety, BY), rows: "" }] : [],
        products: product ? [{ id: product.id, rate: entry.product!.rate, counted: false }] : [],
        recordedBy: null,
        line: null,
        season: entry.season,
        screen: {},
        screenActive: false,
        alarms: {},
      },
      told(entry.begun),
    );
    const id = beginWork(
      db,
      part.id,
      { workId, frozen: believedThen(db, part, entry.believed) },
      told(entry.begun),
    );
    const begun = begunOf(db, id)!;
    for (const { text, at } of entry.notes ?? []) addNote(db, begun, { text }, told(at));
    for (const { name, number, to, tonnes, water, at } of entry.loads ?? [])
      addLoad(
        db,
        begun,
        { name, number, destination: to, mass: tonnes * 1000, moisture: water / 100 },
        told(at),
      );
    if (entry.ended)
      endWork(
        db,
        begun,
        {
          area: entry.hectares === null ? null : entry.hectares * HA,
          parts: [],
          time: entry.hours === null ? null : entry.hours * 3600,
          fuel: entry.litres === null ? null : entry.litres * LITRE,
          note: entry.note ?? "",
          used:
            product && entry.product!.used ? [{ productId: product.id, amount: entry.product!.used }] : [],
        },
        told(entry.ended),
      );
  }
}

/** The rig as it stands, but for what was believed otherwise; nothing where nobody says what was. */
function believedThen(db: Database, part: RigTool, believed: DemoEntry["believed"]): Frozen {
  if (!believed) return { card: null, variants: [], readings: [], calibrations: [] };
  const whole = wholesOf(db, toolsOf(db, part.id)).get(part.id)!;
  const frozen = freeze(whole, { card: null, variants: [] });
  const own = believed as Partial<Record<string, number>>;
  return {
    ...frozen,
    readings: frozen.readings.map((each) => ({ ...each, value: own[each.key] ?? each.value })),
  };
}
