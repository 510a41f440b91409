import {
  ArrayMaxSize,
  ArrayMinSize,
  IsIn,
  IsInt,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
  validateSync,
} from "class-validator";
import { ONLY_FOR, type OnlyFor } from "../../core/card/only.ts";
import { type EntryStep, isEntryStep, orderProblem } from "../../core/card/order.ts";
import {
  asksForCount,
  DERIVED_CHOICES,
  type DerivedChoice,
  isDelay,
  isDerived,
  isTimeUnit,
  LINE_UNITS,
  type LineUnit,
  MEASURES,
  type Scheme,
  type SchemeLine,
  type SignRule,
} from "../../core/card/scheme.ts";
import { DIMENSION_KEYS, type DimensionKey } from "../../core/dimension/catalogue.ts";
import { type Axis, POINT_KEYS, type PointKey } from "../../core/dimension/points.ts";
import type { FieldErrors } from "../session/validate.ts";

/** One line of a scheme as a form has it: everything flat, every choice from a list. */
export class SchemeLineDto {
  @Length(1, 30, { message: "Name the page it stands on." })
  page!: string;

  @Length(1, 50, { message: "Give the words on the terminal." })
  label!: string;

  @IsIn([...MEASURES, ...DERIVED_CHOICES], { message: "Choose what is asked." })
  measure!: SchemeLine["measure"]["kind"] | DerivedChoice;

  @IsIn(POINT_KEYS, { message: "Choose from where." })
  from!: PointKey;

  @IsIn(POINT_KEYS, { message: "Choose to where." })
  to!: PointKey;

  @IsIn(["x", "y", "up"], { message: "Choose along, sideways or height." })
  axis!: Axis;

  @IsIn(DIMENSION_KEYS, { message: "Choose the reading." })
  dimension!: DimensionKey;

  @ValidateIf(({ measure }: SchemeLineDto) => measure === "choice")
  @Length(1, 30, { message: "Give the choice to be set." })
  choice!: string;

  @IsIn([1, -1], { message: "Choose which way counts as plus." })
  sense!: 1 | -1;

  @IsIn(LINE_UNITS, { message: "Choose the unit." })
  unit!: LineUnit;

  @IsInt({ message: "Decimals are a whole number." })
  @Min(0, { message: "No fewer than no decimals." })
  @Max(4, { message: "At most four decimals." })
  decimals!: number;

  @IsIn(["signed", "words", "unsigned"], { message: "Choose how the sign is written." })
  sign!: SignRule["kind"];

  @ValidateIf(({ sign }: SchemeLineDto) => sign === "words")
  @Length(1, 20, { message: "Give the word for plus." })
  plus!: string;

  @ValidateIf(({ sign }: SchemeLineDto) => sign === "words")
  @Length(1, 20, { message: "Give the word for minus." })
  minus!: string;

  @IsIn(ONLY_FOR, { message: "Choose which tools it is shown for." })
  only!: OnlyFor;
}

export class SchemeDto {
  @Length(1, 50, { message: "Give the scheme a name." })
  name!: string;

  @MaxLength(160, { message: "Keep the description under 160 characters." })
  asks!: string;

  @ArrayMinSize(1, { message: "A scheme has at least one line." })
  @ArrayMaxSize(40, { message: "A scheme has at most 40 lines." })
  @ValidateNested({ each: true })
  lines!: SchemeLineDto[];

  @ArrayMinSize(1, { message: "Say in which order the terminal is set up." })
  @ArrayMaxSize(20, { message: "These are too many steps." })
  order!: EntryStep[];
}

const LINE_FIELDS = [
  "page",
  "label",
  "measure",
  "from",
  "to",
  "axis",
  "dimension",
  "choice",
  "sense",
  "unit",
  "decimals",
  "sign",
  "plus",
  "minus",
  "only",
] as const;

export type LineForm = Pick<SchemeLineDto, (typeof LINE_FIELDS)[number]>;

export const BLANK_LINE: LineForm = {
  page: "Implement",
  label: "",
  measure: "between",
  from: "pin",
  to: "workFront",
  axis: "x",
  dimension: "tool.width",
  choice: "",
  sense: -1,
  unit: "m",
  decimals: 2,
  sign: "unsigned",
  plus: "right",
  minus: "left",
  only: "every",
};

