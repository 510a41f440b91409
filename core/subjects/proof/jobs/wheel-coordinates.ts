/** The same wheel marks where coordinates are written down. */
import type { JobKind } from "../../../job/kind.ts";
import { parkOnCoordinates } from "../../../simulation/drive.ts";
import { apart, solveCoordinates } from "../fits/wheel-marks.ts";
import { anywhere, NEAR, wheelSketch } from "./common.ts";

export const WHEEL_COORDINATES: JobKind = {
  key: "wheel-coordinates",
  title: "Same wheel marks, by coordinates",
  tells: "Where the receiver really is, off the coordinates the terminal shows.",
  drive: [
    "Park on firm ground. Mark on the ground where both rear wheels stand.",
    "Write down latitude and longitude. Turn round, come back the other way onto the same marks, and write them down again.",
    "Three times round tells how well it repeats.",
  ],
  measure: [
    "Read decimal degrees with seven decimals or more: the seventh is a centimetre.",
    "The heading is that of the first parking, off the terminal or a compass: a few degrees do not matter for the side.",
  ],
  enough: { count: 3, why: "three rounds give a spread to judge the mean by" },
  blind: [
    "Some terminals show the antenna's place, some the machine's. Say which: of the antenna half the difference is its whole offset.",
    "A side slope cancels; a wrongly levelled roll sensor does not.",
  ],
  cautions: [NEAR],
  one: "round",
  receiver: true,
  on: anywhere,
  fields: [
    {
      key: "shown",
      label: "The coordinates shown are",
      hint: "",
      kind: "choice",
      choices: [
        { key: "antenna", label: "the antenna's" },
        { key: "machine", label: "the machine's" },
      ],
    },
    { key: "heading", label: "First heading", hint: "degrees from north, clockwise", kind: "heading" },
    { key: "latitude1", label: "First latitude", hint: "like 55.1234567", kind: "coordinate", most: 90 },
    { key: "longitude1", label: "First longitude", hint: "west is −", kind: "coordinate", most: 180 },
    { key: "latitude2", label: "Second latitude", hint: "", kind: "coordinate", most: 90 },
    { key: "longitude2", label: "Second longitude", hint: "", kind: "coordinate", most: 180 },
  ],
  asksSpacing: false,
  judgedBy: "across",
  solve: ({ observations, left, entered }) => solveCoordinates(observations, left, entered),
  sketch: (observations, sheet) =>
    wheelSketch(
      observations.map(({ values }) => apart(values).right / 2),
      sheet,
    ),
  drill: {
    label: "Park twice, write down coordinates, four times",
    found: (field) =>
      Array.from({ length: 4 }, () => {
        const { heading, first, second } = parkOnCoordinates(field);
        const values = {
          heading,
          latitude1: first.latitude,
          longitude1: first.longitude,
          latitude2: second.latitude,
          longitude2: second.longitude,
        };
        const texts = Object.entries(values).map(([key, radians]): [string, string] => [
          key,
          ((radians * 180) / Math.PI).toFixed(key === "heading" ? 0 : 8),
        ]);
        return { values, choices: { shown: "antenna" }, texts: Object.fromEntries(texts) };
      }),
  },
};
