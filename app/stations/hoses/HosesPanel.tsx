import { Link } from "react-router";
import { useOutcome } from "../../entry/use-outcome.ts";
import { TextField } from "../../ui/Field.tsx";
import { HoseBoard } from "./HoseBoard.tsx";
import type { Cell, HosesView, PlaceChoice } from "./hoses-view.ts";

type Machines = { tractor: string; tools: { href: string; name: string }[] };
type Props = { view: HosesView; action: string; person: string; machines: Machines; tagsHref: string };

export function HosesPanel(props: Props) {
  const { view, machines } = props;
  return (
    <>
      {view.board && (
        <div className="-mx-4 border-y border-line bg-sheet lg:hidden">
          <HoseBoard board={view.board} action={props.action} />
        </div>
      )}
      {view.refused && view.refused.length > 0 && (
        <Refused refused={view.refused} here={view.phases.length === 0} />
      )}
      {view.open && <OneFunction key={view.open.id} {...props} open={view.open} />}
      {view.phases.length > 0 && <Phases view={view} />}
      {view.swaps.length > 0 && <Swaps view={view} />}
      {view.board && <Kept {...props} />}
      {view.times.length > 0 && <Times view={view} />}
      <Sides machines={machines} here={view.phases.length === 0 && !view.refused?.length} />
    </>
  );
}

