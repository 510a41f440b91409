/** A field test as a sketch: what was driven, where it is measured, and what came out, drawn large enough to be seen. */

import { printLength } from "../quantity/length.ts";
import { inInches, type Units } from "../quantity/units.ts";
import type { TestKey } from "../subjects/proof/kinds.ts";
import type { Observation } from "../subjects/proof/result.ts";
import { apart } from "../subjects/proof/wheel-marks.ts";
import type { DrawnRig, Note, PlanBlock, PlanStroke } from "./sheet.ts";

export type JobSheet = { width: number; height: number; units: Units };

type Sketch = { blocks?: PlanBlock[]; strokes?: PlanStroke[]; notes?: Note[]; spots?: DrawnRig["spots"] };

/** What a test looks like so far; null where the rig's own drawing says more. */
export function drawJob(
  kind: TestKey,
  observations: readonly Observation[],
  sheet: JobSheet,
): DrawnRig | null {
  const sketch = sketchOf(kind, observations, sheet);
  if (!sketch) return null;
  return {
    width: sheet.width,
    height: sheet.height,
    scale: 0,
    grid: { x: [], y: [] },
    rows: [],
    points: [],
    brackets: [],
    marks: [],
    scaleBar: { x: 0, y: 0, length: 0, label: "" },
    travel: "up",
    blocks: sketch.blocks ?? [],
    strokes: sketch.strokes ?? [],
    notes: sketch.notes ?? [],
    ...(sketch.spots ? { spots: sketch.spots } : {}),
  };
}

function sketchOf(kind: TestKey, observations: readonly Observation[], sheet: JobSheet): Sketch | null {
  switch (kind) {
    case "joints":
      return jointsSketch(observations, sheet);
    case "wheel-marks":
      return wheelSketch(
        observations.map(({ values }) => ((values.first ?? 0) - (values.second ?? 0)) / 2),
        sheet,
      );
    case "wheel-coordinates":
      return wheelSketch(
        observations.map(({ values }) => apart(values).right / 2),
        sheet,
      );
    case "headland":
      return headlandSketch(observations, sheet);
    case "circle":
      return circleSketch(observations, sheet);
    case "run-log":
      return runSketch(observations, sheet);
    case "cross-tape":
      return null;
  }
}

const MARGIN = 18;

function small(metres: number, { small: style }: Units): string {
  return printLength(metres, style, { signed: true, ...(inInches(style) ? {} : { decimals: 1 }) });
}

function block(role: PlanBlock["role"], x: number, y: number, w: number, h: number): PlanBlock {
  return { role, x, y, w, h, assumed: false };
}

/** An arrow along the y of the sheet. */
function arrow(x: number, from: number, to: number): PlanStroke {
  const head = to < from ? 9 : -9;
  return {
    role: "rod",
    assumed: false,
    points: `${x},${from} ${x},${to} ${x - 6},${to + head} ${x},${to} ${x + 6},${to + head}`,
  };
}

const line = (role: string, ...points: (readonly [number, number])[]): PlanStroke => ({
  role,
  assumed: false,
  points: points.map(([x, y]) => `${x},${y}`).join(" "),
});

/** As many joints as stand beside each other legibly. */
const MOST_JOINTS = 5;

