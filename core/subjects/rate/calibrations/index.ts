/** The calibrations of the rate station, in the order they are made. A new one is a file beside these and a line here. */
import type { CalibrationKind } from "../../../calibration/kind.ts";
import { APPLIED, APPLIED_LIQUID } from "./applied.ts";
import { CATCH } from "./catch.ts";
import { EVENNESS } from "./evenness.ts";
import { FLOW_ACRE, FLOW_NOZZLES, FLOW_TANK } from "./flow.ts";
import { NOZZLE_SET } from "./nozzles.ts";
import { POWER_UP } from "./power-up.ts";
import { REGISTERS } from "./registers.ts";
import { SPEED_SOURCES } from "./sources.ts";
import { SPEED } from "./speed.ts";
import { STAND } from "./stand.ts";
import { GYRO, LOAD_CELLS, START_HEIGHT, STOP_HEIGHT } from "./taken.ts";
import { TRAYS } from "./trays.ts";
import { VALVE } from "./valve.ts";
import { FLOW_FACTOR, MOISTURE, SCALE, YIELD } from "./weighed.ts";

export const CALIBRATIONS: readonly CalibrationKind[] = [
  POWER_UP,
  SPEED,
  SPEED_SOURCES,
  NOZZLE_SET,
  FLOW_NOZZLES,
  FLOW_TANK,
  FLOW_ACRE,
  VALVE,
  CATCH,
  EVENNESS,
  STAND,
  START_HEIGHT,
  STOP_HEIGHT,
  LOAD_CELLS,
  GYRO,
  FLOW_FACTOR,
  TRAYS,
  SCALE,
  YIELD,
  MOISTURE,
  REGISTERS,
  APPLIED_LIQUID,
  APPLIED,
];
