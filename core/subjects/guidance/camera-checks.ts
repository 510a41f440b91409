/** Does the row camera have a profile for these rows, was it made as it should be, and do mode and threshold fit it? */
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { quantity, type Said, smallLength, tapeLength, tell } from "../../quantity/said.ts";
import { askedKeys } from "../../rig/asked.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import {
  type Amiss,
  amissWith,
  CAMERA_WANTS,
  type CameraMode,
  type CameraProfile,
  judgeThreshold,
  profileFor,
  THRESHOLDS,
} from "../../steering/camera.ts";

/** Whether it is steered along rows by a camera: the machine has one, and such a tool follows rows. */
export const usesCamera = (rig: ResolvedRig): boolean =>
  chosen(rig, "tractor.rowCamera") === "yes" && askedKeys(rig).has("work.cameraMode");

/** Nothing of a machine without one; unknown is not asked here, since most have none. */
export function cameraChecks(whole: WholeRig, part: number, rowOf: Checker): Check[] {
  const { rig } = whole.parts[part]!;
  if (!usesCamera(rig)) return [];
  const spacing = known(rig, "rows.spacing");
  const profile = spacing === null ? null : profileFor(whole.camera, spacing);
  return [
    shownCheck(rig, rowOf),
    profileCheck(whole, spacing, profile, rowOf),
    thresholdCheck(whole, part, profile, rowOf),
  ];
}

/** Roll and speed are looked at before anything is calibrated by them. */
function shownCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("camera-shown", "Roll and speed as shown");
  const shown = chosen<"both" | "roll" | "speed" | "none">(rig, "tractor.shownPlausible");
  if (shown === null)
    return row.unknown("tractor.shownPlausible", "Look at both before the camera is calibrated.");
  if (shown === "both") return row.good("tractor.shownPlausible", "Both as they should be.");
  const off =
    shown === "none" ? "Roll and speed are off." : shown === "roll" ? "Roll is off." : "Speed is off.";
  return row.fix(
    "tractor.shownPlausible",
    off,
    "Calibrate that first, by the operator's manual: a profile made with it is off as well.",
  );
}

function profileCheck(
  { camera }: WholeRig,
  spacing: number | null,
  profile: CameraProfile | null,
  rowOf: Checker,
): Check {
  const row = rowOf("camera-profile", "Profile of the row camera");
  if (spacing === null) return row.unknown("rows.spacing");
  if (!profile)
    return row.fix(
      "tractor.rowCamera",
      camera.length === 0
        ? tell`No profile is kept, and rows stand ${smallLength(spacing)} apart.`
        : tell`Rows stand ${smallLength(spacing)} apart; profiles are kept for ${camera.map((each) => each.name).join(", ")} only.`,
      "A profile is of one row spacing, whatever grows there. With another's the camera drops out, or follows between rows.",
      "Calibrate it",
    );
  const amiss = amissWith(profile);
  const said = tell`${profile.name}: side offset ${smallLength(profile.sideOffset)}, quality ${quantity("share", profile.quality, 0)}`;
  return amiss.length === 0
    ? row.good("tractor.rowCamera", tell`${said}.`)
    : row.check(
        "tractor.rowCamera",
        tell`${said}. It was made in a hurry: ${amiss.map((each) => AMISS[each]).join(", ")}.`,
        tell`It works in good conditions only. Wanted: ${tapeLength(CAMERA_WANTS.straight)} of straight rows on flat ground, a good stand, wind up to ${quantity("speed", CAMERA_WANTS.wind, 0)}, ${quantity("speed", CAMERA_WANTS.slowest, 0)} to ${quantity("speed", CAMERA_WANTS.fastest, 0)}, quality over ${quantity("share", CAMERA_WANTS.quality, 0)} (common practice).`,
        "Calibrate it again",
      );
}

export const AMISS: Record<Amiss, string> = {
  "too short": "too few straight rows",
  "not flat": "not on flat ground",
  "poor stand": "a poor stand",
  windy: "too much wind",
  "too slow": "driven too slowly",
  "too fast": "driven too fast",
  "poor quality": "too low a quality",
};

function thresholdCheck(whole: WholeRig, part: number, profile: CameraProfile | null, rowOf: Checker): Check {
  const { rig } = whole.parts[part]!;
  const row = rowOf("camera-threshold", "Mode and threshold of the row camera");
  const mode = chosen<CameraMode>(rig, "work.cameraMode");
  if (mode === null) return row.unknown("work.cameraMode");
  const threshold = known(rig, "work.cameraThreshold")!;
  const at = quantity("share", threshold, 0);
  const told = (said: Said, why: Said, advised: number) =>
    row.check("work.cameraThreshold", said, why, undefined, advised);
  switch (judgeThreshold(mode, threshold, profile?.quality ?? null)) {
    case "too low alone":
      return told(
        tell`Camera only, from ${at}.`,
        tell`Alone it is not to follow under ${quantity("share", THRESHOLDS.leastAlone, 0)} (common practice): it follows weeds, and nothing else steers.`,
        THRESHOLDS.usual,
      );
    case "too high":
      return told(
        tell`It follows rows only from ${at}.`,
        tell`Over ${quantity("share", THRESHOLDS.mostWithLine, 0)} it lets go of good rows (common practice).`,
        THRESHOLDS.usual,
      );
    case "near the quality":
      return told(
        tell`It follows rows from ${at}, and saw these at ${quantity("share", profile!.quality, 0)} when it was calibrated.`,
        "Within ten points it lets go at the first weeds.",
        Math.max(THRESHOLDS.leastAlone, Math.round((profile!.quality - 2 * THRESHOLDS.near) * 20) / 20),
      );
    case "fits":
      return row.good(
        "work.cameraThreshold",
        mode === "receiver"
          ? "By receiver only: the camera steers nothing."
          : tell`From ${at}${mode === "camera" ? ": at headland, grass strip and weeds it lets go, take the wheel" : ": elsewhere the line steers"}.`,
      );
  }
}
