/** What has to be done to a tractor from one outfit to the next, and in how many minutes: all of it from what is on record of the two rigs. */
import { isCarried, isFixed, onLinks, onPin } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, hasDimension } from "../dimension/catalogue.ts";
import { entryFigure } from "../dimension/entry.ts";
import { quantity, type Said, tell } from "../quantity/said.ts";
import { chosen, known, type WholeRig } from "../rig/whole.ts";
import { plugsOf } from "../subjects/hoses/hookup.ts";
import { pluggedAtCoupling } from "../subjects/hoses/problem.ts";
import type { Judged } from "../subjects/judge-whole.ts";
import { CATEGORY_SIZES, type Category, fitPin } from "../trade/category.ts";
import type { ToolKindKey } from "../trade/kinds.ts";

/** Each thing that is done, with the seconds one of it takes. Ours, to be changed to what it takes here. */
export const RERIG_ACTS = {
  coupleCarried: { label: "Couple what is carried on links", seconds: 600 },
  coupleDrawn: { label: "Couple what is trailed", seconds: 360 },
  uncoupleCarried: { label: "Set down what is carried", seconds: 360 },
  uncoupleDrawn: { label: "Uncouple what is trailed", seconds: 240 },
  bushing: { label: "A bushing on a pin or in a ball", seconds: 90 },
  hole: { label: "Another hole of the drawbar", seconds: 900 },
  weight: { label: "A piece of ballast on or off", seconds: 300 },
  pressure: { label: "A tyre to another pressure", seconds: 180 },
  track: { label: "Wheels of an axle to another track", seconds: 3600 },
  hose: { label: "A hose", seconds: 60 },
  plug: { label: "A plug of lights or bus", seconds: 30 },
  setting: { label: "A link, hole or stop set", seconds: 240 },
  card: { label: "A line of the card typed in", seconds: 30 },
  read: { label: "A missing length taped and entered", seconds: 300 },
} as const;
export type RerigAct = keyof typeof RERIG_ACTS;
export type RerigSeconds = Readonly<Record<RerigAct, number>>;
export const RERIG_KEYS = Object.keys(RERIG_ACTS) as RerigAct[];

/** As they are before anybody changed them. */
export const RERIG_USUAL = Object.fromEntries(
  RERIG_KEYS.map((key) => [key, RERIG_ACTS[key].seconds]),
) as RerigSeconds;

export type RigSetup = {
  tools: readonly { id: number; name: string; how: "carried" | "drawn" | "built on" }[];
  /** the hole of the drawbar a trailed one hangs on */
  hole: string | null;
  bushings: number;
  hoses: number;
  plugs: number;
  weights: readonly { id: number; what: string; fitted: number }[];
  /** what its tyres should have in the field, Pa; null where no table says so */
  pressures: readonly { axle: "front" | "rear"; wanted: number | null; tyres: number }[];
  /** metres from row to row, of what wheels have to run between the rows of */
  rows: number | null;
  settings: readonly { key: DimensionKey; label: string; value: number | string; said: Said }[];
  /** what is typed into the terminal; null where the card has no figures yet */
  card: readonly { label: string; typed: string }[] | null;
};

export type RerigLine = { act: RerigAct; count: number; said: Said };

export type Rerig = {
  lines: RerigLine[];
  seconds: number;
  /** what could not be counted */
  unknown: string[];
};

/** Readings of a coupling that are set with a spanner when it is coupled. */
const SET: readonly DimensionKey[] = [
  "work.topLink",
  "work.topHole",
  "work.slotPin",
  "work.stabilisers",
  "work.control",
];

/** Kinds of tools whose rows no wheel may run on; a drill's are sown over (common practice, no source). */
const BETWEEN_ROWS: readonly string[] = ["hoe", "planter"] satisfies ToolKindKey[];

/** Pressures closer than that are left as they are, Pa. */
const SAME_PRESSURE = 10_000;

