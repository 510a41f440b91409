/** What each row of a drill gets, caught in a tray or dug out of a furrow. */
import {
  type Calibrating,
  type CalibrationKind,
  type FoundAt,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { moreOrLess, percent } from "../../../calibration/percent.ts";
import { variationOf } from "../../../calibration/ratio.ts";
import { tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE } from "../../../simulation/dose.ts";
import { caughtByPlace, rounded } from "./common.ts";

/** A row this far from the mean is looked at (common practice, no source). */
const APART = 0.08;
/** Rows differ by up to this on a drill that is right (common practice, no source). */
const ALIKE = 0.05;
const FEWEST = 4;

function solve({ runs, left, kept, rig }: Calibrating): Outcome {
  const here = caughtByPlace({ runs, left });
  // Weights of another catch are of another amount: they are not mixed with these.
  const caught = here.size > 0 ? here : new Map(kept.map(({ place, value }) => [place, value]));
  const all = [...caught].sort(([a], [b]) => a - b);
  const mean = all.reduce((sum, [, mass]) => sum + mass, 0) / Math.max(all.length, 1);
  const parts = all.map(([place, value]): FoundAt => {
    const off = mean > 0 ? value / mean - 1 : 0;
    const good = Math.abs(off) <= APART;
    return {
      place,
      value,
      state: good ? "good" : value < mean / 2 ? "blocked" : "odd",
      said: good
        ? ""
        : tell`Row ${String(place)} gets ${moreOrLess(off)} than the mean: look at its hose, its outlet on the distributor, and its opener.`,
    };
  });
  const variation = variationOf(all.map(([, mass]) => mass));
  const bad = parts.filter(({ state }) => state !== "good");
  const rows = known(rig, "rows.count");
  return {
    constant: null,
    parts,
    figures: variation === null ? {} : { variation },
    also:
      variation === null
        ? []
        : [
            {
              key: "variation",
              label: "Rows differ by",
              said: tell`${percent(variation, { sign: false })} (coefficient of variation, n − 1); up to ${percent(ALIKE, { sign: false, decimals: 0 })} is right`,
            },
          ],
    next: [
      ...bad.map(({ said }) => said),
      ...(bad.length === 0 && parts.length >= FEWEST ? ["All rows caught are alike."] : []),
      ...(rows !== null && parts.length > 0 && parts.length < rows
        ? [`${rows - parts.length} of ${rows} rows were not caught.`]
        : []),
    ],
    barred: here.size < FEWEST ? [`${here.size} of ${FEWEST} rows: fewer tell nothing of the drill.`] : [],
  };
}

export const EVENNESS: CalibrationKind = {
  key: "evenness",
  title: "Evenness over the rows",
  tells: "Whether every row gets the same: a hose that hangs or an outlet that clogs shows.",
  constant: null,
  parts: { kind: "opener", figure: "caught", limit: APART },
  kit: ["a tray or bag for each row", "scale to a gram"],
  steps: [
    "Hang a bag on each opener, or lay trays under them; all alike.",
    "Turn the meter, or drive a short strip with the fan at working speed.",
    "Weigh each row. Where nothing can be hung, dig the seed of one metre in each row and weigh or count that.",
  ],
  cautions: ["Dressed seed: gloves and mask. Fan and meter off before a hand goes near an opener."],
  one: "row",
  enough: { count: FEWEST, why: "fewer tell nothing of the drill" },
  setup: [],
  fields: [
    { key: "place", label: "Row", hint: "from the left", kind: "count", range: [1, 240] },
    {
      key: "caught",
      label: "Caught",
      hint: "of each row",
      kind: "measure",
      family: "mass",
      unit: "g",
      range: [0, 50],
    },
  ],
  entered: "by part",
  asked: ({ tool }) => tool === "drill",
  first: () => ({ figures: {}, choices: {} }),
  wrongWith: ({ figures: { place } }, _, rig) => {
    const has = known(rig, "rows.count");
    const wrong: Record<string, string> = {};
    if (has !== null && (place ?? 0) > has) wrong.place = `It has ${has} rows.`;
    return wrong;
  },
  solve,
  bench: (_, __, rig, random) =>
    Array.from({ length: known(rig, "rows.count") ?? 0 }, (___, at) =>
      runOf({ place: at + 1, caught: rounded(0.12 * (1 + random.normal(NOISE.catch)), 0.0001) }),
    ),
};
