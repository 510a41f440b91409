import { Form, Link } from "react-router";
import { capital } from "../../../core/quantity/capital.ts";
import type { Route } from "../../routes/+types/season";
import { SpoiltNotice } from "../../spoilt/SpoiltPage.tsx";
import { Pages } from "../../ui/Pages.tsx";
import { YardFrame } from "../YardFrame.tsx";
import type { SeasonLine } from "./season-view.server.ts";

const WORDS: Record<SeasonLine["kind"], { word: string; tone: string }> = {
  stale: { word: "stale, read again", tone: "text-warn" },
  due: { word: "due", tone: "text-ink" },
  never: { word: "never made", tone: "text-warn" },
  prove: { word: "prove again", tone: "text-dye" },
  service: { word: "service", tone: "text-ink" },
};

/** What is to be read, calibrated, proved and serviced before a season, machine by machine, in the order it is done. */
export function SeasonPage({
  loaderData: { preferences, groups, only, choices, pages, spoilt },
}: Route.ComponentProps) {
  const lines = groups.flatMap((group) => group.lines);
  const count = (kind: SeasonLine["kind"]) =>
    lines.flatMap((line) => (line.kind === kind ? line.items : [])).length;
  return (
    <YardFrame preferences={preferences} here={null}>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Start of season</h1>
          <p className="text-lead text-soft" data-season>
            {lines.length === 0
              ? `Nothing ${pages.pages > 1 ? "on this page" : "in this yard"} is stale or due.`
              : `${count("stale")} stale, ${count("due")} due, ${count("never")} never made, ${count("prove")} to prove again, ${count("service")} of the service${pages.pages > 1 && only === "" ? ", on this page" : ""}. What is good for how long is common practice.`}
          </p>
        </div>
        <button type="button" className="key no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <SpoiltNotice count={spoilt} />
      <Form className="no-print min-w-0">
        <label className="grid max-w-96 min-w-0 gap-1">
          Errands of
          <select
            name="only"
            className="field min-w-0"
            defaultValue={only}
            onChange={(event) => event.currentTarget.form?.requestSubmit()}
          >
            <option value="">every machine and tool{pages.pages > 1 ? " of this page" : ""}</option>
            {choices.map(({ key, name }) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </Form>
      <div className="columns-2 gap-8 max-sm:columns-1">
        {groups.map(({ key, name, of, notHere, lines: own }) => (
          <section key={key} className="mb-5 break-inside-avoid" aria-label={`${name}, ${of}`}>
            <h2 className="border-b-2 border-ink pb-1">
              {name} <span className="font-normal text-soft">{of}</span>
            </h2>
            {notHere !== "" && (
              <p className="pt-1 font-semibold text-warn" data-not-here>
                {notHere}: this waits until it is here again.
              </p>
            )}
            <ul>
              {own.map(({ key: line, why, kind, items }) => (
                <li key={line} data-due={kind} className="border-b border-hair pt-1.5 leading-snug">
                  <p className="text-small text-soft">
                    <b className={`font-semibold ${WORDS[kind].tone}`}>{capital(WORDS[kind].word)}</b>: {why}
                  </p>
                  <ul className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
                    {items.map(({ key: item, what, href }) => (
                      <li key={item}>
                        <Link to={href} className="flex min-h-11 items-center font-[650] underline">
                          {what}
                        </Link>
                      </li>
                    ))}
                  </ul>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
      {only === "" && <Pages of={{ ...pages, what: "tractors" }} />}
    </YardFrame>
  );
}
