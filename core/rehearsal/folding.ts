/**
 * A folding tool on the hydraulics, simulated: remotes move its cylinders as fast as their oil lets them, and what is done in
 * the wrong order shows what would break or hurt. A stand-in to practise on; no maker's machine.
 */
import type { World } from "../sequence/step.ts";

/** Functions it has, by kind; each with the seconds it takes right out and right in. */
export const FOLDING_KINDS = ["jack", "undercarriage", "wings", "front lift", "rear lift"] as const;
export type FoldingKind = (typeof FOLDING_KINDS)[number];

export type Lever = "out" | "in" | "float" | "neutral";

/** Strokes run from 0, right in, to 1, right out. */
export type Folding = {
  has: readonly FoldingKind[];
  /** jack 1 carries; undercarriage 1 is right down; wings 1 are right out; lifts 1 are right up */
  stroke: Readonly<Record<FoldingKind, number>>;
  lever: Readonly<Record<FoldingKind, Lever>>;
  jackStowed: boolean;
  locks: "in" | "out";
  looked: boolean;
  /** whether hoses are on the jack's coupling or on that of what it shares it with; null where nothing is swapped */
  swapped: boolean | null;
  /** lifts were held at both ends since they moved apart */
  even: boolean;
  harm: readonly Harm[];
};

export type Harm = { id: string; kind: "breaks" | "hurts"; text: string };

/** Undercarriage out so far lifts the wings off the cradle. */
export const OFF_CRADLE = 0.3;
const OUT = 0.985;
const IN = 0.015;

export type Speeds = Readonly<Partial<Record<FoldingKind, { out: number; in: number }>>>;

/** On its jack, folded, locked; lifts up. `shares`: the kind that waits for the jack's coupling, or null. */
export function parked(has: readonly FoldingKind[], swaps: boolean): Folding {
  const neutral = Object.fromEntries(FOLDING_KINDS.map((kind) => [kind, "neutral"])) as Folding["lever"];
  return {
    has,
    stroke: {
      jack: has.includes("jack") ? 1 : 0,
      undercarriage: 0,
      wings: 0,
      "front lift": 1,
      "rear lift": 1,
    },
    lever: neutral,
    jackStowed: !has.includes("jack"),
    locks: "in",
    looked: false,
    swapped: swaps ? false : null,
    even: false,
    harm: [],
  };
}

/** The same state with one lever moved; nothing has moved by oil yet. */
export function withLever(state: Folding, kind: FoldingKind, lever: Lever): Folding {
  return { ...state, lever: { ...state.lever, [kind]: lever } };
}

export const HARMS = {
  cradle: { kind: "breaks", text: "The cradle's arms bend: the wings still lie in it." },
  locks: { kind: "breaks", text: "A transport lock tears out of the wing." },
  people: { kind: "hurts", text: "Nobody looked round: the wing comes down where somebody may stand." },
  fall: { kind: "hurts", text: "In float nothing holds the wing: it falls." },
  high: { kind: "breaks", text: "Right up on its undercarriage with the wings folded it tips over." },
  under: { kind: "breaks", text: "The lifts come down on the folded wings." },
  dragged: {
    kind: "breaks",
    text: "The wings are folded while the tools hold in the ground: their arms twist.",
  },
  jack: { kind: "breaks", text: "The jack carries while the tool is lifted off it: it bends." },
  hose: { kind: "breaks", text: "That lever has another hose on it now: nothing moves but the wrong thing." },
  "lock in": { kind: "breaks", text: "The lock does not go in: the wings are not right folded." },
} as const satisfies Record<string, Omit<Harm, "id">>;

type HarmKey = keyof typeof HARMS;

function harmed(state: Folding, id: HarmKey): Folding {
  return state.harm.some((each) => each.id === id)
    ? state
    : { ...state, harm: [...state.harm, { id, ...HARMS[id] }] };
}

/** What stands in the way of a movement; it does not happen, and what would is kept. */
function inTheWay(state: Folding, kind: FoldingKind, lever: Lever): HarmKey[] {
  const { stroke, locks, looked, has, jackStowed } = state;
  const found: HarmKey[] = [];
  const down = (lift: FoldingKind) => has.includes(lift) && stroke[lift] < 1 - OUT + 0.2;
  if (kind === "wings" && lever !== "neutral") {
    if (locks === "in") found.push("locks");
    if (lever === "out" && has.includes("undercarriage") && stroke.undercarriage < OFF_CRADLE)
      found.push("cradle");
    if (!looked) found.push("people");
    if (lever === "float" && stroke.wings < OUT) found.push("fall");
    if (lever === "in" && (down("front lift") || down("rear lift"))) found.push("dragged");
  }
  if (kind === "undercarriage" && lever !== "neutral") {
    if (!jackStowed && has.includes("jack")) found.push("jack");
    if (lever === "out" && stroke.undercarriage > 0.5 && stroke.wings < 0.5 && has.includes("wings"))
      found.push("high");
    if (!looked) found.push("people");
  }
  if (
    (kind === "front lift" || kind === "rear lift") &&
    lever === "in" &&
    has.includes("wings") &&
    stroke.wings < OUT
  )
    found.push("under");
  return found;
}

