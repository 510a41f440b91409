/** A way driven leg by leg, with everything that follows. */
import type { Leg } from "./legs.ts";
import { type Drawn, type Pose, step } from "./train.ts";

/** Poses along a way, the first where it begins; no step longer than `most` metres, every leg ended exactly. */
export function drive(train: readonly Drawn[], from: Pose, legs: readonly Leg[], most: number): Pose[] {
  const poses = [from];
  for (const { curvature, length } of legs) {
    const steps = Math.ceil(Math.abs(length) / most);
    for (let at = 0; at < steps; at++) poses.push(step(train, poses.at(-1)!, curvature, length / steps));
  }
  return poses;
}
