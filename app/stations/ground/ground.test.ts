import { randomUUID } from "node:crypto";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { groundOfTools } from "../../../data/ground.ts";
import { findRig } from "../../../data/rigs.ts";
import { loader } from "../../routes/ground.tsx";
import { action as keepAction } from "../../routes/keep.ts";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "../../routes/sample-yard.ts";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const RIG = { rigId: "4" };
const view = async (rig = RIG) => (await ask(loader, `/rigs/${rig.rigId}/ground`, rig)).ground;
const send = (fields: Record<string, string>, rig = RIG) =>
  submit(keepAction, `/rigs/${rig.rigId}/keep`, { person: "Mira", ...fields }, rig);
const ground = () => {
  const tool = findRig(yard.db, 4)!;
  return groundOfTools(yard.db, [tool]).get(tool.couplingId)!;
};
const depths = (values: readonly string[], across = 4) =>
  Object.fromEntries(
    values.map((text, at) => [`d-${at < across ? "front" : "rear"}-${(at % across) + 1}`, text]),
  );
const map = (values: readonly string[], more: Record<string, string> = {}) =>
  send({
    intent: "keep-map",
    id: randomUUID(),
    field: "Long Acre",
    across: "4",
    style: "cm",
    wanted: "14",
    ...depths(values),
    ...more,
  });

