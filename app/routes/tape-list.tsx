import { Link } from "react-router";
import { CONDITIONS } from "../../core/dimension/condition.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import type { Units } from "../../core/quantity/units.ts";
import { askedOf } from "../../core/rig/asked.ts";
import { below } from "../../core/rig/grade.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import { database } from "../../data/database.ts";
import { byRig, listEveryTool } from "../../data/rigs.ts";
import { wholesOf } from "../../data/whole.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { headOf } from "../stations/frame/rig-view.server.ts";
import type { Route } from "./+types/tape-list";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const db = database();
  const parts = byRig(
    listEveryTool(db).filter(({ archivedAt, tractor }) => archivedAt === null && !tractor.practice),
  );
  const wholes = wholesOf(db, [...parts.values()].flat());
  const lists = [...parts]
    .map(([id, own]) => ({
      head: headOf(own),
      rows: wholes.get(id)!.parts.flatMap(({ rig }, index) => wanted(rig, preferences.units, index > 0)),
    }))
    .filter(({ rows }) => rows.length > 0);
  return { lists };
}

/**
 * What a person with a tape should read of one tool and, with the first, of what carries it: missing where the rig cannot do
 * without, doubted, stale, or never taped though guidance or the hitch is reckoned with it.
 */
function wanted(rig: ResolvedRig, units: Units, toolOnly: boolean) {
  const { values } = rig;
  return askedOf(rig)
    .filter(({ key, sigma, whenMissing, subject, kind }) => {
      if (toolOnly && (subject === "tractor" || subject === "receiver mount")) return false;
      const { grade, doubt, stale } = values[key];
      if (grade === "missing") return whenMissing !== "quiet";
      return (
        doubt !== null || stale !== null || (below(grade, "taped") && sigma.book > 0 && kind !== "measure")
      );
    })
    .map((entry) => {
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
                <tr key={letter + label} className="border-b border-line align-top">
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
