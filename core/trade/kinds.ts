/** What an implement is for, and what follows from that before anybody measured anything. */
import type { DraftKey } from "./draft.ts";
import type { Rotary } from "./power.ts";

export type StabiliserState = "free" | "rigid" | "blocked";

export type ToolKind = {
  label: string;
  /** rows of the draft table it may be, the usual one first; none: its draft is small or in no table */
  drafts: readonly DraftKey[];
  rotary: Rotary | null;
  /** rule of thumb, watts for each metre of width (common practice); null where none is known */
  perMetre: number | null;
  /** field efficiency, share of the time at work (ASABE D497 table 3, from memory) */
  fieldEfficiency: number;
  /** stabilisers while working; on the road they are always rigid (common practice; the maker's word comes first) */
  stabilisers: StabiliserState;
  /** the lift while working */
  lift: "draft" | "position" | "float";
  /** false for what only carries: no part of it works the field */
  works?: false;
  /** false for what has neither rows, bodies, tines nor nozzles to be counted across its width */
  rows?: false;
  /** false for what no shaft drives, by what it is (common practice, no source); elsewhere only its own sign tells */
  driven?: false;
  /** true for what the lift carries at work too: nothing of it rests on the ground */
  hangs?: true;
};

const none = { drafts: [], rotary: null, perMetre: null } as const;

export const TOOL_KINDS = {
  plough: {
    driven: false,
    label: "Plough",
    drafts: ["mouldboard plough"],
    rotary: null,
    perMetre: 45e3,
    fieldEfficiency: 0.85,
    stabilisers: "free",
    lift: "draft",
  },
  subsoiler: {
    driven: false,
    label: "Subsoiler",
    drafts: ["subsoiler, narrow", "subsoiler, winged"],
    rotary: null,
    perMetre: 45e3,
    fieldEfficiency: 0.85,
    stabilisers: "rigid",
    lift: "draft",
  },
  chisel: {
    driven: false,
    label: "Chisel plough, deep cultivator",
    drafts: ["chisel, straight", "chisel, sweep", "chisel, twisted", "sweep plough"],
    rotary: null,
    perMetre: 37e3,
    fieldEfficiency: 0.85,
    stabilisers: "rigid",
    lift: "position",
  },
  disc: {
    driven: false,
    label: "Disc harrow",
    drafts: ["disc tandem, secondary", "disc tandem, primary", "disc offset"],
    rotary: null,
    perMetre: 37e3,
    fieldEfficiency: 0.8,
    stabilisers: "rigid",
    lift: "float",
  },
  cultivator: {
    driven: false,
    label: "Field cultivator",
    drafts: ["cultivator, secondary", "cultivator, primary"],
    rotary: null,
    perMetre: 20e3,
    fieldEfficiency: 0.85,
    stabilisers: "rigid",
    lift: "float",
  },
  hoe: {
    driven: false,
    label: "Row hoe",
    drafts: ["row cultivator, S-tine", "row cultivator, C-shank"],
    rotary: null,
    perMetre: 9e3,
    fieldEfficiency: 0.8,
    stabilisers: "blocked",
    lift: "float",
  },
  planter: {
    label: "Row planter",
    drafts: ["planter, drawn", "planter, mounted", "planter, drawn, fertiliser"],
    rotary: null,
    perMetre: 10e3,
    fieldEfficiency: 0.65,
    stabilisers: "rigid",
    lift: "float",
  },
  drill: {
    label: "Seed drill",
    drafts: ["drill, wide", "drill, middle", "drill, narrow", "drill, no-till", "drill, pneumatic"],
    rotary: null,
    perMetre: 18e3,
    fieldEfficiency: 0.7,
    stabilisers: "rigid",
    lift: "float",
  },
  mower: {
    label: "Disc mower",
    drafts: [],
    rotary: { a: 0, b: 5, c: 0 },
    perMetre: 12e3,
    fieldEfficiency: 0.8,
    stabilisers: "rigid",
    lift: "float",
    rows: false,
  },
  conditioner: {
    label: "Mower-conditioner",
    drafts: [],
    rotary: { a: 0, b: 8, c: 0 },
    perMetre: 18.5e3,
    fieldEfficiency: 0.8,
    stabilisers: "rigid",
    lift: "float",
    rows: false,
  },
  rake: {
    label: "Rake",
    drafts: [],
    rotary: { a: 0, b: 0.4, c: 0 },
    perMetre: 10e3,
    fieldEfficiency: 0.8,
    stabilisers: "free",
    lift: "position",
    rows: false,
  },
  spreader: {
    ...none,
    label: "Spreader",
    hangs: true,
    fieldEfficiency: 0.7,
    stabilisers: "rigid",
    lift: "position",
    rows: false,
  },
  sprayer: {
    ...none,
    label: "Sprayer",
    hangs: true,
    fieldEfficiency: 0.65,
    stabilisers: "rigid",
    lift: "position",
  },
  cart: {
    ...none,
    label: "Cart, tank",
    hangs: true,
    fieldEfficiency: 0.7,
    stabilisers: "rigid",
    lift: "position",
    works: false,
    rows: false,
  },
  header: {
    ...none,
    label: "Cutting head",
    hangs: true,
    fieldEfficiency: 0.7,
    stabilisers: "rigid",
    lift: "position",
    rows: false,
  },
  roller: {
    driven: false,
    ...none,
    label: "Roller, packer",
    fieldEfficiency: 0.85,
    stabilisers: "rigid",
    lift: "position",
    rows: false,
  },
  other: { ...none, label: "Something else", fieldEfficiency: 0.75, stabilisers: "rigid", lift: "position" },
} as const satisfies Record<string, ToolKind>;

