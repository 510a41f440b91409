import { TOOL_KINDS, type ToolKindKey } from "../../trade/kinds.ts";
import { choice, entriesOf, length } from "../entry-type.ts";

const DOSING: readonly ToolKindKey[] = ["sprayer", "spreader", "drill", "planter", "cart"];

/** What a job rests on besides what is set for it. */
export const JOB = entriesOf("job", "In the terminal", {
  "tool.rateController": choice(
    { yes: "Yes, it has one", no: "No" },
    {
      label: "Rate controller",
      fromTo: "whether the implement has a controller that sets the rate by itself",
      how: "Look on the implement: a box between meters or valve and the bus. The terminal lists it when it is plugged in.",
      subject: "implement",
      notOf: {
        kinds: (Object.keys(TOOL_KINDS) as ToolKindKey[]).filter((key) => !DOSING.includes(key)),
        unless: null,
      },
      when: { key: "tool.kind", is: DOSING },
      matters: "It enters the operation by itself. A second one added by hand records the field twice.",
    },
  ),
});

/** What turning at the headland rests on. */
export const GUIDANCE = entriesOf("guidance", "Turning", {
  "tractor.turnRadius": length([2, 25], 6, {
    label: "Least turning radius",
    fromTo: "from the middle of a full circle to the middle between the wheels, steering hard over",
    how: "On firm level ground drive a full circle at a walk, steering hard over. Tape its diameter on the track of the outer rear wheel, take off the track width, halve it.",
    subject: "tractor",
    touchedBy: ["tractor tyres"],
    matters: "How far it reaches into the headland, and how long each turn is.",
    whenMissing: "quiet",
  }),
});
