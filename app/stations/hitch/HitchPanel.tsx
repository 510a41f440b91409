import { lazy } from "react";
import { Later } from "../../ui/Later.tsx";
import type { HitchView } from "./hitch-view.ts";
import { TryLinkage } from "./TryLinkage.tsx";

const StrokeChart = lazy(() => import("./StrokeChart.tsx"));

/** What to turn first, then what the linkage does. */
export function HitchPanel({ view }: { view: HitchView }) {
  const { right, rows, chart, schools, trial } = view;
  return (
    <section aria-label="Hitch" className="grid gap-3">
      {right.length > 0 && (
        <div className="border-[1.5px] border-dye px-3 py-2">
          <h2 className="text-dye">Make it right</h2>
          <ul className="grid gap-1 leading-snug" data-make-right>
            {right.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </div>
      )}
      {trial && <TryLinkage trial={trial} key={JSON.stringify(trial.shape)} />}
      <div className={chart ? "grid grid-cols-2 gap-6 max-sm:grid-cols-1" : ""}>
        <dl>
          {rows.map(({ label, text }) => (
            <div
              key={label}
              className="flex justify-between gap-3 border-b border-dashed border-line py-1 leading-snug"
            >
              <dt className="text-soft">{label}</dt>
              <dd className="text-right font-[650]">{text}</dd>
            </div>
          ))}
        </dl>
        {chart && (
          <div>
            <h2>Pitch through the lift</h2>
            <Later height={190} words="The chart of the stroke is being drawn.">
              <StrokeChart chart={chart} />
            </Later>
          </div>
        )}
      </div>
      {schools.map((each) => (
        <p key={each} className="text-soft">
          {each}
        </p>
      ))}
    </section>
  );
}
