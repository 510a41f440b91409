import { lazy } from "react";
import { counted } from "../../../core/calibration/judge.ts";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { Cautions } from "../../ui/Cautions.tsx";
import { Later } from "../../ui/Later.tsx";
import { Bench } from "./Bench.tsx";
import type { CalibrateView } from "./calibrate-view.server.ts";
import { Found } from "./Found.tsx";
import type { CalibrateProps } from "./going.ts";
import { PatternDrawn } from "./PatternDrawn.tsx";
import { RowOfParts } from "./RowOfParts.tsx";
import { RunEntry } from "./RunEntry.tsx";
import { Runs } from "./Runs.tsx";
import { SetupForm } from "./SetupForm.tsx";
import { useCalibrationId } from "./use-calibration-id.ts";

const RunsChart = lazy(() => import("./RunsChart.tsx"));
const FollowedChart = lazy(() => import("./FollowedChart.tsx"));
const SpacingChart = lazy(() => import("./SpacingChart.tsx"));
const SweepChart = lazy(() => import("./SweepChart.tsx"));
const DriftChart = lazy(() => import("./DriftChart.tsx"));

/** One calibration from how it is done to what it came to. */
export function CalibratePage(props: CalibrateProps) {
  const { view, action } = props;
  const { id, begin } = useCalibrationId(action, view.key, view.id);
  const going = { ...props, id, begin };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      {view.parts && <Found {...going} />}
      <Guide view={view} />
      <SetupForm key={view.setup.map(({ text }) => text).join()} {...going} />
      {view.bench && <Bench {...going} />}
      <RunEntry {...going} />
      {!view.parts && <Found {...going} />}
      <Runs view={view} action={action} />
      <div className="lg:hidden">
        <CalibratePicture view={view} narrow />
      </div>
      <Ended view={view} action={action} />
      {view.id && (
        <p className="flex flex-wrap items-center gap-2 text-soft">
          {view.begun}
          <TakeBack id={view.id} action={action}>
            Throw this test away
          </TakeBack>
        </p>
      )}
    </div>
  );
}

/** What was found, drawn: along the tool, or run by run, and how the constant stood before. */
export function CalibratePicture({ view, narrow = false }: { view: CalibrateView; narrow?: boolean }) {
  const { parts, runs, one, history, found, spread, spacings, followed } = view;
  const measured = runs.some(({ share }) => share !== null);
  const row = parts && (narrow ? parts.drawn.phone : parts.drawn.desk);
  return (
    <div className="grid gap-4 py-2">
      {row && parts && <RowOfParts row={row} one={parts.one} />}
      {spacings && (
        <Later height={230} words="Drawing the spacings.">
          <SpacingChart bins={spacings} />
        </Later>
      )}
      {followed && (
        <Later height={230} words="Drawing how it followed.">
          <FollowedChart followed={followed} />
        </Later>
      )}
      {spread && <PatternDrawn spread={spread} width={narrow ? 358 : 424} />}
      {spread && (
        <Later height={250} words="Working out the overlap.">
          <SweepChart spread={spread} />
        </Later>
      )}
      {!spread && measured && (
        <Later height={230} words="Drawing the runs.">
          <RunsChart runs={runs} one={one} within={view.within} />
        </Later>
      )}
      {history && history.points.length > 1 && (
        <Later height={230} words="Drawing its history.">
          <DriftChart drift={history} />
        </Later>
      )}
      {!row && !spread && !followed && !found && !history && !measured && (
        <p className="px-4 text-soft">
          What is measured is drawn here, {one} by {one}.
        </p>
      )}
    </div>
  );
}

/** How it is done; folded once something was measured. */
function Guide({ view: { steps, kit, cautions, runs, enough, one } }: { view: CalibrateView }) {
  return (
    <details open={runs.length === 0} className="border-b border-line pb-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold text-dye">
        How it is done
      </summary>
      <Cautions lines={cautions} />
      <ol className="grid list-decimal gap-1 pl-5 leading-snug">
        {steps.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      <p className="pt-1 text-small text-soft">
        {kit.length > 0 && `You need: ${kit.join(", ")}. `}
        Enough: {counted(enough.count, one)}, {enough.why}.
      </p>
    </details>
  );
}

/** Calibrations of this kind that were ended. */
function Ended({ view: { ended }, action }: Pick<CalibrateProps, "view" | "action">) {
  if (ended.length === 0) return null;
  return (
    <section aria-label="Ended before">
      <h2 className="border-b-2 border-ink pb-1">Ended before</h2>
      <ul>
        {ended.map(({ id, said, by }) => (
          <li
            key={id}
            className="flex min-h-11 flex-wrap items-center justify-between gap-x-3 border-b border-hair"
            data-ended
          >
            <span className="leading-snug">
              {said} <span className="text-small text-soft">{by}</span>
            </span>
            <TakeBack id={id} action={action} label={`Take back: ${said}`} />
          </li>
        ))}
      </ul>
    </section>
  );
}