/** Passes side by side with their joints, drawn wider than they are. */
function jointsSketch(observations: readonly Observation[], { width, height, units }: JobSheet): Sketch {
  const shown = observations.slice(-MOST_JOINTS);
  const first = observations.length - shown.length;
  const gaps = shown.map(({ values }) => values.joint ?? 0);
  const ways = waysOf(shown);
  const passes = ways.length;
  const pitch = (width - 2 * MARGIN) / passes;
  const most = Math.max(0.02, ...gaps.map(Math.abs));
  const drawn = (gap: number) => (gap / most) * pitch * 0.28;
  const [top, bottom] = [64, height - 96];
  const blocks: PlanBlock[] = [];
  const strokes: PlanStroke[] = [];
  const notes: Note[] = [
    { x: width / 2, y: 26, text: "Seen the way the first pass was driven", anchor: "middle" },
  ];
  for (let pass = 0; pass < passes; pass += 1) {
    const left = MARGIN + pass * pitch + (pass > 0 ? drawn(gaps[pass - 1] ?? 0) / 2 : 0);
    const right = MARGIN + (pass + 1) * pitch - drawn(gaps[pass] ?? 0) / 2;
    blocks.push(block("soil", left, top, right - left, bottom - top));
    const middle = MARGIN + (pass + 0.5) * pitch;
    strokes.push(
      ways[pass] === 1 ? arrow(middle, bottom - 30, top + 30) : arrow(middle, top + 30, bottom - 30),
    );
    notes.push({ x: middle, y: top - 8, text: String(first + pass + 1), anchor: "middle" });
  }
  for (const [at, gap] of gaps.entries()) {
    const x = MARGIN + (at + 1) * pitch;
    const low = at % 2 === 0;
    strokes.push(line("virtual", [x, top], [x, bottom + (low ? 8 : 30)]));
    notes.push({ x, y: bottom + (low ? 24 : 46), text: small(gap, units), anchor: "middle", tone: "dye" });
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

/** Sheets under this have no room above the wheels, pixels. */
const LOW = 400;

/** The same wheel marks, the receiver reported once on either side of the middle. */
function wheelSketch(halves: readonly number[], { width, height, units }: JobSheet): Sketch {
  const half = halves.length === 0 ? null : halves.reduce((sum, each) => sum + each, 0) / halves.length;
  const [middle, y] = [width / 2, height * 0.46];
  const [track, tyre] = [width * 0.29, { w: 34, h: 104 }];
  const off = half === null ? 0 : Math.sign(half) * Math.min(width * 0.2, 24 + Math.abs(half) * 600);
  const tyres = [-1, 1].map((side) =>
    block("tyre", middle + side * track - tyre.w / 2, y - tyre.h / 2, tyre.w, tyre.h),
  );
  const strokes = [
    line("virtual", [middle, 56], [middle, height - 96]),
    line("break", [middle - track, y], [middle + track, y]),
    arrow(middle - track - 44, y + 60, y - 60),
    arrow(middle + track + 44, y - 60, y + 60),
  ];
  const notes: Note[] = [
    // On a low sheet the receiver stands where this would: the arrows say it as well.
    ...(height < LOW ? [] : [{ x: middle, y: 34, text: "first way", anchor: "middle" as const }]),
    { x: middle - track - 44, y: y + 84, text: "first", anchor: "middle" },
    { x: middle + track + 44, y: y + 84, text: "second", anchor: "middle" },
    {
      x: middle,
      y: height - (height < LOW ? 14 : 44),
      text:
        half === null ? "Both times the wheels stand on the same marks" : `half of it: ${small(half, units)}`,
      anchor: "middle",
      ...(half === null ? {} : { tone: "dye" as const }),
    },
  ];
  if (half === null) return { blocks: tyres, strokes, notes };
  return {
    blocks: tyres,
    strokes: [...strokes, line("virtual", [middle + off, y - 70], [middle - off, y - 70])],
    notes: [
      ...notes,
      { x: middle + off, y: y - 88, text: "1st", anchor: "middle", tone: "dye" },
      { x: middle - off, y: y - 88, text: "2nd", anchor: "middle", tone: "dye" },
    ],
    spots: [
      { x: middle + off, y: y - 70, kind: "virtual" },
      { x: middle - off, y: y - 70, kind: "pin" },
    ],
  };
}

/** Marks beside the string: past it above, short of it below, by speed from left to right. */
function headlandSketch(observations: readonly Observation[], { width, height, units }: JobSheet): Sketch {
  const y = height / 2;
  const marks = observations.map(({ values }) => values.mark ?? 0);
  const most = Math.max(0.1, ...marks.map(Math.abs));
  const speeds = observations.map(({ values }) => values.speed ?? 0);
  const [slow, fast] = [Math.min(...speeds), Math.max(...speeds)];
  const room = y - 90;
  const column = (width - 2 * MARGIN) / 2;
  const strokes: PlanStroke[] = [
    line("virtual", [MARGIN, y], [width - MARGIN, y]),
    line("ghost", [width / 2, 40], [width / 2, height - 60]),
  ];
  const notes: Note[] = [
    { x: MARGIN + column / 2, y: 30, text: "work began", anchor: "middle" },
    { x: MARGIN + 1.5 * column, y: 30, text: "work ended", anchor: "middle" },
    { x: width / 2, y: y - 8, text: "string", anchor: "middle", tone: "dye" },
    { x: MARGIN, y: 56, text: "past", anchor: "start" },
    { x: MARGIN, y: height - 40, text: "short", anchor: "start" },
    {
      x: width / 2,
      y: height - 14,
      text:
        marks.length === 0
          ? "Travel is up; slow left, fast right"
          : `furthest ${small(
              marks.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a)),
              units,
            )}; slow left, fast right`,
      anchor: "middle",
    },
  ];
  for (const { values, choices } of observations) {
    const share = fast > slow ? ((values.speed ?? 0) - slow) / (fast - slow) : 0.5;
    const x = MARGIN + (choices.edge === "off" ? column : 0) + 40 + share * (column - 80);
    const at = y - ((values.mark ?? 0) / most) * room;
    const lean = choices.way === "back" ? 6 : -6;
    strokes.push(line("break", [x - 13 + lean, at], [x + 13 + lean, at]));
  }
  return { strokes, notes };
}

/** The circles of tractor and tool, to scale with each other. */
function circleSketch(observations: readonly Observation[], { width, height, units }: JobSheet): Sketch {
  const last = observations.at(-1)?.values;
  const diameters: [string, number | undefined, string][] = [
    ["tractorOuter", last?.tractorOuter, "break"],
    ["tractorInner", last?.tractorInner, "break"],
    ["toolOuter", last?.toolOuter, "virtual"],
    ["toolInner", last?.toolInner, "virtual"],
  ];
  const usual = { tractorOuter: 22, tractorInner: 18.4, toolOuter: 20.4, toolInner: 16.2 } as Record<
    string,
    number
  >;
  const sizes = diameters.map(([key, value, role]) => ({ role, size: value ?? usual[key]! }));
  const scale = Math.min(width - 2 * MARGIN, height - 120) / Math.max(...sizes.map(({ size }) => size));
  const [x, y] = [width / 2, (height - 60) / 2];
  const circle = (radius: number) =>
    Array.from({ length: 73 }, (_, step) => {
      const angle = (step * Math.PI) / 36;
      return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const;
    });
  return {
    strokes: [
      ...sizes.map(({ role, size }) => line(role, ...circle((size * scale) / 2))),
      line("rod", [x - (sizes[0]!.size * scale) / 2, y], [x + (sizes[0]!.size * scale) / 2, y]),
    ],
    notes: [
      { x, y: y - 10, text: "tape across the middle", anchor: "middle" },
      { x, y: height - 34, text: "solid: tractor's marks, dashed: the tool's", anchor: "middle" },
      {
        x,
        y: height - 12,
        text: last
          ? `outer ${printLength(sizes[0]!.size, units.tape)} and ${printLength(sizes[2]!.size, units.tape)}`
          : "Until the tool runs in its own marks",
        anchor: "middle",
        ...(last ? { tone: "dye" as const } : {}),
      },
    ],
  };
}

/** Passes of a log beside the main line, drawn far apart. */
function runSketch(observations: readonly Observation[], { width, height, units }: JobSheet): Sketch {
  const middle = width / 2;
  const all = observations.map(({ values }) => values.across ?? 0);
  const centre = all.length === 0 ? 0 : (Math.min(...all) + Math.max(...all)) / 2;
  const most = Math.max(0.01, ...all.map((each) => Math.abs(each - centre)));
  const strokes: PlanStroke[] = [line("virtual", [middle, 50], [middle, height - 70])];
  for (const [at, { choices }] of observations.entries()) {
    const x = middle + ((all[at]! - centre) / most) * (width / 2 - 60);
    strokes.push(
      choices.way === "back" ? arrow(x, 60 + at * 6, height - 80) : arrow(x, height - 80 - at * 6, 60),
    );
  }
  const apart = all.length < 2 ? null : Math.max(...all) - Math.min(...all);
  return {
    strokes,
    notes: [
      { x: middle, y: 32, text: "up and back in the same marks", anchor: "middle" },
      {
        x: middle,
        y: height - 24,
        text:
          apart === null
            ? "The receiver's way out and back lies twice its offset apart"
            : `${small(apart, units)} between the outermost`,
        anchor: "middle",
        ...(apart === null ? {} : { tone: "dye" as const }),
      },
    ],
  };
}
