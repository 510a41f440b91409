import { v4 as uuid } from "uuid";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { known } from "../../../core/rig/whole.ts";
import { dug, type Fault, type TrueTool, worldOf } from "../../../core/simulation/tool.ts";
import { gridOf } from "../../../core/subjects/ground/grid.ts";
import { longOf, questionedTwice } from "../../../core/subjects/ground/ground-of-rig.ts";
import { DEPTH_STEP } from "../../../core/subjects/ground/guide/depth.ts";
import { isSchool, SCHOOLS } from "../../../core/subjects/ground/guide/schools.ts";
import {
  isGood,
  type StepStanding,
  type StripStanding,
} from "../../../core/subjects/ground/guide/standing.ts";
import type { Turn } from "../../../core/subjects/ground/turning.ts";
import { settingsNow } from "../../../core/yard/ground.ts";
import { keepDepthMap, keepSetting, learnAmount, mapsOf } from "../../../data/ground.ts";
import { mendTool, trueToolOf } from "../../../data/practice.ts";
import { keepReading } from "../../../data/readings.ts";
import type { Told } from "../../../data/record.ts";
import { beginStrip, followSchool, keepLook, keepPreset } from "../../../data/strips.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { idOf } from "../reading/entry-ids.ts";
import { written } from "../writing/written.server.ts";
import { readSteps, settingName } from "./ground.dto.ts";
import { readSeen } from "./seen.ts";
import {
  ALL_STEPS,
  BeginStripDto,
  FollowSchoolDto,
  KeepLookDto,
  KeepPresetDto,
  OfStepDto,
  SetAsKeptDto,
} from "./strip.dto.ts";

const NO_GUIDE: Outcome = refused({ form: "There is no guided strip for this tool." });
const NOT_BEGUN: Outcome = refused({ form: "Begin a strip first: for which field?" });

const stripOf = ({ judged, index }: OpenRig): StripStanding | null =>
  judged.reckoned.ground.strips.find(({ part }) => part === index) ?? null;

const stepOf = (open: OpenRig, key: string): StepStanding | null =>
  stripOf(open)?.steps.find(({ step }) => step.key === key) ?? null;

const NO_STEP: Outcome = refused({ form: "There is no such step." });

/** Begins a strip: what was looked at before belongs to the one before. */
export const keepBegunStrip = written(BeginStripDto, ({ open, value, told }): Outcome => {
  if (!stripOf(open)) return NO_GUIDE;
  const { id, field, soil, moisture, crop } = value;
  const ground = { id, field, crop, soil: soil || null, moisture: moisture || null };
  beginStrip(open.db, open.rig.couplingId, ground, told);
  return kept(`Strip begun on ${field}`, { id, undo: { intent: "take-back", id } });
});

/** Keeps what was seen at a step, all of it or nothing. */
export const keepSeen = written(KeepLookDto, ({ open, value: { id, step: key }, told, form }): Outcome => {
  const { db, whole, index } = open;
  const { strip, adjusters } = whole.ground[index]!;
  const of = stepOf(open, key);
  if (!of || of.step.fields.length === 0) return NO_STEP;
  if (!strip) return NOT_BEGUN;
  const read = readSeen(of.step.fields, form, of.step.wrong);
  if (!read.ok) return refused(read.errors);
  keepLook(db, strip.id, settingsNow(adjusters), { id, step: key, ...read.seen, texts: read.texts }, told);
  return kept("", { id });
});

/**
 * The adjusters were turned as a step said. What the page said then is kept: sent later, the advice may be another by now. A form that says nothing
 * of it is taken at what the step says now.
 */
export const keepTurned = written(OfStepDto, ({ open, value: { step: key }, told, form }): Outcome => {
  const of = stepOf(open, key);
  if (!of) return NO_STEP;
  const { adjusters } = open.whole.ground[open.index]!;
  const said = adjusters.flatMap((adjuster) => {
    const to = readSteps(String(form.get(settingName(adjuster.id)) ?? ""));
    return to === null || to === adjuster.setting ? [] : [{ adjuster, to }];
  });
  const turns: readonly Pick<Turn, "adjuster" | "to">[] = said.length > 0 ? said : (of.advice?.turns ?? []);
  if (turns.length === 0) return refused({ form: "Nothing is to be turned here." });
  setAll(
    open,
    turns.map(({ adjuster: { id }, to }) => [id, to] as const),
    told,
  );
  return kept(`Set: ${turns.map(({ adjuster, to }) => `${adjuster.label} ${to}`).join(", ")}`);
});

