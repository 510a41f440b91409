import { Link } from "react-router";
import type { Route } from "../routes/+types/spoilt";
import { rigAddress } from "../stations/frame/address.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import { Bases } from "./Bases.tsx";

/** Said on the season's list where work was driven with a number that is another by now. */
export function SpoiltNotice({ count }: { count: number }) {
  if (count === 0) return null;
  return (
    <p className="border-l-4 border-warn bg-warn-wash px-4 py-2">
      {count} {count === 1 ? "entry" : "entries"} of the log {count === 1 ? "was" : "were"} driven with a
      number that is another by now, or while a base had moved:{" "}
      <Link to="/spoilt" className="font-semibold underline">
        what it spoilt
      </Link>
      .
    </p>
  );
}

export function SpoiltPage({ loaderData: { preferences, spoilt }, actionData }: Route.ComponentProps) {
  const errors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="fields">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>What a wrong number spoilt</h1>
          <p className="max-w-[760px] text-lead text-soft" data-spoilt={spoilt.count}>
            {spoilt.count === 0
              ? "Nothing on record was driven with a number that is another by now, or while a base had moved."
              : `${spoilt.total}, driven with numbers that are others by now, or while a base had moved. Errors of tool and receiver turn with the machine and are corrected pass by pass; only where a base had moved does one shift put a whole field right.`}
          </p>
        </div>
        {spoilt.count > 0 && (
          <p className="no-print flex flex-wrap gap-2">
            <a className="key" href="/spoilt.geojson" download>
              GeoJSON
            </a>
            <button type="button" className="key" onClick={() => window.print()}>
              Print
            </button>
          </p>
        )}
      </div>
      {actionData?.ok && actionData.kept.said && (
        <p className="font-bold text-ok" role="status">
          {actionData.kept.said}
        </p>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      {spoilt.groups.map(({ rig, rigId, rows }) => (
        <section key={rigId} aria-label={rig}>
          <h2 className="border-b-2 border-ink pb-1">
            <Link to={rigAddress(rigId, "log")}>{rig}</Link>
          </h2>
          <ul>
            {rows.map(({ id, field, fieldId, when, area, said, correct, tracked }) => (
              <li
                key={id}
                data-spoilt-field={field}
                className="grid break-inside-avoid gap-0.5 border-b border-hair py-2"
              >
                <p>
                  <Link to={`/fields/${fieldId}`} className="text-[17px] font-bold">
                    {field}
                  </Link>{" "}
                  <span className="text-soft">
                    {when}
                    {area && `, ${area} recorded`}
                  </span>
                </p>
                {said.map((text) => (
                  <p key={text}>{text}</p>
                ))}
                {correct.map((text) => (
                  <p key={text} className="font-semibold text-dye">
                    {text}
                  </p>
                ))}
                {tracked && (
                  <p className="no-print">
                    <Link to={rigAddress(rigId, "world", { entry: id })} className="key">
                      Drive it again
                    </Link>
                  </p>
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
      <p className="text-soft">An entry is held against what was frozen when it was begun.</p>
      <Bases key={spoilt.bases.all[0]?.id} view={spoilt.bases} errors={errors} person={preferences.person} />
    </YardFrame>
  );
}
