import { Link } from "react-router";
import { CATALOGUE } from "../../core/dimension/catalogue.ts";
import { CONDITIONS } from "../../core/dimension/condition.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import type { Units } from "../../core/quantity/units.ts";
import { below } from "../../core/rig/grade.ts";
import { type ResolvedRig, resolveRig } from "../../core/rig/resolve.ts";
import { database } from "../../data/database.ts";
import { factsOf } from "../../data/facts.ts";
import { listRigs } from "../../data/rigs.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { headOf } from "../stations/rig-view.server.ts";
import type { Route } from "./+types/tape-list";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const db = database();
  const rigs = listRigs(db);
  const facts = factsOf(db, rigs);
  const lists = rigs
    .map((rig) => ({ head: headOf(rig), rows: wanted(resolveRig(facts.get(rig.id)!), preferences.units) }))
    .filter(({ rows }) => rows.length > 0);
  return { lists };
}

/** What a person with a tape should read on this rig: missing, doubted, stale, or never taped. */
function wanted({ values }: ResolvedRig, units: Units) {
  return CATALOGUE.filter(({ key, sigma }) => {
    const { grade, doubt, stale } = values[key];
    return (
      grade === "missing" || doubt !== null || stale !== null || (below(grade, "taped") && sigma.book > 0)
    );
  }).map((entry) => {
    const { value, grade, stale } = values[entry.key];
    return {
      letter: entry.letter,
      label: entry.label,
      fromTo: entry.fromTo,
      before: entry.conditions.map((key) => CONDITIONS[key].toLowerCase()).join(", "),
      now: value === null ? "missing" : `${printEntry(entry, value, units)}, ${stale ? "stale" : grade}`,
    };
  });
}

export function meta() {
  return [{ title: "Tape list · Ambrek" }];
}

/** A sheet to take round the yard with a pencil. */
export default function TapeList({ loaderData: { lists } }: Route.ComponentProps) {
  return (
    <main className="mx-auto grid max-w-[760px] gap-4 bg-sheet p-6 print:p-0">
      <p className="no-print flex gap-2">
        <button type="button" className="key-main" onClick={() => window.print()}>
          Print
        </button>
        <Link className="key" to="/">
          Back to the yard
        </Link>
      </p>
      <header className="border-b-2 border-ink pb-2">
        <h1>Tape list</h1>
        <p>
          Engine off, key with you, park brake on. Write what the tape says and who read it; type it in later
          as it stands here.
        </p>
      </header>
      {lists.length === 0 && <p className="text-lead">Everything in this yard is taped.</p>}
      {lists.map(({ head, rows }) => (
        <section key={head.id} className="break-inside-avoid">
          <h2 className="text-[17px]">{head.name}</h2>
          <p className="text-small">
            {head.tractor} with {head.implement}. {head.identity}
          </p>
          <table className="mt-1 w-full border-collapse">
            <thead>
              <tr className="border-b border-ink text-left text-small">
                <th className="w-8 font-semibold" scope="col">
                  <span className="sr-only">Letter</span>
                </th>
                <th className="font-semibold" scope="col">
                  From where to where
                </th>
                <th className="w-32 font-semibold" scope="col">
                  Now
                </th>
                <th className="w-40 font-semibold" scope="col">
                  Read
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ letter, label, fromTo, before, now }) => (
                <tr key={letter} className="border-b border-line align-top">
                  <td className="py-1.5 font-bold">{letter}</td>
                  <td className="py-1.5 leading-snug">
                    <b className="font-[650]">{label}</b>, {fromTo}
                    {before && <span className="block text-small">Before: {before}</span>}
                  </td>
                  <td className="py-1.5">{now}</td>
                  <td className="py-1.5">
                    <span className="block h-8 border-b border-ink" />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </main>
  );
}
