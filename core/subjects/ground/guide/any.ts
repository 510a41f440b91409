/** What works in the soil and is none of the others. */
import { roundLength, tell } from "../../../quantity/said.ts";
import { depthStep } from "./depth.ts";
import type { Guide } from "./guide.ts";

export const ANY: Guide = {
  key: "any",
  title: "Any tool",
  tools: ["other"],
  strip: tell`${roundLength(10)} to ${roundLength(30)} at working speed.`,
  cautions: [],
  steps: [
    depthStep([
      "Stop without backing, dig at several places across, along the front and the rear of the work.",
    ]),
  ],
};
