import { type DimensionKey, isDimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { rankTaping } from "../rig/tape-next.ts";
import { stopsOf } from "./finding.ts";
import { judge } from "./judge.ts";

/** Readings without which a rig's card stops, in the order in which they move what guidance does; the rest as they are walked to. */
export function lackingOf(rig: ResolvedRig): DimensionKey[] {
  const stops = stopsOf(judge(rig)).flatMap(({ subject }) => (isDimensionKey(subject) ? [subject] : []));
  const ranked = rankTaping(rig).map(({ key }) => key);
  return [...new Set([...ranked.filter((key) => stops.includes(key)), ...stops])];
}
