import { useMemo, useState } from "react";
import { drawPasses } from "../../../core/drawing/passes.ts";
import { fillsAlong } from "../../../core/guidance/fills.ts";
import {
  AIMS,
  type Aim,
  bestPlan,
  layPasses,
  type Outcome,
  type Start,
} from "../../../core/guidance/plan.ts";
import { signedArea } from "../../../core/place/ring.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { Radios } from "../../ui/Radios.tsx";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import { BENT_PROBLEMS, Bends } from "./Bends.tsx";
import { inDegrees } from "./degrees.ts";
import type { PlanView } from "./guidance-view.server.ts";
import { KeepLine, KeepRound } from "./KeepLine.tsx";
import { PassesDrawing } from "./PassesDrawing.tsx";
import { type PlanRow, PlanTable } from "./PlanTable.tsx";
import { useSweep } from "./use-sweep.ts";

type Straight = { key: string; label: string; heading: number; start: Start };

const ROUNDS = [0, 1, 2, 3] as const;

/** Passes over the field: headings held against each other, one of them drawn. */
export default function PassPlan({ view, person }: { view: PlanView; person: string }) {
  const { plane, spacing, turnMetres, headland, lines, bent, radius, units, fill } = view;
  const [rounds, setRounds] = useState(2);
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<string | null>(null);
  const [oneEnd, setOneEnd] = useState(false);
  const small = useSmallScreen();
  const sweep = useSweep(plane, spacing, rounds, bent);
  const best = useMemo(() => bestOf(sweep.outcomes), [sweep.outcomes]);
  const own = /^\d{1,3}([.,]\d+)?$/.test(typed.trim())
    ? (Number(typed.replace(",", ".")) * Math.PI) / 180
    : null;
  const straight: Straight[] = [
    ...lines.map(({ id, name, heading, across }) => ({
      key: id,
      label: `Along ${name}`,
      heading,
      start: { kind: "line" as const, across },
    })),
    ...best,
    ...(own === null
      ? []
      : [
          {
            key: "own",
            label: `At ${inDegrees(own).toFixed(1)}°`,
            heading: own,
            start: { kind: "left" as const },
          },
        ]),
  ];
  const bends = bent.flatMap(({ id, name }): PlanRow[] => {
    const laid = sweep.bent.get(id);
    return laid?.ok === false ? [] : [{ key: id, label: `Along ${name}`, plan: laid?.ok ? laid.plan : null }];
  });
  const rows: PlanRow[] = [
    ...straight.map((row) => ({ ...row, plan: layPasses(plane, { spacing, rounds, ...row }) })),
    ...bends,
  ];
  const key = rows.some((row) => row.key === chosen && row.plan) ? chosen : (rows[0]?.key ?? null);
  const plan = rows.find((row) => row.key === key)?.plan ?? null;
  const start = straight.find((row) => row.key === key)?.start ?? null;
  const fills = useMemo(() => {
    if (!plan || !fill) return null;
    const inner = plan.runs.reduce((sum, { area }) => sum + area, 0);
    return fillsAlong(
      plan.runs,
      fill.lasts,
      Math.max(0, plane.rings.reduce((sum, ring) => sum + signedArea(ring), 0) - inner),
      oneEnd,
    );
  }, [plan, fill, plane, oneEnd]);
  return (
    <section aria-label="Passes" className="grid gap-3" data-swept={sweep.progress === 1 ? "yes" : "no"}>
      <h2 className="border-b-2 border-ink pb-1">
        Passes{" "}
        <span className="font-normal text-soft">
          {view.name}, {view.area}, {printLength(spacing, units.tape)} from pass to pass
        </span>
      </h2>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <div className="grid gap-1">
          <span>Rounds along the edge</span>
          <Radios
            label="Rounds along the edge"
            value={String(rounds)}
            choices={ROUNDS.map((each) => ({ value: String(each), label: String(each) }))}
            onChoose={(value) => setRounds(Number(value))}
            className="w-52 grid-cols-4"
          />
        </div>
        <label className="grid gap-1">
          A heading of your own, °
          <input
            className="field w-36"
            inputMode="decimal"
            value={typed}
            placeholder="87.5"
            onChange={(event) => {
              setTyped(event.target.value);
              setChosen("own");
            }}
          />
        </label>
        {fill && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={oneEnd}
              onChange={(event) => setOneEnd(event.target.checked)}
            />
            The {fill.of} is filled at one end only
          </label>
        )}
      </div>
      <Progress sweep={sweep} />
      {plan && (
        <PassesDrawing
          drawn={drawPasses(
            plane.rings,
            plan,
            fills,
            small ? { width: 358, height: 330 } : { width: 660, height: 430 },
            units,
            radius,
          )}
          label={`${view.name}: ${plan.runs.length} runs ${plan.heading === null ? "along a line that bends" : `at ${inDegrees(plan.heading).toFixed(1)}°`}, ${rounds} rounds`}
        />
      )}
      <PlanTable rows={rows} now={key} onChoose={setChosen} view={view} />
      {plan && <Bends plan={plan} view={view} />}
      {bent.map(({ id, name }) => {
        const laid = sweep.bent.get(id);
        return (
          laid?.ok === false && (
            <p key={id} className="font-semibold text-warn" data-no-passes={laid.problem}>
              Along {name}: {BENT_PROBLEMS[laid.problem]}
            </p>
          )
        );
      })}
      {plan && fills && fill && (
        <p data-fills={fills.fills.length}>
          One {fill.of} does {say("area", fill.lasts, units)}:{" "}
          {fills.fills.length === 0
            ? "it lasts for all of it."
            : `filled again ${fills.fills.length === 1 ? "once" : `${fills.fills.length} times`}, before ${fills.fills.length === 1 ? "pass" : "passes"} ${fills.fills.map(({ pass }) => pass).join(", ")}.`}
          {fills.tooLong > 0 && (
            <b className="text-stop">
              {" "}
              {fills.tooLong} runs are longer than one {fill.of} lasts.
            </b>
          )}
        </p>
      )}
      {headland !== null && rounds * spacing < headland && (
        <p className="font-semibold text-warn" data-too-narrow>
          The turn takes {inWords(roundLength(headland), units)}:{" "}
          {rounds === 0
            ? "no round leaves"
            : `${rounds === 1 ? "one round leaves" : `${rounds} rounds leave`}`}{" "}
          {rounds === 0 ? "any" : `only ${inWords(roundLength(rounds * spacing), units)}`}. It needs{" "}
          {Math.ceil(headland / spacing - 1e-9)}, or passes left out and half circles.
        </p>
      )}
      {turnMetres === null && (
        <p className="text-soft">
          Nobody measured how tightly it turns: turns are counted, and not in metres.
        </p>
      )}
      {plan && start && start.kind !== "line" && (
        <KeepLine key={key} view={view} plan={plan} person={person} />
      )}
      <KeepRound key={rounds} view={view} rounds={rounds} person={person} />
    </section>
  );
}

