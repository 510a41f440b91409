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
  ...READINGS_ALONE,
};
