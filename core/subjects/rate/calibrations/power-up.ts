/** What the computer shows of itself when it is switched on: a read-back that costs nothing. */
import {
  type Calibrating,
  type CalibrationKind,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { quantity, type Said, tapeLength, tell } from "../../../quantity/said.ts";
import { givenSections } from "../../../rig/resolve.ts";
import { known } from "../../../rig/whole.ts";
import { isOneOf } from "./common.ts";

const SAME = 0.01;

function solve({ runs, left, rig }: Calibrating): Outcome {
  const run = runs.findLast((_, at) => !left.has(at));
  if (!run) return { ...NOTHING_FOUND, barred: ["Nothing was read off yet."] };
  const { width, sections, rate } = run.figures;
  const own = known(rig, "tool.width");
  const count = givenSections(rig)?.widths.length ?? null;
  const set = known(rig, "rate.liquid");
  const differs: Said[] = [
    ...(width !== undefined && own !== null && Math.abs(width - own) > SAME
      ? [
          tell`It shows ${tapeLength(width)} of boom, and it is ${tapeLength(own)}: every hectare is wrong by that.`,
        ]
      : []),
    ...(sections !== undefined && count !== null && sections !== count
      ? [`It shows ${sections} sections, and there are ${count}: the flow is divided wrongly.`]
      : []),
    ...(rate !== undefined && set !== null && Math.abs(rate / set - 1) > SAME
      ? [
          tell`It shows a rate of ${quantity("volume per area", rate)}, and ${quantity("volume per area", set)} was set here.`,
        ]
      : []),
  ];
  const unknown = [
    ...(width !== undefined && own === null ? ["how wide it is"] : []),
    ...(sections !== undefined && count === null ? ["how many sections it has"] : []),
    ...(rate !== undefined && set === null ? ["the rate"] : []),
  ];
  return {
    ...NOTHING_FOUND,
    next: [
      ...differs,
      ...(unknown.length > 0 ? [`Nobody told ${unknown.join(", ")}: that was not compared.`] : []),
      ...(differs.length === 0 && unknown.length === 0 ? ["It shows what is told here."] : []),
    ],
    barred: [],
  };
}

export const POWER_UP: CalibrationKind = {
  key: "power-up",
  title: "What it shows when switched on",
  tells: "Boom width, sections and rate as its computer believes them, read off for nothing each morning.",
  constant: null,
  kit: [],
  steps: [
    "Switch the computer on and look at its first page.",
    "Enter what it shows of itself. What it does not show stays empty.",
    "Then clear the register of this job: area and amount go to nothing, not the tank and not the sum of all.",
  ],
  cautions: [],
  one: "look",
  enough: { count: 1, why: "it shows it each time" },
  setup: [],
  fields: [
    {
      key: "width",
      label: "Boom width shown",
      hint: "",
      kind: "measure",
      family: "length",
      range: [1, 80],
      optional: true,
    },
    { key: "sections", label: "Sections shown", hint: "", kind: "count", range: [1, 60], optional: true },
    {
      key: "rate",
      label: "Rate shown",
      hint: "programmed, not applied",
      kind: "measure",
      family: "volume per area",
      range: [0, 0.3],
      optional: true,
    },
  ],
  entered: "singly",
  asked: isOneOf("sprayer"),
  first: () => ({ figures: {}, choices: {} }),
  solve,
  bench: (_, __, rig) => [
    runOf({
      width: known(rig, "tool.width") ?? 18,
      sections: givenSections(rig)?.widths.length ?? 7,
      rate: known(rig, "rate.liquid") ?? 2e-5,
    }),
  ],
};
