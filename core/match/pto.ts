/** Power take-off: shafts of ISO 500 and drawbar distances of ASABE S203 (both from memory). Lengths metres, speeds 1/s. */

export const PTO_TYPES = ["1", "2", "3", "4"] as const;
export type PtoType = (typeof PTO_TYPES)[number];

export type PtoShaft = {
  diameter: number;
  splines: number;
  /** rated speed, 1/s */
  speed: number;
  /** drawbar pin hole to shaft end; null where no figure is known */
  toPin: number | null;
};

const rpm = (perMinute: number) => perMinute / 60;

export const PTO_SHAFTS: Record<PtoType, PtoShaft> = {
  "1": { diameter: 0.035, splines: 6, speed: rpm(540), toPin: 0.356 },
  "2": { diameter: 0.035, splines: 21, speed: rpm(1000), toPin: 0.406 },
  "3": { diameter: 0.045, splines: 20, speed: rpm(1000), toPin: 0.508 },
  "4": { diameter: 0.0575, splines: 22, speed: rpm(1300), toPin: null },
};

export function describeShaft(type: PtoType): string {
  const { diameter, splines } = PTO_SHAFTS[type];
  return `type ${type}, ${Number((diameter * 1000).toFixed(1))} mm, ${splines} splines`;
}

/** Pin-to-shaft distances agree within this (common practice, no source). */
const DISTANCE_PLAY = 0.015;

/** By how much the pin is too near (−) or too far (+), metres; 0 within the play, null where the standard gives no figure. */
export function pinDistance(type: PtoType, toPin: number): number | null {
  const standard = PTO_SHAFTS[type].toPin;
  if (standard === null) return null;
  const by = toPin - standard;
  return Math.abs(by) <= DISTANCE_PLAY ? 0 : by;
}

export type SpeedBand = { low: number; high: number };

/** The chosen shaft speed against the band the implement states; by how much it is over (+) or under (−), 1/s. */
export function speedOff(speed: number, { low, high }: SpeedBand): number {
  return speed > high ? speed - high : speed < low ? speed - low : 0;
}

/** The engine-driven speed nearest inside the band among those the tractor offers; null where none is. */
export function speedInBand(offered: readonly number[], { low, high }: SpeedBand): number | null {
  const within = offered.filter((speed) => speed >= low && speed <= high);
  return within.length === 0 ? null : Math.max(...within);
}
