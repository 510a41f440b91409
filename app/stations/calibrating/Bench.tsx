import { useState } from "react";
import { v4 as uuid } from "uuid";
import { OnePress } from "../../entry/OnePress.tsx";
import type { Going } from "./going.ts";

/** The simulated bench: it gives a run with the noise real ones have, and says how far what was accepted is from the truth. */
export function Bench({ view, action, person, id, begin }: Going) {
  const [entry, setEntry] = useState(() => uuid());
  const { score } = view.bench!;
  const { parts, one } = view;
  const fields = { intent: "bench-run", id: entry, calibration: id, kind: view.key };
  const done = () => {
    begin();
    setEntry(uuid());
  };
  return (
    <section
      aria-label="On the bench"
      className="flex flex-wrap items-end gap-x-4 gap-y-2 border-l-4 border-steel-line bg-check-wash px-3 py-2"
    >
      <h2 className="self-center">On the simulated bench</h2>
      <OnePress action={action} person={person} label={`${view.title}: bench`} fields={fields} done={done}>
        {parts ? `Test every ${one} on the bench` : `Make a ${one} on the bench`}
      </OnePress>
      {parts && parts.again.length > 0 && (
        <OnePress
          action={action}
          person={person}
          label={`${view.title}: bench, again`}
          fields={{ ...fields, places: parts.again.join(",") }}
          done={done}
        >
          Test {parts.again.join(", ")} again
        </OnePress>
      )}
      {score && (
        <p data-score={score.error} className="basis-full">
          {score.said}: <b>{score.verdict}</b>.
        </p>
      )}
    </section>
  );
}
