import { useState } from "react";
import { Form, Link } from "react-router";
import type { Route } from "../../routes/+types/down";
import { rigAddress } from "../../stations/frame/address.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { YardFrame } from "../YardFrame.tsx";
import type { DownView } from "./down-view.server.ts";

/** It is down: which other one carries its tools now. */
export function DownPage({ loaderData: { preferences, view }, actionData }: Route.ComponentProps) {
  const { machine, rigs, rig, carriers, without, notHere, off, anyway } = view;
  const errors = actionData?.errors ?? {};
  const able = carriers.filter(({ stops }) => stops.length === 0);
  const stopped = carriers.filter(({ stops }) => stops.length > 0);
  return (
    <YardFrame preferences={preferences} here="machines">
      <div>
        <p className="text-soft">
          <Link to={`/machines/${machine.id}`}>{machine.full}</Link>
        </p>
        <h1>{machine.name} is down</h1>
        {rig ? (
          <p className="text-lead" data-able={able.length}>
            {able[0] ? (
              <>
                <b>{able[0].name}</b> is quickest to take {rig.tools} over, in <b>{able[0].minutes}</b>:{" "}
                {able[0].unknown.length === 0
                  ? "nothing stops it."
                  : `nothing that is known stops it, and ${able[0].unknown.length} things are not known of the pair.`}{" "}
                {able.length > 1 && `${able.length - 1} more could.`}
              </>
            ) : (
              <b className="text-stop">
                Nothing else carries {rig.tools} as it stands
                {carriers.length > 0 ? ": what stops each is below." : "."}
              </b>
            )}
          </p>
        ) : (
          <p className="text-lead text-soft">No rig has it: there is nothing to take over.</p>
        )}
        {errors.form && <p className="problem">{errors.form}</p>}
      </div>
      {rigs.length > 1 && (
        <nav aria-label="Its rigs" className="flex flex-wrap gap-2">
          {rigs.map(({ id, name, now }) => (
            <Link
              key={id}
              to={`?rig=${id}`}
              aria-current={now ? "true" : undefined}
              className="key aria-[current]:border-dye aria-[current]:bg-dye-wash"
            >
              {name}
            </Link>
          ))}
        </nav>
      )}
      {anyway.length > 0 && (
        <p className="border-l-4 border-stop pl-3" data-anyway>
          <b>Stands against it on {machine.name} as well:</b> {anyway.join(" ")}
        </p>
      )}
      {off && (
        <Folded summary={`First off ${machine.name}: ${off.minutes}`}>
          <ul className="list-disc pb-2 pl-5">
            {off.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Folded>
      )}
      {rig && <Away rig={rig.id} carriers={able} machine={machine.name} errors={errors} />}
      {stopped.length > 0 && (
        <section aria-label="Stopped">
          <h2 className="border-b-2 border-ink pb-1">What stops the others</h2>
          <ul>
            {stopped.map((each) => (
              <li key={each.id} data-stopped={each.name} className="border-b border-hair py-2">
                <b className="text-[17px]">{each.name}</b> <span className="text-soft">{each.full}</span>
                <ul>
                  {each.stops.map(({ id, what, why }) => (
                    <li key={id}>
                      <span className="font-semibold text-stop">{what}</span>{" "}
                      <span className="text-soft">{why}</span>
                    </li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </section>
      )}
      {without.length > 0 && (
        <p className="text-soft" data-without>
          Nowhere to hang it: {without.map(({ name, why }) => `${name} (${why})`).join("; ")}.
        </p>
      )}
      {notHere.length > 0 && (
        <p className="text-soft" data-not-here>
          Not here: {notHere.map(({ name, why }) => `${name} (${why})`).join("; ")}.
        </p>
      )}
      <p className="text-small text-soft">
        Speed, depth, rates and overlap go along; what is about links, shaft and slip is read anew. Minutes
        are reckoned from what is on record; what each act takes stands with the plan. Where this and an
        operator's manual differ, the manual holds.
      </p>
    </YardFrame>
  );
}

type Carriers = DownView["carriers"];

function Away({
  rig,
  carriers,
  machine,
  errors,
}: {
  rig: number;
  carriers: Carriers;
  machine: string;
  errors: Readonly<Record<string, string>>;
}) {
  const [why, setWhy] = useState("");
  const [until, setUntil] = useState("");
  if (carriers.length === 0) return null;
  return (
    <section aria-label="Who takes it over" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Who takes it over, quickest first</h2>
      <div className="grid max-w-[640px] grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          label="What broke"
          value={why}
          onChange={({ target }) => setWhy(target.value)}
          problem={errors.why}
          hint={`${machine} is left out of the plan meanwhile.`}
        />
        <TextField
          type="date"
          label="Down until"
          value={until}
          onChange={({ target }) => setUntil(target.value)}
          problem={errors.until}
          hint="Empty: nobody knows; two weeks are planned without it."
        />
      </div>
      <ol>
        {carriers.map((each, at) => (
          <li
            key={each.id}
            data-carrier={each.name}
            className="grid grid-cols-[1fr_auto] items-start gap-x-4 border-b border-hair py-2 max-sm:grid-cols-1"
          >
            <div>
              <p>
                <b className="text-[17px]">{each.name}</b> <span className="text-soft">{each.full}</span>,{" "}
                <b>{each.minutes}</b>
                {each.carries && <>, from {each.carries}</>}
              </p>
              {each.rig && (
                <p>
                  There is a rig of it:{" "}
                  <Link to={rigAddress(each.rig.id, "hook-up")} className="underline">
                    {each.rig.name}
                  </Link>
                </p>
              )}
              {each.toRead.length > 0 && (
                <p className="font-semibold text-warn">First to be read: {each.toRead.join(", ")}.</p>
              )}
              {each.unknown.length > 0 && (
                <p className="text-warn">
                  Not known yet of this pair: {each.unknown.slice(0, 6).join(", ")}
                  {each.unknown.length > 6 && ` and ${each.unknown.length - 6} more`}.
                </p>
              )}
              {each.notCounted.length > 0 && (
                <p className="text-warn">Not in the minutes: {each.notCounted.join("; ")}.</p>
              )}
              <Folded summary="What has to be done">
                <ul className="list-disc pb-2 pl-5">
                  {each.toRead.map((line) => (
                    <li key={line}>{line}: read and entered.</li>
                  ))}
                  {each.lines.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Folded>
            </div>
            <Form method="post">
              <input type="hidden" name="rig" value={rig} />
              <input type="hidden" name="other" value={each.id} />
              <input type="hidden" name="why" value={why} />
              <input type="hidden" name="until" value={until} />
              <button type="submit" className={at === 0 ? "key-main" : "key"}>
                {each.rig ? `Go on with ${each.name}` : `Make the rig on ${each.name}`}
              </button>
            </Form>
          </li>
        ))}
      </ol>
    </section>
  );
}