/** Takes over the named properties only, and checks all of it. Errors stand under "name", or "lines.3.label". */
export function checkScheme(given: {
  name: unknown;
  asks: unknown;
  lines: unknown;
  order: unknown;
}): { ok: true; value: Omit<Scheme, "id"> } | { ok: false; errors: FieldErrors } {
  const dto = new SchemeDto();
  dto.name = text(given.name);
  dto.asks = text(given.asks);
  dto.lines = (Array.isArray(given.lines) ? given.lines.slice(0, 41) : []).map((line: unknown) => {
    const own = new SchemeLineDto();
    const source = (typeof line === "object" && line !== null ? line : {}) as Record<string, unknown>;
    for (const field of LINE_FIELDS) {
      const value = source[field];
      Object.assign(own, { [field]: typeof value === "string" ? value.trim() : value });
    }
    return own;
  });
  dto.order = (Array.isArray(given.order) ? given.order.slice(0, 21) : []) as EntryStep[];
  const errors: FieldErrors = {};
  const wrong = dto.order.every(isEntryStep) ? orderProblem(dto.order) : "There is no such step.";
  if (wrong) errors.order = wrong;
  for (const { property, constraints, children = [] } of validateSync(dto, { forbidUnknownValues: true })) {
    if (constraints) errors[property] = Object.values(constraints)[0]!;
    for (const child of children)
      for (const { property: field, constraints: why } of child.children ?? [])
        errors[`lines.${child.property}.${field}`] = Object.values(why ?? {})[0] ?? "Not understood.";
  }
  for (const [index, line] of dto.lines.entries()) {
    if (!errors[`lines.${index}.unit`] && isTimeUnit(line.unit) !== asksForTime(line))
      errors[`lines.${index}.unit`] = isTimeUnit(line.unit)
        ? "Seconds go with a switching delay only."
        : "A switching delay is asked in s or ms.";
    if (dto.lines.findIndex(({ page, label }) => page === line.page && label === line.label) < index)
      errors[`lines.${index}.label`] ??= "There is a line of these words on this page already.";
  }
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  return {
    ok: true,
    value: { name: dto.name, asks: dto.asks, lines: dto.lines.map(toLine), order: dto.order },
  };
}

function text(value: unknown): string {
  return typeof value === "string" ? value.trim() : "";
}

function toLine(form: LineForm): SchemeLine {
  const { page, label, sense, unit, decimals, only } = form;
  return { page, label, sense, unit, decimals, only, measure: measureOf(form), sign: signOf(form) };
}

function measureOf({ measure, from, to, axis, dimension, choice }: LineForm): SchemeLine["measure"] {
  switch (measure) {
    case "between":
      return { kind: "between", from, to, axis };
    case "dimension":
      return { kind: "dimension", key: dimension };
    case "choice":
      return { kind: "choice", choice };
    case "axle type":
    case "connection type":
      return { kind: "choice", choice: measure };
    case "track spacing":
    case "section count":
    case "section widths":
    case "section units":
    case "rates":
      return { kind: measure };
  }
}

/** Whether the line asks for a switching time, not for a length. */
export function asksForTime({ measure, dimension }: LineForm): boolean {
  return measure === "dimension" && isDelay(dimension);
}

/** Whether the line is answered by a length: with a unit, decimals and a sign. */
export function asksForLength(form: LineForm): boolean {
  const measure = measureOf(form);
  return measure.kind !== "choice" && !asksForCount({ measure }) && !asksForTime(form);
}

/** The unit of a line after a change: kept where it still fits what is asked. */
export function fittingUnit(line: LineForm): LineUnit {
  if (isTimeUnit(line.unit) === asksForTime(line)) return line.unit;
  return asksForTime(line) ? "s" : "m";
}

function signOf({ sign, plus, minus }: LineForm): SignRule {
  return sign === "words" ? { kind: "words", plus, minus } : { kind: sign };
}

/** A scheme's line as the form has it. */
export function toForm({ page, label, measure, sense, unit, decimals, sign, only }: SchemeLine): LineForm {
  return {
    ...BLANK_LINE,
    page,
    label,
    sense,
    unit,
    decimals,
    only,
    measure: measure.kind === "choice" && isDerived(measure.choice) ? measure.choice : measure.kind,
    ...(measure.kind === "between" ? { from: measure.from, to: measure.to, axis: measure.axis } : {}),
    ...(measure.kind === "dimension" ? { dimension: measure.key } : {}),
    ...(measure.kind === "choice" && !isDerived(measure.choice) ? { choice: measure.choice } : {}),
    sign: sign.kind,
    ...(sign.kind === "words" ? { plus: sign.plus, minus: sign.minus } : {}),
  };
}
