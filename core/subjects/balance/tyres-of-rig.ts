/** Pressures of a whole rig's tyres: what is in them, and what field and road ask for by the tyre makers' tables. */
import type { DimensionKey } from "../../dimension/catalogue.ts";
import type { RigPower } from "../../forces/power-of-rig.ts";
import { onTracks } from "../../rig/supports.ts";
import { type AxleTyres, known, type WholeRig } from "../../rig/whole.ts";
import { lowest } from "../../trade/drawbar.ts";
import { pressureFor, type TyreAnswer } from "../../yard/tyres.ts";
import type { RigState } from "./states.ts";

export type AxlePressure = {
  axle: "front" | "rear" | "tool";
  /** index of the tool whose axle it is */
  part: number | null;
  /** what is in them, Pa; null where nobody gauged it */
  left: number | null;
  right: number | null;
  keys: { left: DimensionKey; right: DimensionKey };
  tyres: AxleTyres | null;
  /** the heaviest state, kg on one tyre, and the answer of the table; null where no tyre is told */
  field: { load: number; speed: number; answer: TyreAnswer } | null;
  road: { load: number; speed: number; answer: TyreAnswer } | null;
  /** the same in the field with all tanks half full; null where nothing is filled, or no tyre is told */
  half: { load: number; speed: number; answer: TyreAnswer } | null;
};

/** The state with all tanks half full, lifted at a headland: the heaviest of those. */
const HALF = "lifted half";

/** Where no limit of speed is known, tyres are looked up at this one, m/s: 40 km/h. */
const ROAD_SPEED = 40 / 3.6;

/** What an axle would carry were both its sides as heavy as the heavier: its tyres are looked up by that. */
function heavierTwice(state: RigState, axle: "front" | "rear"): number {
  const side = state.sides.find((each) => each.axle === axle);
  return side ? 2 * Math.max(side.left, side.right) : state[axle];
}

/**
 * Each axle with the pressures gauged, Pa, and those its tyre's table asks for its worst load on the road
 * and in the field.
 */
export function tyresOf(whole: WholeRig, states: readonly RigState[], power: RigPower): AxlePressure[] {
  const lead = whole.parts[0]!.rig;
  const head = lead.attachment === "head";
  const roadSpeed =
    lowest([
      { what: "", value: known(lead, "tractor.roadSpeed") },
      { what: "", value: whole.limits.speed },
      ...whole.parts.map(({ rig }) => ({ what: "", value: known(rig, "tool.roadSpeed") })),
    ])?.value ?? ROAD_SPEED;
  const worst = (must: boolean, pick: (state: RigState) => number | null) =>
    states
      .filter((state) => state.must === must)
      .reduce((most, state) => Math.max(most, pick(state) ?? 0), 0);
  const asked = (tyres: AxleTyres | null, pick: (state: RigState) => number | null) => {
    if (!tyres) return { field: null, road: null, half: null };
    // A headland lifts the tool at working speed: the field's heaviest state is the heavier of both.
    const most = Math.max(worst(false, pick), worst(true, pick));
    const field = { load: most / tyres.count, speed: power.speed.value! };
    const road = { load: worst(true, pick) / tyres.count, speed: roadSpeed };
    const filled = states.find(({ id }) => id === HALF);
    const half = filled && { load: (pick(filled) ?? 0) / tyres.count, speed: power.speed.value! };
    return {
      half:
        half && half.load > 0 ? { ...half, answer: pressureFor(tyres.table, half.load, half.speed) } : null,
      field: { ...field, answer: pressureFor(tyres.table, field.load, field.speed) },
      road: { ...road, answer: pressureFor(tyres.table, road.load, road.speed) },
    };
  };
  const axle = (
    name: "front" | "rear",
    left: DimensionKey,
    right: DimensionKey,
    tyres: AxleTyres | null,
    pick: (state: RigState) => number,
  ): AxlePressure => ({
    axle: name,
    part: null,
    left: known(lead, left),
    right: known(lead, right),
    keys: { left, right },
    tyres,
    ...asked(tyres, pick),
  });
  // The states count the steered axle as the front one; on a machine that steers behind, it is the rear.
  const steered = (state: RigState) => heavierTwice(state, "front");
  const other = (state: RigState) => heavierTwice(state, "rear");
  const machine = [
    axle(
      "front",
      "tractor.pressureFrontLeft",
      "tractor.pressureFrontRight",
      whole.tyres.front,
      head ? other : steered,
    ),
    axle(
      "rear",
      "tractor.pressureRearLeft",
      "tractor.pressureRearRight",
      whole.tyres.rear,
      head ? steered : other,
    ),
  ];
  return [
    // Tracks have no air in them.
    ...(onTracks(lead) ? [] : machine),
    ...whole.parts.flatMap(({ rig }, part): AxlePressure[] => {
      const tyres = whole.tyres.tools[part] ?? null;
      const keys = { left: "tool.pressureLeft", right: "tool.pressureRight" } as const;
      const [left, right] = [known(rig, keys.left), known(rig, keys.right)];
      if (!states.some((state) => state.tools[part] !== null)) return [];
      return [
        {
          axle: "tool",
          part,
          left,
          right,
          keys,
          tyres,
          ...asked(tyres, (state) => state.tools[part] ?? null),
        },
      ];
    }),
  ];
}
