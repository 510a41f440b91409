/** Oil: volumes, times and flows of cylinders and motors. SI throughout. */
import type { Cylinder, HoseFunction, Motor } from "../../yard/circuit.ts";

/** Share of its displacement a gear motor passes to its shaft (common practice, no source). */
export const MOTOR_EFFICIENCY = 0.92;

const area = (diameter: number) => (Math.PI / 4) * diameter ** 2;

/** Oil to push all cylinders right out, m³: piston area × stroke × count (textbook hydraulics). */
export function outVolume({ bore, stroke, count }: Cylinder): number {
  return area(bore) * stroke * count;
}

/** Oil to pull all cylinders right in, m³: the piston's ring around the rod. */
export function inVolume({ bore, rod, stroke, count }: Cylinder): number {
  return (area(bore) - area(rod)) * stroke * count;
}

/** What the tractor's tank lends while cylinders are out, m³: the rods' volume for double-acting, all of it for single-acting. */
export function lentVolume({ action, cylinder }: HoseFunction): number {
  if (!cylinder) return 0;
  return action === "single" ? outVolume(cylinder) : outVolume(cylinder) - inVolume(cylinder);
}

/** Seconds for a volume at a flow; null where nothing flows. */
export function timeFor(volume: number, flow: number): number | null {
  return flow > 0 ? volume / flow : null;
}

/** Flow a motor takes at its speed, m³/s. */
export function motorFlow({ displacement, speed }: Motor): number {
  return (displacement * speed) / MOTOR_EFFICIENCY;
}

/** Speed a motor reaches on a flow, rev/s. */
export function motorSpeed({ displacement }: Motor, flow: number): number {
  return displacement > 0 ? (flow * MOTOR_EFFICIENCY) / displacement : 0;
}

/** Flow a function wants while it moves or runs: its own figure, or a motor's by displacement and speed; null where neither is told. */
export function wantedFlow({ flow, motor }: HoseFunction): number | null {
  return flow ?? (motor ? motorFlow(motor) : null);
}
