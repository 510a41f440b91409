import type { Box } from "../picture/box.ts";
import { ascending, type Candidate, type Label, type Offer, type Offers, type Segment } from "./place.ts";

/** Sizes of a label on the sheet, pixels. */
export const LETTER_RADIUS = 13;
const CHARACTER = 8.6;
const VALUE_HEIGHT = 20;
const GAP = 5;
const ARROW = 8;

const letterBox = (x: number, y: number): Box => ({
  x: x - LETTER_RADIUS,
  y: y - LETTER_RADIUS,
  w: 2 * LETTER_RADIUS,
  h: 2 * LETTER_RADIUS,
});

type Side = "left" | "right";

/** The letter at (x, y) with its value beside it; without text the letter alone. */
function label(x: number, y: number, text: string, side: Side): Label {
  const letter = { x, y };
  if (text === "") return { letter, value: null, label: [letterBox(x, y)] };
  const width = text.length * CHARACTER;
  const reach = LETTER_RADIUS + GAP;
  const box = {
    x: side === "right" ? x + reach : x - reach - width,
    y: y - VALUE_HEIGHT / 2,
    w: width,
    h: VALUE_HEIGHT,
  };
  return {
    letter,
    value: { x: side === "right" ? x + reach : x - reach, y, anchor: side === "right" ? "start" : "end" },
    label: [letterBox(x, y), box],
  };
}

const vertical = (x: number, y1: number, y2: number): Box => ({
  x: x - 1,
  y: y1,
  w: 2,
  h: Math.max(y2 - y1, 1),
});

function verticalArrows(x: number, y1: number, y2: number): Segment[] {
  const size = Math.min(ARROW, (y2 - y1) / 3);
  return [
    { x1: x - size / 2, y1: y1 + size, x2: x, y2: y1 },
    { x1: x + size / 2, y1: y1 + size, x2: x, y2: y1 },
    { x1: x - size / 2, y1: y2 - size, x2: x, y2 },
    { x1: x + size / 2, y1: y2 - size, x2: x, y2 },
  ];
}

/** Where a letter stands on its line, as a share of it, or beside its middle, as far away and shifted as told; and what that costs. */
type AlongPlace = { lane: number; side: Side; cost: number } & (
  | { share: number }
  | { away: number; shift: number }
);

const SHARES = [0.5, 0.38, 0.62, 0.25, 0.75];
const AWAY = [LETTER_RADIUS + 6, 44];
const SHIFTS = [0, -16, 16, -40, 40];

const alongOnce = remembering<readonly AlongPlace[]>();

/** Best first, for lanes that lie left or right of the middle; what is too short has no letter on its line. */
function placesAlong(outer: readonly Side[], short: boolean): readonly AlongPlace[] {
  return alongOnce(`${outer.join()} ${short}`, () =>
    ascending(
      outer.flatMap((out, lane) =>
        (["right", "left"] as const).flatMap((side): AlongPlace[] => {
          const cost = lane * 3 + (side === out ? 0 : 6);
          return [
            ...(short ? [] : SHARES).map((share) => ({
              lane,
              side,
              share,
              cost: cost + Math.abs(share - 0.5) * 24,
            })),
            ...AWAY.flatMap((away) =>
              SHIFTS.map((shift) => ({ lane, side, away, shift, cost: cost + away + Math.abs(shift) / 2 })),
            ),
          ];
        }),
      ),
    ),
  );
}

/**
 * A length along the line of travel: a vertical line in one of the lanes, its letter on it. Where the line
 * is too short to carry the letter, or crowded, the letter stands beside it on a short leader.
 */
export function alongOffers(
  ends: { from: Spot; to: Spot },
  text: string,
  lanes: readonly number[],
  middle: number,
): Offers {
  const [y1, y2] = [Math.min(ends.from.y, ends.to.y), Math.max(ends.from.y, ends.to.y)];
  const outer = lanes.map((lane): Side => (lane > middle ? "right" : "left"));
  return offering(placesAlong(outer, y2 - y1 < 4 * LETTER_RADIUS), (place) => {
    const lane = lanes[place.lane]!;
    if ("share" in place)
      return alongCandidate(ends, lane, { x: lane, y: y1 + (y2 - y1) * place.share }, null, text, place.side);
    const y = (y1 + y2) / 2 + place.shift;
    const letter = { x: lane + (place.side === "right" ? place.away : -place.away), y };
    const foot = { x: lane, y: Math.min(Math.max(y, y1), y2) };
    return alongCandidate(ends, lane, letter, foot, text, place.side);
  });
}

/** Places that are the same for many drawings, worked out once. */
function remembering<T>() {
  const known = new Map<string, T>();
  return (key: string, make: () => T): T => {
    const made = known.get(key) ?? make();
    known.set(key, made);
    return made;
  };
}

/** Places as offers: what stands at one is worked out when it is looked at. */
function offering<P extends { cost: number }>(places: readonly P[], at: (place: P) => Candidate): Offers {
  return {
    *[Symbol.iterator]() {
      for (const place of places) yield { cost: place.cost, build: () => at(place) };
    },
  };
}

type Spot = { x: number; y: number };

