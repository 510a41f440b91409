/** The ground under the demo yard's tools, by the fleet number of the implement. Made up. */

import type { Ground, Seen } from "../../core/yard/ground.ts";
import type { NewAdjuster } from "../ground.ts";
import type { NewLook, NewPreset } from "../strips.ts";

type DemoAdjuster = Pick<NewAdjuster, "label" | "form" | "low" | "high" | "how"> &
  Partial<Pick<NewAdjuster, "effect" | "acts">> & {
    setting: number;
    /** of an adjuster before it, kept equal with */
    pairedWith?: string;
  };

export type DemoGround = {
  person: string;
  /** when it was set, and its strip begun */
  at: string;
  adjusters: readonly DemoAdjuster[];
  strip?: Ground & { looks: readonly (Pick<NewLook, "step"> & Partial<Seen>)[] };
  preset?: NewPreset & { before: string };
  map?: {
    field: string;
    /** metres */
    wanted: number;
    at: string;
    across: number;
    /** centimetres: along the front from the left, then along the rear */
    depths: readonly number[];
  };
};

const DEGREE = Math.PI / 180;

/** What a step does in front, behind and across, millimetres. */
const mm = (front: number, rear: number, across: number) => ({
  front: front / 1000,
  rear: rear / 1000,
  across: across / 1000,
});

