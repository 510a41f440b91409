import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { askedLines } from "../card/ahead.ts";
import { fillCard } from "../card/fill.ts";
import type { SchemeLine } from "../card/scheme.ts";
import { SHIPPED_SCHEMES } from "../card/shipped.ts";
import { PRESETS } from "../quantity/units.ts";
import { sampleRig } from "../rig/sample.ts";
import { believe, lineValue } from "./believed.ts";
import { entryProblem, freshTerminal, keptTerminal, lastToolSpacing, terminalFrom } from "./terminal.ts";

const scheme = (id: string) => SHIPPED_SCHEMES.find((each) => each.id === id)!;
const line = (id: string, label: string): SchemeLine =>
  scheme(id).lines.find((each) => each.label === label)!;
const problem = (id: string, label: string, text: string, word = "") =>
  entryProblem(line(id, label), { text, word });

describe("a terminal fresh from the shop", () => {
  it("stands at zero, thinks the axle steered, and keeps the last tool's lines", () => {
    for (const each of SHIPPED_SCHEMES) {
      const { typed } = freshTerminal(each, 8);
      for (const [at, { measure }] of each.lines.entries()) {
        const { text } = typed[at]!;
        if (measure.kind === "choice") expect(text).toBe(measure.choice === "axle type" ? "steered" : "");
        else if (measure.kind === "track spacing")
          expect(lineValue(each.lines[at]!, typed[at]!)).toBeCloseTo(8, 1);
        else expect(Number.parseFloat(text.replace(/['"]/g, "")), each.id).toBe(0);
      }
      const believed = believe(each, typed);
      expect(believed.width).toBe(0);
      expect(believed.between("receiver", "workMid", "x") || 0).toBe(0);
      expect(believed.delays).toEqual({ on: 0, off: 0 });
    }
  });

  it("takes its own presets back, but for a length of steered wheels", () => {
    for (const each of SHIPPED_SCHEMES) {
      const { typed } = freshTerminal(each, 4);
      for (const [at, entry] of typed.entries())
        expect(entryProblem(each.lines[at]!, entry), each.id).toBeNull();
    }
  });

  it("is the kept one where it fits its scheme, else a fresh one", () => {
    const own = scheme("axle-m");
    const typed = own.lines.map(() => ({ text: "1", word: "" }));
    expect(terminalFrom({ typed }, own, 8).typed).toEqual(typed);
    for (const kept of [null, {}, { typed: "no" }, { typed: typed.slice(1) }, 7])
      expect(terminalFrom(kept, own, 8)).toEqual(freshTerminal(own, 8));
    const [first, ...rest] = own.lines;
    const other = { lines: [...rest, { ...first!, label: "Another line" }] };
    const again = terminalFrom(keptTerminal({ typed }, own), other, 8).typed;
    expect(again.slice(0, -1)).toEqual(typed.slice(1));
    expect(again.at(-1)).toEqual(freshTerminal(other, 8).typed.at(-1));
    expect(new Set([0, 1, 2, 3].map(lastToolSpacing)).size).toBe(4);
    expect(lastToolSpacing(6)).toBe(lastToolSpacing(2));
  });
});

describe("what it takes", () => {
  it("lengths in its unit, whole rows, seconds or milliseconds up to five seconds, one of two axles", () => {
    expect(problem("axle-m", "Working width", "4.50")).toBeNull();
    expect(problem("axle-m", "Working width", "wide")).toContain("A length in m");
    expect(problem("axle-m", "Working width", "61")).toBe("Out of range.");
    expect(problem("axle-m", "Working width", "-4")).toContain("no minus");
    expect(problem("hitch-m", "Number of rows", "30")).toBeNull();
    expect(problem("hitch-m", "Number of rows", "30.5")).toBe("A whole number.");
    expect(problem("hitch-m", "Axle type", "rigid")).toBeNull();
    expect(problem("hitch-m", "Axle type", "wobbly")).toBe("Rigid or steered.");
    expect(problem("axle-m", "Switch-on delay", "0.62")).toBeNull();
    expect(problem("axle-m", "Switch-on delay", "5.1")).toBe("0 to 5 seconds.");
    expect(problem("axle-m", "Switch-on delay", "soon")).toBe("0 to 5 seconds.");
    expect(problem("iso-mm", "Turn on time", "620")).toBeNull();
    expect(problem("iso-mm", "Turn on time", "6200")).toBe("0 to 5000 ms.");
  });

  it("reads a switch as a sign, and a sense as a direction", () => {
    expect(lineValue(line("axle-m", "Receiver, side"), { text: "0.12", word: "left" })).toBeCloseTo(-0.12, 9);
    expect(lineValue(line("axle-m", "Axle to connection"), { text: "1.04", word: "behind" })).toBeCloseTo(
      -1.04,
      9,
    );
    expect(lineValue(line("axle-m", "Axle to connection"), { text: "3.62", word: "ahead" })).toBeCloseTo(
      3.62,
      9,
    );
    expect(lineValue(line("iso-mm", "Turn on time"), { text: "620", word: "" })).toBeCloseTo(0.62, 9);
    expect(lineValue(line("axle-m", "Working width"), { text: "?", word: "" })).toBeNull();
  });
});

describe("a terminal that was fed a card", () => {
  it("believes the rig's own geometry to its rounding, whatever the lengths and however it asks", () => {
    const lengths = fc.record({
      "receiver.foreAft": fc.double({ min: 0.2, max: 4, noNaN: true }),
      "receiver.lateral": fc.double({ min: -0.6, max: 0.6, noNaN: true }),
      "axle.pin": fc.double({ min: 0.5, max: 2, noNaN: true }),
      "pin.pivot": fc.double({ min: 3, max: 8, noNaN: true }),
      "pin.workFront": fc.double({ min: 2, max: 4, noNaN: true }),
      "pin.workRear": fc.double({ min: 4, max: 7, noNaN: true }),
      "tool.lateral": fc.double({ min: -0.8, max: 0.8, noNaN: true }),
      "work.delayOn": fc.double({ min: 0, max: 3, noNaN: true }),
    });
    fc.assert(
      fc.property(lengths, fc.constantFrom(...SHIPPED_SCHEMES), (own, each) => {
        const rig = sampleRig(own);
        const { lines } = fillCard(each, rig, [], PRESETS.metric, []);
        const believed = believe(
          { lines: askedLines(each, rig, []) },
          lines.map(({ figure, word }) => ({ text: figure!, word })),
        );
        // Two figures are rounded on the way from the receiver to the work: half a place each.
        const places = each.id.endsWith("in") ? 0.1 * 0.0254 : each.id.endsWith("mm") ? 0.001 : 0.01;
        const across = own["tool.lateral"] - own["receiver.lateral"];
        expect(Math.abs(believed.between("receiver", "workMid", "y") - across)).toBeLessThan(1.6 * places);
        const along =
          -own["receiver.foreAft"] - own["axle.pin"] - (own["pin.workFront"] + own["pin.workRear"]) / 2;
        expect(Math.abs(believed.between("receiver", "workMid", "x") - along)).toBeLessThan(2.6 * places);
        expect(Math.abs(believed.delays.on - own["work.delayOn"])).toBeLessThan(0.0051);
      }),
      { numRuns: 150 },
    );
  });
});
