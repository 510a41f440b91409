import { useWaiting } from "../../offline/use-waiting.ts";
import type { Preferences } from "../../session/preferences.server.ts";
import { useFormAtHand } from "./entry-form.tsx";
import type { HistoryRow } from "./ReadingHistory.tsx";
import { ClosedReading, OpenReadingRow } from "./Readings.tsx";
import type { ReadingRow } from "./reading-rows.ts";
import { typedIn } from "./waiting-readings.ts";

/** A station's readings under their headings; a heading where something is open stands unfolded. */
export function Topics({
  rows,
  hrefOf,
  action,
}: {
  rows: ReadingRow[];
  hrefOf: (target: string) => string;
  action: string;
}) {
  useFormAtHand();
  const waits = typedIn(useWaiting(action));
  const topics = [...new Set(rows.map(({ topic }) => topic))];
  return (
    <section aria-label="Readings" className="grid gap-1">
      <h2>Readings</h2>
      {topics.map((topic) => {
        const own = rows.filter((row) => row.topic === topic);
        const read = own.filter(({ value }) => value !== null).length;
        return (
          <details key={topic} className="border-t border-line">
            <summary className="flex min-h-11 cursor-pointer items-center justify-between gap-2 font-semibold text-dye">
              {topic}
              <span className="font-normal text-soft">
                {read} of {own.length} read
              </span>
            </summary>
            <ul>
              {own.map((row) => (
                <li key={row.target} className="border-t border-hair">
                  <ClosedReading
                    row={row}
                    href={hrefOf(row.target)}
                    roomy={false}
                    waits={waits.get(row.target)}
                  />
                </li>
              ))}
            </ul>
          </details>
        );
      })}
    </section>
  );
}

/** The reading that is open, at the top of the page where it was asked for. */
export function OpenTopic({
  row,
  ...rest
}: {
  row: ReadingRow | undefined;
  preferences: Preferences;
  closeHref: string;
  history: HistoryRow[];
  action: string;
}) {
  if (!row) return null;
  return (
    <div className="-mx-2.5 bg-dye-wash px-2.5">
      <OpenReadingRow row={row} {...rest} />
    </div>
  );
}
