import { dimension } from "../../../core/dimension/catalogue.ts";
import { behindLabel, printLength } from "../../../core/quantity/length.ts";
import {
  fineLength,
  inWords,
  joined,
  quantity,
  type Said,
  tapeLength,
  tell,
} from "../../../core/quantity/said.ts";
import { fineStyle, type Units, unitOf } from "../../../core/quantity/units.ts";
import { known } from "../../../core/rig/whole.ts";
import { DEPTH_STEP } from "../../../core/subjects/ground/guide/depth.ts";
import {
  type Given,
  type GuideStep,
  movers,
  type SeenField,
} from "../../../core/subjects/ground/guide/guide.ts";
import { firstFurrow, type Marker } from "../../../core/subjects/ground/guide/marker.ts";
import { isLike, likest } from "../../../core/subjects/ground/guide/preset.ts";
import { SCHOOLS, type SchoolKey } from "../../../core/subjects/ground/guide/schools.ts";
import {
  cureOf,
  type StepStanding,
  type StripStanding,
} from "../../../core/subjects/ground/guide/standing.ts";
import { countSaid, stepsText, turnSaid, zoneSaid } from "../../../core/subjects/ground/words.ts";
import { type Look, MEASURES, MOISTURES, type Preset, SOILS, type Strip } from "../../../core/yard/ground.ts";
import { trueToolOf } from "../../../data/practice.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { settingName } from "./ground.dto.ts";
import { faultAt, toldBy } from "./keep-strip.server.ts";

export type StripView = NonNullable<ReturnType<typeof stripView>>;
export type StepView = StripView["steps"][number];
export type FieldView = StepView["fields"][number];

/** The guided strip of the tool in view; null where there is none for it. */
export function stripView(open: OpenRig) {
  const { judged, index, whole, preferences } = open;
  const standing = judged.reckoned.ground.strips.find(({ part }) => part === index);
  if (!standing) return null;
  const { guide, next, good, all } = standing;
  const { strip, presets, adjusters } = whole.ground[index]!;
  const practised = trueToolOf(open.db, open.rig) !== null;
  const named = new Map(adjusters.map(({ id, label }) => [id, label]));
  return {
    key: guide.key,
    title: guide.title,
    run: inWords(guide.strip, preferences.units),
    cautions: guide.cautions.map((each) => inWords(each, preferences.units)),
    begun: strip && { ...groundSaid(strip), field: strip.field, who: `${strip.person}, ${moment(strip.at)}` },
    /** of the simulated field */
    practised,
    good,
    all,
    next: next?.step.key ?? null,
    ploughing: guide.key === "plough" ? ploughingOf(standing, open) : null,
    steps: standing.steps.map((each, at) => stepView(each, at, standing, open, practised)),
    presets: (strip ? likest(presets, strip) : presets).map((each) =>
      presetView(each, strip, named, preferences.units),
    ),
    soils: Object.entries(SOILS),
    moistures: Object.entries(MOISTURES),
    /** what was typed last, to begin another with */
    last: { soil: strip?.soil ?? "", moisture: strip?.moisture ?? "", crop: strip?.crop ?? "" },
  };
}

/** The plough as it was found, to be drawn; null while nobody said how many bodies it has and how wide each cuts. */
function ploughingOf({ given }: StripStanding, { resolved, preferences }: OpenRig) {
  const [upright] = given.looksAt("upright");
  const [furrow] = given.looksAt("furrow");
  const [pull] = given.looksAt("pull");
  const bodies = furrow?.figures.bodies ?? known(resolved, "rows.count");
  const cut = furrow?.figures.cut ?? known(resolved, "rows.spacing");
  const depth = given.map?.fit.depth ?? given.wanted;
  if (bodies === null || cut === null || depth === null) return null;
  const found = furrow ? firstFurrow(furrow.figures as Marker) : null;
  const way = pull?.choices.way;
  return {
    units: preferences.units,
    found: {
      bodies,
      cut,
      depth,
      first: found?.ok ? found.first : cut,
      lean: upright
        ? ((upright.figures.right ?? 0) + (upright.figures.left ?? upright.figures.right ?? 0)) / 2
        : 0,
      pull: way === "ploughed" ? 1 : way === "unploughed" ? -1 : 0,
    },
  };
}

