/** The three drawn drills of the demo yard. Every name and figure is made up. */

import type { Instrument } from "../../core/rig/grade.ts";
import type { DemoTest } from "./proofs.ts";
import { type ToldReading, told } from "./told.ts";

export type DemoRig = {
  name: string;
  tractor: {
    make: string;
    model: string;
    fleetNumber: string;
    serial: string;
    busName: string;
    mount: string;
    hole: string;
  };
  drill: { make: string; model: string; fleetNumber: string; serial: string; busName: string };
  scheme: string;
  profile: string;
  terminal: string;
  person: string;
  at: string;
  told: ToldReading[];
  sections: { widths: number[]; by: Instrument };
};

/** Nearly ready: one value from the book, one zero by habit. */
export const GRASS_AND_GRAIN: DemoRig = {
  name: "Grain drill, 4.5 m",
  tractor: {
    make: "Belvane",
    model: "118",
    fleetNumber: "T4",
    serial: "BV118-2207",
    busName: "A00284001E20008B",
    mount: "cab roof, front rail",
    hole: "hole 2",
  },
  drill: {
    make: "Sorrick",
    model: "Tandem 45",
    fleetNumber: "D2",
    serial: "ST45-0613",
    busName: "A00886002640026D",
  },
  scheme: "axle-m",
  profile: "SORRICK 45",
  terminal: "screen on the armrest",
  person: "Ilse Marrin",
  at: "2026-09-14T05:40:00.000Z",
  told: [
    told("receiver.foreAft", "1,472 m", 1.472),
    told("receiver.lateral", "0.6 left", -0.006),
    told("receiver.height", "2.88", 2.88, "book", 0.01),
    told("axle.pin", "1.126", 1.126),
    told("tractor.wheelbase", "2.61", 2.61, "tape", 0.01),
    told("pin.pivot", "5.318", 5.318),
    told("pin.workFront", "4.264", 4.264),
    told("pin.workRear", "4.552", 4.552),
    told("tool.lateral", "0", 0, "book"),
    told("tool.width", "4.50 m", 4.5, "tape", 0.01),
    told("rows.count", "36", 36),
    told("rows.spacing", "12.5", 0.125),
    told("work.overlap", "0", 0),
    told("guidance.trackSpacing", "4.50", 4.5, "tape", 0.01),
  ],
  sections: { widths: [1.5, 1.5, 1.5], by: "tape" },
};

/** Taken over from a list somebody copied off an old terminal: a zero, a swapped sign, sections that do not add up. */
export const BORROWED: DemoRig = {
  name: "Borrowed drill, 6 m",
  tractor: {
    make: "Kestrow",
    model: "R164",
    fleetNumber: "T7",
    serial: "KR164-0391",
    busName: "A002840021800187",
    mount: "cab roof, middle",
    hole: "hole 1",
  },
  drill: {
    make: "Ambleth",
    model: "Strata 6",
    fleetNumber: "D5",
    serial: "AS6-1148",
    busName: "A00886002EC0047C",
  },
  scheme: "hitch-in",
  profile: "STRATA6",
  terminal: "old grey screen",
  person: "Joren Talbeck",
  at: "2026-10-02T06:15:00.000Z",
  told: [
    told("receiver.foreAft", "1.905", 1.905),
    told("receiver.lateral", "1.2 right", 0.012),
    told("receiver.height", "3.06", 3.06, "tape", 0.01),
    told("axle.pin", "0.94", 0.94, "book", 0.01),
    told("pin.pivot", "6.12", 6.12, "book", 0.01),
    told("pin.workFront", "0.00", 0, "book", 0.01),
    told("pin.workRear", "-5.36", -5.36, "book", 0.01),
    told("tool.lateral", "1.8 left", -0.018),
    told("tool.width", "6.00", 6, "tape", 0.01),
    told("rows.count", "40", 40),
    told("rows.spacing", "15", 0.15),
    told("work.overlap", "0", 0),
  ],
  sections: { widths: [1, 1, 1, 1, 1, 0.7], by: "book" },
};

