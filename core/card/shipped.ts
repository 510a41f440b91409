import type { DimensionKey } from "../dimension/catalogue.ts";
import type { Axis, PointKey } from "../dimension/points.ts";
import type { LengthStyle } from "../quantity/length.ts";
import type { OnlyFor } from "./only.ts";
import { USUAL_ORDER } from "./order.ts";
import type { DerivedChoice, Scheme, SchemeLine, SignRule, TimeUnit } from "./scheme.ts";

type UnitChoice = { id: string; name: string; unit: LengthStyle; decimals: number };

const METRES: UnitChoice = { id: "m", name: "metres", unit: "m", decimals: 2 };
const INCHES: UnitChoice = { id: "in", name: "inches", unit: "in", decimals: 1 };

const LEFT_RIGHT: SignRule = { kind: "words", plus: "right", minus: "left" };
const AHEAD_BEHIND: SignRule = { kind: "words", plus: "ahead", minus: "behind" };
/** Counted back from the axle, with a switch for what hangs in front. */
const BEHIND_AHEAD: SignRule = { kind: "words", plus: "behind", minus: "ahead" };
const UNSIGNED: SignRule = { kind: "unsigned" };

type LineRest = Pick<SchemeLine, "measure" | "sense" | "sign">;

/** A length from one point to another; `sense` says which way counts as plus. */
function span(from: PointKey, to: PointKey, axis: Axis, sense: 1 | -1, sign: SignRule): LineRest {
  return { measure: { kind: "between", from, to, axis }, sense, sign };
}

const WIDTH: LineRest = { measure: { kind: "dimension", key: "tool.width" }, sense: 1, sign: UNSIGNED };
const SPACING: LineRest = { measure: { kind: "track spacing" }, sense: 1, sign: UNSIGNED };

/** What is told of one line besides where it stands and what it asks. */
type Dated = { only?: OnlyFor; since?: Version };

/** A line with the version of the shipped schemes it came in. */
type DatedLine = SchemeLine & { since: Version };

/** As they were shipped first; with plain words and the connection; with sections, rows and what only some tools have; with rates. */
type Version = 1 | 2 | 3 | 4;
const NEWEST: Version = 4;

/** The switching times, on a page of their own: how long before a boundary the terminal gives the order. */
function switching(unit: TimeUnit, decimals: number, [on, off]: [on: string, off: string]): DatedLine[] {
  const line = (label: string, key: "work.delayOn" | "work.delayOff"): DatedLine => ({
    page: "Switching",
    label,
    measure: { kind: "dimension", key },
    sense: 1,
    unit,
    decimals,
    sign: UNSIGNED,
    only: "every",
    since: 1,
  });
  return [line(on, "work.delayOn"), line(off, "work.delayOff")];
}

const DELAYS: [string, string] = ["Switch-on delay", "Switch-off delay"];

function lineIn({ unit, decimals }: UnitChoice) {
  return (
    page: string,
    label: string,
    rest: LineRest,
    { only = "every", since = 1 }: Dated = {},
  ): DatedLine => ({
    page,
    label,
    unit,
    decimals,
    ...rest,
    only,
    since,
  });
}

/** A scheme as it was shipped in a version: without what came later, and before the third shown for every tool alike. */
function asOf(
  version: Version,
  { lines, ...head }: Omit<Scheme, "lines" | "order"> & { lines: DatedLine[] },
): Scheme {
  return {
    ...head,
    lines: lines
      .filter(({ since }) => since <= version)
      .map(({ since: _, ...line }) => (version < 3 ? { ...line, only: "every" } : line)),
    order: USUAL_ORDER,
  };
}

const asked = (measure: LineRest["measure"]): LineRest => ({ measure, sense: 1, sign: UNSIGNED });
const reading = (key: DimensionKey): LineRest => asked({ kind: "dimension", key });
const chosen = (choice: DerivedChoice): LineRest => ({
  measure: { kind: "choice", choice },
  sense: 1,
  sign: { kind: "signed" },
});

/** Constants, what is declared, and the rate that is set. */
const rates = (line: ReturnType<typeof lineIn>): DatedLine =>
  line("Rate", "Constants and rates", asked({ kind: "rates" }), { since: 4 });

/** How many sections, and how wide each is. */
function sections(line: ReturnType<typeof lineIn>): DatedLine[] {
  return [
    line("Sections", "Number of sections", asked({ kind: "section count" }), { since: 3 }),
    line("Sections", "Width of section", asked({ kind: "section widths" }), { since: 3 }),
  ];
}