function setAll(
  { db }: OpenRig,
  settings: readonly (readonly [id: number, steps: number])[],
  told: Told,
): void {
  db.transaction(() => {
    for (const [id, steps] of settings) keepSetting(db, id, steps, told);
  });
}

/** From now on a step of an adjuster does what the last turning did. */
export const keepLearntAmount = written(OfStepDto, ({ open, value: { step: key }, told }): Outcome => {
  const learnt = stepOf(open, key)?.learnt;
  if (!learnt?.each || learnt.done)
    return refused({ form: "Nothing was turned by itself since the look before." });
  const { each } = learnt;
  learnAmount(
    open.db,
    open.rig.implement.id,
    new Map(learnt.turned.map(({ adjuster: { id } }) => [id, each])),
    learnt.from,
    told,
  );
  return kept(`Reckoned with as it came: ${learnt.turned.map(({ adjuster }) => adjuster.label).join(", ")}`);
});

/** The reading of the tool a step measured as well; null where it measures none, or is not good. */
export function toldBy(of: StepStanding) {
  const { step, look } = of;
  return look && of.state === "judged" && isGood(of) ? (step.tells?.(look) ?? null) : null;
}

/** Keeps what a step measured of the tool as a reading of it, taped. The same look is kept once. */
export const keepMeasured = written(OfStepDto, ({ open, value: { step: key }, told }): Outcome => {
  const { db, rig, resolved } = open;
  const of = stepOf(open, key);
  const found = of && toldBy(of);
  if (!of?.look || !found) return refused({ form: "Nothing was measured there that is good." });
  const { label } = dimension(found.key, resolved);
  const id = idOf(of.look.id, 0);
  keepReading(db, rig, {
    id,
    sitting: id,
    key: found.key,
    rawText: printLength(found.value, "m"),
    value: found.value,
    step: 0.001,
    instrument: "tape",
    ...told,
  });
  return kept(`${label} saved: ${printLength(found.value, open.preferences.units.tape)}`, { id });
});

/** Keeps what the strip came to, for the next time in like ground. */
export const keepReached = written(KeepPresetDto, ({ open, value: { id, name }, told }): Outcome => {
  const { db, rig, whole, index } = open;
  const standing = stripOf(open);
  const { strip, adjusters } = whole.ground[index]!;
  if (!standing) return NO_GUIDE;
  if (!strip) return NOT_BEGUN;
  const { good, all, given } = standing;
  const { field, soil, moisture, crop } = strip;
  const depth = given.map?.fit.depth ?? null;
  keepPreset(
    db,
    rig.implement.id,
    settingsNow(adjusters),
    { id, name, field, soil, moisture, crop, depth, good, all },
    told,
  );
  return kept(`Kept as ${name}: ${good} of ${all} steps good`, { id, undo: { intent: "take-back", id } });
});

/** The adjusters were set as they were kept. */
export const keepAsBefore = written(SetAsKeptDto, ({ open, value, told }): Outcome => {
  const { adjusters, presets } = open.whole.ground[open.index]!;
  const preset = presets.find(({ id }) => id === value.preset);
  if (!preset) return refused({ form: "There is no such set of figures." });
  const set = adjusters.flatMap(({ id, setting }) => {
    const steps = preset.settings.get(id);
    return steps === undefined || steps === setting ? [] : [[id, steps] as const];
  });
  if (set.length === 0) return refused({ form: "They stand so already." });
  setAll(open, set, told);
  return kept(`Set as on ${preset.field}: ${set.length} adjusters`);
});

/** Follows a school, on this rig or in the whole yard. */
export const keepSchool = written(
  FollowSchoolDto,
  ({ open, value: { school, practice, of }, told }): Outcome => {
    if (!isSchool(school)) return refused({ form: "There is no such choice." });
    if (practice !== "" && !Object.hasOwn(SCHOOLS[school].practices, practice))
      return refused({ form: "There is no such practice." });
    if (practice === "" && of === "yard") return refused({ form: "The yard follows one of them." });
    followSchool(
      open.db,
      { key: school, couplingId: of === "rig" ? open.rig.couplingId : null, practice: practice || null },
      told,
    );
    return kept("");
  },
);

