import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { TOOL_KIND_KEYS } from "../trade/kinds.ts";
import { ATTACHMENT_KEYS } from "./attachment.ts";
import { catalogueOf, dimension } from "./catalogue.ts";
import { parseEntry, rangeProblem } from "./entry.ts";
import { judgeRange, possible } from "./range.ts";

const EVERYTHING = ATTACHMENT_KEYS.flatMap((attachment) =>
  [null, ...TOOL_KIND_KEYS].flatMap((tool) => catalogueOf({ attachment, tool })),
).filter(({ kind }) => kind !== "choice");

describe("two ranges of a dimension", () => {
  it("what is usual lies within what is possible, of every entry of every tool", () => {
    for (const entry of EVERYTHING) {
      const [low, high] = possible(entry);
      expect(low, entry.label).toBeLessThanOrEqual(entry.plausible[0]);
      expect(high, entry.label).toBeGreaterThanOrEqual(entry.plausible[1]);
    }
  });

  it("says one of three of any figure, and says nothing of a usual one", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...EVERYTHING),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (entry, value) => {
          const range = judgeRange(entry, value);
          const told = rangeProblem(entry, value, "m");
          if (told) expect(told.text).toMatch(/Usual is .+ to .+/);
          if (range === "usual") expect(told).toBeNull();
          else if (value > 0) expect(told?.impossible).toBe(range === "impossible");
        },
      ),
    );
  });

  it("a receiver at 25 km cannot be; one at 6 m is asked again", () => {
    const height = dimension("receiver.height", "drawn");
    const said = (value: number, style: "m" | "ft-in") =>
      rangeProblem(height, value, style)!.text.replace(/\u00a0/g, " ");
    expect(judgeRange(height, 25_000)).toBe("impossible");
    expect(said(25_000, "m")).toMatch(/^25000.000 m cannot be\. Usual is 1.200/);
    expect(said(6, "ft-in")).toMatch(/Is 19' 8 1\/4" right\?$/);
    expect(rangeProblem(height, 3, "m")).toBeNull();
  });

  it("a mower's width is not a sprayer's", () => {
    const of = (tool: "mower" | "sprayer") => dimension("tool.width", { attachment: "drawn", tool });
    expect(judgeRange(of("mower"), 36)).toBe("unusual");
    expect(judgeRange(of("sprayer"), 36)).toBe("usual");
  });
});

describe("a bare figure sideways", () => {
  it("asks for the side, of everything that lies to one side or the other; a zero, a sign and a word say it", () => {
    const sideways = EVERYTHING.filter(({ sides, kind }) => sides?.plus === "right" && kind === "length");
    expect(new Set(sideways.map(({ key }) => key)).size).toBeGreaterThan(4);
    for (const entry of sideways) {
      expect(parseEntry(entry, "0.02 m", "m")).toMatchObject({
        ok: false,
        problem: "Say which: right or left.",
      });
      for (const text of ["0", "0.02 m left", "-0.02 m", "+0.02 m", "2 cm right"])
        expect(parseEntry(entry, text, "m").ok, text).toBe(true);
    }
  });
});
