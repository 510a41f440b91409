import { randomUUID } from "node:crypto";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { groundOfTools } from "../../../data/ground.ts";
import { historyOf } from "../../../data/readings.ts";
import { findRig, toolsOf } from "../../../data/rigs.ts";
import { loader } from "../../routes/ground.tsx";
import { action as keepAction } from "../../routes/keep.ts";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "../../routes/sample-yard.ts";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const PLOUGH = { rigId: "10" };
const view = async (rig = PLOUGH) => (await ask(loader, `/rigs/${rig.rigId}/ground`, rig)).strip!;
const step = async (key: string, rig = PLOUGH) => (await view(rig)).steps.find((each) => each.key === key)!;
const send = (fields: Record<string, string>, rig = PLOUGH) =>
  submit(keepAction, `/rigs/${rig.rigId}/keep`, { person: "Mira", ...fields }, rig);
const ground = (rig = PLOUGH) => {
  const tool = findRig(yard.db, Number(rig.rigId))!;
  return groundOfTools(yard.db, [tool]).get(tool.couplingId)!;
};
const look = (key: string, fields: Record<string, string>, rig = PLOUGH) =>
  send({ intent: "keep-look", id: randomUUID(), step: key, ...fields }, rig);
const MARKER = {
  "u-cut": "cm",
  "u-before": "cm",
  "u-after": "cm",
  "f-bodies": "4",
  "f-cut": "43",
  "f-before": "272",
  "f-after": "",
};

