import { isOfCarrier } from "../../../core/dimension/catalogue.ts";
import { CONDITIONS } from "../../../core/dimension/condition.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import { below } from "../../../core/rig/grade.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import type { WholeRig } from "../../../core/rig/whole.ts";
import type { Database } from "../../../data/handle.ts";
import { everyRig, listEveryTool } from "../../../data/rigs.ts";
import { wholesOf } from "../../../data/whole.ts";
import { inWords, notHereOf } from "../../stations/frame/not-here.server.ts";
import { headOf } from "../../stations/frame/rig-view.server.ts";
import { paged } from "../../ui/paged.ts";

/** Rigs on one page: a sheet or two each. */
const ON_A_PAGE = 20;

/** What there is to tape in the yard, rig by rig, a page of them; of each which of its machines cannot be taped here. */
export function tapeLists(db: Database, units: Units, page: number) {
  const every = [...everyRig(listEveryTool(db))].filter(
    ([, [rig]]) => rig!.archivedAt === null && !rig!.tractor.practice,
  );
  const here = paged(every, page, ON_A_PAGE);
  const wholes = wholesOf(
    db,
    here.rows.flatMap(([, own]) => own),
  );
  const notHere = notHereOf(
    db,
    here.rows.map(([, own]) => own),
  );
  const lists = here.rows
    .map(([id, own], at) => ({
      head: headOf(own),
      rows: rowsOf(wholes.get(id)!, units),
      notHere: inWords(notHere[at]!),
    }))
    .filter(({ rows }) => rows.length > 0);
  return { ...here, rows: lists };
}

/** What there is to tape of one rig. Where several hang on, each line of a tool says of which. */
export function rowsOf(whole: WholeRig, units: Units) {
  return whole.parts.flatMap(({ rig, name }, index) =>
    wanted(rig, units, index > 0).map((row) => ({
      ...row,
      part: index,
      of: whole.parts.length > 1 && !row.shared ? name : "",
    })),
  );
}

/**
 * What a person with a tape should read of one tool and, with the first, of what carries it: missing where the rig cannot do
 * without, doubted, stale, or never taped though guidance or the hitch is reckoned with it.
 */
function wanted(rig: ResolvedRig, units: Units, toolOnly: boolean) {
  const { values } = rig;
  return askedOf(rig)
    .filter(({ key, sigma, whenMissing, subject, kind }) => {
      if (toolOnly && isOfCarrier({ subject })) return false;
      const { grade, doubt, stale } = values[key];
      if (grade === "missing") return whenMissing !== "quiet";
      return (
        doubt !== null || stale !== null || (below(grade, "taped") && sigma.book > 0 && kind !== "measure")
      );
    })
    .map((entry) => {
      const { value, grade, stale } = values[entry.key];
      return {
        key: entry.key,
        station: entry.station,
        letter: entry.letter,
        label: entry.label,
        shared: isOfCarrier(entry),
        fromTo: entry.fromTo,
        before: entry.conditions.map((key) => CONDITIONS[key].toLowerCase()).join(", "),
        now: value === null ? "missing" : `${printEntry(entry, value, units)}, ${stale ? "stale" : grade}`,
      };
    });
}
