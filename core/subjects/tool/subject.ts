import { hasDimension } from "../../dimension/catalogue.ts";
import { pointLabel } from "../../dimension/points.ts";
import { capital } from "../../quantity/capital.ts";
import { between, evaluate, trackSpacing } from "../../rig/chain.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { type Swath, swathOf } from "../../rig/swath.ts";
import { known } from "../../rig/whole.ts";
import { type Follow, follow } from "../../subject/measured.ts";
import type { Subject } from "../../subject/subject.ts";
import { swathChecks } from "./checks.ts";
import { toldChecks } from "./told.ts";

export const TOOL: Subject<"tool", Swath> = {
  key: "tool",
  label: "Tool",
  lead: "Where the tool meets the ground, seen from its hitch.",
  asks: "",
  changesOf: ["implement"],
  shows: "tool",
  holds: "card",
  onSheet: true,
  measured: {
    region: "tool",
    to: "workFront",
    sections: true,
    follows,
    pages: [
      { page: "sections", label: "Sections and variants" },
      { page: "told", label: "What it tells about itself" },
      { page: "swaths", label: "The last pass" },
      { page: "budget", label: "How sure is it?" },
    ],
  },
  reckon: swathOf,
  checks: (swath, whole) => [...swathChecks(swath, whole), ...toldChecks(whole)],
};

/** How wide one part of a head or boom is, where it was told how many there are. */
function onePart(rig: ResolvedRig): Follow[] {
  const parts = known(rig, "tool.parts");
  return parts === null
    ? []
    : [follow("One part of the width", evaluate([{ key: "tool.width", coefficient: 1 / parts }], rig))];
}

function follows(rig: ResolvedRig): Follow[] {
  const label = (point: "axle" | "workFront" | "workRear") => pointLabel(point, rig);
  return [
    follow(capital(`${label("axle")} to ${label("workFront")}`), between(rig, "axle", "workFront", "x")),
    ...(hasDimension(rig, "pin.workRear")
      ? [follow(`Receiver to ${label("workRear")}`, between(rig, "receiver", "workRear", "x"))]
      : []),
    ...(hasDimension(rig, "pin.pivot")
      ? [follow("Receiver to wheels", between(rig, "receiver", "pivot", "x"))]
      : []),
    follow("Work, seen from the receiver", between(rig, "receiver", "workMid", "y"), "sideways"),
    follow("Line spacing, width less overlap", trackSpacing(rig)),
    ...onePart(rig),
  ];
}
