/** A job as a sketch: what was driven, where it is measured, and what came out, drawn large enough to be seen. */
import type { JobKind, SketchSheet } from "../job/kind.ts";
import type { Observation } from "../job/result.ts";
import type { DrawnRig } from "./sheet.ts";

/** What a job looks like so far; null where the rig's own drawing says more. */
export function drawJob(
  kind: JobKind,
  observations: readonly Observation[],
  sheet: SketchSheet,
): DrawnRig | null {
  const sketch = kind.sketch(observations, sheet);
  if (!sketch) return null;
  return {
    width: sheet.width,
    height: sheet.height,
    scale: 0,
    grid: { x: [], y: [] },
    rows: [],
    points: [],
    brackets: [],
    marks: [],
    scaleBar: { x: 0, y: 0, length: 0, label: "" },
    travel: "up",
    blocks: sketch.blocks ?? [],
    strokes: sketch.strokes ?? [],
    notes: sketch.notes ?? [],
    ...(sketch.spots ? { spots: sketch.spots } : {}),
  };
}
