/** Both sides of the hoses: what a tractor offers and what an implement's functions need. SI: m³/s, Pa, m, rev/s. */
import type { PhaseKey } from "../trade/phases.ts";

export const PLACES = ["rear", "front", "mid"] as const;
export type Place = (typeof PLACES)[number];

export type Remote = {
  id: number;
  /** as it is marked on the tractor */
  number: number;
  /** what moves it: "lever 1, blue", "joystick, rocker" */
  lever: string;
  action: "double" | "single";
  float: boolean;
  /** stays on by itself */
  detent: boolean;
  /** stops after a set time */
  timed: boolean;
  /** can be driven by the terminal or the implement's controller */
  automatic: boolean;
  /** most it passes, m³/s; null where nobody read it */
  flow: number | null;
  place: Place;
  /** size or form of the coupling; empty: not told */
  coupling: string;
};

/** Sockets a rig may need besides hoses. */
export const SOCKETS = [
  "7-pin lights",
  "3-pin 12 V",
  "implement bus",
  "hand piece",
  "camera",
  "air brakes",
] as const;

export type Supply = {
  remotes: readonly Remote[];
  /** at rated engine speed, m³/s */
  pumpFlow: number | null;
  /** Pa */
  pressure: number | null;
  freeReturn: boolean;
  /** a port that feeds a motor or a valve block straight from the pump, with its return */
  powerBeyond: boolean;
  loadSensing: boolean;
  /** what implements may keep of the tractor's oil, m³ */
  spareOil: number | null;
  /** number of the remote whose lever the driver uses most */
  mainLever: number | null;
  sockets: readonly string[];
};

/** What a function does with its oil in a phase. Held and in float, it keeps its coupling from one phase to the next. */
export const USES = ["moves", "floats", "holds", "runs"] as const;
export type Use = (typeof USES)[number];

export type Cylinder = { bore: number; rod: number; stroke: number; count: number };
export type Motor = {
  /** m³ a revolution */
  displacement: number;
  /** rev/s */
  speed: number;
  /** has a third line that must return without pressure */
  caseDrain: boolean;
};

export type HoseFunction = {
  id: number;
  name: string;
  /** key of core/hoses/kinds.ts: the same kind is looked for on the same lever on every rig of a tractor */
  kind: string;
  action: "double" | "single" | "motor";
  uses: Partial<Record<PhaseKey, Use>>;
  /** a controller drives it */
  automatic: boolean;
  /** the terminal records while it is down */
  trigger: boolean;
  /** can be locked or shut off, so that its hoses may be taken off while it carries something */
  lockable: boolean;
  place: Place;
  coupling: string;
  /** least it works at, Pa */
  pressure: number | null;
  /** wanted while it moves or runs, m³/s */
  flow: number | null;
  cylinder: Cylinder | null;
  motor: Motor | null;
  /** what it is charged to before its tap is shut, Pa */
  charge: number | null;
  /** what shuts it off, and where; empty: nothing */
  tap: string;
};

/** The port for power beyond, among the remotes: for motors alone, and without a lever. */
export const POWER_BEYOND = 0;

/** Whether it is the port beyond the valves rather than a remote. */
export const isPort = ({ number }: Remote) => number === POWER_BEYOND;

/** Everything hoses can be plugged into, lowest number first; the port for power beyond last. */
export function couplingsOf({ remotes, powerBeyond, pumpFlow }: Supply): Remote[] {
  const sorted = [...remotes].sort((a, b) => a.number - b.number || a.id - b.id);
  return powerBeyond
    ? [
        ...sorted,
        {
          id: POWER_BEYOND,
          number: POWER_BEYOND,
          lever: "",
          action: "single",
          float: false,
          detent: true,
          timed: false,
          automatic: true,
          flow: pumpFlow,
          place: "rear",
          coupling: "",
        },
      ]
    : sorted;
}

/** A coupling as it is called on the machine. */
export function remoteName(remote: Remote): string {
  return isPort(remote) ? "power beyond" : `remote ${remote.number}`;
}
