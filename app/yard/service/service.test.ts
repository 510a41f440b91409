import { randomUUID } from "node:crypto";
import Papa from "papaparse";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { listMachines } from "../../../data/machines.ts";
import { listRigs } from "../../../data/rigs.ts";
import { metersOf, servicedOf, serviceItems, wearParts } from "../../../data/service.ts";
import { action as keep } from "../../routes/keep.ts";
import { action } from "../../routes/machine-service.tsx";
import { loader as roundsLoader } from "../../routes/rounds.tsx";
import { ask, openSampleYard, refusal, type SampleYard } from "../../routes/sample-yard.ts";
import { loader as csv } from "../../routes/service-csv.ts";
import { viewMachine } from "../machine/machine-view.server.ts";
import { judgedService, judgedWear, machineService, yardService } from "./service-view.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const machine = (fleet: string) => listMachines(yard.db).find(({ fleetNumber }) => fleetNumber === fleet)!;
const send = (fleet: string, fields: Record<string, string>) => {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, value);
  const { id } = machine(fleet);
  const request = new Request(`http://localhost/machines/${id}/service`, { method: "POST", body });
  return (action as (sent: object) => Promise<unknown>)({
    request,
    params: { machineId: String(id) },
    context: {},
  });
};
const wrong = async (fleet: string, fields: Record<string, string>) =>
  Object.keys(refusal(await send(fleet, fields)).errors).sort();
const item = (fleet: string, name: string) =>
  serviceItems(yard.db, [machine(fleet).id]).find((each) => each.name === name)!;
const judged = (fleet: string, name: string, now = new Date("2026-09-22T08:00:00Z")) =>
  judgedService(yard.db, now, [machine(fleet).id]).find((each) => each.item.name === name)!;

const ITEM = {
  intent: "add-item",
  name: "Clean the coolers",
  kind: "clean",
  round: "interval",
  points: "",
  time: "20",
  area: "",
  areaUnit: "ha",
  days: "",
  season: "",
  note: "",
};

