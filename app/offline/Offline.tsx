import { WifiOff } from "lucide-react";
import { useEffect, useSyncExternalStore } from "react";
import { Link, useLocation } from "react-router";
import { toast } from "../ui/toast.ts";
import type { WorkerSays } from "./aboard.ts";
import { ask, awayNow, onConnection, watchConnection } from "./connection.ts";
import { takeAlong, takesAlong } from "./take-along.ts";
import { asOf, NO_CONNECTION } from "./words.ts";

const TAKE_EVERY = 120_000;
/** What was written a moment ago is seldom the last of it. */
const TAKE_AFTER = 4000;

/** Since when what is seen was taken along; null while the server answers. */
export const useAway = () => useSyncExternalStore(onConnection, awayNow, () => null);

/** Sets up the worker that answers without a connection, takes the rigs in use along, and says when the line is gone. */
export function Offline() {
  useEffect(() => {
    if (!takesAlong()) return;
    navigator.serviceWorker.register("/service-worker.js").catch(() => {});
    const stop = watchConnection();
    const take = async () => (await navigator.serviceWorker.ready) && (await ask()) && takeAlong();
    const first = setTimeout(take, TAKE_AFTER);
    const timer = setInterval(take, TAKE_EVERY);
    const heard = ({ data }: MessageEvent<WorkerSays>) => {
      if (data.said === "not-sent") void toast("error", NO_CONNECTION);
    };
    navigator.serviceWorker.addEventListener("message", heard);
    return () => {
      stop();
      clearTimeout(first);
      clearInterval(timer);
      navigator.serviceWorker.removeEventListener("message", heard);
    };
  }, []);
  return <NoConnection />;
}

function NoConnection() {
  const away = useAway();
  const { pathname } = useLocation();
  if (away === null || pathname === "/enter") return null;
  const seen = away.seen && asOf(away.seen);
  return (
    <p
      role="status"
      data-away
      className="no-print flex items-center gap-2 bg-warn-wash px-4 py-1.5 font-semibold text-warn"
    >
      <WifiOff size={20} aria-hidden="true" className="shrink-0" />
      <span>
        No connection{seen && `, seen as of ${seen}`}. What you enter waits here.{" "}
        <Link to="/device">Aboard</Link>
      </span>
    </p>
  );
}
