/** Service of the demo yard: lists, meters, what was done and what wears. Every figure is made up. */
import type { Database } from "../handle.ts";
import { listMachines } from "../machines.ts";
import { setPrices } from "../prices.ts";
import {
  addWearPart,
  keepMeter,
  keepServiced,
  keepWorn,
  serviceItems,
  takeUsual,
  wearParts,
} from "../service.ts";
import { BY } from "./told.ts";

const HOUR = 3600;
const OLA = "Ola Brannick";
const ILSE = "Ilse Marrin";

/** By fleet number: who read what off its meter, in hours. */
const METERS: Readonly<Record<string, readonly { at: string; hours: number }[]>> = {
  T12: [
    { at: "2025-09-20T05:50:00.000Z", hours: 3120 },
    { at: "2026-09-21T05:40:00.000Z", hours: 3402.5 },
  ],
};

/** By fleet number: what was done when, at so many hours. */
const DONE: Readonly<
  Record<string, readonly { item: string; at: string; hours: number | null; person: string; note: string }[]>
> = {
  T12: [
    { item: "Engine oil and filter", at: "2025-09-18T14:00:00.000Z", hours: 3105, person: OLA, note: "24 L" },
    { item: "Grease, all points", at: "2026-09-18T06:10:00.000Z", hours: 3380, person: OLA, note: "" },
    {
      item: "Air filter",
      at: "2026-09-18T06:40:00.000Z",
      hours: 3380,
      person: OLA,
      note: "Blown out, whole",
    },
    { item: "Fuel filter", at: "2026-02-11T13:20:00.000Z", hours: 3211, person: ILSE, note: "" },
  ],
  D7: [
    { item: "Gearbox oil", at: "2026-09-14T09:00:00.000Z", hours: null, person: OLA, note: "1.2 L" },
    {
      item: "Chains and belts: tension, oil",
      at: "2025-09-22T16:00:00.000Z",
      hours: null,
      person: OLA,
      note: "",
    },
  ],
  S4: [{ item: "Grease, all points", at: "2026-03-11T15:30:00.000Z", hours: null, person: ILSE, note: "" }],
};

type Worn = {
  name: string;
  count: number;
  fresh: number;
  limit: number;
  stock: number;
  delivery: number;
  price: number;
  measured: readonly { at: string; size: number }[];
};

const WEARS: Readonly<Record<string, Worn>> = {
  D7: {
    name: "Coulter discs",
    count: 32,
    fresh: 0.35,
    limit: 0.32,
    stock: 8,
    delivery: 5,
    price: 38,
    measured: [{ at: "2025-09-26T16:00:00.000Z", size: 0.346 }],
  },
  S4: {
    name: "Vanes",
    count: 8,
    fresh: 0.09,
    limit: 0.078,
    stock: 0,
    delivery: 4,
    price: 21.5,
    measured: [{ at: "2026-03-12T16:00:00.000Z", size: 0.0862 }],
  },
};

/** Plants it on the machines there are. */
export function plantService(db: Database): void {
  setPrices(db, { fuel: 1320, labour: 27 / HOUR, money: "EUR" }, BY);
  for (const { id, kind, fleetNumber } of listMachines(db)) {
    const done = DONE[fleetNumber];
    if (!done) continue;
    takeUsual(db, id, kind !== "implement", BY);
    for (const { at, hours } of METERS[fleetNumber] ?? [])
      keepMeter(db, id, hours * HOUR, { person: OLA, at: new Date(at) });
    const items = new Map(serviceItems(db, [id]).map((item) => [item.name, item]));
    for (const { item, at, hours, person, note } of done)
      keepServiced(
        db,
        items.get(item)!,
        { meter: hours === null ? null : hours * HOUR, note },
        { person, at: new Date(at) },
      );
    const wears = WEARS[fleetNumber];
    if (!wears) continue;
    const { measured, ...part } = wears;
    const number = addWearPart(db, { machineId: id, ...part }, BY);
    const own = wearParts(db, [id]).find((each) => each.id === number)!;
    for (const { at, size } of measured)
      keepWorn(db, own, { size, replaced: false }, { person: OLA, at: new Date(at) });
  }
}
