import { IsIn, IsUUID, Length, Matches, MaxLength } from "class-validator";
import { isLengthStyle, type LengthStyle, parseLength } from "../../../core/quantity/length.ts";
import type { SectionPart } from "../../../core/rig/facts.ts";
import { INSTRUMENTS, type Instrument } from "../../../core/rig/grade.ts";
import { MOST_SECTIONS, NARROWEST } from "../../../core/rig/sections.ts";
import { Reads } from "../../session/reads.ts";

/** One line of the table as it is typed. */
export type TypedSection = { width: string; ahead: string; product: string };

export type ReadRows =
  | { ok: true; widths: number[]; parts: SectionPart[] }
  | { ok: false; errors: Record<string, string> };

/** Reads the table; what is wrong is told by line and column, as "rows.2.width". */
export function readRows(rows: readonly TypedSection[], style: LengthStyle): ReadRows {
  const errors: Record<string, string> = {};
  const widths: number[] = [];
  const parts: SectionPart[] = [];
  for (const [at, { width, ahead, product }] of rows.entries()) {
    const read = parseLength(width, style);
    if (!read.ok) errors[`rows.${at}.width`] = read.problem;
    else if (read.value.metres < NARROWEST) errors[`rows.${at}.width`] = "Too narrow for a section.";
    else widths.push(read.value.metres);
    const off = ahead.trim() === "" ? null : parseLength(ahead, style);
    if (off && !off.ok) errors[`rows.${at}.ahead`] = off.problem;
    else if (product.length > 40) errors[`rows.${at}.product`] = "Keep it under 40 characters.";
    else parts.push({ ahead: off?.ok ? off.value.metres : 0, product: product.trim() });
  }
  if (rows.length === 0 || rows.length > MOST_SECTIONS) errors.form = `Give 1 to ${MOST_SECTIONS} sections.`;
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, widths, parts };
}

/** Rows of one form. */
const MOST_ROWS = 1_000;

/** The table as it comes in one field; null where it is no table. */
export function rowsIn(text: string): TypedSection[] | null {
  try {
    const rows: unknown = JSON.parse(text);
    if (!Array.isArray(rows) || rows.length > MOST_ROWS) return null;
    return rows.map((row: Partial<Record<keyof TypedSection, unknown>>) => ({
      width: String(row?.width ?? ""),
      ahead: String(row?.ahead ?? ""),
      product: String(row?.product ?? ""),
    }));
  } catch {
    return null;
  }
}

export class KeepLayoutDto {
  @IsUUID(undefined, { message: "This entry has no number of its own." })
  id!: string;

  @Reads<KeepLayoutDto>((text) => (isLengthStyle(text) ? null : "Sections are given in a unit of length."))
  style!: LengthStyle;

  @Reads<KeepLayoutDto>((text) => (rowsIn(text) ? null : "The table was not understood."))
  rows!: string;

  @IsIn(INSTRUMENTS, { message: "Say how you know the widths." })
  instrument!: Instrument;

  @Length(1, 60, { message: "Say who read it." })
  person!: string;
}

export const VARIANT_WAYS = {
  sections: "with some sections left off",
  first: "with every second row, beginning with the first",
  second: "with every second row, beginning with the second",
  empty: "to be measured anew",
} as const;
export type VariantWay = keyof typeof VARIANT_WAYS;

export class NewVariantDto {
  @Length(2, 40, { message: "Give it a name of 2 to 40 characters." })
  name!: string;

  @IsIn(Object.keys(VARIANT_WAYS), { message: "Choose how it differs." })
  way!: VariantWay;

  @Matches(/^\d{0,3}$/, { message: "Give the number of a section." })
  first!: string;

  @Matches(/^\d{0,3}$/, { message: "Give the number of a section." })
  last!: string;

  @Length(1, 60, { message: "Say who set it up." })
  person!: string;
}

export class ChooseVariantDto {
  /** empty: the whole tool */
  @Matches(/^\d{0,9}$/, { message: "There is no such variant." })
  variant!: string;

  @MaxLength(10, { message: "There is no such press." })
  press!: string;
}
