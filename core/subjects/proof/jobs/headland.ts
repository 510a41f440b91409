/** Headland marks: whether work starts and stops where the boundary lies. */
import { hasDimension } from "../../../dimension/catalogue.ts";
import type { JobKind, Sketch, SketchSheet } from "../../../job/kind.ts";
import type { Observation } from "../../../job/result.ts";
import { signedSmall } from "../../../job/words.ts";
import { line, type Note, type PlanStroke, SKETCH_MARGIN } from "../../../picture/strokes.ts";
import { termsBetween } from "../../../rig/frame.ts";
import { crossString } from "../../../simulation/drive.ts";
import { solveHeadland } from "../fits/headland.ts";
import { anywhere, ON_FOOT, toMillimetres } from "./common.ts";

export const HEADLAND: JobKind = {
  key: "headland",
  title: "Headland marks",
  tells: "Whether work starts and stops where the boundary lies: a wrong length, or a wrong delay.",
  drive: [
    "Give the terminal a straight boundary across the way, and mark it on the ground with a string.",
    "Cross it with automatic switching at two speeds or more, slow and fast, three times each.",
    "Cross it both ways: a boundary that lies wrong shows with the other sign.",
  ],
  measure: [
    "From the string to where the work really began, or really ended.",
    "Past the string in the way of travel is past; before it is short.",
  ],
  enough: { count: 6, why: "two speeds, three crossings each; marks of a valve scatter more than a tape" },
  blind: ["The receiver's delay and the valve's are not told apart: the test finds their sum."],
  cautions: [ON_FOOT, "Seed or spray with what may lie on the ground there; water does for a sprayer."],
  one: "crossing",
  receiver: true,
  on: anywhere,
  fields: [
    {
      key: "edge",
      label: "What happened at the boundary",
      hint: "",
      kind: "choice",
      choices: [
        { key: "on", label: "work began" },
        { key: "off", label: "work ended" },
      ],
    },
    {
      key: "way",
      label: "Driven",
      hint: "there is one way over the string, back the other",
      kind: "choice",
      choices: [
        { key: "there", label: "there" },
        { key: "back", label: "back" },
      ],
    },
    { key: "speed", label: "Speed", hint: "as the terminal showed it at the string", kind: "speed" },
    {
      key: "mark",
      label: "Mark",
      hint: "from the string, in the way of travel",
      kind: "sided",
      plus: "past",
      minus: "short",
    },
  ],
  asksSpacing: false,
  judgedBy: "along",
  solve: ({ observations, left, rig, entered }) =>
    solveHeadland(
      observations,
      left,
      {
        oneLine: !hasDimension(rig, "pin.workRear"),
        start: termsBetween(rig, "receiver", "workFront", "x"),
        stop: termsBetween(rig, "receiver", "workRear", "x"),
      },
      entered,
    ),
  sketch,
  // Crossed there and back in turn.
  next: (last) => ({
    edge: last?.choices.edge ?? "on",
    way: last?.choices.way === "there" ? "back" : "there",
  }),
  drill: {
    label: "Cross the string at two speeds",
    found: (field) => {
      const shift = field.random.normal(0.05);
      return [1.5, 3].flatMap((speed) =>
        (["on", "off"] as const).flatMap((edge) =>
          ([1, -1, 1, -1] as const).map((way) => ({
            values: { speed, mark: toMillimetres(crossString(field, { edge, way, speed, shift })) },
            choices: { edge, way: way === 1 ? "there" : "back" },
          })),
        ),
      );
    },
  },
};

/** Marks beside the string: past it above, short of it below, by speed from left to right. */
function sketch(observations: readonly Observation[], { width, height, units }: SketchSheet): Sketch {
  const y = height / 2;
  const marks = observations.map(({ values }) => values.mark ?? 0);
  const most = Math.max(0.1, ...marks.map(Math.abs));
  const speeds = observations.map(({ values }) => values.speed ?? 0);
  const [slow, fast] = [Math.min(...speeds), Math.max(...speeds)];
  const room = y - 90;
  const column = (width - 2 * SKETCH_MARGIN) / 2;
  const strokes: PlanStroke[] = [
    line("virtual", [SKETCH_MARGIN, y], [width - SKETCH_MARGIN, y]),
    line("ghost", [width / 2, 40], [width / 2, height - 60]),
  ];
  const notes: Note[] = [
    { x: SKETCH_MARGIN + column / 2, y: 30, text: "work began", anchor: "middle" },
    { x: SKETCH_MARGIN + 1.5 * column, y: 30, text: "work ended", anchor: "middle" },
    { x: width / 2, y: y - 8, text: "string", anchor: "middle", tone: "dye" },
    { x: SKETCH_MARGIN, y: 56, text: "past", anchor: "start" },
    { x: SKETCH_MARGIN, y: height - 40, text: "short", anchor: "start" },
    {
      x: width / 2,
      y: height - 14,
      text:
        marks.length === 0
          ? "Travel is up; slow left, fast right"
          : `furthest ${signedSmall(
              marks.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a)),
              units,
            )}; slow left, fast right`,
      anchor: "middle",
    },
  ];
  for (const { values, choices } of observations) {
    const share = fast > slow ? ((values.speed ?? 0) - slow) / (fast - slow) : 0.5;
    const x = SKETCH_MARGIN + (choices.edge === "off" ? column : 0) + 40 + share * (column - 80);
    const at = y - ((values.mark ?? 0) / most) * room;
    const lean = choices.way === "back" ? 6 : -6;
    strokes.push(line("break", [x - 13 + lean, at], [x + 13 + lean, at]));
  }
  return { strokes, notes };
}
