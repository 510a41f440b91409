/** Drive shafts by size: what they carry at 540 and at 1000 rpm, watts (common series, from memory; the mark on the shaft comes first). */
const RATINGS: Record<string, { at540: number; at1000: number }> = {
  "1": { at540: 12e3, at1000: 18e3 },
  "2": { at540: 15e3, at1000: 23e3 },
  "3": { at540: 22e3, at1000: 34e3 },
  "4": { at540: 26e3, at1000: 40e3 },
  "5": { at540: 35e3, at1000: 54e3 },
  "6": { at540: 47e3, at1000: 74e3 },
  "7": { at540: 55e3, at1000: 87e3 },
  "8": { at540: 70e3, at1000: 110e3 },
};

/** What a size carries at a speed in 1/s: torque is what breaks a shaft, so slower than 540 rpm it carries less. Null for a size unknown. */
export function shaftRating(size: string, speed: number): number | null {
  const rating = RATINGS[size];
  if (!rating) return null;
  if (speed >= 15) return rating.at1000;
  return rating.at540 * Math.min(1, speed / 9);
}
