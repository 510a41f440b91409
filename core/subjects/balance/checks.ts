/** The balance station: does the steered axle keep its share, does nothing carry too much, and what to put on? */

import { isBuiltOn, isCarried } from "../../dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { fineLength, quantity, type Said, tapeLength, tell } from "../../quantity/said.ts";
import { onTracks } from "../../rig/supports.ts";
import { known, type WholeRig } from "../../rig/whole.ts";
import { otherName, steeredName, steersBehind } from "./axle-names.ts";
import { type BalanceOf, beyondTail, scaleError } from "./balance-of-rig.ts";
import { ballastCheck } from "./ballast-checks.ts";
import { FRONT_SHARE, REAR_SHARE } from "./loads.ts";
import { unplacedSideways } from "./sideways.ts";
import type { RigState } from "./states.ts";
import { pressureOnly, tyreChecks } from "./tyre-checks.ts";

/** What is looked at of a whole rig, with the loads it stands on. */
export function balanceChecks(whole: WholeRig, loads: BalanceOf): Check[] {
  return [
    ...(loads.ok ? loadChecks(whole, loads) : missingCheck(whole, loads)),
    ...scaleCheck(whole),
    ...tailChecks(whole),
    ...(loads.ok ? loads.tyres.flatMap((axle) => tyreChecks(whole, axle)) : pressureOnly(whole)),
    ...trackCheck(whole),
  ];
}

type Loads = Extract<BalanceOf, { ok: true }>;

function missingCheck(whole: WholeRig, { missing, part }: Extract<BalanceOf, { ok: false }>): Check[] {
  const at = whole.parts[part ?? 0]!.rig;
  const rowOf = checkerOf("balance", at, part !== null && whole.parts.length > 1 ? part : undefined);
  return [{ ...rowOf("front", "Loads").unknown(missing), id: "front" }];
}

function loadChecks(whole: WholeRig, loads: Loads): Check[] {
  const { rig } = whole.parts[0]!;
  const at = checkerOf("balance", rig);
  return [
    steeredCheck(whole, loads, at),
    ...(loads.least.rear > 0 ? [rearCheck(loads, at)] : []),
    ...(onTracks(rig) ? [middleCheck(whole, loads, at)] : axleLimitChecks(whole, loads, at)),
    limitCheck("gross-limit", "Gross mass", loads.states, ({ total }) => total, whole, at),
    ...sidewaysChecks(whole, loads, at),
    ...toolAxleChecks(whole, loads),
    ...ballastCheck(whole, loads, at),
  ];
}

/** What stands on tracks bears on all of them while it lies in their middle third (the kern of a line; textbook statics). */
const THIRD = 1 / 3;

function middleCheck(whole: WholeRig, { states }: Loads, rowOf: Checker): Check {
  const row = rowOf("tracks-middle", "Weight on the tracks");
  const share = ({ front, total }: RigState) => front / total;
  const off = (state: RigState) => Math.abs(share(state) - 0.5);
  const worst = states.reduce((most, state) => (off(state) > off(most) ? state : most));
  const said = tell`${worst.label}: ${quantity("ratio", share(worst))} of it on the ${steeredName(whole).toLowerCase()}`;
  return off(worst) <= THIRD / 2
    ? row.good("weights", tell`${said}: it lies in the middle third.`)
    : row.check(
        "weights",
        tell`${said}: it leaves the middle third of the tracks.`,
        `The ${share(worst) < 0.5 ? "front" : "rear"} of the tracks presses on the ground hardly at all: it steers badly, and its other end sinks in.`,
        "Look at ballast",
      );
}

function axleLimitChecks(whole: WholeRig, loads: Loads, at: Checker): Check[] {
  return [
    limitCheck("front-limit", steeredName(whole), loads.states, ({ front }) => front, whole, at),
    limitCheck("rear-limit", otherName(whole), loads.states, ({ rear }) => rear, whole, at),
  ];
}

const worstOf = (states: readonly RigState[], pick: (state: RigState) => number) =>
  states.reduce((worst, state) => (pick(state) < pick(worst) ? state : worst));

