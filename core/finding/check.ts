/** What a station looked at, good or not: the rows of its table. Those that are not good are its findings. */
import type { Said } from "../quantity/said.ts";
import type { Finding, Severity, Target } from "./finding.ts";

export type Verdict = Severity | "good" | "unknown";

export type Check = Pick<Finding, "id" | "station" | "part"> & {
  label: string;
  verdict: Verdict;
  /** the result in a sentence, with its figures */
  said: Said;
  why: Said;
  /** what to read or change, and how the button says it */
  target: Target;
  next: string;
  /** what the target is to be set to, SI; absent where nothing but looking helps */
  advised?: number;
};

/** The checks that are neither good nor unknown, as findings. */
export function findingsOf(checks: readonly Check[]): Finding[] {
  return checks.flatMap(({ verdict, said, target, next, label: _, ...rest }) =>
    verdict === "good" || verdict === "unknown"
      ? []
      : [{ ...rest, severity: verdict, subject: target, what: said, next: { label: next, target } }],
  );
}
