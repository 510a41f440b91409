/** The circle test: diameters of the marks of tractor and tool, driven steadily, give the tool's pivot. */

import type { Entered, Observation, TestResult } from "../../../job/result.ts";
import { middleRadius, pivotOf } from "../../../rig/circle.ts";
import { type Estimate, estimateOf } from "../../../statistics/estimate.ts";
import { fitWithout, outliers } from "../../../statistics/outliers.ts";
import { NORMAL_95 } from "../../../statistics/student.ts";

/**
 * Hitch to wheels from diameters of steady circles, metres: the mean over them, with the hitch's own
 * uncertainty in it.
 */
export function solveCircle(
  observations: readonly Observation[],
  left: ReadonlySet<number>,
  /** how far the hitch lies behind the point the machine turns about, and how sure that is, metres; null where it is not read */
  behind: { hitch: number; sigma: number } | null,
  entered: Entered,
): TestResult {
  if (behind === null)
    return {
      measured: [],
      also: [],
      residuals: [],
      along: "number",
      open: ["The hitch behind the axle is not read yet: tape it first."],
    };
  const { hitch } = behind;
  const radii = observations.map(({ values }) => ({
    tractor: middleRadius(values.tractorOuter ?? 0, values.tractorInner ?? 0),
    tool: middleRadius(values.toolOuter ?? 0, values.toolInner ?? 0),
  }));
  const lengths = radii.map(({ tractor, tool }) => pivotOf(tractor, tool, hitch));
  const impossible = lengths.flatMap((length, at) => (Number.isNaN(length) ? [at] : []));
  const leave = new Set([...left, ...impossible]);
  const usable = lengths.map((length) => (Number.isNaN(length) ? 0 : length));
  const rows = lengths.map(() => [1]);
  const fit = fitWithout(rows, usable, leave);
  const odd = new Set(fit && impossible.length === 0 && left.size === 0 ? outliers(fit) : []);
  const residuals = usable.map((observed, at) => ({
    at,
    x: at + 1,
    observed,
    fitted: fit?.estimates[0] ?? observed,
    group: "circle",
    outlier: odd.has(at) || impossible.includes(at),
  }));
  const open = impossible.map(
    (at) =>
      `Circle ${at + 1}: the tool runs outside the hitch's own circle. No trailed tool does: look for diameters changed over.`,
  );
  if (!fit) return { measured: [], also: [], residuals, along: "number", open };
  const absolute = withHitch(estimateOf(fit, 0), hitch, behind.sigma);
  const value = entered.value("pin.pivot");
  const radius = radii.find((_, at) => !leave.has(at))!;
  return {
    measured: [
      {
        key: "pivot",
        label: "Hitch to wheels",
        unit: "length",
        terms: [{ key: "pin.pivot", coefficient: 1 }],
        entered: value,
        off: { ...absolute, value: absolute.value - (value ?? 0) },
        absolute: true,
        sides: null,
      },
    ],
    also: [
      {
        key: "sensitivity",
        label: "Off by, for each centimetre in the tool's radius",
        estimate: exact((0.01 * radius.tool) / absolute.value),
      },
    ],
    residuals,
    along: "number",
    open: [
      ...open,
      ...(fit.freedom === 0 ? ["One diameter gives a figure without certainty: measure another."] : []),
    ],
  };
}

/** What circles do not tell: a hitch that is off by σ puts the pivot off by L_h / L_t of it, the same in every circle. */
function withHitch(found: Estimate, hitch: number, sigma: number): Estimate {
  if (found.error === null || found.half === null) return found;
  const own = (Math.abs(hitch) / found.value) * sigma;
  return { ...found, error: Math.hypot(found.error, own), half: Math.hypot(found.half, NORMAL_95 * own) };
}

function exact(value: number): Estimate {
  return { value, error: null, half: null, freedom: 0 };
}
