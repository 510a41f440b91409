import { describe, expect, it } from "vitest";
import { inWords } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import type { LogEntry } from "../yard/log.ts";
import { sampleEntry } from "../yard/sample-log.ts";
import { judgeEntry } from "./judge.ts";

const said = (more: Partial<LogEntry> = {}) =>
  judgeEntry(sampleEntry(more)).said.map(
    ({ verdict, text }) => `${verdict}: ${inWords(text, PRESETS.metric).replaceAll("\u00a0", " ")}`,
  );
const ended = (more: Partial<NonNullable<LogEntry["ended"]>>) => ({
  ended: { ...sampleEntry().ended!, ...more },
});

describe("an entry of the log", () => {
  it("gives hectares an hour, fuel on a hectare and what was used against the rate", () => {
    // By hand: 20 ha in 2 h; 50 l on 20 ha; 180 l/ha on 20 ha are 3600 l, 3650 were used.
    const judged = judgeEntry(sampleEntry());
    expect(judged.perHour! / 1e4).toBeCloseTo(10, 9);
    expect(judged.fuelPerArea! * 1e7).toBeCloseTo(2.5, 9);
    expect(judged.lasted).toBe(9000);
    expect(judged.used[0]).toMatchObject({ wanted: expect.closeTo(3.6, 9), off: expect.closeTo(0.01389, 4) });
    expect(said()).toEqual([
      "good: 20.00 ha of 20.30 ha.",
      "good: Leaf cover: as much as the rate says, within 5.0 %.",
    ]);
  });

  it("questions hectares that are not the field's, parts that do not add up, hours there were not, and amounts off the rate", () => {
    expect(said(ended({ area: 22e4 }))[0]).toContain("check: 22.00 ha on a field of 20.30 ha, 8.4 % more");
    expect(said(ended({ area: 12e4 }))[0]).toContain("40.9 % less");
    expect(
      said(
        ended({
          parts: [
            { parts: 3, of: 4, area: 5e4 },
            { parts: 4, of: 4, area: 10e4 },
          ],
        }),
      )[1],
    ).toContain("come to 15.00 ha, altogether 20.00 ha");
    expect(said(ended({ time: 4 * 3600 }))[1]).toContain("More hours at work");
    const [product] = sampleEntry().products;
    expect(said({ products: [{ ...product!, used: 4 }] })[1]).toContain(
      "check: Leaf cover: 11.1 % more than the rate says",
    );
  });

  it("says nothing is known where it is not", () => {
    expect(said(ended({ area: null }))).toEqual(["unknown: Nobody told the hectares."]);
    expect(said({ fieldArea: null })[0]).toContain("unknown: Nobody told where Far Fifty ends");
    expect(judgeEntry(sampleEntry({ ended: null })).said).toEqual([]);
  });

  it("adds loads that were weighed", () => {
    const load = {
      id: "l",
      name: "Cart 1",
      number: "7",
      destination: "Store",
      moisture: 0.14,
      person: "Ola",
      at: "",
    };
    expect(
      judgeEntry(
        sampleEntry({
          loads: [
            { ...load, mass: 8200 },
            { ...load, mass: null },
            { ...load, mass: 7900 },
          ],
        }),
      ).loaded,
    ).toBe(16_100);
    expect(judgeEntry(sampleEntry()).loaded).toBeNull();
  });
});