function groundSaid({ soil, moisture, crop }: Pick<Strip, "soil" | "moisture" | "crop">) {
  const told = [soil && SOILS[soil], moisture && MOISTURES[moisture], crop].filter(Boolean);
  return { ground: told.length > 0 ? told.join(", ").toLowerCase() : "soil not told" };
}

function presetView(preset: Preset, strip: Strip | null, named: ReadonlyMap<number, string>, units: Units) {
  const settings = [...preset.settings].flatMap(([id, steps]) => {
    const label = named.get(id);
    return label === undefined ? [] : [`${label} ${stepsText(steps)}`];
  });
  const reached: Said = preset.depth === null ? "" : tell`${fineLength(preset.depth)} reached. `;
  return {
    id: preset.id,
    name: preset.name,
    like: strip !== null && isLike(preset, strip),
    where: `${preset.field}, ${groundSaid(preset).ground}; ${preset.person}, ${moment(preset.at)}`,
    said: `${inWords(reached, units)}${settings.join(", ")}`,
    came: `${preset.good} of ${preset.all} steps were good`,
  };
}

const STATES = {
  spared: "Does not apply",
  "not yet": "Not looked at",
  turned: "Turned since",
  old: "Depth changed since",
} as const;
const VERDICTS = {
  good: "Good",
  fix: "To correct",
  check: "To look at",
  stop: "Stop",
  note: "Note",
  unknown: "Not known",
} as const;

function stepView(of: StepStanding, at: number, { given }: StripStanding, open: OpenRig, practised: boolean) {
  const { step, state, judgement, look, loops, learnt } = of;
  const { units } = open.preferences;
  const { said, cure, turn } = cureOf(of);
  const verdict =
    state === "judged" ? judgement!.verdict : state === "spared" ? ("good" as const) : ("unknown" as const);
  const turns = of.advice?.turns ?? [];
  return {
    key: step.key,
    number: at + 1,
    title: step.title,
    where: step.where === "yard" ? "on the yard's flat floor" : "after a strip",
    state,
    verdict,
    word: state === "judged" ? VERDICTS[verdict] : STATES[state],
    said: inWords(said, units),
    cure: state === "judged" ? inWords(cure, units) : "",
    /** where nothing can be turned as said */
    turn: turns.length === 0 ? inWords(turn, units) : "",
    comes: of.advice ? inWords(of.advice.comes, units) : "",
    turns: turns.map((each) => ({
      said: turnSaid(each),
      how: each.adjuster.how,
      /** as the form says where it then stands */
      name: settingName(each.adjuster.id),
      to: each.to,
    })),
    loops,
    how: step.how.map((each) => inWords(each, units)),
    caution: step.caution ?? "",
    /** the depth is entered in its map, not here */
    mapped: step.key === DEPTH_STEP,
    fields: step.fields.map((field) => fieldView(field, look, units)),
    ofMap: ofMapView(step, given, units),
    tells: tellsView(of, open),
    school: step.school ? schoolView(step.school, given.school(step.school), open) : null,
    before: given.looksAt(step.key).map((each) => ({
      id: each.id,
      said: seenSaid(step.fields, each, units),
      who: `${each.person}, ${moment(each.at)}`,
    })),
    learnt: learnt && {
      turned: learnt.turned
        .map(({ adjuster, steps }) => `${adjuster.label} ${countSaid(adjuster, steps)}`)
        .join(", "),
      came: inWords(
        tell`${learnt.told === null ? "" : tell`foretold ${changeSaid(learnt.measure, learnt.told)}, `}came ${changeSaid(learnt.measure, learnt.came)} (± ${figureSaid(learnt.measure, learnt.error)}, 1 σ)`,
        units,
      ),
      tells: learnt.each !== null && !learnt.done,
      wrongWay: learnt.wrongWay,
    },
    /** what moves it, by name */
    movers: movers(given.ground.adjusters, step.measures).map(({ label }) => label),
    runs: practised && (step.key === DEPTH_STEP || step.drill !== undefined),
    mends: practised && faultAt(open, of) !== null,
  };
}

function figureSaid(measure: keyof typeof MEASURES, value: number): Said {
  const { family } = MEASURES[measure];
  return family === "length" ? fineLength(value) : family === null ? "" : quantity(family, value);
}

function changeSaid(measure: keyof typeof MEASURES, by: number): Said {
  return tell`${figureSaid(measure, Math.abs(by))} ${by >= 0 ? MEASURES[measure].more : MEASURES[measure].less}`;
}

