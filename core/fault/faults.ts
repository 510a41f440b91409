/** The library: what goes wrong with a rig, how it shows, how it is put right. Magnitudes are shares or metres; what has none is so or not. */
import type { Card, Setup } from "./setup.ts";

export const AREAS = {
  geometry: "Geometry",
  hoses: "Hoses and order",
  ground: "Ground",
  rate: "Rate",
  job: "Job",
} as const;
export type Area = keyof typeof AREAS;

export type Correction = {
  /** what is asked, and in what: metres, seconds, or a share of what stands there now */
  asks: string;
  in: "length" | "time" | "share";
  /** the right figure, given how far it was off */
  right: (card: Card, magnitude: number) => number;
  /** as near as one has to come, in the same */
  within: number;
};

export type Fault = {
  key: string;
  area: Area;
  label: string;
  /** what is done about it */
  cure: string;
  /** how far off it may be; one figure where it is so or not */
  magnitudes: (card: Card) => readonly number[];
  /** it may be any size between those; absent: just those */
  between?: true;
  apply: (setup: Setup, card: Card, magnitude: number) => Setup;
  /** null: it is put right without a figure */
  correction: Correction | null;
};

const AS_IT_IS = () => [1];
const either = (...sizes: number[]) => sizes.flatMap((size) => [size, -size]);

/** As near as a terminal is typed and a tape reads in the field: 2.5 cm across, a tenth of a second, 2 in a hundred (ours). */
const ACROSS = 0.025;
const IN_TIME = 0.12;
const SHARE = 0.025;

