/** What the parts of a tool are called by those who work with it, by what the tool is (common practice, no source). */
import type { ToolKindKey } from "../trade/kinds.ts";

export type KindWords = {
  /** one of what is counted across it */
  one: string;
  many: string;
  /** what of it meets ground or crop, at the ends of its width */
  outer: string;
  /** where its work begins and where it ends, as a point; a tool of one line names it once */
  front: string;
  rear: string;
  /** the same as the end of a tape: "to where …" */
  frontAt: string;
  rearAt: string;
};

const PLAIN: KindWords = {
  one: "row",
  many: "rows",
  outer: "row",
  front: "front of the work",
  rear: "rear of the work",
  frontAt: "the front of the tool works",
  rearAt: "the rear of the tool works",
};

/** Work along a single line: it begins where it ends. */
const line = (outer: string, point: string, at: string): KindWords => ({
  ...PLAIN,
  outer,
  front: point,
  rear: point,
  frontAt: at,
  rearAt: at,
});

const ranks = (one: string, many: string, frontAt: string, rearAt: string): KindWords => ({
  one,
  many,
  outer: one,
  front: `front ${many}`,
  rear: `rear ${many}`,
  frontAt,
  rearAt,
});

const OF_KIND: Readonly<Record<ToolKindKey, KindWords>> = {
  plough: {
    ...ranks("body", "bodies", "the point of the first body cuts", "the point of the last body cuts"),
    front: "first body",
    rear: "last body",
  },
  subsoiler: ranks("leg", "legs", "the front legs lift the soil", "the rear legs lift the soil"),
  chisel: ranks("tine", "tines", "the points of the front tines cut", "the points of the rear tines cut"),
  disc: {
    ...ranks("disc", "discs", "the front gang's discs cut", "the rear gang's discs cut"),
    front: "front gang",
    rear: "rear gang",
  },
  cultivator: ranks("tine", "tines", "the front tines work", "the rear tines work"),
  hoe: {
    ...ranks("row", "rows", "the foremost shares cut", "the last shares cut"),
    outer: "share",
    front: "front shares",
    rear: "rear shares",
  },
  planter: line("opener", "openers", "the openers put seed in the ground"),
  drill: {
    one: "row",
    many: "rows",
    outer: "coulter",
    front: "front rank",
    rear: "rear rank",
    frontAt: "the front rank puts seed in the ground",
    rearAt: "the rear rank puts seed in the ground",
  },
  mower: line("blade tip", "cutter bar", "the cutter bar's knives cut"),
  conditioner: line("blade tip", "cutter bar", "the cutter bar's knives cut"),
  rake: {
    ...ranks(
      "tine arm",
      "tine arms",
      "the tines of the foremost rotor touch the ground",
      "the tines of the last rotor touch the ground",
    ),
    outer: "tine",
    front: "front rotor",
    rear: "rear rotor",
  },
  spreader: line(
    "edge of the pattern",
    "landing line",
    "what it spreads lands, at the middle of the pattern",
  ),
  sprayer: { ...line("nozzle", "nozzles", "the nozzles spray"), one: "nozzle", many: "nozzles" },
  cart: PLAIN,
  header: line("crop divider", "knife", "the knife cuts"),
  roller: {
    ...ranks("ring", "rings", "the foremost rings touch the ground", "the last rings touch the ground"),
    front: "front rings",
    rear: "rear rings",
  },
  other: PLAIN,
};

/** The words of a kind of tool; plain ones while nobody said what it is. */
export function wordsOf(tool: ToolKindKey | null): KindWords {
  return tool === null ? PLAIN : OF_KIND[tool];
}

/** Those whose work is one line across: nothing of it lies further back than the rest. */
export function isOneLine(tool: ToolKindKey | null): boolean {
  return tool !== null && OF_KIND[tool].front === OF_KIND[tool].rear;
}

/** Words of a kind in a text that leaves room for them: "Number of {many}", "{One} spacing". */
export function inWordsOf(tool: ToolKindKey | null, text: string): string {
  const words = wordsOf(tool);
  return text.replace(/\{(\w+)\}/g, (whole, name: string) => {
    const key = `${name.charAt(0).toLowerCase()}${name.slice(1)}` as keyof KindWords;
    if (!Object.hasOwn(words, key)) return whole;
    const word = words[key];
    return name === key ? word : `${word.charAt(0).toUpperCase()}${word.slice(1)}`;
  });
}
