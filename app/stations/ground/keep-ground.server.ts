import { gridOf } from "../../../core/subjects/ground/grid.ts";
import { turnedSaid } from "../../../core/subjects/ground/words.ts";
import { ADJUSTER_FORMS } from "../../../core/yard/ground.ts";
import { addAdjuster, keepDepthMap, keepSetting, learnEffect } from "../../../data/ground.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { PersonDto } from "../card/terminal.dto.ts";
import { written } from "../writing/written.server.ts";
import { AddAdjusterDto, KeepMapDto, readMap, readMoves, readSteps, settingName } from "./ground.dto.ts";

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

/** Adds an adjuster to the tool in view. */
export const keepAdjuster = written(AddAdjusterDto, ({ open, value, told, form }): Outcome => {
  const { db, rig, whole, index } = open;
  const { adjusters } = whole.ground[index]!;
  const [low, high] = [readSteps(value.low)!, readSteps(value.high)!];
  const moves = readMoves(form);
  const pair = adjusters.find(({ id }) => String(id) === form.get("pair")) ?? null;
  const errors: FieldErrors = {
    ...(low > high ? { high: "The upper end lies below the lower one." } : {}),
    ...(adjusters.some(({ label }) => label.toLowerCase() === value.label.trim().toLowerCase())
      ? { label: "There is one of that name." }
      : {}),
    ...(moves.ok ? {} : moves.errors),
  };
  if (Object.keys(errors).length > 0 || !moves.ok) return refused(errors);
  addAdjuster(
    db,
    rig.implement.id,
    {
      label: value.label.trim(),
      form: value.form,
      low,
      high,
      storage: readSteps(value.storage),
      ...moves.value,
      pair: pair && { id: pair.id, difference: 0 },
      how: value.how.trim(),
      x: null,
      y: null,
      place: adjusters.length + 1,
    },
    told,
  );
  return kept(`Added: ${value.label.trim()}, ${ADJUSTER_FORMS[value.form].label.toLowerCase()}`);
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
