import type { Fix } from "../trade/field-conditions.ts";
import type { OnPlane } from "./plane.ts";

/** One position of the antenna in a log: metres on a plane, seconds, the kind of solution where the log tells it. */
export type Fixed = OnPlane & { time: number; fix: Fix | null };