/** What a rig asks of its tractor. `tools`: numbers of its machines, part by part. */
export function setupOf(
  whole: WholeRig,
  { reckoned }: Judged,
  tools: readonly number[],
  card: RigSetup["card"],
): RigSetup {
  const { solved } = reckoned.hoses;
  return {
    tools: whole.parts.map(({ name, rig: { attachment } }, at) => ({
      id: tools[at]!,
      name,
      how: isFixed(attachment)
        ? "built on"
        : isCarried(attachment) || onLinks(attachment)
          ? "carried"
          : "drawn",
    })),
    hole: whole.parts.find(({ rig, behind }) => behind === null && onPin(rig.attachment))?.hitch ?? null,
    bushings: whole.parts.reduce((sum, { rig }) => sum + bushingsOf(rig), 0),
    hoses: solved ? pluggedAtCoupling(solved.stages, solved.plan).length : whole.hoses.functions.length,
    plugs: whole.parts.reduce((sum, _, at) => sum + plugsOf(whole, at).length, 0),
    weights: whole.weights.map(({ id, what, fitted }) => ({ id, what, fitted })),
    pressures: (reckoned.balance.ok ? reckoned.balance.tyres : []).flatMap(({ axle, tyres, field }) =>
      axle === "tool"
        ? []
        : [
            {
              axle,
              wanted: field?.answer.kind === "pressure" ? field.answer.pressure : null,
              tyres: tyres?.count ?? 2,
            },
          ],
    ),
    rows:
      whole.parts
        .map(({ rig }) =>
          BETWEEN_ROWS.includes(chosen(rig, "tool.kind") ?? "") ? known(rig, "rows.spacing") : null,
        )
        .find((each) => each !== null) ?? null,
    settings: whole.parts.flatMap(({ rig }) => settingsOf(rig)),
    card,
  };
}

type Rig = WholeRig["parts"][number]["rig"];

/** Lower pins and top pin that are smaller than what they go into. */
function bushingsOf(rig: Rig): number {
  if (!onLinks(rig.attachment)) return 0;
  const [tractor, tool] = [chosen<Category>(rig, "hitch.category"), chosen<Category>(rig, "tool.category")];
  if (!tractor || !tool) return 0;
  const needs = (which: "lowerPin" | "upperPin") =>
    fitPin(CATEGORY_SIZES[tool][which], CATEGORY_SIZES[tractor][which]).kind === "bushing";
  return (needs("lowerPin") ? 2 : 0) + (needs("upperPin") ? 1 : 0);
}

function settingsOf(rig: Rig): RigSetup["settings"] {
  return SET.flatMap((key): RigSetup["settings"] => {
    if (!hasDimension(rig.attachment, key)) return [];
    const { value, choice } = rig.values[key];
    const entry = dimension(key, rig);
    if (choice !== null) {
      const label = entry.choices?.find((each) => each.key === choice)?.label ?? choice;
      return [{ key, label: entry.label, value: choice, said: label }];
    }
    return value === null ? [] : [{ key, label: entry.label, value, said: entryFigure(entry, value) }];
  });
}

const NOTHING: RigSetup = {
  tools: [],
  hole: null,
  bushings: 0,
  hoses: 0,
  plugs: 0,
  weights: [],
  pressures: [],
  rows: null,
  settings: [],
  card: [],
};

/** What is done from one outfit to another; null: nothing is coupled. */
export function rerigOf(from: RigSetup | null, to: RigSetup | null, seconds: RerigSeconds): Rerig {
  const [was, now] = [from ?? NOTHING, to ?? NOTHING];
  const lines = [
    ...toolLines(was, now),
    ...weightLines(was, now),
    ...pressureLines(was, now),
    ...wheelLines(was, now),
    ...settingLines(was, now),
    ...cardLines(was, now),
  ].filter(({ count }) => count > 0);
  return {
    lines,
    seconds: lines.reduce((sum, { act, count }) => sum + count * seconds[act], 0),
    unknown: [
      ...(to && now.pressures.length === 0 ? ["pressures: no tyre table is given"] : []),
      ...(now.pressures.some(({ wanted }) => wanted === null)
        ? ["pressures: no table says what is asked"]
        : []),
      ...(to && now.card === null ? ["lines to type: its card has no figures yet"] : []),
    ],
  };
}

