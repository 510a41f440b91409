import { useCallback, useEffect, useState } from "react";
import { useRevalidator } from "react-router";
import { SelectField, TextField } from "../ui/Field.tsx";
import { toast } from "../ui/toast.ts";
import { useSmallScreen } from "../ui/use-small-screen.ts";
import { awayNow, onConnection } from "./connection.ts";
import {
  discard,
  mendable,
  onWaitingChanged,
  sendWaiting,
  tryAgain,
  type Waiting,
  waiting,
} from "./queue.ts";
import { knows, tellWaiting, type Waits } from "./tell-waiting.ts";

const TRY_EVERY = 10_000;

/** Says what waits on this device, and sends it as soon as somebody answers. */
export function WaitingEntries({ who }: { who: { waits: Waits | null } | null }) {
  const [entries, setEntries] = useState<Waiting[] | null>(null);
  const [locked, setLocked] = useState(false);
  const small = useSmallScreen();
  const { revalidate } = useRevalidator();
  const retry = useCallback(async () => {
    const now = await sendWaiting().catch(() => null);
    setLocked(now?.locked ?? false);
    for (const said of now?.said ?? []) toast("warning", said);
    const sent = now?.sent ?? 0;
    if (sent === 0) return;
    toast("success", `Sent ${sent} ${sent === 1 ? "entry" : "entries"} that waited on this device`);
    revalidate();
  }, [revalidate]);
  useTelling(entries, who);
  useEffect(() => {
    const look = () => waiting().then(setEntries, () => setEntries(null));
    look();
    retry();
    const stop = onWaitingChanged(look);
    const timer = setInterval(retry, TRY_EVERY);
    window.addEventListener("online", retry);
    const still = onConnection(() => awayNow() === null && retry());
    return () => {
      stop();
      still();
      clearInterval(timer);
      window.removeEventListener("online", retry);
    };
  }, [retry]);
  if (!entries?.length) return null;
  const refused = entries.filter((entry) => entry.refused).length;
  const open = entries.length - refused;
  return (
    <aside
      aria-label="Waiting on this device"
      className="no-print fixed bottom-2 left-2 z-20 grid max-h-[80vh] max-w-[420px] gap-1 overflow-y-auto border-2 border-warn bg-warn-wash px-3 py-2 max-sm:static max-sm:max-h-none max-sm:max-w-none max-sm:border-x-0 max-sm:px-4 max-sm:py-0"
    >
      {/* On a phone it stands above the page, folded unless something has to be mended: it would lie over what is being ticked. */}
      <details open={!small || refused > 0}>
        <summary className="min-h-11 cursor-pointer content-center font-bold text-warn">
          {refused > 0 && `${counted(refused)} refused. `}
          {open > 0 && `${counted(open, "waits", "wait")} on this device.`}
        </summary>
        <p>
          {locked ? (
            <>
              This device is not in any more: <a href="/enter">come in again</a>, and they are sent.
            </>
          ) : open > 0 ? (
            "It is sent when the connection is back, and Ambrek is open."
          ) : (
            "Mend it here and send it, or throw it away. Until then nothing of it is kept in the yard."
          )}
        </p>
        <ul className="grid gap-1">
          {entries.map((entry) => (
            <li key={entry.id} className="grid gap-1">
              {entry.refused ? <Refused entry={entry} onSend={retry} /> : entry.label}
            </li>
          ))}
        </ul>
      </details>
    </aside>
  );
}

/** Where this device is somebody's, the server hears what waits on it. */
function useTelling(entries: Waiting[] | null, who: { waits: Waits | null } | null) {
  useEffect(() => {
    if (!who || entries === null) return;
    knows(who.waits);
    tellWaiting({ waiting: entries.length, refused: entries.filter(({ refused }) => refused).length });
  }, [entries, who]);
}

/** "1 entry waits", "2 entries". */
function counted(count: number, one = "", more = one): string {
  return count === 1 ? `1 entry ${one}`.trim() : `${count} entries ${more}`.trim();
}

/** One the server refused: the fields it found wrong to type anew, and the ways out. It stays the same entry, read when it was. */
function Refused({ entry, onSend }: { entry: Waiting; onSend: () => void }) {
  const fields = mendable(entry);
  const sendAgain = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    await tryAgain(
      entry.id,
      Object.fromEntries(fields.map(({ name }) => [name, String(form.get(name) ?? "")])),
    );
    onSend();
  };
  return (
    <form onSubmit={sendAgain} className="grid gap-1" noValidate>
      <b>{entry.label}</b>
      {fields.length === 0 && <span className="problem">{entry.refused}</span>}
      {fields.map(({ name, label, text, said, choices }) =>
        choices ? (
          <SelectField
            key={name}
            name={name}
            label={label}
            problem={said}
            choices={choices}
            defaultValue={text}
          />
        ) : (
          <TextField key={name} name={name} label={label} problem={said} defaultValue={text} />
        ),
      )}
      <span className="flex gap-2">
        <button type="submit" className="key">
          {fields.length > 0 ? "Send it mended" : "Try again"}
        </button>
        <button type="button" className="key" onClick={() => discard(entry.id)}>
          Throw away
        </button>
      </span>
    </form>
  );
}
