/** What the two axles of the machine that drives are called: a machine that steers behind carries its tool on the one in front. */
import { onTracks } from "../../rig/supports.ts";
import type { WholeRig } from "../../rig/whole.ts";

/** A machine with a head in front steers with its rear axle. */
export const steersBehind = ({ parts }: WholeRig) => parts[0]!.rig.attachment === "head";
const tracked = ({ parts }: WholeRig) => onTracks(parts[0]!.rig);
/** What the end that steers is called. */
export const steeredName = (whole: WholeRig) =>
  tracked(whole) ? "Front of the tracks" : steersBehind(whole) ? "Steered axle" : "Front axle";
/** What the end that does not steer is called. */
export const otherName = (whole: WholeRig) =>
  tracked(whole) ? "Rear of the tracks" : steersBehind(whole) ? "Drive axle" : "Rear axle";
