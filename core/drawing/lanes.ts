/** Passes and wheel marks of several tools across a field from one edge, to scale, tool under tool. Pixels, y down. */
import { printLength } from "../quantity/length.ts";
import type { Units } from "../quantity/units.ts";
import { type Lane, type LaneTool, lanesOf, passesAcross, together } from "../subjects/tool/lanes.ts";

type Box = { x: number; width: number };

export type LanesDrawn = {
  width: number;
  height: number;
  /** from the top; wheels none where they are not known */
  rows: { name: string; y: number; passes: Box[]; wheels: Box[] }[];
  /** marks of all of them, at the foot */
  all: { y: number; wheels: Box[] };
  ticks: { x: number; text: string }[];
};

const LEFT = 8;
const RIGHT = 12;
export const LANE_ROW = 62;
/** So many passes of the widest tool are drawn. */
const PASSES = 2;

/** Draws them on a sheet so wide. Of a tool whose wheels are not known only its passes are drawn. */
export function drawLanes(
  tools: readonly { name: string; lane: LaneTool; wheels: boolean }[],
  width: number,
  units: Units,
): LanesDrawn {
  const reach = PASSES * Math.max(...tools.map(({ lane }) => lane.spacing));
  const scale = (width - LEFT - RIGHT) / reach;
  const box = ([from, to]: Lane): Box => ({ x: LEFT + from * scale, width: (to - from) * scale });
  const rows = tools.map(({ name, lane, wheels }, at) => ({
    name,
    y: at * LANE_ROW,
    passes: passesAcross(lane, reach).flatMap((middle) => {
      const [from, to] = [Math.max(0, middle - lane.spacing / 2), Math.min(reach, middle + lane.spacing / 2)];
      return to - from > 0.01 ? [box([from, to])] : [];
    }),
    wheels: wheels ? lanesOf(lane, reach).map(box) : [],
  }));
  const foot = tools.length * LANE_ROW;
  const marks = together(tools.filter(({ wheels }) => wheels).flatMap(({ lane }) => lanesOf(lane, reach)));
  return {
    width,
    height: foot + 62,
    rows,
    all: { y: foot, wheels: marks.map(box) },
    ticks: [0, 0.5, 1].map((share) => ({
      x: LEFT + share * reach * scale,
      text: printLength(share * reach, units.tape, { decimals: 1 }),
    })),
  };
}
