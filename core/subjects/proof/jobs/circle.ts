/** Cut-in on a circle: the length from hitch to wheels that turning is reckoned with. */
import { isTrain } from "../../../dimension/attachment.ts";
import { hasDimension } from "../../../dimension/catalogue.ts";
import type { JobKind, Sketch, SketchSheet } from "../../../job/kind.ts";
import type { Observation } from "../../../job/result.ts";
import { line, SKETCH_MARGIN } from "../../../picture/strokes.ts";
import { printLength } from "../../../quantity/length.ts";
import { steersBy } from "../../../rig/asked.ts";
import { between } from "../../../rig/chain.ts";
import type { ResolvedRig } from "../../../rig/resolve.ts";
import { driveCircle } from "../../../simulation/drive.ts";
import { solveCircle } from "../fits/circle.ts";
import { NEAR, toMillimetres } from "./common.ts";

/** The hitch behind what the machine turns about: its axle, or the middle of its tracks; metres. */
function hitchBehind(rig: ResolvedRig): { hitch: number; sigma: number } | null {
  const { total, sigma } = between(rig, steersBy(rig) === "tracks" ? "turn" : "axle", "pin", "x");
  return total === null || sigma === null ? null : { hitch: -total, sigma };
}

export const CIRCLE: JobKind = {
  key: "circle",
  title: "Cut-in on a circle",
  tells: "The length from hitch to wheels that turning is reckoned with.",
  drive: [
    "On firm ground, hold one steering angle and drive slowly until the tool's wheels run in their own marks.",
    "Two full circles, without touching the wheel.",
  ],
  measure: [
    "Across the circle through its middle, from wheel mark to wheel mark.",
    "The outer and the inner mark of the tractor's rear wheels, then of the tool's wheels.",
  ],
  enough: { count: 3, why: "three diameters across one circle show how round it is" },
  blind: [
    "On a slope or on loose ground the tool slips sideways: then it looks shorter or longer than it is.",
  ],
  cautions: [
    NEAR,
    "A trailed tool at full lock can catch the tyre or bend the drawbar: stay within what the operator's manual allows.",
  ],
  one: "circle",
  receiver: false,
  on: (attachment) => hasDimension(attachment, "pin.pivot") && !isTrain(attachment),
  fields: (
    [
      ["tractorOuter", "Tractor, outer marks"],
      ["tractorInner", "Tractor, inner marks"],
      ["toolOuter", "Tool, outer marks"],
      ["toolInner", "Tool, inner marks"],
    ] as const
  ).map(([key, label]) => ({ key, label, hint: "diameter, middle of the mark to middle", kind: "length" })),
  asksSpacing: false,
  judgedBy: "along",
  solve: ({ observations, left, rig, entered }) => solveCircle(observations, left, hitchBehind(rig), entered),
  sketch,
  drill: {
    label: "Drive a circle, four diameters",
    found: (field) =>
      Array.from({ length: 4 }, () => ({
        values: Object.fromEntries(
          Object.entries(driveCircle(field)).map(([key, value]) => [key, toMillimetres(value)]),
        ),
      })),
  },
};

/** The circles of tractor and tool, to scale with each other. */
function sketch(observations: readonly Observation[], { width, height, units }: SketchSheet): Sketch {
  const last = observations.at(-1)?.values;
  const diameters: [string, number | undefined, string][] = [
    ["tractorOuter", last?.tractorOuter, "break"],
    ["tractorInner", last?.tractorInner, "break"],
    ["toolOuter", last?.toolOuter, "virtual"],
    ["toolInner", last?.toolInner, "virtual"],
  ];
  const usual = { tractorOuter: 22, tractorInner: 18.4, toolOuter: 20.4, toolInner: 16.2 } as Record<
    string,
    number
  >;
  const sizes = diameters.map(([key, value, role]) => ({ role, size: value ?? usual[key]! }));
  const scale =
    Math.min(width - 2 * SKETCH_MARGIN, height - 120) / Math.max(...sizes.map(({ size }) => size));
  const [x, y] = [width / 2, (height - 60) / 2];
  const circle = (radius: number) =>
    Array.from({ length: 73 }, (_, step) => {
      const angle = (step * Math.PI) / 36;
      return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const;
    });
  return {
    strokes: [
      ...sizes.map(({ role, size }) => line(role, ...circle((size * scale) / 2))),
      line("rod", [x - (sizes[0]!.size * scale) / 2, y], [x + (sizes[0]!.size * scale) / 2, y]),
    ],
    notes: [
      { x, y: y - 10, text: "tape across the middle", anchor: "middle" },
      { x, y: height - 34, text: "solid: tractor's marks, dashed: the tool's", anchor: "middle" },
      {
        x,
        y: height - 12,
        text: last
          ? `outer ${printLength(sizes[0]!.size, units.tape)} and ${printLength(sizes[2]!.size, units.tape)}`
          : "Until the tool runs in its own marks",
        anchor: "middle",
        ...(last ? { tone: "dye" as const } : {}),
      },
    ],
  };
}
