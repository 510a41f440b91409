import { afterEach, describe, expect, it } from "vitest";
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import type { ChangeKind } from "../dimension/change.ts";
import { judge } from "../finding/judge.ts";
import { between } from "./chain.ts";
import { dueOf, dueProofs, dueWords, hoursAt } from "./due.ts";
import { lapsedBy, resolveRig } from "./resolve.ts";
import { sampleFacts, sampleProof, sampleReading } from "./sample.ts";

const at = (day: string) => `${day}T08:00:00.000Z`;
const HOUR = 3600;

describe("due", () => {
  const rig = resolveRig(sampleFacts());

  it("by season: what was taped on 1 March is good until March comes again", () => {
    expect(dueOf(rig, { today: at("2027-02-20"), hours: [], hectares: [] })).toEqual([]);
    const due = dueOf(rig, { today: at("2027-03-20"), hours: [], hectares: [] });
    expect(due.map(({ key }) => key)).toContain("receiver.height");
    expect(due.map(({ key }) => key)).not.toContain("pin.pivot");
    expect(dueWords(due[0]!)).toBe("due: read 12 months ago, good for 12 months");
  });

  it("by hours: tyres after a hundred of them, reckoned between two looks at the clock", () => {
    const hours = [
      { at: at("2026-02-01"), value: 1000 * HOUR },
      { at: at("2026-03-01"), value: 1100 * HOUR },
      { at: at("2026-03-20"), value: 1230 * HOUR },
    ];
    expect(hoursAt(at("2026-02-15"), hours)).toBeCloseTo(1050, 9);
    expect(hoursAt(at("2026-01-01"), hours)).toBeNull();
    expect(hoursAt(at("2026-06-01"), hours)).toBe(1230);
    const facts = sampleFacts();
    const pressure = [sampleReading("tractor.pressureRearLeft", 1.4e5)];
    const gauged = resolveRig({
      ...facts,
      readings: { ...facts.readings, "tractor.pressureRearLeft": pressure },
    });
    expect(dueOf(gauged, { today: at("2026-03-21"), hours, hectares: [] })).toMatchObject([
      { key: "tractor.pressureRearLeft", by: "hours", since: 130 },
    ]);
    expect(dueOf(gauged, { today: at("2026-03-21"), hours: [], hectares: [] })).toEqual([]);
  });

  it("by hectares: a meter's displacement after so many, counted from when it was calibrated", () => {
    const facts = sampleFacts();
    const told = { ...sampleReading("tool.kind", 0), rawText: "drill" };
    const drive = { ...sampleReading("tool.meterDrive", 0), rawText: "motor" };
    const rig = resolveRig({
      ...facts,
      readings: {
        ...facts.readings,
        "tool.kind": [told],
        "tool.meterDrive": [drive],
        "rate.displacement": [sampleReading("rate.displacement", 0.1)],
      },
    });
    const hectares = [
      { at: at("2026-02-01"), value: 400e4 },
      { at: at("2026-06-01"), value: 900e4 },
    ];
    const due = dueOf(rig, { today: at("2026-06-02"), hours: [], hectares });
    expect(due).toMatchObject([{ key: "rate.displacement", by: "hectares", after: 250 }]);
    // 28 of 120 days of February to June had gone by on 1 March.
    expect(due[0]!.since).toBe(Math.floor(500 * (1 - 28 / 120)));
    expect(dueWords(due[0]!)).toContain("ha done since, good for 250 ha");
    expect(dueOf(rig, { today: at("2026-06-02"), hours: [], hectares: [] })).toEqual([]);
  });

  it("is a flag of its own: the grade stands, and so does the uncertainty", () => {
    expect(rig.values["receiver.height"]).toMatchObject({ grade: "taped", stale: null });
  });

  it("of a field test, a season after it was driven", () => {
    const proof = sampleProof({
      at: at("2026-04-01"),
      sigma: null,
      terms: [{ key: "tool.width", coefficient: 1 }],
    });
    const proved = resolveRig({ ...sampleFacts(), proofs: [proof] });
    expect(dueProofs(proved, at("2027-03-20"))).toEqual([]);
    expect(dueProofs(proved, at("2027-04-20"))).toHaveLength(1);
  });
});

describe("one edge more in the catalogue, and nothing else", () => {
  const key: DimensionKey = "pin.pivot";
  const edges = dimension(key, "drawn").touchedBy as ChangeKind[];
  const before = [...edges];
  afterEach(() => {
    edges.splice(0, edges.length, ...before);
  });

  it("makes the reading stale, the chain, the finding, and ends the proof", () => {
    const ballast = {
      id: "c",
      seq: 2,
      kind: "ballast" as const,
      at: at("2026-05-01"),
      person: "Mira",
      note: "",
    };
    const proof = sampleProof({
      at: at("2026-04-01"),
      sigma: 0.01,
      terms: [{ key, coefficient: 1 }],
    });
    const facts = { ...sampleFacts(), changes: [ballast], proofs: [proof] };
    expect(resolveRig(facts).values[key]).toMatchObject({ stale: null, grade: "proven" });

    edges.push("ballast");
    const rig = resolveRig(facts);
    expect(rig.values[key]).toMatchObject({ stale: { kind: "ballast" }, grade: "taped" });
    expect(between(rig, "receiver", "pivot", "x").stale).toBe(true);
    expect(judge(rig).map(({ id }) => id)).toContain(`stale:${key}`);
    expect(lapsedBy(proof.terms, facts)).toMatchObject({ by: { kind: "ballast" } });
  });
});
