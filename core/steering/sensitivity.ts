/** Sensitivities of steering: what to try next, and whether a step did any good. All thresholds are ours: no source gives figures. */
import type { Quality } from "./quality.ts";

export const SENSITIVITIES = {
  line: "Line sensitivity",
  heading: "Heading sensitivity",
  lead: "Heading lead",
} as const;
export type Sensitivity = keyof typeof SENSITIVITIES;
export const SENSITIVITY_KEYS = Object.keys(SENSITIVITIES) as Sensitivity[];

/** What each was set to, as the terminal shows it; null where it has none. */
export type Settings = Readonly<Record<Sensitivity, number | null>>;

export type Advice =
  | { kind: "good" }
  /** beside the line all the time: no sensitivity cures that */
  | { kind: "beside"; by: number }
  | { kind: "step"; of: Sensitivity; way: "up" | "down"; seen: "weaves" | "overshoots" | "slow" | "wanders" };

const OVERSHOOT = 0.1;
const SLOW = 15;
const RMS = 0.04;
const BESIDE = 0.05;
/** From one side to the other so often in a minute, it weaves. */
const WEAVES = 8;

/** What to do after one drive: one thing at a time, the one seen first; of the sensitivities the terminal has. */
export function adviseSteering(
  { settled, overshoot, rms, bias, crossings }: Quality,
  has: Settings = { line: 0, heading: 0, lead: 0 },
): Advice {
  if (Math.abs(bias) > BESIDE && Math.abs(bias) > 0.8 * rms) return { kind: "beside", by: bias };
  if (crossings >= WEAVES && (settled === null || rms > RMS))
    return { kind: "step", of: "line", way: "down", seen: "weaves" };
  if (overshoot !== null && overshoot > OVERSHOOT)
    return has.lead === null
      ? { kind: "step", of: "line", way: "down", seen: "overshoots" }
      : { kind: "step", of: "lead", way: "up", seen: "overshoots" };
  if (settled === null || settled > SLOW) return { kind: "step", of: "line", way: "up", seen: "slow" };
  if (rms <= RMS) return { kind: "good" };
  return { kind: "step", of: has.heading === null ? "line" : "heading", way: "up", seen: "wanders" };
}

export type Compared = {
  /** which sensitivities are set otherwise than before */
  changed: Sensitivity[];
  /** what became of it; `untold`: more than one was changed */
  verdict: "better" | "worse" | "alike" | "mixed" | "untold";
};

/** What counts as otherwise: metres, seconds, and a share of what was there. */
const MATTERS = { rms: 0.01, overshoot: 0.05, settled: 2, share: 0.15 };

/** A drive beside the one before it. */
export function compareDrives(
  before: { settings: Settings; quality: Quality },
  after: { settings: Settings; quality: Quality },
): Compared {
  const changed = SENSITIVITY_KEYS.filter((key) => before.settings[key] !== after.settings[key]);
  if (changed.length > 1) return { changed, verdict: "untold" };
  const [was, is] = [before.quality, after.quality];
  const signs = [
    apart(was.rms, is.rms, MATTERS.rms),
    apart(was.overshoot ?? 0, is.overshoot ?? 0, MATTERS.overshoot),
    apart(was.settled ?? was.seconds, is.settled ?? is.seconds, MATTERS.settled),
  ];
  const [better, worse] = [signs.some((sign) => sign < 0), signs.some((sign) => sign > 0)];
  return { changed, verdict: better && worse ? "mixed" : better ? "better" : worse ? "worse" : "alike" };
}

function apart(was: number, is: number, least: number): -1 | 0 | 1 {
  const by = is - was;
  if (Math.abs(by) <= Math.max(least, MATTERS.share * Math.max(was, is))) return 0;
  return by < 0 ? -1 : 1;
}
