import { isAhead } from "../../dimension/attachment.ts";
import { usesTerminal } from "../../rig/asked.ts";
import { between } from "../../rig/chain.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { SIDE_SLOPE } from "../../rig/tape-next.ts";
import { type Follow, follow, hangsOn } from "../../subject/measured.ts";
import { READINGS_ALONE, type Subject } from "../../subject/subject.ts";

export const ANTENNA: Subject<"antenna", null> = {
  key: "antenna",
  label: "Antenna",
  lead: "Where the receiver and the hitch are, seen from the axle.",
  asks: "",
  changesOf: ["tractor"],
  shows: "tool",
  holds: "card",
  onSheet: true,
  measured: { region: "tractor", to: "pin", sections: false, follows, pages: [] },
  ...READINGS_ALONE,
  serves: ({ parts }) => parts.some(({ rig }) => usesTerminal(rig)),
};

function follows(rig: ResolvedRig): Follow[] {
  const height = between(rig, "axle", "receiver", "up").total;
  return [
    isAhead(rig.attachment)
      ? follow("Receiver behind the hitch", between(rig, "receiver", "pin", "x"))
      : follow(`Receiver ahead of the ${hangsOn(rig.attachment)}`, between(rig, "pin", "receiver", "x")),
    follow("Lateral offset of the receiver", between(rig, "axle", "receiver", "y"), "sideways"),
    {
      label: "Leans downhill on a 4° slope",
      metres: height === null ? null : height * Math.sin(SIDE_SLOPE),
      as: "small",
      chain: null,
    },
  ];
}
