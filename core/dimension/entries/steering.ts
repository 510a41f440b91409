import { CAMERA_MODES, THRESHOLDS } from "../../steering/camera.ts";
import { TOOL_KIND_KEYS, type ToolKindKey } from "../../trade/kinds.ts";
import { choice, EACH_SEASON, entriesOf, measure } from "../entry-type.ts";

const DEGREE = Math.PI / 180;

/** Read off the terminal, as steering by satellite needs it. */
const STEERED = { serves: "guidance", subject: "tractor" } as const;

const EFFORT = {
  ...STEERED,
  how: "On firm level ground at about 1.6 km/h, engaged, wheels straight: raise it by two points at most at a time until they turn by 1° in a second. Nobody near the wheels.",
  touchedBy: ["tractor tyres"],
  dueAfter: EACH_SEASON,
  sigma: { taped: 0.005, book: 0.02, assumed: 0.03 },
  matters: "Too little and wheels answer late, too much and they twitch.",
} as const;

/** What is steered along rows that stand; the rest makes rows, or has none. */
const ALONG_ROWS: readonly ToolKindKey[] = ["hoe", "sprayer", "other"];

const OF_CAMERA = {
  notOf: { kinds: TOOL_KIND_KEYS.filter((key) => !ALONG_ROWS.includes(key)), unless: null },
  serves: "guidance",
} as const;

/** What steering along a line, and along rows, rests on. */
export const STEERING = {
  ...entriesOf("guidance", "Steering calibration", {
    "tractor.steerRoutine": choice(
      { full: "The full hydraulic one", quick: "The quick one only", none: "None yet" },
      {
        ...STEERED,
        label: "Steering calibrated by",
        fromTo: "which routine of the terminal was run to its result page",
        how: "At 1.6 to 6.4 km/h on firm level ground with room ahead, by the operator's manual. Keep a picture of the result page.",
        touchedBy: ["tractor tyres"],
        dueAfter: EACH_SEASON,
        matters:
          "Before rows are sensed the full routine is needed: the quick one leaves the valve as it was.",
      },
    ),
    "tractor.steerResult": choice(
      { kept: "Kept, as a picture", lost: "Not kept" },
      {
        ...STEERED,
        label: "Its result page",
        fromTo: "whether the page the routine ended with was kept",
        how: "Photograph the page before it is left, and attach it here.",
        when: { key: "tractor.steerRoutine", is: ["full", "quick"] },
        touchedBy: ["tractor tyres"],
        dueAfter: EACH_SEASON,
        matters:
          "Held against the next one it tells a valve that wears. Left, most terminals show it no more.",
      },
    ),
    "tractor.effortLeft": measure("share", [0, 0.6], 0.15, {
      ...EFFORT,
      label: "Minimum effort, left",
      fromTo: "the least output of the steering valve at which wheels turn left",
    }),
    "tractor.effortRight": measure("share", [0, 0.6], 0.15, {
      ...EFFORT,
      label: "Minimum effort, right",
      fromTo: "the least output of the steering valve at which wheels turn right",
    }),
    "tractor.rearSteer": measure("angle", [-10 * DEGREE, 10 * DEGREE], 0, {
      ...STEERED,
      label: "Rear-steer offset",
      fromTo: "what the terminal has as the rear wheels' offset from straight",
      how: "Read it off the terminal with the wheels straight.",
      when: { key: "tractor.steering", is: ["all wheels"] },
      sides: { plus: "right", minus: "left" },
      sigma: { taped: 0.1 * DEGREE, book: 0.1 * DEGREE, assumed: DEGREE },
      matters: "It runs askew along its line with any.",
    }),
  }),
  ...entriesOf("guidance", "Row camera", {
    "tractor.rowCamera": choice(
      { yes: "Yes, it has one", no: "No" },
      {
        ...OF_CAMERA,
        label: "Camera that finds rows",
        fromTo: "whether the machine steers along rows by a camera",
        subject: "tractor",
        matters: "It wants a profile for each row spacing.",
      },
    ),
    "tractor.shownPlausible": choice(
      {
        both: "Both as they should be",
        roll: "Roll is off",
        speed: "Speed is off",
        none: "Both are off",
      },
      {
        ...OF_CAMERA,
        label: "Roll and speed as shown",
        fromTo: "what the terminal shows of roll on level ground, and of speed while it drives",
        how: "Parked level, then turned round on the same marks: roll near 0° both ways. Driven: speed as over a taped length.",
        subject: "tractor",
        when: { key: "tractor.rowCamera", is: ["yes"] },
        touchedBy: ["tractor tyres"],
        dueAfter: EACH_SEASON,
        matters: "The camera's picture is put upright by the roll and moved on by the speed.",
      },
    ),
    "work.cameraMode": choice(CAMERA_MODES, {
      ...OF_CAMERA,
      label: "Steers along rows by",
      fromTo: "what the terminal is set to",
      subject: "coupling",
      when: { key: "tractor.rowCamera", is: ["yes"] },
      matters:
        "By camera only it lets go at headland, grass strip and weeds: somebody has to take the wheel.",
    }),
    "work.cameraThreshold": measure("share", [0.05, 0.95], 0.5, {
      ...OF_CAMERA,
      label: "Quality it follows rows from",
      fromTo: "the threshold the terminal is set to",
      subject: "coupling",
      when: { key: "tractor.rowCamera", is: ["yes"] },
      otherwise: { value: THRESHOLDS.usual, source: "what terminals are preset to" },
      sigma: { taped: 0.005, book: 0.01, assumed: 0.05 },
      matters: "Lower it follows weeds, higher it lets go of rows.",
    }),
  }),
};
