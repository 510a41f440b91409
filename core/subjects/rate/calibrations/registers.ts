/** The numbered registers of a computer at the end of a job: what was programmed against what was applied, job by job and in all. */
import {
  type Calibrating,
  type CalibrationKind,
  type Filled,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { moreOrLess } from "../../../calibration/percent.ts";
import { quantity, type Said, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { isOneOf, told } from "./common.ts";

/** By how much a press raises or lowers the rate, and one press back to programme (common practice). */
export const TRIMS = [-0.3, -0.2, -0.1, 0, 0.1, 0.2, 0.3] as const;

const keyOf = (trim: number) => String(Math.round(100 * trim));
const trimText = (trim: number) =>
  `${trim > 0 ? "+" : trim < 0 ? "−" : ""}${Math.abs(Math.round(100 * trim))} %`;
const trimOf = ({ choices }: Filled) => Number(choices.trim ?? 0) / 100;

/** Applied within this of programmed is as it should be (common practice, no source). */
const SAME = 0.03;

export type Register = { number: number; area: number; volume: number };

/** Rate over registers, m³/m²: all litres over all hectares, not the mean of their rates. @throws RangeError without hectares */
export function appliedRate(registers: readonly Register[]): number {
  const area = registers.reduce((sum, each) => sum + each.area, 0);
  if (!(area > 0)) throw new RangeError("no hectares");
  return registers.reduce((sum, each) => sum + each.volume, 0) / area;
}

function solve({ runs, left, setup }: Calibrating): Outcome {
  const registers = runs.flatMap(({ figures: { register, area, volume } }, at) =>
    left.has(at) || !register || !area || volume === undefined
      ? []
      : [{ at, number: register, area, volume }],
  );
  if (registers.length === 0) return { ...NOTHING_FOUND, barred: ["No register was read off yet."] };
  const applied = appliedRate(registers);
  const trim = trimOf(setup);
  const programmed = setup.figures.rate === undefined ? null : setup.figures.rate * (1 + trim);
  const off = programmed === null ? null : applied / programmed - 1;
  const against = registers.map((each) => ({
    ...each,
    off: programmed === null ? 0 : appliedRate([each]) / programmed - 1,
  }));
  const odd = against.filter((each) => Math.abs(each.off) > SAME);
  return {
    ...NOTHING_FOUND,
    ...(programmed === null
      ? {}
      : {
          wanted: {
            runs: against.map(({ at, off }) => ({ at, off, odd: Math.abs(off) > SAME })),
            within: SAME,
          },
        }),
    figures: { applied, ...(programmed === null ? {} : { programmed }) },
    also: [
      { key: "all", label: "In all", said: sumSaid(registers) },
      { key: "applied", label: "Applied", said: tell`${quantity("volume per area", applied, 1)}` },
      ...(programmed === null
        ? []
        : [
            {
              key: "programmed",
              label: "Programmed",
              said: tell`${quantity("volume per area", programmed, 1)}${trim === 0 ? "" : `, trimmed by ${trimText(trim)}`}`,
            },
          ]),
    ],
    next: [
      ...(off === null
        ? ["Tell what was programmed: applied alone says nothing."]
        : Math.abs(off) <= SAME
          ? ["Applied is as programmed."]
          : [
              tell`${moreOrLess(off)} applied than programmed: look at the speed window, at valve and pump; what it calls a litre is another question.`,
            ]),
      ...(odd.length > 0 && odd.length < registers.length
        ? odd.map(
            (each) =>
              tell`Register ${String(each.number)}: ${quantity("volume per area", appliedRate([each]), 1)}, unlike the others.`,
          )
        : []),
      ...(trim === 0 ? [] : ["One press back to programme before the next field."]),
      "Write them down, then clear the registers of these jobs: the tank and the sum of all stay as they are.",
    ],
    barred: [],
  };
}

const sumSaid = (registers: readonly Register[]): Said =>
  tell`${quantity(
    "area",
    registers.reduce((sum, { area }) => sum + area, 0),
  )}, ${quantity(
    "volume",
    registers.reduce((sum, { volume }) => sum + volume, 0),
    0,
  )}`;

export const REGISTERS: CalibrationKind = {
  key: "registers",
  title: "Registers of the day",
  tells: "Programmed against applied, register by register and in all, before they are cleared.",
  constant: null,
  kit: [],
  steps: [
    "At the start of each job choose a register that is clear, or clear one: area and volume go to nothing.",
    "At its end enter what it shows. Some show the sum of all under the last number.",
    "On many a register is cleared by a press held for five seconds.",
    "Kept here, they may be cleared; the next job begins another list.",
  ],
  cautions: [],
  one: "register",
  enough: { count: 1, why: "each is of one job" },
  setup: [
    {
      key: "rate",
      label: "Rate programmed",
      hint: "as it was set, before any trim",
      kind: "measure",
      family: "volume per area",
      range: [1e-6, 0.3],
      optional: true,
    },
    {
      key: "trim",
      label: "Trim",
      hint: "by which it was raised or lowered",
      kind: "choice",
      choices: [0, ...TRIMS.filter((trim) => trim !== 0)].map((trim) => ({
        key: keyOf(trim),
        label: trimText(trim),
      })),
    },
  ],
  fields: [
    { key: "register", label: "Register", hint: "its number", kind: "count", range: [1, 99] },
    { key: "area", label: "Area", hint: "it shows", kind: "measure", family: "area", range: [10, 1e7] },
    { key: "volume", label: "Volume", hint: "it shows", kind: "measure", family: "volume", range: [0, 1000] },
  ],
  entered: "singly",
  asked: isOneOf("sprayer"),
  first: (rig) => told(rig, { rate: "rate.liquid" }, { trim: "0" }),
  next: ({ runs }) => ({ register: (runs.at(-1)?.figures.register ?? 0) + 1 }),
  solve,
  bench: (_, setup, rig, random, next) => {
    const { rate } = setup.figures;
    if (rate === undefined) return [];
    const area = (known(rig, "work.area") ?? 1e5) * random.between(0.2, 0.5);
    const trim = 1 + trimOf(setup);
    return [
      runOf({
        register: next.register ?? 1,
        area: Math.round(area),
        volume: Math.round(1000 * area * rate * trim * (1 + random.normal(0.006))) / 1000,
      }),
    ];
  },
};
