/** Every calibration there is: those of the subjects, in their order. */
import type { CalibrationKind } from "../calibration/kind.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { SUBJECTS } from "./index.ts";

/** The calibration of this key; null where no subject has one. */
export function calibrationKind(key: string): CalibrationKind | null {
  return SUBJECTS.flatMap(({ calibrations = [] }) => calibrations).find((each) => each.key === key) ?? null;
}

/** At which station each is made that a tool has. */
export function calibrationsAt(rig: ResolvedRig): { station: string; kind: CalibrationKind }[] {
  return SUBJECTS.flatMap(({ key, calibrations = [] }) =>
    calibrations.filter(({ asked }) => asked(rig)).map((kind) => ({ station: key, kind })),
  );
}

/** Kinds of parts that some calibration tests, by key. */
export function testedKinds(): string[] {
  const kinds = SUBJECTS.flatMap(({ calibrations = [] }) => calibrations).flatMap(
    ({ parts }) => parts?.kind ?? [],
  );
  return [...new Set(kinds)];
}
