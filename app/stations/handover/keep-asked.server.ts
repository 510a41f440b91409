import { isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { askReading } from "../../../data/asked.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { written } from "../writing/written.server.ts";
import { AskReadingDto } from "./handover.dto.ts";

/** Asks somebody at the machine for one reading. */
export const keepAsked = written(AskReadingDto, ({ open, value, told }): Outcome => {
  const [coupling, key] = value.what.split(" ") as [string, string];
  const part = open.parts.find(({ couplingId }) => couplingId === Number(coupling));
  if (!part || !isDimensionKey(key)) return refused({ what: "This rig has no such reading." });
  askReading(
    open.db,
    open.rig.id,
    { key, couplingId: part.couplingId, note: value.note, id: value.id },
    told,
  );
  return kept("Asked", { id: value.id });
});
