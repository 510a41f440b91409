/** Tramlines: in which passes of the drill the wheels of the sprayer will run, and which rows are shut for them. Metres. */

export type Drill = { width: number; rows: number; rowSpacing: number };
export type Sprayer = { width: number; track: number; tyre: number };

/** Rows of one pass of the drill, counted from the left, that are shut. */
export type ShutIn = { pass: number; rows: number[] };

export type Tramlines =
  | { kind: "none"; why: "no whole number" | "narrower than the drill"; times: number; nearest: number }
  | {
      kind: "odd" | "even half" | "even joint";
      times: number;
      /** the rhythm repeats after so many passes of the drill */
      period: number;
      shut: ShutIn[];
      /** metres from the field's edge to the sprayer's first track */
      firstTrack: number;
      /** how far the middle of a shut row lies off the middle of the wheel at most */
      off: number;
    };

/** How far the sum of the drill's passes may lie off the boom: a nozzle's reach either side (common practice, no source). */
const PLAY = 0.1;

export const EVEN_SCHOOLS = {
  half: {
    label: "Half a drill along the edge",
    why: "Two rows are shut in one pass and the marks fall in its middle; the first pass sows with half the drill.",
  },
  joint: {
    label: "Marks on the joint",
    why: "The whole drill from the edge; one row is shut on each side of a joint, in two passes.",
  },
} as const;
export type EvenSchool = keyof typeof EVEN_SCHOOLS;

/**
 * Where the tramlines fall when both begin at the same edge and drive to and fro. With the boom n drills wide and n odd they fall in the middle of
 * every n-th pass, first of pass (n + 1)/2; with n even on a joint, or, where the drill begins with half its width, in the middle of pass n/2 + 1.
 */
export function tramlines(drill: Drill, sprayer: Sprayer, school: EvenSchool): Tramlines {
  const times = sprayer.width / drill.width;
  const n = Math.round(times);
  const none = { kind: "none" as const, times, nearest: Math.max(1, n) * drill.width };
  if (times < 1 - PLAY / drill.width) return { ...none, why: "narrower than the drill" };
  if (Math.abs(sprayer.width - n * drill.width) > PLAY) return { ...none, why: "no whole number" };
  const firstTrack = sprayer.width / 2;
  if (n % 2 === 1 || school === "half") {
    const pass = n % 2 === 1 ? (n + 1) / 2 : n / 2 + 1;
    const { rows, off } = rowsUnder(drill, sprayer, 0);
    return {
      kind: n % 2 === 1 ? "odd" : "even half",
      times: n,
      period: n,
      shut: [{ pass, rows }],
      firstTrack,
      off,
    };
  }
  // On the joint behind pass n/2: that lies on the right of an odd pass, since the drill turns round each time.
  const before = n / 2;
  const half = drill.width / 2;
  // Seen in the way of travel: going away from the edge's end the next pass lies on the right, coming back on the left.
  const sideOfJoint = (pass: number, next: boolean) => ((pass % 2 === 1) === next ? 1 : -1);
  const one = rowsUnder(drill, sprayer, sideOfJoint(before, true) * half);
  const two = rowsUnder(drill, sprayer, sideOfJoint(before + 1, false) * half);
  return {
    kind: "even joint",
    times: n,
    period: n,
    shut: [
      { pass: before, rows: one.rows },
      { pass: before + 1, rows: two.rows },
    ],
    firstTrack,
    off: Math.max(one.off, two.off),
  };
}

/** Rows under the wheels of a sprayer whose middle runs so far right of the drill's middle. */
function rowsUnder(
  { rows, rowSpacing }: Drill,
  { track, tyre }: Sprayer,
  middle: number,
): { rows: number[]; off: number } {
  const place = (row: number) => (row - (rows + 1) / 2) * rowSpacing;
  const found = new Set<number>();
  let off = 0;
  for (const wheel of [middle - track / 2, middle + track / 2]) {
    const edge = (rows * rowSpacing) / 2;
    if (Math.abs(wheel) > edge) continue;
    const all = Array.from({ length: rows }, (_, at) => at + 1);
    const nearest = all.reduce((a, b) => (Math.abs(place(b) - wheel) < Math.abs(place(a) - wheel) ? b : a));
    off = Math.max(off, Math.abs(place(nearest) - wheel));
    found.add(nearest);
    for (const row of all) if (Math.abs(place(row) - wheel) < tyre / 2) found.add(row);
  }
  return { rows: [...found].sort((a, b) => a - b), off };
}
