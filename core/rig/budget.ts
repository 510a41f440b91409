/**
 * How far the tool may run from where guidance believes it, sideways and along the line: every contributor with its standard
 * uncertainty, added as a root sum of squares (GUM, 5.1.2), the largest first.
 */

import { isCarried, isFixed, onPin } from "../dimension/attachment.ts";
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import { NORMAL_95 } from "../statistics/student.ts";
import { type Term, termsBetween } from "./frame.ts";
import { below } from "./grade.ts";
import { FIX_SIGMA, PASS_TO_PASS } from "./receiver.ts";
import { provenBy, type ResolvedRig } from "./resolve.ts";

/** What a receiver may be, by the kind of fix it has. */
export const RECEIVERS = {
  rtk: { label: "fixed (RTK or own base)", fix: "fixed" },
  float: { label: "precise satellite correction", fix: "float" },
  satellite: { label: "free satellite correction", fix: "differential" },
  none: { label: "no correction", fix: "single" },
} as const;
export type ReceiverClass = keyof typeof RECEIVERS;

export type Circumstances = {
  receiver: ReceiverClass;
  /** side slope, radians */
  slope: number;
  /** m/s */
  speed: number;
};

export type Contributor = {
  key: string;
  label: string;
  /** what it was reckoned from */
  from: string;
  /** metres, 1 σ */
  sigma: number;
  /** the share of the total's variance, 0 to 1 */
  share: number;
  /** the reading to take again to lower it; null where no tape does */
  tape: DimensionKey | null;
  /** what the total would be with that reading taped well, metres; null where it cannot be lowered so */
  taped: number | null;
};

export type Budget = {
  contributors: readonly Contributor[];
  /** metres, 1 σ */
  total: number;
  /** half the 95 % interval of the total */
  half: number;
  /** metres the tolerance allows */
  tolerance: number;
  good: boolean;
  /** where no tape brings it within the tolerance: what is left with every length perfect, half of 95 %, and what most of it comes from */
  floor: { half: number; label: string } | null;
};

/** A roll sensor, levelled by its own routine, degrees, 1 σ (common practice, no source). */
const ROLL = 0.3;
/** What is left of it once a test found the sum it stands in: its constant part lies in that sum, degrees, 1 σ (common practice, no source). */
const ROLL_PROVEN = 0.1;
const radians = (degrees: number) => (degrees * Math.PI) / 180;
/** Nobody entered when the terminal switches: no better known than this, seconds, 1 σ. */
const DELAY_UNKNOWN = 0.15;
/** A receiver's own lag that is not told from a valve's, seconds, 1 σ (common practice, no source). */
const LATENCY = 0.03;
/** Side play of lower links that are not blocked, metres either way (common practice, no source). */
const LINK_PLAY = 0.02;
/**
 * Side force of a farm tyre for each radian of slip, in units of the load it carries (about 5 for a loaded farm tyre, from
 * memory): on a side slope a drawn tool runs at a slip angle of sin(slope) / 5.
 */
const CORNERING = 5;
/** Half of a drift that is reckoned and not measured is believed either way. */
const DRIFT_TRUST = 0.5;

type Raw = Omit<Contributor, "share" | "taped">;

/**
 * What makes the work stray to the side, each cause as a standard uncertainty in metres, and their root sum
 * of squares against `tolerance` (95 %, metres). `slope` in radians.
 */
export function crossTrack(rig: ResolvedRig, { receiver, slope }: Circumstances, tolerance: number): Budget {
  const { values } = rig;
  const sum = termsBetween(rig, "receiver", "workMid", "y");
  const height = values["receiver.height"].value ?? dimension("receiver.height", rig).typical;
  const roll = provenBy(sum, rig.proofs)?.sigma == null ? ROLL : ROLL_PROVEN;
  return budgetOf(
    [
      {
        key: "receiver",
        label: "Receiver, pass to pass",
        from: `${RECEIVERS[receiver].label}, ${PASS_TO_PASS} of it between neighbouring passes`,
        sigma: FIX_SIGMA[RECEIVERS[receiver].fix] * PASS_TO_PASS,
        tape: null,
      },
      ...linksOf(sum, rig),
      {
        key: "roll",
        label: "Roll sensor at the receiver's height",
        from: `${roll}° at ${height.toFixed(2)} m${roll === ROLL ? "" : ", its constant part is in the proved sum"}`,
        sigma: height * radians(roll),
        tape: null,
      },
      ...(slope === 0
        ? []
        : [
            {
              key: "height",
              label: "Receiver's height on the slope",
              from: `sin of the slope times its uncertainty`,
              sigma: Math.abs(Math.sin(slope)) * values["receiver.height"].sigma,
              tape: "receiver.height" as const,
            },
          ]),
      ...slopOf(rig),
      ...driftOf(rig, slope),
    ],
    tolerance,
    rig,
  );
}

