/** A field test of a rig solved and judged: what its page shows, and what may be accepted, come of the same. */
import { type Card, fillCard } from "../../../core/card/fill.ts";
import type { DimensionKey } from "../../../core/dimension/catalogue.ts";
import { type JudgedFigure, receiverDoubts } from "../../../core/job/corrections.ts";
import { judgeJob } from "../../../core/job/judged.ts";
import type { JobKind } from "../../../core/job/kind.ts";
import type { TestResult } from "../../../core/job/result.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import type { RigFacts } from "../../../core/rig/facts.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { jobKind, jobsOf } from "../../../core/subjects/jobs.ts";
import { type Other, type Suspect, suspectsOf } from "../../../core/subjects/proof/suspects.ts";
import { UNKNOWN_CONDITIONS } from "../../../core/trade/field-conditions.ts";
import { factsByVariant, factsOf } from "../../../data/facts.ts";
import { type FieldTest, findTest, type KeptObservation, observationsOf } from "../../../data/field-tests.ts";
import { listEveryTool } from "../../../data/rigs.ts";
import { machineName } from "../../../data/whole.ts";
import { schemeNow, toolsAhead } from "../card/card-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { terminalDoubts } from "./terminal.server.ts";

export type Solved = {
  test: FieldTest;
  kind: JobKind;
  observations: KeptObservation[];
  result: TestResult;
  verdicts: JudgedFigure[];
  /** lines of the terminal that would explain it, in words */
  terminal: { what: string; next: string }[];
  suspects: Suspect[];
  tolerance: number;
  doubts: string[];
};

/** A test of this rig, solved. @throws what `otherwise` gives, where there is none or it was taken back */
export function testOr(open: OpenRig, id: string, otherwise: () => Response): Solved {
  const test = findTest(open.db, open.rig, id);
  if (!test) throw otherwise();
  return solved(open, test);
}

/** A test of a kind as it stands before anybody began it. @throws a 404 response where this tool has no such test */
export function unbegun(open: OpenRig, key: string): Solved {
  const kind = jobsOf(open.rig.attachment).find((each) => each.key === key);
  if (!kind) throw new Response("This tool has no such test.", { status: 404 });
  const conditions = UNKNOWN_CONDITIONS;
  const told = { id: "", seq: 0, kind: key, person: "", at: "" };
  const setUp = { conditions, spacing: spacingAtFirst(open, kind), rowToRow: false, note: "" };
  return solvedOf(open, { ...told, ...setUp }, []);
}

/** The line spacing a test begins with: what the terminal was last seen to have, else what follows from the width; null where it needs none. */
export function spacingAtFirst({ resolved }: OpenRig, { asksSpacing }: JobKind): number | null {
  return asksSpacing
    ? (resolved.values["guidance.trackSpacing"].value ?? trackSpacing(resolved).total)
    : null;
}

export function solved(open: OpenRig, test: FieldTest): Solved {
  return solvedOf(open, test, observationsOf(open.db, test.id));
}

function solvedOf(open: OpenRig, test: FieldTest, observations: KeptObservation[]): Solved {
  const { resolved } = open;
  const kind = jobKind(test.kind);
  const { result, verdicts, tolerance } = judgeJob({ ...test, kind, observations }, resolved);
  const terminal = terminalDoubts(open, result.measured);
  return {
    test,
    kind,
    observations,
    result,
    tolerance,
    // What the terminal was seen to hold is retyped before a reading is rewritten.
    verdicts: verdicts.map((each) => {
      const retype = terminal.first.get(each.measured.key);
      return retype === undefined ? each : { ...each, unproven: [retype, ...each.unproven] };
    }),
    terminal: terminal.suspects,
    suspects: suspectsOf(result.measured, {
      rig: resolved,
      spacing: test.spacing,
      others: result.measured.some(({ key }) => key === "width") ? otherWidths(open) : [],
    }),
    doubts: receiverDoubts(kind, test.conditions),
  };
}

/** Widths this tool works as another variant, and the tractor's other tools: a terminal keeps the last one's lines. */
function otherWidths({ db, rig }: OpenRig): Other[] {
  const parts = listEveryTool(db).filter(
    ({ archivedAt, tractor, implement }) =>
      archivedAt === null && tractor.id === rig.tractor.id && implement.id !== rig.implement.id,
  );
  const facts = factsOf(db, parts);
  const named: [name: string, facts: RigFacts | undefined][] = [
    ...factsByVariant(db, rig).flatMap(({ variant, now, facts: known }): [string, RigFacts][] =>
      now ? [] : [[variant?.name ?? "the whole tool", known]],
    ),
    ...parts.map(({ couplingId, implement }): [string, RigFacts | undefined] => [
      machineName(implement),
      facts.get(couplingId),
    ]),
  ];
  const widths = named.flatMap(([name, known]) => {
    const width = known?.readings["tool.width"]?.at(-1)?.value;
    return width === undefined ? [] : [{ name, width }];
  });
  return [...new Map(widths.map((each) => [each.name, each])).values()];
}

/** A rig as it would read with one reading changed. */
function withReading(rig: ResolvedRig, key: DimensionKey, value: number): ResolvedRig {
  return { ...rig, values: { ...rig.values, [key]: { ...rig.values[key], value, doubt: null } } };
}

export type TerminalChange = { page: string; label: string; from: string; to: string };

/** What a correction changes on the terminal, in its own terms and signs. */
export function terminalChanges(open: OpenRig, key: DimensionKey, value: number): TerminalChange[] {
  const { scheme } = schemeNow(open);
  const ahead = toolsAhead(open);
  const fill = (rig: ResolvedRig): Card => fillCard(scheme, rig, [], open.preferences.units, ahead);
  const [now, then] = [fill(open.resolved), fill(withReading(open.resolved, key, value))];
  return now.lines.flatMap((line, index) => {
    const other = then.lines[index]!;
    const text = ({ figure, unit, word }: typeof line) =>
      figure === null ? "nothing yet" : [figure, unit, word].filter(Boolean).join(" ");
    return text(line) === text(other)
      ? []
      : [{ page: line.page, label: line.label, from: text(line), to: text(other) }];
  });
}
