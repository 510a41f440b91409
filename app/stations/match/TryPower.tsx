import { lazy, useState } from "react";
import { atSpeed, curveOf, fastest, insteadOf, workedAs } from "../../../core/forces/curve.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { say } from "../../../core/quantity/say.ts";
import { FASTEST, needOfAll } from "../../../core/trade/power.ts";
import { Later } from "../../ui/Later.tsx";
import { Slide } from "../../ui/Slide.tsx";
import { chartOf, heldWords, type PowerChartView, type PowerTrial } from "./match-view.ts";

const PowerChart = lazy(() => import("./PowerChart.tsx"));

/** The chart, and sliders to try another speed, depth or width on it. Nothing is kept. */
export function TryPower({ trial, chart }: { trial: PowerTrial; chart: PowerChartView }) {
  const { units, efficiencies, available } = trial;
  const [speed, setSpeed] = useState(trial.speed);
  const [depth, setDepth] = useState(trial.depth ?? 0);
  const [width, setWidth] = useState(1);
  const changed = speed !== trial.speed || depth !== (trial.depth ?? 0) || width !== 1;
  const tasks = workedAs(trial.tasks, { depth, width });
  const shown = changed
    ? chartOf(
        {
          curve: curveOf(tasks, efficiencies, speed),
          available,
          speed,
          highest: fastest(tasks, efficiencies, available),
        },
        units,
      )
    : chart;
  return (
    <div className="grid gap-1" data-try>
      <Later height={230} words="The chart of power over speed is being drawn.">
        <PowerChart chart={shown} />
      </Later>
      <div className="grid grid-cols-3 gap-4 max-sm:grid-cols-1">
        <Slide
          label="Speed"
          shown={say("speed", speed, units)}
          range={{ from: 0.5, to: Math.min(FASTEST, trial.speed * 2) }}
          step={0.01}
          value={speed}
          onSlide={setSpeed}
        />
        {trial.depth !== null && (
          <Slide
            label="Depth"
            shown={printLength(depth, units.small)}
            range={{ from: 0.02, to: trial.depth * 2 }}
            value={depth}
            onSlide={setDepth}
          />
        )}
        {trial.width !== null && (
          <Slide
            label="Width"
            shown={printLength(trial.width * width, units.tape)}
            range={{ from: 0.4, to: 1.6 }}
            step={0.01}
            value={width}
            onSlide={setWidth}
          />
        )}
      </div>
      <p className="flex min-h-11 flex-wrap items-center justify-between gap-2 leading-snug">
        <span className="font-[650]" data-tried aria-live="polite">
          {triedWords(trial, { tasks: atSpeed(tasks, speed), speed, width })}
        </span>
        {changed && (
          <button
            type="button"
            className="key"
            onClick={() => {
              setSpeed(trial.speed);
              setDepth(trial.depth ?? 0);
              setWidth(1);
            }}
          >
            As it is
          </button>
        )}
      </p>
    </div>
  );
}

/** What is asked, what is held, and what would be held instead. */
function triedWords(
  { efficiencies, available, units, width: whole }: PowerTrial,
  { tasks, speed, width }: { tasks: PowerTrial["tasks"]; speed: number; width: number },
): string {
  const { need } = needOfAll(tasks, efficiencies);
  const highest = fastest(tasks, efficiencies, available);
  const asks = `Needs ${say("power", need, units)} at ${say("speed", speed, units)}`;
  const holds = heldWords(highest, units);
  if (need <= available) return `${asks}; ${holds}.`;
  const instead = insteadOf(tasks, efficiencies, available);
  const offers = [
    instead?.depth ? `${printLength(instead.depth, units.small)} deep` : "",
    instead?.width && whole !== null ? `${printLength(whole * width * instead.width, units.tape)} wide` : "",
  ].filter(Boolean);
  const or = offers.length > 0 ? ` At this speed ${offers.join(", or ")} is held instead.` : "";
  return `${asks}: too much; ${holds}.${or}`;
}
