/** What implements do with oil: sensible starting data for each kind of function (common practice; the maker's book comes first). */

import type { PhaseKey } from "../../trade/phases.ts";
import type { HoseFunction, Place, Use } from "../../yard/circuit.ts";

export type FunctionKind = {
  label: string;
  action: HoseFunction["action"];
  uses: Partial<Record<PhaseKey, Use>>;
  automatic?: true;
  trigger?: true;
  /** has a tap, a pin or a lock of its own, so that its hoses may come off */
  lockable: boolean;
  place?: Place;
  /** wanted, litres a minute */
  flow: number;
  /** how it is left at work, in words for its tag and its steps */
  atWork: string;
  /** what each port does: first pushing, then pulling */
  ways: readonly [string, string];
  caution: string;
};

const LIFTS = { field: "moves", headland: "moves", fold: "moves" } as const;
const FOLDS = { unfold: "moves", field: "floats", headland: "floats", fold: "moves" } as const;
/** Charged once, and let off where it is uncoupled: its coupling is nobody else's meanwhile. */
const HELD = {
  unfold: "moves",
  field: "holds",
  headland: "holds",
  fold: "holds",
  transport: "holds",
  uncouple: "moves",
} as const;
const RUNS = { field: "runs", headland: "runs" } as const;

export const FUNCTION_KINDS = {
  jack: {
    label: "Parking jack or stand",
    action: "double",
    uses: { stand: "moves", uncouple: "moves" },
    lockable: true,
    flow: 20,
    atWork: "stowed, its tap shut",
    ways: ["down", "up"],
    caution: "Nobody near while the drawbar rests on it.",
  },
  lift: {
    label: "Lift",
    action: "double",
    uses: LIFTS,
    trigger: true,
    lockable: true,
    flow: 50,
    atWork: "lowered, in float or held by the terminal",
    ways: ["raise", "lower"],
    caution: "Never under a raised tool that is not locked.",
  },
  "front lift": {
    label: "Front lift",
    action: "double",
    uses: LIFTS,
    lockable: true,
    flow: 40,
    atWork: "lowered",
    ways: ["raise", "lower"],
    caution: "Never under a raised tool that is not locked.",
  },
  "rear lift": {
    label: "Rear lift",
    action: "double",
    uses: LIFTS,
    trigger: true,
    lockable: true,
    flow: 40,
    atWork: "lowered",
    ways: ["raise", "lower"],
    caution: "Never under a raised tool that is not locked.",
  },
  undercarriage: {
    label: "Undercarriage",
    action: "double",
    uses: FOLDS,
    lockable: false,
    flow: 45,
    atWork: "in float",
    ways: ["down", "up"],
    caution: "The whole tool comes down with it: clear people first.",
  },
  wings: {
    label: "Wings",
    action: "double",
    uses: FOLDS,
    lockable: false,
    flow: 40,
    atWork: "in float",
    ways: ["unfold", "fold"],
    caution: "Nobody within reach of the wings, no line overhead.",
  },
  marker: {
    label: "Markers",
    action: "double",
    uses: { field: "moves", headland: "moves" },
    lockable: true,
    flow: 20,
    atWork: "the right one down",
    ways: ["out", "in"],
    caution: "Markers swing further than one thinks.",
  },
  turnover: {
    label: "Turnover",
    action: "double",
    uses: { headland: "moves", fold: "moves" },
    lockable: true,
    flow: 60,
    atWork: "right over, at its stop",
    ways: ["over to the right", "over to the left"],
    caution: "Nobody within reach while it turns over.",
  },
  "front furrow": {
    label: "Front furrow",
    action: "double",
    uses: { field: "moves" },
    lockable: true,
    flow: 15,
    atWork: "held",
    ways: ["wider", "narrower"],
    caution: "",
  },
  "working width": {
    label: "Working width",
    action: "double",
    uses: { field: "moves" },
    lockable: true,
    flow: 15,
    atWork: "held",
    ways: ["wider", "narrower"],
    caution: "",
  },
  fan: {
    label: "Fan",
    action: "motor",
    uses: RUNS,
    lockable: true,
    flow: 38,
    atWork: "running at its speed, lever in detent",
    ways: ["runs", "free return"],
    caution: "Let it run down with the lever in float, never shut off hard.",
  },
  generator: {
    label: "Generator",
    action: "motor",
    uses: RUNS,
    lockable: true,
    flow: 45,
    atWork: "running at its speed, lever in detent",
    ways: ["runs", "free return"],
    caution: "Up to speed before its current is switched on.",
  },
  motor: {
    label: "Other motor",
    action: "motor",
    uses: RUNS,
    lockable: true,
    flow: 40,
    atWork: "running, lever in detent",
    ways: ["runs", "free return"],
    caution: "Keep away from what it drives.",
  },
  downforce: {
    label: "Downforce",
    action: "single",
    uses: { field: "holds", headland: "holds" },
    automatic: true,
    lockable: true,
    flow: 10,
    atWork: "switched on, at its pressure",
    ways: ["presses down", "lets off"],
    caution: "Off until switched on: the first pass would be sown too shallow.",
  },
  suspension: {
    label: "Suspension",
    action: "single",
    uses: HELD,
    lockable: true,
    flow: 15,
    atWork: "charged to its pressure, tap shut",
    ways: ["charges", "lets off"],
    caution: "The line keeps its pressure after uncoupling: let it off first.",
  },
  "mower lift": {
    label: "Lift in float",
    action: "double",
    uses: { unfold: "moves", field: "floats", headland: "moves", fold: "moves" },
    trigger: true,
    lockable: false,
    flow: 35,
    atWork: "in float",
    ways: ["raise", "lower"],
    caution: "Bed locked up for the road.",
  },
  "side lift": {
    label: "One side's lift",
    action: "single",
    uses: { field: "floats", headland: "moves", fold: "moves" },
    lockable: true,
    flow: 25,
    atWork: "in float",
    ways: ["raises", "lowers by its weight"],
    caution: "It sinks by its own weight.",
  },
  width: {
    label: "Width or swath",
    action: "double",
    uses: { unfold: "moves", field: "moves", fold: "moves" },
    lockable: true,
    flow: 20,
    atWork: "held",
    ways: ["wider", "narrower"],
    caution: "",
  },
  steering: {
    label: "Steered axle",
    action: "double",
    uses: { field: "moves", headland: "moves", transport: "holds" },
    automatic: true,
    lockable: false,
    flow: 25,
    atWork: "driven by its controller",
    ways: ["left", "right"],
    caution: "Locked straight on the road unless the maker says otherwise.",
  },
  valves: {
    label: "Valve block of its own",
    action: "motor",
    uses: { unfold: "runs", field: "runs", headland: "runs", fold: "runs" },
    lockable: true,
    flow: 60,
    atWork: "fed all the time",
    ways: ["feeds", "returns"],
    caution: "It moves on its own signal: nobody near.",
  },
  other: {
    label: "Something else",
    action: "double",
    uses: { field: "moves" },
    lockable: true,
    flow: 25,
    atWork: "as its book says",
    ways: ["one way", "the other way"],
    caution: "",
  },
} as const satisfies Record<string, FunctionKind>;

