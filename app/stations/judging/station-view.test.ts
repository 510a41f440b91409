import { beforeAll, describe, expect, it } from "vitest";
import { judge } from "../../../core/finding/judge.ts";
import { PRESETS, type Units } from "../../../core/quantity/units.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { judgeWhole } from "../../../core/subjects/judge-whole.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { rigFacts } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { eventsOf } from "../../../data/hookup.ts";
import { keepChange, keepReading } from "../../../data/readings.ts";
import { listRigs } from "../../../data/rigs.ts";
import { wholesOf } from "../../../data/whole.ts";
import { pegsOf } from "../frame/stations.ts";
import { viewStation } from "./station-view.ts";

let db: Database;
const at = new Date("2026-11-05T08:00:00Z");

beforeAll(() => {
  db = plantedYard();
});

function look(index: number, station: "antenna" | "tool", units: Units = PRESETS.metric) {
  const own = listRigs(db)[index]!;
  const facts = rigFacts(db, own);
  const rig = resolveRig(facts);
  const findings = judge(rig);
  const view = viewStation(station, {
    rigId: own.id,
    rig,
    told: rig,
    couplings: [own.couplingId],
    names: [own.implement.model],
    index: 0,
    rigs: [rig],
    findings,
    dues: new Map(),
    changes: facts.changes,
    units,
  });
  return JSON.parse(JSON.stringify(view).replace(/\u00a0/g, " ")) as typeof view;
}
const row = (view: ReturnType<typeof look>, target: string) =>
  view.readings.find((each) => each.target === target)!;

describe("a station's view", () => {
  it("adds up by head: receiver to front rank of the nearly ready rig", () => {
    const { chain } = look(0, "tool");
    // −1.472 − 1.126 − 4.264 = −6.862
    expect(chain!.links.map(({ label, text }) => [label, text])).toEqual([
      ["Receiver to rear axle", "−1.472"],
      ["Rear axle to drawbar pin", "−1.126"],
      ["Drawbar pin to front rank", "−4.264"],
    ]);
    expect(chain).toMatchObject({ total: "−6.862 m", grade: "taped", plusMinus: "± 9 mm", stale: false });
  });

  it("leads with what is wrong, each with where to cure it", () => {
    const { findings } = look(1, "tool");
    expect(findings.map(({ severity }) => severity)).toEqual(["stop", "stop", "fix", "check", "note"]);
    expect(findings[0]).toMatchObject({ href: "/rigs/2/tool?at=pin.workFront", next: { label: "Tape F" } });
    expect(look(1, "antenna").elsewhere).toEqual({
      label: "Tool",
      href: "/rigs/2/tool?at=pin.workFront",
      stops: 2,
    });
  });

  it("names what to tape next, and says why", () => {
    expect(look(0, "antenna").tapeNext).toMatchObject({
      letter: "H",
      reason: expect.stringContaining("from the book"),
    });
    expect(look(1, "tool").tapeNext?.reason).toContain("It cannot be right");
    const proven = look(2, "tool");
    expect(proven.tapeNext).toBeNull();
    expect(proven.bars[0]).toMatchObject({ share: 1, open: false });
  });

  it("counts a proven reading as taped, and shows the proof", () => {
    const view = look(2, "tool");
    expect([view.taped, view.wanted]).toEqual([13, 13]);
    // The overall width is asked by some terminals only: unread, it is listed and waited for by nobody.
    expect(row(view, "tool.overall")).toMatchObject({ value: null, quiet: true });
    expect(row(view, "tool.width")).toMatchObject({
      grade: "proven",
      proof: expect.stringContaining("off by −2 mm, ± 4 mm"),
    });
    expect(view.follows.find(({ label }) => label.startsWith("Work, seen"))).toMatchObject({
      text: "1.5 cm right",
      grade: "proven",
    });
    expect(view.proofs).toHaveLength(3);
  });

  it("writes everything in the units chosen, mixed or not", () => {
    const mixed = look(0, "tool", { tape: "ft-in/8", small: "mm" });
    expect(row(mixed, "pin.pivot")).toMatchObject({
      value: "17' 5 3/8\"",
      bareUnit: "inches",
      style: "ft-in/8",
    });
    expect(row(mixed, "rows.spacing")).toMatchObject({ value: "125 mm", bareUnit: "mm" });
    expect(row(mixed, "sections").value).toBe("3 × 4' 11\" = 14' 9 1/8\"");
    expect(mixed.chain!.plusMinus).toContain(" in");
  });

  it("shows repeats, spread, and what a change made stale", () => {
    const rig = listRigs(db)[0]!;
    const base = {
      key: "axle.pin" as const,
      step: 0.001,
      instrument: "tape" as const,
      person: "M",
      at,
      sitting: "s",
    };
    keepReading(db, rig, { ...base, rawText: "1.120", value: 1.12 });
    keepReading(db, rig, { ...base, rawText: "1.126", value: 1.126 });
    expect(row(look(0, "antenna"), "axle.pin")).toMatchObject({
      value: "1.123 m",
      spread: "6 mm",
      repeats: [{}, {}],
    });
    const later = new Date("2026-11-06T08:00:00Z");
    keepChange(db, rig, { kind: "tractor drawbar", note: "shorter", person: "M", at: later, now: later });
    const view = look(0, "antenna");
    expect(row(view, "axle.pin").stale).toBe(
      "drawbar pulled out, turned or changed (6 Nov 2026, M, shorter), after it was read on 5 Nov 2026",
    );
    expect(view.changes).toMatchObject([
      { title: "Drawbar pulled out, turned or changed", text: "6 Nov 2026, M, shorter" },
    ]);
    expect(view.tapeNext).toMatchObject({
      letter: "D",
      reason: expect.stringContaining("went stale on 6 Nov 2026"),
    });
    expect(view.chain!.stale).toBe(true);
  });
});

describe("the walk-round", () => {
  it("says of each station how it stands; the card counts the stops of the whole rig", () => {
    const worst = (index: number) => {
      const own = listRigs(db)[index]!;
      const whole = wholesOf(db, [own]).get(own.id)!;
      const { checks, findings } = judgeWhole(whole);
      const coupled = eventsOf(db, own.id)[0]?.kind === "coupled";
      return pegsOf(own.id, { whole, checks, findings, coupled, climbed: { good: 3, all: 9 } }, null).map(
        ({ key, word }) => `${key} ${word}`,
      );
    };
    // Of the borrowed drill nobody told anything for the first stations: that is not good, it is open.
    expect(worst(1)).toEqual([
      "match open",
      "hitch open",
      "hoses open",
      "balance open",
      "hook-up open",
      "antenna check",
      "tool stop",
      "ground open",
      "rate not used",
      "job open",
      "guidance open",
      "card stop",
      "proof 0 of 4",
      "ladder 3 of 9",
    ]);
    expect(worst(2)).toEqual([
      "match good",
      "hitch good",
      "hoses good",
      "balance open",
      "hook-up coupled",
      "antenna good",
      "tool good",
      "ground open",
      "rate open",
      "job open",
      "guidance open",
      "card good",
      "proof 3 of 4",
      "ladder 3 of 9",
    ]);
  });
});
