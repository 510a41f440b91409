/** Field tests of the demo yard: joints and marks as somebody taped them, solved and accepted as the product does it. */

import { acceptFigure } from "../../core/job/accepting.ts";
import { judgeJob } from "../../core/job/judged.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { jobKind } from "../../core/subjects/jobs.ts";
import type { TestConditions } from "../../core/trade/field-conditions.ts";
import { rigFacts } from "../facts.ts";
import { acceptTest, beginTest, keepObservations, setTest } from "../field-tests.ts";
import type { Database } from "../handle.ts";
import type { RigTool } from "../rigs.ts";

export type DemoTest = {
  /** by its key */
  kind: string;
  conditions: TestConditions;
  /** metres */
  spacing: number | null;
  rowToRow: boolean;
  note: string;
  observations: readonly {
    values: Record<string, number>;
    choices: Record<string, string>;
    texts: Record<string, string>;
  }[];
  /** figures that are accepted, by key: each agrees with what is entered */
  confirmed: readonly string[];
  at: string;
};

/** @throws Error where a figure that is to be confirmed does not agree: the yard would say what its own tests do not */
export function plantTest(db: Database, rig: RigTool, test: DemoTest, index: number, person: string): void {
  const stamp = { person, at: new Date(test.at) };
  const id = `demo-test-${rig.id}-${index + 1}`;
  const { kind, conditions, spacing, rowToRow, note } = test;
  beginTest(db, rig, { id, kind, conditions, spacing, ...stamp });
  setTest(db, id, { rowToRow, note }, stamp);
  keepObservations(
    db,
    id,
    test.observations.map((each, at) => ({ id: `${id}-${at + 1}`, ...each })),
    stamp,
  );
  const judged = {
    ...test,
    kind: jobKind(kind),
    observations: test.observations.map((each) => ({ ...each, leftOut: false })),
  };
  const resolved = resolveRig(rigFacts(db, rig));
  const { verdicts } = judgeJob(judged, resolved);
  const tested = { ...judged, verdicts };
  const accepted = test.confirmed.map((key) => {
    const verdict = verdicts.find((each) => each.measured.key === key);
    if (!verdict) throw new Error(`no ${key} in ${kind}`);
    const made = acceptFigure(tested, verdict, "confirm", resolved, PRESETS.metric);
    if ("problem" in made) throw new Error(`${key}: ${made.problem}`);
    return made;
  });
  acceptTest(db, rig, id, accepted, stamp);
}
