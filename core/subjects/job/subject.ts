import type { Subject } from "../../subject/subject.ts";
import { jobChecks } from "./checks.ts";
import { type JobReckoned, leadOf, reckonJob } from "./job-of-rig.ts";

export const JOB: Subject<"job", JobReckoned> = {
  key: "job",
  label: "Job",
  lead: "Where, what and with what: is the terminal told, and is it all in sight?",
  asks: "Will the record say what was really done?",
  changesOf: [],
  shows: "rig",
  holds: "card",
  onSheet: false,
  serves: (whole) => leadOf(whole) !== null,
  reckon: reckonJob,
  checks: (job, whole) => jobChecks(whole, job),
};
