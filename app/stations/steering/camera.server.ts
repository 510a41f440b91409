/** The row camera: its profiles by row spacing, and what is told of a new one. */
import { bareUnit } from "../../../core/quantity/length.ts";
import { inWords, roundLength, smallLength } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { unitOf } from "../../../core/quantity/units.ts";
import { chosen, known } from "../../../core/rig/whole.ts";
import { amissWith, type CameraMode, profileFor, THRESHOLDS } from "../../../core/steering/camera.ts";
import { AMISS } from "../../../core/subjects/guidance/camera-checks.ts";
import { keepProfile } from "../../../data/steering.ts";
import { checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { amountOf } from "../../yard/amount.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { ProfileDto, readDegrees, readPercent } from "./camera.dto.ts";
import { type AtRig, takeBackOfMachine } from "./keep-drive.server.ts";
import { OfSteeringDto } from "./steering.dto.ts";

export type CameraView = ReturnType<typeof cameraView>;

/** Rows stand no nearer and no further apart than this, metres (ours). */
const SPACINGS = [0.1, 2] as const;
/** A lens hangs no further from its furrow, metres (ours). */
const FURTHEST = 2;

export function cameraView({ whole, judged, preferences }: OpenRig) {
  const { units } = preferences;
  const { rig } = whole.parts[judged.reckoned.guidance.part ?? 0]!;
  const spacing = known(rig, "rows.spacing");
  const fits = spacing === null ? null : profileFor(whole.camera, spacing);
  return {
    camera: chosen<"yes" | "no">(rig, "tractor.rowCamera"),
    /** whether roll and speed are shown as they should be; null where nobody looked */
    shown: chosen<"both" | "roll" | "speed" | "none">(rig, "tractor.shownPlausible"),
    spacing: spacing === null ? null : inWords(smallLength(spacing), units),
    mode: chosen<CameraMode>(rig, "work.cameraMode"),
    threshold: known(rig, "work.cameraThreshold") ?? THRESHOLDS.usual,
    quality: fits?.quality ?? null,
    fitting: fits?.id ?? null,
    units: { small: bareUnit(units.small), tape: bareUnit(units.tape), speed: unitOf("speed", units) },
    profiles: whole.camera.map((each) => ({
      id: each.id,
      name: each.name,
      spacing: inWords(smallLength(each.rowSpacing), units),
      said: [
        `side offset ${inWords(smallLength(Math.abs(each.sideOffset)), units)} ${each.sideOffset < 0 ? "left" : "right"}`,
        `aim ${Math.abs((each.aim * 180) / Math.PI).toFixed(1)}° ${each.aim < 0 ? "left" : "right"}`,
        `quality ${say("share", each.quality, units, 0)}`,
      ].join(", "),
      made: `over ${inWords(roundLength(each.straight), units)} at ${say("speed", each.speed, units, 0)}, wind ${say("speed", each.wind, units, 0)}`,
      who: `${each.person}, ${moment(each.at)}`,
      amiss: amissWith(each).map((key) => AMISS[key]),
    })),
  };
}

function keepNew({ open, told }: AtRig, value: ProfileDto): Outcome {
  const { db, rig } = open;
  const length = (key: "rowSpacing" | "sideOffset" | "straight") => {
    const read = amountOf(value[key], { family: "length", unit: value[`${key}Unit`], optional: false });
    return read.ok ? read.value! : Number.NaN;
  };
  const pace = (key: "wind" | "speed") => {
    const read = amountOf(value[key], { family: "speed", unit: value[`${key}Unit`], optional: false });
    return read.ok ? read.value! : Number.NaN;
  };
  const [rowSpacing, sideOffset] = [length("rowSpacing"), length("sideOffset")];
  if (!(rowSpacing >= SPACINGS[0] && rowSpacing <= SPACINGS[1]))
    return refused({ rowSpacing: "Rows stand between 10 cm and 2 m apart." });
  if (!(Math.abs(sideOffset) <= FURTHEST))
    return refused({ sideOffset: "That is further than a lens can see." });
  const id = keepProfile(
    db,
    rig.tractor.id,
    {
      name: value.name,
      rowSpacing,
      sideOffset: value.side === "left" ? -Math.abs(sideOffset) : sideOffset,
      aim: readDegrees(value.aim)!,
      quality: readPercent(value.quality)!,
      straight: length("straight"),
      flat: value.flat === "yes",
      stand: value.stand === "yes",
      wind: pace("wind"),
      speed: pace("speed"),
    },
    { ...told, person: value.person },
  );
  return kept(`${value.name} is kept.`, { id, person: value.person });
}

export const CAMERA_INTENTS: Intents<AtRig, Outcome | Promise<Outcome>> = {
  profile: checkedBy(ProfileDto, keepNew),
  "take-back": checkedBy(OfSteeringDto, takeBackOfMachine),
};
