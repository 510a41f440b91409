import { useState } from "react";
import { Link } from "react-router";
import type { SoilLimits } from "../../../core/trade/pressed.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { StaleList } from "../reading/StaleList.tsx";
import type { BalanceView, StateRow } from "./balance-view.ts";
import { Pressed } from "./Pressed.tsx";

type Props = {
  view: BalanceView;
  action: string;
  person: string;
  machine: string;
  /** what other ballast would make stale */
  stales: readonly string[];
  /** how deep soil may be pressed */
  soil: SoilLimits;
};

export function BalancePanel(props: Props) {
  const { view, machine, soil } = props;
  return (
    <>
      {view.states.length > 0 && <States view={view} />}
      <Ballast {...props} />
      <Tyres view={view} machine={machine} />
      <Pressed rows={view.pressed} limits={soil} units={view.units} />
    </>
  );
}

const tone = (wrong: boolean) => (wrong ? "text-stop font-bold" : "");

/** Every state the rig passes through; pressing one draws it. */
function States({ view: { states, heads } }: { view: BalanceView }) {
  const tools = states.some((state) => state.tools !== "");
  const sides = states.some((state) => state.sides !== "");
  return (
    <section aria-label="States" className="overflow-x-auto">
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">State</th>
            <th scope="col" className="pl-3 text-right whitespace-nowrap">
              {heads.front}
            </th>
            <th scope="col" className="pl-3 text-right whitespace-nowrap">
              Share
            </th>
            <th scope="col" className="pl-3 text-right whitespace-nowrap">
              {heads.rear}
            </th>
            {sides && (
              <th scope="col" className="pl-3 text-right whitespace-nowrap">
                Left / right
              </th>
            )}
            {tools && (
              <th scope="col" className="pl-3 text-right whitespace-nowrap">
                Tool's wheels
              </th>
            )}
            <th scope="col" className="pl-3 text-right whitespace-nowrap">
              In all
            </th>
          </tr>
        </thead>
        <tbody>
          {states.map((state) => (
            <State key={state.id} state={state} tools={tools} sides={sides} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function State({ state, tools, sides }: { state: StateRow; tools: boolean; sides: boolean }) {
  const { id, label, front, share, rear, total, now, wrong, href } = state;
  return (
    <tr className={`border-b border-hair ${now ? "bg-dye-wash" : ""}`} data-state={id}>
      <td>
        <Link
          to={href}
          preventScrollReset
          aria-current={now ? "true" : undefined}
          className="flex min-h-11 items-center font-semibold text-dye max-sm:min-w-32"
        >
          {label}
        </Link>
      </td>
      <td className={`pl-3 text-right whitespace-nowrap ${tone(wrong.front)}`}>{front}</td>
      <td className={`pl-3 text-right whitespace-nowrap ${tone(wrong.front)}`}>{share}</td>
      <td className={`pl-3 text-right whitespace-nowrap ${tone(wrong.rear)}`}>{rear}</td>
      {sides && <td className="pl-3 text-right whitespace-nowrap">{state.sides || "–"}</td>}
      {tools && <td className="pl-3 text-right whitespace-nowrap">{state.tools || "–"}</td>}
      <td className={`pl-3 text-right whitespace-nowrap ${tone(wrong.total)}`}>{total}</td>
    </tr>
  );
}

/** The weights there are, how many are on, and how many would do. */
function Ballast({ view, action, person, machine, stales }: Props) {
  const { weights, proposal, manual, largest } = view;
  const { fetcher, errors } = useOutcome(action);
  const [typed, setTyped] = useState<Record<number, string>>({});
  const changed = weights.some(({ id, fitted }) => (typed[id] ?? String(fitted)).trim() !== String(fitted));
  return (
    <section aria-label="Ballast" id="weights" className="scroll-mt-4">
      <h2 className="flex justify-between border-b-2 border-ink pb-1">
        Ballast
        <Link to={`${machine}#weights`} className="font-semibold text-dye">
          Weights of this machine
        </Link>
      </h2>
      {proposal && (
        <p className="pt-1 text-lead" data-proposal>
          The lightest set that satisfies every state: <b>{proposal}</b>.
        </p>
      )}
      {weights.length === 0 && (
        <p className="py-1 text-soft">
          No weights are entered. Enter what could be put on, with its mass and place, and the smallest set is
          found.
        </p>
      )}
      {weights.length > 0 && (
        <fetcher.Form method="post" action={action} className="grid gap-1" noValidate>
          <input type="hidden" name="intent" value="fit-weights" />
          <ul>
            {weights.map(({ id, what, each, place, count, fitted, wanted }) => (
              <li
                key={`${id} ${fitted}`}
                className="grid grid-cols-[1fr_auto_124px] items-center gap-3 border-b border-hair py-1 leading-snug"
              >
                <span>
                  <b className="font-[650]">{what}</b>, {each} each
                  <span className="block text-small text-soft">{place}</span>
                </span>
                <span className="text-small text-soft">{wanted !== null && `${wanted} would do`}</span>
                <label className="flex items-center gap-1.5">
                  <input
                    name={`count-${id}`}
                    defaultValue={fitted}
                    onChange={(event) => setTyped({ ...typed, [id]: event.target.value })}
                    inputMode="numeric"
                    aria-label={`${what}, on now`}
                    aria-invalid={errors[`count-${id}`] !== undefined}
                    className="field w-20 text-center"
                  />
                  of {count}
                </label>
                {errors[`count-${id}`] && <span className="problem col-span-3">{errors[`count-${id}`]}</span>}
              </li>
            ))}
          </ul>
          {changed && <StaleList stales={stales} />}
          <div className="flex flex-wrap items-end gap-2">
            <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
            <Send busy={fetcher.state !== "idle"} className="key">
              These are on
            </Send>
          </div>
          {errors.form && <p className="problem">{errors.form}</p>}
        </fetcher.Form>
      )}
      {largest.length > 0 && (
        <p className="pt-1 text-soft" data-largest>
          With 20 % left in front: {largest.join(" ")}
        </p>
      )}
      {manual.length > 0 && (
        <p className="pt-1 text-soft">By the formula most implement manuals print: {manual.join(" ")}</p>
      )}
    </section>
  );
}

function Tyres({ view: { tyres }, machine }: { view: BalanceView; machine: string }) {
  return (
    <section aria-label="Tyres" id="tyres" className="scroll-mt-4 overflow-x-auto">
      <h2 className="flex justify-between border-b-2 border-ink pb-1">
        Tyres
        <Link to={`${machine}#tyres`} className="font-semibold text-dye">
          Tyres of this machine
        </Link>
      </h2>
      {tyres.length > 0 && (
        <table className="w-full border-collapse">
          <thead>
            <tr className="border-b border-line text-left text-small">
              <th scope="col">Axle</th>
              <th scope="col">Tyre</th>
              <th scope="col">Now, left / right</th>
              <th scope="col">Field</th>
              <th scope="col">Road</th>
            </tr>
          </thead>
          <tbody>
            {tyres.map(({ axle, tyre, now, field, road }) => (
              <tr key={axle} className="border-b border-hair">
                <th scope="row" className="py-1.5 text-left font-[650]">
                  {axle}
                </th>
                <td>{tyre}</td>
                <td>{now}</td>
                <td className="font-[650]">{field}</td>
                <td className="font-[650]">{road}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="pt-1 text-small text-soft">
        The lowest pressure the tyre maker's table allows for load and speed, never read past its ends; the
        same on both sides.
      </p>
    </section>
  );
}