export const FAULTS: readonly Fault[] = [
  {
    key: "side swapped",
    area: "geometry",
    label: "The tool's lateral offset was typed to the other side",
    cure: "Change the side in the terminal, and read it back.",
    magnitudes: AS_IT_IS,
    apply: (setup, card) => ({ ...setup, tool: { ...setup.tool, told: -card.tool } }),
    correction: {
      asks: "The tool's lateral offset, right positive",
      in: "length",
      right: ({ tool }) => tool,
      within: ACROSS,
    },
  },
  {
    key: "antenna moved",
    area: "geometry",
    label: "The antenna sits elsewhere across than it was told",
    cure: "Tape the antenna's lateral offset anew and type it in.",
    magnitudes: () => either(0.08, 0.12, 0.16, 0.2, 0.25, 0.3),
    between: true,
    apply: (setup, card, by) => ({ ...setup, antenna: { ...setup.antenna, is: card.antenna + by } }),
    correction: {
      asks: "The antenna's lateral offset, right positive",
      in: "length",
      right: ({ antenna }, by) => antenna + by,
      within: ACROSS,
    },
  },
  {
    key: "hitch zero",
    area: "geometry",
    label: "A length behind the hitch stands at zero in the terminal",
    cure: "Type the length behind the hitch from the card.",
    magnitudes: () => [0.35, 0.5, 0.65, 0.8],
    between: true,
    apply: (setup, card, share) => ({
      ...setup,
      length: { ...setup.length, told: card.length * (1 - share) },
    }),
    correction: {
      asks: "From the antenna to the work, ahead positive",
      in: "length",
      right: ({ length }) => length,
      within: 0.08,
    },
  },
  {
    key: "a row off",
    area: "geometry",
    label: "The width was counted one row off",
    cure: "Count the rows, type rows times spacing.",
    magnitudes: () => [1, -1],
    apply: (setup, card, rows) => ({
      ...setup,
      width: { ...setup.width, told: card.width + rows * card.row },
      spacing: card.width + rows * card.row,
    }),
    correction: { asks: "The working width", in: "length", right: ({ width }) => width, within: ACROSS },
  },
  {
    key: "late on",
    area: "geometry",
    label: "The switch-on time in the terminal is wrong",
    cure: "Take it from marks at two speeds.",
    magnitudes: () => either(0.3, 0.45, 0.6, 0.8),
    between: true,
    apply: (setup, card, by) => ({
      ...setup,
      on: { is: Math.max(0.1, card.on), told: Math.max(0, card.on - by) },
    }),
    correction: {
      asks: "The switch-on time",
      in: "time",
      right: ({ on }) => Math.max(0.1, on),
      within: IN_TIME,
    },
  },
  {
    key: "late off",
    area: "geometry",
    label: "The switch-off time in the terminal is wrong",
    cure: "Take it from marks at two speeds.",
    magnitudes: () => either(0.3, 0.45, 0.6, 0.8),
    between: true,
    apply: (setup, card, by) => ({
      ...setup,
      off: { is: Math.max(0.1, card.off), told: Math.max(0, card.off - by) },
    }),
    correction: {
      asks: "The switch-off time",
      in: "time",
      right: ({ off }) => Math.max(0.1, off),
      within: IN_TIME,
    },
  },
  {
    key: "old spacing",
    area: "geometry",
    label: "The line keeps another tool's spacing",
    cure: "Set the line's spacing to this tool's width less its overlap.",
    magnitudes: () => either(0.2, 0.35, 0.5),
    between: true,
    apply: (setup, card, by) => ({ ...setup, spacing: card.width + by }),
    correction: { asks: "From pass to pass", in: "length", right: ({ width }) => width, within: ACROSS },
  },
  {
    key: "speed constant",
    area: "rate",
    label: "The speed constant is off",
    cure: "Calibrate the speed over a taped length.",
    magnitudes: () => either(0.05, 0.08, 0.11, 0.15),
    between: true,
    apply: (setup, _card, by) => ({ ...setup, speed: 1 + by }),
    correction: { asks: "Speed shown ÷ driven", in: "share", right: (_card, by) => 1 + by, within: SHARE },
  },
  {
    key: "meter constant",
    area: "rate",
    label: "The meter's calibration is not this product's",
    cure: "Make a catch test with this product.",
    magnitudes: () => either(0.08, 0.14, 0.2, 0.28),
    between: true,
    apply: (setup, _card, by) => ({ ...setup, dose: 1 + by }),
    correction: { asks: "Caught ÷ set", in: "share", right: (_card, by) => 1 + by, within: 0.04 },
  },
  {
    key: "rate zero",
    area: "rate",
    label: "The rate went back to zero when the variety was changed",
    cure: "Set the rate again, and look at it before each start.",
    magnitudes: AS_IT_IS,
    apply: (setup) => ({ ...setup, rate: 0 }),
    correction: null,
  },
  {
    key: "wrong roll",
    area: "rate",
    label: "Another seed roll is fitted than was declared",
    cure: "Declare the roll that is fitted, then catch once.",
    magnitudes: () => [0.4, 0.6, 1.7, 2.5],
    apply: (setup, _card, by) => ({ ...setup, roll: by }),
    correction: null,
  },
  {
    key: "tap open",
    area: "hoses",
    label: "The tap of a wing was left open",
    cure: "Shut the tap with the wing down and nobody near it.",
    magnitudes: AS_IT_IS,
    apply: (setup) => ({ ...setup, tapOpen: 1, left: setup.left * 0.7 }),
    correction: null,
  },
  {
    key: "current first",
    area: "hoses",
    label: "Current went on before the shaft",
    cure: "Switch all off, then shaft, fan, current: as the operator's manual has it.",
    magnitudes: AS_IT_IS,
    apply: (setup) => ({ ...setup, currentFirst: 1, dose: setup.dose * 0.8 }),
    correction: null,
  },
  {
    key: "locked out",
    area: "hoses",
    label: "A lock-out was left in",
    cure: "Engine off, pressure off, then draw the lock and put it where it is stowed.",
    magnitudes: AS_IT_IS,
    apply: (setup) => ({ ...setup, lockedOut: 1, pressed: setup.pressed * 0.5 }),
    correction: null,
  },
  {
    key: "shims swapped",
    area: "ground",
    label: "Shims of left and right are swapped",
    cure: "Change them over, tool propped, and measure again.",
    magnitudes: () => either(0.12, 0.2, 0.3),
    between: true,
    apply: (setup, _card, by) => ({
      ...setup,
      left: setup.left * (1 + by / 2),
      right: setup.right * (1 - by / 2),
    }),
    correction: {
      asks: "Depth left ÷ right",
      in: "share",
      right: (_card, by) => (1 + by / 2) / (1 - by / 2),
      within: 0.08,
    },
  },
  {
    key: "downforce off",
    area: "ground",
    label: "Downforce is off",
    cure: "Switch it on and set what the ground asks for.",
    magnitudes: () => [0, 0.25],
    apply: (setup, _card, share) => ({
      ...setup,
      pressed: setup.pressed * share,
      left: setup.left * 0.8,
      right: setup.right * 0.8,
    }),
    correction: null,
  },
  {
    key: "wrong head",
    area: "job",
    label: "The machine took the head for another",
    cure: "Choose the head by hand and read its width back.",
    magnitudes: () => [0.67, 0.8, 1.25, 1.5],
    apply: (setup, _card, by) => ({ ...setup, head: by }),
    correction: {
      asks: "Width taken ÷ the head's own",
      in: "share",
      right: (_card, by) => by,
      within: SHARE,
    },
  },
  {
    key: "other profile",
    area: "job",
    label: "The camera's profile is of another row spacing",
    cure: "Choose the profile of these rows.",
    magnitudes: () => [-0.25, 0.05, 0.25],
    apply: (setup, card, by) => ({ ...setup, rows: { is: card.row, told: card.row + by } }),
    correction: { asks: "Row spacing of the profile", in: "length", right: ({ row }) => row, within: 0.01 },
  },
  {
    key: "not confirmed",
    area: "job",
    label: "The field was left without confirming: the record lies on the one before",
    cure: "Confirm field and task, and move what was recorded.",
    magnitudes: AS_IT_IS,
    apply: (setup) => ({ ...setup, elsewhere: 1 }),
    correction: null,
  },
];

