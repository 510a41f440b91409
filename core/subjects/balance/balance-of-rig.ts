/** A whole rig on its axles: every state, with the weights that are on, what is short, and what to put on or take off. */
import { isAhead, isCarried } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import { hungOf } from "../../forces/load-path.ts";
import { type RigPower, tractorMass } from "../../forces/power-of-rig.ts";
import { onTracks } from "../../rig/supports.ts";
import { known, type WholeRig } from "../../rig/whole.ts";
import { type Proposal, proposeBallast, type Room } from "./ballast.ts";
import { type Largest, largestOf } from "./largest.ts";
import { FRONT_SHARE, minimumFront, minimumRear, REAR_SHARE } from "./loads.ts";
import { withMiddle } from "./sideways.ts";
import { groundOf, missingOf, ownTankOf, type RigState, stateOf, statesOf } from "./states.ts";
import { type AxlePressure, tyresOf } from "./tyres-of-rig.ts";

export type BalanceOf =
  | { ok: false; missing: DimensionKey; part: number | null }
  | {
      ok: true;
      /** with the weights that are on */
      states: RigState[];
      unladen: number;
      least: { front: number; rear: number };
      limits: { front: number | null; rear: number | null; gross: number | null };
      /** what the manual's formula asks for at least, kg, with the tool it is for; null where it does not apply */
      manual: { front: number | null; rear: number | null };
      fitted: { mass: number };
      proposal: Proposal;
      /** true where the weights that are on satisfy everything already */
      enough: boolean;
      largest: Largest;
      tyres: AxlePressure[];
    };

/**
 * What stands on each axle in every state of lift, fill and pull, kg, and the lightest ballast that keeps
 * every limit; or the first reading that is missing.
 */
export function balanceOf(whole: WholeRig, power: RigPower): BalanceOf {
  const lead = whole.parts[0]!.rig;
  const ground = groundOf(lead);
  if (!ground.ok) return { ok: false, missing: ground.missing, part: null };
  if (ownTankOf(lead) === null)
    return {
      ok: false,
      missing: known(lead, "tractor.grainTank") === null ? "tractor.grainTank" : "tractor.grainTankCg",
      part: null,
    };
  for (const [index, { rig }] of whole.parts.entries()) {
    const missing = missingOf(rig);
    if (missing) return { ok: false, missing, part: index };
  }
  const bare = statesOf(whole, power, ground);
  const added = whole.weights.reduce(
    (sum, { mass, x, fitted }) => {
      const front = (mass * fitted * (x - ground.base)) / (ground.axle - ground.base);
      return {
        front: sum.front + front,
        rear: sum.rear + mass * fitted - front,
        mass: sum.mass + mass * fitted,
      };
    },
    { front: 0, rear: 0, mass: 0 },
  );
  const onSides = onTracks(lead) ? { front: added.mass, rear: added.mass } : added;
  const withBallast = (state: RigState): RigState => ({
    ...state,
    front: state.front + added.front,
    rear: state.rear + added.rear,
    total: state.total + added.mass,
    sides: withMiddle(state.sides, onSides),
  });
  const states = bare.map(withBallast);
  const unladen = ground.front + ground.rear;
  const head = lead.attachment === "head";
  const limits = {
    front: known(lead, head ? "tractor.rearLimit" : "tractor.frontLimit"),
    rear: known(lead, head ? "tractor.frontLimit" : "tractor.rearLimit"),
    gross: known(lead, "tractor.grossLimit"),
  };
  const least = { front: FRONT_SHARE * unladen, rear: inFront(whole) ? REAR_SHARE * unladen : 0 };
  const room = roomOf(bare, least, limits, {
    front: known(lead, head ? "tractor.rearFieldLimit" : "tractor.frontFieldLimit"),
    rear: known(lead, head ? "tractor.frontFieldLimit" : "tractor.rearFieldLimit"),
  });
  return {
    ok: true,
    states,
    unladen,
    least,
    limits,
    // The manual's formula is about two axles.
    manual: onTracks(lead) ? { front: null, rear: null } : manualOf(whole, ground),
    fitted: { mass: added.mass },
    proposal: proposeBallast(
      whole.weights.map((each) => ({ ...each, x: each.x - ground.base })),
      ground.axle - ground.base,
      room,
    ),
    enough: satisfies(added, room),
    largest: largestOf(whole, ground, unladen, states, (full) =>
      withBallast(
        stateOf(
          whole,
          power,
          ground,
          { id: "", label: "", must: true },
          whole.parts.map((_, at) => ({
            posture: "lifted" as const,
            fill: full(at) ? ("full" as const) : ("empty" as const),
            coupled: true,
          })),
        ),
      ),
    ),
    tyres: tyresOf(whole, states, power),
  };
}

