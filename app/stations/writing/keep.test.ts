import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { rigFacts } from "../../../data/facts.ts";
import { keepProof } from "../../../data/field-tests.ts";
import type { Database } from "../../../data/handle.ts";
import { findPhoto, historyOf } from "../../../data/readings.ts";
import { listRigs, type RigTool } from "../../../data/rigs.ts";
import { stampOf } from "../../session/clock.server.ts";
import { sampleOpen } from "../frame/sample-open.server.ts";
import { carryOut } from "./writes.server.ts";

let db: Database;
let rig: RigTool;

beforeEach(() => {
  db = plantedYard();
  rig = listRigs(db)[0]!;
});

type Fields = Record<string, string | File>;
const READING: Fields = {
  intent: "keep-reading",
  dimension: "pin.pivot",
  text: "5.33",
  style: "m",
  instrument: "tape",
  person: "Mira",
  reason: "",
  note: "",
  conditions: "",
  measuredAt: "",
};

function form(fields: Fields): FormData {
  const own = new FormData();
  for (const [name, value] of Object.entries({ id: uuid(), sitting: uuid(), ...fields }))
    own.set(name, value);
  return own;
}

const send = (fields: Fields, units = PRESETS.metric) => {
  const sent = form(fields);
  const stamped = stampOf(sent, new Date());
  if (!stamped.ok) throw new Error(stamped.problem);
  return carryOut(opened(units), sent, stamped.stamp);
};
const opened = (units = PRESETS.metric) => ({ ...sampleOpen(db, rig.name, units), rig });
const keep = (fields: Fields = {}, units = PRESETS.metric) => send({ ...READING, ...fields }, units);
const resolved = () => resolveRig(rigFacts(db, rig));
const pivot = () => resolved().values["pin.pivot"];

async function errorsOf(fields: Fields): Promise<Record<string, string>> {
  const before = rigFacts(db, rig);
  const outcome = await send(fields);
  if (outcome.ok) throw new Error("it was kept");
  expect(rigFacts(db, rig)).toEqual(before);
  return outcome.errors;
}

describe("keeping a reading", () => {
  it("keeps what was typed, its value, conditions and note", async () => {
    const conditions = "level floor,tool lowered";
    expect(
      await keep({ text: "17' 5 7/8\"", style: "ft-in", conditions, note: "after rain" }, PRESETS.us),
    ).toMatchObject({
      ok: true,
      person: "Mira",
      kept: { said: expect.stringMatching(/^Saved E: 17'.5.7\/8"$/) },
    });
    // 17 ft 5 7/8 in = 209.875 in
    expect(pivot().value).toBeCloseTo(209.875 * 0.0254, 12);
    expect(pivot().reading).toMatchObject({
      rawText: "17' 5 7/8\"",
      note: "after rain",
      conditions: ["level floor", "tool lowered"],
    });
  });

  it.each([
    ["text", { text: "5.3.1" }, "two decimal marks"],
    ["text", { text: "-5" }, "without a sign"],
    ["text", { text: "" }, "Nothing was typed"],
    ["dimension", { dimension: "toString" }, "no such reading"],
    ["style", { style: "furlongs" }, "units of the field"],
    ["instrument", { instrument: "file" }, "how you know"],
    ["person", { person: "  " }, "who read it"],
    ["person", { person: "x".repeat(61) }, "who read it"],
    ["id", { id: "1" }, "number of its own"],
    ["sitting", { sitting: "" }, "no sitting"],
    ["note", { note: "x".repeat(301) }, "under 300"],
    ["conditions", { conditions: "level floor,full moon" }, "no such condition"],
  ])("refuses a wrong %s by the field, and changes nothing: %o", async (field, fields, piece) => {
    expect((await errorsOf({ ...READING, ...fields }))[field]).toContain(piece);
  });

  it("lets a lower grade displace a higher one only with a reason", async () => {
    expect((await errorsOf({ ...READING, instrument: "book" })).reason).toContain("This is taped now");
    expect(await keep({ instrument: "book", reason: "new drawbar, not taped yet" })).toMatchObject({
      ok: true,
    });
    expect(pivot().grade).toBe("book");
    expect(historyOf(db, rig, "pin.pivot")[0]).toMatchObject({ reason: "new drawbar, not taped yet" });
  });

  it("keeps an entry sent twice once, as read when it was read", async () => {
    const waiting = { id: uuid(), measuredAt: "2026-11-03T06:10:00.000Z" };
    await keep(waiting);
    await keep(waiting);
    const own = historyOf(db, rig, "pin.pivot").filter(({ id }) => id === waiting.id);
    expect(own).toHaveLength(1);
    expect(own[0]!.measuredAt).toBe(waiting.measuredAt);
  });

  it("believes no clock that runs ahead", async () => {
    await keep({ measuredAt: "2199-01-01T00:00:00Z" });
    expect(Date.parse(pivot().reading!.measuredAt)).toBeLessThanOrEqual(Date.now());
  });

  it("takes a photo by its bytes, not by its name", async () => {
    const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1]);
    await keep({ photo: new File([png], "tape.jpg", { type: "image/jpeg" }) });
    expect(findPhoto(db, pivot().reading!.photoId!)).toEqual({ type: "image/png", bytes: Buffer.from(png) });
    const script = new File(["<svg onload=alert(1)>"], "tape.png", { type: "image/png" });
    expect((await errorsOf({ ...READING, photo: script })).photo).toContain("no JPEG, PNG or WebP");
    const large = new File([new Uint8Array(7 * 1024 * 1024)], "tape.png");
    expect((await errorsOf({ ...READING, photo: large })).photo).toContain("at most 6 MB");
  });
});

