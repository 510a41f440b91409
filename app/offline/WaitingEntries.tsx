import { useEffect, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { discard, onWaitingChanged, sendWaiting, tryAgain, type Waiting, waiting } from "./queue.ts";

const TRY_EVERY = 10_000;

/** Says what waits on this device, and sends it as soon as somebody answers. */
export function WaitingEntries() {
  const [entries, setEntries] = useState<Waiting[]>([]);
  const [locked, setLocked] = useState(false);
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const look = () => waiting().then(setEntries, () => setEntries([]));
    const retry = async () => {
      const now = await sendWaiting().catch(() => null);
      setLocked(now?.locked ?? false);
      for (const said of now?.said ?? []) toast.warning(said);
      const sent = now?.sent ?? 0;
      if (sent === 0) return;
      toast.success(`Sent ${sent} ${sent === 1 ? "entry" : "entries"} that waited on this device`);
      revalidate();
    };
    look();
    retry();
    const stop = onWaitingChanged(look);
    const timer = setInterval(retry, TRY_EVERY);
    window.addEventListener("online", retry);
    return () => {
      stop();
      clearInterval(timer);
      window.removeEventListener("online", retry);
    };
  }, [revalidate]);
  if (entries.length === 0) return null;
  return (
    <aside
      aria-label="Waiting on this device"
      className="fixed bottom-2 left-2 z-20 grid max-w-[min(420px,94vw)] gap-1 border-2 border-warn bg-warn-wash px-3 py-2"
    >
      <p className="font-bold text-warn">
        {entries.length === 1 ? "1 entry waits" : `${entries.length} entries wait`} on this device.{" "}
        {locked ? (
          <>
            The session has ended: <a href="/enter">enter the passphrase</a>, and they are sent.
          </>
        ) : (
          "Keep this page open: it is sent when the connection is back."
        )}
      </p>
      <ul className="grid gap-1">
        {entries.map(({ id, label, refused }) => (
          <li key={id} className="flex items-center justify-between gap-3">
            <span>
              {label}
              {refused && <span className="problem block">{refused}</span>}
            </span>
            {refused && (
              <span className="flex gap-2">
                <button type="button" className="key" onClick={() => tryAgain(id)}>
                  Try again
                </button>
                <button type="button" className="key" onClick={() => discard(id)}>
                  Throw away
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </aside>
  );
}
