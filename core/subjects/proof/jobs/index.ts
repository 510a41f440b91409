/** The field tests, in the order they are offered. A new one is a file beside these and a line here. */
import type { JobKind } from "../../../job/kind.ts";
import { CIRCLE } from "./circle.ts";
import { CROSS_TAPE } from "./cross-tape.ts";
import { HEADLAND } from "./headland.ts";
import { JOINTS } from "./joints.ts";
import { RUN_LOG } from "./run-log.ts";
import { WHEEL_COORDINATES } from "./wheel-coordinates.ts";
import { WHEEL_MARKS } from "./wheel-marks.ts";

export const FIELD_TESTS: readonly JobKind[] = [
  JOINTS,
  WHEEL_MARKS,
  WHEEL_COORDINATES,
  HEADLAND,
  CIRCLE,
  CROSS_TAPE,
  RUN_LOG,
];
