/** What one can measure, from the seat and on the ground: what it reads of a setup, how well, and how many minutes it takes (common practice, no source). */
import { asideOf, type Card, type Setup } from "./setup.ts";

/** How a figure is told. */
export type Reads = { label: string; in: "length" | "time" | "share" | "yes" };

export type Measurement = {
  key: string;
  label: string;
  how: string;
  minutes: number;
  reads: readonly Reads[];
  /** what it reads where nothing scatters, and its own scatter, 1 σ */
  expects: (setup: Setup, card: Card) => readonly number[];
  sigma: readonly number[];
  /** a screen shows it: it scatters by nothing, but what it is held against does */
  shown?: true;
};

/** Joints after a pass up and after one down: the work aside counts twice, and what the width lacks. */
const joints = (setup: Setup): number[] => {
  const open = setup.spacing - setup.width.is;
  const aside = asideOf(setup);
  return [open - 2 * aside, open + 2 * aside];
};

/** How far past the line work begins, or ends: by the time that lacks, and by what it stands ahead of where it was told. */
const past = (setup: Setup, edge: "on" | "off", speed: number): number => {
  const { is, told } = setup[edge];
  return speed * (is - told) + (setup.length.is - setup.length.told);
};

const STOPWATCH = { label: "", in: "share" } as const;
const LOOKED = 0.04;

export const SEAT: Measurement = {
  key: "seat",
  label: "From the seat",
  how: "What one sees while driving: joints, headland, screens.",
  minutes: 0,
  reads: [
    { label: "Joints after up, by eye", in: "length" },
    { label: "Joints after down, by eye", in: "length" },
    { label: "Work begins past the line, by eye", in: "length" },
    { label: "Work ends past the line, by eye", in: "length" },
    { label: "Used ÷ reckoned by the tank or hopper", in: "share" },
  ],
  expects: (setup, { speed }) => [
    ...joints(setup),
    past(setup, "on", speed),
    past(setup, "off", speed),
    setup.dose * setup.roll * setup.rate * setup.speed,
  ],
  sigma: [0.08, 0.08, 0.4, 0.4, 0.2],
};

