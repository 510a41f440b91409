import { describe, expect, it } from "vitest";
import { figuresIn, inWords } from "../../quantity/said.ts";
import { PRESETS } from "../../quantity/units.ts";
import { type Lines, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { OPERATION_KEYS, operationsOf } from "../../trade/operations.ts";
import { TRIGGER_KEYS } from "../../trade/recording.ts";
import { NO_HOSES } from "../../yard/rig-hoses.ts";
import { sampleWork } from "../../yard/sample-work.ts";
import { readRows, type Work } from "../../yard/work.ts";
import { jobChecks } from "./checks.ts";
import { hasTrigger, reckonJob } from "./job-of-rig.ts";

const KG_HA = 1e-4;

const DRILL: Lines = {
  "tool.kind": "drill",
  "tool.width": "4",
  "tool.overall": "4.1",
  "tool.meterDrive": "motor",
  "rate.seed": "160 kg/ha",
  "tool.rateController": "yes",
};

const WORK = sampleWork();

const whole = (work: Work | null, lines: Lines = {}, rest: Partial<WholeRig> = {}) =>
  sampleWhole([samplePart("mounted", { ...DRILL, ...lines })], { work, ...rest });
const rows = (work: Work | null, lines: Lines = {}, rest: Partial<WholeRig> = {}) => {
  const rig = whole(work, lines, rest);
  return jobChecks(rig, reckonJob(rig));
};
const verdicts = (work: Work | null, lines: Lines = {}, rest: Partial<WholeRig> = {}) =>
  Object.fromEntries(rows(work, lines, rest).map(({ id, verdict }) => [id, verdict]));
const row = (id: string, work: Work | null, lines: Lines = {}, rest: Partial<WholeRig> = {}) => {
  const found = rows(work, lines, rest).find((each) => each.id === id);
  return found && { ...found, words: inWords(found.said, PRESETS.metric).replaceAll("\u00a0", " ") };
};

describe("a job", () => {
  it("is good where all of it is told, and nothing of it is where none is set", () => {
    expect(new Set(Object.values(verdicts(WORK)))).toEqual(new Set(["good"]));
    expect(verdicts(null)).toEqual({ set: "unknown", controller: "good" });
  });

  it("holds a rate against the dose of the label: over it stops what is poured, and grains need their mass", () => {
    const [product] = WORK.products;
    const dose = (over: Partial<Work["products"][number]>) =>
      row("dose", { ...WORK, products: [{ ...product!, ...over }] })?.verdict ?? "none";
    // 160 kg/ha are set.
    expect(dose({})).toBe("none");
    expect(dose({ doseLow: 120 * KG_HA, doseHigh: 160 * KG_HA })).toBe("good");
    expect(dose({ doseLow: 170 * KG_HA })).toBe("check");
    expect(dose({ doseHigh: 150 * KG_HA })).toBe("fix");
    expect(dose({ form: "liquid", rate: 2e-5, doseHigh: 1.8e-5 })).toBe("stop");
    const counted = { rate: 300, counted: true, doseHigh: 150 * KG_HA };
    expect(dose(counted)).toBe("unknown");
    // 300 grains of 45 mg: 135 kg/ha.
    expect(dose({ ...counted, grainMass: 45e-6 })).toBe("good");
    expect(dose({ ...counted, grainMass: 55e-6 })).toBe("fix");
    expect(dose({ rate: null, doseHigh: 1e-9 })).toBe("none");
  });

  it("without operation, crop, product, rate or trigger is a stop: the card waits", () => {
    expect(verdicts({ ...WORK, operations: [] }).operation).toBe("stop");
    expect(verdicts({ ...WORK, crop: null }).crop).toBe("stop");
    expect(verdicts({ ...WORK, varieties: [] }).crop).toBe("fix");
    expect(verdicts({ ...WORK, products: [] }).product).toBe("stop");
    const [product] = WORK.products;
    expect(row("product", { ...WORK, products: [{ ...product!, rate: 0 }] })).toMatchObject({
      verdict: "stop",
      words: "Halvard seed at a rate of zero.",
    });
    expect(verdicts({ ...WORK, products: [{ ...product!, rate: null }] }).product).toBe("stop");
    expect(verdicts({ ...WORK, trigger: null }).trigger).toBe("stop");
  });

  it("harvest is not recorded without crop and variety", () => {
    const harvest = { ...WORK, operations: ["harvest"] as const };
    expect(verdicts({ ...harvest, varieties: [] }, { "tool.kind": "header" }).crop).toBe("stop");
  });

  it("holds the rate it wants against the one the terminal was told, and offers it", () => {
    const found = row("product", WORK, { "rate.seed": "150 kg/ha" })!;
    expect(found.verdict).toBe("stop");
    expect(figuresIn(found.said).map((each) => each / KG_HA)).toEqual([160, 150]);
    expect(found.advised! / KG_HA).toBeCloseTo(160, 9);
    expect(verdicts(WORK, { "rate.seed": "160.5 kg/ha" }).product).toBe("good");
    expect(verdicts(WORK, { "rate.seed": undefined }).product).toBe("unknown");
  });

  it("is a stop where the variety was chosen after the rate was entered", () => {
    expect(row("product", { ...WORK, varietySince: "2099-01-01T00:00:00.000Z" })!.words).toContain(
      "was entered before the variety was chosen",
    );
  });

  it("is entered twice where a rate controller enters it and somebody added one", () => {
    const two = { ...WORK, operations: ["sowing", "other"] as const };
    expect(verdicts(two).controller).toBe("fix");
    expect(verdicts(two, { "tool.rateController": "no" }).controller).toBe("good");
    expect(verdicts(WORK, { "tool.rateController": undefined }).controller).toBe("unknown");
  });

  it("is questioned where a crop follows itself, and the record says nothing where it cannot", () => {
    const before = (crop: string) => ({
      ...WORK,
      field: { ...WORK.field, before: { crop, season: "2026" } },
    });
    expect(verdicts(before("Winter wheat")).rotation).toBe("check");
    expect(verdicts({ ...WORK, field: { ...WORK.field, before: null } }).rotation).toBe("note");
  });

  it("is not what this tool does, or of a field without an end, or along no line", () => {
    expect(verdicts({ ...WORK, operations: ["ploughing"] }).operation).toBe("fix");
    expect(verdicts({ ...WORK, field: { ...WORK.field, area: null } }).field).toBe("check");
    expect(verdicts({ ...WORK, line: null }).line).toBe("fix");
    expect(verdicts({ ...WORK, line: { ...WORK.line!, shifted: -0.24 } }).line).toBe("check");
    expect(verdicts(WORK, { "work.guided": "no" }).line).toBeUndefined();
  });

  it("names what is not in sight, and what nobody hears", () => {
    const { tank: _, ...screen } = WORK.screen;
    expect(row("screen", { ...WORK, screen })!.words).toBe("Not in sight: what is left in tank or hopper.");
    expect(verdicts({ ...WORK, screen: {} }).screen).toBe("unknown");
    expect(verdicts({ ...WORK, screenActive: false }).screen).toBe("fix");
    expect(verdicts({ ...WORK, alarms: { ...WORK.alarms, blockage: "off" } }).alarms).toBe("fix");
    expect(verdicts({ ...WORK, alarms: { ...WORK.alarms, blockage: "shown" } }).alarms).toBe("check");
    expect(verdicts({ ...WORK, alarms: { rate: "heard" } }).alarms).toBe("unknown");
    expect(verdicts({ ...WORK, mutedRows: "5-8" }).muted).toBe("fix");
    expect(verdicts({ ...WORK, mutedRows: "40" }, { "rows.count": "24" }).muted).toBe("good");
  });

  it("works no wider than the tool is", () => {
    expect(verdicts(WORK, { "tool.overall": "3.9" }).width).toBe("fix");
    expect(verdicts(WORK, { "tool.overall": undefined }).width).toBeUndefined();
  });

  it("has varieties by rows that each row has once", () => {
    const by = (one: string, two: string): Work => ({
      ...WORK,
      varietyWay: "rows",
      varieties: [
        { id: 1, name: "Halvard", rows: one },
        { id: 2, name: "Osk", rows: two },
      ],
    });
    expect(verdicts(by("1-12", "13-24")).crop).toBe("good");
    expect(verdicts(by("1-12", "12-24")).crop).toBe("fix");
    expect(verdicts(by("1-12", "")).crop).toBe("fix");
    expect(readRows("1-3, 7")).toEqual([1, 2, 3, 7]);
    expect(readRows("3-1")).toBeNull();
  });
});

describe("what a record may start and stop by", () => {
  const bare = whole(WORK);
  const fn = { part: 0, trigger: false } as WholeRig["hoses"]["functions"][number];
  const oil = (functions: (typeof fn)[], told = [true]) =>
    whole(WORK, {}, { hoses: { ...NO_HOSES, functions, told } });

  it("is what the rig has, by its hoses, hitch, shaft and sections", () => {
    expect(hasTrigger("remote", oil([fn]), 0)).toBe(false);
    expect(hasTrigger("remote", oil([{ ...fn, trigger: true }]), 0)).toBe(true);
    expect(hasTrigger("remote", oil([], [false]), 0)).toBeNull();
    expect(hasTrigger("remote", oil([]), 0)).toBe(false);
    expect(hasTrigger("hitch", bare, 0)).toBe(true);
    expect(hasTrigger("head", bare, 0)).toBe(false);
    expect(hasTrigger("frame", bare, 0)).toBeNull();
    expect(hasTrigger("sections", whole(WORK, { "work.switched": "no" }), 0)).toBe(false);
    expect(verdicts({ ...WORK, trigger: "head" }).trigger).toBe("fix");
    expect(verdicts({ ...WORK, trigger: "frame" }).trigger).toBe("check");
    expect(verdicts({ ...WORK, trigger: "manual" }).trigger).toBe("note");
    for (const key of TRIGGER_KEYS) expect([true, false, null]).toContain(hasTrigger(key, bare, 0));
  });
});

describe("operations", () => {
  it("are those of the tool, its usual work first; all where nobody told what it is", () => {
    expect(operationsOf("sprayer")).toEqual(["spraying", "liquid feed", "other"]);
    expect(operationsOf(null)).toEqual(OPERATION_KEYS);
  });
});

describe("varieties by a map", () => {
  const HA = 1e4;
  const MAP = {
    fileName: "maize.geojson",
    shares: [
      { variety: "Halvard", area: 20 * HA },
      { variety: "Osk", area: 8.4 * HA },
    ],
    uncovered: 0,
    twice: 0,
    beside: 0,
  };
  const named = (...names: string[]) => names.map((name, id) => ({ id, name, rows: "" }));
  const mapped = (more: Partial<Work> = {}): Work => ({
    ...WORK,
    operations: ["sowing"],
    varietyWay: "map",
    varieties: named("Halvard", "Osk"),
    varietyMap: MAP,
    ...more,
  });

  it("are told by hectares, and to be looked at where no map was read", () => {
    expect(row("crop", mapped())).toMatchObject({
      verdict: "good",
      words: "Winter wheat by maize.geojson: Halvard 20.00 ha, Osk 8.40 ha.",
    });
    expect(row("crop", mapped({ varietyMap: null }))!.verdict).toBe("check");
  });

  it("are of another field where the names differ, from the job's or from what was sown", () => {
    expect(row("crop", mapped({ varieties: named("Halvard") }))!.words).toContain("the job has Halvard.");
    const sown = (varieties: string[], at: string, operation: Work["operations"][number]) =>
      row("crop", mapped({ sown: { varieties, at }, operations: [operation] }))?.verdict;
    expect(sown(["Halvard", "Torvi"], "2025-09-20T06:00:00Z", "spraying")).toBe("fix");
    expect(sown(["OSK", "halvard"], "2025-09-20T06:00:00Z", "spraying")).toBe("good");
    // The one that sows now is not held against what was sown before, nor anything against the crop of years ago.
    expect(sown(["Halvard", "Torvi"], "2025-09-20T06:00:00Z", "sowing")).toBe("good");
    expect(sown(["Halvard", "Torvi"], "2023-09-20T06:00:00Z", "spraying")).toBe("good");
  });

  it("are to be mended where the map leaves ground out, or has it twice, beyond a hundredth of the field", () => {
    expect(row("crop", mapped({ varietyMap: { ...MAP, uncovered: 0.5 * HA } }))!.verdict).toBe("fix");
    expect(row("crop", mapped({ varietyMap: { ...MAP, twice: 0.5 * HA } }))!.verdict).toBe("fix");
    expect(row("crop", mapped({ varietyMap: { ...MAP, uncovered: 0.2 * HA } }))!.verdict).toBe("good");
  });

  it("of a harvest are those that were sown, by the log", () => {
    const harvest = (varieties: string[], sown: string[]) =>
      row("sown", {
        ...WORK,
        operations: ["harvest"],
        varieties: named(...varieties),
        sown: { varieties: sown, at: "2025-10-01T06:00:00Z" },
      })?.verdict ?? "none";
    expect(harvest(["Halvard"], ["Halvard"])).toBe("good");
    expect(harvest(["Halvard"], ["Osk"])).toBe("fix");
    expect(harvest(["Halvard"], [])).toBe("none");
  });
});
