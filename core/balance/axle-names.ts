/** What the two axles of the machine that drives are called: a machine that steers behind carries its tool on the one in front. */
import type { Whole } from "../rig/whole.ts";

export const steersBehind = ({ parts }: Whole) => parts[0]!.rig.attachment === "head";
export const steeredName = (whole: Whole) => (steersBehind(whole) ? "Steered axle" : "Front axle");
export const otherName = (whole: Whole) => (steersBehind(whole) ? "Drive axle" : "Rear axle");
