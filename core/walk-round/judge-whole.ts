/** Every finding on a whole rig, and what the stations match, hitch and balance reckoned on the way. */
import { type Balance, balanceAt } from "../balance/checks.ts";
import { dimension, isDimensionKey } from "../dimension/catalogue.ts";
import { type Check, findingsOf } from "../finding/check.ts";
import { type Finding, worstFirst } from "../finding/finding.ts";
import { judge } from "../finding/judge.ts";
import { type Hitch, hitchesOf } from "../hitch/checks.ts";
import { type Hoses, hosesOf } from "../hoses/checks.ts";
import { type Match, matchOf } from "../match/checks.ts";
import type { Units } from "../quantity/units.ts";
import type { Whole } from "../rig/whole.ts";

export type Judged = {
  match: Match;
  hitch: Hitch;
  hoses: Hoses;
  balance: Balance;
  checks: Check[];
  findings: Finding[];
};

export function judgeWhole(whole: Whole, units: Units): Judged {
  const match = matchOf(whole, units);
  const hitch = hitchesOf(whole, units);
  const balance = balanceAt(whole, match.power, units);
  const hoses = hosesOf(whole, units);
  const checks = [...match.checks, ...hitch.checks, ...hoses.checks, ...balance.checks];
  return {
    match,
    hitch,
    hoses,
    balance,
    checks,
    findings: worstFirst([...findingsOf(checks), ...readingFindings(whole, units)]),
  };
}

const SHARED = new Set(["tractor", "receiver mount"]);

/** What is wrong with single readings, part by part; those of the machine that drives once. */
function readingFindings({ parts }: Whole, units: Units): Finding[] {
  return parts.flatMap(({ rig }, index) => {
    const found = judge(rig, units);
    if (index === 0) return parts.length > 1 ? found.map((each) => ({ ...each, part: index })) : found;
    return found
      .filter(
        ({ subject }) => !isDimensionKey(subject) || !SHARED.has(dimension(subject, rig.attachment).subject),
      )
      .map((each) => ({ ...each, id: `${each.id}:${index + 1}`, part: index }));
  });
}
