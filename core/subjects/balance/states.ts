/** The states a rig passes through, and what each puts on its axles. kg and metres, x forward from the axle that does not steer. */
import { isAhead, isBuiltOn, isCarried, isTrain, onLinks, onPin } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { type Fill, loadPaths, rearHitchKey, SHARE, type Stand, unplaced } from "../../forces/load-path.ts";
import type { RigPower } from "../../forces/power-of-rig.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { onTracks } from "../../rig/supports.ts";
import { chosen, hangsAtWork, known, type WholeRig } from "../../rig/whole.ts";
import { GRAVITY } from "../../trade/power.ts";
import { axleLoads, type Placed } from "./loads.ts";
import { type Sides, sidesOf } from "./sideways.ts";

export type Posture = "lifted" | "lowered" | "pulling";

export type RigState = {
  id: string;
  label: string;
  /** on the road or at a headland: the share on the steered axle is a must; at work it is a wish */
  must: boolean;
  front: number;
  rear: number;
  total: number;
  /** on each tool's own wheels; null where it has none */
  tools: (number | null)[];
  /** what each tool puts on what carries it, downward, with all that hangs behind it */
  hitches: number[];
  loads: Placed[];
  /** left and right wheels of what takes what hangs to one side; empty where no track width is told and nothing does */
  sides: Sides[];
};

/** Where the machine's two axles or end rollers are, and what stands on them; the first thing missing otherwise. */
export type Ground =
  | {
      ok: true;
      /** x of what steers, and of the other support, metres */
      axle: number;
      base: number;
      /** kg on each, unladen */
      front: number;
      rear: number;
    }
  | { ok: false; missing: DimensionKey };

/**
 * The two supports of a machine without tools: where they are along x, metres, and what stands on each, kg;
 * or what is missing.
 */
export function groundOf(rig: ResolvedRig): Ground {
  if (onTracks(rig)) return groundOfTracks(rig);
  for (const key of ["tractor.wheelbase", "tractor.front", "tractor.rear"] as const)
    if (known(rig, key) === null) return { ok: false, missing: key };
  const wheelbase = known(rig, "tractor.wheelbase")!;
  const [front, rear] = [known(rig, "tractor.front")!, known(rig, "tractor.rear")!];
  // A head hangs before the drive axle, and the steered axle is behind: the axle at x = 0 is the one that does not steer.
  return rig.attachment === "head"
    ? { ok: true, axle: -wheelbase, base: 0, front: rear, rear: front }
    : { ok: true, axle: wheelbase, base: 0, front, rear };
}

/** A machine on tracks stands on its end rollers, and is shared between them by where its weight lies. */
function groundOfTracks(rig: ResolvedRig): Ground {
  const keys = [
    "tractor.turn",
    "tractor.rollerFront",
    "tractor.rollerRear",
    "tractor.mass",
    "tractor.cg",
  ] as const;
  const missing = keys.find((key) => known(rig, key) === null);
  if (missing) return { ok: false, missing };
  const [turn, ahead, back, mass, cg] = keys.map((key) => known(rig, key)!) as [
    number,
    number,
    number,
    number,
    number,
  ];
  const front = (mass * (cg + back)) / (ahead + back);
  return { ok: true, axle: turn + ahead, base: turn - back, front, rear: mass - front };
}

/** What a machine has of its own to fill: a combine's grain tank; null where that is not known. */
export function ownTankOf(rig: ResolvedRig): { mass: number; x: number } | null {
  if (rig.attachment !== "head") return { mass: 0, x: 0 };
  const [mass, x] = [known(rig, "tractor.grainTank"), known(rig, "tractor.grainTankCg")];
  if (mass === null || (mass > 0 && x === null)) return null;
  return { mass, x: x ?? 0 };
}

/** What one part needs before its loads can be told. */
export function missingOf(rig: ResolvedRig): DimensionKey | null {
  const key = unplaced(rig);
  if (key) return key;
  // Its own weight is on the machine's slip already where it is built on; behind another tool it hangs on that one.
  if (isBuiltOn(rig.attachment)) return null;
  const hitch = isTrain(rig.attachment) ? rearHitchKey(rig) : "axle.pin";
  return known(rig, hitch) === null ? hitch : null;
}

