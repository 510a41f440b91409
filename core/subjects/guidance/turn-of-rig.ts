/** A rig as it turns, out of its readings: what is drawn by what, what stands on each body, what works. Metres, x ahead, y to the right. */
import type { DimensionKey } from "../../dimension/catalogue.ts";
import type { PointKey } from "../../dimension/points.ts";
import type { AtWork, TurningRig } from "../../motion/headland.ts";
import type { Drawn, Spot } from "../../motion/train.ts";
import { steersBy } from "../../rig/asked.ts";
import { coordinate } from "../../rig/frame.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type ToolOfRig, type WholeRig, works } from "../../rig/whole.ts";
import { type DrawbarShape, drawbarOutline } from "../../trade/turning.ts";

/** A reading that is not known, and of which part of the rig. */
export type Unknown = { part: number; key: DimensionKey };

export type TurnRig = {
  turning: TurningRig;
  /** the part each drawn body is, in the order of the train */
  drawn: readonly number[];
  /** the part each of what works is, in the order of `turning.works`; none where nothing works */
  working: readonly number[];
  /** what its depth rests on and nobody read: the drawing has it assumed */
  unknown: Unknown | null;
  /** the machine's width is that of a road (2.55 m), not read */
  widthAssumed: boolean;
};

/** What the machine that drives is drawn with where nobody read it. */
const ASSUMED = { nose: 4.2, tail: 5.6, width: 2.55, tyre: 1.85 };
/** A working tool of one line is still so deep, and one that only carries so long ahead of and behind its wheels (for the drawing). */
const LINE_DEEP = 0.3;
const CARRIER = { ahead: 1.6, behind: 1.4, width: 2.4 };

const box = (front: number, rear: number, width: number, middle = 0): Spot[] => [
  { x: front, y: middle - width / 2 },
  { x: front, y: middle + width / 2 },
  { x: rear, y: middle + width / 2 },
  { x: rear, y: middle - width / 2 },
];

/** Where a point lies from the axle, everything in line; or the reading it hangs on that is not known. */
export function along(rig: ResolvedRig, point: PointKey): number | DimensionKey {
  let sum = 0;
  for (const { key, coefficient } of coordinate(rig, point, "x")) {
    const value = known(rig, key);
    if (value === null) return key;
    sum += coefficient * value;
  }
  return sum;
}

/** What a machine turns about: its rear axle, the middle of its tracks, or the middle between axles that both steer. */
export function turnsAbout(rig: ResolvedRig): number | DimensionKey {
  const steering = steersBy(rig);
  if (steering === "tracks") return along(rig, "turn");
  const front = steering === "all wheels" ? along(rig, "frontAxle") : 0;
  return typeof front === "number" ? front / 2 : front;
}

/** Swings about a pin behind what draws it. */
const isDrawn = ({ attachment }: ResolvedRig) =>
  attachment === "drawn" || attachment === "links" || attachment === "semi" || isBehind(attachment);
const isBehind = (attachment: string) => attachment === "train" || attachment === "third";

/** The drawbar and its tool's front, where all of it was read. */
export function drawbarOf(rig: ResolvedRig): DrawbarShape | DimensionKey {
  const read = (key: DimensionKey) => known(rig, key);
  const [width, length, shoulder] = [read("tool.barWidth"), read("tool.barLength"), read("tool.shoulder")];
  if (width === null) return "tool.barWidth";
  if (length === null) return "tool.barLength";
  if (shoulder === null) return "tool.shoulder";
  return { width, length, shoulder, shape: chosen<"even" | "v">(rig, "tool.barShape") ?? "v" };
}

type Placed = { body: number; wheels: number };

/** The rig as a train of bodies; or the reading it hangs on that is not known. */
export function turnOfRig(whole: WholeRig): TurnRig | Unknown {
  const machine = whole.parts[0]!.rig;
  const about = turnsAbout(machine);
  if (typeof about === "string") return { part: 0, key: about };
  const bodies: Spot[][][] = [machineOutlines(machine, about)];
  const places: Placed[] = [];
  const train: Drawn[] = [];
  const drawn: number[] = [];
  const atWork: AtWork[] = [];
  const working: number[] = [];
  let unknown: Unknown | null = noseOf(machine);
  for (const [part, tool] of whole.parts.entries()) {
    const ahead = tool.behind === null ? { body: 0, wheels: about } : places[tool.behind]!;
    const place = placeOf(tool, ahead, train.length);
    if (typeof place === "string") return { part, key: place };
    places.push(place.at);
    if (place.link) {
      train.push(place.link);
      drawn.push(part);
      bodies.push([]);
    }
    const stands = standing(tool.rig, place.at.wheels);
    if (typeof stands === "string") return { part, key: stands };
    bodies[place.at.body]!.push(...stands.outlines);
    if (stands.work) {
      atWork.push({ ...stands.work, body: place.at.body });
      working.push(part);
    }
    unknown ??= stands.unread ? { part, key: stands.unread } : null;
  }
  return {
    turning: {
      train,
      bodies: bodies.map((outlines) => ({ outlines })),
      works: worksOr(atWork, bodies.length),
    },
    drawn,
    working,
    unknown,
    widthAssumed: machineWidth(machine) === null,
  };
}

