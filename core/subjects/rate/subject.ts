import type { Subject } from "../../subject/subject.ts";
import { CALIBRATIONS } from "./calibrations/index.ts";
import { rateChecks } from "./checks.ts";
import { NOZZLE, OPENER, ROW } from "./parts.ts";
import { doses, type RateReckoned, reckonRate } from "./rate-of-rig.ts";

export const RATE: Subject<"rate", RateReckoned> = {
  key: "rate",
  label: "Rate",
  lead: "Does as much come out, or get counted, as the terminal says?",
  asks: "Can the rate be believed?",
  changesOf: ["implement"],
  shows: "rig",
  holds: "card",
  onSheet: false,
  components: [NOZZLE, ROW, OPENER],
  calibrations: CALIBRATIONS,
  serves: ({ parts }) => parts.some(({ rig }) => doses(rig)),
  reckon: reckonRate,
  checks: (known, whole) => rateChecks(whole, known),
};
