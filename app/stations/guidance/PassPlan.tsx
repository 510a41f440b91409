import { useMemo, useState } from "react";
import { drawPasses } from "../../../core/drawing/passes.ts";
import { fillsAlong } from "../../../core/guidance/fills.ts";
import {
  AIMS,
  type Aim,
  bestPlan,
  layPasses,
  type Outcome,
  outcomeOf,
  SLIVER,
  type Start,
} from "../../../core/guidance/plan.ts";
import { signedArea } from "../../../core/place/ring.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { Radios } from "../../ui/Radios.tsx";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import type { PlanView } from "./guidance-view.server.ts";
import { KeepLine, KeepRound } from "./KeepLine.tsx";
import { PassesDrawing } from "./PassesDrawing.tsx";
import { useSweep } from "./use-sweep.ts";

type Row = { key: string; label: string; heading: number; start: Start };

const degrees = (heading: number) => ((heading * 180) / Math.PI + 360) % 180;
const ROUNDS = [0, 1, 2, 3] as const;

/** Passes over the field: headings held against each other, one of them drawn. */
export default function PassPlan({ view, person }: { view: PlanView; person: string }) {
  const { plane, spacing, turnMetres, headland, lines, units, fill } = view;
  const [rounds, setRounds] = useState(2);
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<string | null>(null);
  const [oneEnd, setOneEnd] = useState(false);
  const small = useSmallScreen();
  const sweep = useSweep(plane, spacing, rounds);
  const best = useMemo(() => bestOf(sweep.outcomes), [sweep.outcomes]);
  const own = /^\d{1,3}([.,]\d+)?$/.test(typed.trim())
    ? (Number(typed.replace(",", ".")) * Math.PI) / 180
    : null;
  const rows: Row[] = [
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
            label: `At ${degrees(own).toFixed(1)}°`,
            heading: own,
            start: { kind: "left" as const },
          },
        ]),
  ];
  const key = rows.some((row) => row.key === chosen) ? chosen : (rows[0]?.key ?? null);
  const laid = rows.map((row) => ({ row, plan: layPasses(plane, { spacing, rounds, ...row }) }));
  const now = laid.find(({ row }) => row.key === key) ?? null;
  const fills = useMemo(() => {
    if (!now || !fill) return null;
    const inner = now.plan.runs.reduce((sum, { area }) => sum + area, 0);
    return fillsAlong(
      now.plan.runs,
      fill.lasts,
      Math.max(0, plane.rings.reduce((sum, ring) => sum + signedArea(ring), 0) - inner),
      oneEnd,
    );
  }, [now, fill, plane, oneEnd]);
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
      {now && (
        <PassesDrawing
          drawn={drawPasses(
            plane.rings,
            now.plan,
            fills,
            small ? { width: 358, height: 330 } : { width: 660, height: 430 },
            units,
          )}
          label={`${view.name}: ${now.plan.runs.length} runs at ${degrees(now.plan.heading).toFixed(1)}°, ${rounds} rounds`}
        />
      )}
      <Table
        rows={laid.map(({ row, plan }) => ({ row, outcome: outcomeOf(plan), metres: plan.roundMetres }))}
        now={key}
        onChoose={setChosen}
        view={view}
      />
      {now && fills && fill && (
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
      {now && now.row.start.kind !== "line" && (
        <KeepLine key={now.row.key} view={view} plan={now.plan} person={person} />
      )}
      <KeepRound key={rounds} view={view} rounds={rounds} person={person} />
    </section>
  );
}

function Progress({ sweep }: { sweep: ReturnType<typeof useSweep> }) {
  const { progress, stopped, stop, again } = sweep;
  if (progress === 1) return null;
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
function bestOf(outcomes: readonly Outcome[]): Row[] {
  if (outcomes.length === 0) return [];
  const rows = (Object.keys(AIMS) as Aim[]).map((aim) => {
    const found = bestPlan(outcomes, aim)!;
    return { key: aim, label: AIMS[aim], heading: found.heading, start: found.start };
  });
  const [first, second] = rows as [Row, Row];
  return first.heading === second.heading && first.start.kind === second.start.kind
    ? [{ ...first, label: `${AIMS.turns}, and ${AIMS.sliver.toLowerCase()}` }]
    : rows;
}

type TableRow = { row: Row; outcome: Outcome; metres: number };

function Table({
  rows,
  now,
  onChoose,
  view,
}: {
  rows: TableRow[];
  now: string | null;
  onChoose: (key: string) => void;
  view: PlanView;
}) {
  const { units, spacing, turnMetres } = view;
  const length = (metres: number) => inWords(roundLength(metres), units);
  const turns = (count: number) => (turnMetres === null ? "" : length(count * turnMetres));
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse text-right [&_td]:px-1.5 [&_th]:px-1.5">
        <thead>
          <tr className="border-b-2 border-ink text-small text-soft">
            <th scope="col" className="py-1 text-left font-normal">
              Plan
            </th>
            <th scope="col" className="font-normal">
              Heading
            </th>
            <th scope="col" className="font-normal">
              Passes
            </th>
            <th scope="col" className="font-normal">
              Turns
            </th>
            <th scope="col" className="font-normal">
              Worked
            </th>
            {turnMetres !== null && (
              <th scope="col" className="font-normal">
                Turning
              </th>
            )}
            <th scope="col" className="font-normal">
              Narrowest pass
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ row, outcome }) => (
            <tr
              key={row.key}
              data-plan={row.key}
              data-turns={outcome.turns}
              className={`border-b border-hair ${row.key === now ? "bg-dye-wash" : ""}`}
            >
              <th scope="row" className="text-left">
                <button
                  type="button"
                  aria-pressed={row.key === now}
                  className={`min-h-11 cursor-pointer px-1 text-left font-semibold ${row.key === now ? "text-dye" : "underline"}`}
                  onClick={() => onChoose(row.key)}
                >
                  {row.label}
                </button>
              </th>
              <td>{degrees(row.heading).toFixed(1)}°</td>
              <td>
                {outcome.passes}
                {outcome.runs > outcome.passes && <span className="text-soft"> in {outcome.runs}</span>}
              </td>
              <td className="font-bold">{outcome.turns}</td>
              <td>{length(outcome.metres)}</td>
              {turnMetres !== null && <td>{turns(outcome.turns)}</td>}
              <td className={outcome.sliver < SLIVER ? "font-bold text-stop" : ""}>
                {printLength(outcome.sliver * spacing, units.tape, { decimals: 1 })}
                {outcome.sliver < SLIVER && <span className="block text-small font-normal">a sliver</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
