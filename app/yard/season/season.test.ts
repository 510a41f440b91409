import { beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { keepProof } from "../../../data/field-tests.ts";
import type { Database } from "../../../data/handle.ts";
import { keepLending } from "../../../data/lending/loans.ts";
import { keepChange, keepReading } from "../../../data/readings.ts";
import { archiveRig, listRigs, type RigTool } from "../../../data/rigs.ts";
import { BY } from "../../../data/sample-told.ts";
import { type SeasonGroup, seasonView } from "./season-view.server.ts";
import { tapeLists } from "./tape-list-view.server.ts";

let db: Database;
const today = "2026-11-25T09:00:00.000Z";
const look = (on = today) => seasonView(db, on, PRESETS.metric);
const rigOf = (name: string): RigTool => listRigs(db).find((rig) => rig.name.startsWith(name))!;
const stamp = { person: "Ilse Marrin", at: new Date("2026-11-20T08:00:00.000Z") };

const linesOf = (groups: readonly SeasonGroup[], name: string) =>
  groups.filter((group) => group.name.startsWith(name)).flatMap(({ lines }) => lines);
const itemsOf = (groups: readonly SeasonGroup[]) =>
  groups.flatMap(({ key, lines }) =>
    lines.flatMap(({ kind, items }) => items.map((item) => `${key} ${kind} ${item.key}`)),
  );

beforeEach(() => {
  db = plantedYard();
});

describe("the list for the start of a season", () => {
  it("names what is read of a tractor once, with the tractor, however many rigs it drives", () => {
    const groups = look();
    const oxmoor = groups.filter(({ name }) => name === "Oxmoor 240");
    expect(oxmoor).toHaveLength(1);
    expect(oxmoor[0]!.of).toBe("T12, in 6 rigs");
    const items = itemsOf(groups);
    expect(new Set(items).size).toBe(items.length);
    expect(items.filter((each) => each.includes("tractor.pressureFrontLeft")).length).toBe(
      groups.filter(({ key, lines }) => key.startsWith("machine") && lines.some(({ kind }) => kind === "due"))
        .length,
    );
  });

  it("says of what is lent that nobody sees to it here", () => {
    const lists = () => tapeLists(db, PRESETS.metric, 1).rows;
    const away = <Row extends { notHere: string }>(rows: readonly Row[]) =>
      rows.filter(({ notHere }) => notHere !== "");
    expect([...away(look()), ...away(lists())]).toEqual([]);
    const id = lists()[0]!.head.id;
    const rig = listRigs(db).find((each) => each.id === id)!;
    keepLending(db, rig.implement.id, { way: "out", there: "Sill Farm", here: "Home" }, stamp);
    const said = "is lent to Sill Farm since 20 Nov 2026";
    expect(away(look()).map(({ key }) => key)).toContain(`coupling ${rig.couplingId}`);
    expect(away(look())[0]!.notHere).toContain(said);
    const [sheet] = away(lists());
    expect(sheet!.head.id).toBe(id);
    expect(sheet!.notHere).toContain(said);
  });

  it("draws together what is due for one reason, each with its own way to the reading", () => {
    const [pressures] = linesOf(look(), "Oxmoor 150 F").filter(({ kind }) => kind === "due");
    expect(pressures!.items.map(({ key }) => key)).toEqual([
      "tractor.pressureFrontLeft",
      "tractor.pressureFrontRight",
      "tractor.pressureRearLeft",
      "tractor.pressureRearRight",
    ]);
    for (const { key, href } of pressures!.items)
      expect(href).toMatch(new RegExp(`^/rigs/\\d+/balance\\?at=${key}&tool=\\d+$`));
    expect(pressures!.why).toMatch(/^read \d+ months ago, good for 1 month$/);
  });

  it("forgets what was read again, and asks for it again once it is old", () => {
    const drill = rigOf("Meadow drill");
    const gauge = (key: "tractor.pressureFrontLeft" | "tractor.pressureFrontRight") =>
      keepReading(db, drill, {
        key,
        rawText: "0.9 bar",
        value: 9e4,
        step: 1e3,
        instrument: "gauge",
        ...stamp,
      });
    const keys = () => linesOf(look(), "Velmark").flatMap(({ items }) => items.map(({ key }) => key));
    expect(keys()).toContain("tractor.pressureFrontLeft");
    gauge("tractor.pressureFrontLeft");
    expect(keys()).not.toContain("tractor.pressureFrontLeft");
    expect(keys()).toContain("tractor.pressureFrontRight");
    const later = linesOf(look("2027-03-01T09:00:00.000Z"), "Velmark");
    expect(later.flatMap(({ items }) => items.map(({ key }) => key))).toContain("tractor.pressureFrontLeft");
  });

  it("tells stale from due, and a proof that a change ended from one that grew old", () => {
    const drill = rigOf("Meadow drill");
    const receiver = () => linesOf(look(), "Meadow").filter(({ kind }) => kind === "prove");
    const terms = [{ key: "receiver.lateral" as const, coefficient: 1 }];
    const proved = { what: "", how: "", result: "", terms, ...stamp };
    keepProof(db, drill, { ...proved, now: stamp.at });
    expect(receiver().flatMap(({ items }) => items.map(({ key }) => key))).not.toContain("proof receiver");
    keepChange(db, drill, {
      kind: "receiver moved",
      note: "",
      person: "Ilse Marrin",
      at: new Date("2026-11-21T08:00:00.000Z"),
      now: new Date("2026-11-21T08:00:00.000Z"),
    });
    const stale = linesOf(look(), "Velmark").filter(({ kind }) => kind === "stale");
    expect(stale.flatMap(({ items }) => items.map(({ key }) => key))).toEqual(
      expect.arrayContaining(["receiver.foreAft", "receiver.lateral", "receiver.height"]),
    );
    expect(stale[0]!.why).toMatch(/^receiver taken off or moved, /);
    expect(receiver().map(({ why }) => why)).toContainEqual(
      expect.stringMatching(/since then receiver taken off/),
    );
  });

  it("asks for calibrations and learning runs nobody ever made, once they are made no more", () => {
    const never = (name: string) =>
      linesOf(look(), name)
        .filter(({ kind }) => kind === "never")
        .flatMap(({ items }) => items);
    const drill = rigOf("Grain drill");
    const slips = never("Grain drill");
    expect(slips.length).toBeGreaterThan(0);
    for (const { href } of slips) expect(href).toContain(`/rigs/${drill.id}/`);
    // A reading that was learnt: the tractor's steering routine.
    const routine = () => never("Oxmoor 240").map(({ key }) => key);
    const before = routine();
    expect(before).toContain("tractor.steerResult");
    const rig = rigOf("Electric drill");
    keepReading(db, rig, {
      key: "tractor.steerResult",
      rawText: "3 cm",
      value: 0.03,
      step: 0.01,
      instrument: "tape",
      ...stamp,
    });
    expect(routine()).not.toContain("tractor.steerResult");
  });

  it("is in working order, with what service asks for each season after it", () => {
    const kinds = linesOf(look(), "Oxmoor 240").map(({ kind }) => kind);
    expect(kinds).toContain("service");
    expect(kinds.lastIndexOf("service")).toBe(kinds.length - 1);
    expect(kinds.indexOf("service")).toBeGreaterThan(kinds.lastIndexOf("due"));
  });

  it("says nothing of a rig that was put away", () => {
    const before = look().map(({ name }) => name);
    expect(before).toContain("Sollgard S 38");
    archiveRig(db, rigOf("Sprayer 24").id, true, BY);
    expect(look().map(({ name }) => name)).not.toContain("Sollgard S 38");
  });
});
