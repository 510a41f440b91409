/** The field tests: what each can tell, how it is driven and measured, what is entered for one observation. */

import { type Attachment, isTrain } from "../../dimension/attachment.ts";
import { hasDimension } from "../../dimension/catalogue.ts";

/** One thing to enter for an observation. Lengths in metres, speeds in m/s, coordinates and headings in radians. */
export type AskedField = {
  key: string;
  label: string;
  hint: string;
  /** it may be left empty */
  optional?: boolean;
} & (
  | { kind: "length" | "speed" | "heading" }
  | { kind: "coordinate"; most: number }
  | { kind: "sided"; plus: string; minus: string }
  | { kind: "choice"; choices: readonly { key: string; label: string }[] }
  | { kind: "point" }
);

export type TestKind = {
  key: TestKey;
  title: string;
  /** what it can tell, in a line */
  tells: string;
  drive: readonly string[];
  measure: readonly string[];
  /** observations from which the answer is worth accepting, and why so many */
  enough: { count: number; why: string };
  /** what it cannot tell however often it is repeated */
  blind: readonly string[];
  cautions: readonly string[];
  /** what one observation is called */
  one: string;
  fields: readonly AskedField[];
  /** rests on the receiver's position */
  receiver: boolean;
  on: (attachment: Attachment) => boolean;
};

const anywhere = () => true;

const ON_FOOT = "Tractor stopped, brake on, tool lowered, key out before anybody walks to the work.";
const NEAR = "Nobody between tractor and tool, and nobody beside a tool that moves.";

export type TestKey =
  | "joints"
  | "wheel-marks"
  | "wheel-coordinates"
  | "headland"
  | "circle"
  | "cross-tape"
  | "run-log";