function alongCandidate(
  ends: { from: Spot; to: Spot },
  lane: number,
  letter: Spot,
  foot: Spot | null,
  text: string,
  side: Side,
): Candidate {
  const [y1, y2] = [Math.min(ends.from.y, ends.to.y), Math.max(ends.from.y, ends.to.y)];
  const extension = ({ x, y }: Spot): Segment => ({
    x1: x,
    y1: y,
    x2: lane + Math.sign(lane - x) * 6,
    y2: y,
  });
  return {
    ...label(letter.x, letter.y, text, side),
    leader: false,
    line: () => [vertical(lane, y1, y2)],
    strokes: () => ({
      path: [
        { x1: lane, y1, x2: lane, y2 },
        extension(ends.from),
        extension(ends.to),
        ...(foot ? [leader(foot, letter)] : []),
      ],
      arrows: verticalArrows(lane, y1, y2),
    }),
  };
}

/** A length across: a horizontal line at one of the heights, its letter on it, or past one end where that is taken. */
export function acrossOffers(
  x1: number,
  x2: number,
  heights: readonly number[],
  from: number,
  text: string,
): Offer[] {
  const on = [0.5, 0.35, 0.65].map((share) => ({
    x: x1 + (x2 - x1) * share,
    side: "right" as const,
    cost: Math.abs(share - 0.5) * 20,
  }));
  const past = LETTER_RADIUS + 6;
  const beside = [
    { x: x2 + past, side: "right" as const, cost: 40 },
    { x: x1 - past, side: "left" as const, cost: 46 },
  ];
  return ascending(
    heights.flatMap((y, index) =>
      [...on, ...beside].map(({ x, side, cost }) => ({
        cost: index * 4 + cost,
        build: () => acrossCandidate(x1, x2, y, from, label(x, y, text, side)),
      })),
    ),
  );
}

function acrossCandidate(
  x1: number,
  x2: number,
  y: number,
  from: number,
  own: ReturnType<typeof label>,
): Candidate {
  return {
    ...own,
    leader: false,
    line: () => [{ x: x1, y: y - 1, w: x2 - x1, h: 2 }],
    strokes: () => ({
      path: [
        { x1, y1: y, x2, y2: y },
        { x1, y1: from, x2: x1, y2: y + 6 },
        { x1: x2, y1: from, x2, y2: y + 6 },
      ],
      arrows: [
        { x1: x1 + ARROW, y1: y - ARROW / 2, x2: x1, y2: y },
        { x1: x1 + ARROW, y1: y + ARROW / 2, x2: x1, y2: y },
        { x1: x2 - ARROW, y1: y - ARROW / 2, x2, y2: y },
        { x1: x2 - ARROW, y1: y + ARROW / 2, x2, y2: y },
      ],
    }),
  };
}

const AROUND = [0, 28, -28, 56, -56, 88, -88, 130, -130, 170, -170];
const BESIDE = [30, 52, 84, 124, 168];

type TagPlace = { anchor: number; dx: number; dy: number; side: Side; cost: number };

const tagsOnce = remembering<readonly TagPlace[]>();

/** Where a tag may stand seen from so many points, best first. */
function placesAround(anchors: number, bare: boolean): readonly TagPlace[] {
  // A letter alone looks the same from both sides.
  const sides: readonly Side[] = bare ? ["right"] : ["right", "left"];
  return tagsOnce(`${anchors} ${bare}`, () =>
    ascending(
      Array.from({ length: anchors }, (_, anchor) =>
        BESIDE.flatMap((dx) => [dx, -dx]).flatMap((dx) =>
          AROUND.flatMap((dy) =>
            sides.map((side) => {
              const turned = !bare && side !== (dx > 0 ? "right" : "left");
              return { anchor, dx, dy, side, cost: anchor * 24 + Math.hypot(dx, dy) + (turned ? 10 : 0) };
            }),
          ),
        ),
      ).flat(),
    ),
  );
}

/** A letter with a leader to one of a few points, the first preferred: what has no line of its own in plan view. */
export function tagOffers(anchors: readonly Spot[], text: string): Offers {
  return offering(placesAround(anchors.length, text === ""), ({ anchor, dx, dy, side }) => {
    const at = anchors[anchor]!;
    return tagCandidate(at, { x: at.x + dx, y: at.y + dy }, text, side);
  });
}

function tagCandidate(at: Spot, letter: Spot, text: string, side: Side): Candidate {
  return {
    ...label(letter.x, letter.y, text, side),
    leader: true,
    line: () => dotted(at, letter),
    strokes: () => ({ path: [leader(at, letter)], arrows: [] }),
  };
}

function leader(at: Spot, letter: Spot): Segment {
  const length = Math.hypot(letter.x - at.x, letter.y - at.y);
  const share = Math.max(length - LETTER_RADIUS, 0) / length;
  return { x1: at.x, y1: at.y, x2: at.x + (letter.x - at.x) * share, y2: at.y + (letter.y - at.y) * share };
}

/** A slanting line as a row of small boxes, so that it is kept clear like an upright one. */
function dotted(at: Spot, letter: Spot): Box[] {
  const { x1, y1, x2, y2 } = leader(at, letter);
  const steps = Math.max(1, Math.round(Math.hypot(x2 - x1, y2 - y1) / 14));
  return Array.from({ length: steps }, (_, index) => {
    const share = (index + 0.5) / steps;
    return { x: x1 + (x2 - x1) * share - 1, y: y1 + (y2 - y1) * share - 1, w: 2, h: 2 };
  });
}
