import { Link } from "react-router";
import type { Machine } from "../../../data/rigs.ts";
import type { Route } from "../../routes/+types/machines";
import { YardFrame } from "../YardFrame.tsx";

const BOOKS = [
  { to: "/service", label: "Service", what: "what is due, what wears, what to order" },
  { to: "/tyres", label: "Tyre tables", what: "what each tyre carries by speed and pressure" },
  { to: "/limits", label: "Road limits", what: "width, height, speed and unbraked mass where you drive" },
];

export function MachinesPage({ loaderData }: Route.ComponentProps) {
  const { preferences, find, couple, tractors, implements: tools, away } = loaderData;
  return (
    <YardFrame preferences={preferences} here="machines">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Machines</h1>
          <p className="text-lead text-soft">
            A reading belongs to its machine, mount or hole: tape once, every rig has it.
          </p>
        </div>
        <p className="flex flex-wrap gap-2">
          <Link to="/machines/new?kind=tractor" className="key">
            New tractor
          </Link>
          <Link to="/machines/new?kind=self-propelled" className="key">
            New self-propelled
          </Link>
          <Link to="/machines/new?kind=implement" className="key">
            New implement
          </Link>
        </p>
      </div>
      {couple && (
        <p className="flex flex-wrap items-center gap-3 border-l-4 border-dye bg-sheet px-4 py-2">
          {couple.names.join(" and ")} came in one file.
          <Link to={couple.href} className="key-main">
            Couple these two
          </Link>
        </p>
      )}
      <search>
        <form className="flex gap-2">
          <input
            name="find"
            type="search"
            defaultValue={find}
            aria-label="Find a machine"
            placeholder="Find by make, model, fleet number, serial"
            className="field max-w-[360px]"
          />
          <button type="submit" className="key">
            Find
          </button>
        </form>
      </search>
      <div className="grid grid-cols-2 gap-6 max-lg:grid-cols-1">
        <List title="Tractors and self-propelled" rows={tractors} />
        <List title="Implements" rows={tools} />
      </div>
      <section aria-label="What they are judged by">
        <h2 className="border-b-2 border-ink pb-1">What they are judged by</h2>
        <ul className="grid grid-cols-2 gap-x-6 max-lg:grid-cols-1">
          {BOOKS.map(({ to, label, what }) => (
            <li key={to} className="border-b border-hair">
              <Link to={to} className="grid min-h-12 content-center py-1 no-underline hover:bg-hair">
                <b className="text-[17px] text-dye">{label}</b>
                <span className="text-small text-soft">{what}</span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
      {away.length > 0 && <List title="Archived" rows={away.map((machine) => ({ ...machine, rigs: 0 }))} />}
    </YardFrame>
  );
}

function List({ title, rows }: { title: string; rows: (Machine & { rigs: number })[] }) {
  return (
    <section aria-label={title}>
      <h2 className="border-b-2 border-ink pb-1">
        {title} <span className="font-normal text-soft">{rows.length}</span>
      </h2>
      {rows.length === 0 && <p className="py-2 text-soft">None here.</p>}
      <ul>
        {rows.map(({ id, make, model, fleetNumber, serial, rigs }) => (
          <li key={id} className="border-b border-hair">
            <Link
              to={`/machines/${id}`}
              className="grid min-h-12 grid-cols-[52px_1fr_auto] items-center gap-3 no-underline hover:bg-hair"
            >
              <b className="text-[17px]">{fleetNumber || "–"}</b>
              <span className="leading-snug">
                {make} {model}
                <span className="block text-small text-soft">
                  {serial ? `no. ${serial}` : "no serial number"}
                </span>
              </span>
              <span className="text-small text-soft">
                {rigs === 0 ? "in no rig" : `in ${rigs} ${rigs === 1 ? "rig" : "rigs"}`}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
