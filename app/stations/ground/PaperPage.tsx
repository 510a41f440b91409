import type { Place } from "../../../core/subjects/ground/grid.ts";
import { PrintKeys } from "../../ui/PrintKeys.tsx";
import { AdjustersDrawn } from "./AdjustersDrawn.tsx";
import type { AdjustersView } from "./adjusters-view.server.ts";
import type { GroundView } from "./ground-view.server.ts";
import type { StepView, StripView } from "./strip-view.server.ts";

type Paper = {
  name: string;
  what: string;
  /** where one comes from */
  back: string;
  ground: GroundView;
  strip: StripView | null;
};

/** What one takes along to the field: where each adjuster sits and stands, what to turn, and lines to write what was dug and seen. */
export function PaperPage({ paper: { name, what, back, ground, strip } }: { paper: Paper }) {
  const ofMap = ground.map?.advice && !ground.map.odd ? ground.map.advice.turns : [];
  const all = [...ofMap, ...(strip?.steps.flatMap((step) => step.turns) ?? [])];
  const turns = [...new Map(all.map((turn) => [turn.said, turn])).values()];
  return (
    <main
      id="main"
      tabIndex={-1}
      className="mx-auto grid max-w-[820px] gap-4 bg-sheet p-6 print:block print:max-w-none print:p-0"
    >
      <PrintKeys back={back} backTo="the ground" />
      <header className="border-b-2 border-ink pb-1">
        <h1>{name}: ground</h1>
        <p>{what}</p>
      </header>
      <Blanks words={["Field", "Soil, how moist", "Crop", "Who, when"]} />
      {strip?.cautions.map((each) => (
        <p key={each} className="border-l-4 border-ink pl-2 font-semibold print:mt-2">
          {each}
        </p>
      ))}
      {turns.length > 0 && (
        <section className="print:mt-3">
          <h2>To turn</h2>
          <ul>
            {turns.map(({ said, how }) => (
              <li key={said} className="flex items-baseline gap-2">
                <Box />{" "}
                <span>
                  <b>{said}</b> {how}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {ground.adjusters.count > 0 && <Adjusters view={ground.adjusters} />}
      {ground.mapped && <Dug asked={ground.form} />}
      {strip && <Steps strip={strip} />}
    </main>
  );
}

function Box() {
  return (
    <span
      aria-hidden="true"
      className="inline-block size-4 shrink-0 translate-y-0.5 border-[1.5px] border-ink"
    />
  );
}

/** Lines to write on, each under its words. */
function Blanks({ words }: { words: readonly string[] }) {
  return (
    <div className="grid grid-cols-4 gap-4 max-sm:grid-cols-2 print:mt-2">
      {words.map((each) => (
        <div key={each} className="border-b border-ink pb-7 text-small">
          {each}
        </div>
      ))}
    </div>
  );
}

function Adjusters({ view }: { view: AdjustersView }) {
  return (
    <section className="grid gap-2 print:mt-3 print:block">
      <h2>Adjusters</h2>
      {view.drawn && <AdjustersDrawn view={view} paper />}
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-ink">
            <th className="w-8 font-normal" />
            <th className="font-normal">Adjuster</th>
            <th className="w-28 font-normal">Range</th>
            <th className="w-20 font-normal">Stands at</th>
            <th className="w-24 font-normal">Set to</th>
          </tr>
        </thead>
        <tbody>
          {view.groups.flatMap(({ members }) =>
            members.map(({ id, number, label, range, setting, steps, effect, follows }) => (
              <tr key={id} className="break-inside-avoid border-b border-line align-top">
                <td className="py-1 font-bold">{number}</td>
                <td className="py-1">
                  <b className="font-[650]">{label}</b>
                  <span className="block text-small">{follows ? `follows ${follows}` : effect}</span>
                </td>
                <td className="py-1">{range}</td>
                <td className="py-1">
                  {setting ?? "not known"} <span className="text-small">{steps}</span>
                </td>
                <td className="py-1">
                  <span className="inline-block h-6 w-20 border-[1.5px] border-ink" />
                </td>
              </tr>
            )),
          )}
        </tbody>
      </table>
    </section>
  );
}

function Dug({ asked: { places, across, wanted, style } }: { asked: GroundView["form"] }) {
  const all = places[across] ?? [];
  const lines = [...new Set(all.map(({ x }) => x))];
  if (all.length === 0) return null;
  return (
    <section className="break-inside-avoid print:mt-3">
      <h2>
        Dug{" "}
        <span className="font-normal">
          from above, travel upward; {style.startsWith("ft") ? "feet and inches" : style}
          {wanted === "" ? "" : `; wanted ${wanted}`}
        </span>
      </h2>
      {lines.map((x) => (
        <Line key={x} line={all.filter((place) => place.x === x)} />
      ))}
    </section>
  );
}

function Line({ line }: { line: readonly Place[] }) {
  return (
    <div
      className="grid gap-1 pt-1"
      style={{ gridTemplateColumns: `repeat(${line.length}, minmax(0, 1fr))` }}
    >
      {line.map(({ key, label }) => (
        <div key={key} className="h-14 border-[1.5px] border-ink px-1 text-small">
          {label}
        </div>
      ))}
    </div>
  );
}

function Steps({ strip }: { strip: StripView }) {
  return (
    <section className="print:mt-3">
      <h2>
        Guided strip <span className="font-normal">{strip.run}</span>
      </h2>
      <ol>
        {strip.steps
          .filter(({ state }) => state !== "spared")
          .map((step) => (
            <StepLine key={step.key} step={step} />
          ))}
      </ol>
    </section>
  );
}

function StepLine({ step: { number, title, where, word, fields, mapped } }: { step: StepView }) {
  return (
    <li className="break-inside-avoid border-b border-line py-1.5">
      <b className="font-[650]">
        {number} {title}
      </b>{" "}
      <span className="text-small">
        {where}; so far: {word.toLowerCase()}
      </span>
      {mapped ? (
        <span className="block">As dug, above.</span>
      ) : (
        <ul className="flex flex-wrap gap-x-6 gap-y-1">
          {fields.map((field) => (
            <li key={field.key} className="flex flex-wrap items-end gap-x-2">
              {field.label}
              {field.choices.length > 0 ? (
                field.choices.map(([key, words]) => (
                  <span key={key} className="flex items-baseline gap-1 pr-2">
                    <Box /> {words}
                  </span>
                ))
              ) : (
                <span className="inline-block h-6 w-24 border-b border-ink" />
              )}
            </li>
          ))}
        </ul>
      )}
    </li>
  );
}
