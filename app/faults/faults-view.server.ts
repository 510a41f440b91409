/** What the pages of cases show: the logbook, and a case as far as it was measured. */
import { AREAS, FAULTS, faultOf, OUTSIDE, STRANGE } from "../../core/fault/faults.ts";
import { toBeNamed } from "../../core/fault/hidden.ts";
import { MEASUREMENTS, measurementOf, type Reads } from "../../core/fault/measurements.ts";
import { minutesOf, type Scored } from "../../core/fault/score.ts";
import { type Card, rightSetup } from "../../core/fault/setup.ts";
import { advise, ELSE, NOTHING, named, type Reading, weigh, weighingOf } from "../../core/fault/weigh.ts";
import { bareUnit, printLength } from "../../core/quantity/length.ts";
import { fineStyle, type Units } from "../../core/quantity/units.ts";
import { casesOf, type FaultCase } from "../../data/faults.ts";
import type { Database } from "../../data/handle.ts";
import { listRigs } from "../../data/rigs.ts";
import { moment } from "../stations/frame/print.ts";
import { namedIn, readingsOf } from "./faults.server.ts";

/** A figure as it is read: lengths under a metre finely, shares in hundredths. */
function figureOf(value: number, unit: Reads["in"], units: Units): string {
  switch (unit) {
    case "length": {
      const minus = value < -5e-4 ? "−" : "";
      const size = Math.abs(value);
      return `${minus}${printLength(size, size < 1 ? fineStyle(units) : units.tape)}`;
    }
    case "time":
      return `${value.toFixed(2)} s`;
    case "share":
      return `${(100 * value).toFixed(0)} %`;
    case "yes":
      return value > 0.5 ? "yes" : "no";
  }
}

const BESIDES: Readonly<Record<string, string>> = {
  [NOTHING]: "Nothing is wrong",
  [ELSE]: "Something the library does not have",
};
const labelOf = (key: string) =>
  BESIDES[key] ??
  faultOf(key)?.label ??
  [...OUTSIDE, ...STRANGE].find((each) => each.key === key)?.label ??
  key;

/** Each figure beside what it would be by the card. */
function rowsOf({ measurement, figures }: Reading, card: Card, units: Units) {
  const of = measurementOf(measurement)!;
  const right = of.expects(rightSetup(card), card);
  return figures.map((figure, at) => ({
    label: of.reads[at]!.label,
    figure: figureOf(figure, of.reads[at]!.in, units),
    card: figureOf(right[at]!, of.reads[at]!.in, units),
  }));
}

function cardRows({ antenna, tool, length, width, row, on, off, speed }: Card, units: Units) {
  const long = (value: number) => figureOf(value, "length", units);
  return [
    { label: "Antenna, right positive", figure: long(antenna) },
    { label: "Tool, right positive", figure: long(tool) },
    { label: "Antenna to work, ahead positive", figure: long(length) },
    { label: "Working width", figure: long(width) },
    { label: "From row to row", figure: long(row) },
    { label: "Switches on, off", figure: `${on.toFixed(2)} s, ${off.toFixed(2)} s` },
    { label: "Speed at work", figure: `${(3.6 * speed).toFixed(1)} km/h` },
  ];
}

export type CaseView = ReturnType<typeof caseView>;

export function caseView(one: FaultCase, units: Units, withAdvice: boolean) {
  const { hidden } = one;
  const readings = readingsOf(one);
  const end = namedIn(one);
  const [seat, ...taken] = readings;
  return {
    id: one.id,
    person: one.person,
    when: moment(one.at),
    two: hidden.two,
    card: cardRows(hidden.card, units),
    seat: rowsOf(seat!, hidden.card, units),
    /** metres, as seen from the seat: for the drawing */
    joints: { up: seat!.figures[0]!, down: seat!.figures[1]!, width: hidden.card.width },
    taken: taken.map((reading) => {
      const { label, how, minutes } = measurementOf(reading.measurement)!;
      return { label, how, minutes, rows: rowsOf(reading, hidden.card, units) };
    }),
    minutes: minutesOf(readings),
    measurements: MEASUREMENTS.map(({ key, label, how, minutes }) => ({
      key,
      label,
      how,
      minutes,
      times: taken.filter(({ measurement }) => measurement === key).length,
    })),
    library: Object.entries(AREAS).map(([area, label]) => ({
      label,
      faults: FAULTS.filter((each) => each.area === area).map(({ key, label: name, correction }) => ({
        key,
        label: name,
        asks: correction && `${correction.asks}, ${unitOf(correction.in, units)}`,
      })),
    })),
    advice: withAdvice && !end ? adviceOf(one, readings) : null,
    score: end && scoreOf(one, end, units),
  };
}

