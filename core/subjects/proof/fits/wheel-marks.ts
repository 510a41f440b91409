import { toPlane } from "../../../geodesy/plane.ts";
import type { Entered, Measured, Observation, TestResult } from "../../../job/result.ts";
import { estimateOf } from "../../../statistics/estimate.ts";
import { leastSquares } from "../../../statistics/least-squares.ts";
import { fitBoth } from "../../../statistics/outliers.ts";

/** Two parkings by their coordinates, as seen by the first heading: first − second to the right, and ahead. Radians, metres. */
export function apart({ heading = 0, ...at }: Observation["values"]): { right: number; ahead: number } {
  const second = { latitude: at.latitude2 ?? 0, longitude: at.longitude2 ?? 0 };
  const first = { latitude: at.latitude1 ?? 0, longitude: at.longitude1 ?? 0 };
  const { east, north } = toPlane(second, first);
  return {
    right: east * Math.cos(heading) - north * Math.sin(heading),
    ahead: east * Math.sin(heading) + north * Math.cos(heading),
  };
}

/** The same test where coordinates were written down: of the antenna's place half the difference is its whole offset. */
export function solveCoordinates(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  entered: Entered,
): TestResult {
  const rounds = observations.map(({ values, choices }): Observation => {
    const { right, ahead } = apart(values);
    return { values: { first: right, second: 0, along: -ahead }, choices };
  });
  const { measured, ...rest } = solveWheelMarks(rounds, left, entered);
  const whole = observations.at(-1)?.choices.shown === "antenna";
  if (!whole) return { measured, ...rest };
  return {
    ...rest,
    // Along the line the antenna's place says where the axle is only to those who know the marks: left out.
    measured: measured
      .filter(({ key }) => key === "lateral")
      .map((each) => ({
        ...each,
        off: { ...each.off, value: each.off.value - (each.entered ?? 0) },
        absolute: true,
      })),
  };
}

/**
 * Parked twice in the same wheel marks, facing either way: the reported positions lie J apart, first − second. Half of
 * it to the right of the first heading is true − entered lateral, half of it ahead is true − entered fore-aft.
 */
export function solveWheelMarks(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  entered: Entered,
): TestResult {
  const across = observations.map(({ values }) => ((values.first ?? 0) - (values.second ?? 0)) / 2);
  const rows = across.map(() => [1]);
  const { fit, whole, odd } = fitBoth(rows, across, left);
  const residuals = across.map((observed, at) => ({
    at,
    x: at + 1,
    observed,
    fitted: (fit ?? whole)?.estimates[0] ?? observed,
    group: "round",
    outlier: odd.has(at),
  }));
  if (!fit) return { measured: [], also: [], residuals, along: "number", open: [] };
  const measured: Measured[] = [
    {
      key: "lateral",
      label: "Receiver beside where it is entered",
      unit: "length",
      terms: [{ key: "receiver.lateral", coefficient: 1 }],
      entered: entered.value("receiver.lateral"),
      off: estimateOf(fit, 0),
      absolute: false,
      sides: { plus: "right", minus: "left" },
    },
  ];
  const along = observations.flatMap(({ values }, at) =>
    values.along === undefined || left.has(at) ? [] : [-values.along / 2],
  );
  const ahead = leastSquares(
    along.map(() => [1]),
    along,
  );
  if (ahead)
    measured.push({
      key: "foreAft",
      label: "Receiver ahead of where it is entered",
      unit: "length",
      terms: [{ key: "receiver.foreAft", coefficient: 1 }],
      entered: entered.value("receiver.foreAft"),
      off: estimateOf(ahead, 0),
      absolute: false,
      sides: { plus: "ahead", minus: "behind" },
    });
  return {
    measured,
    also: [],
    residuals,
    along: "number",
    open: fit.freedom === 0 ? ["One round gives a figure without certainty: go round again."] : [],
  };
}