const NO_PRACTICE: Outcome = refused({
  form: "This rig stands in the yard: make a practice copy of it first.",
});

/** Across the simulated tool so many points are dug. */
const DUG_ACROSS = 7;

/** The simulated tool runs a strip, and a step is looked at on it, or all that want a look. */
export const keepRunStrip = written(OfStepDto, ({ open, value: { step: key }, told }): Outcome => {
  const { db, rig, whole, index } = open;
  const tool = trueToolOf(db, rig);
  const standing = stripOf(open);
  if (!tool) return NO_PRACTICE;
  if (!standing) return NO_GUIDE;
  if (!whole.ground[index]!.strip) return NOT_BEGUN;
  const asked = standing.steps.filter((of) => (key === ALL_STEPS ? wantsLook(of) : of.step.key === key));
  if (asked.length === 0)
    return key === ALL_STEPS
      ? refused({ form: "Nothing wants a look: do first what the next step says." })
      : NO_STEP;
  const [problem] = db.transaction(() =>
    asked.flatMap((of) => lookSimulated(open, tool, standing, of, told) ?? []),
  );
  if (problem && asked.length === 1) return refused({ form: problem });
  const what = asked.length === 1 ? asked[0]!.step.title.toLowerCase() : `${asked.length} things`;
  return kept(`Strip run, ${what} looked at.${problem ? ` ${problem}` : ""}`);
});

/** What was never looked at, was turned or mended since, or says nothing that can be turned. */
function wantsLook(of: StepStanding): boolean {
  return !isGood(of) && (of.advice?.turns ?? []).length === 0;
}

/** Looks at one step of the simulated tool and keeps what was seen; what hinders it is said. */
function lookSimulated(
  open: OpenRig,
  tool: TrueTool,
  { given }: StripStanding,
  of: StepStanding,
  told: Told,
): string | null {
  const { strip, adjusters } = open.whole.ground[open.index]!;
  const settings = settingsNow(adjusters);
  if (of.step.key === DEPTH_STEP) return digSimulated(open, tool, settings, told);
  if (!of.step.drill) return "This is looked at on the iron alone.";
  const seen = of.step.drill(worldOf(tool, settings, of.loops), given);
  keepLook(open.db, strip!.id, settings, { id: uuid(), step: of.step.key, ...seen, texts: {} }, told);
  return null;
}

function digSimulated(
  { db, rig, whole, index }: OpenRig,
  tool: TrueTool,
  settings: ReadonlyMap<number, number>,
  told: Told,
): string | null {
  const part = whole.parts[index]!;
  const { strip, map } = whole.ground[index]!;
  const wide = known(part.rig, "tool.width");
  const wanted = known(part.rig, "work.depth") ?? map?.wanted ?? null;
  if (wide === null) return "Give the working width first: the points lie across it.";
  if (wanted === null) return "Say first how deep it shall work.";
  const run = mapsOf(db, [rig.couplingId]).get(rig.couplingId)?.length ?? 0;
  const points = dug(tool, gridOf(part, DUG_ACROSS), { long: longOf(part), wide, run }, settings);
  if (points.length === 0) return "The simulated tool works at no depth.";
  keepDepthMap(db, rig, { field: strip!.field, wanted, points, id: uuid() }, told);
  return null;
}

/** The fault a step shows that no screw cures; null: none, or not seen there. */
export function faultAt({ whole, index }: OpenRig, { step, look }: StepStanding): Fault | null {
  if (step.key === DEPTH_STEP) return questionedTwice(whole.ground[index]!).length > 0 ? "bent point" : null;
  return step.fault && look && step.fault.seen(look) ? step.fault.name : null;
}

/** A fault of the simulated tool is mended, as somebody would in the yard. */
export const keepMended = written(OfStepDto, ({ open, value: { step: key } }): Outcome => {
  const of = stepOf(open, key);
  const fault = of && faultAt(open, of);
  if (!trueToolOf(open.db, open.rig)) return NO_PRACTICE;
  if (!fault) return refused({ form: "Nothing is to be mended here." });
  mendTool(open.db, open.rig, fault);
  return kept("Mended: look again");
});
