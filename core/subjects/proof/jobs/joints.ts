/** Pass joints: whether the tool runs where guidance believes it, and how wide it really works. */
import type { JobKind, Sketch, SketchSheet } from "../../../job/kind.ts";
import { NOTHING_YET, type Observation } from "../../../job/result.ts";
import { signedSmall } from "../../../job/words.ts";
import {
  arrow,
  block,
  line,
  type Note,
  type PlanBlock,
  type PlanStroke,
  SKETCH_MARGIN,
} from "../../../picture/strokes.ts";
import { termsBetween } from "../../../rig/frame.ts";
import { driveJoints } from "../../../simulation/drive.ts";
import { solveJoints } from "../fits/joints.ts";
import { anywhere, ON_FOOT, toMillimetres } from "./common.ts";

export const JOINTS: JobKind = {
  key: "joints",
  title: "Pass joints",
  tells: "Whether the tool runs where guidance believes it, and how wide it really works.",
  drive: [
    "Take a straight line on even ground, away from the headland, and engage steering.",
    "Work at least seven passes side by side, one after the other, up and down.",
    "Skip none, and do not shift the line in between.",
  ],
  measure: [
    "Stand so that you look the way the first pass was driven. Number the joints from left to right.",
    "At each joint tape straight across: from the last mark of one pass to the first of the next.",
    "A strip left unworked is a gap, worked twice an overlap. Note how each of the two passes was driven.",
  ],
  enough: { count: 6, why: "six joints, three of each kind, leave four degrees of freedom" },
  blind: [
    "Receiver and tool are not told apart here: the test finds the sum of both. The wheel-mark test tells them apart.",
    "What shifts every pass the same way over the field stays unseen: drift of a trailed tool on a side slope, a moved base.",
    "Few joints do not tell how far passes stray and how far the tape: the intervals hold for passes that stray 3 to 14 mm with a fixed solution, and a tape that strays 2 to 15 mm at a joint. More than that is said.",
  ],
  cautions: [ON_FOOT],
  one: "joint",
  receiver: true,
  on: anywhere,
  fields: [
    {
      key: "pair",
      label: "How the two passes were driven",
      hint: "left pass, then right pass, seen the way the first one was driven",
      kind: "choice",
      choices: [
        { key: "up-down", label: "left up, right down" },
        { key: "down-up", label: "left down, right up" },
        { key: "up-up", label: "both up" },
        { key: "down-down", label: "both down" },
      ],
    },
    {
      key: "joint",
      label: "Joint",
      hint: "from one pass's edge to the next one's",
      kind: "sided",
      plus: "gap",
      minus: "overlap",
    },
  ],
  asksSpacing: true,
  judgedBy: "across",
  solve: ({ observations, left, setup, rig, entered }) => {
    const row = entered.value("rows.spacing");
    if (setup.rowToRow && row === null)
      return {
        ...NOTHING_YET,
        open: ["Joints were measured from row to row, and the row spacing is not read yet: read it first."],
      };
    return solveJoints(
      observations,
      left,
      {
        spacing: setup.spacing,
        less: setup.rowToRow ? (row ?? 0) : 0,
        fix: setup.fix,
        across: termsBetween(rig, "receiver", "workMid", "y"),
      },
      entered,
    );
  },
  sketch,
  // Passes are driven up and down in turn.
  next: (last) => {
    const pair = last?.choices.pair ?? "down-up";
    return { pair: TURNED[pair] ?? pair };
  },
  drill: {
    label: "Work ten passes",
    found: (field) =>
      driveJoints(field, 10).map(({ left, gap }) => ({
        values: { joint: toMillimetres(gap) },
        choices: { pair: left === 1 ? "up-down" : "down-up" },
      })),
  },
};

const TURNED: Record<string, string> = { "up-down": "down-up", "down-up": "up-down" };

/** As many joints as stand beside each other legibly. */
const MOST_JOINTS = 5;

/** Passes side by side with their joints, drawn wider than they are. */
function sketch(observations: readonly Observation[], { width, height, units }: SketchSheet): Sketch {
  const shown = observations.slice(-MOST_JOINTS);
  const first = observations.length - shown.length;
  const gaps = shown.map(({ values }) => values.joint ?? 0);
  const ways = waysOf(shown);
  const passes = ways.length;
  const pitch = (width - 2 * SKETCH_MARGIN) / passes;
  const most = Math.max(0.02, ...gaps.map(Math.abs));
  const drawn = (gap: number) => (gap / most) * pitch * 0.28;
  const [top, bottom] = [64, height - 96];
  const blocks: PlanBlock[] = [];
  const strokes: PlanStroke[] = [];
  const notes: Note[] = [
    { x: width / 2, y: 26, text: "Seen the way the first pass was driven", anchor: "middle" },
  ];
  for (let pass = 0; pass < passes; pass += 1) {
    const left = SKETCH_MARGIN + pass * pitch + (pass > 0 ? drawn(gaps[pass - 1] ?? 0) / 2 : 0);
    const right = SKETCH_MARGIN + (pass + 1) * pitch - drawn(gaps[pass] ?? 0) / 2;
    blocks.push(block("soil", left, top, right - left, bottom - top));
    const middle = SKETCH_MARGIN + (pass + 0.5) * pitch;
    strokes.push(
      ways[pass] === 1 ? arrow(middle, bottom - 30, top + 30) : arrow(middle, top + 30, bottom - 30),
    );
    notes.push({ x: middle, y: top - 8, text: String(first + pass + 1), anchor: "middle" });
  }
  for (const [at, gap] of gaps.entries()) {
    const x = SKETCH_MARGIN + (at + 1) * pitch;
    const low = at % 2 === 0;
    strokes.push(line("virtual", [x, top], [x, bottom + (low ? 8 : 30)]));
    notes.push({
      x,
      y: bottom + (low ? 24 : 46),
      text: signedSmall(gap, units),
      anchor: "middle",
      tone: "dye",
    });
  }
  notes.push({
    x: width / 2,
    y: height - 14,
    text: gaps.length === 0 ? "Tape each joint from edge to edge" : "Joints drawn wide; gap +, overlap −",
    anchor: "middle",
  });
  return { blocks, strokes, notes };
}

/** Directions of the passes the joints lie between: +1 up. */
function waysOf(observations: readonly Observation[]): (1 | -1)[] {
  if (observations.length === 0) return [1, -1, 1, -1];
  const way = (word: string | undefined): 1 | -1 => (word === "down" ? -1 : 1);
  const pairs = observations.map(({ choices }) => (choices.pair ?? "up-down").split("-"));
  return [way(pairs[0]![0]), ...pairs.map(([, right]) => way(right))];
}