/** What happens in a moment. `onJack`: the kind that shares the jack's coupling, if one does. */
export function tick(before: Folding, seconds: number, speeds: Speeds, onJack: FoldingKind | null): Folding {
  return before.has.reduce((state, kind) => moveOne(state, kind, seconds, speeds, onJack), before);
}

function moveOne(
  state: Folding,
  kind: FoldingKind,
  seconds: number,
  speeds: Speeds,
  onJack: FoldingKind | null,
): Folding {
  const lever = state.lever[kind];
  if (lever === "neutral") return state;
  const off =
    state.swapped !== null && ((kind === "jack" && state.swapped) || (kind === onJack && !state.swapped));
  if (off) return stop(harmed(state, "hose"), kind);
  const harm = inTheWay(state, kind, lever);
  if (harm.length > 0) {
    const after = harm.reduce(harmed, state);
    // A wing let go in float does fall; everything else is stopped before it breaks.
    return harm.includes("fall") ? { ...after, stroke: { ...after.stroke, wings: 1 } } : stop(after, kind);
  }
  if (lever === "float") return state;
  const full = speeds[kind] ?? { out: 8, in: 6 };
  const by = seconds / (lever === "out" ? full.out : full.in);
  const most = kind === "undercarriage" && state.has.includes("wings") && state.stroke.wings < 0.5 ? 0.51 : 1;
  const next =
    lever === "out" ? Math.min(most, state.stroke[kind] + by) : Math.max(0, state.stroke[kind] - by);
  const moved = { ...state, stroke: { ...state.stroke, [kind]: next } };
  // At the end of its stroke a lever kicks out of its detent.
  const rests = next <= 0 || next >= most ? stop(moved, kind) : moved;
  const lifts = kind === "front lift" || kind === "rear lift";
  return lifts && next > 0 && next < 1 ? { ...rests, even: false } : rests;
}

const stop = (state: Folding, kind: FoldingKind): Folding => withLever(state, kind, "neutral");

/** Things done on foot. */
export const ON_FOOT = {
  look: "Walk round once",
  "locks out": "Locks out",
  "locks in": "Locks in",
  stow: "Stow the jack",
  swing: "Swing the jack down",
  swap: "Swap the hoses",
  even: "Hold the lifts at both ends",
} as const;
export type OnFoot = keyof typeof ON_FOOT;

/**
 * What something done beside the tool changes; what cannot be done now leaves the state as it is, or harms.
 */
export function onFoot(state: Folding, what: OnFoot): Folding {
  const { stroke } = state;
  switch (what) {
    case "look":
      return { ...state, looked: true };
    case "locks out":
      return { ...state, locks: "out" };
    case "locks in":
      return stroke.wings > IN ? harmed(state, "lock in") : { ...state, locks: "in" };
    case "stow":
      return stroke.jack > IN ? harmed(state, "jack") : { ...state, jackStowed: true };
    case "swing":
      return { ...state, jackStowed: false };
    case "swap":
      return state.swapped === null ? state : { ...state, swapped: !state.swapped };
    case "even":
      return { ...state, even: true };
  }
}

/** How it stands in the words of the sequences: what of their steps holds. */
export function worldOf({ has, stroke, lever, jackStowed, locks, looked, swapped, even }: Folding): World {
  const lowered = (["front lift", "rear lift"] as const)
    .filter((kind) => has.includes(kind))
    .every((kind) => stroke[kind] <= IN);
  return {
    coupled: "yes",
    hoses: "in",
    people: looked ? "clear" : "unknown",
    locks,
    jack: jackStowed ? "stowed" : stroke.jack <= IN ? "up" : "down",
    cradle: stroke.undercarriage >= OFF_CRADLE ? "clear" : "carrying",
    wings: stroke.wings >= OUT ? "out" : stroke.wings <= IN ? "folded" : "between",
    undercarriage:
      stroke.undercarriage >= OUT ? "down" : stroke.undercarriage >= OFF_CRADLE ? "lifted" : "up",
    "wings float": lever.wings === "float" ? "on" : "off",
    "undercarriage float": lever.undercarriage === "float" ? "on" : "off",
    lift: lowered ? "lowered" : "raised",
    phase: even ? "even" : "unknown",
    swapped: swapped ? "yes" : "no",
  };
}
