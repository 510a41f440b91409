import { describe, expect, it } from "vitest";
import type { Rung } from "../ladder/ladder.ts";
import { inWords } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { judgeWhole } from "../subjects/judge-whole.ts";
import { NOTHING_DOSED } from "../yard/dose.ts";
import { sampleWork } from "../yard/sample-work.ts";
import { type HandoverLine, handoverOf } from "./of-rig.ts";

const DRILL: Lines = {
  ...MOUNTED,
  "tool.kind": "drill",
  "tool.width": "3",
  "tool.meterDrive": "motor",
  "rate.seed": "160 kg/ha",
  "rate.displacement": "48 g/rev",
};
const words = (lines: readonly HandoverLine[]) =>
  lines.map(({ label, said }) => `${label}: ${inWords(said, PRESETS.metric).replaceAll("\u00a0", " ")}`);

function handover(more: Partial<Parameters<typeof handoverOf>[0]> = {}, rungs: readonly Rung[] = []) {
  const whole = sampleWhole([samplePart("mounted", DRILL)], { work: sampleWork(), ...more });
  return handoverOf(whole, judgeWhole(whole), rungs, {
    notes: [{ text: "Row 7 drips", who: "Ola" }],
    shifts: [{ amount: -0.06, why: "drift, Ola" }],
  });
}

describe("a handover", () => {
  it("says what is set, of the job and of the terminal", () => {
    const set = words(handover().set);
    expect(set).toContain("Field: Long Acre, Hollin Court, Hollin, 28.40 ha");
    expect(set).toContain("Crop: Winter wheat, Halvard");
    expect(set.join(" ")).toMatch(/Product: Halvard seed, 160(\.0)? kg\/ha wanted/);
    expect(set.some((line) => /^Rate set.*160(\.0)? kg\/ha$/.test(line))).toBe(true);
    expect(words(handover({ work: null }).set)[0]).toBe("Job: No job is set.");
  });

  it("says what was odd: what was seen, how the line was shifted, what is to be mended", () => {
    const odd = words(handover().odd);
    expect(odd.slice(0, 2)).toEqual([
      "Seen: Row 7 drips (Ola)",
      "Line shifted: 0.060 m to the left: drift, Ola",
    ]);
  });

  it("tells what stays as it is only where something was calibrated, proved or set", () => {
    expect(handover().leave).toEqual([]);
    const whole = sampleWhole([samplePart("mounted", DRILL)]);
    const reading = whole.parts[0]!.rig.values["rate.displacement"].reading!.id;
    const ended = {
      id: "c",
      kind: "catch",
      constant: "rate.displacement" as const,
      accepted: true,
      had: null,
      found: 0.048,
      error: null,
      variation: null,
      runs: 2,
      person: "Ola",
      at: "2026-04-01T06:00:00Z",
      note: "",
      setup: {},
      figures: {},
      reading,
    };
    const leave = words(handover({ dose: [{ ...NOTHING_DOSED, ended: [ended] }] }).leave);
    expect(leave).toHaveLength(1);
    expect(leave[0]).toContain("Calibrated:");
    expect(handover({ dose: [{ ...NOTHING_DOSED, ended: [{ ...ended, reading: "older" }] }] }).leave).toEqual(
      [],
    );
  });

  it("has what is open in order: stops, what is not known, what of the morning is not done", () => {
    const rung: Rung = {
      key: "coupled",
      label: "Coupled",
      state: "not yet",
      why: "Not ticked.",
      next: null,
      byPerson: false,
    };
    const { open } = handover({ work: sampleWork({ crop: null }) }, [rung]);
    const labels = open.map(({ label }) => label);
    expect(labels[0]).toBe("Stop");
    expect(
      [...labels].sort(
        (a, b) => ["Stop", "Not known", "Not yet"].indexOf(a) - ["Stop", "Not known", "Not yet"].indexOf(b),
      ),
    ).toEqual(labels);
    expect(words(open)).toContain("Not yet: Coupled: Not ticked.");
  });
});
