/** What a yard keeps of a tool's depth: its adjusters, what was measured in the ground, and what a strip was good for. */
import type { Family } from "../quantity/measure.ts";

/** What parts that are adjusters are called among all parts. */
export const ADJUSTER_KIND = "adjuster";

export const ADJUSTER_FORMS = {
  turnbuckle: { label: "Turnbuckle", step: "turn", steps: "turns" },
  shims: { label: "Shims", step: "shim", steps: "shims" },
  hole: { label: "Hole", step: "hole", steps: "holes" },
  notch: { label: "Notch", step: "notch", steps: "notches" },
  crank: { label: "Crank", step: "turn", steps: "turns" },
  spindle: { label: "Spindle", step: "turn", steps: "turns" },
  spring: { label: "Spring position", step: "position", steps: "positions" },
  stop: { label: "Stop", step: "mark", steps: "marks" },
  pressure: { label: "Pressure", step: "click", steps: "clicks" },
} as const;

export type AdjusterForm = keyof typeof ADJUSTER_FORMS;

/** What one step more changes, metres: deeper in front, deeper behind, and the right end deeper than the left; null: nobody knows. */
export type StepEffect = { front: number; rear: number; across: number };

/**
 * What an adjuster moves, besides the depth of the whole tool. The figure is SI; `more` and `less` say what more and less of it are; `sigma` is
 * how far one reading of it is usually off (ours).
 */
export const MEASURES = {
  lean: {
    label: "lean of the bodies",
    family: "angle",
    sigma: 0.004,
    more: "further toward ploughed land",
    less: "further toward unploughed land",
  },
  leanApart: {
    label: "lean that differs after turnover",
    family: "angle",
    sigma: 0.004,
    more: "further toward the right",
    less: "further toward the left",
  },
  frontLean: {
    label: "lean of the front bodies",
    family: "angle",
    sigma: 0.004,
    more: "further toward ploughed land",
    less: "further toward unploughed land",
  },
  firstFurrow: {
    label: "width of the first furrow",
    family: "length",
    sigma: 0.006,
    more: "wider",
    less: "narrower",
  },
  pull: {
    label: "side pull on the tractor",
    family: null,
    sigma: 0,
    more: "further toward ploughed land",
    less: "further toward unploughed land",
  },
  coulterReach: {
    label: "coulter beyond the cut",
    family: "length",
    sigma: 0.001,
    more: "further out",
    less: "further in",
  },
  coulterDepth: {
    label: "coulter above the share",
    family: "length",
    sigma: 0.001,
    more: "higher",
    less: "lower",
  },
  skimmerDepth: { label: "skimmer depth", family: "length", sigma: 0.001, more: "deeper", less: "shallower" },
  springLength: {
    label: "length of the spring pack",
    family: "length",
    sigma: 0.001,
    more: "longer",
    less: "shorter",
  },
  packerRun: {
    label: "run of the packer",
    family: "angle",
    sigma: 0.004,
    more: "further toward ploughed land",
    less: "further toward unploughed land",
  },
  downforce: { label: "down pressure", family: "pressure", sigma: 1.5e4, more: "more", less: "less" },
  seedDepth: {
    label: "depth of the seed",
    family: "length",
    sigma: 0.006,
    more: "deeper",
    less: "shallower",
  },
  closing: { label: "closing wheel", family: null, sigma: 0, more: "harder", less: "lighter" },
  wheelClear: {
    label: "gauge wheel above the floor",
    family: "length",
    sigma: 0.001,
    more: "higher",
    less: "lower",
  },
  fingerFloat: {
    label: "fingers into the soil",
    family: "length",
    sigma: 0.001,
    more: "deeper",
    less: "shallower",
  },
  bladeDepth: {
    label: "depth of the blade",
    family: "length",
    sigma: 0.006,
    more: "deeper",
    less: "shallower",
  },
  unitSpring: { label: "down-spring of the unit", family: null, sigma: 0, more: "heavier", less: "lighter" },
  discBelow: {
    label: "cutaway disc below the blade",
    family: "length",
    sigma: 0.001,
    more: "deeper",
    less: "shallower",
  },
  shankLean: {
    label: "lean of the shank",
    family: "angle",
    sigma: 0.004,
    more: "point further forward",
    less: "point further back",
  },
  workDepth: { label: "working depth", family: "length", sigma: 0.006, more: "deeper", less: "shallower" },
  sideLevel: {
    label: "right side against the left",
    family: "length",
    sigma: 0.006,
    more: "deeper on the right",
    less: "deeper on the left",
  },
  bedPitch: {
    label: "pitch of the bed",
    family: "angle",
    sigma: 0.004,
    more: "further nose up",
    less: "further nose down",
  },
  cutHeight: { label: "cutting height", family: "length", sigma: 0.006, more: "higher", less: "lower" },
  suspension: { label: "suspension charge", family: "pressure", sigma: 1.5e4, more: "more", less: "less" },
  standClear: {
    label: "stand above the ground",
    family: "length",
    sigma: 0.001,
    more: "higher",
    less: "lower",
  },
  swath: { label: "width of the swath", family: "length", sigma: 0.006, more: "wider", less: "narrower" },
  tineHeight: {
    label: "tines above the ground",
    family: "length",
    sigma: 0.001,
    more: "higher",
    less: "lower",
  },
  sensitivity: {
    label: "sensitivity",
    family: null,
    sigma: 0,
    more: "more sensitive",
    less: "less sensitive",
  },
  wingLeft: {
    label: "left wing against the middle",
    family: "length",
    sigma: 0.006,
    more: "deeper",
    less: "shallower",
  },
  wingRight: {
    label: "right wing against the middle",
    family: "length",
    sigma: 0.006,
    more: "deeper",
    less: "shallower",
  },
  zero: {
    label: "shown depth against true depth",
    family: "length",
    sigma: 0.006,
    more: "shows deeper",
    less: "shows shallower",
  },
} as const satisfies Record<
  string,
  { label: string; family: Family | "length" | null; sigma: number; more: string; less: string }
