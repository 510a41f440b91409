import { dimension } from "../../../core/dimension/catalogue.ts";
import { below, gradeOf } from "../../../core/rig/grade.ts";
import { subjectColumns } from "../../../data/facts.ts";
import { keepReading } from "../../../data/readings.ts";
import { factOf } from "../../../data/record.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { idOf } from "../reading/entry-ids.ts";
import { outdone } from "../writing/outdone.server.ts";
import { written } from "../writing/written.server.ts";
import { KeepSheetDto, lineName, readSheet } from "./sheet.dto.ts";

/** Keeps a sheet: all of its lines, or none. */
export const keepSheet = written(KeepSheetDto, ({ open, value: { id, instrument }, told, form }): Outcome => {
  const { db, rig, resolved } = open;
  const read = readSheet(form, resolved);
  if (!read.ok) return refused(read.errors);
  if (factOf(db, idOf(id, 0))) return kept("Saved before", { id });
  const errors: Record<string, string> = {};
  for (const { key } of read.entries) {
    const known = resolved.values[key];
    if (!subjectColumns(key, rig)) errors[lineName(key)] = "This rig has no such reading.";
    else if (
      known.value !== null &&
      below(gradeOf(instrument), known.grade === "proven" ? "taped" : known.grade)
    )
      errors[lineName(key)] = `This is ${known.grade} now. Enter it at its station, with a reason.`;
  }
  if (Object.keys(errors).length > 0) return refused(errors);
  db.transaction(() => {
    for (const [index, { key, text, value, step }] of read.entries.entries()) {
      const own = idOf(id, index);
      keepReading(db, rig, {
        id: own,
        sitting: own,
        key,
        rawText: text,
        value,
        step,
        instrument:
          dimension(key, rig.attachment).kind === "choice" && instrument === "tape" ? "look" : instrument,
        ...told,
      });
    }
  });
  const lines = read.entries.length === 1 ? "One reading" : `${read.entries.length} readings`;
  const late = read.entries.flatMap(({ key }) => {
    const later = outdone(open, dimension(key, resolved), told.at);
    return later ? [`${dimension(key, resolved).label}: ${later}`] : [];
  });
  return late.length === 0
    ? kept(`${lines} saved`, { id })
    : kept(`${lines} saved, of which in the history only: ${late.join(". ")}`, { id, heed: true });
});
