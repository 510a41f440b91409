import { Link } from "react-router";
import { capital } from "../../../core/quantity/capital.ts";
import { useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
import type { Preferences } from "../../session/preferences.server.ts";
import { GradeMark } from "../../ui/Grade.tsx";
import type { StationView } from "../judging/station-view.ts";
import { EntryForm, useFormAtHand } from "./entry-form.tsx";
import { type HistoryRow, ReadingHistory } from "./ReadingHistory.tsx";
import type { ReadingRow } from "./reading-rows.ts";
import { asTyped, typedIn } from "./waiting-readings.ts";

type Props = {
  view: StationView;
  preferences: Preferences;
  open: string | null;
  history: HistoryRow[];
  hrefOf: (target: string) => string;
  /** where entries are sent */
  action: string;
};

export function Readings({ view, preferences, open, history, hrefOf, action }: Props) {
  useFormAtHand();
  const waits = typedIn(useWaiting(action));
  return (
    <section aria-label="Readings" className="min-w-0">
      <h2 className={`mb-1 flex justify-between ${open ? "max-sm:hidden" : ""}`}>
        Readings
        <span className="font-normal text-soft">
          {view.taped} of {view.wanted} taped
        </span>
      </h2>
      <ul>
        {view.readings.map((row) => (
          <li
            key={row.target}
            id={`reading-${row.target}`}
            className={`border-t border-hair ${row.target === open ? "-mx-2.5 bg-dye-wash px-2.5" : open ? "max-sm:hidden" : ""}`}
          >
            {row.target === open ? (
              <OpenReadingRow
                row={row}
                preferences={preferences}
                closeHref={hrefOf("")}
                action={action}
                history={history}
              />
            ) : (
              <ClosedReading
                row={row}
                href={hrefOf(row.target)}
                roomy={view.readings.length < 6}
                waits={waits.get(row.target)}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Letter({ letter, on = false }: { letter: string; on?: boolean }) {
  return (
    <span
      className={`grid size-[26px] shrink-0 place-items-center rounded-full font-bold ${letter ? "border-[1.5px] border-dye" : ""} ${on && letter ? "bg-dye text-sheet" : "text-dye"}`}
    >
      {letter || <span className="size-2 rounded-full bg-dye" />}
    </span>
  );
}

type ClosedProps = {
  row: ReadingRow;
  href: string;
  roomy: boolean;
  /** what was typed and waits on this device */
  waits: string | undefined;
};

export function ClosedReading({ row, href, roomy, waits }: ClosedProps) {
  return (
    <Link
      to={href}
      preventScrollReset
      data-reading={row.target}
      className="grid min-h-11 grid-cols-[26px_minmax(88px,1fr)_auto_112px] items-center gap-x-2.5 py-1 no-underline hover:bg-hair max-sm:grid-cols-[26px_minmax(88px,1fr)_auto]"
    >
      <Letter letter={row.letter} />
      <span className="leading-tight">{row.label}</span>
      <span
        className={`text-right leading-tight ${row.kind === "sections" ? "text-body" : "text-[19px]"} font-[650] ${row.doubted ? "text-stop" : ""}`}
      >
        {row.value ?? <NotRead row={row} />}
        {waits !== undefined && (
          <span className="block text-small font-semibold text-warn" data-waits>
            {asTyped(waits, row)} {WAITS_HERE}
          </span>
        )}
        {row.repeats.length > 0 && (
          <span className="block text-small font-normal text-soft">mean of {row.repeats.length}</span>
        )}
      </span>
      <span className="flex max-sm:col-start-2 max-sm:col-end-4">
        {row.grade !== "missing" && (
          <GradeMark
            grade={row.grade}
            doubted={row.doubted}
            stale={row.stale !== null}
            due={row.due !== null}
          />
        )}
      </span>
      {roomy && (
        <span className="col-start-2 col-end-5 text-small leading-tight text-soft max-sm:col-end-4">
          {row.fromTo}
        </span>
      )}
    </Link>
  );
}

/** Missing is never 0: what is reckoned with instead is said, and that nobody read it. */
function NotRead({ row: { otherwise, quiet } }: { row: ReadingRow }) {
  return otherwise ? (
    <span className="text-small font-normal text-soft">reckoned: {otherwise}</span>
  ) : (
    <span className={`text-body ${quiet ? "text-soft" : "text-stop"}`}>{quiet ? "not read" : "missing"}</span>
  );
}

export function OpenReadingRow({
  row,
  preferences,
  action,
  ...rest
}: {
  row: ReadingRow;
  preferences: Preferences;
  closeHref: string;
  history: HistoryRow[];
  action: string;
}) {
  return (
    <OpenReading row={row} action={action} {...rest}>
      <EntryForm key={row.target} row={row} preferences={preferences} action={action} />
    </OpenReading>
  );
}

function OpenReading({
  row,
  closeHref,
  action,
  history,
  children,
}: {
  row: ReadingRow;
  closeHref: string;
  action: string;
  history: HistoryRow[];
  children: React.ReactNode;
}) {
  return (
    <div className="grid scroll-mt-48 gap-1.5 py-2.5" data-open={row.target}>
      <div className="flex items-start gap-2.5">
        <Letter letter={row.letter} on />
        <div className="flex-1 leading-snug">
          <h3 className="font-bold">{row.label}</h3>
          <p>{row.fromTo}</p>
        </div>
        <Link
          to={closeHref}
          preventScrollReset
          className="grid min-h-11 place-items-center px-2 font-semibold"
        >
          Close
        </Link>
      </div>
      {row.stale && <p className="problem pl-9 max-sm:pl-0">Stale since: {row.stale}.</p>}
      {row.due && !row.stale && (
        <p className="pl-9 font-semibold text-warn max-sm:pl-0">{capital(row.due)} (common practice).</p>
      )}
      {row.repeats.length > 0 && (
        <p className="pl-9 max-sm:pl-0" data-repeats>
          Read {row.repeats.length} times: {row.repeats.map(({ text }) => text).join(", ")}. Spread{" "}
          {row.spread}.
        </p>
      )}
      {children}
      {row.source && (
        <p className="pl-9 text-small text-soft max-sm:pl-0">
          Now {row.value}: {row.source}
        </p>
      )}
      {row.proof && <p className="pl-9 text-small text-ok max-sm:pl-0">Proven: {row.proof}</p>}
      <ReadingHistory rows={history} action={action} />
    </div>
  );
}
