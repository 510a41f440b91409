import { Link } from "react-router";
import type { CalibrationsView } from "./list.server.ts";

type Props = {
  view: CalibrationsView;
  calibrate: (kind: string) => string;
  /** where a copy of the rig is made to practise on */
  practise: string;
};

/** What is calibrated and tested on the tool in view. */
export function CalibrationList({ view: { each, onBench }, calibrate, practise }: Props) {
  if (each.length === 0) return null;
  return (
    <section id="calibrations" aria-label="Calibrations" className="grid gap-2">
      <h2 className="flex flex-wrap items-baseline justify-between gap-x-3 border-b-2 border-ink pb-1">
        Calibrations and tests
        {onBench ? (
          <span className="font-normal text-soft">stands on the simulated bench</span>
        ) : (
          <Link to={practise} className="font-semibold">
            Practise on a copy
          </Link>
        )}
      </h2>
      <ul className="grid grid-cols-2 gap-2 max-sm:grid-cols-1">
        {each.map(({ key, title, tells, now, last, going }) => (
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
              aria-label={`${going ? "Go on" : last ? "Again" : "Begin"}: ${title}`}
            >
              {going ? "Go on" : last ? "Again" : "Begin"}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
