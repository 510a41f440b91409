/**
 * Rigs of the demo yard, a file each in rigs/: what a rig shows, the machine that drives it, its tools, and what was read of them as
 * somebody spoke it. Every name and figure is made up.
 */
import { ATTACHMENT_KEYS, type Attachment } from "../../core/dimension/attachment.ts";
import { type DimensionKey, isDimensionKey } from "../../core/dimension/catalogue.ts";
import { POINT_KINDS, type PointKind } from "../../core/dimension/point-kinds.ts";
import type { Machine } from "../rigs.ts";
import cartAndDrill from "./rigs/cart-and-drill.json";
import cartDrillRoller from "./rigs/cart-drill-roller.json";
import combine from "./rigs/combine.json";
import cultivator from "./rigs/cultivator.json";
import electricDrill from "./rigs/electric-drill.json";
import frontBoom from "./rigs/front-boom.json";
import grainDrill from "./rigs/grain-drill.json";
import meadowDrill from "./rigs/meadow-drill.json";
import mowers from "./rigs/mowers.json";
import planter from "./rigs/planter.json";
import plough from "./rigs/plough.json";
import rollerCultivator from "./rigs/roller-cultivator.json";
import rowHoe from "./rigs/row-hoe.json";
import sprayer from "./rigs/sprayer.json";
import spreader from "./rigs/spreader.json";
import tracks from "./rigs/tracks.json";

export type Lines = Partial<Record<DimensionKey, string>>;

type DemoWeight = { label: string; mass: number; place: number; count: number };

export type DemoMachine = Pick<Machine, "make" | "model" | "fleetNumber" | "serial"> & {
  kind: Machine["kind"];
  attachment?: Attachment;
  points?: { kind: PointKind; label: string }[];
  weights?: DemoWeight[];
};

/** One tool of a rig: what it hangs on, and what was read of tractor, hitch, tool and work together. */
export type DemoTool = {
  machine: DemoMachine;
  on: PointKind;
  behind: number | null;
  lines: Lines;
  /** widths in metres, left to right */
  sections?: number[];
};

export type DemoHitching = {
  /** what the rig is there to show */
  about: string;
  name: string;
  /** null: the machine and mount of the first demo rig; a fleet number: a machine planted before */
  driver: DemoMachine | string | null;
  lines: Lines;
  tools: DemoTool[];
  person: string;
  at: string;
  fitted?: number[];
};

type File = {
  name: string;
  driver: { kind: string; points?: { kind: string }[] } | string | null;
  lines: object;
  tools: {
    machine: { kind: string; attachment?: string; points?: { kind: string }[] };
    on: string;
    lines: object;
  }[];
};

/** @throws RangeError where a file names a dimension, an attachment or a kind of point there is none of */
export function demoRig(file: File): DemoHitching {
  const { name, driver, lines, tools } = file;
  const points = [
    ...(driver && typeof driver === "object" ? (driver.points ?? []) : []),
    ...tools.flatMap(({ machine, on }) => [...(machine.points ?? []), { kind: on }]),
  ];
  const wrong = [
    ...[lines, ...tools.map((tool) => tool.lines)].flatMap(Object.keys).filter((key) => !isDimensionKey(key)),
    ...points.map(({ kind }) => kind).filter((kind) => !POINT_KINDS.some((each) => each === kind)),
    ...tools
      .flatMap(({ machine }) => machine.attachment ?? [])
      .filter((attachment) => !ATTACHMENT_KEYS.some((each) => each === attachment)),
  ];
  if (wrong.length > 0) throw new RangeError(`${name}: there is no ${wrong.join(", ")}`);
  return file as DemoHitching;
}

/** What is known of the first drill and of the meadow drill besides their chains; and the weights of the first one's tractor. */
export const GRAIN_DRILL: { lines: Lines; weights: DemoWeight[] } = grainDrill;
export const MEADOW_DRILL: { lines: Lines } = meadowDrill;

/** In the order they came to the yard. */
export const HITCHED: readonly DemoHitching[] = [
  cultivator,
  mowers,
  cartAndDrill,
  combine,
  sprayer,
  rollerCultivator,
  plough,
  planter,
  cartDrillRoller,
  frontBoom,
  tracks,
  rowHoe,
  electricDrill,
  spreader,
].map(demoRig);

/** What the yard's country allows on the road: metres, metres per second, kilograms. */
export const ROAD_LIMITS = { country: "Vesland", width: 3, height: 4, speed: 40 / 3.6, unbraked: 3000 };
