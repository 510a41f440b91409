import type { Attachment } from "../dimension/attachment.ts";
import { type DimensionKey, dimension, hasDimension, isOfWork, unchanging } from "../dimension/catalogue.ts";
import { type PointKey, pointLabel } from "../dimension/points.ts";
import { type Finding, inUnits, stopsOf, type ToldFinding } from "../finding/finding.ts";
import { MINUS, roundHalfUp } from "../quantity/figure.ts";
import { isFeet, type LengthStyle, METRES_PER, printedStep, printLength } from "../quantity/length.ts";
import { inUnit } from "../quantity/measure.ts";
import type { Units } from "../quantity/units.ts";
import { askedOf, usesTerminal } from "../rig/asked.ts";
import { between, type Chain, evaluate, joined, trackSpacing } from "../rig/chain.ts";
import { weakest } from "../rig/grade.ts";
import { givenSections, type ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { askedLines, pinsOf, type ToolAhead, trainCautions } from "./ahead.ts";
import { sectionCount, sectionFigure } from "./of-sections.ts";
import { decimalsOf, rateLines, ratesLacking, writeRate } from "./rates.ts";
import {
  type AskedLine,
  asksForCount,
  type DerivedChoice,
  type FigureForm,
  isDelay,
  isDerived,
  isTimeUnit,
  type OfRate,
  type Scheme,
  type TimeUnit,
} from "./scheme.ts";

export type CardLine = {
  page: string;
  label: string;
  /** what to type, digits and sign as the terminal takes them; null where there is nothing to type yet */
  figure: string | null;
  unit: string;
  /** the switch beside the figure: "left", "behind"; empty where the terminal has none */
  word: string;
  /** how the figure is written: what a read-back is compared by, and what a numbered card freezes */
  form: FigureForm;
  /** what the figure is, in words: "drawbar pin → front rank, along the line of pull" */
  derivation: string;
  /** null for a choice, which is derived from the connection, not from readings */
  chain: Chain | null;
  /** shown − true, metres, from the terminal's own rounding; null for counts and choices */
  rounding: number | null;
  /** which of the tools ahead it is about; null: the tool in view, or the machine */
  tool: number | null;
  /** the stop, or the reason, that keeps the figure off the card */
  blockedBy: string | null;
};

export type Card = {
  scheme: Omit<Scheme, "lines">;
  lines: CardLine[];
  /** findings that keep the card from being typed in */
  stops: ToldFinding[];
  ready: boolean;
  /** what this scheme cannot express about this rig */
  cautions: string[];
};

/** Ranks further apart than this are worth a word on a terminal with one working point, metres. */
const RANKS_APART = 0.1;

type AskedMeasure = AskedLine["measure"];

/**
 * Fills a scheme from the rig's chain, for a tool behind others from theirs as well, the first of them nearest the machine. A figure
 * that a stop touches stays off the card.
 */
export function fillCard(
  scheme: Scheme,
  rig: ResolvedRig,
  findings: readonly Finding[],
  units: Units,
  ahead: readonly ToolAhead[],
): Card {
  const say = (each: Finding) => inUnits(each, units);
  const stops = stopsOf(findings).map(say);
  const told = usesTerminal(rig);
  const asked: AskedLine[] = told ? [...askedLines(scheme, rig, ahead), ...rateLines(scheme.lines, rig)] : [];
  const lines = asked.map((line) => {
    if (line.tool === undefined) return fillLine(line, { rig, next: rig, stops });
    const { rig: own, stops: theirs } = ahead[line.tool]!;
    return fillLine(line, { rig: own, next: rig, stops: [...theirs.map(say), ...stops] });
  });
  const blocked = lines.some((line) => line.blockedBy !== null);
  return {
    scheme: { id: scheme.id, name: scheme.name, asks: scheme.asks, order: scheme.order },
    lines,
    stops,
    ready: told && stops.length === 0 && !blocked,
    cautions: [
      ...cautionsOf(scheme, rig, units),
      ...rateCautions(scheme, rig),
      ...(works(rig) ? trainCautions(rig, ahead, units) : []),
    ],
  };
}

/** The tool a line is about, and the one in view, whose frame has the pins of the tools ahead. */
type About = { rig: ResolvedRig; next: ResolvedRig; stops: readonly ToldFinding[] };

function fillLine(line: AskedLine, { rig, next, stops }: About): CardLine {
  const { page, label, measure } = line;
  const chain = chainOf(measure, rig, next);
  const base = {
    page: isOnMachine(line, rig) ? MACHINE_DISPLAY : page,
    label,
    form: formOf(line),
    derivation: derivationOf(line, rig),
    chain,
    word: "",
    tool: line.tool ?? null,
  };
  if (measure.kind === "choice") {
    const figure = isDerived(measure.choice) ? CHOSEN[measure.choice](rig) : measure.choice;
    return { ...base, figure, unit: "", rounding: null, blockedBy: null };
  }
  if (measure.kind === "rate") return { ...base, ...writtenRate(measure, chain!, stops, rig) };
  const unit = printedUnit(line);
  if (isTimeUnit(line.unit)) return { ...base, unit, ...writeTime(line.unit, line.decimals, chain!, stops) };
  if (hasNone(measure, rig))
    return { ...base, figure: "0", unit, rounding: null, blockedBy: null, derivation: "this tool has none" };
  const blockedBy = blockOf(chain!, stops, rig) ?? unsplit(measure, chain!);
  if (blockedBy) return { ...base, figure: null, unit, rounding: null, blockedBy };
  if (asksForCount(line))
    return { ...base, figure: String(chain!.total), unit, rounding: null, blockedBy: null };
  return { ...base, unit, ...writeFigure({ ...line, unit: line.unit }, line.sense * chain!.total!) };
}

/** A constant or rate as a terminal takes it; what was read before something was changed stays off the card. */
function writtenRate(
  measure: OfRate,
  chain: Chain,
  stops: readonly ToldFinding[],
  rig: ResolvedRig,
): Pick<CardLine, "figure" | "unit" | "rounding" | "blockedBy"> {
  const { choice, value } = rig.values[measure.key];
  const label = dimension(measure.key, rig).choices?.find(({ key }) => key === choice)?.label;
  const blockedBy = blockOf(chain, stops, rig);
  const figure = blockedBy || value === null ? null : (label ?? writeRate(measure, value, rig));
  return { figure, unit: measure.unit, rounding: null, blockedBy };
}

/** The unit printed beside a line's figure; feet stand in the figure itself. */
export function printedUnit({ measure, unit }: Pick<AskedLine, "measure" | "unit">): string {
  if (measure.kind === "choice" || asksForCount({ measure })) return "";
  return isTimeUnit(unit) || !isFeet(unit) ? unit : "";
}

/** A switching time nobody measured stays at zero, as the terminal came: headland marks then find all of it. */
function writeTime(
  unit: TimeUnit,
  decimals: number,
  chain: Chain,
  stops: readonly ToldFinding[],
): Pick<CardLine, "figure" | "rounding" | "blockedBy"> {
  const known = chain.total !== null;
  const blockedBy = known ? stopOn(chain, stops) : null;
  const figure = blockedBy ? null : roundHalfUp(inUnit("time", chain.total ?? 0, unit), decimals);
  return { figure, rounding: null, blockedBy };
}

/** Where some values are set that the terminal only shows: a head's width belongs to the machine that carries it. */
export const MACHINE_DISPLAY = "The machine's own display";

function isOnMachine({ measure }: AskedLine, { attachment }: ResolvedRig): boolean {
  return attachment === "head" && measure.kind === "dimension" && measure.key === "tool.width";
}

/** What a terminal is told of the tool's axle. */
function axleTypeOf(rig: ResolvedRig): string {
  if (!hasDimension(rig, "pin.pivot")) return "none";
  return (rig.values["tool.axleType"].choice ?? "rigid") === "rigid" ? "rigid" : "steered";
}

/** How it is coupled, in plain words: a terminal's own may be others. */
const CONNECTIONS: Record<Attachment, string> = {
  drawn: "drawbar",
  train: "drawbar of the tool ahead",
  third: "drawbar of the tool ahead",
  links: "lower links",
  semi: "semi-mounted",
  mounted: "three-point, rear",
  front: "three-point, front",
  head: "cutting head",
  boom: "built on",
  frontBoom: "built on",
};

const CHOSEN: Record<DerivedChoice, (rig: ResolvedRig) => string> = {
  "axle type": axleTypeOf,
  "connection type": ({ attachment }) => CONNECTIONS[attachment],
};

/** The first stop that touches a link; else the first link that is missing. */
function blockOf(chain: Chain, stops: readonly ToldFinding[], rig: ResolvedRig): string | null {
  const stop = stopOn(chain, stops);
  if (stop) return stop;
  const missing = chain.links.find(({ value }) => value === null);
  if (!missing) return null;
  const entry = dimension(missing.key, rig);
  return isOfWork(entry) && !works(rig) ? CARRIES_ONLY : `${entry.label} is missing.`;
}

const CARRIES_ONLY = "Nothing of this tool works the field.";

function stopOn({ links }: Chain, stops: readonly ToldFinding[]): string | null {
  return stops.find(({ subject }) => links.some(({ key }) => key === subject))?.what ?? null;
}

function writeFigure(
  { unit, decimals, sign }: AskedLine & { unit: LengthStyle },
  metres: number,
): Pick<CardLine, "figure" | "word" | "rounding" | "blockedBy"> {
  const shown = printLength(sign.kind === "words" ? Math.abs(metres) : metres, unit, {
    decimals,
    bare: true,
  });
  if (sign.kind === "unsigned" && shown.startsWith(MINUS))
    return { figure: null, word: "", rounding: null, blockedBy: "This terminal takes no minus here." };
  const magnitude = roundedMetres(Math.abs(metres), unit, decimals);
  const rounding = magnitude - Math.abs(metres);
  if (sign.kind !== "words") return { figure: shown, word: "", rounding, blockedBy: null };
  return {
    figure: shown,
    word: magnitude === 0 ? "" : metres < 0 ? sign.minus : sign.plus,
    rounding,
    blockedBy: null,
  };
}

/** The magnitude the printed figure stands for. */
function roundedMetres(metres: number, unit: LengthStyle, decimals: number): number {
  if (isFeet(unit)) return Math.round(metres / printedStep(unit)) * printedStep(unit);
  return Number(printLength(metres, unit, { decimals, bare: true })) * METRES_PER[unit];
}

function chainOf(measure: AskedMeasure, rig: ResolvedRig, next: ResolvedRig): Chain | null {
  switch (measure.kind) {
    case "between":
      return between(rig, turning(measure.from, rig), turning(measure.to, rig), measure.axis);
    case "hitch": {
      const own = between(rig, "reference", "pin", "x");
      return measure.end === "front"
        ? own
        : joined(own, between(next, pinBefore(next, measure.to), measure.to, "x"));
    }
    case "dimension":
    case "rate":
      return readingOr(measure.key, rig);
    case "track spacing":
      return trackSpacing(rig);
    case "section count":
    case "section widths":
    case "section units":
      return sectionCount(rig);
    case "section":
      return sectionFigure(measure, rig);
    case "rates":
    case "choice":
      return null;
  }
}

/** What a terminal is told where nobody read it, assumed: a tool no wider than it works. */
const STANDS_IN: Partial<Record<DimensionKey, DimensionKey>> = { "tool.overall": "tool.width" };

function standIn(key: DimensionKey, { values }: ResolvedRig): DimensionKey | null {
  return values[key].value === null ? (STANDS_IN[key] ?? null) : null;
}

function readingOr(key: DimensionKey, rig: ResolvedRig): Chain {
  const other = standIn(key, rig);
  const read = evaluate([{ key: other ?? key, coefficient: 1 }], rig);
  return other === null || read.total === null ? read : { ...read, grade: weakest([read.grade, "assumed"]) };
}

/** Why a section has no figure although its readings are there. */
function unsplit(measure: AskedMeasure, { total }: Chain): string | null {
  if (total !== null) return null;
  return measure.kind === "section" && measure.of === "units"
    ? "This section holds no whole number of rows or nozzles: its width and the spacing do not agree."
    : "The sections are missing.";
}

function pinBefore({ attachment }: ResolvedRig, pin: PointKey): PointKey {
  const pins = pinsOf(attachment);
  return pins[pins.indexOf(pin) - 1] ?? pin;
}

/** A tool without wheels turns with its machine: a terminal that asks for a pivot all the same is given the work. */
function turning(point: PointKey, rig: ResolvedRig): PointKey {
  return point === "pivot" && !hasDimension(rig, "pin.pivot") ? "workMid" : point;
}

/** How a line's figure is written. */
export function formOf({ measure, unit, decimals, sign }: AskedLine): FigureForm {
  if (measure.kind === "choice") return { kind: "choice" };
  if (measure.kind === "rate") return formOfRate(measure);
  if (isTimeUnit(unit)) return { kind: "time", unit, decimals };
  return asksForCount({ measure }) ? { kind: "count" } : { kind: "length", unit, decimals, sign };
}

function formOfRate({ key, unit }: OfRate): FigureForm {
  const { kind, family } = unchanging(key);
  if (kind === "choice") return { kind: "choice" };
  return kind === "count" || !family
    ? { kind: "count" }
    : { kind: "quantity", family, unit, decimals: decimalsOf(family, unit) };
}

/** Whether a terminal asks for what this tool does not have: rows of a mower. */
function hasNone(measure: AskedMeasure, rig: ResolvedRig): boolean {
  return (
    measure.kind === "dimension" &&
    works(rig) &&
    rig.values[measure.key].value === null &&
    !askedOf(rig).some(({ key }) => key === measure.key)
  );
}

const CHOICE_WORDS: Record<DerivedChoice, string> = {
  "axle type": "wheels of the tool: rigid, steered, or none of its own",
  "connection type": "how the tool is coupled",
};

const POSITIVE_WORD = { x: ["forward", "rearward"], y: ["right", "left"], up: ["up", "down"] } as const;

function derivationOf({ measure, sense }: AskedLine, rig: ResolvedRig): string {
  switch (measure.kind) {
    case "between":
      return `${pointLabel(measure.from, rig)} to ${pointLabel(measure.to, rig)}, ${POSITIVE_WORD[measure.axis][sense === 1 ? 0 : 1]} is +`;
    case "hitch":
      return `${pointLabel("reference", rig)}, to the pin ${measure.end === "front" ? "it hangs on" : "the next tool hangs on"}, ${POSITIVE_WORD.x[sense === 1 ? 0 : 1]} is +`;
    case "dimension":
      return standIn(measure.key, rig) === null
        ? dimension(measure.key, rig).fromTo
        : "nobody taped it: as wide as it works, assumed";
    case "track spacing":
      return "working width less overlap";
    case "section count":
      return "the sections of the tool, left to right";
    case "section widths":
    case "section units":
    case "section":
      return ofSection(rig);
    case "rate":
      return dimension(measure.key, rig).fromTo;
    case "rates":
      return "constants and rates";
    case "choice":
      return isDerived(measure.choice) ? CHOICE_WORDS[measure.choice] : "set as the scheme says";
  }
}

function ofSection(rig: ResolvedRig): string {
  return givenSections(rig) === null
    ? "nobody gave sections: one as wide as the tool, assumed"
    : "from the table of sections, counted from the left end";
}

/** On a terminal with a single working point the middle of the work is given; say what that costs at the headland. */
function cautionsOf(scheme: Scheme, rig: ResolvedRig, units: Units): string[] {
  if (!usesTerminal(rig))
    return [
      "This rig is not steered along lines, and no terminal switches its sections: there is nothing to type in. Match asks for both.",
    ];
  const cautions = scheme.lines.some(
    ({ measure }) => measure.kind === "between" && turning(measure.to, rig) !== measure.to,
  )
    ? [
        "This tool has no wheels to turn about. Where the terminal asks for them, the card gives the middle of the work.",
      ]
    : [];
  if (!works(rig))
    return [
      "This tool only carries. A terminal is told of the tool that works the field: choose that one above.",
    ];
  return [...cautions, ...rankCautions(scheme, rig, units), ...delayCautions(scheme, rig)];
}

function rateCautions({ lines }: Scheme, rig: ResolvedRig): string[] {
  const lacking = usesTerminal(rig) && works(rig) ? ratesLacking(lines, rig) : [];
  return lacking.length === 0
    ? []
    : [`Of its rates this is not known yet, and not on the card: ${lacking.join(", ")}. Rate asks for it.`];
}

function delayCautions(scheme: Scheme, { values }: ResolvedRig): string[] {
  const unknown = scheme.lines.some(
    ({ measure }) =>
      measure.kind === "dimension" && isDelay(measure.key) && values[measure.key].value === null,
  );
  return unknown
    ? [
        "Nobody has measured how late this tool switches: leave such a delay at zero, drive headland marks, and they say what to type.",
      ]
    : [];
}

function rankCautions(scheme: Scheme, { values }: ResolvedRig, units: Units): string[] {
  const points = scheme.lines.flatMap(({ measure }) =>
    measure.kind === "between" ? [measure.from, measure.to] : [],
  );
  const oneValue = points.includes("workMid") && !points.includes("workFront");
  const [front, rear] = [values["pin.workFront"].value, values["pin.workRear"].value];
  if (!oneValue || front === null || rear === null || Math.abs(rear - front) <= RANKS_APART) return [];
  const style = units.tape;
  return [
    `The ranks are ${printLength(Math.abs(rear - front), style)} apart and this terminal takes one working point. The card gives the middle: each rank is ${printLength(Math.abs(rear - front) / 2, style)} off at the headland.`,
  ];
}