function Progress({ sweep }: { sweep: ReturnType<typeof useSweep> }) {
  const { progress, stopped, stop, again } = sweep;
  // The line stays where it is, so that nothing moves under a finger when the last heading is done.
  if (progress === 1)
    return (
      <p className="flex min-h-11 items-center text-soft">Every heading looked at, a degree at a time.</p>
    );
  return (
    <p className="flex min-h-11 items-center gap-3" role="status">
      {stopped ? (
        <>
          <span>Stopped at {Math.round(100 * (progress ?? 0))} %: the best so far stands below.</span>
          <button type="button" className="key" onClick={again}>
            Look at all
          </button>
        </>
      ) : (
        <>
          <progress
            value={progress ?? 0}
            max={1}
            className="h-3 w-48 accent-[var(--dye)]"
            aria-label="Headings looked at"
          />
          <span>{Math.round(100 * (progress ?? 0))} % of all headings</span>
          <button type="button" className="key" onClick={stop}>
            Stop
          </button>
        </>
      )}
    </p>
  );
}

/** The best by each aim, named together where they are one. */
function bestOf(outcomes: readonly Outcome[]): Straight[] {
  if (outcomes.length === 0) return [];
  const rows = (Object.keys(AIMS) as Aim[]).map((aim) => {
    const found = bestPlan(outcomes, aim)!;
    return { key: aim, label: AIMS[aim], heading: found.heading, start: found.start };
  });
  const [first, second] = rows as [Straight, Straight];
  return first.heading === second.heading && first.start.kind === second.start.kind
    ? [{ ...first, label: `${AIMS.turns}, and ${AIMS.sliver.toLowerCase()}` }]
    : rows;
}