/** At least a fifth of the unladen weight on the steered axle, on the road and with the implement raised. */
function steeredCheck(whole: WholeRig, { states, unladen }: Loads, rowOf: Checker): Check {
  const row = rowOf("front", `Weight on the ${steeredName(whole).toLowerCase()}`);
  const must = worstOf(
    states.filter((state) => state.must),
    ({ front }) => front,
  );
  const work = states.filter((state) => !state.must);
  const target = "weights" as const;
  const share = (state: RigState) => quantity("ratio", state.front / unladen);
  const told = (state: RigState) =>
    tell`${state.label}: ${quantity("mass", state.front)} on the ${steeredName(whole).toLowerCase()}, ${share(state)} of the unladen weight`;
  const least = quantity("ratio", FRONT_SHARE);
  if (must.front < 0)
    return row.stop(
      target,
      tell`${must.label}: the ${steeredName(whole).toLowerCase()} lifts off. ${quantity("mass", -must.front)} are missing for it even to touch the ground.`,
      "Do not lift it: the machine tips over its other axle.",
      "Look at ballast",
    );
  if (must.front < FRONT_SHARE * unladen - 0.5)
    return row.stop(
      target,
      tell`${told(must)}; ${least} must stay on it.`,
      "Below that it steers and brakes badly. On the road it is against the rules nearly everywhere.",
      "Look at ballast",
    );
  const pulling = work.length > 0 ? worstOf(work, ({ front }) => front) : null;
  if (pulling && pulling.front < FRONT_SHARE * unladen)
    return row.check(
      target,
      tell`${told(pulling)} while pulling.`,
      "It steers badly under load, and the front wheels help little. More weight in front, or a lower line of pull.",
      "Look at ballast",
    );
  return row.good(target, tell`${told(must)}, at the least.`, "", "Look at ballast");
}

function rearCheck({ states, unladen }: Loads, rowOf: Checker): Check {
  const row = rowOf("rear", "Weight on the rear axle");
  const must = worstOf(
    states.filter((state) => state.must),
    ({ rear }) => rear,
  );
  const told = tell`${must.label}: ${quantity("mass", must.rear)} on the rear axle, ${quantity("ratio", must.rear / unladen)} of the unladen weight`;
  if (must.rear < REAR_SHARE * unladen - 0.5)
    return row.judged(
      must.rear < 0 ? "stop" : "fix",
      "weights",
      tell`${told}; with a tool in front ${quantity("ratio", REAR_SHARE)} should stay on it.`,
      "The rear brakes and the drive need it. Weight at the back, or the rear tool coupled first.",
      "Look at ballast",
    );
  return row.good("weights", tell`${told}, at the least.`, "", "Look at ballast");
}

/** A permitted load: on the road, and at work where the maker names another. */
type Permitted = { key: DimensionKey; road: number | null; field: number | null };

/** What limits a front or rear axle, or the whole; a machine that steers behind has its axles the other way round. */
function permittedOf(id: string, whole: WholeRig): Permitted {
  const { rig } = whole.parts[0]!;
  const front = (id === "front-limit") !== steersBehind(whole);
  if (id === "gross-limit")
    return { key: "tractor.grossLimit", road: known(rig, "tractor.grossLimit"), field: null };
  return front
    ? {
        key: "tractor.frontLimit",
        road: known(rig, "tractor.frontLimit"),
        field: known(rig, "tractor.frontFieldLimit"),
      }
    : {
        key: "tractor.rearLimit",
        road: known(rig, "tractor.rearLimit"),
        field: known(rig, "tractor.rearFieldLimit"),
      };
}

type Over = { state: RigState; load: number; limit: number };

/**
 * The worst state on the road against its limit, and the worst at work against the maker's limit for work. Without one the road's limit
 * stands in, and passing it is a check, said as such.
 */
function overOf(
  states: readonly RigState[],
  pick: (state: RigState) => number,
  { road, field }: { road: number; field: number | null },
): { must: Over; work: (Over & { own: boolean }) | null } {
  const worst = (must: boolean, limit: number): Over | null => {
    const own = states.filter((state) => state.must === must);
    if (own.length === 0) return null;
    const state = worstOf(own, (each) => -pick(each));
    return { state, load: pick(state), limit };
  };
  const work = worst(false, field ?? road);
  return { must: worst(true, road)!, work: work && { ...work, own: field !== null } };
}

