/** From tape to proven figures with the simulated field alone, on demo rigs of every connection. */

import { v4 as uuid } from "uuid";
import { beforeAll, describe, expect, it, vi } from "vitest";
import { fillCard } from "../../../core/card/fill.ts";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { fieldUnit } from "../../../core/dimension/entry.ts";
import { PRESETS } from "../../../core/quantity/units.ts";
import { splitEvenly } from "../../../core/rig/sections.ts";
import { works } from "../../../core/rig/whole.ts";
import { allJobs, jobsOf } from "../../../core/subjects/jobs.ts";
import { provedOf } from "../../../core/subjects/proof/provable.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { testsOfRig } from "../../../data/field-tests.ts";
import type { Database } from "../../../data/handle.ts";
import { practiceOf } from "../../../data/practice.ts";
import { keepSections } from "../../../data/readings.ts";
import { listRigs } from "../../../data/rigs.ts";
import { schemeNow } from "../card/card-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { keepAccepted } from "../proof/keep-proof.server.ts";
import { jobView } from "../proof/proof-view.server.ts";
import { solved } from "../proof/solved.server.ts";
import { keepSheet } from "../sheet/keep-sheet.server.ts";
import { fieldView, tapeBetween, tapeReading } from "./field-view.server.ts";
import { beginPractice, keepDriven, keepTerminal } from "./keep-field.server.ts";

const RIGS = [
  "Grain drill",
  "Meadow drill",
  "Stubble cultivator",
  "Mowers",
  "Seed cart",
  "Combine",
  "Sprayer",
  "Roller cultivator",
  "Reversible plough",
  "Planter",
  "Cart, drill and roller",
  "Front boom sprayer",
  "Disc cultivator",
];

vi.setConfig({ testTimeout: 60_000, hookTimeout: 60_000 });

let db: Database;
beforeAll(() => {
  db = plantedYard();
});

/** The practice copy of a rig, seen from the first tool that works. */
function practiceOpen(name: string): OpenRig {
  const open = sampleOpen(db, `Practice: ${name}`);
  const index = open.whole.parts.findIndex(({ rig }) => works(rig));
  return { ...open, index, rig: open.parts[index]!, resolved: open.whole.parts[index]!.rig };
}

/** Everything the tape can reach, read three times over where it is read at all, typed in on the sheet. */
function tapeAll(name: string): void {
  const open = practiceOpen(name);
  const lines = fieldView(open).practice!.tape.flatMap(({ key }): [string, string][] => {
    const text = tapeReading(open, key, 0);
    const style = fieldUnit(dimension(key, open.rig.attachment), PRESETS.metric);
    return text === null
      ? []
      : [
          [`r-${key}`, text],
          [`u-${key}`, style],
        ];
  });
  const kept = keepSheet(
    open,
    sampleForm({
      id: uuid(),
      instrument: "tape",
      measuredAt: "",
      ...Object.fromEntries(lines),
      "r-work.overlap": "0",
      "u-work.overlap": "cm",
    }),
    arrived(),
  );
  expect(kept).toMatchObject({ ok: true });
  const width = practiceOpen(name).resolved.values["tool.width"].value!;
  keepSections(db, open.rig, splitEvenly(width, 2), { instrument: "tape", person: "Mira", at: new Date() });
}

/** What the card says, page by page into the terminal. */
function feed(name: string): void {
  const open = practiceOpen(name);
  const { scheme } = schemeNow(open);
  const card = fillCard(scheme, open.resolved, [], PRESETS.metric, []);
  for (const { page } of fieldView(open).practice!.terminal.pages) {
    const fields = Object.fromEntries(
      card.lines.flatMap(({ figure, word }, at): [string, string][] => [
        [`line-${at}`, figure === "none" ? "rigid" : (figure ?? "0")],
        [`side-${at}`, word],
      ]),
    );
    expect(
      keepTerminal(practiceOpen(name), sampleForm({ page, press: "save", ...fields })),
      `${name} ${page}`,
    ).toMatchObject({ ok: true });
  }
}

/** Drives a test and accepts all it may: what agrees is confirmed, what differs corrected where it is likeliest. */
function proveBy(name: string, drive: string): string[] {
  const driven = keepDriven(practiceOpen(name), sampleForm({ drive, fix: "fixed" }), arrived());
  expect(driven, `${name} ${drive}`).toMatchObject({ ok: true });
  const open = practiceOpen(name);
  const test = testsOfRig(db, open.rig)[0]!;
  const job = jobView(open, solved(open, test));
  const choices = job.figures
    .filter(
      ({ unproven, verdict, corrections }) =>
        unproven.length === 0 && verdict !== "uncertain" && (verdict === "agrees" || corrections.length > 0),
    )
    .map(
      ({ key, verdict, corrections }) =>
        [`accept-${key}`, verdict === "agrees" ? "confirm" : corrections[0]!.key] as const,
    );
  if (choices.length > 0)
    expect(
      keepAccepted(open, sampleForm({ test: test.id, ...Object.fromEntries(choices) }), arrived()),
      name,
    ).toMatchObject({ ok: true });
  return job.figures.filter(({ verdict }) => verdict === "differs").map(({ key }) => key);
}

