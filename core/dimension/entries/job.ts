import { TOOL_KINDS, type ToolKindKey } from "../../trade/kinds.ts";
import { choice, entriesOf } from "../entry-type.ts";

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
