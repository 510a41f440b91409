import { NOTHING_SPOILT } from "../../core/spoilt/of-entry.ts";
import type { OpenRig } from "../stations/frame/rig-view.server.ts";
import { spoiltEntries } from "./spoilt-view.server.ts";

/** Said behind what was accepted, where work was driven with what it was; empty where none was. */
export function spoiltWords({ db, rig }: Pick<OpenRig, "db" | "rig">): string {
  const count = spoiltEntries(db, [rig.id]).filter(({ spoilt }) => spoilt !== NOTHING_SPOILT).length;
  if (count === 0) return "";
  return `. ${count} ${count === 1 ? "entry" : "entries"} of the log ${count === 1 ? "was" : "were"} driven with another figure: Log of work says what that spoilt`;
}