describe("a guided strip", () => {
  it("says what is off, in figures, and which screw; turned as said it wants another look", async () => {
    const strip = await view();
    expect(strip).toMatchObject({ good: 10, all: 16, next: "upright", practised: false });
    const upright = await step("upright");
    expect(upright.turns.map(({ said }) => said)).toEqual([
      "Stop screw, right: 3 marks more, to 3",
      "Stop screw, left: 3 marks more, to 3",
    ]);
    await send({ intent: "turned-as-said", step: "upright" });
    expect(
      ground()
        .adjusters.filter(({ label }) => label.startsWith("Stop screw"))
        .map(({ setting }) => setting),
    ).toEqual([3, 3]);
    expect(await step("upright")).toMatchObject({ state: "turned", turns: [], word: "Turned since" });
    expect(refusal(await send({ intent: "turned-as-said", step: "upright" })).errors.form).toContain(
      "Nothing is to be turned",
    );
    const degrees = {
      "u-right": "°",
      "u-left": "°",
      "f-right": "0.2",
      "w-right": "to ploughed",
      "f-left": "0.1",
      "w-left": "to ploughed",
    };
    await look("upright", degrees);
    const now = await step("upright");
    expect(now).toMatchObject({ verdict: "good", loops: 2, learnt: { tells: true, wrongWay: false } });
    expect((await view()).next).toBe("furrow");
    await send({ intent: "learn-amount", step: "upright" });
    expect(ground().adjusters.find(({ label }) => label === "Stop screw, right")!.learntFrom).not.toBeNull();
    expect(refusal(await send({ intent: "learn-amount", step: "upright" })).errors).toHaveProperty("form");
  });

  it("keeps what the page said to turn, though the advice is another by the time it is sent", async () => {
    const { turns } = await step("upright");
    const settings = Object.fromEntries(turns.map(({ name, to }) => [name, String(to)]));
    await look("upright", {
      "u-right": "°",
      "u-left": "°",
      "f-right": "4",
      "w-right": "to ploughed",
      "f-left": "4",
      "w-left": "to ploughed",
    });
    expect((await step("upright")).turns[0]!.to).toBeGreaterThan(turns[0]!.to);
    await send({ intent: "turned-as-said", step: "upright", ...settings });
    expect(ground().adjusters.find(({ label }) => label === "Stop screw, left")!.setting).toBe(turns[1]!.to);
  });

  it("refuses by field what cannot be, and keeps nothing of it", async () => {
    const before = ground().looks.length;
    const wrong = async (key: string, fields: Record<string, string>) =>
      refusal(await look(key, fields)).errors;
    expect(await wrong("furrow", { ...MARKER, "f-after": "280" })).toEqual({
      "f-after": expect.stringContaining("no nearer after"),
    });
    expect(await wrong("furrow", { ...MARKER, "f-cut": "-43" })).toHaveProperty("f-cut");
    expect(await wrong("furrow", { ...MARKER, "f-bodies": "four", "f-after": "92" })).toEqual({
      "f-bodies": "A whole number.",
    });
    expect(await wrong("furrow", { ...MARKER, "u-after": "ells", "f-after": "92" })).toEqual({
      "f-after": "The unit was not understood.",
    });
    expect(await wrong("upright", { "u-right": "°", "f-right": "2" })).toEqual({
      "f-right": expect.stringContaining("Say which"),
    });
    expect(await wrong("alike", {})).toEqual({ "f-state": "Choose: they are." });
    expect(
      await wrong("bodies", {
        "u-points": "cm",
        "u-tails": "cm",
        "f-points-0": "95",
        "f-tails-0": "95",
        "f-tails-1": "94",
      }),
    ).toEqual({ "f-points-0": "At least 2 of them." });
    expect(await wrong("nonsense", {})).toHaveProperty("form");
    expect(await wrong("depth", {})).toHaveProperty("form");
    expect(
      refusal(await send({ intent: "keep-look", id: "x", step: "alike", "f-state": "alike" })).errors,
    ).toHaveProperty("id");
    expect(ground().looks).toHaveLength(before);
  });

  it("is kept once however often it is sent, taken back whole, and begins anew on another field", async () => {
    const id = randomUUID();
    const begin = { intent: "begin-strip", id, field: "New Field", soil: "clay", moisture: "dry", crop: "" };
    await send(begin);
    await send(begin);
    expect((await view()).begun).toMatchObject({ field: "New Field", ground: "clay, dry" });
    expect(await view()).toMatchObject({ good: 0, next: "alike" });
    // The map of the field before says nothing of this one.
    expect(await step("depth")).toMatchObject({ state: "not yet" });
    const seen = { intent: "keep-look", id: randomUUID(), step: "alike", "f-state": "alike" };
    await send(seen);
    await send(seen);
    expect(ground().looks).toHaveLength(1);
    await send({ intent: "take-back", id });
    expect(await view()).toMatchObject({ begun: { field: "Church Piece" }, good: 10 });
    expect(refusal(await send({ ...begin, id: randomUUID(), field: "", soil: "moon" })).errors).toMatchObject(
      { field: "Say which field.", soil: expect.any(String) },
    );
  });

  it("keeps what it came to, and offers it where the ground is like", async () => {
    expect((await view()).presets[0]).toMatchObject({
      like: true,
      came: "16 of 16 steps were good",
      said: expect.stringMatching(/^218.mm reached\. Top link 0/),
    });
    await send({ intent: "keep-preset", id: randomUUID(), name: "maize, moist" });
    const [own] = (await view()).presets;
    expect(own).toMatchObject({ name: "maize, moist", came: "10 of 16 steps were good" });
    const link = ground().adjusters.find(({ label }) => label === "Top link")!;
    await send({ intent: "set-adjusters", [`s-${link.id}`]: "4" });
    await send({ intent: "set-as-kept", preset: own!.id });
    expect(ground().adjusters.find(({ id }) => id === link.id)!.setting).toBe(0);
    expect(refusal(await send({ intent: "set-as-kept", preset: own!.id })).errors.form).toContain(
      "stand so already",
    );
    expect(refusal(await send({ intent: "set-as-kept", preset: "none" })).errors).toHaveProperty("preset");
  });

  it("follows the yard's school, or this rig's own over it", async () => {
    expect((await step("coulterReach")).school).toMatchObject({ followed: "1 to 2", chosen: false });
    await send({ intent: "follow-school", school: "coulterReach", practice: "2 to 3", of: "yard" });
    expect(await step("coulterReach")).toMatchObject({
      verdict: "fix",
      school: { followed: "2 to 3", chosen: true },
    });
    await send({ intent: "follow-school", school: "coulterReach", practice: "1 to 2", of: "rig" });
    expect(await step("coulterReach")).toMatchObject({ verdict: "good" });
    await send({ intent: "follow-school", school: "coulterReach", practice: "", of: "rig" });
    expect(await step("coulterReach")).toMatchObject({ verdict: "fix" });
    const wrong = async (fields: Record<string, string>) =>
      refusal(
        await send({
          intent: "follow-school",
          school: "coulterReach",
          practice: "2 to 3",
          of: "yard",
          ...fields,
        }),
      ).errors;
    expect(await wrong({ school: "toString" })).toHaveProperty("form");
    expect(await wrong({ practice: "toString" })).toHaveProperty("form");
    expect(await wrong({ practice: "" })).toHaveProperty("form");
    expect(await wrong({ of: "world" })).toHaveProperty("of");
  });

  it("is run by the simulated tool on a practice rig alone", async () => {
    for (const intent of ["run-strip", "mend"])
      expect(refusal(await send({ intent, step: "alike" })).errors.form).toContain("practice copy");
  });
});