export const MEASUREMENTS: readonly Measurement[] = [
  {
    key: "joints",
    label: "Tape joints up and down",
    how: "Four joints, two after a pass up and two after one down, from row to row.",
    minutes: 6,
    reads: [
      { label: "after up, − lapped", in: "length" },
      { label: "after down, − lapped", in: "length" },
    ],
    expects: joints,
    sigma: [0.012, 0.012],
  },
  ...(["on", "off"] as const).flatMap((edge): Measurement[] =>
    ([1, 0.5] as const).map((share) => ({
      key: `${edge} ${share}`,
      label: `Mark where work ${edge === "on" ? "begins" : "ends"}, ${share === 1 ? "at speed" : "at half speed"}`,
      how: "A string across, driven over three times; tape from string to work.",
      minutes: 5,
      reads: [{ label: "past the string", in: "length" }],
      expects: (setup: Setup, { speed }: Card) => [past(setup, edge, speed * share)],
      sigma: [0.06],
    })),
  ),
  {
    key: "page lengths",
    shown: true,
    label: "Read back the terminal's lengths",
    how: "The page of the tool: lateral and length, and that of the antenna.",
    minutes: 2,
    reads: [
      { label: "antenna, right positive", in: "length" },
      { label: "tool, right positive", in: "length" },
      { label: "antenna to work", in: "length" },
    ],
    expects: ({ antenna, tool, length }) => [antenna.told, tool.told, length.told],
    sigma: [0.005, 0.005, 0.01],
  },
  {
    key: "page width",
    shown: true,
    label: "Read back width and spacing",
    how: "The page of the tool, then the line's.",
    minutes: 1,
    reads: [
      { label: "width", in: "length" },
      { label: "from pass to pass", in: "length" },
    ],
    expects: ({ width, spacing }) => [width.told, spacing],
    sigma: [0.005, 0.005],
  },
  {
    key: "page times",
    shown: true,
    label: "Read back the switching times",
    how: "The page of the sections.",
    minutes: 1,
    reads: [
      { label: "on", in: "time" },
      { label: "off", in: "time" },
    ],
    expects: ({ on, off }) => [on.told, off.told],
    sigma: [0.01, 0.01],
  },
  {
    key: "page job",
    shown: true,
    label: "Look at job, head and profile",
    how: "Which field is confirmed, which head is fitted, whose profile the camera has.",
    minutes: 2,
    reads: [
      { label: "record lies on another field", in: "yes" },
      { label: "head taken ÷ its own", in: "share" },
      { label: "profile's row spacing", in: "length" },
    ],
    expects: ({ elsewhere, head, rows }) => [elsewhere, head, rows.told],
    sigma: [LOOKED, 0.01, 0.005],
  },
  {
    key: "page rate",
    shown: true,
    label: "Look at the rate that is set",
    how: "The page of the rate, each product.",
    minutes: 1,
    reads: [{ label: "set ÷ wanted", in: "share" }],
    expects: ({ rate }) => [rate],
    sigma: [0.01],
  },
  {
    key: "tape antenna",
    label: "Tape the antenna across",
    how: "Plumb it to the floor, to both hubs.",
    minutes: 5,
    reads: [{ label: "antenna, right positive", in: "length" }],
    expects: ({ antenna }) => [antenna.is],
    sigma: [0.008],
  },
  {
    key: "tape tool",
    label: "Tape the tool across",
    how: "From the line of pull to both ends of the work.",
    minutes: 8,
    reads: [{ label: "tool, right positive", in: "length" }],
    expects: ({ tool }) => [tool.is],
    sigma: [0.012],
  },
  {
    key: "tape length",
    label: "Tape from pin to work",
    how: "Pulled straight, plumbed to the floor.",
    minutes: 8,
    reads: [{ label: "antenna to work", in: "length" }],
    expects: ({ length }) => [length.is],
    sigma: [0.02],
  },
  {
    key: "tape width",
    label: "Count rows and tape the width",
    how: "Row by row, then over all of them.",
    minutes: 5,
    reads: [{ label: "width", in: "length" }],
    expects: ({ width }) => [width.is],
    sigma: [0.012],
  },
  {
    key: "speed",
    label: "Drive a taped length",
    how: "A hundred metres by tape and stopwatch, as loaded as at work.",
    minutes: 7,
    reads: [{ ...STOPWATCH, label: "speed shown ÷ driven" }],
    expects: ({ speed }) => [speed],
    sigma: [0.008],
  },
  {
    key: "hectares",
    label: "Work a strip of known size",
    how: "A strip of taped length and width; read the counter.",
    minutes: 8,
    reads: [{ ...STOPWATCH, label: "hectares shown ÷ worked" }],
    expects: ({ speed, head, width }) => [(speed * head * width.told) / width.is],
    sigma: [0.012],
  },
  {
    key: "catch",
    label: "Make a catch test",
    how: "As the meter's calibration has it, three times.",
    minutes: 10,
    reads: [{ ...STOPWATCH, label: "caught ÷ set" }],
    expects: ({ dose, roll }) => [dose * roll],
    sigma: [0.02],
  },
  {
    key: "roll",
    label: "Look which roll is fitted",
    how: "Hopper shut off, its label held against the terminal.",
    minutes: 4,
    reads: [{ label: "not the one declared", in: "yes" }],
    expects: ({ roll }) => [roll === 1 ? 0 : 1],
    sigma: [LOOKED],
  },
  {
    key: "dig",
    label: "Dig for the depth, left and right",
    how: "Three places each side behind the tool, standing.",
    minutes: 9,
    reads: [
      { label: "left ÷ wanted", in: "share" },
      { label: "right ÷ wanted", in: "share" },
    ],
    expects: ({ left, right }) => [left, right],
    sigma: [0.04, 0.04],
  },
  {
    key: "pressed",
    label: "Read what presses on the rows",
    how: "The gauge or the load on the depth wheels, at work.",
    minutes: 3,
    reads: [{ label: "÷ what is needed", in: "share" }],
    expects: ({ pressed }) => [pressed],
    sigma: [0.06],
  },
  {
    key: "taps",
    label: "Walk round taps and locks",
    how: "Engine off. Each tap, each lock, from left to right.",
    minutes: 4,
    reads: [
      { label: "a tap is open", in: "yes" },
      { label: "a lock-out is in", in: "yes" },
    ],
    expects: ({ tapOpen, lockedOut }) => [tapOpen, lockedOut],
    sigma: [LOOKED, LOOKED],
  },
  {
    key: "start",
    label: "Start it again and watch the order",
    how: "All off, then on again as it was done this morning; nobody near it.",
    minutes: 4,
    reads: [{ label: "current before the shaft", in: "yes" }],
    expects: ({ currentFirst }) => [currentFirst],
    sigma: [LOOKED],
  },
];

/** The measurement by its key, the look from the seat among them; null where there is none. */
export const measurementOf = (key: string): Measurement | null =>
  [SEAT, ...MEASUREMENTS].find((each) => each.key === key) ?? null;