/** No plan: what would give one, and what it would be like. */
function Refused({ refused, here }: { refused: NonNullable<HosesView["refused"]>; here: boolean }) {
  return (
    <section
      aria-label="What would cure it"
      data-refused
      id={here ? "hoses" : undefined}
      className="scroll-mt-4"
      tabIndex={-1}
    >
      <h2 className="border-b-2 border-ink pb-1">Any one of these cures it</h2>
      <ul>
        {refused.map(({ cure, after }) => (
          <li key={cure} className="border-b border-hair py-1.5">
            <b className="text-ok">{cure}</b>: then {after}.
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One function: every coupling, what it would cost there, and the key that pins it. */
function OneFunction({ open, action }: Props & { open: NonNullable<HosesView["open"]> }) {
  const { fetcher } = useOutcome(action);
  return (
    <section aria-label={open.name} className="bg-dye-wash p-3" data-function={open.id}>
      <h2>{open.name}</h2>
      <p className="text-soft">{open.about}</p>
      <fetcher.Form method="post" action={action}>
        <input type="hidden" name="intent" value="pin-hose" />
        <input type="hidden" name="function" value={open.id} />
        <ul className="pt-1">
          {open.choices.map((choice) => (
            <Option key={choice.id} choice={choice} />
          ))}
        </ul>
        {open.pinned && (
          <button type="submit" name="remote" value="" className="key mt-2">
            Let it go where it may
          </button>
        )}
      </fetcher.Form>
    </section>
  );
}

function Option({ choice: { id, label, lever, now, can, said } }: { choice: PlaceChoice }) {
  return (
    <li className="flex min-h-12 items-center justify-between gap-3 border-b border-line py-1">
      <span className="leading-tight">
        <b className={can ? "" : "text-soft"}>{label}</b>
        {lever && <span className="text-soft">, {lever}</span>}
        <span className={`block ${now ? "text-ok" : "text-soft"}`}>{said}.</span>
      </span>
      {can && id !== 0 && (
        <button
          type="submit"
          name="remote"
          value={id}
          className="key"
          aria-label={`${now ? "Pin here" : "Pin"}: ${label}`}
        >
          {now ? "Pin here" : "Pin"}
        </button>
      )}
    </li>
  );
}

/** A row a coupling, a column a phase: who sits there. Pressing a phase draws it. */
function Phases({ view: { stages, phases } }: { view: HosesView }) {
  return (
    <section aria-label="Phases" id="hoses" className="scroll-mt-4 overflow-x-auto" tabIndex={-1}>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col" className="pr-2">
              Coupling
            </th>
            {stages.map(({ label, now, href }) => (
              <th key={label} scope="col" className={`px-1.5 ${now ? "bg-dye-wash" : ""}`}>
                <Link
                  to={href}
                  preventScrollReset
                  replace
                  aria-current={now ? "true" : undefined}
                  className="flex min-h-11 items-center leading-tight text-dye"
                >
                  {label}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {phases.map(({ id, label, lever, cells }) => (
            <tr key={id} className="border-b border-hair align-top" data-coupling={id}>
              <th scope="row" className="py-1.5 pr-2 text-left leading-tight whitespace-nowrap">
                {label}
                {lever && <span className="block text-small font-normal text-soft">{lever}</span>}
              </th>
              {cells.map((cell, at) => (
                <td
                  key={stages[at]!.label}
                  className={`px-1.5 py-1.5 leading-tight ${stages[at]!.now ? "bg-dye-wash" : ""}`}
                >
                  <Occupant cell={cell} />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Occupant({ cell }: { cell: Cell }) {
  if (!cell) return <span className="text-soft">–</span>;
  return (
    <>
      <b className={cell.swapped ? "text-warn" : ""}>{cell.name}</b>
      <span className="block text-small text-soft">
        {cell.swapped ? `swapped in, ${cell.use}` : cell.use}
      </span>
    </>
  );
}

function Swaps({ view: { swaps } }: { view: HosesView }) {
  return (
    <section aria-label="Swaps">
      <h2 className="border-b-2 border-ink pb-1">What is swapped, and how</h2>
      <ol>
        {swaps.map(({ before, words }) => (
          <li key={before} className="border-b border-hair py-1.5">
            <b className="text-warn">{before}.</b> {words}
          </li>
        ))}
      </ol>
      <p className="pt-1 text-small text-soft">
        Oil under pressure goes through skin. Relieve both sides, look for leaks with a piece of card, never
        with a hand.
      </p>
    </section>
  );
}

/** Pins and preferences, and keeping the plan as it is plugged in. */
function Kept({ view, action, person, tagsHref }: Props) {
  const { fetcher, errors } = useOutcome(action);
  if (!view.planned && view.pinned === 0) return null;
  return (
    <section aria-label="Kept">
      {view.preferences.map((each) => (
        <p key={each} className="text-soft">
          {each}
        </p>
      ))}
      <div className="flex flex-wrap items-end gap-2">
        {view.planned && (
          <Link to={tagsHref} className="key">
            Hose tags
          </Link>
        )}
        {view.pinned > 0 && (
          <fetcher.Form method="post" action={action}>
            <input type="hidden" name="intent" value="unpin-hoses" />
            <button type="submit" className="key">
              Unpin {view.pinned === 1 ? "it" : `all ${view.pinned}`}
            </button>
          </fetcher.Form>
        )}
        {view.planned && !view.kept && (
          <fetcher.Form method="post" action={action} className="flex flex-wrap items-end gap-2" noValidate>
            <input type="hidden" name="intent" value="keep-plan" />
            <TextField name="person" label="Who plugs in" defaultValue={person} problem={errors.person} />
            <button type="submit" className="key">
              Save as plugged in
            </button>
          </fetcher.Form>
        )}
        {view.kept && (
          <p className="font-semibold text-ok">Saved: the tractor's other rigs are held to these levers.</p>
        )}
      </div>
      {errors.form && <p className="font-semibold text-stop">{errors.form}</p>}
    </section>
  );
}

function Times({ view: { times, oil } }: { view: HosesView }) {
  return (
    <section aria-label="Times" className="overflow-x-auto" tabIndex={-1}>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b-2 border-ink text-left">
            <th scope="col">Phase</th>
            <th scope="col">Function</th>
            <th scope="col" className="text-right">
              Flow
            </th>
            <th scope="col" className="text-right">
              Takes
            </th>
          </tr>
        </thead>
        <tbody>
          {times.map(({ phase, name, remote, flow, time, slow }) => (
            <tr key={`${phase} ${name} ${remote}`} className="border-b border-hair align-top">
              <td className="py-1">{phase}</td>
              <td className="py-1">
                {name}, {remote}
                {slow && <span className="block text-warn">{slow}</span>}
              </td>
              <td className="py-1 text-right whitespace-nowrap">{flow}</td>
              <td className="py-1 text-right">{time}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {oil && <p className="pt-1 text-soft">{oil}</p>}
    </section>
  );
}

function Sides({ machines, here }: { machines: Machines; here: boolean }) {
  return (
    <section aria-label="Both sides" id={here ? "hoses" : undefined} className="scroll-mt-4" tabIndex={-1}>
      <h2 className="border-b-2 border-ink pb-1">Both sides of the hoses</h2>
      <ul>
        <li>
          <Link to={machines.tractor} className="flex min-h-11 items-center font-semibold text-dye">
            The tractor's remotes, pump and sockets
          </Link>
        </li>
        {machines.tools.map(({ href, name }) => (
          <li key={href}>
            <Link to={href} className="flex min-h-11 items-center font-semibold text-dye">
              Functions of {name}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
