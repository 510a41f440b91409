import { useEffect, useState } from "react";
import { Link } from "react-router";
import { rigAddress } from "../stations/frame/address.ts";
import { leaveBehind, TAKEN, type Taken, takeAlong, taken, takesAlong } from "./take-along.ts";
import { asOf } from "./words.ts";

/** What this device has taken along to work out of reach; nothing where it takes nothing. */
export function Aboard() {
  const [list, setList] = useState<Taken | null>(null);
  const [busy, setBusy] = useState(false);
  const [can, setCan] = useState(false);
  useEffect(() => {
    const look = () => setList(taken());
    setCan(takesAlong());
    look();
    window.addEventListener(TAKEN, look);
    return () => window.removeEventListener(TAKEN, look);
  }, []);
  if (!can) return null;
  const take = async () => {
    setBusy(true);
    await takeAlong();
    setBusy(false);
  };
  const rigs = Object.entries(list?.rigs ?? {});
  return (
    <section aria-label="Aboard this device" className="grid content-start gap-3">
      <h2 className="border-b-2 border-ink pb-1">Aboard this device</h2>
      <p>
        The rigs that are coupled, or were used in the last 30 days: their stations, sheets, hook-up lists,
        steps, ladders and field tests open without a connection.
      </p>
      {rigs.length === 0 ? (
        <p className="text-soft">Nothing yet. It is taken along a moment after a page was opened.</p>
      ) : (
        <ul>
          {rigs.map(([id, { name, at }]) => (
            <li
              key={id}
              className="grid min-h-11 grid-cols-[1fr_auto] items-center gap-2 border-b border-hair"
              data-aboard={name}
            >
              <Link to={rigAddress(id, "hook-up")} className="font-semibold">
                {name}
              </Link>
              <span className="text-soft">as of {asOf(at)}</span>
            </li>
          ))}
        </ul>
      )}
      {list !== null && list.left > 0 && (
        <p className="text-warn">{list.left} more in use were left behind: there is room for 20.</p>
      )}
      <p className="flex flex-wrap gap-2">
        <button type="button" className="key" onClick={take} disabled={busy}>
          {busy ? "Taking along…" : "Take along now"}
        </button>
        {rigs.length > 0 && (
          <button type="button" className="key" onClick={leaveBehind}>
            Leave behind
          </button>
        )}
      </p>
    </section>
  );
}
