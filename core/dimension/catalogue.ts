/**
 * The dimension catalogue: one entry for every length a person measures on a rig.
 * Forms, drawing, chain, findings, cab card and file export read it; a new dimension is one new entry.
 *
 * Readings are kept as people take them: positive along the entry's `direction`, so "pin back to coulters"
 * is a positive distance. core/rig turns readings into frame coordinates, in one place.
 */

import type { Shown } from "../quantity/units.ts";
import type { ChangeKind } from "./change.ts";
import type { ConditionKey } from "./condition.ts";
import type { Axis, PointKey } from "./points.ts";

export type DimensionKey =
  | "receiver.foreAft"
  | "receiver.lateral"
  | "receiver.height"
  | "tractor.wheelbase"
  | "axle.pin"
  | "pin.pivot"
  | "pin.workFront"
  | "pin.workRear"
  | "tool.lateral"
  | "tool.width"
  | "rows.count"
  | "rows.spacing"
  | "work.overlap"
  | "guidance.trackSpacing";

export type StationKey = "antenna" | "tool";

/** Whose record a reading belongs to: a hole and a mount are points with readings of their own. */
export type Subject = "tractor" | "receiver mount" | "drawbar hole" | "implement" | "coupling";

export type Direction = "forward" | "rearward" | "right" | "up" | "across";

export type Dimension = {
  key: DimensionKey;
  /** the letter on the drawing and beside the reading */
  letter: string;
  label: string;
  /** from where to where, as one would say it to the person holding the other end of the tape */
  fromTo: string;
  /** how to measure it well */
  how: string;
  station: StationKey;
  subject: Subject;
  kind: "length" | "count";
  direction: Direction;
  /** the points it lies between and the axis it lies along; null where it is no distance between two points */
  span: { from: PointKey; to: PointKey; axis: Axis } | null;
  /** the point the drawing hangs its letter on where there is no line to draw */
  at: PointKey;
  /** what must hold while it is measured; shown before, kept with the reading */
  conditions: readonly ConditionKey[];
  /** what makes an older reading stale when it changes */
  touchedBy: readonly ChangeKind[];
  /**
   * how a lateral follows from two distances, one to each side: half of left − right where they run from the
   * point to the machine (+1), half of right − left where they run from the machine's middle outward (−1)
   */
  fromFaces: { left: string; right: string; sense: 1 | -1 } | null;
  /** words for + and − where the value may have either sign; null: a distance, always positive */
  sides: { plus: string; minus: string } | null;
  shown: Shown;
  /** plausible range in SI, in the reading's own direction; outside it the reading is doubted */
  plausible: readonly [number, number];
  /** what the drawing uses, dashed, until somebody measures */
  typical: number;
  /** standard uncertainty (1 σ) in SI by how the value was come by */
  sigma: { taped: number; book: number; assumed: number };
  /** what the field feels while the value is missing or wrong */
  matters: string;
  /**
   * what a zero means that nobody taped: the default of a terminal (stop), a habit to be checked, or a
   * real answer. Where the plausible range starts above zero, a taped zero is impossible too.
   */
  untapedZero: "stop" | "check" | "fine";
  /** a missing value stops the rig, or is merely a check that cannot be made */
  whenMissing: "stop" | "note";
};

/** Starting uncertainties for a steel tape held by two people, a book value, and a guess (common practice, no source). */
const TAPE_SIGMA = { taped: 0.005, book: 0.03, assumed: 0.1 };