/** Asks for the tractor from its axle and for the tool from the connection, both ranks, with words for sides. */
function fromTheAxle(units: UnitChoice, version: Version = NEWEST): Scheme {
  const line = lineIn(units);
  const back = (label: string, to: PointKey, dated: Dated = {}) =>
    line("Implement", label, span("pin", to, "x", -1, BEHIND_AHEAD), dated);
  return asOf(version, {
    id: `axle-${units.id}`,
    name: `From the axle, ${units.name}`,
    asks: "Tractor lengths from the rear axle; tool lengths from the connection back.",
    lines: [
      line("Tractor", "Axle to receiver", span("axle", "receiver", "x", 1, AHEAD_BEHIND)),
      line("Tractor", "Receiver, side", span("axle", "receiver", "y", 1, LEFT_RIGHT)),
      line("Tractor", "Receiver height", span("axle", "receiver", "up", 1, UNSIGNED)),
      line("Tractor", "Axle to connection", span("axle", "pin", "x", -1, BEHIND_AHEAD)),
      line("Implement", "Connection type", chosen("connection type"), { since: 3 }),
      back("Connection to working edge, front", "workFront", { only: "all but spreaders" }),
      back("Connection to working edge, rear", "workRear", { only: "all but spreaders" }),
      back("Connection to landing line", "workMid", { only: "spreaders", since: 3 }),
      back("Connection to front of head", "foremost", { only: "heads", since: 3 }),
      back("Connection to toolbar", "toolbar", { only: "planters", since: 3 }),
      back("Connection to wheels", "pivot", { only: "all but discs" }),
      back("Connection to midway between the gangs", "pivot", { only: "discs", since: 3 }),
      line("Implement", "Side offset", span("pin", "workMid", "y", 1, LEFT_RIGHT)),
      line("Implement", "Working width", WIDTH),
      ...sections(line),
      ...switching("s", 2, DELAYS),
      line("Guidance", "Line spacing", SPACING),
      rates(line),
    ],
  });
}

/** What some lines of the scheme from the hitch are called. */
type HitchWords = { asks: string; pivot: string; work: string; middle: string };

const HITCH_WORDS: HitchWords = {
  asks: "Tool lengths from the hitch, behind counted as minus; one working point; the middle from the left edge.",
  pivot: "Hitch to pivot",
  work: "Hitch to working point",
  middle: "Middle from the left edge",
};

/** As it was shipped first. */
const HITCH_WORDS_BEFORE: HitchWords = {
  asks: "Tool lengths from the hitch, behind counted as minus; one coverage point; the centre from the left edge.",
  pivot: "Hitch to navigation point",
  work: "Hitch to coverage point",
  middle: "Centre distance from left edge",
};

/** Asks for the tool from the hitch: one pivot, one working point, behind is −, and the middle counted from the left edge. */
function fromTheHitch(units: UnitChoice, version: Version = NEWEST): Scheme {
  const line = lineIn(units);
  const words = version === 1 ? HITCH_WORDS_BEFORE : HITCH_WORDS;
  const signed: SignRule = { kind: "signed" };
  const back = (label: string, to: PointKey, dated: Dated = {}) =>
    line("Implement", label, span("pin", to, "x", 1, signed), dated);
  const rows: Dated = { only: "rows", since: 3 };
  return asOf(version, {
    id: `hitch-${units.id}`,
    name: `From the hitch, ${units.name}`,
    asks: words.asks,
    lines: [
      line("Implement", "Connection type", chosen("connection type"), { since: 2 }),
      line("Implement", "Axle type", chosen("axle type")),
      back(words.pivot, "pivot", { only: "all but discs" }),
      back("Hitch to midway between the gangs", "pivot", { only: "discs", since: 3 }),
      back(words.work, "workMid", { only: "all but spreaders" }),
      back("Hitch to landing line", "workMid", { only: "spreaders", since: 3 }),
      back("Hitch to toolbar", "toolbar", { only: "planters", since: 3 }),
      back("Hitch to front of head", "foremost", { only: "heads", since: 3 }),
      line("Implement", words.middle, span("leftEdge", "pin", "y", 1, UNSIGNED)),
      line("Implement", "Working width", WIDTH),
      line("Implement", "Overall width", reading("tool.overall"), { since: 3 }),
      line("Implement", "Number of rows", reading("rows.count"), { only: "rows" }),
      line("Implement", "Row spacing", reading("rows.spacing"), rows),
      line("Sections", "Number of sections", asked({ kind: "section count" }), { since: 3 }),
      line("Sections", "Rows in section", asked({ kind: "section units" }), rows),
      ...switching("s", 2, DELAYS),
      line("Guidance", "Line spacing", SPACING),
      line("Tractor", "Hitch to receiver", span("pin", "receiver", "x", 1, signed)),
      line("Tractor", "Receiver to the right of centre", span("pin", "receiver", "y", 1, signed)),
      line("Tractor", "Receiver height", span("axle", "receiver", "up", 1, UNSIGNED)),
      rates(line),
    ],
  });
}

