/** What several field tests have in common. */
import type { Sketch, SketchSheet } from "../../../job/kind.ts";
import { signedSmall } from "../../../job/words.ts";
import { arrow, block, line, type Note } from "../../../picture/strokes.ts";

/** A test every tool has. */
export const anywhere = () => true;

export const ON_FOOT = "Tractor stopped, brake on, tool lowered, key out before anybody walks to the work.";
export const NEAR = "Nobody between tractor and tool, and nobody beside a tool that moves.";

/** A tape and a terminal are read to the millimetre. */
export function toMillimetres(metres: number): number {
  return Math.round(metres * 1000) / 1000;
}

/** Sheets under this have no room above the wheels, pixels. */
const LOW = 400;

/** The same wheel marks, the receiver reported once on either side of the middle. */
export function wheelSketch(halves: readonly number[], { width, height, units }: SketchSheet): Sketch {
  const half = halves.length === 0 ? null : halves.reduce((sum, each) => sum + each, 0) / halves.length;
  const [middle, y] = [width / 2, height * 0.46];
  const [track, tyre] = [width * 0.29, { w: 34, h: 104 }];
  const off = half === null ? 0 : Math.sign(half) * Math.min(width * 0.2, 24 + Math.abs(half) * 600);
  const tyres = [-1, 1].map((side) =>
    block("tyre", middle + side * track - tyre.w / 2, y - tyre.h / 2, tyre.w, tyre.h),
  );
  const strokes = [
    line("virtual", [middle, 56], [middle, height - 96]),
    line("break", [middle - track, y], [middle + track, y]),
    arrow(middle - track - 44, y + 60, y - 60),
    arrow(middle + track + 44, y - 60, y + 60),
  ];
  const notes: Note[] = [
    // On a low sheet the receiver stands where this would: the arrows say it as well.
    ...(height < LOW ? [] : [{ x: middle, y: 34, text: "first way", anchor: "middle" as const }]),
    { x: middle - track - 44, y: y + 84, text: "first", anchor: "middle" },
    { x: middle + track + 44, y: y + 84, text: "second", anchor: "middle" },
    {
      x: middle,
      y: height - (height < LOW ? 14 : 44),
      text:
        half === null
          ? "Both times the wheels stand on the same marks"
          : `half of it: ${signedSmall(half, units)}`,
      anchor: "middle",
      ...(half === null ? {} : { tone: "dye" as const }),
    },
  ];
  if (half === null) return { blocks: tyres, strokes, notes };
  return {
    blocks: tyres,
    strokes: [...strokes, line("virtual", [middle + off, y - 70], [middle - off, y - 70])],
    notes: [
      ...notes,
      { x: middle + off, y: y - 88, text: "1st", anchor: "middle", tone: "dye" },
      { x: middle - off, y: y - 88, text: "2nd", anchor: "middle", tone: "dye" },
    ],
    spots: [
      { x: middle + off, y: y - 70, kind: "virtual" },
      { x: middle - off, y: y - 70, kind: "pin" },
    ],
  };
}
