/** Trays across the swath, one pass caught: how even it falls, at which spacing, and which side throws further. */
import {
  type Calibrating,
  type CalibrationKind,
  type Filled,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { percent } from "../../../calibration/percent.ts";
import { joined, quantity, roundLength, type Said, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE, type TruePattern } from "../../../simulation/dose.ts";
import { fallsAt } from "../../../simulation/spread.ts";
import {
  type Catch,
  type Driving,
  EVEN,
  massFlow,
  shapeOf,
  spacingsFor,
  sweep,
  windowsOf,
} from "../../../trade/overlap.ts";
import { caughtByPlace, isOneOf, rounded, told } from "./common.ts";

const GRAM = 0.001;
/** A shift under this is no reason to turn anything, metres (our threshold). */
const SHIFTED = 0.3;

/** Where a tray lies, metres right of the middle: the middle one under the spreader, the first at the left. */
export function trayAt(place: number, count: number, apart: number): number {
  return (place - (count + 1) / 2) * apart;
}

/** Catches of the runs that count, by where their trays lay; a tray caught twice as it was caught last. Kilograms. */
export function catchesOf({ setup, runs, left }: Pick<Calibrating, "setup" | "runs" | "left">): Catch[] {
  const { count, apart } = setup.figures;
  if (!count || !apart) return [];
  return [...caughtByPlace({ runs, left })]
    .filter(([place]) => place <= count)
    .map(([place, mass]) => ({ x: trayAt(place, count, apart), caught: mass }))
    .sort((a, b) => a.x - b.x);
}

const FEWEST = 7;

/** An odd number a metre apart that reaches well into the next tracks. */
function traysFor(spacing: number | null): number {
  return 2 * Math.round(0.8 * (spacing ?? 18)) + 1;
}

function solve({ rig, setup, runs, left, before }: Calibrating): Outcome {
  const catches = catchesOf({ setup, runs, left });
  const { spacing } = setup.figures;
  const way: Driving = setup.choices.way === "round" ? "round and round" : "to and fro";
  if (catches.length < FEWEST)
    return {
      ...NOTHING_FOUND,
      barred: [`${catches.length} of ${FEWEST} trays: a pattern is not seen in fewer.`],
    };
  if (spacing === undefined) return { ...NOTHING_FOUND, barred: ["Tell how far apart the tracks are."] };
  const shape = shapeOf(catches);
  const at = sweep(catches, [spacing])[0]!;
  const variation = way === "to and fro" ? at.toAndFro : at.roundAndRound;
  const windows = windowsOf(sweep(catches, spacingsFor(catches)), way);
  const even = variation <= EVEN;
  const rate = known(rig, "rate.spread");
  const speed = known(rig, "work.speed");
  return {
    constant: {
      key: "rate.evenness",
      had: null,
      estimate: { value: variation, error: null, half: null, freedom: 0 },
      moved: null,
      variation: null,
      runs: [],
    },
    parts: [],
    figures: { shift: shape.shift, variation, ...(shape.sides === null ? {} : { sides: shape.sides }) },
    also: [
      {
        key: "variation",
        label: tracksLabel(way),
        said: tell`${percent(variation, { sign: false })} at ${roundLength(spacing)} (coefficient of variation, n)`,
      },
      { key: "windows", label: "Under 10 % at", said: windowsSaid(windows) },
      {
        key: "shift",
        label: "It lies",
        said:
          Math.abs(shape.shift) < SHIFTED
            ? "in the middle"
            : tell`${roundLength(Math.abs(shape.shift))} to the ${shape.shift > 0 ? "right" : "left"} of where it drives`,
      },
      ...(shape.sides === null
        ? []
        : [
            {
              key: "sides",
              label: "Right against left",
              said: tell`${percent(shape.sides - 1)}`,
            },
          ]),
      ...(rate !== null && speed !== null
        ? [
            {
              key: "flow",
              label: "To be fed",
              said: tell`${quantity("mass per time", massFlow(rate, speed, spacing))} at ${quantity("speed", speed)}`,
            },
          ]
        : []),
    ],
    next: [
      ...(Math.abs(shape.shift) >= SHIFTED ? [turnSaid(shape.shift, setup.figures, before)] : []),
      ...(even
        ? Math.abs(shape.shift) < SHIFTED
          ? ["Even enough at this spacing."]
          : ["Even enough at this spacing; it is not in the middle all the same."]
        : [
            windows.length > 0
              ? tell`Not even at ${roundLength(spacing)}. It is at ${windowsSaid(windows)}: set discs and vanes for the spacing, or drive that.`
              : "Not even at any spacing: look at vanes, discs, height and level, then test again.",
          ]),
    ],
    barred: [],
  };
}

const tracksLabel = (way: Driving) =>
  way === "to and fro" ? "To and fro it differs by" : "Round and round it differs by";

function windowsSaid(windows: readonly { from: number; to: number }[]): Said {
  return windows.length === 0
    ? "no spacing"
    : joined(
        windows.map(({ from, to }) => tell`${roundLength(from)} to ${roundLength(to)}`),
        ", and ",
      );
}

/**
 * What to turn: the vane of the side it lies to, back. By how many marks is told by the test before, where the vanes stood otherwise then.
 */
function turnSaid(shift: number, now: Readonly<Record<string, number>>, before: Calibrating["before"]): Said {
  const side = shift > 0 ? "right" : "left";
  const effect = learntEffect(shift, now, before);
  if (effect === null)
    return `Turn the vane of the ${side} disc one mark back, or the left and right ones against each other as its book says, and test again: what a mark does is learnt from that.`;
  const marks = Math.round(-shift / effect);
  if (marks === 0) return "Less than one mark of a vane: leave it.";
  return tell`Turn the right vane ${String(Math.abs(marks))} mark${Math.abs(marks) === 1 ? "" : "s"} ${marks > 0 ? "on" : "back"}: a mark moved it ${roundLength(Math.abs(effect))} since the test before.`;
}

/** Metres the pattern moves to the right for one mark more on the right vane against the left; null where no test before tells. */
export function learntEffect(
  shift: number,
  now: Readonly<Record<string, number>>,
  before: Calibrating["before"],
): number | null {
  const apart = (setup: Readonly<Record<string, number>>) =>
    setup.vaneRight === undefined || setup.vaneLeft === undefined ? null : setup.vaneRight - setup.vaneLeft;
  const here = apart(now);
  if (here === null) return null;
  for (const { setup, figures } of before) {
    const there = apart(setup);
    if (there === null || figures.shift === undefined || there === here) continue;
    const effect = (shift - figures.shift) / (here - there);
    if (Math.abs(effect) > 0.02) return effect;
  }
  return null;
}

/** What a mark of a vane really does on the bench, metres. */
const BENCH_MARK = 0.45;

/** The pattern of the bench with the vanes where they stand. */
function asSet(pattern: TruePattern, { vaneLeft = 10, vaneRight = 10 }: Filled["figures"]): TruePattern {
  return { ...pattern, shift: pattern.shift + BENCH_MARK * (vaneRight - vaneLeft) };
}

export const TRAYS: CalibrationKind = {
  key: "trays",
  title: "Tray test",
  tells: "How even it falls at which spacing, and to which side it lies.",
  constant: "rate.evenness",
  kit: ["trays with grids, all alike", "scale to a gram, or tubes", "tape"],
  steps: [
    "Calm: no wind to speak of, dry, level ground; trays at equal distances across, the middle one under the spreader.",
    "Leave out the trays the wheels would run over, and leave their fields empty here.",
    "One pass at working speed, rate, height and shaft speed, spreading before the first tray and beyond the last.",
    "Weigh each tray, or read the tubes: all in the same way.",
    "Note where the vanes stand: from two tests it is learnt what a mark does.",
  ],
  cautions: [
    "Nobody beside or behind the spreader while it throws: grains fly further than it spreads.",
    "Shaft off, key out, discs standing before a vane is touched.",
  ],
  one: "tray",
  enough: { count: FEWEST, why: "a pattern is not seen in fewer" },
  setup: [
    {
      key: "count",
      label: "Trays",
      hint: "an odd number, the middle one under the spreader",
      kind: "count",
      range: [5, 201],
    },
    {
      key: "apart",
      label: "From tray to tray",
      hint: "from middle to middle",
      kind: "measure",
      family: "length",
      range: [0.2, 5],
    },
    {
      key: "spacing",
      label: "Spacing of the tracks",
      hint: "as it is driven",
      kind: "measure",
      family: "length",
      range: [3, 60],
    },
    {
      key: "way",
      label: "Driven",
      hint: "",
      kind: "choice",
      choices: [
        { key: "to", label: "To and fro" },
        { key: "round", label: "Round and round" },
      ],
    },
    {
      key: "vaneLeft",
      label: "Left vane stands at",
      hint: "mark",
      kind: "count",
      range: [0, 99],
      optional: true,
    },
    {
      key: "vaneRight",
      label: "Right vane stands at",
      hint: "mark",
      kind: "count",
      range: [0, 99],
      optional: true,
    },
  ],
  fields: [
    { key: "place", label: "Tray", hint: "from the left", kind: "count", range: [1, 201] },
    {
      key: "caught",
      label: "Caught",
      hint: "in each tray",
      kind: "measure",
      family: "mass",
      unit: "g",
      range: [0, 5],
    },
  ],
  entered: "in trays",
  asked: isOneOf("spreader"),
  first: (rig) =>
    told(
      rig,
      {
        count: traysFor(known(rig, "guidance.trackSpacing") ?? known(rig, "tool.width")),
        apart: 1,
        spacing: known(rig, "guidance.trackSpacing") ?? known(rig, "tool.width"),
        vaneLeft: 10,
        vaneRight: 10,
      },
      { way: "to" },
    ),
  wrongWith: ({ figures: { place } }, { figures: { count } }) => {
    const wrong: Record<string, string> = {};
    if (count !== undefined && count % 2 === 0 && place === undefined)
      wrong.count = "An odd number: the middle one lies under the spreader.";
    if (place !== undefined && count !== undefined && place > count)
      wrong.place = `There are ${count} trays.`;
    return wrong;
  },
  solve,
  truthOf: ({ pattern }, { figures, choices }) => {
    const { count, apart, spacing } = figures;
    if (!pattern || !count || !apart || !spacing) return null;
    const now = asSet(pattern, figures);
    const catches = Array.from({ length: count }, (_, at) => {
      const x = trayAt(at + 1, count, apart);
      return { x, caught: fallsAt(now, x) };
    });
    const [at] = sweep(catches, [spacing]);
    return choices.way === "round" ? at!.roundAndRound : at!.toAndFro;
  },
  bench: ({ pattern }, { figures }, rig, random) => {
    const { count, apart } = figures;
    if (!pattern || !count || !apart) return [];
    // A tray of half a square metre at the rate that is set.
    const full = (known(rig, "rate.spread") ?? 0.022) * 0.5;
    const now = asSet(pattern, figures);
    return Array.from({ length: count }, (_, at) =>
      runOf({
        place: at + 1,
        caught: Math.max(
          0,
          rounded(
            full * fallsAt(now, trayAt(at + 1, count, apart)) * (1 + random.normal(NOISE.catch)),
            GRAM / 10,
          ),
        ),
      }),
    );
  },
};
