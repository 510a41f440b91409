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
import { TapeListPage } from "../yard/season/TapeListPage.tsx";
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

export default TapeListPage;
