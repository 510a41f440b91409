/** Plants counted row by row as one walks: the stand, and which row unit to look at. */
import {
  type Calibrating,
  type CalibrationKind,
  type FoundAt,
  NOTHING_FOUND,
  type Outcome,
  type Run,
  runOf,
} from "../../../calibration/kind.ts";
import { moreOrLess, percent } from "../../../calibration/percent.ts";
import { quantity, type Said, smallLength, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import type { TrueRow } from "../../../simulation/dose.ts";
import type { Chance } from "../../../simulation/random.ts";
import { COUNT_AREAS, rowFor, seedSpacing } from "../../../trade/seeding.ts";
import {
  countFromTape,
  judgeKeptRows,
  judgeStand,
  LOOK_AT,
  type RowCount,
  type RowStand,
} from "../count/stand.ts";
import { isOneOf, told } from "./common.ts";

const KEPT_APART = 0.05;
/** A row unit of the bench that skips or doubles more than this is one to be found. */
const BAD = 0.08;

function countOf({ figures, lists }: Run, wanted: number | null, length: number): RowCount | null {
  const { place: row, plants = 0, skips = 0, doubles = 0 } = figures;
  if (row === undefined) return null;
  const { positions } = lists;
  if (positions && positions.length > 1 && wanted !== null)
    return countFromTape(row, positions, wanted, length);
  return { row, length, singles: plants, skips, doubles, spacings: [] };
}

function solve({ rig, setup, runs, left, kept }: Calibrating): Outcome {
  const spacing = known(rig, "rows.spacing");
  const { length, wanted = null } = setup.figures as { length?: number; wanted?: number };
  const byRow = new Map<number, RowCount>();
  if (length !== undefined)
    for (const [at, run] of runs.entries()) {
      const count = left.has(at) ? null : countOf(run, wanted, length);
      if (count) byRow.set(count.row, count);
    }
  const stand =
    spacing === null
      ? null
      : judgeStand(
          [...byRow.values()].sort((a, b) => a.row - b.row),
          spacing,
        );
  if (length === undefined)
    return { ...NOTHING_FOUND, barred: ["Tell the length that is counted along each row."] };
  if (spacing === null) return { ...NOTHING_FOUND, barred: ["Nobody told the spacing of the rows."] };
  const before = keptParts(kept.filter(({ place }) => !byRow.has(place)));
  if (!stand)
    return { ...NOTHING_FOUND, parts: before, next: saidOf(before), barred: ["No row was counted yet."] };
  const { population, singulation, variation } = stand;
  const seeds = known(rig, "rate.seeds");
  const of = wanted === null ? seeds : 1 / (wanted * spacing);
  const bad = stand.rows.filter(({ faults }) => faults.length > 0);
  const rows = known(rig, "rows.count");
  return {
    constant: null,
    figures: {
      population: population.value,
      ...(singulation ? { singulation: singulation.value } : {}),
      ...(variation === null ? {} : { variation }),
    },
    parts: [
      ...before,
      ...stand.rows.map(
        (row): FoundAt => ({
          place: row.row,
          value: row.population,
          state: row.faults.length > 0 ? "odd" : "good",
          said: rowSaid(row),
        }),
      ),
    ].sort((a, b) => a.place - b.place),
    also: [
      {
        key: "population",
        label: "Plants",
        said: tell`${quantity("count per area", population.value)}${population.half === null ? "" : tell` ± ${quantity("count per area", population.half)} (95 %, over rows)`}${of === null ? "" : tell`, ${percent(population.value / of - 1)} from what was set`}`,
      },
      ...(singulation
        ? [
            {
              key: "singulation",
              label: "One seed at a place",
              said: tell`${percent(singulation.value, { sign: false })} of ${String(stand.places)} places (${percent(singulation.low, { sign: false })} to ${percent(singulation.high, { sign: false })}, 95 %)`,
            },
          ]
        : []),
      { key: "skips", label: "Skips, doubles", said: `${stand.skips}, ${stand.doubles}` },
      ...(variation === null
        ? []
        : [
            {
              key: "variation",
              label: "Spacing of singles differs by",
              said: tell`${percent(variation, { sign: false })} (coefficient of variation, n − 1)`,
            },
          ]),
    ],
    next: [
      ...bad.map(rowSaid),
      ...(bad.length === 0 ? [`All ${stand.rows.length} rows counted are alike.`] : []),
      ...saidOf(before),
      ...(rows !== null && stand.rows.length + before.length < rows
        ? [
            `${rows - stand.rows.length - before.length} of ${rows} rows were not counted: nothing is known of them.`,
          ]
        : []),
      ...(of !== null && bad.length === 0 && population.value / of < 0.9
        ? ["All rows are thin alike: look at rate, speed constant and what came up, not at a row unit."]
        : []),
    ],
    barred: [],
  };
}

/** Rows of an earlier count, which are not counted now. */
function keptParts(kept: Calibrating["kept"]): FoundAt[] {
  return judgeKeptRows(kept).map(({ place, value, off, thin }) => ({
    place,
    value,
    state: thin ? "odd" : "good",
    said: thin ? thinSaid(place, off) : "",
  }));
}

const saidOf = (parts: readonly FoundAt[]) =>
  parts.flatMap(({ state, said }) => (state === "good" ? [] : [said]));

/** Of a row that was counted before and stands thin. */
export const thinSaid = (place: number, off: number): Said =>
  tell`Row ${String(place)} had ${moreOrLess(off)} plants than the others.`;

function rowSaid({ row, faults, skips, doubles, singles, variation, spacings }: RowStand): Said {
  const places = singles + skips + doubles;
  const [worst] = faults;
  if (!worst) return "";
  const found =
    worst === "skips"
      ? tell`${percent(skips / places, { sign: false })} skips`
      : worst === "doubles"
        ? tell`${percent(doubles / places, { sign: false })} doubles`
        : tell`spacing differs by ${percent(variation!, { sign: false })} over ${String(spacings.length)}`;
  return tell`Row ${String(row)}: ${found}. First to look at ${LOOK_AT[worst]}.`;
}

export const STAND: CalibrationKind = {
  key: "stand",
  title: "Stand count",
  tells: "How many plants came up, how evenly, and which row unit to look at.",
  constant: null,
  parts: { kind: "row", figure: "population", limit: KEPT_APART },
  kit: ["tape, or a stick of the row length"],
  steps: [
    "Lay the length off along a row: a thousandth of an acre, or ten square metres.",
    "Walk it and tap: a plant, a place left empty, two in one place. Or read the tape at each plant.",
    "Every row of the planter, in one pass of it; mark which row is the first from the left.",
    "On a slope or after a change of soil count once more there.",
  ],
  cautions: ["Planter parked, key out, before anybody kneels behind it to dig for seed."],
  one: "row",
  enough: { count: 1, why: "a row tells of itself; all of them of the planter" },
  setup: [
    {
      key: "length",
      label: "Length counted along each row",
      hint: "a thousandth of an acre, or ten square metres, at this row spacing",
      kind: "measure",
      family: "length",
      range: [0.5, 60],
    },
    {
      key: "wanted",
      label: "Spacing wanted in the row",
      hint: "from the seeds set and the row spacing",
      kind: "measure",
      family: "length",
      unit: "cm",
      range: [0.01, 1],
      optional: true,
    },
  ],
  fields: [
    { key: "place", label: "Row", hint: "from the left", kind: "count", range: [1, 60] },
    {
      key: "plants",
      label: "Plants standing singly",
      hint: "",
      kind: "count",
      range: [0, 2000],
      optional: true,
    },
    { key: "skips", label: "Places left empty", hint: "", kind: "count", range: [0, 2000], optional: true },
    { key: "doubles", label: "Two in one place", hint: "", kind: "count", range: [0, 2000], optional: true },
  ],
  entered: "tapped",
  asked: isOneOf("planter"),
  first: (rig) => {
    const spacing = known(rig, "rows.spacing");
    const seeds = known(rig, "rate.seeds");
    return told(rig, {
      length: spacing === null ? null : Math.round(100 * rowFor(COUNT_AREAS.ten, spacing)) / 100,
      wanted: spacing === null || seeds === null ? null : seedSpacing(seeds, spacing),
    });
  },
  wrongWith: ({ figures: { place }, lists }, setup, rig) => {
    const has = known(rig, "rows.count");
    const length = setup.figures.length ?? Number.POSITIVE_INFINITY;
    const beyond = (lists.positions ?? []).some((each) => each > length * 1.02);
    return {
      ...(has !== null && (place ?? 0) > has ? { place: `It has ${has} rows.` } : {}),
      ...(beyond ? { positions: "A plant stands beyond the length that is counted." } : {}),
    };
  },
  solve,
  reallyWrong: ({ rows }) =>
    rows.flatMap(({ skips, doubles }, at) => (skips > BAD || doubles > BAD ? [at + 1] : [])),
  renew: (truth, places) => ({
    ...truth,
    rows: truth.rows.map((row, at) =>
      places.includes(at + 1) ? { ...row, skips: 0.015, doubles: 0.01, spacing: 0.16 } : row,
    ),
  }),
  bench: ({ rows }, { figures: { length, wanted } }, _, random) =>
    length === undefined || wanted === undefined
      ? []
      : rows.map((row, at) => rowOnBench(row, at + 1, length, wanted, random)),
};

/** Walks along a row as a unit really set it: empty places, double ones, and spacings that differ. */
function rowOnBench(row: TrueRow, place: number, length: number, wanted: number, random: Chance): Run {
  const positions: number[] = [];
  for (let x = random.between(0, wanted); x < length; x += wanted) {
    const draw = random.between(0, 1);
    if (draw < row.skips) continue;
    const at = Math.min(length, Math.max(0, x + random.normal((row.spacing * wanted) / Math.SQRT2)));
    if (random.between(0, 1) < row.emerge) positions.push(Math.round(at * 200) / 200);
    if (draw > 1 - row.doubles) positions.push(Math.round(Math.min(length, at + 0.02) * 200) / 200);
  }
  return { ...runOf({ place }), lists: { positions: positions.sort((a, b) => a - b) } };
}

/** Said of a row where a tape was read. */
export const positionsSaid = (positions: readonly number[]): Said =>
  tell`${String(positions.length)} plants along the tape, the last at ${smallLength(positions.at(-1) ?? 0)}`;
