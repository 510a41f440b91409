import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { fineStyle, type Units, unitOf } from "../../../core/quantity/units.ts";
import { known } from "../../../core/rig/whole.ts";
import { ACROSS, gridOf, type Place } from "../../../core/subjects/ground/grid.ts";
import { type GroundOf, worksTheSoil } from "../../../core/subjects/ground/ground-of-rig.ts";
import { DEPTH_STEP } from "../../../core/subjects/ground/guide/depth.ts";
import type { Guide } from "../../../core/subjects/ground/guide/guide.ts";
import { guideFor } from "../../../core/subjects/ground/guide/index.ts";
import { figureOf } from "../../../core/subjects/ground/guide/judging.ts";
import {
  cameSaid,
  offSaid,
  stepsText,
  thenSaid,
  turnedSaid,
  turnSaid,
} from "../../../core/subjects/ground/words.ts";
import {
  type Acts,
  ADJUSTER_FORMS,
  type Adjuster,
  MEASURES,
  type StepEffect,
} from "../../../core/yard/ground.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { settingName } from "./ground.dto.ts";

/** Size of the drawn map, pixels: its height follows from the tool, within these. */
const SHEET = { width: 640, margin: 46, least: 120, most: 260 };

export type GroundView = ReturnType<typeof groundView>;

/** The ground under the tool in view: its newest map, what to turn, its adjusters, and the form for the next map. */
export function groundView(open: OpenRig) {
  const { whole, index, judged, preferences, resolved } = open;
  const { units } = preferences;
  const part = whole.parts[index]!;
  const { adjusters } = whole.ground[index]!;
  const guide = guideFor(resolved.tool);
  const of = judged.reckoned.ground.maps.find((each) => each.part === index) ?? null;
  const wanted = of?.map.wanted ?? known(resolved, "work.depth");
  const across = of ? acrossOf(of) : ACROSS.usual;
  return {
    /** false for what works at no depth */
    digs: worksTheSoil(part),
    guided: guide !== null,
    /** a depth map is of use: a tool whose guide asks for none has none */
    mapped: worksTheSoil(part) && (guide === null || guide.steps.some(({ key }) => key === DEPTH_STEP)),
    measures: measuresOf(guide, units),
    map: of && mapView(of, open),
    adjusters: adjusters.map((each) => adjusterRow(each, open)),
    form: {
      style: units.small,
      fine: fineStyle(units),
      wanted: wanted === null ? "" : printLength(wanted, units.small, { bare: true }),
      across,
      /** places for each number of points across */
      places: Object.fromEntries(
        Array.from({ length: ACROSS.most - ACROSS.fewest + 1 }, (_, at) => {
          const count = ACROSS.fewest + at;
          return [count, gridOf(part, count)];
        }),
      ) as Record<number, Place[]>,
    },
  };
}

/** How many points the last map had across. */
function acrossOf({ map }: GroundOf): number {
  const numbers = map.points.map(({ label }) => Number(/\d+$/.exec(label)?.[0] ?? 0));
  return Math.min(ACROSS.most, Math.max(ACROSS.fewest, ...numbers));
}

function mapView(of: GroundOf, { preferences: { units } }: OpenRig) {
  const { map, fit, off, advice, learnt } = of;
  const scale = (SHEET.width - 2 * SHEET.margin) / Math.max(of.wide, 0.1);
  const height = Math.min(SHEET.most, Math.max(SHEET.least, of.long * scale + 2 * SHEET.margin));
  const deepest = Math.max(
    of.tolerance.depth * 2,
    ...map.points.map(({ depth }) => Math.abs(depth - map.wanted)),
  );
  return {
    field: map.field,
    when: `${map.person}, ${moment(map.at)}`,
    wanted: printLength(map.wanted, units.small),
    width: SHEET.width,
    height,
    points: map.points.map(({ label, x, y, depth }, at) => ({
      label,
      x: SHEET.width / 2 + y * scale,
      y: height / 2 - x * Math.min(scale, (height - 2 * SHEET.margin) / Math.max(of.long, 0.1)),
      depth: printLength(depth, units.small, { bare: true }),
      by: printLength(depth - map.wanted, fineStyle(units), { signed: true }),
      /** −1 much too shallow … 1 much too deep, for its shade */
      shade: (depth - map.wanted) / deepest,
      odd: fit.odd.includes(at),
    })),
    off: off.map((each) => ({
      key: each.key,
      said: inWords(offSaid(each), units),
      good: Math.abs(each.off) <= each.tolerance,
    })),
    learnt: learnt && {
      turned: turnedSaid(learnt),
      came: learnt.came.map((each) => inWords(cameSaid(each), units)),
      /** what a step does can be taken over */
      tells: learnt.effect !== null && !learnt.done,
      shared: learnt.effect?.shared ?? false,
      wrongWay: learnt.wrongWay,
    },
    /** the first thing to do is to measure a point again */
    odd: fit.odd.length > 0,
    advice: advice && {
      after: inWords(thenSaid(advice), units),
      within: advice.within,
      turns: advice.turns.map((turn) => ({
        id: turn.adjuster.id,
        name: settingName(turn.adjuster.id),
        said: turnSaid(turn),
        to: turn.to,
        how: turn.adjuster.how,
      })),
    },
  };
}

function adjusterRow(adjuster: Adjuster, { preferences: { units } }: OpenRig) {
  const { id, label, form, low, high, storage, effect, acts, how, setting } = adjuster;
  const { label: kind, step, steps } = ADJUSTER_FORMS[form];
  const does = acts ? actsWords(acts, units) : effect && effectWords(effect, units);
  return {
    id,
    name: settingName(id),
    label,
    kind,
    steps,
    range: `${stepsText(low)} to ${stepsText(high)}${storage === null ? "" : `, stored at ${stepsText(storage)}`}`,
    effect: does === null ? "what a step does is not known" : `one ${step} more: ${does}`,
    how,
    setting,
  };
}

/** "width of the first furrow 14 mm the other way"; what nobody knows is said. */
function actsWords({ measure, by }: Acts, units: Units): string {
  const { label, more, family } = MEASURES[measure];
  if (by === null) return `${label}, how far nobody knows`;
  const way = by > 0 ? more : `less (${more} backward)`;
  return family === null
    ? `${label} ${way}`
    : `${label} ${inWords(figureOf(measure, Math.abs(by)), units)} ${way}`;
}

/** What an adjuster of this tool may be told to move, besides its depth. */
function measuresOf(guide: Guide | null, units: Units) {
  const keys = new Set((guide?.steps ?? []).flatMap(({ measures }) => measures));
  return [...keys].map((key) => {
    const { label, more, family } = MEASURES[key];
    const unit = family === null ? "" : family === "length" ? fineStyle(units) : unitOf(family, units);
    return { key, label, more, unit };
  });
}

/** "10 mm shallower in front, 1 mm shallower behind". */
function effectWords({ front, rear, across }: StepEffect, units: Units): string {
  const part = (by: number, where: string) =>
    by === 0
      ? []
      : [`${printLength(Math.abs(by), fineStyle(units))} ${by > 0 ? "deeper" : "shallower"} ${where}`];
  const all = [
    ...part(front, "in front"),
    ...part(rear, "behind"),
    ...part(across, "on the right than on the left"),
  ];
  return all.join(", ") || "nothing";
}
