import { beforeAll, describe, expect, it } from "vitest";
import { plain } from "../../core/finding/sample-words.ts";
import { hookupList } from "../../core/hookup/list.ts";
import { inWords } from "../../core/quantity/said.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { judgeWhole } from "../../core/subjects/judge-whole.ts";
import { openDatabase } from "../database.ts";
import { testsOfRig } from "../field-tests.ts";
import type { Database } from "../handle.ts";
import { listEveryTool, listRigs } from "../rigs.ts";
import { wholesOf } from "../whole.ts";
import { demoRig } from "./rigs.ts";
import { plantDemoYard } from "./yard.ts";

const { metric, us } = PRESETS;
let db: Database;
beforeAll(() => {
  db = openDatabase(":memory:");
  plantDemoYard(db);
});

it("says which file of a rig names what there is none of", () => {
  const rig = (on: string, lines: object) => () =>
    demoRig({
      name: "Wrong",
      driver: null,
      lines,
      tools: [{ machine: { kind: "implement" }, on, lines: {} }],
    });
  expect(rig("drawbar hole", { "tool.width": "3" })).not.toThrow();
  expect(rig("drawbar hole", { "tool.wide": "3" })).toThrow("Wrong: there is no tool.wide");
  expect(rig("balcony", {})).toThrow("Wrong: there is no balcony");
});

const rigs = () => wholesOf(db, listEveryTool(db));
const idOf = (name: string) => listRigs(db).find((rig) => rig.name.startsWith(name))!.id;

/** What is wrong with a rig, each as "severity station: words". */
function wrongWith(name: string): string[] {
  const { findings } = judgeWhole(rigs().get(idOf(name))!);
  return findings.map(({ severity, station, what }) => `${severity} ${station}: ${plain(what)}`);
}

/** The weakness each rig of the demo yard was given, and what the user is told to do about it. */
const WEAK: [string, RegExp[]][] = [
  ["Grain drill", [/^fix match: 30 mm pin in a 36 mm eye.*Bush the eye to 31 mm/]],
  [
    "Borrowed drill",
    [/^stop tool: .*0.000 m and nobody measured it/, /^stop tool: The rear of the work would lie .* ahead/],
  ],
  [
    "Stubble cultivator",
    [
      /^stop balance: Lifted: 831 kg on the front axle, 16 %/,
      /^fix hitch: The left lift rod is 14 mm longer/,
      /^fix hitch: .*Set the top link to 0.782 m, 16.4 mm longer, 2.3 turns longer/,
      /^fix balance: None on. 4 × front plate 42 kg/,
    ],
  ],
  ["Mowers", [/^fix balance: On the rear axle the right tyre has 0.30 bar less/]],
  ["Seed cart", [/^stop match: Chain 62.0 kN; everything behind it weighs 97.9 kN/]],
  [
    "Combine",
    [/^stop balance: Lifted, empty: 2423 kg on the steered axle, 19 %/, /^fix balance: .*3 × tail plate/],
  ],
  ["Seed cart", [/^stop hoses: At field work and the headland .*they need five couplings of their own/]],
  [
    "Roller cultivator",
    [/^check hoses: Five functions on four couplings: hoses are swapped before unfolding and uncoupling/],
  ],
  ["Planter", [/^check hoses: Lift at field work gets 28 l\/min of 50 l\/min/]],
  ["Cart, drill and roller", [/^stop antenna: Hitch to hitch of the second implement is missing/]],
  ["Front boom sprayer", [/^fix tool: Nozzles and width disagree by 0.500 m: 35 nozzles/]],
  ["Sprayer", [/^stop balance: Rear axle carries too much. Standing, full: 7029 kg/]],
];

describe("the demo yard", () => {
  it.each(WEAK)("%s has the weakness it is there to show", (name, weaknesses) => {
    const said = wrongWith(name);
    for (const weakness of weaknesses) expect(said).toContainEqual(expect.stringMatching(weakness));
  });

  it("has one rig with nothing left to do, and judges every one of the seventeen", () => {
    expect(wrongWith("Meadow drill")).toEqual([]);
    expect(rigs().size).toBe(17);
  });

  it.each(["metric", "us"] as const)(
    "has a hook-up list in %s units for every rig, without a gap in its words",
    (units) => {
      for (const whole of rigs().values()) {
        const chosen = units === "us" ? us : metric;
        const lines = hookupList(whole, judgeWhole(whole));
        expect(lines.length).toBeGreaterThan(8);
        for (const { text } of lines)
          expect(inWords(text, chosen)).not.toMatch(/NaN|undefined|null|\s{2}|\[object/);
      }
    },
  );

  it("says everything in feet and pounds where those are chosen", () => {
    const { findings } = judgeWhole(rigs().get(idOf("Sprayer"))!);
    const said = findings.map(({ what, why }) => `${plain(what, us)} ${plain(why, us)}`).join("\n");
    expect(said).toMatch(/\d lb\b/);
    expect(said).not.toMatch(/\d (kg|bar|km\/h)/);
  });
});

describe("its field tests", () => {
  it("are set up as somebody told them, and its settings by somebody of the yard", () => {
    const rig = listRigs(db).find(({ name }) => name.startsWith("Meadow drill"))!;
    const setUps = testsOfRig(db, rig).map(({ kind, rowToRow, note }) => [kind, rowToRow, note]);
    expect(setUps).toContainEqual(["joints", true, "Bottom meadow, thirteen passes, taped from row to row."]);
    expect(setUps).toContainEqual(["headland", false, "Sprayed line, first seed dug up."]);
    const people = "select distinct person from fact where kind = 'setting'";
    expect(db.$client.prepare(people).pluck().all()).toEqual(["Ilse Marrin"]);
  });
});
