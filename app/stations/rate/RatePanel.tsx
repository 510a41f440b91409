import { Link } from "react-router";
import { Explorer } from "./Explorer.tsx";
import type { RateView } from "./rate-view.server.ts";
import { TankPlan } from "./TankPlan.tsx";

type Props = { view: RateView; action: string; person: string; calibrate: (kind: string) => string };

/** What is calibrated on the tool in view. */
export function RatePanel({ view, calibrate }: Props) {
  if (view.calibrations.length === 0)
    return (
      <p className="text-soft">Nothing is calibrated on this tool, as far as anybody told what it is.</p>
    );
  return (
    <>
      <Calibrations view={view} calibrate={calibrate} />
      {view.explorer && <Explorer key={JSON.stringify(view.explorer.now)} view={view.explorer} />}
      {view.tank && <TankPlan key={view.tank.area} view={view.tank} />}
    </>
  );
}

function Calibrations({ view, calibrate }: Pick<Props, "view" | "calibrate">) {
  return (
    <section id="calibrations" aria-label="Calibrations" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Calibrations {view.onBench && <span className="font-normal text-soft">on the simulated bench</span>}
      </h2>
      <ul className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        {view.calibrations.map(({ key, title, tells, now, last, going }) => (
          <li
            key={key}
            data-calibration={key}
            className="grid content-between gap-2 border-[1.5px] border-line bg-sheet px-3 py-2.5"
          >
            <div>
              <h3 className="flex flex-wrap justify-between gap-x-3 font-bold">
                {title} {now && <span className="text-dye">{now}</span>}
              </h3>
              <p className="leading-snug">{tells}</p>
              {last && <p className="text-small text-soft">{last}</p>}
              {going && <p className="text-small font-semibold text-warn">{going}</p>}
            </div>
            <Link
              to={calibrate(key)}
              className={going ? "key-main justify-self-start" : "key justify-self-start"}
            >
              {going ? "Go on" : last ? "Again" : "Begin"}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
