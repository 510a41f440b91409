import type { DimensionKey } from "../../../dimension/catalogue.ts";
import type { Entered, Measured, Observation, TestResult } from "../../../job/result.ts";
import type { Term } from "../../../rig/frame.ts";
import { combined, estimateOf } from "../../../statistics/estimate.ts";
import type { Fit } from "../../../statistics/least-squares.ts";
import { fitBoth } from "../../../statistics/outliers.ts";

export type Crossing = {
  edge: "on" | "off";
  /** +1 there, −1 back */
  way: 1 | -1;
  /** m/s */
  speed: number;
  /** metres past the boundary in the way of travel */
  mark: number;
};

type Unknown = "length" | "onLength" | "offLength" | "onDelay" | "offDelay" | "boundary";

/**
 * Marks x = x0 + v·τ + way·b. One x0 for work that begins and ends on one line, else one for each end of the tool, with a
 * delay each for on and off; b is how far the boundary lies wrong, once it was crossed both ways.
 */
export function crossingRow({ edge, way, speed }: Crossing, unknowns: readonly Unknown[]): number[] {
  const on = edge === "on";
  const part: Record<Unknown, number> = {
    length: 1,
    onLength: on ? 1 : 0,
    offLength: on ? 0 : 1,
    onDelay: on ? speed : 0,
    offDelay: on ? 0 : speed,
    boundary: way,
  };
  return unknowns.map((unknown) => part[unknown]);
}

/** The unknowns these crossings could tell apart. */
export function unknownsOf(crossings: readonly Crossing[], oneLine: boolean): Unknown[] {
  const has = (edge: Crossing["edge"]) => crossings.some((each) => each.edge === edge);
  const bothWays = new Set(crossings.map(({ way }) => way)).size === 2;
  return [
    ...(oneLine
      ? (["length"] as const)
      : [...(has("on") ? (["onLength"] as const) : []), ...(has("off") ? (["offLength"] as const) : [])]),
    ...(has("on") ? (["onDelay"] as const) : []),
    ...(has("off") ? (["offDelay"] as const) : []),
    ...(bothWays ? (["boundary"] as const) : []),
  ];
}

type Setup = {
  /** work begins and ends on one line across the tool: a knife, a row of nozzles */
  oneLine: boolean;
  start: readonly Term[];
  stop: readonly Term[];
};

/**
 * Lengths (metres, forward positive) and delays (seconds) from marks at a boundary, by least squares over
 * speed and way.
 */
export function solveHeadland(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  setup: Setup,
  entered: Entered,
): TestResult {
  const crossings = observations.map(
    ({ values, choices }): Crossing => ({
      edge: choices.edge === "off" ? "off" : "on",
      way: choices.way === "back" ? -1 : 1,
      speed: values.speed ?? 0,
      mark: values.mark ?? 0,
    }),
  );
  const kept = crossings.filter((_, at) => !left.has(at));
  const unknowns = unknownsOf(kept, setup.oneLine);
  const rows = crossings.map((each) => crossingRow(each, unknowns));
  const marks = crossings.map(({ mark }) => mark);
  const { fit, odd } = fitBoth(rows, marks, left);
  const residuals = crossings.map(({ speed, mark, edge }, at) => ({
    at,
    x: speed,
    observed: mark,
    fitted: fit ? rows[at]!.reduce((sum, part, index) => sum + part * fit.estimates[index]!, 0) : mark,
    group: edge,
    outlier: odd.has(at),
  }));
  return {
    measured: fit ? measuredOf(fit, unknowns, setup, entered) : [],
    also: fit ? alsoOf(fit, unknowns) : [],
    residuals,
    along: "speed",
    open: openOf(kept, fit, unknowns),
  };
}

function measuredOf(
  fit: Fit,
  unknowns: readonly Unknown[],
  { oneLine, start, stop }: Setup,
  entered: Entered,
): Measured[] {
  // The chain runs backward, so a mark that falls short (−) is a tool that lies further back (−): the signs agree.
  const lengthOf = (unknown: Unknown, label: string, terms: readonly Term[]): Measured[] => {
    const at = unknowns.indexOf(unknown);
    if (at < 0) return [];
    return [
      {
        key: unknown,
        label,
        unit: "length",
        terms,
        entered: entered.sum(terms),
        off: estimateOf(fit, at),
        absolute: false,
        sides: { plus: "further forward", minus: "further back" },
      },
    ];
  };
  const delayOf = (unknown: Unknown, label: string, key: DimensionKey): Measured[] => {
    const at = unknowns.indexOf(unknown);
    if (at < 0) return [];
    return [
      {
        key: unknown,
        label,
        unit: "time",
        terms: [{ key, coefficient: 1 }],
        // A delay nobody measured stands at zero in the terminal: so its card says.
        entered: entered.value(key) ?? 0,
        off: estimateOf(fit, at),
        absolute: false,
        sides: null,
      },
    ];
  };
  return [
    ...(oneLine
      ? lengthOf("length", "Where the work lies along the line", start)
      : [
          ...lengthOf("onLength", "Where the work begins", start),
          ...lengthOf("offLength", "Where the work ends", stop),
        ]),
    ...delayOf("onDelay", "Delay of switching on", "work.delayOn"),
    ...delayOf("offDelay", "Delay of switching off", "work.delayOff"),
  ];
}

function alsoOf(fit: Fit, unknowns: readonly Unknown[]): TestResult["also"] {
  const [on, off, boundary] = (["onLength", "offLength", "boundary"] as const).map((each) =>
    unknowns.indexOf(each),
  ) as [number, number, number];
  const weight = (pairs: readonly (readonly [number, number])[]) =>
    unknowns.map((_, at) => pairs.find(([index]) => index === at)?.[1] ?? 0);
  return [
    ...(on >= 0 && off >= 0
      ? [
          {
            key: "workingLength",
            label: "Working length, front to rear, more than entered",
            estimate: combined(
              fit,
              weight([
                [on, 1],
                [off, -1],
              ]),
            ),
          },
        ]
      : []),
    ...(boundary >= 0
      ? [
          {
            key: "boundary",
            label: "Boundary further along the way there than the string",
            estimate: combined(fit, weight([[boundary, 1]])),
          },
        ]
      : []),
  ];
}

function openOf(crossings: readonly Crossing[], fit: Fit | null, unknowns: readonly Unknown[]): string[] {
  if (crossings.length === 0) return [];
  const open: string[] = [];
  for (const edge of ["on", "off"] as const) {
    const own = crossings.filter((each) => each.edge === edge);
    const speeds = own.map(({ speed }) => speed);
    const word = edge === "on" ? "began" : "ended";
    if (own.length === 0) open.push(`No mark yet where work ${word}.`);
    else if (Math.max(...speeds) - Math.min(...speeds) < 0.3)
      open.push(`Where work ${word}, length and delay are not separable: cross at another speed as well.`);
  }
  if (new Set(crossings.map(({ way }) => way)).size < 2)
    open.push(
      "Crossed one way only: a boundary that lies wrong looks like a wrong length. Cross it back, too.",
    );
  if (!fit && crossings.length >= unknowns.length && open.length === 0)
    open.push("These crossings do not tell length, delay and boundary apart: mix speeds and ways.");
  if (!fit && crossings.length < unknowns.length)
    open.push(`${unknowns.length - crossings.length} more crossings are needed for so many unknowns.`);
  if (fit?.freedom === 0)
    open.push("Just enough for figures without certainty: one more crossing gives standard errors.");
  return open;
}
