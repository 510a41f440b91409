/** Every finding on a whole rig, and what each subject reckoned on the way. */

import { dimension, isDimensionKey, isOfCarrier } from "../dimension/catalogue.ts";
import { type Check, findingsOf } from "../finding/check.ts";
import { type Finding, worstFirst } from "../finding/finding.ts";
import { judge } from "../finding/judge.ts";
import { together } from "../rig/swath.ts";
import type { WholeRig } from "../rig/whole.ts";
import type { Subject } from "../subject/subject.ts";
import { type ReckonedBy, SUBJECTS } from "./index.ts";

export type Judged = {
  reckoned: ReckonedBy;
  checks: Check[];
  findings: Finding[];
};

/**
 * Reckons and judges a rig once, in SI: what each subject reckoned, every check, and what is wrong, worst
 * first.
 */
export function judgeWhole(whole: WholeRig, subjects: readonly Subject[] = SUBJECTS): Judged {
  const reckoned = subjects.map((subject) => [subject.key, subject.reckon(whole)] as const);
  const checks = subjects.flatMap((subject, index) => subject.checks(reckoned[index]![1], whole));
  return {
    reckoned: Object.fromEntries(reckoned) as ReckonedBy,
    checks,
    findings: worstFirst([...findingsOf(checks), ...readingFindings(whole)]),
  };
}

/** What is wrong with single readings, part by part; those of the machine that drives once. */
function readingFindings(whole: WholeRig): Finding[] {
  const { parts } = whole;
  return parts.flatMap(({ rig }, index) => {
    const found = judge(rig, together(whole, index));
    if (index === 0) return parts.length > 1 ? found.map((each) => ({ ...each, part: index })) : found;
    return found
      .filter(({ subject }) => !isDimensionKey(subject) || !isOfCarrier(dimension(subject, rig)))
      .map((each) => ({ ...each, id: `${each.id}:${index + 1}`, part: index }));
  });
}
