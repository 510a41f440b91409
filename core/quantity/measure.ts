/**
 * Quantities other than lengths, as people write them, and back: "7.5 km/h", "35 psi", "150 l/ha". SI inside.
 *
 * Factors are exact where a definition makes them so: the international mile, pound and foot (yard and pound
 * agreement, 1959), the US gallon of 231 cubic inches, the standard acceleration of free fall in psi
 * (NIST SP 811, appendix B.8). An acre is 43 560 square international feet.
 */
import { type Parsed, readFigure, roundHalfUp } from "./figure.ts";
import { METRES_PER } from "./length.ts";

const SQUARE_FOOT = METRES_PER.ft ** 2;
const POUND = 0.45359237;
const GALLON = 231 * METRES_PER.in ** 3;
const LITRE = 0.001;
/** The US bushel of 2150.42 cubic inches (NIST Handbook 44, appendix C). */
export const BUSHEL = 2150.42 * METRES_PER.in ** 3;
const HECTARE = 1e4;
const ACRE = 43560 * SQUARE_FOOT;
const STANDARD_GRAVITY = 9.80665;
const HORSEPOWER = 550 * METRES_PER.ft * POUND * STANDARD_GRAVITY;

type UnitEntry = {
  /** SI units in one of this unit */
  factor: number;
  /** decimals it is printed with */
  decimals: number;
  /** other ways of writing it */
  also?: readonly string[];
};

