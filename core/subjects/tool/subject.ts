import { READINGS_ALONE, type Subject } from "../../subject/subject.ts";

export const TOOL: Subject<"tool", null> = {
  key: "tool",
  label: "Tool",
  lead: "Where the tool meets the ground, seen from its hitch.",
  asks: "",
  changesOf: ["implement"],
  shows: "tool",
  holds: "card",
  onSheet: true,
  ...READINGS_ALONE,
};
