/** What a rig is set to do: where, what, with what, and what its terminal shows of it. */
import { sameName } from "../place/given.ts";
import type { LineKind } from "../place/line.ts";
import type { ZonesOn } from "../place/zones.ts";
import type { OperationKey } from "../trade/operations.ts";
import type { AlarmKey, AlarmState, ReadoutKey, TriggerKey } from "../trade/recording.ts";
import type { ProductForm } from "./product.ts";

export type WorkField = {
  id: number;
  name: string;
  /** empty where nobody told whose it is */
  farm: string;
  client: string;
  /** m²; null where nobody told where it ends */
  area: number | null;
  /** what stood there in the season before, by what was sown or harvested; null where no record says */
  before: { crop: string; season: string } | null;
};

export type WorkProduct = {
  id: number;
  name: string;
  form: ProductForm;
  /** wanted, in SI of its form: m³, kg or grains on a m²; null where nobody told */
  rate: number | null;
  /** counted in grains rather than weighed */
  counted: boolean;
  /** what its label says, and what a grain weighs: see Product */
  doseLow: number | null;
  doseHigh: number | null;
  grainMass: number | null;
};

/** One variety, several by rows, or as a map says. */
export const VARIETY_WAYS = { one: "One variety", rows: "By rows", map: "By a map" } as const;
export type VarietyWay = keyof typeof VARIETY_WAYS;

export type WorkVariety = {
  id: number;
  name: string;
  /** of rows: "1-8"; empty: all */
  rows: string;
};

/** Which variety stands where, by a file that was read for the field and crop. */
export type WorkVarietyMap = ZonesOn & { fileName: string };

/** What was sown or planted of this crop on this field the last time, by the log. */
export type Sown = { varieties: string[]; at: string };

export type WorkLine = { id: string; name: string; kind: LineKind; shifted: number };

export type Work = {
  /** of the fact */
  id: string;
  person: string;
  /** ISO 8601, UTC */
  at: string;
  /** since when it is this field, and since when these varieties */
  since: string;
  varietySince: string;
  field: WorkField;
  /** as entered in the terminal: more than one where somebody added one */
  operations: readonly OperationKey[];
  crop: { id: number; name: string } | null;
  varietyWay: VarietyWay;
  varieties: readonly WorkVariety[];
  /** null where none was read, or nobody told where the field ends */
  varietyMap: WorkVarietyMap | null;
  sown: Sown | null;
  products: readonly WorkProduct[];
  trigger: TriggerKey | null;
  line: WorkLine | null;
  season: string;
  /** page of the working screen each readout stands on, from 1; absent: not in sight */
  screen: Readonly<Partial<Record<ReadoutKey, number>>>;
  /** the set of pages is the one that is active */
  screenActive: boolean;
  alarms: Readonly<Partial<Record<AlarmKey, AlarmState>>>;
  /** rows whose alarm is muted: "5-8"; empty: none */
  mutedRows: string;
};

/** "1-8, 12" as numbers; null where it reads otherwise, or a row is there twice. */
export function readRows(text: string): number[] | null {
  const rows: number[] = [];
  for (const part of text.split(",").map((each) => each.trim())) {
    if (part === "" && text.trim() === "") continue;
    const found = /^(\d{1,3})(?:\s*[-–]\s*(\d{1,3}))?$/.exec(part);
    if (!found) return null;
    const [from, to] = [Number(found[1]), Number(found[2] ?? found[1])];
    if (from < 1 || to < from) return null;
    for (let row = from; row <= to; row += 1) rows.push(row);
  }
  return new Set(rows).size === rows.length ? rows : null;
}

/** Names that are in the one list and not in the other, either way. */
export function namesApart(
  one: readonly string[],
  other: readonly string[],
): { onlyOne: string[]; onlyOther: string[] } {
  const missing = (from: readonly string[], all: readonly string[]) =>
    from.filter((name) => !all.some((each) => sameName(each, name)));
  return { onlyOne: missing(one, other), onlyOther: missing(other, one) };
}