/** Families of quantities. The first unit of each is what a bare number means where nothing else was chosen. */
export const FAMILIES = {
  /** m/s */
  speed: {
    "km/h": { factor: 1 / 3.6, decimals: 1, also: ["kmh", "kph", "km per hour"] },
    mph: { factor: 1609.344 / 3600, decimals: 1, also: ["mi/h", "miles per hour"] },
    "m/s": { factor: 1, decimals: 2 },
  },
  /** kg */
  mass: {
    kg: { factor: 1, decimals: 0, also: ["kilo", "kilos"] },
    t: { factor: 1000, decimals: 2, also: ["tonne", "tonnes"] },
    lb: { factor: POUND, decimals: 0, also: ["lbs", "pound", "pounds"] },
    g: { factor: 0.001, decimals: 0 },
    oz: { factor: POUND / 16, decimals: 1, also: ["ounce", "ounces"] },
  },
  /** m² */
  area: {
    ha: { factor: HECTARE, decimals: 2, also: ["hectare", "hectares"] },
    ac: { factor: ACRE, decimals: 2, also: ["acre", "acres"] },
    "m²": { factor: 1, decimals: 0, also: ["m2", "sqm"] },
  },
  /** Pa */
  pressure: {
    bar: { factor: 1e5, decimals: 2 },
    psi: { factor: (POUND * STANDARD_GRAVITY) / METRES_PER.in ** 2, decimals: 1 },
    kPa: { factor: 1000, decimals: 0, also: ["kpa"] },
  },
  /** W; the mechanical horsepower of 550 ft·lbf/s (NIST SP 811, appendix B.8) */
  power: {
    kW: { factor: 1000, decimals: 0, also: ["kw"] },
    hp: { factor: HORSEPOWER, decimals: 0, also: ["horsepower"] },
    W: { factor: 1, decimals: 0 },
  },
  /** W/m */
  "power per length": {
    "kW/m": { factor: 1000, decimals: 1, also: ["kw/m"] },
    "hp/ft": { factor: HORSEPOWER / METRES_PER.ft, decimals: 1 },
  },
  /** N */
  force: {
    kN: { factor: 1000, decimals: 1, also: ["kn"] },
    lbf: { factor: POUND * STANDARD_GRAVITY, decimals: 0, also: ["lb force"] },
    N: { factor: 1, decimals: 0 },
  },
  /** s */
  time: {
    s: { factor: 1, decimals: 2, also: ["sec", "second", "seconds"] },
    ms: { factor: 0.001, decimals: 0 },
    min: { factor: 60, decimals: 2, also: ["minute", "minutes"] },
  },
  /** s, as an hour meter counts them */
  "running time": {
    h: { factor: 3600, decimals: 0, also: ["hours", "hour", "hrs"] },
  },
  /** 1/s */
  rotation: {
    rpm: { factor: 1 / 60, decimals: 0, also: ["/min", "1/min", "r/min"] },
  },
  /** 1, turns of a wheel or crank */
  turns: {
    turns: { factor: 1, decimals: 1, also: ["turn", "rev", "revs"] },
  },
  /** m³/s */
  flow: {
    "l/min": { factor: LITRE / 60, decimals: 0, also: ["lpm", "litres/min", "liters/min"] },
    "gal/min": { factor: GALLON / 60, decimals: 1, also: ["gpm"] },
  },
  /** m³ */
  volume: {
    l: { factor: LITRE, decimals: 1, also: ["litre", "litres", "liter", "liters"] },
    gal: { factor: GALLON, decimals: 1, also: ["gallon", "gallons"] },
    ml: { factor: 1e-6, decimals: 0, also: ["millilitre", "millilitres"] },
    "fl oz": { factor: GALLON / 128, decimals: 1, also: ["floz", "oz", "ounces"] },
    "m³": { factor: 1, decimals: 2, also: ["m3", "cbm"] },
  },
  /** m³ for each turn */
  displacement: {
    "cm³": { factor: 1e-6, decimals: 1, also: ["cm3", "cc", "ccm"] },
    "in³": { factor: METRES_PER.in ** 3, decimals: 2, also: ["in3", "cu in"] },
  },
  /** rad */
  angle: {
    "°": { factor: Math.PI / 180, decimals: 1, also: ["deg", "degrees"] },
  },
  /** 1 */
  ratio: {
    "%": { factor: 0.01, decimals: 0, also: ["percent", "per cent"] },
  },
  /** 1, of a whole that may be exceeded */
  share: {
    "%": { factor: 0.01, decimals: 0, also: ["percent", "per cent"] },
  },
  /** 1 */
  factor: {
    "×": { factor: 1, decimals: 3, also: ["x", "times"] },
  },
  /** 1/m: pulses of a speed sensor */
  "count per length": {
    "/m": { factor: 1, decimals: 2, also: ["pulses/m", "imp/m"] },
    "/100 m": { factor: 0.01, decimals: 0, also: ["pulses/100 m", "/100m"] },
    "/ft": { factor: 1 / METRES_PER.ft, decimals: 3, also: ["pulses/ft"] },
  },
  /** 1/m³: pulses of a flow meter */
  "count per volume": {
    "/l": { factor: 1 / LITRE, decimals: 1, also: ["pulses/l", "imp/l"] },
    "/gal": { factor: 1 / GALLON, decimals: 1, also: ["pulses/gal"] },
  },
  /** kg for each turn or pulse of a meter */
  "mass per count": {
    "g each": { factor: 0.001, decimals: 2, also: ["g", "g/turn", "g/rev", "g/pulse"] },
    "kg each": { factor: 1, decimals: 4, also: ["kg", "kg/turn", "kg/rev", "kg/pulse"] },
    "lb each": { factor: POUND, decimals: 4, also: ["lb", "lb/turn", "lb/rev", "lb/pulse"] },
  },
  /** kg/m³ */
  "mass per volume": {
    "kg/l": { factor: 1000, decimals: 3 },
    "kg/hl": { factor: 10, decimals: 1 },
    "kg/m³": { factor: 1, decimals: 0, also: ["kg/m3"] },
    "lb/gal": { factor: POUND / GALLON, decimals: 2 },
    "lb/bu": { factor: POUND / BUSHEL, decimals: 1 },
  },
  /** kg/s */
  "mass per time": {
    "kg/min": { factor: 1 / 60, decimals: 1 },
    "lb/min": { factor: POUND / 60, decimals: 1 },
  },
  /** kg for each grain, as the mass of a thousand */
  "grain mass": {
    g: { factor: 1e-6, decimals: 1, also: ["g/1000", "g per 1000"] },
  },
  /** kg/m² */
  "mass per area": {
    "kg/ha": { factor: 1 / HECTARE, decimals: 1 },
    "lb/ac": { factor: POUND / ACRE, decimals: 1, also: ["lbs/ac", "lb/acre"] },
    "t/ha": { factor: 1000 / HECTARE, decimals: 2 },
  },
  /** m³/m² */
  "volume per area": {
    "l/ha": { factor: LITRE / HECTARE, decimals: 0, also: ["litres/ha"] },
    "gal/ac": { factor: GALLON / ACRE, decimals: 1, also: ["gpa", "gal/acre"] },
  },
  /** 1/m² */
  "count per area": {
    "/ha": { factor: 1 / HECTARE, decimals: 0, also: ["seeds/ha", "grains/ha"] },
    "/ac": { factor: 1 / ACRE, decimals: 0, also: ["seeds/ac", "grains/ac"] },
    "/m²": { factor: 1, decimals: 1, also: ["/m2", "seeds/m2", "seeds/m²", "grains/m²"] },
  },
} as const satisfies Record<string, Record<string, UnitEntry>>;