function limitCheck(
  id: string,
  label: string,
  states: readonly RigState[],
  pick: (state: RigState) => number,
  whole: WholeRig,
  rowOf: Checker,
): Check {
  const row = rowOf(id, label);
  const { key, road, field } = permittedOf(id, whole);
  if (road === null) return row.unknown(key as "tractor.frontLimit");
  const { must, work } = overOf(states, pick, { road, field });
  const target = "weights" as const;
  const told = ({ state, load, limit }: Over) =>
    tell`${state.label}: ${quantity("mass", load)}; permitted ${quantity("mass", limit)}`;
  if (must.load > must.limit || (work?.own && work.load > work.limit)) {
    const over = must.load > must.limit ? must : work!;
    return row.stop(
      target,
      tell`${row.label} carries too much. ${told(over)}${over === must ? "" : " at work"}, ${quantity("mass", over.load - over.limit)} over.`,
      tell`It breaks the axle, or the law. ${lighter(states, pick, over.limit, whole)}`,
      "Look at ballast",
    );
  }
  if (work && work.load > work.limit)
    return row.check(
      key,
      tell`${told(work)} on the road, ${quantity("mass", work.load - work.limit)} over it at work. No limit for work is told.`,
      "Some makers permit more at walking pace in the field: their book says. Until then the road's limit is all that is known.",
    );
  return row.good(key, tell`${told(must)}.`);
}

/** What to do about too much load: how far to fill, where filling is what brings it over. */
function lighter(
  states: readonly RigState[],
  pick: (state: RigState) => number,
  limit: number,
  { parts }: WholeRig,
): Said {
  const at = (fill: string) => states.find(({ id }) => id === `lifted ${fill}`);
  const [empty, full] = [at("empty"), at("full")];
  const tanks = parts.flatMap(({ rig }) => known(rig, "tool.load") || []);
  if (!empty || !full || tanks.length !== 1 || pick(empty) >= limit || pick(full) <= limit)
    return "Take weight off, or take a larger machine.";
  const share = (limit - pick(empty)) / (pick(full) - pick(empty));
  return tell`Fill no more than ${quantity("mass", Math.floor(tanks[0]! * share))}, ${quantity("ratio", Math.floor(share * 100) / 100)} of it.`;
}

function toolAxleChecks(whole: WholeRig, { states }: Loads): Check[] {
  return whole.parts.flatMap(({ rig }, index) => {
    if (isCarried(rig.attachment)) return [];
    const rowOf = checkerOf("balance", rig, whole.parts.length > 1 ? index : undefined);
    const limit = known(rig, "tool.axleLimit");
    const row = rowOf("tool-axle", "Implement's axle");
    if (limit === null) return [row.unknown("tool.axleLimit")];
    const field = known(rig, "tool.axleFieldLimit");
    const { must, work } = overOf(states, (state) => state.tools[index] ?? 0, { road: limit, field });
    const told = ({ state, load, limit: most }: Over) =>
      tell`${state.label}: ${quantity("mass", load)} on its wheels; permitted ${quantity("mass", most)}`;
    const target = "tool.axleLimit" as const;
    if (must.load > must.limit || (work?.own && work.load > work.limit)) {
      const over = must.load > must.limit ? must : work!;
      return [
        row.stop(
          target,
          tell`${told(over)}${over === must ? "" : " at work"}, ${quantity("mass", over.load - over.limit)} over.`,
          "Fill less.",
        ),
      ];
    }
    if (work && work.load > work.limit)
      return [
        row.check(
          "tool.axleFieldLimit",
          tell`${told(work)} on the road, ${quantity("mass", work.load - work.limit)} over it at work. No limit for work is told.`,
          "Its maker's book may permit more in the field.",
        ),
      ];
    return [row.good(target, tell`${told(must)}.`)];
  });
}

/** The heavier wheel of an axle carries this much of the lighter before it is spoken of (our threshold). */
const UNEVEN = 1.25;

