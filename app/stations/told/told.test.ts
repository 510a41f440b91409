import { randomUUID } from "node:crypto";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { takeBack } from "../../../data/record.ts";
import { action as keepAction } from "../../routes/keep.ts";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "../../routes/sample-yard.ts";
import { loader } from "../../routes/told.tsx";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const page = async () => (await ask(loader, "/rigs/3/told", { rigId: "3" })).view;
const row = async (key: string) => (await page()).rows.find((each) => each.key === key)!;
const send = (fields: Record<string, string>, id: string = randomUUID()) =>
  submit(keepAction, "/rigs/3/keep", { intent: "keep-told", id, person: "Mira", ...fields }, { rigId: "3" });

describe("the page of what an implement tells", () => {
  it("stands beside what was read, and judges each line", async () => {
    expect((await page()).sum).toContain("told nothing yet");
    const { read } = await row("tool.width");
    expect(read!.grade).toBe("proven");
    await send({
      "t-tool.width": read!.text.replace(/[^\d.]/g, ""),
      "u-tool.width": "m",
      "t-pin.pivot": "0",
      "u-pin.pivot": "m",
    });
    expect(await row("tool.width")).toMatchObject({ kind: "same", told: { text: read!.text } });
    expect(await row("pin.pivot")).toMatchObject({
      kind: "zero",
      says: expect.stringContaining("nobody entered it"),
    });
    expect((await row("tool.width")).read).toEqual(read);
    expect((await page()).sum).toBe("1 of 2 figures would mislead the terminal.");
  });

  it("has what a planter is built with, held against what was looked at; a drill is not asked for it", async () => {
    expect((await page()).rows.map(({ key }) => key)).not.toContain("tool.downforce");
    const planter = { rigId: "11" };
    const told = async () => (await ask(loader, "/rigs/11/told", planter)).view.rows;
    const one = async (key: string) => (await told()).find((each) => each.key === key)!;
    const sendTo = (fields: Record<string, string>) =>
      submit(
        keepAction,
        "/rigs/11/keep",
        { id: randomUUID(), person: "Mira", measuredAt: "", ...fields },
        planter,
      );
    expect((await told()).map(({ key }) => key)).toEqual(
      expect.arrayContaining(["tool.downforce", "tool.hoppers", "tool.liquid", "tool.products"]),
    );
    const choice = { intent: "keep-told", "t-tool.hoppers": "bulk", "t-tool.products": "2" };
    expect(
      refusal(await sendTo({ ...choice, "t-tool.hoppers": "barrel", "u-tool.products": "m" })).errors,
    ).toEqual({
      "t-tool.hoppers": expect.stringContaining("Choose one"),
    });
    await sendTo({ ...choice, "u-tool.products": "m" });
    expect(await one("tool.hoppers")).toMatchObject({
      kind: "alone",
      told: { text: "Bulk fill, blown to the rows" },
    });
    expect(await one("tool.products")).toMatchObject({ kind: "alone", told: { text: "2" } });
    await sendTo({
      intent: "keep-reading",
      dimension: "tool.hoppers",
      hangs: "drawn",
      tool: "planter",
      text: "row",
      style: "m",
      sitting: randomUUID(),
      instrument: "tape",
      conditions: "",
    });
    expect(await one("tool.hoppers")).toMatchObject({
      kind: "differs",
      says: expect.stringContaining("another than was read"),
    });
  });

  it("takes a place from the left edge of the width that is told with it", async () => {
    await send({
      "t-tool.width": "4.00",
      "u-tool.width": "m",
      "t-tool.lateral": "1.90",
      "u-tool.lateral": "cm",
      edge: "left",
      "edge-unit": "m",
    });
    expect((await row("tool.lateral")).told!.text.replace(/\u00a0/g, " ")).toBe("10.0 cm right");
  });

  it("refuses a place from an edge that lies beside the tool, and one while nobody knows the width", async () => {
    const from = (text: string) =>
      send({ "t-tool.lateral": text, "u-tool.lateral": "cm", edge: "right", "edge-unit": "cm" });
    expect(refusal(await from("310")).errors["t-tool.lateral"]).toContain("beside the tool");
    expect(refusal(await from("150")).errors).toEqual({});
  });

  it("is kept whole or not at all, once, and taken back as one", async () => {
    const wrong = refusal(
      await send({ "t-tool.width": "wide", "u-tool.width": "m", "t-rows.count": "28", "u-rows.count": "m" }),
    );
    expect(wrong.errors["t-tool.width"]).toContain("not understood");
    expect((await page()).rows.every(({ told }) => told === null)).toBe(true);
    expect(refusal(await send({})).errors.form).toBe("Fill in at least one line.");
    expect(refusal(await send({ "t-tool.width": "4", "u-tool.width": "furlong" })).errors).toHaveProperty([
      "t-tool.width",
    ]);
    const id = randomUUID();
    const both = { "t-tool.width": "4", "u-tool.width": "m", "t-rows.count": "28", "u-rows.count": "m" };
    await send(both, id);
    await send({ ...both, "t-tool.width": "5" }, id);
    expect((await row("tool.width")).told!.text.replace(/\u00a0/g, " ")).toBe("4.000 m");
    expect(takeBack(yard.db, id, { person: "Mira", at: new Date() })).toBe(true);
    expect((await page()).rows.every(({ told }) => told === null)).toBe(true);
  });
});