function toolLines(was: RigSetup, now: RigSetup): RerigLine[] {
  const stays = (tool: RigSetup["tools"][number], others: RigSetup["tools"]) =>
    others.some(({ id }) => id === tool.id);
  const off = was.tools.filter((tool) => !stays(tool, now.tools));
  const on = now.tools.filter((tool) => !stays(tool, was.tools));
  const coupled = on.length > 0;
  const holes =
    now.hole !== null && was.hole !== null && now.hole !== was.hole
      ? [{ act: "hole" as const, count: 1, said: `Drawbar to ${now.hole}.` }]
      : [];
  return [
    ...off.flatMap(({ name, how }): RerigLine[] =>
      how === "built on"
        ? []
        : [{ act: how === "carried" ? "uncoupleCarried" : "uncoupleDrawn", count: 1, said: `${name} off.` }],
    ),
    ...holes,
    ...on.flatMap(({ name, how }): RerigLine[] =>
      how === "built on"
        ? []
        : [{ act: how === "carried" ? "coupleCarried" : "coupleDrawn", count: 1, said: `${name} on.` }],
    ),
    ...(coupled
      ? [
          {
            act: "bushing" as const,
            count: now.bushings,
            said: `${now.bushings} ${now.bushings === 1 ? "bushing" : "bushings"}.`,
          },
          {
            act: "hose" as const,
            count: now.hoses,
            said: `${now.hoses === 1 ? "A hose" : `${now.hoses} hoses, each`} where the hose plan says.`,
          },
          {
            act: "plug" as const,
            count: now.plugs,
            said: now.plugs === 1 ? "A plug." : `${now.plugs} plugs.`,
          },
        ]
      : []),
  ];
}

function weightLines(was: RigSetup, now: RigSetup): RerigLine[] {
  const all = new Map([...was.weights, ...now.weights].map(({ id, what }) => [id, what]));
  const fitted = ({ weights }: RigSetup, id: number) => weights.find((each) => each.id === id)?.fitted ?? 0;
  return [...all].map(([id, what]) => {
    const by = fitted(now, id) - fitted(was, id);
    return {
      act: "weight",
      count: Math.abs(by),
      said: `${Math.abs(by)} × ${what} ${by > 0 ? "on" : "off"}.`,
    };
  });
}

function pressureLines(was: RigSetup, now: RigSetup): RerigLine[] {
  return now.pressures.flatMap(({ axle, wanted, tyres }): RerigLine[] => {
    const before = was.pressures.find((each) => each.axle === axle)?.wanted ?? null;
    return wanted === null || (before !== null && Math.abs(before - wanted) < SAME_PRESSURE)
      ? []
      : [
          {
            act: "pressure",
            count: tyres,
            said: tell`${axle === "front" ? "Front" : "Rear"} tyres to ${quantity("pressure", wanted)} for the field.`,
          },
        ];
  });
}

/** Wheels run between rows: rows of another spacing are another track. */
function wheelLines(was: RigSetup, now: RigSetup): RerigLine[] {
  return now.rows === null || was.rows === null || Math.abs(was.rows - now.rows) < 0.005
    ? []
    : [{ act: "track", count: 2, said: "Wheels set between its rows, front and rear." }];
}

function settingLines(was: RigSetup, now: RigSetup): RerigLine[] {
  return now.settings.flatMap(({ key, label, value, said }): RerigLine[] => {
    const before = was.settings.find((each) => each.key === key)?.value;
    const same =
      typeof value === "number" && typeof before === "number"
        ? Math.abs(before - value) < 0.003
        : before === value;
    return same ? [] : [{ act: "setting", count: 1, said: tell`${label}: ${said}.` }];
  });
}

function cardLines(was: RigSetup, now: RigSetup): RerigLine[] {
  if (now.card === null) return [];
  const typed = new Map((was.card ?? []).map((line) => [line.label, line.typed]));
  const changed = now.card.filter((line) => typed.get(line.label) !== line.typed);
  return [
    {
      act: "card",
      count: changed.length,
      said: `${changed.length === 1 ? "A line" : `${changed.length} lines`} of its card to type: ${changed
        .slice(0, 3)
        .map(({ label, typed: figure }) => `${label} ${figure}`)
        .join(", ")}${changed.length > 3 ? " …" : ""}.`,
    },
  ];
}