/** x of the point a tool hangs on. */
function hitchX(rig: ResolvedRig): number {
  const distance = known(rig, "axle.pin")!;
  return isAhead(rig.attachment) ? distance : -distance;
}

/** What the lift carries of a tool that works: all of what touches no ground; else draft control holds part of it, position and float leave it to the soil. */
function carriedAtWork(rig: ResolvedRig): number {
  if (hangsAtWork(rig)) return 1;
  const control = chosen<"draft" | "mixed" | "position" | "float">(rig, "work.control");
  return control === "draft" || control === "mixed" ? (known(rig, "work.draftShare") ?? 0.4) : 0;
}

type Setting = { posture: Posture; fill: Fill; coupled: boolean };

/** One state: every tool's posture and fill, with or without the weights that are on. */
export function stateOf(
  whole: WholeRig,
  power: RigPower,
  ground: Extract<Ground, { ok: true }>,
  { id, label, must }: Pick<RigState, "id" | "label" | "must">,
  settings: readonly Setting[],
  tankFill: Fill = "empty",
): RigState {
  const loads: Placed[] = [
    { what: "steered axle, unladen", mass: ground.front, x: ground.axle },
    { what: "other axle, unladen", mass: ground.rear, x: ground.base },
  ];
  const tank = ownTankOf(whole.parts[0]!.rig);
  const own = (tank?.mass ?? 0) * SHARE[tankFill];
  if (tank && own > 0) loads.push({ what: "grain tank", mass: own, x: tank.x });
  const stands = whole.parts.map(({ rig }, index): Stand => {
    const { posture, fill, coupled } = settings[index]!;
    const hung =
      posture === "lifted" ? 1 : posture === "pulling" ? carriedAtWork(rig) : hangsAtWork(rig) ? 1 : 0;
    return { fill, coupled, hung };
  });
  const paths = loadPaths(whole.parts, stands);
  let lever = 0;
  for (const [index, { rig, behind, name }] of whole.parts.entries()) {
    const setting = settings[index]!;
    if (!setting.coupled) continue;
    if (isBuiltOn(rig.attachment)) {
      const mass = (known(rig, "tool.load") ?? 0) * SHARE[setting.fill];
      if (mass > 0) loads.push({ what: `${name}, tank`, mass, x: known(rig, "tool.loadCg")! });
      continue;
    }
    const path = paths[index];
    if (!path || behind !== null) continue;
    lever += pullOfTrain(whole, power, index, settings) * pullHeight(rig);
    if (path.hitch === 0) continue;
    const away = path.moment / path.hitch;
    loads.push({ what: name, mass: path.hitch, x: hitchX(rig) + (isAhead(rig.attachment) ? away : -away) });
  }
  const axles = axleLoads(ground, loads, lever);
  return {
    id,
    label,
    must,
    ...axles,
    tools: paths.map((path) => path?.wheels ?? null),
    hitches: paths.map((path) => path?.hitch ?? 0),
    loads,
    sides: sidesOf(whole.parts, paths, stands, axles).sides,
  };
}

/** Height of the line of pull above ground: the pin, or the balls at work; where neither is known it is left out. */
function pullHeight(rig: ResolvedRig): number {
  if (onPin(rig.attachment)) return known(rig, "hitch.pinHeight") ?? 0;
  return onLinks(rig.attachment) ? (known(rig, "work.ballHeight") ?? 0) : 0;
}

/** A tool's own pull and that of all behind it, as the mass whose weight it is. */
function pullOfTrain(whole: WholeRig, power: RigPower, index: number, settings: readonly Setting[]): number {
  const own = settings[index]!.posture === "pulling" ? (power.parts[index]?.need?.pull ?? 0) / GRAVITY : 0;
  return whole.parts.reduce(
    (sum, part, at) => (part.behind === index ? sum + pullOfTrain(whole, power, at, settings) : sum),
    own,
  );
}

