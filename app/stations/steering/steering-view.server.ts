/** What is shown of getting a machine ready to steer: its four conditions, its calibration, and its drives one after the other. */
import { readyToSteer } from "../../../core/ladder/ladder.ts";
import type { LineShape } from "../../../core/place/line.ts";
import { inWords, type Said, smallLength, tell } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { chosen, known } from "../../../core/rig/whole.ts";
import {
  type Advice,
  adviseSteering,
  compareDrives,
  SENSITIVITIES,
  SENSITIVITY_KEYS,
} from "../../../core/steering/sensitivity.ts";
import { usesCamera } from "../../../core/subjects/guidance/camera-checks.ts";
import { type FieldLine, linesOf } from "../../../data/lines.ts";
import { fieldNamed } from "../../../data/places.ts";
import { drivesOf, type SteeringDrive } from "../../../data/steering.ts";
import { ladderNow } from "../frame/ladder-now.server.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { rungsOf } from "../ladder/rungs.ts";

export type SteeringView = ReturnType<typeof steeringView>;

type LineFor = { id: string; name: string; shape: LineShape; shifted: number };

/** Lines a drive may have been on: the field's of the job, or of every field where no job is set. */
export function linesFor({ db, whole }: OpenRig): LineFor[] {
  const field = whole.work?.field.id ?? null;
  const named = (line: FieldLine) =>
    field === null ? `${line.name}, ${fieldNamed(db, line.fieldId)?.name ?? ""}` : line.name;
  return linesOf(db, field).map((line) => ({
    id: line.id,
    name: named(line),
    shape: line.shape,
    shifted: line.shifts.reduce((sum, { amount }) => sum + amount, 0),
  }));
}

/** How far right of its pass the antenna runs where the middle of the work runs on it, metres. */
export function asideOf({ judged, whole }: OpenRig): number {
  const { rig } = whole.parts[judged.reckoned.guidance.part ?? 0]!;
  return (known(rig, "receiver.lateral") ?? 0) - (known(rig, "tool.lateral") ?? 0);
}

export function steeringView(open: OpenRig) {
  const { db, rig, whole, judged, preferences } = open;
  const { units } = preferences;
  const lead = whole.parts[judged.reckoned.guidance.part ?? 0]!.rig;
  const effort = (key: "tractor.effortLeft" | "tractor.effortRight") => {
    const value = known(lead, key);
    return value === null ? null : say("share", value, units, 1);
  };
  const drives = drivesOf(db, rig.tractor.id);
  return {
    units,
    /** null: nothing of this rig is steered along lines */
    served: judged.reckoned.guidance.part !== null,
    rungs: readyToSteer(rungsOf(whole, judged, ladderNow(open))).map((rung) => ({
      ...rung,
      why: inWords(rung.why, units),
    })),
    routine: chosen<"full" | "quick" | "none">(lead, "tractor.steerRoutine"),
    result: chosen<"kept" | "lost">(lead, "tractor.steerResult"),
    efforts: { left: effort("tractor.effortLeft"), right: effort("tractor.effortRight") },
    camera: usesCamera(lead),
    lines: linesFor(open).map(({ id, name }) => ({ id, name })),
    field: whole.work?.field.name ?? null,
    drives: drives.map((drive, at) => driveView(drive, drives[at - 1] ?? null, units)).reverse(),
    last: drives.at(-1)?.settings ?? null,
  };
}

const small = (metres: number, units: Units) => inWords(smallLength(metres), units);

function driveView(drive: SteeringDrive, before: SteeringDrive | null, units: Units) {
  const { id, line, fileName, settings, quality, offs, note, person, at } = drive;
  const compared = before ? compareDrives(before, drive) : null;
  return {
    id,
    who: `${person}, ${moment(at)}`,
    line,
    fileName,
    note,
    settings: SENSITIVITY_KEYS.flatMap((key) =>
      settings[key] === null ? [] : [`${SENSITIVITIES[key]} ${settings[key]}`],
    ).join(", "),
    rms: small(quality.rms, units),
    overshoot: quality.overshoot === null ? "none" : small(quality.overshoot, units),
    settled: quality.settled === null ? "never" : `${quality.settled.toFixed(1)} s`,
    crossings: quality.crossings.toFixed(0),
    /** against the drive before */
    verdict: compared?.verdict ?? null,
    compared: compared && before ? comparedWords(compared, before, drive) : null,
    advice: inWords(adviceWords(adviseSteering(quality, settings)), units),
    good: adviseSteering(quality, settings).kind === "good",
    offs,
  };
}

const VERDICTS = {
  better: "better than before: keep it",
  worse: "worse than before: set it back",
  alike: "no different from before",
  mixed: "better in one, worse in another: drive it once more",
} as const;

function comparedWords(
  { changed, verdict }: ReturnType<typeof compareDrives>,
  before: SteeringDrive,
  after: SteeringDrive,
): string {
  if (verdict === "untold")
    return `${changed.map((key) => SENSITIVITIES[key]).join(" and ")} were changed at once: nobody can tell which of them did it. One at a time.`;
  const [key] = changed;
  if (key === undefined) return `Set as before; ${VERDICTS[verdict]}.`;
  const was = (drive: SteeringDrive) => drive.settings[key] ?? "none";
  return `${SENSITIVITIES[key]} ${was(before)} → ${was(after)}: ${VERDICTS[verdict]}.`;
}

const SEEN = {
  weaves: "It weaves about its line",
  overshoots: "It runs past its line before it turns onto it",
  slow: "It comes to its line too slowly",
  wanders: "It wanders along its line",
} as const;

function adviceWords(advice: Advice): Said {
  switch (advice.kind) {
    case "good":
      return "It comes to its line and holds it. Leave it so.";
    case "beside":
      return tell`It runs ${smallLength(Math.abs(advice.by))} to the ${advice.by > 0 ? "right" : "left"} of its pass all the time: no sensitivity cures that. Look at offsets, roll and shifts.`;
    case "step":
      return `${SEEN[advice.seen]}. Next: ${SENSITIVITIES[advice.of].toLowerCase()} one step ${advice.way}, nothing else, and drive the same again.`;
  }
}
