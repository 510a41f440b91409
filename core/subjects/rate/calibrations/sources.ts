/** Speed by every source at once over a taped distance: which one to take, and why another shows something else. */
import {
  type Asked,
  type Calibrating,
  type CalibrationKind,
  type Filled,
  NOTHING_FOUND,
  type Outcome,
  runOf,
} from "../../../calibration/kind.ts";
import { moreOrLess, percent } from "../../../calibration/percent.ts";
import { quantity, type Said, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { NOISE } from "../../../simulation/dose.ts";
import { isOneOf, rounded } from "./common.ts";

export const SOURCES = {
  wheel: "Its own wheel",
  tractor: "The tractor's signal",
  radar: "Radar",
  receiver: "The receiver",
} as const;
export type SourceKey = keyof typeof SOURCES;
const KEYS = Object.keys(SOURCES) as SourceKey[];

/** Within this of the taped speed a source is right (common practice, no source). */
const RIGHT = 0.02;

export type SourceFound = {
  key: SourceKey;
  /** shown less taped, as a share of the taped; null where it gave no signal */
  off: number | null;
  /** it showed dashes: there is no signal. Nothing shown at all is told of neither */
  absent: boolean;
  /** it showed 0.0: a signal of standing still, while it drove */
  standing: boolean;
};

/** What each source showed over several runs. Speeds in m/s: `true` by tape and watch. A source told of in no run is left out. */
export function judgeSources(
  runs: readonly { taped: number; shown: Partial<Record<SourceKey, number | "absent">> }[],
): SourceFound[] {
  return KEYS.flatMap((key): SourceFound[] => {
    const told = runs.flatMap(({ taped, shown }) => {
      const value = shown[key];
      return value === undefined ? [] : [{ taped, value }];
    });
    if (told.length === 0) return [];
    const seen = told.flatMap(({ taped, value }) => (value === "absent" ? [] : [value / taped - 1]));
    const off = seen.length === 0 ? null : seen.reduce((sum, each) => sum + each, 0) / seen.length;
    return [{ key, off, absent: off === null, standing: off === -1 }];
  });
}

/** Why a source differs, the likeliest first (common practice, no source). */
function whySaid({ key, off }: SourceFound): Said {
  const more = (off ?? 0) > 0;
  switch (key) {
    case "wheel":
      return more
        ? "a worn tyre or less pressure turns oftener: calibrate its constant"
        : "it slides, or its constant is of larger tyres: calibrate it";
    case "tractor":
      return more
        ? "driven wheels slip at work: it counts turns that bring it no further"
        : "its constant is of larger tyres: calibrate it on the tractor";
    case "radar":
      return "grass that moves, dust or its angle: clean it, and calibrate over the ground that is worked";
    case "receiver":
      return "it lags in every change of speed; over a steady run look at the fix";
  }
}

const ABSENT = "absent";
const field = (key: SourceKey): Asked => ({
  key,
  label: SOURCES[key],
  hint: "as shown; -- for dashes, 0 for 0.0, empty where there is none",
  kind: "measure",
  family: "speed",
  range: [0, 20],
  optional: true,
  absent: true,
});

function solve({ runs, left, rig }: Calibrating): Outcome {
  const kept = runs.flatMap(({ figures, choices }, at) => {
    const { distance, time } = figures;
    if (left.has(at) || !distance || !time) return [];
    const shown: Partial<Record<SourceKey, number | typeof ABSENT>> = {};
    for (const key of KEYS) {
      const value = choices[key] === ABSENT ? ABSENT : figures[key];
      if (value !== undefined) shown[key] = value;
    }
    return [{ taped: distance / time, shown }];
  });
  if (kept.length === 0) return { ...NOTHING_FOUND, barred: ["No run was driven yet."] };
  const found = judgeSources(kept);
  const right = found.filter(({ off }) => off !== null && Math.abs(off) <= RIGHT);
  const used = rig.values["rate.speedSource"].choice as SourceKey | null;
  const now = found.find(({ key }) => key === used);
  const best = [...right].sort((a, b) => Math.abs(a.off!) - Math.abs(b.off!))[0];
  return {
    ...NOTHING_FOUND,
    figures: Object.fromEntries(found.flatMap(({ key, off }) => (off === null ? [] : [[key, off]]))),
    also: [
      {
        key: "taped",
        label: "By tape and watch",
        said: tell`${quantity("speed", kept.reduce((sum, { taped }) => sum + taped, 0) / kept.length)}`,
      },
      ...found.map((each) => ({ key: each.key, label: SOURCES[each.key], said: sourceSaid(each) })),
    ],
    next: [
      ...(now === undefined
        ? ["What it takes its speed from now was not looked at."]
        : now.absent
          ? [
              `${SOURCES[now.key]} gives no signal, and speed is taken from it: look at its plug, or take another.`,
            ]
          : now.standing
            ? [
                `${SOURCES[now.key]} shows 0.0 while it drives: the signal is there, and its sensor sees nothing.`,
              ]
            : Math.abs(now.off!) <= RIGHT
              ? [`${SOURCES[now.key]} is right: keep it.`]
              : [tell`${SOURCES[now.key]} shows ${moreOrLess(now.off!)}: ${whySaid(now)}.`]),
      ...(best && best.key !== used && (now === undefined || now.off === null || Math.abs(now.off) > RIGHT)
        ? [`${SOURCES[best.key]} is right: take that meanwhile.`]
        : []),
    ],
    barred: [],
  };
}

function sourceSaid(each: SourceFound): Said {
  if (each.absent) return "dashes: no signal";
  if (each.standing) return "0.0: a signal, of standing still";
  if (Math.abs(each.off!) <= RIGHT) return tell`right (${percent(each.off!)})`;
  return tell`${moreOrLess(each.off!)}: ${whySaid(each)}`;
}

/** A run that was filled in by hand has what is absent among its choices. */
export const SPEED_SOURCES: CalibrationKind = {
  key: "sources",
  title: "Speed sources compared",
  tells: "Which source shows the speed one really goes, and why another does not.",
  constant: null,
  kit: ["tape", "stopwatch"],
  steps: [
    "Tape 100 m or more in the field, tool at work.",
    "Drive it at a steady working speed and take the time.",
    "Note what each source shows meanwhile. Dashes are no signal; 0.0 is a signal of standing still.",
  ],
  cautions: ["Somebody else takes the time and reads the sources: who drives looks ahead."],
  one: "run",
  enough: { count: 1, why: "one tells; two tell it better" },
  setup: [],
  fields: [
    {
      key: "distance",
      label: "Distance taped",
      hint: "from flag to flag",
      kind: "measure",
      family: "length",
      range: [20, 2000],
    },
    {
      key: "time",
      label: "Time",
      hint: "from flag to flag",
      kind: "measure",
      family: "time",
      unit: "s",
      range: [4, 3600],
    },
    ...KEYS.map(field),
  ],
  entered: "singly",
  asked: isOneOf("sprayer", "spreader", "drill", "planter", "cart"),
  first: (): Filled => ({ figures: {}, choices: {} }),
  solve,
  bench: ({ constants, slip }, _, rig, random) => {
    const speed = known(rig, "work.speed") ?? 2.2;
    const [real, had] = [constants["rate.pulsesPerMetre"], known(rig, "rate.pulsesPerMetre")];
    const off = real === undefined || had === null ? 1 : real / had;
    const shown = (share: number) => rounded(speed * share * (1 + random.normal(NOISE.speed)), 1 / 36);
    const used = rig.values["rate.speedSource"].choice;
    const time = 100 / speed;
    return [
      runOf({
        distance: 100,
        time: rounded(time * (1 + random.normal(0.003)), 0.1),
        wheel: shown(used === "wheel" ? off : 1),
        tractor: shown((1 / (1 - slip)) * (used === "tractor" ? off : 1)),
        radar: shown(used === "radar" ? off : 1),
        receiver: shown(1),
      }),
    ];
  },
};
