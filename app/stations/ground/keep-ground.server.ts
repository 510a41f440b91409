import type { Units } from "../../../core/quantity/units.ts";
import { gridOf } from "../../../core/subjects/ground/grid.ts";
import { turnedSaid } from "../../../core/subjects/ground/words.ts";
import { ADJUSTER_FORMS, type Adjuster, type MeasureKey } from "../../../core/yard/ground.ts";
import { archiveComponent, isTakenOff } from "../../../data/components.ts";
import {
  addAdjuster,
  changeAdjuster,
  keepDepthMap,
  keepSetting,
  learnEffect,
  type NewAdjuster,
} from "../../../data/ground.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { PersonDto } from "../card/terminal.dto.ts";
import { written } from "../writing/written.server.ts";
import { asTyped, untouched } from "./adjuster-typed.ts";
import {
  AdjusterDto,
  AdjusterNamedDto,
  KeepMapDto,
  type Moves,
  readMap,
  readMoves,
  readPlace,
  readSteps,
  type Sits,
  settingName,
} from "./ground.dto.ts";

/** Keeps a depth map: all points that were measured, or none. */
export const keepMap = written(KeepMapDto, ({ open, value, told, form }): Outcome => {
  const { db, rig, whole, index } = open;
  const read = readMap(form, gridOf(whole.parts[index]!, Number(value.across)));
  if (!read.ok) return refused(read.errors);
  const id = keepDepthMap(db, rig, { ...read.value, field: value.field, id: value.id }, told);
  return kept(`Depth map saved: ${read.value.points.length} points`, {
    id,
    undo: { intent: "take-back", id },
  });
});

/** Keeps where adjusters stand: those that were typed otherwise than they stood. */
export const keepSettings = written(PersonDto, ({ open, told, form }): Outcome => {
  const { db, whole, index } = open;
  const errors: FieldErrors = {};
  const set = whole.ground[index]!.adjusters.flatMap((adjuster) => {
    const text = String(form.get(settingName(adjuster.id)) ?? "").trim();
    if (text === "") return [];
    const steps = readSteps(text);
    if (steps === null) errors[settingName(adjuster.id)] = "A whole number of steps.";
    return steps === null || steps === adjuster.setting ? [] : [{ adjuster, steps }];
  });
  if (Object.keys(errors).length > 0) return refused(errors);
  if (set.length === 0) return refused({ form: "Nothing was changed: they stood so already." });
  db.transaction(() => {
    for (const { adjuster, steps } of set) keepSetting(db, adjuster.id, steps, told);
  });
  return kept(`Set: ${set.map(({ adjuster, steps }) => `${adjuster.label} ${steps}`).join(", ")}`);
});

type Told = Omit<NewAdjuster, "place">;

/** What was told of an adjuster, or what of it is wrong, by field. `own`: the one that is told otherwise; null: a new one. */
function readAdjuster(
  value: AdjusterDto,
  form: FormData,
  adjusters: readonly Adjuster[],
  own: { adjuster: Adjuster; units: Units } | null,
): { ok: true; told: Told } | { ok: false; errors: FieldErrors } {
  const [low, high] = [readSteps(value.low)!, readSteps(value.high)!];
  const start = readSteps(value.start);
  // What a step was learnt to do has more digits than its field shows: left as shown, it is left as it was.
  const left = own && untouched(form, asTyped(own.adjuster, own.units));
  const moves = left?.effect ? ({ ok: true, value: movesOf(own!.adjuster) } as const) : readMoves(form);
  const place = left?.place ? ({ ok: true, value: placeOf(own!.adjuster) } as const) : readPlace(form);
  const ownId = own?.adjuster.id;
  const others = adjusters.filter(({ id }) => id !== ownId);
  const named = (name: string) => others.find(({ id }) => String(id) === form.get(name)) ?? null;
  const [pair, master] = [named("pair"), named("master")];
  const label = value.label.trim();
  const errors: FieldErrors = {
    ...(low > high ? { high: "The upper end lies below the lower one." } : {}),
    ...(start !== null && (start < low || start > high) ? { start: "It lies outside its range." } : {}),
    ...(others.some((each) => each.label.toLowerCase() === label.toLowerCase())
      ? { label: "There is one of that name." }
      : {}),
    ...(master?.master != null ? { master: `${master.label} follows another itself: name that one.` } : {}),
    ...(master && others.some((each) => each.master === ownId)
      ? { master: "Others follow this one: it is a master." }
      : {}),
    ...(moves.ok ? {} : moves.errors),
    ...(place.ok ? {} : place.errors),
  };
  if (Object.keys(errors).length > 0 || !moves.ok || !place.ok) return { ok: false, errors };
  return {
    ok: true,
    told: {
      label,
      form: value.form,
      low,
      high,
      storage: readSteps(value.storage),
      start,
      how: value.how.trim(),
      pair: pair && { id: pair.id, difference: readSteps(value.difference) ?? 0 },
      master: master?.id ?? null,
      ...moves.value,
      ...place.value,
    },
  };
}

