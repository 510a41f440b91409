import { PRESETS } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { drawPlan } from "./plan.ts";
import type { DrawnRig } from "./sheet.ts";

/** A small plan for a list of rigs: one path for each kind of line, so that a page of them stays light. */
export type Thumbnail = {
  width: number;
  height: number;
  paths: { kind: string; d: string }[];
  /** null where nothing rests on one */
  receiver: { x: number; y: number } | null;
  pin: { x: number; y: number };
};

/** Draws a rig in plan, to scale, without dimensions. */
export function drawThumbnail(
  rig: ResolvedRig,
  width: number,
  height: number,
  others: readonly ResolvedRig[] = [],
): Thumbnail {
  const plan = drawPlan(rig, {
    width,
    height,
    region: "rig",
    labels: "none",
    station: null,
    only: null,
    units: PRESETS.metric,
    others,
  });
  const at = (key: "receiver" | "pin") => {
    const point = plan.points.find((each) => each.key === key);
    return point ? { x: short(point.x), y: short(point.y) } : null;
  };
  return { width, height, paths: pathsOf(plan), receiver: at("receiver"), pin: at("pin")! };
}

const short = (value: number) => Math.round(value * 10) / 10;

function pathsOf({ grid, blocks, strokes, width, height }: DrawnRig): Thumbnail["paths"] {
  const paths = new Map<string, string>();
  const add = (kind: string, d: string) => paths.set(kind, (paths.get(kind) ?? "") + d);
  for (const x of grid.x) add("grid", `M${short(x)} 0V${height}`);
  for (const y of grid.y) add("grid", `M0 ${short(y)}H${width}`);
  for (const { role, assumed, x, y, w, h } of blocks)
    add(
      `block ${role}${assumed ? " assumed" : ""}`,
      `M${short(x)} ${short(y)}h${short(w)}v${short(h)}h${short(-w)}z`,
    );
  for (const { role, assumed, points } of strokes)
    add(
      `stroke ${role.replace(" ", "-")}${assumed ? " assumed" : ""}`,
      `M${points
        .split(" ")
        .map((pair) =>
          pair
            .split(",")
            .map((each) => short(Number(each)))
            .join(" "),
        )
        .join("L")}`,
    );
  return [...paths].map(([kind, d]) => ({ kind, d }));
}