function inFront({ parts }: WholeRig): boolean {
  return parts.some(({ rig }) => rig.attachment === "front");
}

type Limits = { front: number | null; rear: number | null; gross: number | null };

/** What all states together still need and allow: shares and limits are a must on the road, at work a limit that is told for work. */
function roomOf(
  states: readonly RigState[],
  least: { front: number; rear: number },
  limits: Limits,
  atWork: Pick<Limits, "front" | "rear">,
): Room {
  const must = states.filter((state) => state.must);
  const spare = (key: "front" | "rear" | "total", road: number | null, field: number | null) =>
    Math.min(
      ...states.map((state) => {
        const limit = state.must ? road : field;
        return limit === null ? Number.POSITIVE_INFINITY : limit - state[key];
      }),
    );
  return {
    needFront: least.front - Math.min(...must.map(({ front }) => front)),
    needRear: least.rear - Math.min(...must.map(({ rear }) => rear)),
    spareFront: spare("front", limits.front, atWork.front),
    spareRear: spare("rear", limits.rear, atWork.rear),
    spareGross: spare("total", limits.gross, null),
  };
}

function satisfies(
  { front, rear, mass }: { front: number; rear: number; mass: number },
  room: Room,
): boolean {
  return (
    front >= room.needFront - 1e-6 &&
    rear >= room.needRear - 1e-6 &&
    front <= room.spareFront + 1e-6 &&
    rear <= room.spareRear + 1e-6 &&
    mass <= room.spareGross + 1e-6
  );
}

/** The two minima most manuals print, for a tool carried behind and one in front; tanks at their worse. */
function manualOf(whole: WholeRig, ground: { axle: number; front: number; rear: number }) {
  const behind = whole.parts.find(({ rig }) => rig.attachment === "mounted")?.rig;
  const before = whole.parts.find(({ rig }) => rig.attachment === "front")?.rig;
  if (!behind && !before) return { front: null, rear: null };
  const weightAt = whole.weights.find(({ x }) => x > ground.axle)?.x ?? null;
  const common = {
    tractor: ground.front + ground.rear,
    tractorFront: ground.front,
    tractorRear: ground.rear,
    b: ground.axle,
  };
  // Empty and full, each with its common centre of gravity: neither is the worse one by rule.
  const fills = (rig: typeof behind) =>
    rig ? (["empty", "full"] as const).map((fill) => hungOf(rig, fill)!) : [];
  const most = (amounts: readonly number[]) => (amounts.length === 0 ? null : Math.max(...amounts));
  const frontArms = before
    ? fills(before).map(({ cg }) => known(before, "axle.pin")! + cg - ground.axle)
    : weightAt === null
      ? []
      : [weightAt - ground.axle];
  const c = behind ? known(behind, "axle.pin")! : 0;
  return {
    front: most(
      frontArms.flatMap((a) =>
        fills(behind).map(({ mass, cg }) =>
          minimumFront({ ...common, a, c, d: cg, rearMass: mass, frontMass: 0 }),
        ),
      ),
    ),
    rear: before
      ? most(
          fills(before).flatMap(({ mass, cg }) =>
            (behind ? fills(behind).map((each) => each.cg) : [0]).map((d) =>
              minimumRear({
                ...common,
                a: known(before, "axle.pin")! + cg - ground.axle,
                c,
                d,
                rearMass: 0,
                frontMass: mass,
              }),
            ),
          ),
        )
      : null,
  };
}

/** Both axles against the whole, as a share of it; null where one of the three was not weighed. */
export function scaleError(whole: WholeRig): number | null {
  const { rig } = whole.parts[0]!;
  const sum =
    known(rig, "tractor.front") === null || known(rig, "tractor.rear") === null ? null : tractorMass(rig);
  const total = known(rig, "tractor.mass");
  return sum === null || total === null ? null : sum / total - 1;
}

/** A mounted tool whose c.g. was told to lie behind its last part: by how much, metres; 0 where it does not. */
export function beyondTail(whole: WholeRig, index: number): number {
  const { rig } = whole.parts[index]!;
  if (!isCarried(rig.attachment) || isAhead(rig.attachment)) return 0;
  const ends = (["pin.workRear", "tool.underBack"] as const).flatMap((key) => known(rig, key) ?? []);
  const cg = known(rig, "tool.cg");
  if (cg === null || ends.length === 0) return 0;
  return Math.max(0, cg - Math.max(...ends));
}
