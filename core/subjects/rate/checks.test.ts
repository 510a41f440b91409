import { describe, expect, it } from "vitest";
import { inWords } from "../../quantity/said.ts";
import { PRESETS } from "../../quantity/units.ts";
import { bareFacts, type RigFacts } from "../../rig/facts.ts";
import { resolveRig } from "../../rig/resolve.ts";
import { sampleReading } from "../../rig/sample.ts";
import { type Lines, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { Ended, PartDose, TestedPart } from "../../yard/dose.ts";
import { rateChecks } from "./checks.ts";
import { doses, reckonRate } from "./rate-of-rig.ts";
import { RATE } from "./subject.ts";

const SPRAYER: Lines = {
  "tool.kind": "sprayer",
  "rows.count": "6",
  "rows.spacing": "0.5",
  "work.speed": "8 km/h",
  "rate.liquid": "200 l/ha",
  "rate.nozzle": "04",
  "rate.pressureLow": "1.5 bar",
  "rate.pressureHigh": "5 bar",
  "rate.pumpFlow": "60 l/min",
  "rate.pulsesPerLitre": "200 /l",
};

const NOTHING: PartDose = { ended: [], parts: {} };

function checksOf(lines: Lines, dose: PartDose = NOTHING, attachment: "boom" | "drawn" | "mounted" = "boom") {
  const whole = sampleWhole([samplePart(attachment, lines)], { dose: [dose] });
  return new Map(
    rateChecks(whole, reckonRate(whole)).map((each) => [
      each.id,
      { ...each, words: inWords(each.said, PRESETS.metric) },
    ]),
  );
}
const verdict = (id: string, ...of: Parameters<typeof checksOf>) => checksOf(...of).get(id)?.verdict;

const ended = (part: Partial<Ended>): Ended => ({
  id: "e",
  kind: "flow-nozzles",
  constant: "rate.pulsesPerLitre",
  accepted: true,
  had: 210e3,
  found: 200e3,
  error: 500,
  variation: 0.006,
  runs: 3,
  person: "Mira",
  at: "2026-05-01T08:00:00.000Z",
  note: "",
  setup: {},
  figures: {},
  reading: null,
  ...part,
});
const nozzle = (place: number, value: number | null, stale = false): TestedPart => ({
  id: place,
  place,
  value,
  at: value === null ? null : "2026-05-01T08:00:00.000Z",
  person: "Mira",
  stale,
});
/** 04: 1.6 l/min at 3 bar. */
const NEW = 1.6e-3 / 60;
const boom = (...shares: (number | null)[]): PartDose => ({
  ended: [],
  parts: { nozzle: shares.map((share, at) => nozzle(at + 1, share === null ? null : share * NEW)) },
});

describe("what the rate station looks at", () => {
  it("is nothing of a tool that doses nothing, and of one that is fed by another", () => {
    expect(checksOf({ "tool.kind": "cultivator" }, NOTHING, "drawn").size).toBe(0);
    expect(doses(samplePart("drawn", { "tool.kind": "drill", "tool.meterDrive": "none" }).rig)).toBe(false);
    expect(doses(samplePart("drawn", { "tool.kind": "drill" }).rig)).toBe(true);
    expect(RATE.serves!(sampleWhole([samplePart("drawn", { "tool.kind": "plough" })]))).toBe(false);
  });

  it("a constant is unknown until it was read, a check until it was calibrated, then good with its evidence", () => {
    const { "rate.pulsesPerLitre": _, ...without } = SPRAYER;
    expect(verdict("rate.pulsesPerLitre", without)).toBe("unknown");
    expect(verdict("rate.pulsesPerLitre", SPRAYER)).toBe("check");
    const calibrated = checksOf(SPRAYER, { ...NOTHING, ended: [ended({ reading: "rate.pulsesPerLitre" })] });
    expect(calibrated.get("rate.pulsesPerLitre")).toMatchObject({
      verdict: "good",
      words: "200.0\u00a0/l: calibrated by 3 runs, which differ by 0.6\u00a0%; it moved by −4.8\u00a0%.",
    });
    const left = checksOf(SPRAYER, {
      ...NOTHING,
      ended: [ended({ accepted: false, found: 190e3, had: 200e3 })],
    });
    expect(left.get("rate.pulsesPerLitre")).toMatchObject({ verdict: "check", next: "Calibrate again" });
    expect(left.get("rate.pulsesPerLitre")!.words).toContain("the last test found −5.0\u00a0%");
  });

  it("nozzles: unknown uncaught, good together, worn and blocked ones by their number", () => {
    expect(verdict("nozzles", SPRAYER)).toBe("unknown");
    expect(verdict("nozzles", SPRAYER, boom(1, 1, 1.01, 0.99, 1, 1))).toBe("good");
    expect(verdict("nozzles", SPRAYER, boom(1, 1, 1.01, 0.99, 1, null))).toBe("unknown");
    const bad = checksOf(SPRAYER, boom(1, 1.18, 1, 0.7, 1, 1)).get("nozzles")!;
    expect(bad.verdict).toBe("fix");
    expect(bad.words).toContain("Nozzle 2 gives 18.0\u00a0% more than a new one");
    expect(bad.words).toContain("Nozzle 4 gives 30.0\u00a0% less than the others");
    const changed: PartDose = { ended: [], parts: { nozzle: [nozzle(1, NEW, true)] } };
    expect(checksOf(SPRAYER, changed).get("nozzles")!.words).toContain("changed since");
  });

  it("the speed the nozzle holds, and the pump: good within, a fix outside, unknown where a figure lacks", () => {
    // 200 l/ha at 8 km/h and 0.5 m take 1.33 l/min of an 04: 2.08 bar; the boom 8 l/min.
    expect(verdict("window", SPRAYER)).toBe("good");
    expect(checksOf(SPRAYER).get("window")!.words).toContain("takes 2.08\u00a0bar");
    expect(verdict("window", { ...SPRAYER, "work.speed": "16 km/h" })).toBe("fix");
    expect(verdict("window", { ...SPRAYER, "work.speed": "5 km/h" })).toBe("fix");
    expect(verdict("window", { ...SPRAYER, "rate.nozzle": undefined })).toBe("unknown");
    expect(verdict("window", { ...SPRAYER, "rate.pressureHigh": undefined })).toBe("unknown");
    expect(verdict("pump", SPRAYER)).toBe("good");
    expect(verdict("pump", { ...SPRAYER, "rate.pumpFlow": "7 l/min" })).toBe("fix");
    expect(verdict("pump", { ...SPRAYER, "rate.pumpFlow": undefined })).toBe("unknown");
  });

  it("the rate: unknown, set, and a stop once another product is in it", () => {
    expect(verdict("rate.liquid", { ...SPRAYER, "rate.liquid": undefined })).toBe("unknown");
    expect(verdict("rate.liquid", SPRAYER)).toBe("good");
    const facts: RigFacts = {
      ...bareFacts("boom", {
        "tool.kind": [{ ...sampleReading("tool.kind", 0), rawText: "sprayer" }],
        "rate.liquid": [sampleReading("rate.liquid", 200e-7)],
      }),
      changes: [
        {
          id: "c",
          seq: 9,
          kind: "product",
          at: "2026-06-01T08:00:00.000Z",
          person: "Mira",
          note: "Leaf cover",
        },
      ],
    };
    const part = { ...samplePart("boom", SPRAYER), rig: resolveRig(facts) };
    const whole = sampleWhole([part]);
    const row = rateChecks(whole, reckonRate(whole)).find(({ id }) => id === "rate.liquid")!;
    expect(row.verdict).toBe("stop");
    expect(inWords(row.said, PRESETS.metric)).toContain("Leaf cover. The rate was entered before that.");
  });

  it("a drill: what is told against what is fitted, and whether its meter turns where it doses evenly", () => {
    const drill: Lines = {
      "tool.kind": "drill",
      "tool.meterDrive": "motor",
      "tool.width": "3",
      "work.speed": "9 km/h",
      "rate.seed": "160 kg/ha",
      "rate.displacement": "200 g",
      "rate.meterLow": "10 rpm",
      "rate.meterHigh": "60 rpm",
      "rate.rollDeclared": "low",
      "rate.rollFitted": "low",
    };
    const of = (id: string, more: Lines = {}) => verdict(id, { ...drill, ...more }, NOTHING, "drawn");
    expect(of("roll")).toBe("good");
    expect(of("roll", { "rate.rollFitted": "high" })).toBe("stop");
    expect(of("roll", { "rate.rollFitted": undefined })).toBe("unknown");
    expect(of("ranks")).toBe("unknown");
    // 0.016 kg/m² × 3 m × 2.5 m/s ÷ 0.2 kg are 0.6 a second.
    expect(of("meter")).toBe("good");
    expect(of("meter", { "rate.meterHigh": "30 rpm" })).toBe("fix");
    expect(of("meter", { "rate.meterLow": "50 rpm" })).toBe("fix");
    expect(of("meter", { "rate.displacement": undefined })).toBe("unknown");
  });

  it("a planter: rows controlled, alarms muted only where rows are off, the stand of each row", () => {
    const planter: Lines = { "tool.kind": "planter", "rows.count": "4", "rate.rows": "4" };
    const of = (id: string, more: Lines = {}, dose: PartDose = NOTHING) =>
      verdict(id, { ...planter, ...more }, dose, "drawn");
    expect(of("rows")).toBe("good");
    expect(of("rows", { "rate.rows": "6" })).toBe("fix");
    expect(of("rows", { "rate.rows": undefined })).toBe("unknown");
    expect(of("muted", { "rate.rowsMuted": "2", "rate.rowsOff": "1" })).toBe("fix");
    expect(of("muted", { "rate.rowsMuted": "1", "rate.rowsOff": "1" })).toBeUndefined();
    const rows = (...plants: number[]): PartDose => ({
      ended: [],
      parts: { row: plants.map((value, at) => nozzle(at + 1, value)) },
    });
    expect(of("stand")).toBe("unknown");
    expect(of("stand", {}, rows(8, 8.1, 7.9, 8))).toBe("good");
    expect(of("stand", {}, rows(8, 6.5, 7.9, 8))).toBe("fix");
    expect(of("stand", {}, rows(8, 8))).toBe("unknown");
  });

  it("a spreader: even up to ten per cent, once it was caught", () => {
    const spreader = (even?: string): Lines => ({ "tool.kind": "spreader", "rate.evenness": even });
    expect(verdict("even", spreader("8 %"), NOTHING, "mounted")).toBe("good");
    expect(verdict("even", spreader("16 %"), NOTHING, "mounted")).toBe("fix");
    expect(verdict("rate.evenness", spreader(), NOTHING, "mounted")).toBe("unknown");
  });
});