describe.each(RIGS)("%s", (name) => {
  it("is taped, fed to its terminal, driven, and proved through", () => {
    const open = sampleOpen(db, name);
    const made = beginPractice(open, sampleForm({ start: "empty" }), 100 + name.length);
    expect(made).toEqual(expect.any(Number));
    tapeAll(name);
    feed(name);
    proveBy(name, "wheel-marks");
    for (let round = 0; round < 4; round += 1) {
      proveBy(name, "joints");
      feed(name);
      proveBy(name, "headland");
      feed(name);
      const { good, all } = provedOf([practiceOpen(name).resolved]);
      if (good === all) break;
    }
    const rig = practiceOpen(name);
    expect(provedOf([rig.resolved]), name).toMatchObject({ good: provedOf([rig.resolved]).all });

    // What was found is what is: within the certainty that was claimed.
    const truths = practiceOf(db, rig.rig.id)!.truths as Record<
      string,
      { values: Partial<Record<DimensionKey, number>> }
    >;
    const truth = truths[`${rig.rig.couplingId}/`]!.values;
    const { value, sigma } = rig.resolved.values["tool.width"];
    expect(Math.abs(value! - truth["tool.width"]!)).toBeLessThan(Math.max(4 * sigma, 0.02));
  });
});

describe("every test there is", () => {
  it("can be practised: driven, or taped with the simulated tape", () => {
    const kinds = jobsOf("drawn").map(({ key }) => key);
    const driven = fieldView(practiceOpen("Meadow drill")).practice!.drives.map(({ key }) => key);
    expect([...driven, "cross-tape"].sort()).toEqual([...kinds].sort());
    const open = practiceOpen("Meadow drill");
    expect(tapeBetween(open, "pin", "rightEdge", 0)).toMatch(/m$/);
  });

  it.each(allJobs().flatMap(({ key, drill }) => (drill ? [key] : [])))(
    "%s gives figures with their certainty, in both units",
    (drive) => {
      const name = "Meadow drill";
      expect(keepDriven(practiceOpen(name), sampleForm({ drive, fix: "fixed" }), arrived())).toMatchObject({
        ok: true,
      });
      for (const units of [PRESETS.metric, PRESETS.us]) {
        const open = { ...practiceOpen(name), preferences: { ...practiceOpen(name).preferences, units } };
        const test = testsOfRig(db, open.rig).find(({ kind }) => kind === drive)!;
        const job = jobView(open, solved(open, test));
        expect(job.figures.length, drive).toBeGreaterThan(0);
        for (const { half } of job.figures) expect(half, drive).toMatch(/^± /);
        expect(JSON.stringify(job)).not.toMatch(/NaN|Infinity|undefined/);
        for (const { text } of job.observations) expect(text).not.toBe("");
      }
    },
  );

  it("by coordinates finds where the receiver really is", () => {
    const open = practiceOpen("Meadow drill");
    const test = testsOfRig(db, open.rig).find(({ kind }) => kind === "wheel-coordinates")!;
    const { measured } = solved(open, test).result;
    const [lateral] = measured;
    const truths = practiceOf(db, open.rig.id)!.truths as Record<
      string,
      { values: Partial<Record<DimensionKey, number>>; rollBias: number }
    >;
    const { values, rollBias } = truths[`${open.rig.couplingId}/`]!;
    const seen = values["receiver.lateral"]! - values["receiver.height"]! * Math.sin(rollBias);
    const found = lateral!.entered! + lateral!.off.value;
    expect(Math.abs(found - seen)).toBeLessThan(2 * lateral!.off.half!);
  });
});

describe("the truth of a practice rig", () => {
  it("is in no page's answer, and touches no rig of the yard", () => {
    const open = practiceOpen("Grain drill");
    const truth = practiceOf(db, open.rig.id)!;
    const shown = JSON.stringify(fieldView(open));
    expect(shown).not.toContain("rollBias");
    expect(shown).not.toContain(String(truth.seed));
    const yard = sampleOpen(db, "Grain drill");
    expect(yard.resolved.proofs).toEqual([]);
    expect(yard.rig.tractor.practice).toBe(false);
    expect(listRigs(db).filter(({ tractor }) => tractor.practice)).toHaveLength(RIGS.length);
  });

  it("cannot be driven on a rig of the yard", () => {
    expect(
      keepDriven(sampleOpen(db, "Planter"), sampleForm({ drive: "joints", fix: "fixed" }), arrived()),
    ).toMatchObject({ ok: false });
    expect(
      keepTerminal(sampleOpen(db, "Planter"), sampleForm({ page: "Tractor", press: "save" })),
    ).toMatchObject({ ok: false });
  });
});

describe("the terminal of a practice rig", () => {
  it("stands at zero, its axle steered, its lines the last tool's; Cancel forgets what was chosen", () => {
    const open = sampleOpen(db, "Borrowed drill");
    beginPractice(open, sampleForm({ start: "as read" }), 5);
    const lines = () =>
      fieldView(practiceOpen("Borrowed drill")).practice!.terminal.pages.flatMap((page) => page.lines);
    const line = (label: string) => lines().find((each) => each.label === label)!;
    expect(line("Axle type").text).toBe("steered");
    expect(Number.parseFloat(line("Hitch to pivot").text)).toBe(0);
    expect(Number.parseFloat(line("Line spacing").text)).toBeGreaterThan(0);
    const page = (press: string, fields: Record<string, string>) =>
      keepTerminal(
        practiceOpen("Borrowed drill"),
        sampleForm({
          page: "Implement",
          press,
          ...Object.fromEntries(lines().map(({ at, text }) => [`line-${at}`, text] as const)),
          ...fields,
        }),
      );
    const axle = `line-${line("Axle type").at}`;
    expect(page("save", { [axle]: "rigid" })).toMatchObject({ ok: true });
    expect(line("Axle type").text).toBe("rigid");
    expect(page("cancel", {})).toMatchObject({ ok: true });
    expect(line("Axle type").text).toBe("steered");
    const length = `line-${line("Hitch to pivot").at}`;
    expect(page("save", { [axle]: "rigid", [length]: "far" })).toMatchObject({
      ok: false,
      errors: { [length]: expect.any(String) },
    });
  });
});