>;

export type MeasureKey = keyof typeof MEASURES;

/** A single thing an adjuster moves, and by how much one step more moves it, SI; null: nobody knows. Where it is only sensed, ±1 says which way. */
export type Acts = { measure: MeasureKey; by: number | null };

export type Adjuster = {
  /** of the component */
  id: number;
  label: string;
  form: AdjusterForm;
  /** ends of its range, in steps */
  low: number;
  high: number;
  /** the position it is only stored in; null: none */
  storage: number | null;
  /** where its book has one begin, in steps; null where nobody said */
  start: number | null;
  effect: StepEffect | null;
  /** what else it moves than the depth of the whole tool; null: that */
  acts: Acts | null;
  /** the adjuster on the other side it is kept equal with, and by how many steps it stands above it on purpose; null: it stands alone */
  pair: { id: number; difference: number } | null;
  /** the adjuster it follows: it is the slave of that master's cylinder and is not set by itself; null: it follows none */
  master: number | null;
  /** where it sits: metres ahead of and right of the machine's own point, as its other parts, and above the ground; null where nobody said */
  x: number | null;
  y: number | null;
  up: number | null;
  /** how one sets it, in a sentence; empty where nobody told */
  how: string;
  /** the map or look from which what a step does was learnt last; null: it is as it was told */
  learntFrom: string | null;
  /** standard error of what a step does, as it was learnt: of the depth, or of its one measure, SI; null where it is as it was told */
  error: StepEffect | number | null;
  /** where it stands now, in steps; null while nobody said */
  setting: number | null;
};

export type DepthPoint = {
  /** what it was called when it was measured: "front 3" */
  label: string;
  /** metres ahead of the middle between the front and the rear of the work, and right of the middle of its width */
  x: number;
  y: number;
  /** metres below the unworked surface */
  depth: number;
};

/** A depth map: what was measured after one strip. */
export type DepthMap = {
  id: string;
  field: string;
  /** metres */
  wanted: number;
  points: readonly DepthPoint[];
  /** where the adjusters stood while it was measured, in steps by their number */
  settings: ReadonlyMap<number, number>;
  person: string;
  /** ISO 8601, UTC */
  at: string;
};

/** Where adjusters stand, in steps, by their number; none of those of which nobody said it. */
export function settingsNow(adjusters: readonly Adjuster[]): Map<number, number> {
  return new Map(adjusters.flatMap(({ id, setting }) => (setting === null ? [] : [[id, setting] as const])));
}

/** What was seen at one step of a guided strip. */
export type Seen = {
  /** SI, by field */
  figures: Readonly<Record<string, number>>;
  /** several of one kind, SI, by field, in the order they were taken */
  lists: Readonly<Record<string, readonly number[]>>;
  choices: Readonly<Record<string, string>>;
};

/** A look at one step, with where the adjusters stood at it. */
export type Look = Seen & {
  id: string;
  step: string;
  /** as it was typed, by field */
  texts: Readonly<Record<string, string>>;
  /** in steps, by adjuster */
  settings: ReadonlyMap<number, number>;
  person: string;
  /** ISO 8601, UTC */
  at: string;
};

export const SOILS = { sand: "Sand", loam: "Loam", clay: "Clay", peat: "Peat", stony: "Stony" } as const;
export const MOISTURES = { dry: "Dry", moist: "Moist", wet: "Wet" } as const;

/** In what a strip is run. */
export type Ground = {
  field: string;
  soil: keyof typeof SOILS | null;
  moisture: keyof typeof MOISTURES | null;
  crop: string;
};

/** A guided strip: begun once for a field, gone on with until it is good, the next day too. */
export type Strip = Ground & { id: string; person: string; at: string };

/** What a strip came to, kept for the next time in like ground. */
export type Preset = Ground & {
  id: string;
  name: string;
  settings: ReadonlyMap<number, number>;
  /** metres, as reached; null where no depth was measured */
  depth: number | null;
  /** steps that were good, of those that applied, when it was kept */
  good: number;
  all: number;
  person: string;
  at: string;
};

/** Of each tool of a rig: what it can be adjusted by, its newest depth map with the one before, and its strip. */
export type PartGround = {
  adjusters: readonly Adjuster[];
  map: DepthMap | null;
  before: DepthMap | null;
  /** the strip that is run; null: none was begun */
  strip: Strip | null;
  /** looks of that strip, the newest first */
  looks: readonly Look[];
  /** of the implement, the newest first */
  presets: readonly Preset[];
  /** schools that were chosen, by their key */
  schools: ReadonlyMap<string, string>;
};

export const NO_GROUND: PartGround = {
  adjusters: [],
  map: null,
  before: null,
  strip: null,
  looks: [],
  presets: [],
  schools: new Map(),
};
