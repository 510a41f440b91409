/** A calibration of the tool in view as it stands: what its page shows, and what may be accepted, come of the same. */
import type { CalibrationKind, Filled, Outcome } from "../../../core/calibration/kind.ts";
import { calibrationsAt } from "../../../core/subjects/calibrations.ts";
import { standingParts, type TestedPart } from "../../../core/yard/dose.ts";
import { type Calibration, type KeptRun, openCalibration, runsOf } from "../../../data/calibrations.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type SolvedCalibration = {
  station: string;
  kind: CalibrationKind;
  /** null where nobody began one */
  calibration: Calibration | null;
  setup: Filled & { texts: Readonly<Record<string, string>> };
  runs: readonly KeptRun[];
  /** runs somebody left out, by number from 0 */
  left: ReadonlySet<number>;
  outcome: Outcome;
};

/** The calibration of this kind that the tool in view has; null where it has none. */
export function calibrationHere({ resolved }: OpenRig, key: string) {
  return calibrationsAt(resolved).find(({ kind }) => kind.key === key) ?? null;
}

/** Solves the calibration of a kind that goes on, or an empty one. */
export function solveCalibration(
  open: OpenRig,
  { station, kind }: { station: string; kind: CalibrationKind },
): SolvedCalibration {
  const { db, rig, resolved } = open;
  const calibration = openCalibration(db, rig, kind);
  const runs = calibration ? runsOf(db, calibration) : [];
  const setup = calibration?.setup ?? { ...kind.first(resolved), texts: {} };
  const left = new Set(runs.flatMap(({ leftOut }, at) => (leftOut ? [at] : [])));
  const outcome = kind.solve({
    rig: resolved,
    setup,
    runs,
    left,
    kept: standingParts(testedOf(open, kind)),
    before: beforeOf(open, kind),
  });
  return { station, kind, calibration, setup, runs, left, outcome };
}

/** Parts as they were found last. */
export function testedOf({ whole, index }: OpenRig, { parts }: CalibrationKind): readonly TestedPart[] {
  return parts ? (whole.dose[index]!.parts[parts.kind] ?? []) : [];
}

/** What the next run most likely is, by field, SI. */
export function nextOf({ resolved }: OpenRig, { kind, runs, left }: SolvedCalibration) {
  return kind.next?.({ rig: resolved, runs, left }) ?? {};
}

function beforeOf({ whole, index }: OpenRig, { key }: CalibrationKind) {
  return whole.dose[index]!.ended.filter((each) => each.kind === key);
}