/** The same along the line of travel, at `speed` in m/s. */
export function alongTrack(rig: ResolvedRig, { receiver, speed }: Circumstances, tolerance: number): Budget {
  const { values } = rig;
  const delay = values["work.delayOn"];
  return budgetOf(
    [
      {
        key: "receiver",
        label: "Receiver",
        from: RECEIVERS[receiver].label,
        sigma: FIX_SIGMA[RECEIVERS[receiver].fix],
        tape: null,
      },
      ...linksOf(termsBetween(rig, "receiver", "workFront", "x"), rig),
      {
        key: "delay",
        label: "Delay of switching",
        from: delay.value === null ? "not entered" : delay.grade,
        sigma: speed * (delay.value === null ? DELAY_UNKNOWN : delay.sigma),
        tape: null,
      },
      { key: "latency", label: "Receiver's own lag", from: "0.03 s", sigma: speed * LATENCY, tape: null },
    ],
    tolerance,
    rig,
  );
}

/** Each link of a sum; one contributor where a field test fitted the sum itself. */
function linksOf(terms: readonly Term[], rig: ResolvedRig): Raw[] {
  const proof = provenBy(terms, rig.proofs);
  if (proof?.sigma != null)
    return [{ key: "proof", label: "Proved in the field", from: proof.what, sigma: proof.sigma, tape: null }];
  return terms.map(({ key, coefficient }) => {
    const { grade, sigma, stale } = rig.values[key];
    return {
      key,
      label: dimension(key, rig).label,
      from: stale ? `stale, was ${grade}` : grade,
      sigma: Math.abs(coefficient) * sigma,
      tape: key,
    };
  });
}

/** Play of an eye on its pin, or of links; evenly anywhere between its ends: half of it / √3 (GUM, 4.3.7). */
function slopOf({ attachment, values }: ResolvedRig): Raw[] {
  if (isFixed(attachment)) return [];
  const even = (half: number) => half / Math.sqrt(3);
  if (!onPin(attachment)) {
    const blocked = values["work.stabilisers"].choice;
    if (blocked === "rigid" || blocked === "blocked") return [];
    return [
      {
        key: "slop",
        label: "Side play of the lower links",
        from: blocked === null ? "stabilisers not read" : "stabilisers free",
        sigma: even(LINK_PLAY),
        tape: null,
      },
    ];
  }
  const [eye, pin] = [values["tool.eye"].value, values["hitch.pin"].value];
  if (eye === null || pin === null || eye <= pin) return [];
  return [
    {
      key: "slop",
      label: "Play of the eye on its pin",
      from: "eye less pin",
      sigma: even((eye - pin) / 2),
      tape: null,
    },
  ];
}

/** How far a drawn tool's work hangs downhill of its line of pull. */
function driftOf(rig: ResolvedRig, slope: number): Raw[] {
  const { values } = rig;
  if (slope === 0 || isCarried(rig.attachment)) return [];
  const front = values["pin.workFront"].value ?? dimension("pin.workFront", rig).typical;
  const rear = values["pin.workRear"].value ?? front;
  const drift = ((front + rear) / 2) * (Math.sin(Math.abs(slope)) / CORNERING);
  return [
    {
      key: "drift",
      label: "Drift of the trailed tool downhill",
      from: `about ${Math.round(drift * 1000)} mm on this slope, half of it uncertain`,
      sigma: drift * DRIFT_TRUST,
      tape: null,
    },
  ];
}

function budgetOf(raw: readonly Raw[], tolerance: number, rig: ResolvedRig): Budget {
  const total = Math.hypot(...raw.map(({ sigma }) => sigma));
  const contributors = raw
    .map(
      (each): Contributor => ({
        ...each,
        share: total === 0 ? 0 : (each.sigma / total) ** 2,
        taped: tapedWell(each, total, rig),
      }),
    )
    .sort((a, b) => b.sigma - a.sigma);
  const half = NORMAL_95 * total;
  return { contributors, total, half, tolerance, good: half <= tolerance, floor: floorOf(raw, tolerance) };
}

/** What no tape lowers, with every length and every fitted sum perfect; null where that is within the tolerance. */
function floorOf(raw: readonly Raw[], tolerance: number): Budget["floor"] {
  const fixed = raw.filter(({ tape, key }) => tape === null && key !== "proof");
  const half = NORMAL_95 * Math.hypot(...fixed.map(({ sigma }) => sigma));
  if (half <= tolerance) return null;
  const most = fixed.reduce((worst, each) => (each.sigma > worst.sigma ? each : worst));
  return { half, label: most.label };
}

/** The total with one reading taped as well as a tape can; null where it is taped already. */
function tapedWell({ tape, sigma }: Raw, total: number, rig: ResolvedRig): number | null {
  if (tape === null) return null;
  const { grade, doubt, stale, sigma: now } = rig.values[tape];
  if (!below(grade, "taped") && doubt === null && stale === null) return null;
  const best = dimension(tape, rig).sigma.taped;
  const better = now === 0 ? 0 : (sigma * Math.min(best, now)) / now;
  return Math.sqrt(Math.max(0, total ** 2 - sigma ** 2 + better ** 2));
}
