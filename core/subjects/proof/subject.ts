import { usesTerminal } from "../../rig/asked.ts";
import { works } from "../../rig/whole.ts";
import { READINGS_ALONE, type Subject } from "../../subject/subject.ts";
import { FIELD_TESTS } from "./jobs/index.ts";
import { provedOf } from "./provable.ts";

export const PROOF: Subject<"proof", null> = {
  key: "proof",
  label: "Proof",
  lead: "Measured in the field: which number is wrong, by how much, and how sure that is.",
  asks: "",
  changesOf: [],
  shows: "tool",
  holds: null,
  // A field test is driven with what the terminal was told.
  restsOn: "card",
  onSheet: false,
  jobs: FIELD_TESTS,
  ...READINGS_ALONE,
  serves: ({ parts }) => parts.some(({ rig }) => usesTerminal(rig)),
  standing: ({ parts }) => provedOf(parts.map(({ rig }) => rig).filter(works)),
};
