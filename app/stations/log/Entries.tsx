import { Link } from "react-router";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { rigAddress } from "../frame/address.ts";
import type { EntryView } from "./log-view.server.ts";

const TONE = { good: "text-ok", check: "font-semibold text-warn", unknown: "text-soft" } as const;

/** Entries of the log, newest first; where they are one rig's they may be taken back. */
export function Entries({
  entries,
  action,
  withRig,
  track,
}: {
  entries: readonly EntryView[];
  action: string | null;
  withRig: boolean;
  /** what stands under each entry that was ended, to bring its track; absent where none can be brought */
  track?: (entry: string) => React.ReactNode;
}) {
  if (entries.length === 0) return <p className="text-soft">Nothing was driven yet.</p>;
  return (
    <ul data-log={entries.length}>
      {entries.map((entry) => (
        <Entry key={entry.id} entry={entry} action={action} withRig={withRig} track={track} />
      ))}
    </ul>
  );
}

type EntryProps = {
  entry: EntryView;
  action: string | null;
  withRig: boolean;
  track: ((entry: string) => React.ReactNode) | undefined;
};

function Entry({ entry, action, withRig, track }: EntryProps) {
  const { ended } = entry;
  return (
    <li className="grid gap-0.5 border-b border-hair py-2" data-entry={entry.field}>
      <div className="flex items-start justify-between gap-3">
        <p>
          <Link to={`/fields/${entry.fieldId}`} className="text-[17px] font-bold">
            {entry.field}
          </Link>{" "}
          <span>{entry.what}</span> {entry.crop && <span className="text-soft">{entry.crop}</span>}
          <span className="block text-small text-soft">
            {entry.person}, {entry.begun}
            {ended ? ` to ${ended.at}` : ", goes on"}
            {withRig && (
              <>
                , <Link to={rigAddress(entry.rigId, "log")}>{entry.rig}</Link>
              </>
            )}
          </span>
        </p>
        {ended?.area && <b className="text-value whitespace-nowrap">{ended.area}</b>}
        {action && (
          <TakeBack
            id={ended?.id ?? entry.id}
            action={action}
            label={
              ended ? `Take back the end on ${entry.field}` : `Take back the beginning on ${entry.field}`
            }
          />
        )}
      </div>
      {ended && (
        <p>
          {[ended.time, ended.fuel && `${ended.fuel} fuel`, ...entry.figures].filter(Boolean).join(", ")}
          {ended.parts.length > 0 && <span className="block">{ended.parts.join("; ")} parts at work</span>}
        </p>
      )}
      {entry.said.map(({ verdict, text }) => (
        <p key={text} className={TONE[verdict]} data-said={verdict}>
          {text}
        </p>
      ))}
      {ended?.note && <p className="italic">{ended.note}</p>}
      {entry.loads.map((load) => (
        <p key={load.id} className="text-small">
          <b>{load.name}</b> {load.rest}
        </p>
      ))}
      {entry.notes.map((note) => (
        <p key={note.id} className="text-small">
          {note.text} <span className="text-soft">{note.who}</span>{" "}
          {note.photo && (
            <a href={`/photos/${note.photo}`} className="font-semibold">
              photo
            </a>
          )}
        </p>
      ))}
      <p className="text-small text-soft">
        {entry.frozen}
        {entry.track && `; track ${entry.track}`}
      </p>
      {ended && track?.(entry.id)}
    </li>
  );
}
