/** Whether several tools of a rig work one swath. */
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { leadOf } from "../../forces/power-of-rig.ts";
import { type Said, tapeLength, tell } from "../../quantity/said.ts";
import type { Swath } from "../../rig/swath.ts";
import type { WholeRig } from "../../rig/whole.ts";

/** Of one working tool nothing is looked at. */
export function swathChecks(swath: Swath, whole: WholeRig): Check[] {
  if (swath.kind === "single") return [];
  const part = swath.kind === "unknown" ? swath.part : leadOf(whole);
  const row = checkerOf("tool", whole.parts[part]!.rig, part)("swath", "One swath together");
  return [{ ...judged(swath, row), id: "swath" }];
}

function sideways(middle: number): Said {
  const side = middle > 0 ? "right" : "left";
  return Math.abs(middle) < 0.005
    ? "in the middle"
    : tell`the middle ${tapeLength(Math.abs(middle))} ${side}`;
}

function judged(
  swath: Exclude<Swath, { kind: "single" }>,
  row: ReturnType<ReturnType<typeof checkerOf>>,
): Check {
  switch (swath.kind) {
    case "unknown":
      return row.unknown(swath.key, "Without it nobody can tell how wide the tools work together.");
    case "hole":
      return row.fix(
        "tool.lateral",
        tell`A strip of ${tapeLength(swath.width)} stays unworked between the tools.`,
        "The rig has no width while there is a hole in it: move a tool sideways, or look at the offsets.",
      );
    case "swath":
      return row.good(
        "tool.lateral",
        tell`Together ${tapeLength(swath.width)} wide, ${sideways(swath.middle)}; they lap by ${tapeLength(swath.lap)}.`,
      );
  }
}