describe("the service of a machine", () => {
  it("is judged by its meter, the log and the calendar, whichever comes first", () => {
    // Changed at 3105 h on 18 September 2025; read 3402.5 h: 297.5 of 500 h, and 369 of 365 days.
    const oil = judged("T12", "Engine oil and filter");
    expect(oil.due.state).toBe("due");
    expect(oil.due.first!.by).toBe("days");
    expect(oil.due.parts.find(({ by }) => by === "time")!.used / 3600).toBeCloseTo(297.5, 6);
    expect(judged("T12", "Grease, all points").due.state).toBe("good");
    expect(judged("T12", "Gearbox and hydraulic oil").due).toMatchObject({ state: "unknown", first: null });
    // By hand: 28.6 + 17.5 + 9.6 ha were sown since the chains were looked at.
    expect(judged("D7", "Chains and belts: tension, oil").due.first!.used / 1e4).toBeCloseTo(55.7, 6);
  });

  it("refuses what makes no sense by field, and changes nothing else", async () => {
    const before = serviceItems(yard.db).length;
    expect(await wrong("T12", { ...ITEM, name: "" })).toEqual(["name"]);
    expect(await wrong("T12", { ...ITEM, time: "" })).toEqual(["time"]);
    expect(await wrong("T12", { ...ITEM, time: "often" })).toEqual(["time"]);
    expect(await wrong("T12", { ...ITEM, time: "0" })).toEqual(["time"]);
    expect(await wrong("T12", { ...ITEM, days: "9999" })).toEqual(["days"]);
    expect(await wrong("T12", { ...ITEM, area: "-3" })).toEqual(["area"]);
    expect(await wrong("T12", { ...ITEM, kind: "magic" })).toEqual(["kind"]);
    expect(await wrong("T12", { ...ITEM, points: "2.5" })).toEqual(["points"]);
    expect(await wrong("T12", { ...ITEM, name: "air FILTER" })).toEqual(["name"]);
    expect(await wrong("T12", { intent: "item-away", item: "999999" })).toEqual(["form"]);
    expect(
      await wrong("T12", { intent: "done", item: "999999", meter: "", on: "", note: "", person: "Ola" }),
    ).toEqual(["form"]);
    expect(serviceItems(yard.db).length).toBe(before);
  });

  it("takes an item on, done at a meter that runs forward, and takes the doing back", async () => {
    await send("T12", ITEM);
    const { id } = item("T12", "Clean the coolers");
    expect(judged("T12", "Clean the coolers").due.state).toBe("unknown");
    const done = { intent: "done", item: String(id), meter: "", on: "", note: "", person: "Ola" };
    expect(await wrong("T12", { ...done, meter: "3000" })).toEqual(["meter"]);
    expect(await wrong("T12", { ...done, meter: "99999" })).toEqual(["meter"]);
    expect(await wrong("T12", { ...done, on: "2099-01-01T00:00:00.000Z" })).toEqual(["on"]);
    expect(await wrong("T12", { ...done, person: "" })).toEqual(["person"]);
    await send("T12", { ...done, meter: "3404,5" });
    expect(
      metersOf(yard.db, [machine("T12").id])
        .get(machine("T12").id)!
        .at(-1)!.reading / 3600,
    ).toBe(3404.5);
    const now = new Date(Date.now() + 1000);
    expect(judged("T12", "Clean the coolers", now).due.state).toBe("good");
    const [last] = servicedOf(yard.db, [id]);
    await send("T12", { intent: "take-back", id: last!.id });
    expect(judged("T12", "Clean the coolers", now).due.state).toBe("unknown");
    expect(await wrong("T12", { intent: "take-back", id: last!.id })).toEqual(["form"]);
    // Of another machine nothing is taken back here.
    const [other] = servicedOf(yard.db, [item("D7", "Gearbox oil").id]);
    expect(await wrong("T12", { intent: "take-back", id: other!.id })).toEqual(["form"]);
  });

  it("begins with the usual list, once", async () => {
    const fleet = listMachines(yard.db).find(
      ({ id, kind }) => kind === "tractor" && serviceItems(yard.db, [id]).length === 0,
    )!.fleetNumber;
    await send(fleet, { intent: "usual" });
    const count = serviceItems(yard.db, [machine(fleet).id]).length;
    expect(count).toBeGreaterThan(8);
    await send(fleet, { intent: "usual" });
    expect(serviceItems(yard.db, [machine(fleet).id]).length).toBe(count);
    const view = machineService(yard.db, machine(fleet), PRESETS.metric, new Date());
    expect(new Set(view.intervals.map(({ state }) => state))).toEqual(new Set(["unknown"]));
  });

  it("tells how what wears lasts, takes new ones off the shelf, and what is short of a set", async () => {
    const discs = () => judgedWear(yard.db, new Date("2025-09-27T08:00:00Z"), [machine("D7").id])[0]!;
    // 4 mm in 55.7 ha; 26 mm more to the limit: 362 ha. At 55.7 ha in thirty days worn in 195 days.
    const first = discs();
    expect(first.wear).toMatchObject({ known: true });
    expect(first.wear.known && first.wear.left / 1e4).toBeCloseTo((26 / 4) * 55.7, 3);
    expect(first.order).toMatchObject({ kind: "later", pieces: 24 });
    const part = String(first.part.id);
    const worn = { intent: "worn", part, size: "34", sizeUnit: "cm", replaced: "", person: "Ola" };
    expect(await wrong("D7", { ...worn, size: "big" })).toEqual(["size"]);
    expect(await wrong("D7", { ...worn, size: "60" })).toEqual(["size"]);
    expect(await wrong("D7", { ...worn, part: "99999" })).toEqual(["form"]);
    expect(await wrong("D7", { intent: "stock", part, stock: "-1" })).toEqual(["stock"]);
    await send("D7", { intent: "stock", part, stock: "40" });
    await send("D7", { ...worn, size: "35", replaced: "yes" });
    expect(wearParts(yard.db, [machine("D7").id])[0]!.stock).toBe(8);
    expect(judgedWear(yard.db, new Date(), [machine("D7").id])[0]!.wear).toEqual({
      known: false,
      why: "never measured",
    });
    // Not fitted after all: they lie on the shelf again, and the wear of the old ones counts.
    const [, fitted] = judgedWear(yard.db, new Date(), [machine("D7").id])[0]!.measured;
    await send("D7", { intent: "take-back", id: fitted!.id });
    expect(wearParts(yard.db, [machine("D7").id])[0]!.stock).toBe(40);
    expect(judgedWear(yard.db, new Date(), [machine("D7").id])[0]!.wear.known).toBe(true);
    const part2 = {
      intent: "add-part",
      name: "Scrapers",
      count: "4",
      fresh: "5",
      freshUnit: "cm",
      limit: "6",
      limitUnit: "cm",
      stock: "0",
      delivery: "3",
      price: "",
    };
    expect(await wrong("D7", part2)).toEqual(["limit"]);
    expect(await wrong("D7", { ...part2, count: "0", stock: "x", price: "dear" })).toEqual([
      "count",
      "price",
      "stock",
    ]);
  });

  it("of the yard has what is due first, and what to order", () => {
    const { pressing, counts } = yardService(yard.db, PRESETS.metric, new Date("2026-09-22T08:00:00Z"));
    expect(pressing[0]!.state).toBe("due");
    expect(counts.due).toBe(pressing.filter(({ state }) => state === "due").length);
    expect(pressing.map(({ name }) => name)).toContain("Engine oil and filter");
  });

  it("goes out as CSV that an unrelated reader has back", async () => {
    const answer = (csv as (sent: object) => Response)({
      request: new Request("http://localhost/service.csv"),
      params: {},
      context: {},
    });
    const { data, errors } = Papa.parse<Record<string, string>>(await answer.text(), {
      header: true,
      skipEmptyLines: true,
    });
    expect(errors).toEqual([]);
    const oil = data.find((line) => line.what === "Engine oil and filter")!;
    expect(oil).toMatchObject({ "fleet number": "T12", "hour meter (h)": "3105", note: "24 L", kind: "oil" });
  });
});

