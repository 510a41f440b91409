import { describe, expect, it } from "vitest";
import { fillCard } from "../card/fill.ts";
import { SHIPPED_SCHEMES } from "../card/shipped.ts";
import { PRESETS } from "../quantity/units.ts";
import { type Term, termsBetween } from "../rig/frame.ts";
import { sampleRig } from "../rig/sample.ts";
import { believe, type Typed } from "../simulation/believed.ts";
import type { Measured } from "./result.ts";
import { type HeldLine, terminalSuspects } from "./terminal-slips.ts";

const rig = sampleRig({ "tool.lateral": 0.36, "receiver.lateral": -0.12 });
const scheme = SHIPPED_SCHEMES.find(({ id }) => id === "axle-m")!;
const card = fillCard(scheme, rig, [], PRESETS.metric, []);
const held = (change: Record<string, Typed> = {}): HeldLine[] =>
  card.lines.map(({ label, page, figure, word }) => ({
    label,
    page,
    card: { text: figure!, word },
    shown: change[label] ?? null,
  }));
const off = (key: string, value: number, terms: readonly Term[] = []): Measured => ({
  key,
  label: key,
  unit: "length",
  terms,
  entered: 0,
  off: { value, error: 0.004, half: 0.01, freedom: 4 },
  absolute: false,
  sides: null,
});
const ACROSS = termsBetween(rig, "receiver", "workMid", "y");
const labelOf = (line: number) => card.lines[line - 1]!.label;
/** What a test finds where the terminal has other figures and all readings are true: entered − believed. */
function foundWith(change: Record<string, Typed>): Measured[] {
  const typed = (of: Record<string, Typed>) =>
    card.lines.map(({ label, figure, word }) => of[label] ?? { text: figure!, word });
  const [right, wrong] = [believe(scheme, typed({})), believe(scheme, typed(change))];
  const differ = (from: "receiver", to: "workMid" | "workFront", axis: "x" | "y") =>
    right.between(from, to, axis) - wrong.between(from, to, axis);
  return [
    off("lateral", differ("receiver", "workMid", "y"), ACROSS),
    off("start", differ("receiver", "workFront", "x"), termsBetween(rig, "receiver", "workFront", "x")),
  ];
}

describe("what the terminal holds", () => {
  const SIDE = card.lines.find(({ derivation }) => /right is \+/.test(derivation))!.label;

  it("explains what a test found where a line was read back otherwise, before any reading", () => {
    const shown = { text: "0.63", word: card.lines.find(({ label }) => label === SIDE)!.word };
    const [first] = terminalSuspects(foundWith({ [SIDE]: shown }), rig, scheme, held({ [SIDE]: shown }));
    expect(first).toMatchObject({ slip: "read back", typed: shown });
    expect(labelOf(first!.line)).toBe(SIDE);
  });

  it("finds digits changed over, a point moved, another side and a zero on lines nobody read back", () => {
    const line = card.lines.find(({ label }) => label === SIDE)!;
    const figure = line.figure!;
    const swapped = figure.replace(/(\d)(\d)$/, "$2$1");
    const other = line.word === "right" ? "left" : "right";
    for (const [slip, typed] of [
      ["digits changed over", { text: swapped, word: line.word }],
      ["decimal point moved", { text: (Number(figure) * 10).toFixed(2), word: line.word }],
      ["other side", { text: figure, word: other }],
      ["left at zero", { text: "0", word: line.word }],
    ] as const) {
      const found = terminalSuspects(foundWith({ [SIDE]: typed }), rig, scheme, held());
      expect(
        found.some((each) => each.slip === slip && labelOf(each.line) === SIDE),
        slip,
      ).toBe(true);
    }
  });

  it("knows the last card's figure", () => {
    const line = card.lines.find(({ label }) => label === SIDE)!;
    const before = { text: "0.17", word: line.word };
    const found = terminalSuspects(foundWith({ [SIDE]: before }), rig, scheme, held(), {
      old: new Map([[SIDE, before]]),
    });
    expect(found).toContainEqual(expect.objectContaining({ slip: "last card's figure" }));
  });

  it("knows a place counted to the next row, and another variant's figure; neither where the tool has none", () => {
    const line = card.lines.find(({ label }) => label === SIDE)!;
    const next = { text: (Number(line.figure) + 0.15).toFixed(2), word: line.word };
    const row = terminalSuspects(foundWith({ [SIDE]: next }), rig, scheme, held(), { row: 0.15 });
    expect(row[0]).toMatchObject({ slip: "one row off", typed: next });
    const none = terminalSuspects(foundWith({ [SIDE]: next }), rig, scheme, held());
    expect(none.map(({ slip }) => slip)).not.toContain("one row off");
    const folded = { text: "0.62", word: "left" };
    const variant = terminalSuspects(foundWith({ [SIDE]: folded }), rig, scheme, held(), {
      variants: [new Map([[SIDE, folded]])],
    });
    expect(variant).toContainEqual(
      expect.objectContaining({ slip: "another variant's figure", typed: folded }),
    );
  });

  it("says nothing where the test found nothing, or what no line holds", () => {
    expect(terminalSuspects([off("lateral", 0.001, ACROSS)], rig, scheme, held())).toEqual([]);
    expect(terminalSuspects([off("track", 0.4)], rig, scheme, held())).toEqual([]);
    // A line that was read back right is no suspect.
    const right = Object.fromEntries(
      card.lines.map(({ label, figure, word }) => [label, { text: figure!, word }]),
    );
    expect(
      terminalSuspects(foundWith({ [SIDE]: { text: "0", word: "" } }), rig, scheme, held(right)),
    ).toEqual([]);
  });
});
