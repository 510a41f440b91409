import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { historyOf } from "../../../data/readings.ts";
import { formOf } from "../../session/form.server.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { keepSheet } from "./keep-sheet.server.ts";
import { readSheet } from "./sheet.dto.ts";
import { sheetTopics } from "./sheet-view.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = () => sampleOpen(db, "Borrowed drill");
const send = (lines: Record<string, string>, fields: Record<string, string> = {}) =>
  keepSheet(
    open(),
    sampleForm({
      instrument: "tape",
      measuredAt: "",
      ...Object.fromEntries(
        Object.entries(lines).flatMap(([key, text]) => [
          [`r-${key}`, text],
          [`u-${key}`, key.endsWith("lateral") ? "cm" : "m"],
        ]),
      ),
      ...fields,
    }),
    arrived(),
  );

describe("a sheet of readings", () => {
  it("asks for what the rig has, in the order of walking round", () => {
    const keys = sheetTopics(open(), "guidance", PRESETS.metric).flatMap(({ rows }) =>
      rows.map(({ key }) => key),
    );
    expect(keys.slice(0, 4)).toEqual(["receiver.foreAft", "receiver.lateral", "receiver.height", "axle.pin"]);
    expect(keys).not.toContain("train.hitch");
    expect(sheetTopics(open(), "all", PRESETS.metric).length).toBeGreaterThan(3);
  });

  it("is kept at once, each line a reading of its own, and sent twice kept once", () => {
    const id = uuid();
    const lines = {
      "pin.workFront": "5.12",
      "pin.workRear": "5,36 m",
      "tool.lateral": "1.8 left",
      "axle.pin": "",
    };
    expect(send(lines, { id })).toMatchObject({ ok: true, kept: { said: "3 readings saved" } });
    send(lines, { id });
    const { values } = open().resolved;
    expect(values["pin.workFront"]).toMatchObject({ value: 5.12, grade: "taped" });
    expect(values["tool.lateral"].value).toBeCloseTo(-0.018, 12);
    expect(values["pin.workFront"].repeats).toHaveLength(1);
    expect(historyOf(db, open().rig, "pin.workFront").filter(({ value }) => value === 5.12)).toHaveLength(1);
  });

  it("with one wrong line keeps nothing, and says which", () => {
    expect(send({ "pin.workFront": "5.12", "pin.pivot": "far", "pin.length": "3" })).toMatchObject({
      ok: false,
      errors: { "r-pin.pivot": expect.any(String) },
    });
    expect(open().resolved.values["pin.workFront"].value).toBe(0);
    expect(send({})).toMatchObject({ ok: false, errors: { form: expect.stringContaining("at least one") } });
    expect(send({ "train.hitch": "5" })).toMatchObject({ ok: false });
    expect(send({ "pin.pivot": "6.1" }, { person: "" })).toMatchObject({
      ok: false,
      errors: { person: expect.any(String) },
    });
  });

  it("lets no lower grade displace a higher one unseen", () => {
    expect(send({ "receiver.foreAft": "1.9" }, { instrument: "book" })).toMatchObject({
      ok: false,
      errors: { "r-receiver.foreAft": expect.stringContaining("taped now") },
    });
  });
});

describe("a reading that is there twice", () => {
  it("is refused by its line, and a thousand rows are enough for a form", async () => {
    const form = new FormData();
    for (const text of ["5.2", "5.3"]) form.append("r-pin.pivot", text);
    form.set("u-pin.pivot", "m");
    const read = readSheet(form, { attachment: "drawn", tool: null });
    expect(read).toMatchObject({ ok: false, errors: { "r-pin.pivot": expect.stringContaining("twice") } });
    const crowd = new FormData();
    for (let at = 0; at < 3001; at++) crowd.append(`x${at}`, "1");
    const sent = new Request("http://127.0.0.1/", { method: "POST", body: crowd });
    await expect(formOf(sent)).rejects.toMatchObject({ status: 413 });
    const broken = new Request("http://127.0.0.1/", {
      method: "POST",
      body: "--x",
      headers: { "Content-Type": "multipart/form-data; boundary=x" },
    });
    await expect(formOf(broken)).rejects.toMatchObject({ status: 400 });
  });
});
