import { lazy, useRef, useState } from "react";
import { Link } from "react-router";
import { Later } from "../../ui/Later.tsx";
import type { LogAsked, useWorld } from "./use-world.ts";
import type { Driveable } from "./world-view.server.ts";

const JointsChart = lazy(() => import("./JointsChart.tsx"));

type Props = {
  view: Driveable;
  world: ReturnType<typeof useWorld>;
  onLog: (log: LogAsked | null) => void;
};

/** A log driven again by what the terminal believes and by what is so: where the work really was, and its joints. */
export function Replay({ view: { entry, tracked, field }, world, onLog }: Props) {
  const [number, setNumber] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  const { log, histogram } = world;
  const read = async (file: File | undefined) => {
    if (!file) return;
    const bytes = new Uint8Array(await file.arrayBuffer());
    setNumber((before) => before + 1);
    onLog({ number: number + 1, given: { kind: "file", name: file.name, bytes } });
  };
  return (
    <section aria-label="Drive a log again" className="grid gap-2" data-replayed={log?.name ?? ""}>
      <h2 className="border-b-2 border-ink pb-1">
        Drive a log again{" "}
        <span className="font-normal text-soft">
          what a receiver recorded, by both rigs: where the work really was
        </span>
      </h2>
      <div className="flex flex-wrap items-center gap-2">
        <label className="key cursor-pointer">
          Choose a log
          <input
            ref={input}
            type="file"
            accept=".nmea,.txt,.log,.zip"
            className="sr-only"
            onChange={({ target }) => read(target.files?.[0])}
          />
        </label>
        {tracked.slice(0, 4).map(({ id, name }) => (
          <Link key={id} to={`?entry=${id}`} className="key" preventScrollReset>
            {name}
          </Link>
        ))}
        {log && (
          <button
            type="button"
            className="key"
            onClick={() => {
              if (input.current) input.current.value = "";
              onLog(null);
            }}
            hidden={entry !== null}
          >
            Back to the field
          </button>
        )}
        {entry && (
          <Link to={`?field=${field.id}`} className="key" preventScrollReset>
            Back to the field
          </Link>
        )}
      </div>
      {log ? (
        <>
          <p>
            <b>{log.name}</b>: {log.positions} positions
            {log.onField ? `, on ${field.name}` : ", not on this field: it is measured without a boundary"}.{" "}
            {log.told === 0 ? (
              <b>Assumed: it worked wherever it went straight for 25 m. The log does not say.</b>
            ) : (
              "When it worked is told by the log."
            )}
          </p>
          {histogram.truth.length > 0 && (
            <Later height={220} words="Counting joints.">
              <JointsChart histogram={histogram} />
            </Later>
          )}
          <p className="text-small text-soft">
            Brought to a job of the log, it corrects that job pass by pass: <Link to="/log">the log</Link>,
            and <Link to="/spoilt">what a wrong number spoilt</Link>.
          </p>
        </>
      ) : (
        <p className="text-small text-soft">
          NMEA 0183 as a receiver writes it, or the zip of an ISO 11783-10 task set with a time log. It is
          read here and sent nowhere.
        </p>
      )}
    </section>
  );
}