function schoolView(key: SchoolKey, followed: string, { whole, index, preferences }: OpenRig) {
  const { label, practices, why } = SCHOOLS[key];
  return {
    key,
    label,
    why,
    followed,
    chosen: whole.ground[index]!.schools.has(key),
    practices: Object.entries<Said>(practices).map(
      ([name, said]) => [name, inWords(said, preferences.units)] as const,
    ),
  };
}

function fieldView(field: SeenField, look: Look | null, units: Units) {
  const { key, label, hint = "", kind, optional = false } = field;
  const unit = unitFor(field, units);
  const sides = kind === "length" || kind === "measure" ? (field.sides ?? null) : null;
  return {
    key,
    kind,
    optional,
    hint,
    label: unit === "" ? label : `${label}${kind === "measure" ? `, ${unit}` : behindLabel(unit as never)}`,
    unit,
    words: sides && ([sides.plus, sides.minus] as const),
    choices: kind === "choice" ? Object.entries(field.choices) : [],
    /** so many fields are shown of what is taken several times */
    fewest: kind === "lengths" ? field.fewest : 1,
    typed:
      field.stays && look ? (kind === "choice" ? (look.choices[key] ?? "") : (look.texts[key] ?? "")) : "",
    /** which way, beside what was typed */
    word: "",
  };
}

/** A reading of the tool a good step measured as well, beside the one that counts; null where it measures none. */
function tellsView(of: StepStanding, { resolved, preferences: { units } }: OpenRig) {
  const found = toldBy(of);
  if (!found) return null;
  const { value, grade } = resolved.values[found.key];
  return {
    label: dimension(found.key, resolved).label,
    measured: inWords(tapeLength(found.value), units),
    now: value === null ? "not known" : `${inWords(tapeLength(value), units)}, ${grade}`,
    kept: value !== null && Math.abs(value - found.value) < SAME && grade !== "book",
  };
}

/** A tape reads no closer, metres. */
const SAME = 0.0005;

/** What the depth map says of a step as well: to be taken over. Null where it says nothing of it. */
function ofMapView(step: GuideStep, { map }: Given, units: Units) {
  const figures = map && step.ofMap?.(map);
  if (!figures) return null;
  return {
    said: `${map.map.field ? `${map.map.field}, ` : ""}${moment(map.map.at)}: ${inWords(joined(map.zones.map(zoneSaid), "; "), units)}`,
    typed: Object.fromEntries(
      step.fields.flatMap((field): [string, { text: string; word: string }][] => {
        const value = figures[field.key];
        if (value === undefined || field.kind !== "length") return [];
        const text = printLength(Math.abs(value), field.fine ? fineStyle(units) : units.small, {
          bare: true,
        });
        const word = field.sides && value !== 0 ? (value > 0 ? field.sides.plus : field.sides.minus) : "";
        return [[field.key, { text, word }]];
      }),
    ),
  };
}

/** What a bare number in the field means; empty where things are counted or chosen. */
function unitFor(field: SeenField, units: Units): string {
  if (field.kind === "measure") return unitOf(field.family, units);
  if (field.kind === "choice" || field.kind === "count") return "";
  return field.fine ? fineStyle(units) : units.small;
}

/** "Turning right 1.2° toward ploughed land; the tractor runs straight". */
function seenSaid(fields: readonly SeenField[], { figures, lists, choices }: Look, units: Units): string {
  const each = fields.flatMap((field): Said[] => {
    const { key, label } = field;
    const figure = figures[key];
    if (field.kind === "choice")
      return choices[key] === undefined
        ? []
        : [`${label}: ${(field.choices[choices[key]!] ?? choices[key]!).toLowerCase()}`];
    if (field.kind === "lengths")
      return lists[key]
        ? [
            tell`${label} ${joined(
              lists[key]!.map((value) => fineLength(value)),
              ", ",
            )}`,
          ]
        : [];
    if (figure === undefined) return [];
    if (field.kind === "count") return [`${label} ${figure}`];
    const sides = field.sides;
    const size = sides ? Math.abs(figure) : figure;
    const said: Said = field.kind === "measure" ? quantity(field.family, size) : fineLength(size);
    return [
      tell`${label} ${said}${sides && figure !== 0 ? ` ${figure > 0 ? sides.plus : sides.minus}` : ""}`,
    ];
  });
  return inWords(joined(each, "; "), units);
}