describe("the width a marker test finds", () => {
  const furrow = (after: string) => look("furrow", { ...MARKER, "f-after": after });
  const keepIt = () => send({ intent: "keep-measured", step: "furrow" });

  it("is kept at Tool as taped, once the first furrow is right, and once", async () => {
    expect((await step("furrow")).tells, "too wide as it was found").toBeNull();
    expect(refusal(await keepIt()).errors.form).toContain("good");
    await furrow("99");
    expect((await step("furrow")).tells).toMatchObject({ label: "Working width", kept: false });
    const width = () => historyOf(yard.db, findRig(yard.db, 10)!, "tool.width");
    const before = width().length;
    await keepIt();
    await keepIt();
    expect(width()[0]).toMatchObject({ value: expect.closeTo(1.73, 9), instrument: "tape", person: "Mira" });
    expect(width()).toHaveLength(before + 1);
    expect((await step("furrow")).tells).toMatchObject({ kept: true });
  });
});

describe("an adjuster that moves one thing", () => {
  const add = (fields: Record<string, string>) =>
    send({
      intent: "add-adjuster",
      label: "Packer turnbuckle",
      form: "turnbuckle",
      low: "0",
      high: "9",
      storage: "",
      how: "",
      fine: "mm",
      measure: "firstFurrow",
      way: "less",
      amount: "12",
      unit: "mm",
      ...fields,
    });
  it("is told with its way and how far, or neither", async () => {
    expect(refusal(await add({ way: "" })).errors).toEqual({ way: expect.stringContaining("which way") });
    expect(refusal(await add({ amount: "far" })).errors).toHaveProperty("amount");
    expect(refusal(await add({ amount: "0" })).errors).toHaveProperty("amount");
    expect(refusal(await add({ measure: "toString" })).errors).toHaveProperty("measure");
    await add({});
    expect(ground().adjusters.at(-1)).toMatchObject({
      acts: { measure: "firstFurrow", by: -0.012 },
      effect: null,
      setting: null,
    });
    await add({ label: "Another", way: "", amount: "" });
    expect(ground().adjusters.at(-1)!.acts).toEqual({ measure: "firstFurrow", by: null });
    await add({ label: "A third", measure: "pull", way: "more", unit: "", amount: "" });
    expect(ground().adjusters.at(-1)!.acts).toEqual({ measure: "pull", by: 1 });
    expect(toolsOf(yard.db, 10)).toHaveLength(1);
  });
});
