/** The step every tool that works in the soil has: how deep and how level, by its depth map. */
import type { Said } from "../../../quantity/said.ts";
import { adviceSaid, mapSaid } from "../words.ts";
import { fix, type Given, type GuideStep, good, type Judgement, look, unknown } from "./guide.ts";

export const DEPTH_STEP = "depth";

/** What the newest map says: how deep, how level, and what to turn. */
export function judgeDepth({ map }: Given): Judgement {
  if (!map)
    return unknown(
      "Nobody measured how deep it works.",
      "A lever's number is no depth: dig at several places and enter them in the map.",
    );
  const said = mapSaid(map);
  if (map.fit.odd.length > 0)
    return look(
      said,
      "First the point that does not fit: measure it again. It may be bent, worn, or the ruler.",
    );
  if (map.off.every(({ off, tolerance }) => Math.abs(off) <= tolerance)) return good(said);
  return fix(
    said,
    map.advice ? adviceSaid(map.advice) : "Enter its adjusters: then it is said which to turn, and how far.",
  );
}

/** Measured with the depth map; `how` are the tool's own sentences. */
export function depthStep(
  how: readonly Said[],
  judge: GuideStep["judge"] = (_, given) => judgeDepth(given),
): GuideStep {
  return {
    key: DEPTH_STEP,
    title: "Depth and level",
    where: "field",
    how,
    fields: [],
    measures: [],
    judge,
  };
}
