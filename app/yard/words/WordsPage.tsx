import { useState } from "react";
import { useSearchParams } from "react-router";
import type { Route } from "../../routes/+types/words";
import { YardFrame } from "../YardFrame.tsx";

const HEADINGS = ["Ambrek", "The trade", "Measured"] as const;
const LABELS = {
  Ambrek: "Ambrek's own few words",
  "The trade": "Words of the trade",
  Measured: "What is measured",
};

/** Every word, found by any part of it or of what it means. */
export function WordsPage({ loaderData: { preferences, words } }: Route.ComponentProps) {
  const [search, setSearch] = useSearchParams();
  const [find, setFind] = useState(search.get("find") ?? "");
  const asked = find.trim().toLowerCase();
  const found = words.filter(({ word, means }) => `${word} ${means}`.toLowerCase().includes(asked));
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>Words</h1>
        <p className="text-lead text-soft">
          What every label means. The explanation also stands under each label where it is asked.
        </p>
      </div>
      <search>
        <input
          type="search"
          value={find}
          onChange={(event) => setFind(event.target.value)}
          onBlur={() => setSearch(find ? { find } : {}, { replace: true, preventScrollReset: true })}
          aria-label="Find a word"
          placeholder="Find a word: offset, pin, float"
          className="field max-w-[420px]"
        />
      </search>
      {found.length === 0 && (
        <p className="text-lead" role="status">
          No word with “{find}” in it.
        </p>
      )}
      {HEADINGS.map((heading) => {
        const own = found.filter(({ of }) => of === heading);
        if (own.length === 0) return null;
        return (
          <section key={heading} aria-label={LABELS[heading]}>
            <h2 className="border-b-2 border-ink pb-1">{LABELS[heading]}</h2>
            <dl className="gap-x-8 lg:columns-2">
              {own.map(({ word, means }) => (
                <div
                  key={word}
                  className="break-inside-avoid border-b border-hair py-1.5 leading-snug"
                  data-word={word}
                >
                  <dt className="font-bold">{word}</dt>
                  <dd>{means}</dd>
                </div>
              ))}
            </dl>
          </section>
        );
      })}
    </YardFrame>
  );
}
