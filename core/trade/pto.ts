/** Power take-off: shafts of ISO 500, drawbar distances of ASABE S203 and ISO 6489-3 (all from memory), drive shafts. Lengths metres, speeds 1/s. */

export const PTO_TYPES = ["1", "2", "3", "4"] as const;
export type PtoType = (typeof PTO_TYPES)[number];

export type PtoShaft = {
  diameter: number;
  splines: number;
  /** rated speed, 1/s */
  speed: number;
  /** drawbar pin hole to shaft end by ASABE S203 and by ISO 6489-3: either is right, the implement's maker says which; null where no figure is known */
  toPin: { asabe: number; iso: number } | null;
};

const rpm = (perMinute: number) => perMinute / 60;

export const PTO_SHAFTS: Record<PtoType, PtoShaft> = {
  "1": { diameter: 0.035, splines: 6, speed: rpm(540), toPin: { asabe: 0.356, iso: 0.4 } },
  "2": { diameter: 0.035, splines: 21, speed: rpm(1000), toPin: { asabe: 0.406, iso: 0.4 } },
  "3": { diameter: 0.045, splines: 20, speed: rpm(1000), toPin: { asabe: 0.508, iso: 0.5 } },
  "4": { diameter: 0.0575, splines: 22, speed: rpm(1300), toPin: null },
};

/** A shaft as people call it, by diameter and splines. */
export function describeShaft(type: PtoType): string {
  const { diameter, splines } = PTO_SHAFTS[type];
  return `type ${type}, ${Number((diameter * 1000).toFixed(1))} mm, ${splines} splines`;
}

/** Pin-to-shaft distances agree within this (common practice, no source). */
const DISTANCE_PLAY = 0.015;

/**
 * By how much the pin is too near (−) or too far (+) for the nearer of both standards' distances, metres; 0 within the play of one of them,
 * null where the standards give no figure.
 */
export function pinDistance(type: PtoType, toPin: number): number | null {
  const { toPin: standards } = PTO_SHAFTS[type];
  if (standards === null) return null;
  const [one, other] = [toPin - standards.asabe, toPin - standards.iso];
  const by = Math.abs(one) <= Math.abs(other) ? one : other;
  return Math.abs(by) <= DISTANCE_PLAY ? 0 : by;
}

/** What the tubes of a drive shaft keep in each other where it is longest, as a share of their overlap pushed together (common practice). */
export const LEAST_OVERLAP = 1 / 3;
/** What a shaft keeps free where it is shortest, metres (common practice). */
export const SHAFT_FREE = 0.025;

/**
 * A drive shaft through its positions: the tubes' overlap where it is longest, and what is left to push together where it is shortest,
 * metres. `closed` is its length pushed together, `tubes` the overlap there.
 */
export function shaftRoom(
  { closed, tubes }: { closed: number; tubes: number },
  lengths: readonly number[],
): { overlap: number; free: number } {
  return { overlap: tubes - (Math.max(...lengths) - closed), free: Math.min(...lengths) - closed };
}

export type SpeedBand = { low: number; high: number };

/** The chosen shaft speed against the band the implement states; by how much it is over (+) or under (−), 1/s. */
export function speedOff(speed: number, { low, high }: SpeedBand): number {
  return speed > high ? speed - high : speed < low ? speed - low : 0;
}
