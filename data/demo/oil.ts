/** What the demo yard knows of oil: remotes of its tractors, functions of its tools. Every name and figure is made up. */

import { type FunctionKindKey, functionOfKind } from "../../core/subjects/hoses/kinds.ts";
import type { Remote } from "../../core/yard/circuit.ts";
import type { Hydraulics, NewFunction, NewRemote } from "../hoses.ts";

const LITRE = 0.001;
const PER_MINUTE = LITRE / 60;
const BAR = 1e5;

const remotes = (count: number, flow: number, each: (number: number) => Partial<Remote>): NewRemote[] =>
  Array.from({ length: count }, (_, at) => ({
    number: at + 1,
    lever: `lever ${at + 1}`,
    action: "double",
    float: true,
    detent: true,
    timed: true,
    automatic: true,
    flow: flow * PER_MINUTE,
    place: "rear",
    coupling: "",
    ...each(at + 1),
  }));

/** By fleet number of the tractor. */
export const SUPPLIES: Record<string, Partial<Hydraulics> & { remotes: NewRemote[] }> = {
  T4: {
    pumpFlow: 72 * PER_MINUTE,
    pressure: 190 * BAR,
    freeReturn: true,
    spareOil: 22 * LITRE,
    mainLever: 1,
    sockets: ["7-pin lights", "3-pin 12 V"],
    remotes: remotes(3, 60, (number) => ({ automatic: false, float: number < 3, timed: false })),
  },
  T9: {
    pumpFlow: 58 * PER_MINUTE,
    pressure: 185 * BAR,
    spareOil: 18 * LITRE,
    mainLever: 1,
    sockets: ["7-pin lights", "3-pin 12 V"],
    remotes: remotes(2, 50, (number) => ({ automatic: false, float: number === 1, timed: false })),
  },
  T11: {
    pumpFlow: 118 * PER_MINUTE,
    pressure: 200 * BAR,
    freeReturn: true,
    powerBeyond: true,
    loadSensing: true,
    spareOil: 32 * LITRE,
    mainLever: 2,
    sockets: ["7-pin lights", "3-pin 12 V", "implement bus"],
    remotes: remotes(5, 85, (number) => ({
      automatic: number < 4,
      place: number === 5 ? "front" : "rear",
      lever: number === 5 ? "joystick, left to right" : `lever ${number}`,
    })),
  },
  T12: {
    pumpFlow: 165 * PER_MINUTE,
    pressure: 205 * BAR,
    freeReturn: true,
    loadSensing: true,
    spareOil: 45 * LITRE,
    mainLever: 3,
    sockets: ["7-pin lights", "3-pin 12 V", "implement bus"],
    remotes: remotes(4, 100, (number) => ({ automatic: number < 4 })),
  },
};

type Given = Partial<NewFunction> & { litres?: number };

/** A function of a kind, as the catalogue starts it, with what this tool has otherwise. */
function of(kind: FunctionKindKey, { litres, ...rest }: Given = {}): NewFunction {
  return { ...functionOfKind(kind), ...(litres === undefined ? {} : { flow: litres * PER_MINUTE }), ...rest };
}

const cylinder = (bore: number, rod: number, stroke: number, count: number) => ({
  bore: bore / 1000,
  rod: rod / 1000,
  stroke: stroke / 1000,
  count,
});

const motor = (cubic: number, rpm: number, caseDrain = false) => ({
  displacement: cubic * 1e-6,
  speed: rpm / 60,
  caseDrain,
});

/** By fleet number of the implement, from its front. */
export const FUNCTIONS: Record<string, NewFunction[]> = {
  D2: [
    of("lift", { cylinder: cylinder(80, 40, 420, 2) }),
    of("marker", { cylinder: cylinder(50, 25, 380, 2) }),
  ],
  D8: [of("lift", { cylinder: cylinder(70, 35, 380, 2) })],
  M1: [
    of("side lift", {
      name: "Front mower's relief",
      place: "front",
      trigger: false,
      cylinder: cylinder(50, 30, 210, 1),
    }),
  ],
  M2: [
    of("mower lift", { cylinder: cylinder(80, 40, 560, 1) }),
    of("suspension", {
      name: "Bed relief",
      cylinder: cylinder(50, 30, 260, 1),
      charge: 118 * BAR,
      tap: "tap on the bed's cylinder",
    }),
  ],
  H2: [of("fan", { name: "Cart's fan", flow: null, motor: motor(16, 3600, true) })],
  D11: [
    of("lift", { automatic: true, cylinder: cylinder(90, 45, 450, 2) }),
    of("wings", { cylinder: cylinder(90, 50, 620, 2) }),
    of("marker", { cylinder: cylinder(60, 30, 420, 2) }),
    of("downforce", { litres: 8, cylinder: cylinder(63, 35, 120, 6) }),
  ],
  C9: [
    of("jack", { cylinder: cylinder(63, 32, 340, 1), tap: "blue tap on the drawbar" }),
    of("front lift", { cylinder: cylinder(100, 50, 300, 2), tap: "tap at the front frame" }),
    of("undercarriage", { cylinder: cylinder(120, 60, 520, 2) }),
    of("wings", { cylinder: cylinder(110, 60, 780, 2) }),
    of("rear lift", { cylinder: cylinder(80, 40, 300, 2), tap: "tap at the rear frame" }),
  ],
  P4: [
    of("front furrow", { cylinder: cylinder(80, 40, 260, 1) }),
    of("working width", { cylinder: cylinder(100, 50, 340, 1) }),
    of("turnover", { cylinder: cylinder(110, 60, 480, 1) }),
  ],
  R8: [
    of("lift", { automatic: true, cylinder: cylinder(90, 45, 400, 2) }),
    of("marker", { cylinder: cylinder(55, 30, 520, 2) }),
    of("fan", { flow: null, motor: motor(11, 3000, true) }),
    of("generator", { flow: null, motor: motor(18, 2200) }),
    of("downforce", { litres: 8, cylinder: cylinder(63, 35, 110, 8) }),
  ],
};

/** Tools that move nothing by oil, and what sockets a tool needs. */
export const TOLD: Record<string, string[]> = {
  D2: ["7-pin lights"],
  D8: ["7-pin lights"],
  C3: [],
  M1: [],
  M2: ["7-pin lights"],
  H2: ["7-pin lights", "implement bus"],
  D11: ["7-pin lights"],
  "K1-S": [],
  "P1-B": [],
  C9: ["7-pin lights"],
  P4: ["7-pin lights"],
  R8: ["7-pin lights", "implement bus"],
};