export const CATALOGUE: readonly Dimension[] = [
  {
    key: "receiver.foreAft",
    letter: "A",
    label: "Rear axle to receiver",
    fromTo: "from the middle of the rear axle forward to the receiver's centre",
    how: "Hang a plumb line from the receiver's centre, mark the floor, and tape to the mark under the axle's centre.",
    station: "antenna",
    subject: "receiver mount",
    kind: "length",
    direction: "forward",
    span: { from: "axle", to: "receiver", axis: "x" },
    at: "receiver",
    conditions: ["level floor", "wheels straight"],
    touchedBy: ["receiver moved"],
    fromFaces: null,
    sides: { plus: "ahead", minus: "behind" },
    shown: "tape",
    plausible: [-1.5, 4.5],
    typical: 1.6,
    sigma: TAPE_SIGMA,
    matters: "The map moves along the line by as much as this is wrong.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "receiver.lateral",
    letter: "B",
    label: "Receiver off the centre line",
    fromTo: "from the tractor's centre line sideways to the receiver's centre",
    how: "Drop a plumb line and tape to the inside of both rear wheels: half the difference is the offset.",
    station: "antenna",
    subject: "receiver mount",
    kind: "length",
    direction: "right",
    span: { from: "axle", to: "receiver", axis: "y" },
    at: "receiver",
    conditions: ["wheels straight"],
    touchedBy: ["receiver moved"],
    fromFaces: {
      left: "receiver to the left wheel's face",
      right: "receiver to the right wheel's face",
      sense: 1,
    },
    sides: { plus: "right", minus: "left" },
    shown: "small",
    plausible: [-1.2, 1.2],
    typical: 0,
    sigma: TAPE_SIGMA,
    matters: "Every pass lies this much to one side, and joints alternate wide and narrow.",
    untapedZero: "check",
    whenMissing: "stop",
  },
  {
    key: "receiver.height",
    letter: "C",
    label: "Ground to receiver",
    fromTo: "from level ground up to the base of the receiver",
    how: "On a level floor, tyres at working pressure. A rod against the roof edge and a level bring it down to where you can read it.",
    station: "antenna",
    subject: "receiver mount",
    kind: "length",
    direction: "up",
    span: { from: "axle", to: "receiver", axis: "up" },
    at: "receiver",
    conditions: ["level floor", "tyre pressure"],
    touchedBy: ["receiver moved", "tractor tyres", "tractor pressure"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [1.2, 5],
    typical: 3,
    sigma: TAPE_SIGMA,
    matters: "On a side slope the roll correction is wrong by this error times the slope.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "axle.pin",
    letter: "D",
    label: "Rear axle to drawbar pin",
    fromTo: "from the middle of the rear axle straight back to the centre of the drawbar pin",
    how: "Plumb both centres to the floor and tape between the marks. Drawbar pinned central, in the hole you work with.",
    station: "antenna",
    subject: "drawbar hole",
    kind: "length",
    direction: "rearward",
    span: { from: "axle", to: "pin", axis: "x" },
    at: "pin",
    conditions: ["level floor", "drawbar central"],
    touchedBy: ["tractor drawbar"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [0.3, 2.5],
    typical: 0.95,
    sigma: TAPE_SIGMA,
    matters: "Everything behind the tractor hangs on this pin.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "tractor.wheelbase",
    letter: "P",
    label: "Wheelbase",
    fromTo: "from the middle of the rear axle forward to the middle of the front axle",
    how: "Wheels straight. Mark the floor under both hubs on one side and tape between the marks.",
    station: "antenna",
    subject: "tractor",
    kind: "length",
    direction: "forward",
    span: { from: "axle", to: "frontAxle", axis: "x" },
    at: "frontAxle",
    conditions: ["level floor", "wheels straight"],
    touchedBy: [],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [1.6, 4],
    typical: 2.7,
    sigma: TAPE_SIGMA,
    matters: "Steering knows from it how sharply the tractor turns.",
    untapedZero: "stop",
    whenMissing: "note",
  },
  {
    key: "pin.pivot",
    letter: "E",
    label: "Drawbar pin to wheels",
    fromTo: "from the pin's centre straight back to the axle the tool turns about",
    how: "Pull straight ahead a few metres first. On a tandem axle tape to midway between the axles, on a packer to its axle.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "rearward",
    span: { from: "pin", to: "pivot", axis: "x" },
    at: "pivot",
    conditions: ["level floor", "pulled straight", "tool lowered"],
    touchedBy: ["tool drawbar", "tool wheels"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [1, 15],
    typical: 4.5,
    sigma: TAPE_SIGMA,
    matters: "Guidance needs the pivot to know where a towed tool swings in a curve.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "pin.workFront",
    letter: "F",
    label: "Drawbar pin to front rank",
    fromTo: "from the pin's centre straight back to where the front rank puts seed in the ground",
    how: "Tool lowered to work. Keep the tape level and along the line of pull; read it beside the pin.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "rearward",
    span: { from: "pin", to: "workFront", axis: "x" },
    at: "workFront",
    conditions: ["level floor", "pulled straight", "tool lowered"],
    touchedBy: ["tool drawbar", "tool openers"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [0.8, 15],
    typical: 3.8,
    sigma: TAPE_SIGMA,
    matters: "Sections switch on here: an error sows early or late at every headland.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "pin.workRear",
    letter: "G",
    label: "Drawbar pin to rear rank",
    fromTo: "from the pin's centre straight back to where the rear rank puts seed in the ground",
    how: "Read it on the same pull of the tape as the front rank. One rank only: give the same length.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "rearward",
    span: { from: "pin", to: "workRear", axis: "x" },
    at: "workRear",
    conditions: ["level floor", "pulled straight", "tool lowered"],
    touchedBy: ["tool drawbar", "tool openers"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [0.8, 15],
    typical: 4.1,
    sigma: TAPE_SIGMA,
    matters: "The work ends here: the rear rank decides where seed stops at the headland.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "tool.lateral",
    letter: "H",
    label: "Tool off the line of pull",
    fromTo: "from the line of pull sideways to the middle of the working width",
    how: "Pull straight ahead, then tape from a string along the tractor's centre line to the outermost coulter on each side: half the difference is the offset.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "right",
    span: { from: "pin", to: "workMid", axis: "y" },
    at: "workMid",
    conditions: ["pulled straight", "drawbar central", "wheels straight", "tool lowered"],
    touchedBy: ["tool drawbar", "tool openers"],
    fromFaces: {
      left: "centre line to the left end coulter",
      right: "centre line to the right end coulter",
      sense: -1,
    },
    sides: { plus: "right", minus: "left" },
    shown: "small",
    plausible: [-3, 3],
    typical: 0,
    sigma: TAPE_SIGMA,
    matters: "Joints alternate wide and narrow by twice this error.",
    untapedZero: "check",
    whenMissing: "stop",
  },
  {
    key: "tool.width",
    letter: "J",
    label: "Working width",
    fromTo: "across the work, from half a row outside the first coulter to half a row outside the last",
    how: "Tape the first coulter to the last, across the tool, and add one row spacing.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "across",
    span: { from: "leftEdge", to: "rightEdge", axis: "y" },
    at: "rightEdge",
    conditions: ["tool lowered"],
    touchedBy: ["tool openers"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [1, 30],
    typical: 4,
    sigma: TAPE_SIGMA,
    matters: "Track spacing and recorded hectares both come from it.",
    untapedZero: "stop",
    whenMissing: "stop",
  },
  {
    key: "rows.count",
    letter: "K",
    label: "Number of rows",
    fromTo: "every row that puts seed in the ground, both ranks together",
    how: "Count from the left end, touching each coulter.",
    station: "tool",
    subject: "implement",
    kind: "count",
    direction: "across",
    span: null,
    at: "rightEdge",
    conditions: [],
    touchedBy: ["tool openers"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [2, 200],
    typical: 24,
    sigma: { taped: 0, book: 0, assumed: 0.5 },
    matters: "Rows times spacing is the check on the working width.",
    untapedZero: "stop",
    whenMissing: "note",
  },
  {
    key: "rows.spacing",
    letter: "L",
    label: "Row spacing",
    fromTo: "from one row to the next, both ranks counted",
    how: "Tape over ten gaps and divide by ten.",
    station: "tool",
    subject: "implement",
    kind: "length",
    direction: "across",
    span: null,
    at: "rightEdge",
    conditions: [],
    touchedBy: ["tool openers"],
    fromFaces: null,
    sides: null,
    shown: "small",
    plausible: [0.05, 1.5],
    typical: 0.15,
    sigma: { taped: 0.0005, book: 0.001, assumed: 0.01 },
    matters: "Rows times spacing is the check on the working width.",
    untapedZero: "stop",
    whenMissing: "note",
  },
  {
    key: "work.overlap",
    letter: "M",
    label: "Overlap wanted",
    fromTo: "how far one pass shall lie over the one before",
    how: "A drill usually wants none: say so. Cutting and spreading tools want some.",
    station: "tool",
    subject: "coupling",
    kind: "length",
    direction: "across",
    span: null,
    at: "leftEdge",
    conditions: [],
    touchedBy: [],
    fromFaces: null,
    sides: null,
    shown: "small",
    plausible: [0, 1],
    typical: 0,
    sigma: { taped: 0, book: 0, assumed: 0 },
    matters: "Track spacing is the working width less this.",
    untapedZero: "fine",
    whenMissing: "stop",
  },
  {
    key: "guidance.trackSpacing",
    letter: "R",
    label: "Track spacing in the terminal",
    fromTo: "how far apart the terminal lays its lines for this tool now",
    how: "Read it off the terminal's guidance page. A tool chosen there does not always bring its own.",
    station: "tool",
    subject: "coupling",
    kind: "length",
    direction: "across",
    span: null,
    at: "leftEdge",
    conditions: [],
    touchedBy: ["tool openers"],
    fromFaces: null,
    sides: null,
    shown: "tape",
    plausible: [0.8, 30],
    typical: 4,
    sigma: { taped: 0, book: 0, assumed: 0 },
    matters: "The lines keep the last tool's spacing until somebody changes it.",
    untapedZero: "stop",
    whenMissing: "note",
  },
];

const BY_KEY = new Map(CATALOGUE.map((entry) => [entry.key, entry]));

/** @throws RangeError for a key that is not in the catalogue */
export function dimension(key: DimensionKey): Dimension {
  const entry = BY_KEY.get(key);
  if (!entry) throw new RangeError(`no such dimension: ${key}`);
  return entry;
}

export function isDimensionKey(text: unknown): text is DimensionKey {
  return BY_KEY.has(text as DimensionKey);
}

export const DIMENSION_KEYS = CATALOGUE.map((entry) => entry.key);

/** The letter that marks the section row; sections are a layout, not a single length. */
export const SECTIONS_LETTER = "N";
