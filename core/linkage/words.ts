import { quantity, type Said, tell } from "../quantity/said.ts";

/** Angles are said in tenths of a degree; under half of one they are level, radians. */
const LEVEL_WITHIN = (0.05 * Math.PI) / 180;

/** Whether an angle is said to be level, radians. */
export function isLevel(angle: number): boolean {
  return Math.abs(angle) < LEVEL_WITHIN;
}

/** "2.5° nose up": positive is nose up, radians. */
export function pitchWords(pitch: number): Said {
  return isLevel(pitch)
    ? "level"
    : tell`${quantity("angle", Math.abs(pitch))} nose ${pitch > 0 ? "up" : "down"}`;
}