describe("the rounds of a rig", () => {
  it("have what is done each day on every machine of it, and what is due; a tick holds for the day, and once", async () => {
    const rig = listRigs(yard.db).find(({ name }) => name.startsWith("Electric drill"))!;
    const params = { rigId: String(rig.id) };
    const look = async () => (await ask(roundsLoader, `/rigs/${rig.id}/rounds`, params)).rounds;
    const { morning, evening, aboard } = await look();
    expect(morning.map(({ name }) => name)).toContain("Engine oil and filter");
    expect(new Set(morning.map((line) => line.machine)).size).toBe(2);
    expect(evening.length).toBeGreaterThan(3);
    expect(aboard.every((line) => line.done === null)).toBe(true);
    const nuts = morning.find(({ name }) => name === "Wheel nuts")!;
    const id = randomUUID();
    const tick = (fields: Record<string, string>) => {
      const body = new FormData();
      for (const [name, value] of Object.entries({ intent: "service-done", id, person: "Mira", ...fields }))
        body.set(name, value);
      const request = new Request(`http://localhost/rigs/${rig.id}/keep`, { method: "POST", body });
      return (keep as (sent: object) => Promise<unknown>)({ request, params, context: {} });
    };
    expect(refusal(await tick({ item: String(item("S4", "Gearbox oil").id) })).errors).toHaveProperty("form");
    expect(refusal(await tick({ item: String(nuts.id), person: "" })).errors).toHaveProperty("person");
    await tick({ item: String(nuts.id) });
    await tick({ item: String(nuts.id) });
    expect(servicedOf(yard.db, [nuts.id])).toHaveLength(1);
    expect((await look()).morning.find((line) => line.id === nuts.id)!.done).toContain("Mira");
  });
});

describe("the page of a machine", () => {
  it("says what is due on it", () => {
    const { season } = viewMachine(yard.db, machine("T12"), null, PRESETS.metric);
    expect(season).toContain("Due: Engine oil and filter");
    expect(viewMachine(yard.db, null, "tractor", PRESETS.metric).season).toEqual([]);
  });
});