export type ToolKindKey = keyof typeof TOOL_KINDS;

/** What only carries: no part of it works the field. */
export const CARRIERS: ReadonlySet<ToolKindKey> = new Set(
  (Object.entries(TOOL_KINDS) as [ToolKindKey, ToolKind][]).flatMap(([key, { works }]) =>
    works === false ? [key] : [],
  ),
);
export const TOOL_KIND_KEYS = Object.keys(TOOL_KINDS) as ToolKindKey[];

/** Whether a text from outside names a kind of tool. */
export function isToolKind(text: string): text is ToolKindKey {
  return Object.hasOwn(TOOL_KINDS, text);
}

const kindsThat = (holds: (kind: ToolKind) => boolean): readonly ToolKindKey[] =>
  (Object.entries(TOOL_KINDS) as [ToolKindKey, ToolKind][])
    .filter(([, kind]) => holds(kind))
    .map(([key]) => key);

/** Tools whose width no count of rows can check. */
export const ROWLESS = kindsThat(({ rows }) => rows === false);

/** What no shaft drives. */
export const UNDRIVEN = kindsThat(({ driven }) => driven === false);

/** What doses seed by meters that something turns. */
const METERED: readonly ToolKindKey[] = ["drill", "planter", "cart"];
export const UNMETERED: readonly ToolKindKey[] = kindsThat(() => true).filter(
  (key) => !METERED.includes(key),
);

/** All but what turns furrows. */
export const UNPLOUGHED: readonly ToolKindKey[] = kindsThat(() => true).filter((key) => key !== "plough");

/** All but what lifts its two sides by two valves. */
export const UNRAKED: readonly ToolKindKey[] = kindsThat(() => true).filter((key) => key !== "rake");

/** All but what sets single seeds in rows. */
export const UNPLANTED: readonly ToolKindKey[] = kindsThat(() => true).filter((key) => key !== "planter");

/** What has its row units on one bar; all else has no toolbar to tape to. */
const BARRED: readonly ToolKindKey[] = ["planter", "hoe", "other"];
export const UNBARRED: readonly ToolKindKey[] = kindsThat(() => true).filter((key) => !BARRED.includes(key));

/** What may carry its bed on springs of its own, beside the linkage. */
const SPRUNG: readonly ToolKindKey[] = ["mower", "conditioner"];
export const UNSPRUNG: readonly ToolKindKey[] = kindsThat(() => true).filter((key) => !SPRUNG.includes(key));

/** What works no soil: nothing of its draft is in a table, and it has no depth. */
export const NO_SOIL: readonly ToolKindKey[] = [
  "mower",
  "conditioner",
  "rake",
  "spreader",
  "sprayer",
  "cart",
  "header",
  "roller",
];

/** What has a tank, hopper or seed box by what it is; the rest, unknown ones but for `other`, has none unless it says so. */
export const ALWAYS_CARRIES: readonly ToolKindKey[] = [
  "planter",
  "drill",
  "spreader",
  "sprayer",
  "cart",
  "other",
];
export const CARRIES_NOTHING = kindsThat(() => true).filter((key) => !ALWAYS_CARRIES.includes(key));
