import { Link, useSearchParams } from "react-router";
import { addressesIn } from "../frame/address.ts";
import { RigFrame } from "../frame/RigFrame.tsx";
import { Stops } from "../frame/Stops.tsx";
import { FieldLog } from "../reading/FieldLog.tsx";
import { NextReading, nextAfter } from "../reading/NextReading.tsx";
import { Readings } from "../reading/Readings.tsx";
import { Consequences } from "./Consequences.tsx";
import { Findings } from "./Findings.tsx";
import type { StationView } from "./station-view.ts";
import type { ToolStationView } from "./tool-station.server.ts";

/** A station of the tool in view: its readings beside the chain they make, and what is best taped next. */
export function ToolStation({ frame, view, history }: ToolStationView) {
  const [search] = useSearchParams();
  const open = search.get("at");
  const targets = view.readings.map(({ target }) => target);
  const here = targets.indexOf(open as (typeof targets)[number]);
  const { to } = addressesIn(frame);
  const tool = frame.tools.find(({ now }) => now);
  const turned = frame.view === "plan" ? null : frame.view;
  const at = (target: string, station: string = view.station) => to(station, { at: target, view: turned });
  const keepPath = to("keep");
  /** A letter of another station leads there. */
  const hrefOf = (target: string) =>
    targets.some((each) => each === target) ? at(target) : (frame.opens[target] ?? at(""));
  const neighbour = (step: number) => {
    const target = targets[here < 0 ? (step > 0 ? 0 : targets.length - 1) : here + step];
    return target ? at(target) : null;
  };
  const after = nextAfter(view.readings, search.get("after"));
  const hidden = here >= 0 ? "max-sm:hidden" : "";
  return (
    <RigFrame
      view={frame}
      station={view.station}
      hrefOf={hrefOf}
      lit={open}
      ways={{
        next: view.tapeNext?.href ?? null,
        below: neighbour(1),
        above: neighbour(-1),
        close: open ? at("") : null,
      }}
    >
      <div className="grid gap-3">
        <div className={hidden}>
          <h1>{view.title}</h1>
          <p className="text-lead text-soft">
            {view.lead}{" "}
            {!view.used &&
              "This rig is not steered along lines and switches no sections: nothing of a receiver is asked."}{" "}
            <Stops count={frame.stops} elsewhere={view.elsewhere} away={frame.away.length} />
          </p>
        </div>
        {here < 0 && (
          <NextReading next={after && { label: `${after.letter} ${after.label}`, href: at(after.target) }} />
        )}
        {view.findings.length > 0 && (
          <div className={hidden}>
            <Findings findings={view.findings} />
          </div>
        )}
        <div className="grid grid-cols-[1fr_250px] gap-6 max-sm:grid-cols-1">
          <div className="grid content-start gap-3">
            <Readings
              view={view}
              preferences={frame.preferences}
              open={open}
              history={history}
              hrefOf={(target) => at(target)}
              action={keepPath}
            />
            <More
              pages={view.pages}
              at={(page) => at("", page)}
              coupling={tool?.id ?? frame.coupling}
              hidden={hidden}
            />
          </div>
          <div className={`grid content-start gap-3 ${hidden}`}>
            {view.used && <Consequences view={view} />}
            <FieldLog
              view={view}
              preferences={frame.preferences}
              action={keepPath}
              {...(view.used ? { proofHref: at("", "proof") } : {})}
            />
          </div>
        </div>
      </div>
    </RigFrame>
  );
}

/** What else there is to a station: a sheet to fill in; of a tool its sections, the pass that does not fit, the marks it shares. */
function More({
  pages,
  at,
  coupling,
  hidden,
}: {
  pages: StationView["pages"];
  at: (page: string) => string;
  coupling: number;
  hidden: string;
}) {
  const links: [to: string, label: string][] = [
    [at("sheet"), "All readings on one sheet"],
    ...pages.map(({ page, label }): [string, string] => [at(page), label]),
    ...(pages.length > 0 ? [[`/traffic?with=${coupling}`, "Controlled traffic"] as [string, string]] : []),
  ];
  return (
    <nav aria-label="More of this station" className={`grid grid-cols-2 border-t border-line pt-1 ${hidden}`}>
      {links.map(([to, label]) => (
        <Link key={to} to={to} className="flex min-h-11 items-center font-semibold text-dye">
          {label}
        </Link>
      ))}
    </nav>
  );
}