const unitOf = (unit: Reads["in"], units: Units) =>
  unit === "length" ? bareUnit(units.tape) : unit === "time" ? "s" : "%";

/** Suspects that are likelier than so, and measurements worth naming. */
const LIKELY = 0.03;
const BEST = 3;

function adviceOf({ hidden }: FaultCase, readings: readonly Reading[]) {
  const weighing = weighingOf(hidden.card, hidden.two);
  const weights = weigh(weighing, readings);
  return {
    suspects: named(weighing, weights)
      .filter(({ share }) => share >= LIKELY)
      .slice(0, 6)
      .map(({ name, faults, share }) => ({
        name,
        label: faults.map(labelOf).join(", and: "),
        share: Math.round(100 * share),
      })),
    next: advise(
      weighing,
      weights,
      readings.map(({ measurement }) => measurement),
    )
      .slice(0, BEST)
      .map(({ measurement, bits }) => {
        const { label, minutes } = measurementOf(measurement)!;
        return { label, minutes, bits: bits.toFixed(2) };
      }),
  };
}

function scoreOf(one: FaultCase, { answer, score }: NonNullable<ReturnType<typeof namedIn>>, units: Units) {
  return {
    found: score.found,
    named: answer.faults.map(({ fault }) => labelOf(fault)).join(", and: "),
    truth:
      one.hidden.faults.length === 0
        ? [{ label: labelOf(NOTHING), cure: "", figure: null }]
        : one.hidden.faults.map(({ key }) => ({
            label: labelOf(key),
            cure: faultOf(key)?.cure ?? "No page of the library has it: it is found by what does not fit.",
            figure: rightFigure(score, key, units),
          })),
    errors: score.errors.map(({ fault, off, within, near }) => {
      const { in: unit, asks } = faultOf(fault)!.correction!;
      return {
        asks,
        off: off === null ? null : figureOf(Math.abs(off), unit, units),
        within: figureOf(within, unit, units),
        near,
      };
    }),
    minutes: score.minutes,
    best: {
      minutes: score.best.minutes,
      found: score.best.found,
      way: score.best.measurements.map((key) => measurementOf(key)!.label),
    },
    needless: score.needless.map((key) => measurementOf(key)!.label),
  };
}

function rightFigure({ truth }: Scored, key: string, units: Units): string | null {
  const figure = truth.find(({ fault }) => fault === key)?.figure ?? null;
  const correction = faultOf(key)?.correction;
  return figure === null || !correction
    ? null
    : `${correction.asks}: ${figureOf(figure, correction.in, units)}`;
}

/** So many of the newest cases stand in the logbook. */
const LISTED = 60;

export function logbookView(db: Database) {
  const cases = casesOf(db, LISTED);
  const rows = cases.map((one) => {
    const readings = readingsOf(one);
    const score = namedIn(one)?.score ?? null;
    return {
      id: one.id,
      person: one.person,
      when: moment(one.at),
      minutes: minutesOf(readings),
      what: score ? toBeNamed(one.hidden).map(labelOf).join(", and: ") : null,
      found: score?.found ?? null,
      near: score ? score.errors.every(({ near }) => near) : null,
      best: score?.best.minutes ?? null,
      needless: score?.needless.length ?? null,
    };
  });
  return {
    rows,
    people: peopleOf(cases),
    rigs: listRigs(db).map(({ id, name }) => ({ id, name })),
  };
}

/** What each person has practised: cases named, found, and in which area none was found yet. */
function peopleOf(cases: readonly FaultCase[]) {
  const by = new Map<string, { person: string; named: number; found: number; areas: Set<string> }>();
  for (const one of cases) {
    const end = namedIn(one);
    if (!end) continue;
    const row = by.get(one.person) ?? { person: one.person, named: 0, found: 0, areas: new Set<string>() };
    row.named += 1;
    if (end.score.found) {
      row.found += 1;
      for (const { key } of one.hidden.faults) row.areas.add(faultOf(key)?.area ?? NOTHING);
    }
    by.set(one.person, row);
  }
  return [...by.values()].map(({ areas, ...row }) => ({
    ...row,
    lacks: Object.entries(AREAS).flatMap(([area, label]) => (areas.has(area) ? [] : [label])),
  }));
}
