/** The three drawn drills of the demo yard. Every name and figure is made up. */
import type { Proof } from "../../core/rig/facts.ts";
import type { Instrument } from "../../core/rig/grade.ts";
import { type Told, told } from "./told.ts";

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
  told: Told[];
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

export type Tested = Pick<Proof, "what" | "how" | "result" | "terms"> & { at: string };

/** Taped throughout, proved in the field, its card read back. */
export const PROVEN: DemoRig & { tested: Tested[]; cardAt: string } = {
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
      what: "work seen from the receiver, sideways",
      how: "Twelve joints on the bottom meadow, alternate directions, tape from row to row.",
      result:
        "Mean of the wide and the narrow joints differ by 4 mm: tool 1 mm right of where it is entered, ± 3 mm.",
      at: "2026-08-27T15:20:00.000Z",
      terms: [
        { key: "receiver.lateral", coefficient: -1 },
        { key: "tool.lateral", coefficient: 1 },
      ],
    },
    {
      what: "working width",
      how: "The same twelve joints: mean joint against row spacing.",
      result: "Mean joint 15.2 cm at 15 cm row spacing: width 2.998 m, ± 4 mm.",
      at: "2026-08-27T15:20:00.000Z",
      terms: [{ key: "tool.width", coefficient: 1 }],
    },
    {
      what: "receiver to front rank",
      how: "Six crossings of a sprayed line at 4 and 10 km/h, both ways, first seed dug up.",
      result: "Mark error 8 mm at no speed, ± 15 mm: length confirmed.",
      at: "2026-08-28T09:45:00.000Z",
      terms: [
        { key: "receiver.foreAft", coefficient: -1 },
        { key: "axle.pin", coefficient: -1 },
        { key: "pin.workFront", coefficient: -1 },
      ],
    },
  ],
  cardAt: "2026-08-29T05:55:00.000Z",
};