export type FunctionKindKey = keyof typeof FUNCTION_KINDS;
export const FUNCTION_KIND_KEYS = Object.keys(FUNCTION_KINDS) as FunctionKindKey[];

/** Whether a text from outside names a kind of function. */
export function isFunctionKind(text: unknown): text is FunctionKindKey {
  return typeof text === "string" && Object.hasOwn(FUNCTION_KINDS, text);
}

/** The kind of a function, with what it needs and how it moves. */
export function kindOf(fn: Pick<HoseFunction, "kind">): FunctionKind {
  return isFunctionKind(fn.kind) ? FUNCTION_KINDS[fn.kind] : FUNCTION_KINDS.other;
}

/** A function as its kind usually is, before anybody measured it. */
export function functionOfKind(kind: FunctionKindKey): Omit<HoseFunction, "id"> {
  const about: FunctionKind = FUNCTION_KINDS[kind];
  return {
    name: about.label,
    kind,
    action: about.action,
    uses: about.uses,
    automatic: about.automatic ?? false,
    trigger: about.trigger ?? false,
    lockable: about.lockable,
    place: about.place ?? "rear",
    coupling: "",
    pressure: null,
    flow: about.flow / LITRES_PER_MINUTE,
    cylinder: null,
    motor: null,
    charge: null,
    tap: "",
  };
}

/** Litres a minute in a cubic metre a second. */
const LITRES_PER_MINUTE = 60_000;
