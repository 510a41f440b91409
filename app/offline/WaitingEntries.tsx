import { useEffect, useState } from "react";
import { useRevalidator } from "react-router";
import { toast } from "sonner";
import { discard, onWaitingChanged, sendWaiting, type Waiting, waiting } from "./queue.ts";

const TRY_EVERY = 10_000;

/** Says what waits on this device, and sends it as soon as somebody answers. */
export function WaitingEntries() {
  const [entries, setEntries] = useState<Waiting[]>([]);
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const look = () => waiting().then(setEntries, () => setEntries([]));
    const retry = async () => {
      const sent = await sendWaiting().catch(() => 0);
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
        {entries.length === 1 ? "1 entry waits" : `${entries.length} entries wait`} on this device. Keep this
        page open: it is sent when the connection is back.
      </p>
      <ul className="grid gap-1">
        {entries.map(({ id, label, refused }) => (
          <li key={id} className="flex items-center justify-between gap-3">
            <span>
              {label}
              {refused && <span className="problem block">{refused}</span>}
            </span>
            {refused && (
              <button type="button" className="key" onClick={() => discard(id)}>
                Throw away
              </button>
            )}
          </li>
        ))}
      </ul>
    </aside>
  );
}
