import { Form, Link } from "react-router";
import type { Route } from "../../routes/+types/traffic";
import { YardFrame } from "../YardFrame.tsx";
import { TrafficLanes } from "./TrafficLanes.tsx";

const VERDICTS = {
  fits: { word: "on the marks", tone: "text-ok" },
  shift: { word: "shift the lines", tone: "text-warn" },
  no: { word: "does not fit", tone: "text-stop" },
  unknown: { word: "not known", tone: "text-soft" },
} as const;

export function TrafficPage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>Controlled traffic</h1>
        <p className="text-lead text-soft">
          Whether several tools keep their wheels on the same marks: line spacings that are whole multiples of
          the narrowest, and wheels the same distance apart.
        </p>
      </div>
      <div className="grid grid-cols-[340px_1fr] gap-8 max-sm:grid-cols-1">
        <Form className="grid content-start gap-1">
          <h2 className="border-b-2 border-ink pb-1">Tools that share the field</h2>
          {view.tools.map(({ id, label, rig, spacing, chosen }) => (
            <label
              key={id}
              className="flex min-h-11 cursor-pointer items-center gap-2 border-b border-hair leading-snug"
            >
              <input
                type="checkbox"
                name="with"
                value={id}
                defaultChecked={chosen}
                className="size-5 shrink-0"
              />
              <span>
                {label} <span className="text-small text-soft">{rig}</span>
                <span className="block text-small text-soft">{spacing}</span>
              </span>
            </label>
          ))}
          <button type="submit" className="key-main mt-2">
            Hold them together
          </button>
        </Form>
        <section aria-label="Together" className="grid content-start gap-2">
          {view.base === null ? (
            <p className="text-soft">Choose two tools or more whose line spacing is known.</p>
          ) : (
            <>
              <h2 className="border-b-2 border-ink pb-1">
                Base <span className="font-normal">{view.base}</span>
              </h2>
              <ul>
                {view.rows.map(({ id, name, href, spacing, times, off, track, verdict, why }) => (
                  <li
                    key={id}
                    data-traffic={verdict}
                    className="grid grid-cols-[1fr_110px_150px_120px] items-center gap-x-3 border-b border-hair py-1.5 leading-snug max-sm:grid-cols-2"
                  >
                    <span>
                      <Link to={href} className="font-[650]">
                        {name}
                      </Link>
                      <span className="block text-small text-soft">{why}</span>
                    </span>
                    <span className="font-[650]">{spacing}</span>
                    <span>
                      {times} {off && <span className="text-soft">{off}</span>}
                      <span className="block text-small text-soft">wheels {track}</span>
                    </span>
                    <span className={`font-semibold ${VERDICTS[verdict].tone}`}>
                      {VERDICTS[verdict].word}
                    </span>
                  </li>
                ))}
              </ul>
              <p className="text-small text-soft">
                A pass off by up to 5 cm and wheels off by up to 10 cm still fall on the marks (common
                practice).
              </p>
              {view.lanes && <TrafficLanes view={view.lanes} />}
            </>
          )}
        </section>
      </div>
    </YardFrame>
  );
}
