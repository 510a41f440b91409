/** Every kind of job there is: those of the subjects, in their order. */
import type { Attachment } from "../dimension/attachment.ts";
import type { JobKind } from "../job/kind.ts";
import { SUBJECTS } from "./index.ts";

/** Every kind of job, in the order of the subjects. */
export function allJobs(): JobKind[] {
  return SUBJECTS.flatMap(({ jobs = [] }) => jobs);
}

/** @throws RangeError where no subject has a job of this key */
export function jobKind(key: string): JobKind {
  const found = allJobs().find((each) => each.key === key);
  if (!found) throw new RangeError(`There is no job “${key}”.`);
  return found;
}

/** The jobs a tool of this attachment has. */
export function jobsOf(attachment: Attachment): JobKind[] {
  return allJobs().filter(({ on }) => on(attachment));
}
