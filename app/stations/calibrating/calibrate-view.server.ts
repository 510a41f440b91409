/** What the page of one calibration shows. */

import { costSaid, type Work } from "../../../core/calibration/cost.ts";
import { counted } from "../../../core/calibration/judge.ts";
import type { Asked, Filled } from "../../../core/calibration/kind.ts";
import { percent } from "../../../core/calibration/percent.ts";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../../../core/dimension/change.ts";
import { entryFigure, printEntry } from "../../../core/dimension/entry.ts";
import { drawRow, rowUnits } from "../../../core/drawing/boom.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { FAMILIES } from "../../../core/quantity/measure.ts";
import { inWords, type Said } from "../../../core/quantity/said.ts";
import { known } from "../../../core/rig/whole.ts";
import { positionsSaid } from "../../../core/subjects/rate/calibrations/stand.ts";
import { catchesOf, trayAt } from "../../../core/subjects/rate/calibrations/trays.ts";
import { KEPT_EVERY } from "../../../core/subjects/rate/calibrations/valve.ts";
import { spacingBins } from "../../../core/subjects/rate/count/stand.ts";
import { shapeOf } from "../../../core/trade/overlap.ts";
import { benchOf } from "../../../data/bench.ts";
import { productIn } from "../../../data/products.ts";
import { historyOf } from "../../../data/readings.ts";
import { day, moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { ABSENT, figureOfPart, printField, unitOfField } from "./asked-typed.ts";
import { nextOf, type SolvedCalibration, testedOf } from "./solved.server.ts";

export type FieldView = Asked & { unit: string; text: string };

export type CalibrateView = ReturnType<typeof calibrateView>;

/** Everything the page of a calibration shows, in the reader's units. */
export function calibrateView(open: OpenRig, solved: SolvedCalibration) {
  const { kind, calibration, setup, runs, outcome } = solved;
  const { resolved, preferences, db, rig } = open;
  const { units } = preferences;
  const say = (said: Said) => inWords(said, units);
  const fieldOf = (asked: Asked, filled: Filled): FieldView => {
    const unit = unitOfField(asked, units);
    if (asked.kind === "choice")
      return { ...asked, unit, text: filled.choices[asked.key] ?? asked.choices[0]!.key };
    const value = filled.figures[asked.key];
    return { ...asked, unit, text: value === undefined ? "" : printField(asked, value, unit) };
  };
  const truth = benchOf(db, rig.couplingId);
  const next = nextOf(open, solved);
  return {
    key: kind.key,
    title: kind.title,
    tells: kind.tells,
    kit: kind.kit,
    steps: kind.steps,
    cautions: kind.cautions,
    one: kind.one,
    enough: kind.enough,
    entered: kind.entered,
    /** its number, where it was begun */
    id: calibration?.id ?? null,
    begun: calibration ? `Begun ${moment(calibration.at)}, ${calibration.person}.` : "",
    setup: kind.setup.map((asked) => fieldOf(asked, setup)),
    setupSaid: setupSaid(kind.setup, setup, open),
    fields: kind.fields.map((asked) => fieldOf(asked, { figures: next, choices: {} })),
    parts: partsView(open, solved),
    spread: spreadView(open, solved),
    spacings: spacingsView(solved),
    followed: followedView(solved),
    runs: runs.map((run, at) => {
      const fitted = (outcome.constant ?? outcome.wanted)?.runs.find((each) => each.at === at);
      return {
        id: run.id,
        number: at + 1,
        text: [
          ...kind.fields.map((asked) => textOf(asked, kind.fields, run, open)),
          run.lists.positions ? say(positionsSaid(run.lists.positions)) : "",
        ]
          .filter(Boolean)
          .join(", "),
        off: fitted && !run.leftOut ? say(percent(fitted.off)) : "",
        share: fitted?.off ?? null,
        odd: (fitted?.odd ?? false) && !run.leftOut,
        leftOut: run.leftOut,
        simulated: run.simulated,
        by: run.person,
      };
    }),
    /** up to which share a run is as wanted; null where runs are held against each other */
    within: outcome.wanted?.within ?? null,
    found: foundView(open, solved),
    also: outcome.also.map(({ key, label, said }) => ({ key, label, said: say(said) })),
    next: outcome.next.map(say),
    barred: outcome.barred.map(say),
    costs: costsView(open, solved),
    history: kind.constant ? driftOf(open, kind.constant) : null,
    ended: open.whole.dose[open.index]!.ended.filter((each) => each.kind === kind.key)
      .slice(0, 6)
      .map((each) => ({
        id: each.id,
        said: [
          `${each.accepted ? "Accepted" : "Left as it stood"}${each.note ? `: ${each.note}` : ""}`,
          each.found !== null && kind.constant
            ? printEntry(dimension(kind.constant, resolved), each.found, units)
            : "",
          counted(each.runs, kind.one),
          each.had && each.found !== null ? `moved ${say(percent(each.found / each.had - 1))}` : "",
        ]
          .filter(Boolean)
          .join(", "),
        by: `${each.person}, ${moment(each.at)}`,
      })),
    bench: truth && kind.bench ? { score: scoreOf(open, solved) } : null,
  };
}

function textOf(
  asked: Asked,
  fields: readonly Asked[],
  run: SolvedCalibration["runs"][number],
  { preferences: { units } }: OpenRig,
): string {
  if (asked.kind === "choice")
    return asked.choices.find(({ key }) => key === run.choices[asked.key])?.label ?? "";
  const value = run.figures[asked.key];
  if (run.choices[asked.key] === ABSENT) return `${asked.label.toLowerCase()} --`;
  if (value === undefined) return "";
  if (asked.kind === "measure") {
    const said = printField(asked, value, unitOfField(asked, units));
    // Of several figures of one family each says which it is.
    const alike = fields.filter((each) => each.kind === "measure" && each.family === asked.family).length;
    return alike > 1 ? `${asked.label.toLowerCase()} ${said}` : said;
  }
  const said = String(Math.round(value));
  return asked.key === "place"
    ? `${asked.label.toLowerCase()} ${said}`
    : `${said} ${asked.label.toLowerCase()}`;
}

function setupSaid(
  asked: readonly Asked[],
  setup: SolvedCalibration["setup"],
  { preferences: { units } }: OpenRig,
): { label: string; said: string }[] {
  return asked.map((each) => {
    const value = setup.figures[each.key];
    const said =
      each.kind === "choice"
        ? each.choices.find(({ key }) => key === setup.choices[each.key])?.label
        : value === undefined
          ? undefined
          : printField(each, value, unitOfField(each, units));
    return { label: each.label, said: said ?? "not told" };
  });
}

function foundView(
  { resolved, preferences: { units } }: OpenRig,
  { outcome: { constant } }: SolvedCalibration,
) {
  if (!constant) return null;
  const entry = dimension(constant.key, resolved);
  const { estimate, had, moved, variation } = constant;
  const print = (value: number) => printEntry(entry, value, units);
  return {
    label: entry.label,
    value: print(estimate.value),
    half: estimate.half === null ? null : `± ${shareText(estimate.half / Math.abs(estimate.value || 1))}`,
    had: had === null ? null : print(had),
    moved: moved === null ? null : inWords(percent(moved), units),
    variation: variation === null ? null : inWords(percent(variation, { sign: false }), units),
  };
}

const shareText = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;

/** Every part or tray in its place, with what was entered of it and what was found. */
function partsView(open: OpenRig, { kind, outcome, runs, setup }: SolvedCalibration) {
  if (kind.entered === "singly") return null;
  const { resolved, preferences } = open;
  const trays = kind.entered === "in trays";
  const asked = figureOfPart(kind.fields);
  const unit = unitOfField(asked, preferences.units);
  const count = (trays ? setup.figures.count : known(resolved, "rows.count")) ?? 0;
  const tested = testedOf(open, kind);
  const found = new Map(outcome.parts.map((each) => [each.place, each]));
  const now = new Map(
    runs.flatMap((run) => (run.leftOut ? [] : [[run.figures.place, run.figures[asked.key]]])),
  );
  const good = outcome.parts.filter(({ state }) => state === "good");
  const mean = good.reduce((sum, { value }) => sum + value, 0) / Math.max(good.length, 1);
  const units = rowUnits(count, outcome.parts, mean);
  const sheet = (width: number) =>
    trays ? null : drawRow(units, kind.parts?.limit ?? 0.05, { width, height: 230 });
  const bad = outcome.parts.filter(({ state }) => state !== "good");
  return {
    one: kind.one,
    label: asked.label,
    unit,
    /** each with what was entered of it in this test */
    each: units.map(({ place }) => {
      const value = now.get(place);
      return {
        place,
        name: trays ? besideText(place, count, setup.figures.apart ?? 1, open) : String(place),
        now: value === undefined ? "" : printField(asked, value, unit),
        entered: now.has(place),
        state: found.get(place)?.state ?? null,
        stale: tested.find((part) => part.place === place)?.stale ?? false,
      };
    }),
    drawn: { desk: sheet(424), phone: sheet(358) },
    bad: bad.map(({ place }) => place),
    /** to be tested again: not good, or new since they were */
    again: [
      ...bad.filter(({ state }) => state === "odd" || state === "blocked").map(({ place }) => place),
      ...tested.filter(({ stale, place }) => stale && !found.has(place)).map(({ place }) => place),
    ].sort((a, b) => a - b),
    /** something is on record that may be changed */
    kept: tested.length > 0 && kind.renew !== undefined,
  };
}

/** Where a tray lies: "3 m left". */
function besideText(
  place: number,
  count: number,
  apart: number,
  { preferences: { units } }: OpenRig,
): string {
  const x = trayAt(place, count, apart);
  return x === 0 ? "middle" : `${printLength(Math.abs(x), units.tape)} ${x > 0 ? "right" : "left"}`;
}

/** How the rate followed after the speed went up, in the last try of the bench; null where none was made there. */
function followedView({ runs }: SolvedCalibration) {
  const last = runs.findLast(({ lists }) => lists.share !== undefined);
  return last
    ? {
        tried: last.figures.tried ?? 0,
        points: last.lists.share!.map((share, at) => ({ at: at * KEPT_EVERY, share: 100 * share })),
      }
    : null;
}

/** How often each spacing came along the rows whose tape was read; null where none was. */
function spacingsView({ kind, setup, runs }: SolvedCalibration) {
  const { wanted } = setup.figures;
  const rows = runs.flatMap(({ leftOut, lists }) => (leftOut || !lists.positions ? [] : [lists.positions]));
  return kind.entered === "tapped" && wanted !== undefined && rows.length > 0
    ? spacingBins(rows, wanted)
    : null;
}

/** What was caught across the swath, laid over itself; null of anything but trays. */
function spreadView(open: OpenRig, { kind, setup, runs, left }: SolvedCalibration) {
  if (kind.entered !== "in trays") return null;
  const catches = catchesOf({ setup, runs, left });
  if (catches.length < 3) return null;
  return {
    catches,
    spacing: setup.figures.spacing ?? null,
    turned: setup.choices.way !== "round",
    shift: shapeOf(catches).shift,
    units: open.preferences.units,
  };
}

const RATES = ["rate.liquid", "rate.seed", "rate.seeds", "rate.spread"] as const;

/** What is to be done with the tool in view, as far as anybody told. */
export function workOf({ db, rig, resolved }: OpenRig): Work {
  const key = RATES.find((each) => known(resolved, each) !== null);
  const loaded = productIn(db, rig.implement.id);
  return {
    area: known(resolved, "work.area"),
    rate: key ? { family: dimension(key, resolved).family as never, value: known(resolved, key)! } : null,
    price: loaded && loaded.price !== null ? { each: loaded.price, money: loaded.money } : null,
  };
}

function costsView(open: OpenRig, { kind, outcome: { constant } }: SolvedCalibration) {
  if (!constant?.had || !kind.costs) return null;
  const { units } = open.preferences;
  const work = workOf(open);
  return {
    said: costSaid(kind.costs(constant.estimate.value / constant.had), work).map((each) =>
      inWords(each, units),
    ),
    /** nobody told how large the field is: what it comes to is not said */
    field: work.area !== null,
  };
}

/** Marked on the life of every constant, whether they touch it or not: one sees what came with a jump. */
const MARKED: readonly ChangeKind[] = [
  "product",
  "nozzles",
  "meters",
  "flow meter",
  "weighing",
  "spread set",
  "tractor tyres",
  "tool wheels",
];

/** How a constant stood over its life, with what was changed meanwhile. */
export function driftOf(
  { db, rig, resolved, changes, preferences: { units }, whole, index }: OpenRig,
  key: DimensionKey,
) {
  const entry = dimension(key, resolved);
  const { ended } = whole.dose[index]!;
  const unit = entry.family === null ? "" : Object.keys(FAMILIES[entry.family])[0]!;
  const points = historyOf(db, rig, key)
    .filter(({ takenBack }) => !takenBack)
    .map(({ id, value, measuredAt, person }) => ({
      at: Date.parse(measuredAt),
      value,
      said: `${inWords(entryFigure(entry, value), units)}, ${day(measuredAt)}, ${person}`,
      calibrated: ended.some((each) => each.reading === id),
    }))
    .sort((a, b) => a.at - b.at);
  if (points.length === 0) return null;
  const first = points[0]!.value;
  return {
    label: entry.label,
    unit,
    points: points.map((each) => ({ ...each, share: first === 0 ? 0 : each.value / first - 1 })),
    changes: changes
      .filter(({ kind }) => entry.touchedBy.includes(kind) || MARKED.includes(kind))
      .map(({ kind, at, note }) => ({ at: Date.parse(at), said: note || CHANGES[kind].label })),
  };
}

/** How well a test of the bench was made: by how much what is on record differs from the truth, or which parts that are wrong were named. */
function scoreOf(open: OpenRig, solved: SolvedCalibration) {
  const { db, rig, resolved } = open;
  const { kind, setup } = solved;
  const truth = benchOf(db, rig.couplingId);
  if (!truth) return null;
  if (kind.reallyWrong) return partsScore(kind.reallyWrong(truth), solved);
  const entry = kind.constant && resolved.values[kind.constant];
  const real = kind.truthOf
    ? kind.truthOf(truth, setup, resolved)
    : ((kind.constant && truth.constants[kind.constant]) ?? null);
  if (!entry || entry.value === null || real === null || entry.reading?.instrument !== "field test")
    return null;
  // A share is held against by points, a figure by its own size.
  const share = entry.key && dimension(entry.key, resolved).family === "ratio";
  const error = share || real === 0 ? entry.value - real : entry.value / real - 1;
  return {
    error: shareText(Math.abs(error)),
    said: `What is on record differs from the truth by ${shareText(Math.abs(error))}`,
    verdict: Math.abs(error) < 0.01 ? "well done" : Math.abs(error) < 0.02 ? "good enough" : "not there yet",
  };
}

/** Of parts that are really wrong so many were named, and so many that are not. */
function partsScore(wrong: readonly number[], { outcome }: SolvedCalibration) {
  const named = outcome.parts.filter(({ state }) => state !== "good").map(({ place }) => place);
  if (outcome.parts.length === 0) return null;
  const found = wrong.filter((place) => named.includes(place)).length;
  const inVain = named.length - found;
  return {
    error: `${wrong.length - found} missed, ${inVain} in vain`,
    said: `Of ${wrong.length} that are really wrong ${found} are named${inVain > 0 ? `, and ${inVain} that ${inVain === 1 ? "is" : "are"} not` : ""}`,
    verdict: found < wrong.length ? "not there yet" : inVain > 0 ? "good enough" : "well done",
  };
}