const KINDS: Record<TestKey, Omit<TestKind, "key">> = {
  joints: {
    title: "Pass joints",
    tells: "Whether the tool runs where guidance believes it, and how wide it really works.",
    drive: [
      "Take a straight line on even ground, away from the headland, and engage steering.",
      "Work at least seven passes side by side, one after the other, up and down.",
      "Skip none, and do not shift the line in between.",
    ],
    measure: [
      "Stand so that you look the way the first pass was driven. Number the joints from left to right.",
      "At each joint tape straight across: from the last mark of one pass to the first of the next.",
      "A strip left unworked is a gap, worked twice an overlap. Note how each of the two passes was driven.",
    ],
    enough: { count: 6, why: "six joints, three of each kind, leave four degrees of freedom" },
    blind: [
      "Receiver and tool are not told apart here: the test finds the sum of both. The wheel-mark test tells them apart.",
      "What shifts every pass the same way over the field stays unseen: drift of a drawn tool on a side slope, a moved base.",
      "Few joints do not tell how far passes stray and how far the tape: the intervals hold for passes that stray 3 to 14 mm with a fixed solution, and a tape that strays 2 to 15 mm at a joint. More than that is said.",
    ],
    cautions: [ON_FOOT],
    one: "joint",
    receiver: true,
    on: anywhere,
    fields: [
      {
        key: "pair",
        label: "How the two passes were driven",
        hint: "left pass, then right pass, seen the way the first one was driven",
        kind: "choice",
        choices: [
          { key: "up-down", label: "left up, right down" },
          { key: "down-up", label: "left down, right up" },
          { key: "up-up", label: "both up" },
          { key: "down-down", label: "both down" },
        ],
      },
      {
        key: "joint",
        label: "Joint",
        hint: "from one pass's edge to the next one's",
        kind: "sided",
        plus: "gap",
        minus: "overlap",
      },
    ],
  },
  "wheel-marks": {
    title: "Same wheel marks",
    tells: "Where the receiver really is, whatever hangs on behind.",
    drive: [
      "Park on firm ground. Mark on the ground where both rear wheels stand.",
      "Read the position. Turn round, come back the other way, and put the rear wheels on the same marks.",
      "Read the position again. Three times round tells how well it repeats.",
    ],
    measure: [
      "Read both positions the same way: off one guidance line as the first heading sees left and right, or as coordinates.",
      "Wait until the position stands still.",
    ],
    enough: { count: 3, why: "three rounds give a spread to judge the mean by" },
    blind: [
      "A side slope cancels; a wrongly levelled roll sensor does not: it counts as lateral here, by its error times the receiver's height.",
    ],
    cautions: [NEAR],
    one: "round",
    receiver: true,
    on: anywhere,
    fields: [
      {
        key: "first",
        label: "First reading, beside the line",
        hint: "facing the first way",
        kind: "sided",
        plus: "right",
        minus: "left",
      },
      {
        key: "second",
        label: "Second reading, beside the same line",
        hint: "turned round, but right and left as the first way saw them",
        kind: "sided",
        plus: "right",
        minus: "left",
      },
      {
        key: "along",
        label: "Second reading along the line, from the first",
        hint: "ahead as the first way saw it; leave it empty where the terminal does not tell",
        kind: "sided",
        plus: "ahead",
        minus: "behind",
        optional: true,
      },
    ],
  },
  "wheel-coordinates": {
    title: "Same wheel marks, by coordinates",
    tells: "Where the receiver really is, off the coordinates the terminal shows.",
    drive: [
      "Park on firm ground. Mark on the ground where both rear wheels stand.",
      "Write down latitude and longitude. Turn round, come back the other way onto the same marks, and write them down again.",
      "Three times round tells how well it repeats.",
    ],
    measure: [
      "Read decimal degrees with seven decimals or more: the seventh is a centimetre.",
      "The heading is that of the first parking, off the terminal or a compass: a few degrees do not matter for the side.",
    ],
    enough: { count: 3, why: "three rounds give a spread to judge the mean by" },
    blind: [
      "Some terminals show the antenna's place, some the machine's. Say which: of the antenna half the difference is its whole offset.",
      "A side slope cancels; a wrongly levelled roll sensor does not.",
    ],
    cautions: [NEAR],
    one: "round",
    receiver: true,
    on: anywhere,
    fields: [
      {
        key: "shown",
        label: "The coordinates shown are",
        hint: "",
        kind: "choice",
        choices: [
          { key: "antenna", label: "the antenna's" },
          { key: "machine", label: "the machine's" },
        ],
      },
      { key: "heading", label: "First heading", hint: "degrees from north, clockwise", kind: "heading" },
      { key: "latitude1", label: "First latitude", hint: "like 55.1234567", kind: "coordinate", most: 90 },
      { key: "longitude1", label: "First longitude", hint: "west is −", kind: "coordinate", most: 180 },
      { key: "latitude2", label: "Second latitude", hint: "", kind: "coordinate", most: 90 },
      { key: "longitude2", label: "Second longitude", hint: "", kind: "coordinate", most: 180 },
    ],
  },
  headland: {
    title: "Headland marks",
    tells: "Whether work starts and stops where the boundary lies: a wrong length, or a wrong delay.",
    drive: [
      "Give the terminal a straight boundary across the way, and mark it on the ground with a string.",
      "Cross it with automatic switching at two speeds or more, slow and fast, three times each.",
      "Cross it both ways: a boundary that lies wrong shows with the other sign.",
    ],
    measure: [
      "From the string to where the work really began, or really ended.",
      "Past the string in the way of travel is past; before it is short.",
    ],
    enough: { count: 6, why: "two speeds, three crossings each; marks of a valve scatter more than a tape" },
    blind: ["The receiver's delay and the valve's are not told apart: the test finds their sum."],
    cautions: [ON_FOOT, "Seed or spray with what may lie on the ground there; water does for a sprayer."],
    one: "crossing",
    receiver: true,
    on: anywhere,
    fields: [
      {
        key: "edge",
        label: "What happened at the boundary",
        hint: "",
        kind: "choice",
        choices: [
          { key: "on", label: "work began" },
          { key: "off", label: "work ended" },
        ],
      },
      {
        key: "way",
        label: "Driven",
        hint: "there is one way over the string, back the other",
        kind: "choice",
        choices: [
          { key: "there", label: "there" },
          { key: "back", label: "back" },
        ],
      },
      { key: "speed", label: "Speed", hint: "as the terminal showed it at the string", kind: "speed" },
      {
        key: "mark",
        label: "Mark",
        hint: "from the string, in the way of travel",
        kind: "sided",
        plus: "past",
        minus: "short",
      },
    ],
  },
  circle: {
    title: "Cut-in on a circle",
    tells: "The length from hitch to wheels that turning is reckoned with.",
    drive: [
      "On firm ground, hold one steering angle and drive slowly until the tool's wheels run in their own marks.",
      "Two full circles, without touching the wheel.",
    ],
    measure: [
      "Across the circle through its middle, from wheel mark to wheel mark.",
      "The outer and the inner mark of the tractor's rear wheels, then of the tool's wheels.",
    ],
    enough: { count: 3, why: "three diameters across one circle show how round it is" },
    blind: [
      "On a slope or on loose ground the tool slips sideways: then it looks shorter or longer than it is.",
    ],
    cautions: [
      NEAR,
      "A drawn tool at full lock can catch the tyre or bend the drawbar: stay within what the operator's manual allows.",
    ],
    one: "circle",
    receiver: false,
    on: (attachment) => hasDimension(attachment, "pin.pivot") && !isTrain(attachment),
    fields: (
      [
        ["tractorOuter", "Tractor, outer marks"],
        ["tractorInner", "Tractor, inner marks"],
        ["toolOuter", "Tool, outer marks"],
        ["toolInner", "Tool, inner marks"],
      ] as const
    ).map(([key, label]) => ({ key, label, hint: "diameter, middle of the mark to middle", kind: "length" })),
  },
  "cross-tape": {
    title: "Tape against drawing",
    tells: "One tape across checks the whole chain of lengths between two points.",
    drive: ["Pull straight ahead a few metres on a level floor and stop. Tool lowered."],
    measure: [
      "Plumb both points to the floor and tape between the marks, straight across, whatever lies between.",
      "Choose points far apart, and of different parts of the chain.",
    ],
    enough: { count: 1, why: "one honest distance is a check; a second one across tells where a fault lies" },
    blind: ["A distance along the line says little of what lies to the side of it, and the other way round."],
    cautions: [ON_FOOT],
    one: "distance",
    receiver: false,
    on: anywhere,
    fields: [
      { key: "from", label: "From", hint: "", kind: "point" },
      { key: "to", label: "To", hint: "", kind: "point" },
      { key: "distance", label: "Distance", hint: "on the floor, mark to mark", kind: "length" },
    ],
  },
  "run-log": {
    title: "Log of an up-and-back run",
    tells: "How far the receiver sits beside the middle, from the receiver's own sentences.",
    drive: [
      "Drive straight for 100 m or more, turn round, and drive back in the same wheel marks. Three times.",
      "Record the receiver's sentences GGA and RMC or VTG, five a second or more, six decimals of a minute or more.",
    ],
    measure: ["Nothing: the passes are found in the log."],
    enough: { count: 1, why: "one log holds several passes; three each way give a spread" },
    blind: [
      "Only the receiver is measured, not the tool.",
      "How well the wheels kept to their marks is all it can be good for: half of it counts.",
    ],
    cautions: [NEAR],
    one: "log",
    receiver: true,
    on: anywhere,
    fields: [],
  },
};

export const TEST_KEYS = Object.keys(KINDS) as TestKey[];

export function testKind(key: TestKey): TestKind {
  return { key, ...KINDS[key] };
}

/** The tests a tool of this attachment has. */
export function testsOf(attachment: Attachment): TestKind[] {
  return TEST_KEYS.map(testKind).filter(({ on }) => on(attachment));
}