export type Family = keyof typeof FAMILIES;
export type UnitOf<F extends Family> = keyof (typeof FAMILIES)[F] & string;

export type Measured = {
  /** SI */
  value: number;
  /** the smallest step the text resolves, SI */
  step: number;
};

const entriesOf = (family: Family) => Object.entries(FAMILIES[family]) as [string, UnitEntry][];

/**
 * Reads a quantity of a family; `example` is what a problem shows; a bare number takes `unit`. None of them can be negative. A comma before three
 * digits is refused: 1,500 kg may be either.
 */
export function parseMeasure<F extends Family>(
  family: F,
  text: string,
  unit: UnitOf<F>,
  example = exampleOf(family, unit),
): Parsed<Measured> {
  const refuse = (problem: string): Parsed<Measured> => ({
    ok: false,
    problem: `${problem} Type it like ${example}.`,
  });
  const plain = text.trim().replace(/[\u00a0\u202f]/g, " ");
  if (plain === "") return refuse("Nothing was typed.");
  const split = /^(\d{1,3}(?: \d{3})+(?:[.,]\d+)?|[\d.,]+)\s*(.*)$/.exec(plain);
  if (!split)
    return refuse(/^[-−–]/.test(plain) ? "It cannot be negative." : `“${plain}” was not understood.`);
  const [, digits = "", word = ""] = split;
  const figure = readFigure(digits);
  if (typeof figure === "string") return refuse(figure);
  if (figure.grouped !== null)
    return refuse(`“${digits}” could be ${digits.replace(",", ".")} or ${figure.grouped}.`);
  const bare = Object.hasOwn(FAMILIES[family], unit) ? FAMILIES[family][unit] : undefined;
  const found = word === "" ? bare : unitNamed(family, word);
  if (!found) return refuse(`“${word}” is not a unit of ${family}.`);
  const { factor } = found as UnitEntry;
  return { ok: true, value: { value: figure.value * factor, step: figure.step * factor } };
}

function unitNamed(family: Family, word: string): UnitEntry | undefined {
  const said = word
    .toLowerCase()
    .replace(/\s*\/\s*/g, "/")
    .replace(/\.$/, "");
  return entriesOf(family).find(
    ([name, { also = [] }]) => name.toLowerCase() === said || also.includes(said),
  )?.[1];
}

function exampleOf(family: Family, unit: string): string {
  const others = entriesOf(family).map(([name]) => name);
  const other = others.find((name) => name !== unit);
  return other ? `12.5 ${unit} or 12.5 ${other}` : `12.5 ${unit}`;
}

/** The last printed place, SI. */
export function measureStep<F extends Family>(family: F, unit: UnitOf<F>): number {
  const { factor, decimals } = FAMILIES[family][unit] as UnitEntry;
  return factor * 10 ** -decimals;
}

/** SI → a unit of the family. */
export function inUnit<F extends Family>(family: F, value: number, unit: UnitOf<F>): number {
  return value / (FAMILIES[family][unit] as UnitEntry).factor;
}

/** With more or fewer decimals than usual where `decimals` says so. @throws RangeError for what is no finite number */
export function printMeasure<F extends Family>(
  family: F,
  value: number,
  unit: UnitOf<F>,
  decimals = (FAMILIES[family][unit] as UnitEntry).decimals,
): string {
  if (!Number.isFinite(value)) throw new RangeError(`not a quantity: ${value}`);
  // The sign of degrees stands close (SI brochure, 5.4.3); every other unit after a space.
  return `${roundHalfUp(inUnit(family, value, unit), decimals)}${unit === "°" ? "" : "\u00a0"}${unit}`;
}
