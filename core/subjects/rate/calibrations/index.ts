/** The calibrations of the rate station, in the order they are made. A new one is a file beside these and a line here. */
import type { CalibrationKind } from "../../../calibration/kind.ts";
import { CATCH } from "./catch.ts";
import { FLOW_ACRE, FLOW_NOZZLES, FLOW_TANK } from "./flow.ts";
import { NOZZLE_SET } from "./nozzles.ts";
import { SPEED } from "./speed.ts";
import { GYRO, LOAD_CELLS, START_HEIGHT, STOP_HEIGHT } from "./taken.ts";
import { FLOW_FACTOR, SCALE, YIELD } from "./weighed.ts";

export const CALIBRATIONS: readonly CalibrationKind[] = [
  SPEED,
  NOZZLE_SET,
  FLOW_NOZZLES,
  FLOW_TANK,
  FLOW_ACRE,
  CATCH,
  START_HEIGHT,
  STOP_HEIGHT,
  LOAD_CELLS,
  GYRO,
  FLOW_FACTOR,
  SCALE,
  YIELD,
];