/** All states of a rig, from the machine alone through every step of coupling to every fill and posture. */
export function statesOf(
  whole: WholeRig,
  power: RigPower,
  ground: Extract<Ground, { ok: true }>,
): RigState[] {
  const { parts } = whole;
  const filled =
    parts.some(({ rig }) => (known(rig, "tool.load") ?? 0) > 0) || (ownTankOf(parts[0]!.rig)?.mass ?? 0) > 0;
  const fills: Fill[] = filled ? ["empty", "half", "full"] : ["empty"];
  const all = (posture: Posture, fill: Fill): Setting[] =>
    parts.map(() => ({ posture, fill, coupled: true }));
  const state = (
    id: string,
    label: string,
    must: boolean,
    settings: readonly Setting[],
    tank: Fill = "empty",
  ) => stateOf(whole, power, ground, { id, label, must }, settings, tank);
  const named = (fill: Fill) => (filled ? `, ${fill}` : "");
  const takenOff = parts.some(({ rig }) => !isBuiltOn(rig.attachment));
  const anyCarried = parts.some(({ rig }) => isLifted(rig));
  const up = anyCarried ? "Lifted" : "Standing";
  const steps = parts.slice(0, -1).map((part, last) =>
    state(
      `step ${last + 1}`,
      `${part.name} only`,
      true,
      all("lifted", "empty").map((each, index) => ({ ...each, coupled: index <= last })),
    ),
  );
  return [
    ...(takenOff
      ? [
          state(
            "alone",
            "Machine alone",
            true,
            all("lifted", "empty").map((each) => ({ ...each, coupled: false })),
          ),
          ...((ownTankOf(parts[0]!.rig)?.mass ?? 0) > 0
            ? [
                state(
                  "alone full",
                  "Machine alone, full",
                  true,
                  all("lifted", "empty").map((each) => ({ ...each, coupled: false })),
                  "full",
                ),
              ]
            : []),
        ]
      : []),
    ...steps,
    ...fills.map((fill) => state(`lifted ${fill}`, `${up}${named(fill)}`, true, all("lifted", fill), fill)),
    ...oneLowered(whole).map(({ index, label }) =>
      state(
        `lowered ${index}`,
        label,
        true,
        all("lifted", "empty").map((each, at) =>
          at === index ? { ...each, posture: "lowered" as const } : each,
        ),
      ),
    ),
    ...fills
      .filter(
        (fill) =>
          fill !== "half" &&
          parts.some((part, index) => power.parts[index]?.need && !isBuiltOn(part.rig.attachment)),
      )
      .map((fill) => state(`pulling ${fill}`, `At work${named(fill)}`, false, all("pulling", fill), fill)),
    ...mixedFills(whole).map(({ index, label }) =>
      state(
        `mixed ${index}`,
        label,
        true,
        all("lifted", "empty").map((each, at) => (at === index ? { ...each, fill: "full" as const } : each)),
      ),
    ),
  ];
}

/** Leaves the ground with the lift, and comes down to work. */
const isLifted = ({ attachment }: ResolvedRig) => isCarried(attachment) && !isBuiltOn(attachment);

/** With tools at both ends, one down and the other up is a state of every headland. */
function oneLowered({ parts }: WholeRig): { index: number; label: string }[] {
  const carried = parts.flatMap(({ rig }, index) => (isLifted(rig) ? [index] : []));
  return carried.length < 2
    ? []
    : carried.map((index) => ({ index, label: `${parts[index]!.name} down, the other up` }));
}

/** Two tanks do not empty together. */
function mixedFills({ parts }: WholeRig): { index: number; label: string }[] {
  const tanks = parts.flatMap(({ rig }, index) => ((known(rig, "tool.load") ?? 0) > 0 ? [index] : []));
  const alone = tanks.length === 1 && parts.length === 1;
  return alone || tanks.length < 2
    ? []
    : tanks.map((index) => ({ index, label: `Only ${parts[index]!.name} full` }));
}
