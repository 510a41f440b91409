/**
 * Implement draft after ASABE D497, clause 4: D = F · (A + B·S + C·S²) · W · T.
 * The table's own units are N, km/h, metres (or tools, rows) and centimetres; they are converted here and nowhere else.
 * Coefficients from memory of D497.4 to D497.7.
 */

export const SOILS = ["fine", "medium", "coarse"] as const;
export type Soil = (typeof SOILS)[number];

export type DraftRow = {
  label: string;
  /** what the width is counted in */
  per: "metre" | "tool" | "row";
  a: number;
  b: number;
  c: number;
  /** F for fine, medium and coarse soil */
  soil: readonly [number, number, number];
  /** false for seeders, whose draft does not grow with depth */
  byDepth: boolean;
  /** expected range, ± share of the draft */
  band: number;
};

const MOULDBOARD = [1, 0.7, 0.45] as const;
const TINES = [1, 0.85, 0.65] as const;
const DISCS = [1, 0.88, 0.78] as const;
const SAME = [1, 1, 1] as const;

const row = (
  label: string,
  per: DraftRow["per"],
  [a, b, c]: readonly [number, number, number],
  soil: DraftRow["soil"],
  band: number,
  byDepth = true,
): DraftRow => ({ label, per, a, b, c, soil, byDepth, band });

export const DRAFT_TABLE = {
  "mouldboard plough": row("Mouldboard plough", "metre", [652, 0, 5.1], MOULDBOARD, 0.4),
  "subsoiler, narrow": row("Subsoiler, narrow point", "tool", [226, 0, 1.8], MOULDBOARD, 0.5),
  "subsoiler, winged": row("Subsoiler, 30 cm winged point", "tool", [294, 0, 2.4], MOULDBOARD, 0.5),
  "chisel, straight": row("Chisel plough, 5 cm straight point", "tool", [91, 5.4, 0], TINES, 0.5),
  "chisel, sweep": row("Chisel plough, 7.5 cm shovel or 35 cm sweep", "tool", [107, 6.3, 0], TINES, 0.5),
  "chisel, twisted": row("Chisel plough, 10 cm twisted shovel", "tool", [123, 7.3, 0], TINES, 0.5),
  "sweep plough": row("Sweep plough, primary", "metre", [390, 19, 0], TINES, 0.45),
  "disc tandem, primary": row("Disc harrow, tandem, primary", "metre", [309, 16, 0], DISCS, 0.5),
  "disc tandem, secondary": row("Disc harrow, tandem, secondary", "metre", [216, 11.2, 0], DISCS, 0.3),
  "disc offset": row("Disc harrow, offset, primary", "metre", [364, 18.8, 0], DISCS, 0.5),
  "cultivator, primary": row("Field cultivator, primary", "tool", [46, 2.8, 0], TINES, 0.3),
  "cultivator, secondary": row("Field cultivator, secondary", "tool", [32, 1.9, 0], TINES, 0.25),
  "row cultivator, S-tine": row("Row-crop cultivator, S-tine", "row", [140, 7, 0], TINES, 0.15),
  "row cultivator, C-shank": row("Row-crop cultivator, C-shank", "row", [260, 13, 0], TINES, 0.15),
  "planter, mounted": row("Row planter, mounted, seed only", "row", [500, 0, 0], SAME, 0.25, false),
  "planter, drawn": row("Row planter, drawn, seed only", "row", [900, 0, 0], SAME, 0.25, false),
  "planter, drawn, fertiliser": row(
    "Row planter, drawn, seed, fertiliser and herbicide",
    "row",
    [1550, 0, 0],
    SAME,
    0.25,
    false,
  ),
  "drill, narrow": row("Grain drill, press wheels, under 2.4 m", "row", [400, 0, 0], SAME, 0.25, false),
  "drill, middle": row("Grain drill, press wheels, 2.4 to 3.7 m", "row", [300, 0, 0], SAME, 0.25, false),
  "drill, wide": row("Grain drill, press wheels, over 3.7 m", "row", [200, 0, 0], SAME, 0.25, false),
  "drill, no-till": row(
    "Grain drill, no-till, one fluted coulter a row",
    "row",
    [720, 0, 0],
    [1, 0.92, 0.79],
    0.35,
    false,
  ),
  "drill, pneumatic": row("Pneumatic drill", "metre", [3700, 0, 0], SAME, 0.5, false),
} as const satisfies Record<string, DraftRow>;

export type DraftKey = keyof typeof DRAFT_TABLE;

export type DraftAsked = {
  /** m/s */
  speed: number;
  /** metres, or the number of tools or rows, as the row counts */
  width: number;
  /** metres; unused where the row does not grow with depth */
  depth: number;
  soil: Soil;
};

/** Draft in newtons with the ends of its expected range. */
export function draftOf(
  key: DraftKey,
  { speed, width, depth, soil }: DraftAsked,
): { force: number; low: number; high: number } {
  const { a, b, c, soil: factors, byDepth, band }: DraftRow = DRAFT_TABLE[key];
  const [kmh, centimetres] = [speed * 3.6, byDepth ? depth * 100 : 1];
  const force = factors[SOILS.indexOf(soil)]! * (a + b * kmh + c * kmh ** 2) * width * centimetres;
  return { force, low: force * (1 - band), high: force * (1 + band) };
}