/** What hangs to one side: which wheel carries it, and whether that may. */
function sidewaysChecks(whole: WholeRig, { states }: Loads, rowOf: Checker): Check[] {
  const row = rowOf("sideways", "Left and right wheel");
  const lead = whole.parts[0]!.rig;
  for (const [index, { rig, behind }] of whole.parts.entries()) {
    const missing = behind === null && isCarried(rig.attachment) ? unplacedSideways(rig) : null;
    if (missing) {
      const at = checkerOf("balance", rig, whole.parts.length > 1 ? index : undefined);
      return [at(row.name, row.label).unknown(missing)];
    }
  }
  const told = states.flatMap((state) => state.sides.map((side) => ({ state, side })));
  if (told.length === 0) {
    const key = steersBehind(whole) ? "tractor.trackFront" : "tractor.trackRear";
    const lopsided = whole.parts.some(
      ({ rig }) => (known(rig, "tool.cgSide") ?? known(rig, "tool.lateral") ?? 0) !== 0,
    );
    const carried = whole.parts.some(({ rig }) => isCarried(rig.attachment) && !isBuiltOn(rig.attachment));
    return lopsided && carried && known(lead, key) === null ? [row.unknown(key)] : [];
  }
  const worst = told.reduce((most, each) => (each.side.ratio > most.side.ratio ? each : most));
  const { left, right, ratio, axle } = worst.side;
  const heavy = left > right ? "left" : "right";
  const loads = tell`${worst.state.label}: ${quantity("mass", left)} left, ${quantity("mass", right)} right on the ${(axle === "front" ? steeredName(whole) : otherName(whole)).toLowerCase()}`;
  if (Math.min(left, right) < 0)
    return [
      row.stop(
        "tool.cgSide",
        tell`${loads}: the ${heavy === "left" ? "right" : "left"} wheel lifts off.`,
        "It tips to the side. Weight on the other side, or another machine.",
      ),
    ];
  const over = told
    .map(({ state, side }) => ({
      state,
      load: Math.max(side.left, side.right),
      limit: halfOf(side.axle, whole),
    }))
    .filter(({ state, load, limit }) => state.must && limit !== null && load > limit);
  const [most] = over.sort((a, b) => b.load - a.load);
  if (most)
    return [
      row.stop(
        "tool.cgSide",
        tell`${most.state.label}: ${quantity("mass", most.load)} on one wheel; its half of the permitted axle load is ${quantity("mass", most.limit!)}.`,
        `What hangs to one side is too much for that wheel. A counterweight on the other side of the tool, or a lighter one.`,
      ),
    ];
  if (ratio >= UNEVEN)
    return [
      row.check(
        "tool.cgSide",
        tell`${loads}: the ${heavy} wheel carries ${ratio.toFixed(2)} times the other.`,
        "It leans, most of all raised at a headland, and slips on the light side. Common practice is a counterweight on the tool's other side.",
      ),
    ];
  return [row.good("tool.cgSide", tell`${loads}.`)];
}

/** Half of what an axle may carry on the road: one wheel's share; null where no limit is told, or there are tracks. */
function halfOf(axle: "front" | "rear", whole: WholeRig): number | null {
  if (onTracks(whole.parts[0]!.rig)) return null;
  const { road } = permittedOf(`${axle}-limit`, whole);
  return road === null ? null : road / 2;
}

/** Weighbridge slips of one day agree within this share (common practice, no source). */
const SCALE_PLAY = 0.02;

function scaleCheck(whole: WholeRig): Check[] {
  const off = onTracks(whole.parts[0]!.rig) ? null : scaleError(whole);
  if (off === null || Math.abs(off) <= SCALE_PLAY) return [];
  const rowOf = checkerOf("balance", whole.parts[0]!.rig);
  return [
    rowOf("scale", "Weighbridge").fix(
      "tractor.mass",
      `Both axles together are ${Math.abs(off * 100).toFixed(1)} % ${off > 0 ? "more" : "less"} than the whole machine.`,
      "One slip was weighed otherwise: another fuel tank, a driver, weights on, or a slope.",
    ),
  ];
}

function tailChecks(whole: WholeRig): Check[] {
  return whole.parts.flatMap(({ rig }, index) => {
    const beyond = beyondTail(whole, index);
    if (beyond <= 0) return [];
    const rowOf = checkerOf("balance", rig, whole.parts.length > 1 ? index : undefined);
    return [
      rowOf("tail", "Centre of gravity").fix(
        "tool.cg",
        tell`The centre of gravity is told to lie ${tapeLength(beyond)} behind the last part of the tool.`,
        "It lies between the tool's own parts. Look for a slipped digit, or for a length taken from the axle.",
      ),
    ];
  });
}

/** Front and rear wheels run in one track within this, metres. */
const TRACK_PLAY = 0.03;

function trackCheck(whole: WholeRig): Check[] {
  const { rig } = whole.parts[0]!;
  const [front, rear] = [known(rig, "tractor.trackFront"), known(rig, "tractor.trackRear")];
  if (front === null || rear === null || onTracks(rig)) return [];
  const rowOf = checkerOf("balance", rig);
  const row = rowOf("track", "Track width");
  const off = front - rear;
  return [
    Math.abs(off) <= TRACK_PLAY
      ? row.good("tractor.trackRear", tell`${tapeLength(rear)}, front and rear in one line.`)
      : row.note(
          "tractor.trackFront",
          tell`${dimension("tractor.trackFront", rig).label} is ${fineLength(Math.abs(off))} ${off > 0 ? "wider" : "narrower"} than the rear one.`,
          "Between rows and in tramlines each wheel makes a rut of its own.",
        ),
  ];
}
