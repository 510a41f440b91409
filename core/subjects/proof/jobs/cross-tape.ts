/** Tape against drawing: one tape across checks the whole chain of lengths between two points. */
import type { JobKind } from "../../../job/kind.ts";
import { explainsOdd, solveCrossTape } from "../fits/cross-tape.ts";
import { anywhere, ON_FOOT } from "./common.ts";

export const CROSS_TAPE: JobKind = {
  key: "cross-tape",
  title: "Tape against drawing",
  tells: "One tape across checks the whole chain of lengths between two points.",
  drive: ["Pull straight ahead a few metres on a level floor and stop. Tool lowered."],
  measure: [
    "Plumb both points to the floor and tape between the marks, straight across, whatever lies between.",
    "Choose points far apart, and of different parts of the chain.",
  ],
  enough: { count: 1, why: "one honest distance is a check; a second one across tells where a fault lies" },
  blind: ["A distance along the line says little of what lies to the side of it, and the other way round."],
  cautions: [ON_FOOT],
  one: "distance",
  receiver: false,
  on: anywhere,
  fields: [
    { key: "from", label: "From", hint: "", kind: "point" },
    { key: "to", label: "To", hint: "", kind: "point" },
    { key: "distance", label: "Distance", hint: "on the floor, mark to mark", kind: "length" },
  ],
  asksSpacing: false,
  judgedBy: "across",
  solve: ({ observations, left, rig }) => solveCrossTape(observations, left, rig),
  doubts: ({ terms }) =>
    terms.length < 2
      ? ["A tape along one reading is a repeat of it, no proof: read it again at its station."]
      : [],
  explains: explainsOdd,
  sketch: () => null,
};
