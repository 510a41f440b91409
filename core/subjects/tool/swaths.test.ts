import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Pass, planSwaths } from "./swaths.ts";

/** What no section of any pass worked, metres across, worked out strip by strip. */
function unworked(
  passes: readonly Pass[],
  field: number,
  width: number,
  sections: readonly number[],
): number {
  const strips = passes.flatMap(({ from, sections: on }) => {
    if (!on) return [[from, from + width] as const];
    const before = sections.slice(0, on.first - 1).reduce((sum, each) => sum + each, 0);
    const working = sections.slice(on.first - 1, on.last).reduce((sum, each) => sum + each, 0);
    return [[from + before, from + before + working] as const];
  });
  let [reached, open] = [0, 0];
  for (const [from, to] of strips.sort((a, b) => a[0] - b[0])) {
    open += Math.max(0, Math.min(from, field) - reached);
    reached = Math.max(reached, to);
  }
  return open + Math.max(0, field - reached);
}

describe("a field narrower than the tool", () => {
  it("is worked whole by the one pass, with overlap wanted or not", () => {
    // 5.9 m of field, 6 m of tool in twelve sections, 10 cm of overlap: before, 8.5 cm stayed unworked and were told as overlap.
    const sections = Array<number>(12).fill(0.5);
    for (const { passes, title } of planSwaths(5.9, { width: 6, spacing: 5.9, sections }).plans)
      expect(unworked(passes, 5.9, 6, sections), title).toBeLessThan(0.05);
    expect(planSwaths(5.9, { width: 6, spacing: 5.9, sections }).left).toBe(5.9);
  });
});

describe("any field", () => {
  it("has nothing left unworked by any plan, but what nobody sees at its edge", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 120, noNaN: true }),
        fc.integer({ min: 1, max: 24 }),
        fc.double({ min: 0.25, max: 1.5, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (field, count, each, overlap) => {
          const sections = Array<number>(count).fill(each);
          const width = count * each;
          const spacing = Math.max(width / 2, width - overlap);
          // More passes than a plan may have are refused, and that is not what is asked here.
          fc.pre(field / spacing < 390);
          for (const { passes, title } of planSwaths(field, { width, spacing, sections }).plans)
            expect(unworked(passes, field, width, sections), `${title} ${field} ${width}`).toBeLessThan(
              0.0501,
            );
        },
      ),
      { numRuns: 300 },
    );
  });

  it("of hundreds of passes is refused", () => {
    expect(() => planSwaths(101, { width: 0.25, spacing: 0.25, sections: [0.25] })).toThrow(RangeError);
  });
});