/** What only carries works nothing: its last body's wheels stand for the work. */
function worksOr(atWork: readonly AtWork[], bodies: number): readonly AtWork[] {
  return atWork.length > 0 ? atWork : [{ body: bodies - 1, rear: 0, front: 0, middle: 0 }];
}

function noseOf(machine: ResolvedRig): Unknown | null {
  const key = machine.attachment === "head" ? "tractor.tail" : "tractor.nose";
  return known(machine, key) === null ? { part: 0, key } : null;
}

function machineWidth(machine: ResolvedRig): number | null {
  const [track, tyre] = [known(machine, "tractor.trackRear"), known(machine, "tractor.tyreWidth")];
  return track === null || tyre === null ? null : track + tyre;
}

function machineOutlines(machine: ResolvedRig, about: number): Spot[][] {
  const read = (key: DimensionKey, otherwise: number) => known(machine, key) ?? otherwise;
  const width = machineWidth(machine) ?? ASSUMED.width;
  const wheel = read("tractor.tyreHeight", ASSUMED.tyre) / 2;
  if (machine.attachment === "head")
    return [box(read("axle.pin", 2.2), -read("tractor.tail", ASSUMED.tail), width)];
  const tyre = read("tractor.tyreWidth", 0.55);
  const nose = read("tractor.nose", ASSUMED.nose) - about;
  const side = (width - tyre) / 2;
  return [
    box(nose, -about - 0.3, Math.min(1.1, width - 2 * tyre)),
    box(wheel - about, -wheel - about, tyre, side),
    box(wheel - about, -wheel - about, tyre, -side),
  ];
}

/** Which body a tool is of and where that body's wheels lie from the axle in line; with its link where it is drawn. */
function placeOf(
  { rig }: ToolOfRig,
  ahead: Placed,
  links: number,
): { at: Placed; link: Drawn | null } | DimensionKey {
  if (!isDrawn(rig)) return { at: ahead, link: null };
  const [pin, wheels] = [along(rig, "pin"), along(rig, "pivot")];
  if (typeof pin === "string") return pin;
  if (typeof wheels === "string") return wheels;
  return {
    at: { body: links + 1, wheels },
    link: { behind: ahead.body, hitch: ahead.wheels - pin, pivot: pin - wheels },
  };
}

type Standing = {
  outlines: Spot[][];
  work: Omit<AtWork, "body"> | null;
  /** what an outline rests on that nobody read */
  unread: DimensionKey | null;
};

/** What of a tool stands on its body, from that body's wheels; or the reading its work hangs on that is not known. */
function standing(rig: ResolvedRig, wheels: number): Standing | DimensionKey {
  const pin = along(rig, "pin");
  if (typeof pin === "string") return pin;
  const bar = barOutlines(rig, pin - wheels);
  if (!works(rig)) return { outlines: [...bar, ...carrierOutlines(rig)], work: null, unread: null };
  const [front, rear] = [along(rig, "workFront"), along(rig, "workRear")];
  if (typeof front === "string") return front;
  if (typeof rear === "string") return rear;
  const width = known(rig, "tool.overall") ?? known(rig, "tool.width");
  if (width === null) return "tool.width";
  const middle = known(rig, "tool.lateral") ?? 0;
  const deep = Math.max(0, LINE_DEEP - (front - rear)) / 2;
  return {
    outlines: [...bar, box(front - wheels + deep, rear - wheels - deep, width, middle)],
    work: { front: front - wheels, rear: rear - wheels, middle },
    unread: known(rig, "tool.lateral") === null ? "tool.lateral" : null,
  };
}

/** The drawbar as it was read, else a bar of no width. */
function barOutlines(rig: ResolvedRig, pin: number): Spot[][] {
  if (!isDrawn(rig)) return [];
  const shape = hasBar(rig) ? drawbarOf(rig) : "tool.barWidth";
  const outline =
    typeof shape === "string" ? box(0, -pin, 0.16) : drawbarOutline(shape).map((spot) => ({ ...spot }));
  return [box(pin, 0, 0.2), outline.map(({ x, y }) => ({ x: x + pin, y }))];
}

const hasBar = ({ attachment }: ResolvedRig) => attachment === "drawn" || attachment === "links";

function carrierOutlines(rig: ResolvedRig): Spot[][] {
  const width = known(rig, "tool.transportWidth") ?? CARRIER.width;
  return isDrawn(rig) ? [box(CARRIER.ahead, -CARRIER.behind, width)] : [];
}
