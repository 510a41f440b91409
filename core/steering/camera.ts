/** A camera that finds the rows: profiles by row spacing, what its calibration wants, how modes and thresholds are set. SI; qualities as shares. */

export type CameraProfile = {
  id: string;
  name: string;
  /** metres: a profile is of one spacing, whatever grows there */
  rowSpacing: number;
  /** from the lens to the nearest furrow, metres, to the right positive */
  sideOffset: number;
  /** off straight ahead, radians, to the right positive */
  aim: number;
  /** at the end of its calibration */
  quality: number;
  /** straight rows it was made over, metres */
  straight: number;
  flat: boolean;
  stand: boolean;
  /** m/s */
  wind: number;
  speed: number;
  person: string;
  at: string;
};

const KMH = 1 / 3.6;

/** What a calibration wants (common practice, no source). */
export const CAMERA_WANTS = {
  straight: 90,
  wind: 16 * KMH,
  slowest: 8 * KMH,
  fastest: 16 * KMH,
  quality: 0.5,
  /** it starts by itself above this */
  starts: 6.4 * KMH,
} as const;

export type Amiss =
  | "too short"
  | "not flat"
  | "poor stand"
  | "windy"
  | "too slow"
  | "too fast"
  | "poor quality";

/** What of a calibration was not as it should be: a hurried one works only in good conditions. */
export function amissWith(profile: Omit<CameraProfile, "id" | "name" | "person" | "at">): Amiss[] {
  const { straight, wind, slowest, fastest, quality } = CAMERA_WANTS;
  return [
    ...(profile.straight < straight - 1e-9 ? ["too short" as const] : []),
    ...(profile.flat ? [] : ["not flat" as const]),
    ...(profile.stand ? [] : ["poor stand" as const]),
    ...(profile.wind > wind + 1e-9 ? ["windy" as const] : []),
    ...(profile.speed < slowest - 1e-9 ? ["too slow" as const] : []),
    ...(profile.speed > fastest + 1e-9 ? ["too fast" as const] : []),
    ...(profile.quality > quality ? [] : ["poor quality" as const]),
  ];
}

/** Row spacings within this are the same (ours: a tape over ten gaps tells 3 mm). */
const SAME_SPACING = 0.005;

/** The newest profile of a spacing; null where there is none. Profiles come newest first. */
export function profileFor(profiles: readonly CameraProfile[], rowSpacing: number): CameraProfile | null {
  return profiles.find((each) => Math.abs(each.rowSpacing - rowSpacing) <= SAME_SPACING) ?? null;
}

export const CAMERA_MODES = {
  receiver: "Receiver only",
  camera: "Camera only",
  both: "Camera and line",
} as const;
export type CameraMode = keyof typeof CAMERA_MODES;
export const CAMERA_MODE_KEYS = Object.keys(CAMERA_MODES) as CameraMode[];

/** The quality under which rows are not followed, by mode (common practice, no source). */
export const THRESHOLDS = { usual: 0.5, leastAlone: 0.4, mostWithLine: 0.7, near: 0.1 } as const;

export type ThresholdJudged = "fits" | "too low alone" | "too high" | "near the quality";

/** A threshold beside its mode, and beside the quality of the profile where there is one. */
export function judgeThreshold(mode: CameraMode, threshold: number, quality: number | null): ThresholdJudged {
  if (mode === "camera" && threshold < THRESHOLDS.leastAlone - 1e-9) return "too low alone";
  if (threshold > THRESHOLDS.mostWithLine + 1e-9) return "too high";
  if (mode !== "receiver" && quality !== null && quality - threshold < THRESHOLDS.near - 1e-9)
    return "near the quality";
  return "fits";
}
