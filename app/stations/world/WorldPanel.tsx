import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { fineStyle } from "../../../core/quantity/units.ts";
import type { OnField } from "../../../core/world/on-field.ts";
import { worldSaid } from "../../../core/world/said.ts";
import { OVERLAP_RULES, type OverlapRule } from "../../../core/world/switching.ts";
import { Folded } from "../../ui/Folded.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { useSmallScreen } from "../../ui/use-small-screen.ts";
import { CostTable } from "./CostTable.tsx";
import { OutcomeTable } from "./OutcomeTable.tsx";
import { Replay } from "./Replay.tsx";
import { Stage } from "./Stage.tsx";
import { Suppose } from "./Suppose.tsx";
import { type LogAsked, useWorld, type WorldState } from "./use-world.ts";
import type { Driveable } from "./world-view.server.ts";

type Props = { view: Driveable; to: (page: string, query?: Record<string, string>) => string };

/** The field driven: chosen, drawn, measured, and what else a reading would make of it. */
export default function WorldPanel({ view, to }: Props) {
  const { field, units, spacing, told } = view;
  const [rounds, setRounds] = useState(1);
  const [line, setLine] = useState("edge");
  const [rule, setRule] = useState<OverlapRule>("whole");
  const small = useSmallScreen();
  const holder = useRef<HTMLDivElement>(null);
  const along = field.lines.find(({ key }) => key === line) ?? field.lines[0]!;
  const on: OnField = {
    field: field.plane,
    laid: {
      spacing,
      rounds,
      heading: along.heading,
      start: along.across === null ? { kind: "left" } : { kind: "line", across: along.across },
    },
    rigs: view.rigs,
    rule,
    speed: view.speed,
    wander: view.wander,
    seed: 1,
  };
  const [log, setLog] = useState<LogAsked | null>(null);
  const { entry } = view;
  const ofEntry = entry && log === null;
  const drives: OnField = ofEntry ? { ...on, rigs: entry.rigs } : on;
  const asked = ofEntry
    ? { number: -1, given: { kind: "passes" as const, name: entry.name, passes: entry.passes } }
    : log;
  const world = useWorld(holder, drives, view.outlines, asked);
  const { outcome, joints } = world;
  const how = (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      <label className="grid gap-1">
        Passes
        <select className="field" value={line} onChange={({ target }) => setLine(target.value)}>
          {field.lines.map(({ key, label }) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
      </label>
      <div className="grid gap-1">
        <span>Rounds first</span>
        <Radios
          label="Rounds along the edge first"
          value={String(rounds)}
          choices={["0", "1", "2", "3"].map((each) => ({ value: each, label: each }))}
          onChoose={(value) => setRounds(Number(value))}
          className="w-52 grid-cols-4"
        />
      </div>
      {view.switched && (
        <label className="grid gap-1">
          Sections shut over worked ground
          <select
            className="field"
            value={rule}
            onChange={({ target }) => setRule(target.value as OverlapRule)}
          >
            {Object.entries(OVERLAP_RULES).map(([key, { label, says }]) => (
              <option key={key} value={key} title={says}>
                {label}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
  return (
    <div className="grid gap-4" data-world={world.phase}>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <FieldChoice view={view} />
        {small ? (
          <Folded summary="Passes, rounds, sections" className="w-full">
            {how}
          </Folded>
        ) : (
          how
        )}
      </div>
      <div className="grid items-start gap-4 lg:grid-cols-[minmax(0,1fr)_330px]">
        <Stage
          holder={holder}
          world={world}
          rings={
            world.log && !world.log.onField
              ? [world.log.box.map(({ x, y }) => ({ east: x, north: y }))]
              : field.plane.rings
          }
          of={world.log?.name ?? String(field.id)}
          units={units}
        />
        <section aria-label="What came of it" className="grid gap-2">
          <Progress world={world} />
          {outcome ? (
            <>
              <ul className="grid gap-1 font-semibold" data-said>
                {worldSaid(outcome, joints, view.shown).map(({ key, said }) => (
                  <li key={key} data-key={key} className={key === "nothing" ? "text-ok" : "text-warn"}>
                    {inWords(said, units)}
                  </li>
                ))}
              </ul>
              <OutcomeTable outcome={outcome} joints={joints} view={view} />
              <p>
                <button
                  type="button"
                  className="key"
                  onClick={() => world.amounts(view.worth.rate, view.worth.of)}
                >
                  {view.worth.rate === null ? "Passes by place" : "Product by place"}, GeoJSON
                </button>
              </p>
            </>
          ) : (
            <p className="text-soft">It is measured once it was driven.</p>
          )}
          <p className="text-small text-soft">
            {field.name}, {field.area}; passes {printLength(spacing, units.tape)} apart; a receiver that
            wanders by {printLength(view.wander, fineStyle(units))}.
            {view.assumed.length > 0 && (
              <>
                {" "}
                <b>Assumed:</b> {view.assumed.join("; ")}.
              </>
            )}{" "}
            Wheels do not slip, ground is level, and work is one line across the tool.
          </p>
        </section>
      </div>
      <Replay view={view} world={world} onLog={setLog} />
      <Suppose told={told} field={field.id} crop={view.crop} wrong={view.wrong} />
      <CostTable key={field.id} view={view} on={on} to={to} />
      <p>
        A joint that is not as drawn on your field: <Link to={to("proof")}>prove it there</Link>, it says
        which figure is wrong.
      </p>
    </div>
  );
}

function FieldChoice({ view }: { view: Driveable }) {
  const navigate = useNavigate();
  return (
    <label className="grid gap-1">
      Field
      <select
        className="field max-w-[300px]"
        value={view.field.id}
        onChange={({ target }) => navigate(`?${addressOf(view, target.value)}`, { preventScrollReset: true })}
      >
        {view.fields.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The address with another field in it, and what was supposed kept. */
function addressOf({ told, crop }: Driveable, field: string): string {
  const query = new URLSearchParams({ field, ...(crop === "" ? {} : { crop }) });
  for (const { key, typed } of told) if (typed !== "") query.set(`is.${key}`, typed);
  return query.toString();
}

const DOES: Partial<Record<WorldState["phase"], string>> = {
  driving: "driven",
  measuring: "of the ground measured",
};

function Progress({ world }: { world: ReturnType<typeof useWorld> }) {
  const { phase, share, problem, stop, again } = world;
  if (phase === "problem")
    return (
      <p role="alert" className="font-semibold text-stop">
        It could not be driven: {problem}.
      </p>
    );
  return (
    <p className="flex flex-wrap items-center gap-3" role="status">
      {phase === "there" ? (
        <span className="text-soft">Measured in cells of 5 cm.</span>
      ) : phase === "stopped" ? (
        <>
          <span>Stopped.</span>
          <button type="button" className="key" onClick={again}>
            Drive it
          </button>
        </>
      ) : (
        <>
          <progress
            value={share}
            max={1}
            className="h-3 w-48 accent-[var(--dye)]"
            aria-label="How far it is"
          />
          <span>
            {Math.round(100 * share)} % {DOES[phase]}
          </span>
          <button type="button" className="key" onClick={stop}>
            Stop
          </button>
        </>
      )}
    </p>
  );
}
