/** What one sees, drawn small: strokes and patches on a sheet of 64 by 44, in the order they are laid. */

/** Soil is worked land, iron the tool, line an edge or a row, alarm what is wrong. */
export type Ink = "soil" | "iron" | "line" | "alarm" | "green";

export type PictureStroke = { d: string; ink: Ink; fill?: true; width?: number };

const rect = (x: number, y: number, w: number, h: number) => `M${x} ${y}h${w}v${h}h${-w}z`;
const patch = (d: string, ink: Ink): PictureStroke => ({ d, ink, fill: true });
const stroke = (d: string, ink: Ink, width = 2): PictureStroke => ({ d, ink, width });

/** Passes side by side, seen from above: their left edges and widths. */
const passes = (all: readonly (readonly [x: number, w: number])[]) =>
  all.map(([x, w]) => patch(rect(x, 4, w, 36), "soil"));

/** A furrow's section: steps down and up. */
const ground = (d: string) => [patch(d, "soil")];

export const PICTURES = {
  alternating: [
    ...passes([
      [2, 13],
      [18, 13],
      [27, 13],
      [43, 13],
    ]),
    patch(rect(15, 4, 3, 36), "alarm"),
    patch(rect(27, 4, 4, 36), "alarm"),
    patch(rect(40, 4, 3, 36), "alarm"),
  ],
  wide: [
    ...passes([
      [2, 12],
      [18, 12],
      [34, 12],
      [50, 12],
    ]),
    ...[14, 30, 46].map((x) => patch(rect(x, 4, 4, 36), "alarm")),
  ],
  late: [
    patch(rect(8, 14, 20, 26), "soil"),
    patch(rect(36, 6, 20, 34), "soil"),
    stroke("M2 14h60", "line"),
    patch(rect(36, 6, 20, 8), "alarm"),
  ],
  swing: [
    stroke("M12 40V20q0-12 14-12h30", "line"),
    stroke("M20 40V26q0-4 6-4h30", "soil", 6),
    stroke("M30 12q10 4 20 6", "alarm"),
  ],
  area: [
    patch(rect(6, 8, 24, 30), "soil"),
    stroke(rect(36, 8, 24, 30), "line"),
    patch(rect(36, 26, 24, 12), "alarm"),
  ],
  spinning: [
    stroke("M4 34h56", "line"),
    stroke("M44 22a10 10 0 1 0 .1 0", "iron", 3),
    stroke("M30 14q14-10 26 4l2-7m-2 7l-7-1", "alarm"),
  ],
  lifted: [
    stroke("M4 38h56", "line"),
    stroke("M6 14h50", "iron", 4),
    stroke("M14 14v10m36-10v20", "iron", 3),
    stroke("M14 27v8m-3-3l3 4 3-4", "alarm"),
  ],
  ragged: [
    stroke("M4 40h56", "line"),
    ...[8, 16, 24, 32, 40, 48, 56].map((x, at) =>
      stroke(`M${x} 40v-${[10, 20, 8, 24, 12, 18, 9][at]!}`, at % 2 ? "alarm" : "green"),
    ),
  ],
  thrown: [
    stroke("M4 38h56", "line"),
    stroke("M32 38v-14m0 4l-6-5m6 3l6-5", "green"),
    patch("M20 38q6-12 14-6l6 6z", "alarm"),
  ],
  shallow: [
    patch("M2 26h60v14H2z", "soil"),
    stroke("M26 4v18l10 5", "iron", 4),
    stroke("M44 22v-12m-3 4l3-4 3 4", "alarm"),
  ],
  lopsided: [
    patch("M2 18h60v24L2 26z", "soil"),
    stroke("M6 10l52 8", "iron", 4),
    stroke("M12 26v-6m40 18V24", "alarm"),
  ],
  pulled: [
    stroke("M32 42V22", "line"),
    patch(rect(24, 20, 16, 20), "iron"),
    stroke("M32 18q0-10 16-12l-6-4m6 4l-5 5", "alarm"),
  ],
  leaning: [
    ...ground("M2 30h26v8h34v4H2z"),
    stroke("M30 34L44 6", "iron", 4),
    stroke("M30 34V6", "line", 1),
    stroke("M30 12q6-2 10 2", "alarm"),
  ],
  furrow: [...ground("M2 20h14v14h20v-6h12v-6h14v20H2z"), stroke("M16 12h20m-20-3v6m20-6v6", "alarm")],
  trash: [
    ...ground("M2 26q6-8 12 0t12 0 12 0 12 0 12 0v16H2z"),
    stroke("M14 22l4-8m14 8l-4-8m20 8l5-7", "alarm"),
  ],
  tracks: [
    patch(rect(4, 26, 56, 14), "soil"),
    ...[12, 28, 44].map((x) => stroke(`M${x} 26v10`, "alarm", 3)),
    stroke("M12 8v10m16-10v10m16-10v10", "iron", 4),
  ],
  wing: [
    patch("M2 24h16v6h28v-6h16v18H2z", "soil"),
    stroke("M2 12h16l28 0h16", "iron", 4),
    stroke("M32 36v-6m-3 3l3-4 3 4", "alarm"),
  ],
  display: [
    stroke(rect(8, 6, 30, 24), "iron", 3),
    stroke("M14 18h18", "line"),
    stroke("M48 8v30m-4-30h8m-8 30h8", "line"),
    stroke("M40 18h4", "alarm", 3),
  ],
  heavy: [
    stroke("M2 36h60", "line"),
    stroke("M12 30h40l-4 8H16z", "iron", 3),
    stroke("M32 8v16m-5-5l5 6 5-6", "alarm", 3),
  ],
  swath: [
    patch("M18 38q14-22 28 0z", "green"),
    stroke("M24 8v16m16-16v16", "iron", 3),
    stroke("M18 42h6m16 0h6", "alarm", 3),
  ],
  slot: [
    patch("M2 20h26l4 18 4-18h26v22H2z", "soil"),
    stroke("M32 36v-2", "green", 4),
    stroke("M26 14l6 6 6-6", "alarm"),
  ],
  rows: [
    ...[10, 22, 34, 46, 58].map((x, at) =>
      stroke(`M${x} 40v-${at % 2 ? 8 : 22}`, at % 2 ? "alarm" : "green", 3),
    ),
    stroke("M4 40h58", "line"),
  ],
  lever: [
    stroke("M16 38h24", "iron", 4),
    stroke("M28 38L40 10", "iron", 4),
    stroke("M48 10l8 8m0-8l-8 8", "alarm"),
  ],
  wear: [
    stroke("M8 10l14 12-6 4z", "iron", 3),
    stroke("M36 10l20 18-8 5z", "iron", 3),
    stroke("M8 34h14m-14 4h8", "alarm"),
  ],
} as const satisfies Record<string, readonly PictureStroke[]>;

export type PictureKey = keyof typeof PICTURES;
