/** A rig of the simulated world, out of a rig's readings: as the terminal has it, and as it is where a reading is really another. */
import { type DimensionKey, dimension } from "../dimension/catalogue.ts";
import type { Steering } from "../motion/machine.ts";
import { askedOf, guidedBy, steersBy } from "../rig/asked.ts";
import { coordinate } from "../rig/frame.ts";
import { isBelieved, type ResolvedRig } from "../rig/resolve.ts";
import { together } from "../rig/swath.ts";
import { chosen, known, type WholeRig } from "../rig/whole.ts";
import { calibrationsAt } from "../subjects/calibrations.ts";
import {
  along,
  type TurnRig,
  turnOfRig,
  turnsAbout,
  type Unknown,
} from "../subjects/guidance/turn-of-rig.ts";
import type { Both } from "./record.ts";
import type { WorldRig } from "./rig.ts";

/** What readings really are, SI, where they are not what is on record. */
export type Really = Partial<Record<DimensionKey, number>>;

/** A figure the world reckons with that nobody read. */
export type AssumedFigure = { key: DimensionKey; value: number; source: string };

export type OfRig = {
  rigs: Both<WorldRig>;
  /** outlines to draw it by */
  turn: TurnRig;
  /** hectares a counter shows for each that is done: what a speed constant makes of them */
  shown: number;
  assumed: readonly AssumedFigure[];
};

/** What a machine is taken for where nobody read it (common practice, no source). */
const USUAL: Partial<Record<DimensionKey, number>> = {
  "tractor.turnRadius": 7,
  "tractor.wheelbase": 2.8,
  "work.delayOn": 0,
  "work.delayOff": 0,
  "tool.lateral": 0,
  "receiver.lateral": 0,
};
const SOURCES: Partial<Record<DimensionKey, string>> = {
  "tractor.turnRadius": "7 m, as tractors have",
  "tractor.wheelbase": "2.8 m, as tractors have",
  "work.delayOn": "none",
  "work.delayOff": "none",
  "tool.lateral": "none, in the line of pull",
  "receiver.lateral": "none, in the machine's middle",
};

/** A rig with some readings as they really are: those of the machine in every part, those of a tool in its own. */
function asItIs(whole: WholeRig, part: number, really: Really): WholeRig {
  const keys = Object.keys(really) as DimensionKey[];
  if (keys.length === 0) return whole;
  return {
    ...whole,
    parts: whole.parts.map((each, index) => {
      const values = { ...each.rig.values };
      for (const key of keys)
        if (index === part || dimension(key, each.rig).subject === "tractor")
          values[key] = { ...values[key], value: really[key]!, doubt: null };
      return { ...each, rig: { ...each.rig, values } };
    }),
  };
}

/** Known, else as it usually is and said so. */
function reader(rig: ResolvedRig, assumed: Map<DimensionKey, AssumedFigure>) {
  return (key: DimensionKey): number => {
    const value = known(rig, key);
    if (value !== null) return value;
    const usual = USUAL[key] ?? dimension(key, rig).typical;
    assumed.set(key, { key, value: usual, source: SOURCES[key] ?? "as they usually are" });
    return usual;
  };
}

function steeringOf(machine: ResolvedRig, read: (key: DimensionKey) => number): Steering {
  switch (steersBy(machine)) {
    case "rear wheels":
      return { kind: "rear wheels", wheelbase: read("tractor.wheelbase") };
    case "all wheels":
      return { kind: "all wheels", wheelbase: read("tractor.wheelbase") };
    case "articulated": {
      const [joint, wheelbase] = [read("tractor.joint"), read("tractor.wheelbase")];
      return { kind: "articulated", rear: joint, front: Math.max(0.3, wheelbase - joint) };
    }
    case "tracks":
      return { kind: "tracks" };
    default:
      return { kind: "front wheels", wheelbase: read("tractor.wheelbase") };
  }
}

/** How far ahead of the rear axle the front frame begins; infinite where no frame bends. */
const jointOf = (machine: ResolvedRig, read: (key: DimensionKey) => number) =>
  steersBy(machine) === "articulated" ? read("tractor.joint") : Number.POSITIVE_INFINITY;

/** Steered wheels of a tool follow by half the bend (ours: makers differ, and most lock them at work). */
const FOLLOWS = 0.5;

function sectionsOf(rig: ResolvedRig, width: number): number[] {
  const { widths } = rig.sections && guidedBy(rig).sections ? rig.sections : { widths: [width] };
  const sum = widths.reduce((all, each) => all + each, 0);
  return widths.map((each) => (each * width) / sum);
}

type Made = { rig: WorldRig; turn: TurnRig; assumed: Map<DimensionKey, AssumedFigure> };

