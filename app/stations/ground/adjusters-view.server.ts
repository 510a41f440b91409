import { drawAdjusters } from "../../../core/drawing/adjusters.ts";
import { fineLength, inWords } from "../../../core/quantity/said.ts";
import { fineStyle, type Units, unitOf } from "../../../core/quantity/units.ts";
import type { Guide } from "../../../core/subjects/ground/guide/guide.ts";
import { figureOf } from "../../../core/subjects/ground/guide/judging.ts";
import { pairsOf } from "../../../core/subjects/ground/pairs.ts";
import { stepsText } from "../../../core/subjects/ground/words.ts";
import {
  type Acts,
  ADJUSTER_FORMS,
  type Adjuster,
  MEASURES,
  type StepEffect,
} from "../../../core/yard/ground.ts";
import type { Past } from "../../../data/components.ts";
import { settingHistory } from "../../../data/ground.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { asTyped } from "./adjuster-typed.ts";
import { settingName } from "./ground.dto.ts";

/** Width of each drawing, pixels: on the page, and side by side on paper. */
export const SHEETS = { page: 640, paper: 372 };

export type AdjustersView = ReturnType<typeof adjustersView>;
export type AdjusterView = AdjustersView["groups"][number]["members"][number];

/** The adjusters of the tool in view: where they sit, where they stand and stood, left beside right. */
export function adjustersView(open: OpenRig, guide: Guide | null, width = SHEETS.page) {
  const { db, whole, index, resolved, preferences } = open;
  const { units } = preferences;
  const { adjusters } = whole.ground[index]!;
  const past = settingHistory(
    db,
    adjusters.map(({ id }) => id),
  );
  const drawn = drawAdjusters(resolved, adjusters, width, units);
  return {
    count: adjusters.length,
    drawn,
    /** by number, those nobody said of where they sit */
    unplaced: adjusters.flatMap(({ x, y }, at) => (x === null || y === null ? [at + 1] : [])),
    names: adjusters.map(({ id, label }) => [String(id), label] as const),
    groups: pairsOf(adjusters).map((together) => groupOf(together, adjusters, past, units)),
    measures: measuresOf(guide, units),
    tape: units.tape,
    fine: fineStyle(units),
  };
}

/** Left before right, where it is known which is which. */
function leftFirst(together: readonly Adjuster[]): Adjuster[] {
  return [...together].sort((a, b) => (a.y ?? 0) - (b.y ?? 0) || Number(isRight(a)) - Number(isRight(b)));
}

const isRight = ({ label }: Adjuster) => /\bright\b/i.test(label);

function groupOf(
  together: readonly Adjuster[],
  all: readonly Adjuster[],
  past: ReadonlyMap<number, Past[]>,
  units: Units,
) {
  const members = leftFirst(together);
  return {
    key: members.map(({ id }) => id).join(" "),
    /** how they are kept to each other; empty for one alone */
    kept: keptSaid(members),
    members: members.map((each) => adjusterRow(each, all, past.get(each.id) ?? [], units)),
    history: historyOf(
      members.map(({ label }) => label),
      members.map(({ id }) => past.get(id) ?? []),
    ),
  };
}

function keptSaid(members: readonly Adjuster[]): string {
  const higher = members.find(({ pair }) => pair);
  if (!higher || members.length < 2) return "";
  const { difference } = higher.pair!;
  if (difference === 0) return "kept equal";
  return `${higher.label} kept ${Math.abs(difference)} ${difference > 0 ? "above" : "below"} the other on purpose`;
}

/** What was set at one moment by one person stands in one line. */
function historyOf(labels: readonly string[], past: readonly (readonly Past[])[]) {
  const lines = new Map<string, { at: string; who: string; cells: (string | null)[] }>();
  for (const [column, rows] of past.entries())
    for (const { value, person, at } of rows) {
      const key = `${at} ${person}`;
      const line = lines.get(key) ?? { at, who: person, cells: labels.map(() => null) };
      line.cells[column] ??= stepsText(value);
      lines.set(key, line);
    }
  return {
    labels,
    lines: [...lines.values()]
      .sort((a, b) => b.at.localeCompare(a.at))
      .map(({ at, who, cells }) => ({ when: moment(at), who, cells })),
  };
}

function adjusterRow(adjuster: Adjuster, all: readonly Adjuster[], past: readonly Past[], units: Units) {
  const { id, label, form, low, high, storage, start, effect, acts, how, setting, master } = adjuster;
  const { label: kind, step, steps } = ADJUSTER_FORMS[form];
  const does = acts ? actsWords(acts, units) : effect && effectWords(effect, units);
  const before = past.find(({ value }) => value !== setting);
  return {
    id,
    number: all.findIndex((each) => each.id === id) + 1,
    name: settingName(id),
    label,
    kind,
    steps,
    low,
    high,
    start,
    range: [
      `${stepsText(low)} to ${stepsText(high)}`,
      ...(start === null ? [] : [`starts at ${stepsText(start)}`]),
      ...(storage === null ? [] : [`stored at ${stepsText(storage)}`]),
    ].join(", "),
    effect:
      does === null
        ? "what a step does is not known"
        : `one ${step} more: ${does}; ${sureSaid(adjuster, units)}`,
    follows: all.find((each) => each.id === master)?.label ?? "",
    before: before ? `before ${stepsText(before.value)} (${before.person}, ${moment(before.at)})` : "",
    how,
    setting,
    typed: asTyped(adjuster, units),
  };
}

/** "width of the first furrow 14 mm narrower"; what nobody knows is said. */
function actsWords({ measure, by }: Acts, units: Units): string {
  const { label, more, less, family } = MEASURES[measure];
  if (by === null) return `${label}, how far nobody knows`;
  const way = by > 0 ? more : less;
  return family === null
    ? `${label} ${way}`
    : `${label} ${inWords(figureOf(measure, Math.abs(by)), units)} ${way}`;
}

/** "as told", "learnt, ± 1.1 mm in front, ± 0.8 mm behind, ± 2 mm across (1 σ)". */
function sureSaid({ learntFrom, error, acts }: Adjuster, units: Units): string {
  if (learntFrom === null) return "as told";
  if (error === null) return "learnt";
  const fine = (value: number) => inWords(fineLength(value), units);
  const said =
    typeof error === "number"
      ? `± ${inWords(figureOf(acts!.measure, error), units)}`
      : `± ${fine(error.front)} in front, ± ${fine(error.rear)} behind, ± ${fine(error.across)} across`;
  return `learnt, ${said} (1 σ)`;
}

/** What an adjuster of this tool may be told to move, besides its depth. */
function measuresOf(guide: Guide | null, units: Units) {
  const keys = new Set((guide?.steps ?? []).flatMap(({ measures }) => measures));
  return [...keys].map((key) => {
    const { label, more, less, family } = MEASURES[key];
    const unit = family === null ? "" : family === "length" ? fineStyle(units) : unitOf(family, units);
    return { key: key as string, label, more, less, unit };
  });
}

/** What is learnt comes out at nothing by a few hundredths of a millimetre, metres. */
const UNSEEN = 5e-5;

/** "10 mm shallower in front, 1 mm shallower behind". */
function effectWords({ front, rear, across }: StepEffect, units: Units): string {
  const part = (by: number, where: string) =>
    Math.abs(by) < UNSEEN
      ? []
      : [`${inWords(fineLength(Math.abs(by)), units)} ${by > 0 ? "deeper" : "shallower"} ${where}`];
  const all = [
    ...part(front, "in front"),
    ...part(rear, "behind"),
    ...part(across, "on the right than on the left"),
  ];
  return all.join(", ") || "nothing";
}