/** Joints row to row, millimetres, left to right; and marks at the headland: km/h, millimetres past the line, which way. */
const JOINTS = [141, 168, 144, 158, 151, 139, 163, 149, 147, 166, 143, 155];
const MARKS = [
  [4.1, 14, "there"],
  [4.0, -3, "back"],
  [4.2, 9, "there"],
  [9.8, -6, "back"],
  [10.2, 17, "there"],
  [10.0, 4, "back"],
] as const;

/** Taped throughout, proved in the field, its card read back. */
export const PROVEN: DemoRig & { tested: readonly DemoTest[]; cardAt: string } = {
  name: "Meadow drill, 3 m",
  tractor: {
    make: "Velmark",
    model: "96 S",
    fleetNumber: "T9",
    serial: "VM96S-0740",
    busName: "A0028400224000C4",
    mount: "cab roof, middle",
    hole: "hole 3",
  },
  drill: {
    make: "Tarnwick",
    model: "Rill 30",
    fleetNumber: "D8",
    serial: "TR30-0322",
    busName: "A00886003180021F",
  },
  scheme: "antenna-m",
  profile: "RILL",
  terminal: "small screen, left pillar",
  person: "Ilse Marrin",
  at: "2026-08-24T06:10:00.000Z",
  told: [
    told("receiver.foreAft", "1.284", 1.284),
    told("receiver.lateral", "left 71.8 right 72.6", -0.004),
    told("receiver.height", "2.635", 2.635),
    told("axle.pin", "0.872", 0.872),
    told("tractor.wheelbase", "2.38", 2.38, "tape", 0.01),
    told("pin.pivot", "4.035", 4.035),
    told("pin.workFront", "3.322", 3.322),
    told("pin.workRear", "3.586", 3.586),
    told("tool.lateral", "1.1 right", 0.011),
    told("tool.width", "3.00", 3, "tape", 0.01),
    told("rows.count", "20", 20),
    told("rows.spacing", "15", 0.15),
    told("work.overlap", "0", 0),
    told("guidance.trackSpacing", "3.00", 3, "tape", 0.01),
    told("tractor.steering", "front wheels", 0, "look", 0),
    told("tool.axleType", "rigid", 0, "look", 0),
    told("work.delayOn", "0.62 s", 0.62, "look", 0.01),
    told("work.delayOff", "0.34 s", 0.34, "look", 0.01),
  ],
  sections: { widths: [1.5, 1.5], by: "tape" },
  tested: [
    {
      kind: "joints",
      conditions: { fix: "fixed", source: "own base, 2 km", slope: "level", soil: "firm", speed: 7 / 3.6 },
      spacing: 3,
      rowToRow: true,
      note: "Bottom meadow, thirteen passes, taped from row to row.",
      observations: JOINTS.map((joint, at) => ({
        values: { joint: joint / 1000 },
        choices: { pair: at % 2 === 0 ? "up-down" : "down-up" },
        texts: { joint: `${(joint / 10).toFixed(1)} cm` },
      })),
      confirmed: ["lateral", "width"],
      at: "2026-08-27T15:20:00.000Z",
    },
    {
      kind: "headland",
      conditions: { fix: "fixed", source: "own base, 2 km", slope: "level", soil: "firm", speed: null },
      spacing: null,
      rowToRow: false,
      note: "Sprayed line, first seed dug up.",
      observations: MARKS.map(([speed, mark, way]) => ({
        values: { speed: speed / 3.6, mark: mark / 1000 },
        choices: { edge: "on", way },
        texts: {
          speed: `${speed.toFixed(1)} km/h`,
          mark: `${(Math.abs(mark) / 10).toFixed(1)} cm ${mark < 0 ? "short" : "past"}`,
        },
      })),
      confirmed: ["onLength"],
      at: "2026-08-28T09:45:00.000Z",
    },
  ],
  cardAt: "2026-08-29T05:55:00.000Z",
};