export const GROUNDS: Record<string, DemoGround> = {
  C3: {
    person: "Joren Talbeck",
    at: "2026-10-19T12:40:00Z",
    adjusters: [
      {
        label: "Top link",
        form: "turnbuckle",
        low: -8,
        high: 8,
        effect: mm(-3, 9, 0),
        how: "One turn more is longer: the nose comes up.",
        setting: 0,
      },
      {
        label: "Lift rod, left",
        form: "turnbuckle",
        low: -6,
        high: 6,
        effect: mm(2, 2, -12),
        how: "One turn more is longer: the left side goes down.",
        setting: 2,
      },
      {
        label: "Depth wheel, left",
        form: "spindle",
        low: 0,
        high: 12,
        effect: mm(-1, -2, 4),
        how: "Lift first; one turn more sets the wheel lower.",
        setting: 5,
      },
      {
        label: "Depth wheel, right",
        form: "spindle",
        low: 0,
        high: 12,
        effect: mm(-1, -2, -4),
        how: "Lift first; one turn more sets the wheel lower.",
        setting: 5,
        pairedWith: "Depth wheel, left",
      },
    ],
    map: {
      field: "Long Acre",
      wanted: 0.14,
      at: "2026-10-19T13:20:00Z",
      across: 4,
      depths: [17.2, 16.9, 16.1, 15.6, 13.9, 13.4, 12.6, 12.3],
    },
  },
  C9: {
    person: "Joren Talbeck",
    at: "2026-10-06T09:30:00Z",
    adjusters: [
      {
        label: "Shims, front masters",
        form: "shims",
        low: 0,
        high: 12,
        effect: mm(-10, -1, 0),
        how: "Both sides alike; slaves follow.",
        setting: 6,
      },
      {
        label: "Shims, rear masters",
        form: "shims",
        low: 0,
        high: 12,
        effect: mm(-1, -10, 0),
        how: "Both sides alike; slaves follow.",
        setting: 4,
      },
      {
        label: "Wing screw, left",
        form: "turnbuckle",
        low: -10,
        high: 10,
        effect: mm(1, 1, -5),
        how: "Loosened is lowered, tightened raised.",
        setting: 0,
      },
    ],
    strip: {
      field: "Quarry Piece",
      soil: "loam",
      moisture: "moist",
      crop: "winter barley stubble",
      looks: [
        { step: "system", choices: { fitted: "no", declared: "none", bled: "none", frame: "none" } },
        {
          step: "stacks",
          choices: { kind: "shims", meant: "no" },
          figures: { frontLeft: 6, frontRight: 5, rearLeft: 4, rearRight: 4 },
        },
        { step: "wheels", choices: { kind: "none" } },
        { step: "wings", choices: { kind: "wings" }, figures: { left: -0.004, right: -0.017 } },
      ],
    },
    map: {
      field: "Quarry Piece",
      wanted: 0.08,
      at: "2026-10-06T10:40:00Z",
      across: 7,
      depths: [8.3, 8.2, 8.4, 8.1, 8.2, 8.3, 8.1, 9.3, 9.2, 9.4, 9.3, 12.1, 9.2, 9.1],
    },
  },
  P4: {
    person: "Joren Talbeck",
    at: "2026-11-05T07:20:00Z",
    adjusters: [
      {
        label: "Top link",
        form: "turnbuckle",
        low: -8,
        high: 8,
        effect: mm(-6, 7, 0),
        how: "One turn more is longer: the front comes up.",
        setting: 0,
      },
      {
        label: "Depth wheel",
        form: "spindle",
        low: 0,
        high: 20,
        effect: mm(-2, -6, 0),
        how: "Lift first; one turn more sets the wheel lower.",
        setting: 9,
      },
      {
        label: "Stop screw, right",
        form: "stop",
        low: -6,
        high: 6,
        acts: { measure: "lean", by: -0.6 * DEGREE },
        how: "Lift a little, nudge the turnover to free it; one turn more leans it from ploughed land.",
        setting: 0,
      },
      {
        label: "Stop screw, left",
        form: "stop",
        low: -6,
        high: 6,
        acts: { measure: "lean", by: -0.6 * DEGREE },
        how: "As the right one, by the same count.",
        setting: 0,
        pairedWith: "Stop screw, right",
      },
      {
        label: "First furrow spindle",
        form: "spindle",
        low: 0,
        high: 24,
        acts: { measure: "firstFurrow", by: -0.014 },
        how: "One turn more makes it narrower, on this plough.",
        setting: 8,
      },
      {
        label: "Draw-line spindle",
        form: "spindle",
        low: 0,
        high: 18,
        acts: { measure: "pull", by: 1 },
        how: "One turn more draws toward ploughed land, on this plough.",
        setting: 9,
      },
      {
        label: "Lift rod, right",
        form: "turnbuckle",
        low: -6,
        high: 6,
        acts: { measure: "leanApart", by: 0.3 * DEGREE },
        how: "One turn more is longer.",
        setting: 0,
      },
    ],
    preset: {
      name: "Mill Acre, autumn before",
      field: "Mill Acre",
      soil: "loam",
      moisture: "moist",
      crop: "maize stubble",
      depth: 0.218,
      good: 15,
      all: 15,
      before: "2025-11-12T09:00:00Z",
    },
    strip: {
      field: "Church Piece",
      soil: "loam",
      moisture: "moist",
      crop: "maize stubble",
      looks: [
        { step: "alike", choices: { state: "alike" } },
        { step: "tyres", figures: { left: 1.6e5, right: 1.6e5 } },
        { step: "springs", choices: { kind: "bolt" } },
        { step: "bodies", lists: { points: [0.952, 0.949, 0.951], tails: [0.95, 0.953, 0.95] } },
        { step: "wear", choices: { where: "even" } },
        { step: "coulterReach", choices: { kind: "discs" }, figures: { reach: 0.016 } },
        { step: "coulterDepth", choices: { kind: "discs" }, figures: { above: 0.052 } },
        { step: "skimmers", choices: { kind: "fitted" }, figures: { depth: 0.04 } },
        { step: "opening", choices: { state: "none" } },
        { step: "upright", figures: { right: 1.9 * DEGREE, left: 1.7 * DEGREE } },
        { step: "furrow", figures: { bodies: 4, cut: 0.43, before: 2.72, after: 0.92 } },
        { step: "pull", choices: { way: "ploughed" } },
      ],
    },
    map: {
      field: "Church Piece",
      wanted: 0.22,
      at: "2026-11-05T07:31:00Z",
      across: 4,
      depths: [22.4, 22.1, 22.6, 22.2, 21.6, 21.9, 21.5, 21.8],
    },
  },
  D2: {
    person: "Ilse Marrin",
    at: "2026-10-12T08:05:00Z",
    adjusters: [
      {
        label: "Down pressure",
        form: "pressure",
        low: 0,
        high: 30,
        acts: { measure: "downforce", by: 0.5e5 },
        how: "Half a bar a click, at the valve on the drawbar.",
        setting: 22,
      },
      {
        label: "Depth handles",
        form: "notch",
        low: 0,
        high: 8,
        effect: mm(7, 7, 0),
        how: "Rearmost is shallow, forward deep; every opener, both ranks.",
        setting: 3,
      },
      {
        label: "Drawbar, level",
        form: "hole",
        low: -6,
        high: 6,
        effect: mm(-3, 3, 0),
        how: "One hole more lifts the front rank.",
        setting: 0,
      },
      {
        label: "Frame wheel, left",
        form: "crank",
        low: -12,
        high: 12,
        effect: mm(0, 0, 4),
        how: "One turn more lifts the left side.",
        setting: 0,
      },
      {
        label: "Closing wheels",
        form: "notch",
        low: 0,
        high: 5,
        acts: { measure: "closing", by: 1 },
        how: "Forward presses harder; every opener.",
        setting: 2,
      },
    ],
    strip: {
      field: "Long Acre",
      soil: "loam",
      moisture: "dry",
      crop: "winter wheat",
      looks: [
        { step: "ranks", choices: { state: "alike" } },
        { step: "lockouts", choices: { locks: "out", force: "on" } },
        { step: "gauge", figures: { now: 11.2e5, low: 7e5, high: 9e5 }, choices: { wheel: "up" } },
      ],
    },
  },
  M1: {
    person: "Ilse Marrin",
    at: "2026-05-21T06:40:00Z",
    adjusters: [
      {
        label: "Top link",
        form: "turnbuckle",
        low: -10,
        high: 10,
        acts: { measure: "bedPitch", by: 0.4 * DEGREE },
        how: "One turn more is longer: the nose comes up.",
        setting: 6,
      },
      {
        label: "Suspension charge",
        form: "pressure",
        low: 0,
        high: 20,
        acts: { measure: "suspension", by: 10e5 },
        how: "In float: tap open, charge by ten bar, tap shut.",
        setting: 6,
      },
      {
        label: "Skids",
        form: "hole",
        low: 0,
        high: 5,
        acts: { measure: "cutHeight", by: 0.011 },
        how: "Both skids in the same hole.",
        setting: 2,
      },
      {
        label: "Swath boards",
        form: "hole",
        low: 0,
        high: 6,
        acts: { measure: "swath", by: -0.09 },
        how: "One hole more sets both boards further in.",
        setting: 1,
      },
    ],
    strip: {
      field: "Brook Meadow",
      soil: null,
      moisture: "moist",
      crop: "first cut",
      looks: [
        { step: "ready", choices: { bracket: "out", stands: "up", keys: "yes" } },
        { step: "bed", figures: { scale: 2.4 * DEGREE } },
        { step: "suspension", choices: { tap: "open" }, figures: { charge: 62e5 } },
      ],
    },
  },
  H6: {
    person: "Ilse Marrin",
    at: "2026-05-30T07:10:00Z",
    adjusters: [
      {
        label: "Gauge wheel cranks",
        form: "crank",
        low: 0,
        high: 20,
        acts: { measure: "wheelClear", by: 0.0012 },
        how: "One turn more raises the wheel; all units.",
        setting: 14,
      },
      {
        label: "Unit heights",
        form: "crank",
        low: 0,
        high: 20,
        effect: mm(2, 2, 0),
        how: "One turn more sets the blades deeper; all units.",
        setting: 8,
      },
      {
        label: "Top link",
        form: "turnbuckle",
        low: -12,
        high: 12,
        effect: mm(-2, 2, 0),
        how: "One turn more is longer: the front comes up.",
        setting: 0,
      },
      {
        label: "Lift rod, right",
        form: "turnbuckle",
        low: -12,
        high: 12,
        effect: mm(0, 0, 4),
        how: "One turn more is longer: the right side goes down.",
        setting: 0,
      },
      {
        label: "Down-springs",
        form: "spring",
        low: 0,
        high: 6,
        acts: { measure: "unitSpring", by: 1 },
        how: "Each side by itself, to the same notch.",
        setting: 1,
      },
      {
        label: "Finger arms",
        form: "hole",
        low: 0,
        high: 8,
        acts: { measure: "fingerFloat", by: 0.004 },
        how: "One hole more sets the fingers lower.",
        setting: 3,
      },
      {
        label: "Cutaway discs",
        form: "notch",
        low: 0,
        high: 8,
        acts: { measure: "discBelow", by: 0.003 },
        how: "Clamp loose, one mark more is lower.",
        setting: 2,
      },
    ],
    strip: {
      field: "Lower Beet",
      soil: "peat",
      moisture: "moist",
      crop: "beet",
      looks: [
        { step: "blade", choices: { holes: "rear", land: "trash" } },
        { step: "clear", choices: { soil: "soft" }, figures: { clear: 0.0185 } },
        { step: "gap", choices: { gap: "free" } },
        { step: "crank", choices: { crank: "holds" } },
        { step: "springs", choices: { soil: "loose", unit: "sinks" }, figures: { left: 1, right: 1 } },
        { step: "disc", choices: { kind: "fitted" }, figures: { below: -0.004 } },
        { step: "row", choices: { seen: "thrown" } },
      ],
    },
  },
  "K1-S": {
    person: "Joren Talbeck",
    at: "2026-08-03T13:15:00Z",
    adjusters: [
      {
        label: "Sensitivity, height",
        form: "stop",
        low: 0,
        high: 10,
        acts: { measure: "sensitivity", by: 1 },
        how: "On the display, a step at a time.",
        setting: 8,
      },
      {
        label: "Following height, low",
        form: "stop",
        low: 0,
        high: 40,
        acts: { measure: "cutHeight", by: 0.01 },
        how: "Hold the button to store.",
        setting: 12,
      },
    ],
    strip: {
      field: "Hill Twelve",
      soil: "stony",
      moisture: "dry",
      crop: "winter wheat",
      looks: [
        { step: "recognised", choices: { head: "this" } },
        { step: "width", figures: { shown: 6.05 } },
        { step: "learning", choices: { run: "yes" } },
        { step: "sensitivity", choices: { bar: "restless", by: "auto" } },
      ],
    },
  },
  C12: {
    person: "Joren Talbeck",
    at: "2026-10-22T09:45:00Z",
    adjusters: [
      {
        label: "Depth shown, zero",
        form: "stop",
        low: -20,
        high: 20,
        acts: { measure: "zero", by: 0.005 },
        how: "On the display: half a centimetre a step.",
        setting: 0,
      },
      {
        label: "Drawbar turnbuckle",
        form: "turnbuckle",
        low: -10,
        high: 10,
        effect: mm(-4, 4, 0),
        how: "One turn more lifts the front.",
        setting: 0,
      },
      {
        label: "Wing cylinder, right",
        form: "stop",
        low: -10,
        high: 10,
        effect: mm(0, 0, 5),
        how: "One mark more sets the right side deeper.",
        setting: 0,
      },
      {
        label: "Depth setpoint",
        form: "stop",
        low: 0,
        high: 30,
        effect: mm(5, 5, 0),
        how: "On the display: half a centimetre a step.",
        setting: 16,
      },
    ],
    strip: {
      field: "Far Fifty",
      soil: "clay",
      moisture: "dry",
      crop: "oilseed stubble",
      looks: [
        { step: "system", choices: { fitted: "yes", declared: "yes", bled: "yes", frame: "no" } },
        { step: "zero", figures: { trueA: 0.055, shownA: 0.082, trueB: 0.148, shownB: 0.179 } },
      ],
    },
  },
};