describe("keeping sections", () => {
  const SECTIONS = {
    intent: "keep-sections",
    text: "2 × 1.5; 1.5",
    style: "m",
    instrument: "tape",
    person: "Mira",
  };

  it("writes them whole, or not at all", async () => {
    expect(await send(SECTIONS)).toMatchObject({ ok: true, kept: { said: "Saved 3 sections" } });
    expect(resolved().sections?.widths).toEqual([1.5, 1.5, 1.5]);
    expect((await errorsOf({ ...SECTIONS, text: "1.5;;1.5" })).text).toContain("gap in the list");
  });
});

describe("what happened to the machines", () => {
  const CHANGE = { intent: "keep-change", kind: "tool openers", day: "2026-10-20", note: "", person: "Mira" };

  it("makes readings from before stale, and those from after not", async () => {
    expect(await send(CHANGE)).toMatchObject({ ok: true });
    expect(pivot().stale).toBeNull();
    expect(resolved().values["pin.workFront"].stale).toMatchObject({ kind: "tool openers" });
    await keep({ dimension: "pin.workFront", text: "4.27" });
    expect(resolved().values["pin.workFront"].stale).toBeNull();
  });

  it.each([
    ["kind", { kind: "weather" }, "what was changed"],
    ["day", { day: "20.10." }, "Give the day"],
    ["day", { day: "2199-01-01" }, "yet to come"],
    ["person", { person: "" }, "who you are"],
  ])("is refused with a wrong %s", async (field, fields, piece) => {
    expect((await errorsOf({ ...CHANGE, ...fields }))[field]).toContain(piece);
  });
});

describe("taking back", () => {
  it("works once, and says so the second time", async () => {
    const { id } = historyOf(db, rig, "pin.pivot")[0]!;
    expect(await send({ intent: "take-back", id })).toMatchObject({ ok: true });
    expect(pivot().value).toBeNull();
    expect((await errorsOf({ intent: "take-back", id })).form).toContain("took it back before");
    expect((await errorsOf({ intent: "take-back", id: "x" })).id).toContain("no such reading");
    expect((await errorsOf({ intent: "sing" })).form).toContain("not understood");
  });
});

describe("a reading of a tool that hangs otherwise", () => {
  it("is read in that tool's own words: behind, on a boom built onto its machine", async () => {
    rig = listRigs(db).find(({ attachment }) => attachment === "boom")!;
    expect(await keep({ dimension: "tool.loadCg", text: "1.2 m behind" })).toMatchObject({ ok: true });
    expect(resolved().values["tool.loadCg"].value).toBe(-1.2);
    expect(await errorsOf({ ...READING, dimension: "tool.loadCg", text: "1.2 m below" })).toHaveProperty(
      "text",
    );
  });
});

describe("an entry that comes late", () => {
  const at = (measuredAt: string, more: Fields = {}) => keep({ measuredAt, ...more });

  it("does not displace what was read after it, nor is it called proven", async () => {
    await at("2026-11-20T09:00:00Z", { text: "5.30" });
    await at("2026-11-20T11:00:00Z", { text: "5.33" });
    keepProof(db, rig, {
      what: "circle",
      how: "",
      result: "",
      terms: [{ key: "pin.pivot", coefficient: 1 }],
      person: "Mira",
      at: new Date("2026-11-20T12:00:00Z"),
      now: new Date("2026-11-20T12:00:00Z"),
    });
    // Read at 10:00 without a connection, sent now.
    await at("2026-11-20T10:00:00Z", { text: "5.10" });
    expect(pivot()).toMatchObject({ value: 5.33, grade: "proven" });
    expect(pivot().previous).toMatchObject({ value: 5.1 });
    // One read after the proof ends it, whenever it is sent.
    await at("2026-11-20T13:00:00Z", { text: "5.31" });
    expect(pivot()).toMatchObject({ value: 5.31, grade: "taped" });
  });
});

describe("set to another value", () => {
  const set = { dimension: "tractor.trackRear", text: "1.86", changed: "yes" };
  const changes = () => rigFacts(db, rig).changes.filter(({ kind }) => kind === "tractor wheels");

  it("is one entry with its change: sent twice it is kept once, taken back it goes whole", async () => {
    await keep({ dimension: "tractor.trackRear", text: "1.80" });
    const id = uuid();
    await keep({ ...set, id });
    await keep({ ...set, id });
    expect(changes()).toHaveLength(1);
    expect(await send({ intent: "take-back", id })).toMatchObject({ ok: true });
    expect(changes()).toEqual([]);
    expect(resolved().values["tractor.trackRear"].value).toBe(1.8);
  });
});