describe("the ground page", () => {
  it("says what to turn; what was turned is kept as set, and the next map says what came of it", async () => {
    const { advice } = (await view()).map!;
    expect(advice!.within).toBe(true);
    const to = Object.fromEntries(advice!.turns.map(({ name, to: at }) => [name, String(at)]));
    await send({ intent: "set-adjusters", ...to });
    // What is read of a part is seen on its machine's rigs at once.
    const shown = (await view()).adjusters.groups.flatMap(({ members }) => members);
    for (const { id, to: at } of advice!.turns)
      expect(shown.find((each) => each.id === id)!.setting).toBe(at);
    const stands = ground().adjusters;
    for (const { id, to: at } of advice!.turns)
      expect(stands.find((each) => each.id === id)!.setting).toBe(at);
    await map(["14.8", "14.7", "14.7", "14.9", "14.2", "14.3", "14.1", "14.2"]);
    const after = (await view()).map!;
    expect(after.off.every(({ good }) => good)).toBe(true);
    expect(after.learnt!.turned).toMatch(/Top link \d turns? more/);
    expect(after.learnt!.came).toHaveLength(3);
  });

  it("takes over what a step did, where one adjuster was turned alone", async () => {
    const top = ground().adjusters.find(({ label }) => label === "Top link")!;
    await send({ intent: "set-adjusters", [`s-${top.id}`]: "2" });
    // From 16.45 in front and 13.05 behind to 16.05 and 14.65: −2 and +8 mm a turn.
    await map(["16.8", "16.5", "15.7", "15.2", "15.5", "15.0", "14.2", "13.9"]);
    await send({ intent: "learn-effect" });
    const { effect } = ground().adjusters.find(({ id }) => id === top.id)!;
    // Told −3 and +9: what came counts by how sure the points are, and they lie within a tenth of their plane.
    expect(effect!.front).toBeCloseTo(-0.002, 3);
    expect(effect!.rear).toBeCloseTo(0.008, 3);
    const row = (await view()).adjusters.groups
      .flatMap(({ members }) => members)
      .find(({ id }) => id === top.id)!;
    expect(row.effect.replaceAll("\u00a0", " ")).toMatch(
      /; learnt, ± 0\.\d mm in front, ± 0\.\d mm behind, ± \d(\.\d)? mm across \(1 σ\)$/,
    );
    expect(refusal(await send({ intent: "learn-effect" })).errors).toHaveProperty("form");
  });

  it("refuses a map by field and keeps nothing of it", async () => {
    const before = ground().map!.id;
    expect(refusal(await map(["14", "x", "-3", "2000"])).errors).toEqual({
      "d-front-2": expect.any(String),
      "d-front-3": expect.stringMatching(/downward|sign/),
      "d-front-4": expect.stringContaining("unit"),
    });
    expect(refusal(await map(["14", "14"])).errors.form).toContain("three points");
    expect(
      refusal(await map(["14", "", "", "", "13"], { "d-rear-1": "13", wanted: "" })).errors.wanted,
    ).toContain("how deep");
    expect(
      refusal(await map(["14"], { across: "2", "d-rear-1": "13", "d-front-1": "14" })).errors.form,
    ).toBeDefined();
    expect(refusal(await map(["14", "14", "14"], { person: "" })).errors.person).toBeDefined();
    expect(ground().map!.id).toBe(before);
  });

  it("adds an adjuster with what a step does, and refuses a name twice, no range, and a step that moves metres", async () => {
    const add = (more: Record<string, string>) =>
      send({
        intent: "add-adjuster",
        label: "Wing screw",
        form: "turnbuckle",
        low: "0",
        high: "8",
        storage: "",
        how: "",
        pair: "",
        fine: "mm",
        front: "",
        rear: "",
        across: "-3",
        ...more,
      });
    expect(refusal(await add({ label: "top link" })).errors.label).toContain("of that name");
    expect(refusal(await add({ low: "9" })).errors.high).toContain("below");
    expect(refusal(await add({ low: "half" })).errors.low).toContain("whole");
    expect(refusal(await add({ front: "900" })).errors.front).toContain("unit");
    expect(ground().adjusters).toHaveLength(4);
    await add({});
    expect(ground().adjusters.at(-1)).toMatchObject({
      label: "Wing screw",
      effect: { front: 0, rear: 0, across: -0.003 },
      setting: null,
    });
    expect(
      refusal(await send({ intent: "set-adjusters", [`s-${ground().adjusters.at(-1)!.id}`]: "two" })).errors,
    ).toEqual({
      [`s-${ground().adjusters.at(-1)!.id}`]: expect.stringContaining("whole"),
    });
  });

  const told = {
    label: "Gauge wheel",
    form: "spindle",
    low: "0",
    high: "12",
    storage: "",
    difference: "0",
    how: "",
    fine: "mm",
    tape: "m",
    front: "-1",
    rear: "-2",
    across: "-4",
    ahead: "1.2",
    "ahead-way": "behind",
    aside: "1.1",
    "aside-way": "right",
    up: "0.7",
  };
  const named = (label: string) => ground().adjusters.find((each) => each.label === label)!;

  it("adds one on each side of the middle, alike, kept equal, each lowering its own side", async () => {
    await send({ intent: "add-adjuster", ...told, start: "5", sides: "both" });
    const [left, right] = [named("Gauge wheel, left"), named("Gauge wheel, right")];
    expect(left).toMatchObject({ x: -1.2, y: -1.1, up: 0.7, effect: { front: -0.001, across: 0.004 } });
    expect(right).toMatchObject({ x: -1.2, y: 1.1, effect: { front: -0.001, across: -0.004 } });
    expect(right.pair).toEqual({ id: left.id, difference: 0 });
    expect(refusal(await send({ intent: "add-adjuster", ...told, sides: "both" })).errors.label).toContain(
      "left or right",
    );
    const page = (await view()).adjusters;
    const pair = page.groups.find(({ members }) => members.some(({ id }) => id === right.id))!;
    expect(pair).toMatchObject({
      kept: "kept equal",
      members: [{ label: left.label, range: "0 to 12, starts at 5" }, { label: right.label }],
    });
    expect(page.drawn!.plan.marks.map(({ id }) => id)).toContain(left.id);
  });

  it("asks where it sits whole, and which way", async () => {
    const add = async (more: Record<string, string>) =>
      refusal(await send({ intent: "add-adjuster", ...told, ...more })).errors;
    expect(await add({ ahead: "" })).toEqual({ ahead: expect.stringContaining("one alone") });
    expect(await add({ aside: "" })).toEqual({ aside: expect.stringContaining("one alone") });
    expect(await add({ "aside-way": "" })).toEqual({ aside: expect.stringContaining("left") });
    expect(await add({ ahead: "120" })).toEqual({ ahead: expect.stringContaining("unit") });
    expect(await add({ start: "14" })).toEqual({ start: expect.stringContaining("outside its range") });
    expect(await add({ up: "-0.3" })).toEqual({ up: expect.stringContaining("upward") });
    expect(ground().adjusters).toHaveLength(4);
  });

  it("is told otherwise; what was learnt stays to its last digit while its field is left alone", async () => {
    const top = named("Top link");
    await send({ intent: "set-adjusters", [`s-${top.id}`]: "2" });
    await map(["16.8", "16.5", "15.7", "15.2", "15.5", "15.0", "14.2", "13.9"]);
    await send({ intent: "learn-effect" });
    const learnt = named("Top link");
    const shown = (await view()).adjusters.groups
      .flatMap(({ members }) => members)
      .find(({ id }) => id === top.id)!;
    const change = {
      intent: "change-adjuster",
      adjuster: String(top.id),
      fine: "mm",
      tape: "m",
      ...shown.typed,
    };
    await send({ ...change, label: "Upper link" });
    expect(named("Upper link")).toMatchObject({
      effect: learnt.effect,
      learntFrom: learnt.learntFrom,
      x: learnt.x,
    });
    await send({ ...change, label: "Upper link", front: "-3" });
    expect(named("Upper link")).toMatchObject({ effect: { front: -0.003 }, learntFrom: null, setting: 2 });
    expect(refusal(await send({ ...change, label: "Depth wheel, left" })).errors.label).toContain(
      "of that name",
    );
  });

  it("follows its master, which follows nobody; what is set on it is to be set there", async () => {
    const [left, right] = [named("Depth wheel, left"), named("Depth wheel, right")];
    const add = (more: Record<string, string>) => send({ intent: "add-adjuster", ...told, ...more });
    await add({ label: "Slave", master: String(left.id) });
    expect(named("Slave").master).toBe(left.id);
    expect(
      refusal(await add({ label: "Its slave", master: String(named("Slave").id) })).errors.master,
    ).toContain("name that one");
    const shown = (await view()).adjusters.groups
      .flatMap(({ members }) => members)
      .find(({ id }) => id === left.id)!;
    const change = {
      intent: "change-adjuster",
      adjuster: String(left.id),
      fine: "mm",
      tape: "m",
      ...shown.typed,
    };
    expect(refusal(await send({ ...change, master: String(right.id) })).errors.master).toContain(
      "it is a master",
    );
  });

  it("is taken off and put back, with what it was kept equal with", async () => {
    const [left, right] = [named("Depth wheel, left"), named("Depth wheel, right")];
    await send({ intent: "adjuster-off", adjuster: String(left.id) });
    expect(ground().adjusters.map(({ label }) => label)).not.toContain(left.label);
    expect(named("Depth wheel, right").pair).toBeNull();
    await send({ intent: "adjuster-back", adjuster: String(left.id) });
    expect(named("Depth wheel, left")).toMatchObject({ setting: left.setting });
    expect(named("Depth wheel, right").pair).toEqual(right.pair);
    const refused = refusal(await send({ intent: "adjuster-back", adjuster: String(left.id) }));
    expect(refused.errors.form).toContain("No such adjuster");
  });

  it("has its history left beside right, the newest first, and says where it stood before", async () => {
    const [left, right] = [named("Depth wheel, left"), named("Depth wheel, right")];
    await send({ intent: "set-adjusters", [`s-${left.id}`]: "7", [`s-${right.id}`]: "7" });
    await send({ intent: "set-adjusters", [`s-${right.id}`]: "8" });
    const group = (await view()).adjusters.groups.find(({ members }) =>
      members.some(({ id }) => id === left.id),
    )!;
    expect(group.history.labels).toEqual([left.label, right.label]);
    expect(group.history.lines.map(({ cells }) => cells)).toEqual([
      [null, "8"],
      ["7", "7"],
      ["5", "5"],
    ]);
    expect(group.members.map(({ before }) => before)).toEqual([
      expect.stringMatching(/^before 5 \(/),
      expect.stringMatching(/^before 7 \(Mira, /),
    ]);
  });

  it("asks nothing of a tool that works no soil, and everything of one nobody measured", async () => {
    expect((await view({ rigId: "8" })).digs).toBe(false);
    const drill = await view({ rigId: "11" });
    expect(drill).toMatchObject({
      digs: true,
      guided: true,
      map: null,
      adjusters: { count: 0, drawn: null },
    });
  });
});