/** The fault of the library by its key; null where it has none. */
export const faultOf = (key: string): Fault | null => FAULTS.find((each) => each.key === key) ?? null;

/** What goes wrong besides, and no page of the library has: each shows in figures that no fault of it explains. */
export const OUTSIDE: readonly {
  key: string;
  label: string;
  magnitudes: readonly number[];
  apply: Fault["apply"];
}[] = [
  {
    key: "bent drawbar",
    label: "The tool itself stands aside: a bent drawbar or link",
    magnitudes: either(0.08, 0.12, 0.18, 0.25),
    apply: (setup, card, by) => ({ ...setup, tool: { ...setup.tool, is: card.tool + by } }),
  },
  {
    key: "worn both sides",
    label: "Both sides work shallow, and nothing presses less",
    magnitudes: [0.6, 0.75],
    apply: (setup, _card, by) => ({ ...setup, left: setup.left * by, right: setup.right * by }),
  },
  {
    key: "longer drawbar",
    label: "The tool stands further back than it did",
    magnitudes: [-0.6, -0.4, 0.4],
    apply: (setup, card, by) => ({ ...setup, length: { ...setup.length, is: card.length + by } }),
  },
  {
    key: "narrower",
    label: "The tool works narrower than its rows say",
    magnitudes: [-0.4, -0.25],
    apply: (setup, card, by) => ({ ...setup, width: { ...setup.width, is: card.width + by } }),
  },
];

/** What happens too, and nobody has a page for: two or three figures off at once. Cases have them; what weighs suspects does not know of them. */
export const STRANGE: readonly {
  key: string;
  label: string;
  magnitudes: readonly number[];
  apply: Fault["apply"];
}[] = [
  {
    key: "soft tyre",
    label: "A soft tyre: the tool leans and stands aside",
    magnitudes: [0.7, 0.78],
    apply: (setup, card, by) => ({
      ...setup,
      left: setup.left * by,
      right: setup.right * 1.2,
      tool: { ...setup.tool, is: card.tool + 0.1 },
    }),
  },
  {
    key: "slow valves",
    label: "All valves answer late: cold oil or a weak battery",
    magnitudes: [0.5, 0.7],
    apply: (setup, card, by) => ({
      ...setup,
      on: { ...setup.on, is: card.on + by },
      off: { ...setup.off, is: card.off + by },
    }),
  },
  {
    key: "dragging drive",
    label: "The meter's drive drags, and what presses gives way with it",
    magnitudes: [0.75, 0.8],
    apply: (setup, _card, by) => ({ ...setup, dose: setup.dose * by, pressed: setup.pressed * 0.6 }),
  },
];
