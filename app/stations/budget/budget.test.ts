import { describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { type ResolvedRig, resolveRig } from "../../../core/rig/resolve.ts";
import { sampleRig } from "../../../core/rig/sample.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { rigFacts } from "../../../data/facts.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { budgetsView } from "./budget-view.ts";

const UNASKED = { receiver: null, slope: null, speed: null };
const hrefOf = (station: string, key: string) => `/rigs/1/${station}?at=${key}`;
const look = (
  rig: ResolvedRig,
  asked: Partial<Record<keyof typeof UNASKED, string>> = {},
  units = PRESETS.metric,
) => budgetsView(rig, { ...UNASKED, ...asked }, units, hrefOf);
/** Every size in a sentence, millimetres. */
const sizes = (text: string) =>
  [...text.replace(/\u00a0/g, " ").matchAll(/([\d.]+) (mm|cm|m)\b/g)].map(
    ([, figure, unit]) => Number(figure) * { mm: 1, cm: 10, m: 1000 }[unit as "mm" | "cm" | "m"],
  );
const half = (view: ReturnType<typeof look>, at = 0) => sizes(view.budgets[at]!.verdict)[0]!;

describe("how sure it is", () => {
  it("ranks what makes the tool stray, with shares that make up the whole", () => {
    for (const { rows, bars } of look(sampleRig()).budgets) {
      const shares = rows.map(({ share }) => Number.parseInt(share, 10));
      expect(shares.reduce((sum, each) => sum + each, 0)).toBeGreaterThan(95);
      expect(shares.reduce((sum, each) => sum + each, 0)).toBeLessThan(105);
      expect([...shares].sort((a, b) => b - a)).toEqual(shares);
      expect(bars.map(({ label }) => label)).toEqual(rows.map(({ label }) => label));
    }
  });

  it("grows on a slope, with a worse receiver, and along the line with speed", () => {
    const rig = sampleRig();
    expect(half(look(rig, { slope: "6" }))).toBeGreaterThan(half(look(rig)));
    expect(half(look(rig, { receiver: "satellite" }))).toBeGreaterThan(half(look(rig)));
    expect(half(look(rig, { speed: "16" }), 1)).toBeGreaterThan(half(look(rig, { speed: "4" }), 1));
  });

  it("names what to tape next, and what that brings; nothing where all is taped well", () => {
    const guessed = look(sampleRig({}, { "tool.lateral": "file" }));
    expect(guessed.budgets[0]!.good).toBe(false);
    expect(guessed.budgets[0]!.next).toMatchObject({ href: "/rigs/1/tool?at=tool.lateral" });
    const [before, after] = sizes(guessed.budgets[0]!.next!.why);
    expect(after!).toBeLessThan(before!);
  });

  it("refuses a slope nobody works on, and what is no speed, by the field", () => {
    expect(look(sampleRig(), { slope: "40" }).errors.slope).toContain("Steeper");
    expect(look(sampleRig(), { slope: "steep" }).errors.slope).toBe(
      "“steep” was not understood. Type it like 12.5 °.",
    );
    expect(look(sampleRig(), { speed: "fast" }).errors.speed).toContain("“fast” was not understood");
    expect(look(sampleRig(), { slope: "steep", speed: "fast" }).slope).toBe("steep");
    expect(look(sampleRig(), { receiver: "crystal ball" }).receiver).toBe("rtk");
    expect(look(sampleRig()).errors).toEqual({});
  });

  it("speaks the operator's units", () => {
    expect(look(sampleRig(), {}, PRESETS.us).speedUnit).toBe("mph");
    expect(look(sampleRig(), {}, PRESETS.us).budgets[0]!.verdict).toContain("in");
  });
});

describe("over the demo yard", () => {
  const db = plantedYard();

  it("answers for every tool, however it hangs", () => {
    for (const { id } of listRigs(db))
      for (const part of toolsOf(db, id)) {
        const view = look(resolveRig(rigFacts(db, part)));
        for (const { verdict, rows } of view.budgets) {
          expect(`${part.attachment} ${verdict}`).not.toMatch(/NaN|Infinity|undefined/);
          expect(rows.length).toBeGreaterThan(1);
        }
      }
  });
});