/** Asks for everything from the receiver: one length with a switch ahead or behind, left or right, height. */
function fromTheAntenna(units: UnitChoice, version: Version = NEWEST): Scheme {
  const line = lineIn(units);
  const along = (label: string, to: PointKey, dated: Dated = {}) =>
    line(
      to === "axle" || to === "pin" ? "Tractor" : "Implement",
      label,
      span("receiver", to, "x", 1, AHEAD_BEHIND),
      dated,
    );
  return asOf(version, {
    id: `antenna-${units.id}`,
    name: `From the antenna, ${units.name}`,
    asks: "Every length from the receiver, each with a switch: ahead or behind, left or right.",
    lines: [
      line("Tractor", "Antenna height", span("axle", "receiver", "up", 1, UNSIGNED)),
      along("Antenna to rear axle", "axle"),
      along("Antenna to hitch", "pin"),
      line("Tractor", "Antenna, side", span("axle", "receiver", "y", 1, LEFT_RIGHT)),
      along("Antenna to wheels of the tool", "pivot", { only: "all but discs" }),
      along("Antenna to midway between the gangs", "pivot", { only: "discs", since: 3 }),
      along("Antenna to work, start", "workFront", { only: "all but spreaders" }),
      along("Antenna to work, end", "workRear", { only: "all but spreaders" }),
      along("Antenna to landing line", "workMid", { only: "spreaders", since: 3 }),
      along("Antenna to front of head", "foremost", { only: "heads", since: 3 }),
      line("Implement", "Work, side of the antenna", span("receiver", "workMid", "y", 1, LEFT_RIGHT)),
      line("Implement", "Working width", WIDTH),
      ...sections(line),
      ...switching("s", 2, DELAYS),
      line("Guidance", "Line spacing", SPACING),
      rates(line),
    ],
  });
}

/** The frame of ISO 11783-10: millimetres, x forward, y right, z down; each tool from its reference point, as the file has it. */
function isoFrame(version: Version = NEWEST): Scheme {
  const line = lineIn({ id: "mm", name: "millimetres", unit: "mm", decimals: 0 });
  const signed: SignRule = { kind: "signed" };
  const at = (
    page: string,
    label: string,
    from: PointKey,
    to: PointKey,
    axis: Axis,
    sense: 1 | -1 = 1,
  ): DatedLine => line(page, label, { measure: { kind: "between", from, to, axis }, sense, sign: signed });
  return asOf(version, {
    id: "iso-mm",
    name: "ISO 11783 frame, millimetres",
    asks: "Offsets X forward, Y right, Z down; the tractor from its rear axle, the tool from its wheels, or from where it hangs.",
    lines: [
      at("Tractor", "Receiver, offset X", "axle", "receiver", "x"),
      at("Tractor", "Receiver, offset Y", "axle", "receiver", "y"),
      at("Tractor", "Receiver, offset Z", "axle", "receiver", "up", -1),
      at("Tractor", "Hitch connector, offset X", "axle", "connector", "x"),
      at("Implement", "Connector, offset X", "reference", "pin", "x"),
      at("Implement", "Work front, offset X", "reference", "workFront", "x"),
      at("Implement", "Work rear, offset X", "reference", "workRear", "x"),
      at("Implement", "Work, offset Y", "reference", "workMid", "y"),
      line("Implement", "Working width", WIDTH),
      ...sections(line),
      ...switching("ms", 0, ["Turn on time", "Turn off time"]),
      line("Guidance", "Swath width", SPACING),
      rates(line),
    ],
  });
}

const shippedAs = (version: Version): Scheme[] => [
  fromTheAxle(METRES, version),
  fromTheAxle(INCHES, version),
  fromTheHitch(METRES, version),
  fromTheHitch(INCHES, version),
  fromTheAntenna(METRES, version),
  fromTheAntenna(INCHES, version),
  isoFrame(version),
];

export const SHIPPED_SCHEMES: readonly Scheme[] = shippedAs(NEWEST);

/** Schemes as they were shipped before, the oldest first: a yard that has one of them, untouched, is offered the newer one. */
const SHIPPED_BEFORE: readonly Scheme[] = [...shippedAs(1), ...shippedAs(2), ...shippedAs(3)];

/** Names and values alike, in whatever order they were written down. */
function alike(a: unknown, b: unknown): boolean {
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return a === b;
  const [left, right] = [Object.entries(a), b as Record<string, unknown>];
  return left.length === Object.keys(right).length && left.every(([key, value]) => alike(value, right[key]));
}

/** How a yard's scheme stands to what is shipped: just that, an older one nobody touched, edited since, or the yard's own. */
export type Shipped = "as shipped" | "older" | "edited" | "own";

/** Compares name, words and lines; a scheme is never changed by being shipped anew, only offered the newer one. */
export function shippedOf(scheme: Scheme): Shipped {
  const shipped = SHIPPED_SCHEMES.find(({ id }) => id === scheme.id);
  if (!shipped) return "own";
  if (alike(scheme, shipped)) return "as shipped";
  return SHIPPED_BEFORE.some((before) => before.id === scheme.id && alike(scheme, before))
    ? "older"
    : "edited";
}
