import { TakeBack } from "../../entry/TakeBack.tsx";

export type HistoryRow = {
  id: string;
  value: string;
  raw: string;
  grade: string;
  who: string;
  when: string;
  /** "level floor, wheels straight", the note, the reason, the file it came in */
  more: string;
  photoId: string | null;
  /** "Mira, 3 Nov 2026"; null while it stands */
  takenBack: string | null;
};

/** Every reading of one dimension, newest first. What was taken back stays to be seen, struck through. */
export function ReadingHistory({ rows, action }: { rows: HistoryRow[]; action: string }) {
  if (rows.length === 0) return null;
  return (
    <details className="pl-9 max-sm:pl-0" open={rows.length > 1 || undefined}>
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold text-dye">
        History, {rows.length} {rows.length === 1 ? "reading" : "readings"}
      </summary>
      <ul className="grid gap-1">
        {rows.map((row) => (
          <li
            key={row.id}
            className="grid grid-cols-[1fr_auto] items-center gap-2 border-t border-hair py-1"
            data-past={row.id}
          >
            <div className={`leading-snug ${row.takenBack ? "text-soft line-through" : ""}`}>
              <b>{row.value}</b> {row.grade}, “{row.raw}”, {row.who}, {row.when}
              {row.more && <span className="block text-small text-soft">{row.more}</span>}
              {row.photoId && (
                <a
                  href={`/photos/${row.photoId}`}
                  className="block text-small"
                  target="_blank"
                  rel="noreferrer"
                >
                  Photo of the tape
                </a>
              )}
            </div>
            {row.takenBack ? (
              <span className="text-small text-soft">taken back by {row.takenBack}</span>
            ) : (
              <TakeBack id={row.id} action={action} label={`Take back ${row.value}`} className="key" />
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