function made(whole: WholeRig, part: number): Made | Unknown {
  const assumed: Made["assumed"] = new Map();
  const machine = whole.parts[0]!.rig;
  const rig = together(whole, part);
  const turn = turnOfRig(whole);
  if ("key" in turn) return turn;
  const width = known(rig, "tool.width");
  if (width === null) return { part, key: "tool.width" };
  const at = along(rig, "receiver");
  if (typeof at === "string") return { part, key: at };
  const about = turnsAbout(machine) as number;
  const [ofMachine, ofTool] = [reader(machine, assumed), reader(rig, assumed)];
  const work = turn.turning.works[turn.working.indexOf(part)]!;
  const sides = coordinate(rig, "receiver", "y");
  return {
    turn,
    assumed,
    rig: {
      steering: steeringOf(machine, ofMachine),
      radius: ofMachine("tractor.turnRadius"),
      train: turn.turning.train,
      strays: {
        machine: 0,
        drawn: turn.turning.train.map(() => 0),
        steered: turn.drawn.map((of) =>
          chosen(whole.parts[of]!.rig, "tool.axleType") === "steered wheels" ? FOLLOWS : 0,
        ),
      },
      antenna: {
        frame: at > jointOf(machine, ofMachine) ? "front" : "rear",
        ahead: at - about,
        right: sides.reduce((sum, { key, coefficient }) => sum + coefficient * ofTool(key), 0),
      },
      work: {
        body: work.body,
        ahead: (work.front + work.rear) / 2,
        right: ofTool("tool.lateral"),
        sections: sectionsOf(rig, width),
      },
      delays: guidedBy(rig).sections
        ? { on: ofTool("work.delayOn"), off: ofTool("work.delayOff") }
        : { on: 0, off: 0 },
      dose: 1,
    },
  };
}

/** What constants that are really others do: what falls for what is ordered, and hectares shown for those done. */
function constantsOf(rig: ResolvedRig, really: Really): { dose: number; shown: number } {
  const seen = new Set<string>();
  return calibrationsAt(rig).reduce(
    (all, { kind }) => {
      const key = kind.constant as DimensionKey | undefined;
      if (!key || !kind.costs || seen.has(key) || really[key] === undefined) return all;
      seen.add(key);
      const was = known(rig, key);
      if (was === null || was === 0) return all;
      const { applied, area } = kind.costs(really[key]! / was);
      return { dose: all.dose * (applied ?? 1), shown: all.shown * (area ?? 1) };
    },
    { dose: 1, shown: 1 },
  );
}

/**
 * Both rigs of the world: as on record, or as `told` where the terminal had other figures, and as it really is. Or the reading it hangs on that is not
 * known.
 */
export function worldOfRig(
  whole: WholeRig,
  part: number,
  really: Really,
  told: Really = {},
): OfRig | Unknown {
  const believed = made(asItIs(whole, part, told), part);
  if ("key" in believed) return believed;
  const truth = made(asItIs(whole, part, really), part);
  if ("key" in truth) return truth;
  const { dose, shown } = constantsOf(together(whole, part), really);
  return {
    rigs: { truth: { ...truth.rig, dose }, believed: believed.rig },
    turn: truth.turn,
    shown,
    assumed: [...believed.assumed.values()],
  };
}

/** A reading the world hangs on: what it is taken for, and how sure it is; `read`: false of one that is assumed. */
export type Hangs = { key: DimensionKey; value: number; sigma: number; read: boolean };

const KINDS: readonly string[] = ["length", "time"];

/** What it is taken for; null of what is neither read nor assumed here. What nobody read may well be what it usually is. */
function takenFor(rig: ResolvedRig, key: DimensionKey): Hangs | null {
  const { value, sigma, doubt } = rig.values[key];
  if (value !== null && isBelieved(doubt)) return { key, value, sigma, read: true };
  const usual = USUAL[key];
  if (usual === undefined) return null;
  const apart = Math.abs(dimension(key, rig).typical - usual);
  return { key, value: usual, sigma: apart > 0 ? apart : sigma, read: false };
}

/**
 * Readings of the machine and the tool in view by which this rig would work elsewhere, otherwise switched or otherwise dosed. Each is tried: what changes nothing is
 * not among them.
 */
export function hangsOn(whole: WholeRig, part: number): Hangs[] {
  const rig = whole.parts[part]!.rig;
  const base = worldOfRig(whole, part, {});
  if ("key" in base) return [];
  const constants = new Set<string>(calibrationsAt(rig).flatMap(({ kind }) => kind.constant ?? []));
  const as = JSON.stringify(base.rigs.truth) + base.shown;
  return askedOf(rig).flatMap(({ key, kind }) => {
    const taken = takenFor(rig, key);
    if (!taken || !(taken.sigma > 0) || (!KINDS.includes(kind) && !constants.has(key))) return [];
    const other = worldOfRig(whole, part, { [key]: taken.value + taken.sigma });
    return "key" in other || JSON.stringify(other.rigs.truth) + other.shown === as ? [] : [taken];
  });
}
