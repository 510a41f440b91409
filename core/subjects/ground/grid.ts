/** Where the depth is measured: points spread evenly over the work, along its front and its rear. */
import { known, type ToolOfRig } from "../../rig/whole.ts";
import type { DepthPoint } from "../../yard/ground.ts";
import { longOf } from "./ground-of-rig.ts";

/** As many points as lie across are told apart on the ground. */
export const ACROSS = { fewest: 2, most: 15, usual: 5 };

export type Place = Pick<DepthPoint, "label" | "x" | "y"> & { key: string };

/** So many points across, from the left, along each line of the work; none while nobody knows how wide it is. */
export function gridOf(part: Pick<ToolOfRig, "rig">, across: number): Place[] {
  const wide = known(part.rig, "tool.width");
  if (wide === null || !(wide > 0)) return [];
  const long = longOf(part);
  const lines =
    long > 0
      ? ([
          ["front", long / 2],
          ["rear", -long / 2],
        ] as const)
      : ([["point", 0]] as const);
  return lines.flatMap(([line, x]) =>
    Array.from({ length: across }, (_, at) => ({
      key: `${line}-${at + 1}`,
      label: `${line} ${at + 1}`,
      x,
      y: wide * ((at + 0.5) / across - 0.5),
    })),
  );
}
