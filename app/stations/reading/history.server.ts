import { dimension, isDimensionKey } from "../../../core/dimension/catalogue.ts";
import { CONDITIONS } from "../../../core/dimension/condition.ts";
import { printReading } from "../../../core/dimension/entry.ts";
import { gradeOf } from "../../../core/rig/grade.ts";
import { historyOf } from "../../../data/readings.ts";
import { day } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import type { HistoryRow } from "./ReadingHistory.tsx";

/** The history of the reading that is open, if one is. */
export function historyRows({ db, rig, resolved, preferences }: OpenRig, open: string | null): HistoryRow[] {
  if (!isDimensionKey(open)) return [];
  const entry = dimension(open, resolved);
  return historyOf(db, rig, open).map((past) => ({
    id: past.id,
    value: printReading(entry, past, preferences.units),
    raw: past.rawText,
    grade: gradeOf(past.instrument),
    who: past.person,
    when: day(past.measuredAt),
    more: [
      past.conditions.map((key) => CONDITIONS[key].toLowerCase()).join(", "),
      past.note,
      past.reason && `instead of a better one because: ${past.reason}`,
      past.fromFile && `from ${past.fromFile}`,
    ]
      .filter(Boolean)
      .join("; "),
    photoId: past.photoId,
    takenBack: past.takenBack && [past.takenBack.person, day(past.takenBack.at)].filter(Boolean).join(", "),
  }));
}