const movesOf = ({ effect, acts }: Adjuster): Moves => ({ effect, acts });
const placeOf = ({ x, y, up }: Adjuster): Sits => ({ x, y, up });

/** Adds an adjuster to the tool in view, or one on each side of its middle, alike and kept equal. */
export const keepAdjuster = written(AdjusterDto, ({ open, value, told, form }): Outcome => {
  const { db, rig, whole, index } = open;
  const { adjusters } = whole.ground[index]!;
  const read = readAdjuster(value, form, adjusters, null);
  if (!read.ok) return refused(read.errors);
  const place = adjusters.length + 1;
  if (form.get("sides") !== "both") {
    addAdjuster(db, rig.implement.id, { ...read.told, place }, told);
    return kept(`Added: ${read.told.label}, ${ADJUSTER_FORMS[value.form].label.toLowerCase()}`);
  }
  const [left, right] = mirrored(read.told);
  const taken = adjusters.some(({ label }) => label === left.label || label === right.label);
  if (taken) return refused({ label: "There is one of that name, left or right." });
  db.transaction(() => {
    const id = addAdjuster(db, rig.implement.id, { ...left, place }, told);
    addAdjuster(db, rig.implement.id, { ...right, pair: { id, difference: 0 }, place: place + 1 }, told);
  });
  return kept(`Added, left and right alike: ${read.told.label}`);
});

/** Which wing the other side's adjuster moves. */
const OTHER_WING: Partial<Record<MeasureKey, MeasureKey>> = { wingLeft: "wingRight", wingRight: "wingLeft" };

/** An adjuster told for the right side, and its like on the left: it sits mirrored, and lets the other side down. */
function mirrored(told: Told): [left: Told, right: Told] {
  const { label, y, effect, acts } = told;
  const aside = y === null ? null : Math.abs(y);
  return [
    {
      ...told,
      label: `${label}, left`,
      y: aside === null ? null : -aside,
      effect: effect && { ...effect, across: -effect.across },
      acts: acts && { ...acts, measure: OTHER_WING[acts.measure] ?? acts.measure },
    },
    { ...told, label: `${label}, right`, y: aside },
  ];
}

/** Tells an adjuster otherwise. */
export const keepChangedAdjuster = written(AdjusterDto, ({ open, value, told, form }): Outcome => {
  const { db, whole, index } = open;
  const { adjusters } = whole.ground[index]!;
  const own = adjusters.find(({ id }) => String(id) === form.get("adjuster"));
  if (!own) return refused({ form: "This adjuster is not on the tool any more." });
  const read = readAdjuster(value, form, adjusters, { adjuster: own, units: open.preferences.units });
  if (!read.ok) return refused(read.errors);
  changeAdjuster(db, own, read.told, told);
  return kept(`Told otherwise: ${read.told.label}`);
});

/** Takes an adjuster off the tool in view; where it stood stays in the record. */
export const keepAdjusterOff = written(AdjusterNamedDto, ({ open, value, told }): Outcome => {
  const { db, whole, index } = open;
  const own = whole.ground[index]!.adjusters.find(({ id }) => id === Number(value.adjuster));
  if (!own) return refused({ form: "This adjuster is not on the tool any more." });
  archiveComponent(db, own.id, true, told);
  return kept(`Taken off: ${own.label}`, {
    undo: { intent: "adjuster-back", adjuster: String(own.id), person: told.person },
  });
});

/** Puts an adjuster back that was taken off this tool. */
export const keepAdjusterBack = written(AdjusterNamedDto, ({ open, value, told }): Outcome => {
  const { db, rig } = open;
  const id = Number(value.adjuster);
  if (!isTakenOff(db, rig.implement.id, id))
    return refused({ form: "No such adjuster was taken off this tool." });
  archiveComponent(db, id, false, told);
  return kept("Put back");
});

/** From now on what a step does is what the last turning did. */
export const keepLearnt = written(PersonDto, ({ open, told }): Outcome => {
  const { db, rig, judged, index } = open;
  const learnt = judged.reckoned.ground.maps.find(({ part }) => part === index)?.learnt;
  if (!learnt?.effect || learnt.done)
    return refused({ form: "Nothing was turned since the map before that tells what a step does." });
  learnEffect(db, rig.implement.id, learnt.effect.each, learnt.from, told);
  return kept(`Reckoned with as it came: ${turnedSaid(learnt)}`);
});
