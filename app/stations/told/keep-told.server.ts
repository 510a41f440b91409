import { keysTold } from "../../../core/rig/told.ts";
import { keepTold } from "../../../data/readings.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { written } from "../writing/written.server.ts";
import { KeepToldDto, readTold } from "./told.dto.ts";

/** Keeps what the implement told: all lines that were filled in, or none. */
export const keepWhatItTold = written(KeepToldDto, ({ open, value: { id }, told, form }): Outcome => {
  const { db, rig, resolved } = open;
  const read = readTold(form, keysTold(resolved), resolved, resolved.values["tool.width"].value);
  if (!read.ok) return refused(read.errors);
  keepTold(db, rig, read.lines, id, told);
  return kept(
    `Saved what it tells: ${read.lines.length === 1 ? "one figure" : `${read.lines.length} figures`}`,
    { id },
  );
});
