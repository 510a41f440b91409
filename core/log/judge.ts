/** What an entry of the log says when it is held against its field, its rates and the clock. SI. */
import { quantity, type Said, tell } from "../quantity/said.ts";
import type { LogEntry } from "../yard/log.ts";

export type LogJudged = {
  /** m² an hour at work; null where area or time is not told */
  perHour: number | null;
  /** m³ on a m² */
  fuelPerArea: number | null;
  /** seconds from beginning to end */
  lasted: number | null;
  used: { id: number; name: string; wanted: number | null; used: number; off: number | null }[];
  loaded: number | null;
  said: { verdict: "good" | "check" | "unknown"; text: Said }[];
};

/** Hectares of a terminal and of a boundary differ by overlap and headland (common practice: 3 %). */
const SAME_AREA = 0.03;
/** A rate that was kept leaves the tank within 5 % of what it should (common practice). */
const SAME_AMOUNT = 0.05;
/** Hectares told with parts of the tool at work add up to those told altogether within 1 %. */
const SAME_SUM = 0.01;

/** Judges one entry; of one that goes on nothing is said yet. */
export function judgeEntry(entry: LogEntry): LogJudged {
  const { ended, loads } = entry;
  if (!ended) return { perHour: null, fuelPerArea: null, lasted: null, used: [], loaded: null, said: [] };
  const { area, time, fuel } = ended;
  const lasted = (Date.parse(ended.at) - Date.parse(entry.begun)) / 1000;
  const used = entry.products.flatMap(({ id, name, rate, used: amount }) => {
    if (amount === null) return [];
    const wanted = rate === null || area === null ? null : rate * area;
    return [{ id, name, wanted, used: amount, off: wanted ? amount / wanted - 1 : null }];
  });
  const weighed = loads.flatMap(({ mass }) => (mass === null ? [] : [mass]));
  return {
    perHour: area !== null && time !== null ? (area / time) * 3600 : null,
    fuelPerArea: area !== null && fuel !== null ? fuel / area : null,
    lasted,
    used,
    loaded: weighed.length === 0 ? null : weighed.reduce((sum, mass) => sum + mass, 0),
    said: [
      areaSaid(entry, area),
      ...partsSaid(ended),
      ...(time !== null && time > lasted + 60
        ? [{ verdict: "check" as const, text: "More hours at work than from beginning to end." as Said }]
        : []),
      ...used.flatMap(({ name, off }) => (off === null ? [] : [amountSaid(name, off)])),
    ],
  };
}

const percent = (share: number) => `${Math.abs(100 * share).toFixed(1)} %`;

function areaSaid({ fieldArea, field }: LogEntry, area: number | null): LogJudged["said"][number] {
  if (area === null) return { verdict: "unknown", text: "Nobody told the hectares." };
  if (fieldArea === null)
    return {
      verdict: "unknown",
      text: `Nobody told where ${field.name} ends: its hectares are held against nothing.`,
    };
  const off = area / fieldArea - 1;
  if (Math.abs(off) <= SAME_AREA)
    return { verdict: "good", text: tell`${quantity("area", area)} of ${quantity("area", fieldArea)}.` };
  return off > 0
    ? {
        verdict: "check",
        text: tell`${quantity("area", area)} on a field of ${quantity("area", fieldArea)}, ${percent(off)} more: width, overlap, or the record ran on while turning.`,
      }
    : {
        verdict: "check",
        text: tell`${quantity("area", area)} of ${quantity("area", fieldArea)}, ${percent(off)} less: not all of it, or the width is told too small.`,
      };
}

function partsSaid({ area, parts }: NonNullable<LogEntry["ended"]>): LogJudged["said"] {
  if (parts.length === 0 || area === null) return [];
  const sum = parts.reduce((total, each) => total + each.area, 0);
  return Math.abs(sum / area - 1) <= SAME_SUM
    ? []
    : [
        {
          verdict: "check",
          text: tell`Hectares by parts at work come to ${quantity("area", sum)}, altogether ${quantity("area", area)} are told.`,
        },
      ];
}

function amountSaid(name: string, off: number): LogJudged["said"][number] {
  return Math.abs(off) <= SAME_AMOUNT
    ? { verdict: "good", text: `${name}: as much as the rate says, within ${percent(SAME_AMOUNT)}.` }
    : {
        verdict: "check",
        text: `${name}: ${percent(off)} ${off > 0 ? "more" : "less"} than the rate says. Rate, its constant, or the hectares are wrong.`,
      };
}
