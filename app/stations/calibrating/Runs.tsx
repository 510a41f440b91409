import { TakeBack } from "../../entry/TakeBack.tsx";
import { useKeep } from "../../entry/use-keep.ts";
import { WaitingRows } from "../../offline/WaitingRows.tsx";
import { fieldName } from "./asked-typed.ts";
import type { CalibrateView } from "./calibrate-view.server.ts";
import { useWaitingRuns } from "./waiting-runs.ts";

/** Every run with how far it lies from the others, to be left out or taken back. */
export function Runs({ view, action }: { view: CalibrateView; action: string }) {
  const { keep } = useKeep(action);
  const { runs, one, fields, parts, entered } = view;
  const waits = useWaitingRuns(action, view.id ?? "");
  if (runs.length === 0 && waits.length === 0) return null;
  const typed = (told: Readonly<Record<string, string>>) =>
    fields
      .map(({ key }) => told[fieldName(key)] ?? "")
      .filter(Boolean)
      .join(", ");
  return (
    <section aria-label="Measured">
      <h2 className="border-b-2 border-ink pb-1">Measured</h2>
      {entered === "singly" && <WaitingRows waits={waits} first={runs.length + 1} say={typed} />}
      <ol className={parts ? "grid grid-cols-[repeat(auto-fill,minmax(260px,1fr))] gap-x-6" : ""}>
        {[...runs].reverse().map(({ id, number, text, off, odd, leftOut, simulated }) => (
          <li
            key={id}
            data-run={number}
            className={`grid grid-cols-[26px_1fr_auto] items-center gap-x-2 border-b border-hair leading-snug ${leftOut ? "text-soft" : ""}`}
          >
            <b>{number}</b>
            <span className={leftOut ? "line-through" : ""}>
              {text}
              {simulated && <span className="text-small text-soft"> on the bench</span>}
              {off && (
                <span className={`block text-small ${odd ? "font-semibold text-stop" : "text-soft"}`}>
                  {odd ? `does not fit the others: ${off}` : `${off} from all of them`}
                </span>
              )}
            </span>
            <span className="flex">
              <button
                type="button"
                className="min-h-11 cursor-pointer px-2 font-semibold underline"
                aria-label={`${leftOut ? "Count" : "Leave out"} ${one} ${number}`}
                onClick={() =>
                  void keep({ intent: "leave-run", run: id, out: leftOut ? "no" : "yes" }, `${one} ${number}`)
                }
              >
                {leftOut ? "Count it" : "Leave out"}
              </button>
              <TakeBack id={id} action={action} label={`Take back ${one} ${number}`} />
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
