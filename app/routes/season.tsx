import { Link } from "react-router";
import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { type SeasonLine, seasonView } from "../yard/season/season-view.server.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/season";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  return { preferences, rigs: seasonView(database(), new Date().toISOString(), preferences.units) };
}

export function meta() {
  return [{ title: "Start of season · Ambrek" }];
}

const WORDS: Record<SeasonLine["kind"], { word: string; tone: string }> = {
  stale: { word: "stale, read again", tone: "text-warn" },
  due: { word: "due", tone: "text-ink" },
  prove: { word: "prove again", tone: "text-dye" },
};

export default function Season({ loaderData: { preferences, rigs } }: Route.ComponentProps) {
  const lines = rigs.flatMap((rig) => rig.lines);
  const count = (kind: SeasonLine["kind"]) => lines.filter((line) => line.kind === kind).length;
  return (
    <YardFrame preferences={preferences} here={null}>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Start of season</h1>
          <p className="text-lead text-soft" data-season>
            {lines.length === 0
              ? "Nothing in this yard is stale or due."
              : `${count("stale")} stale, ${count("due")} due, ${count("prove")} to prove again. What is good for how long is common practice.`}
          </p>
        </div>
        <button type="button" className="key no-print" onClick={() => window.print()}>
          Print
        </button>
      </div>
      <div className="columns-2 gap-8 max-sm:columns-1">
        {rigs.map(({ id, name, tool, lines: own }) => (
          <section key={id} className="mb-5 break-inside-avoid" aria-label={name}>
            <h2 className="border-b-2 border-ink pb-1">
              {name} <span className="font-normal text-soft">{tool}</span>
            </h2>
            <ul>
              {own.map(({ key, what, why, href, kind }) => (
                <li
                  key={key}
                  data-due={kind}
                  className="grid grid-cols-[1fr_128px] items-center gap-x-3 border-b border-hair py-1 leading-snug"
                >
                  <span>
                    <Link to={href} className="inline-flex min-h-9 items-center font-[650]">
                      {what}
                    </Link>
                    <span className="block text-small text-soft">{why}</span>
                  </span>
                  <span className={`text-small font-semibold ${WORDS[kind].tone}`}>{WORDS[kind].word}</span>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </YardFrame>
  );
}
