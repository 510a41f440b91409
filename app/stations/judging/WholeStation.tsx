import { useSearchParams } from "react-router";
import type { DrawnRig } from "../../../core/drawing/sheet.ts";
import { addressesIn } from "../frame/address.ts";
import { RigFrame } from "../frame/RigFrame.tsx";
import { Stops } from "../frame/Stops.tsx";
import { FieldLog } from "../reading/FieldLog.tsx";
import { NextReading } from "../reading/NextReading.tsx";
import { OpenTopic, Topics } from "../reading/Topics.tsx";
import { Checks } from "./Checks.tsx";
import { Findings } from "./Findings.tsx";
import type { WholeStationView } from "./whole-station.server.ts";

type Props = {
  station: WholeStationView;
  drawing?: { desk: DrawnRig; phone: DrawnRig; title: string };
  /** in the place of any drawing */
  picture?: React.ReactNode;
  children?: React.ReactNode;
};

/** A station that judges the whole rig: the verdict first, then what it reckons, all it looked at, and the readings. */
export function WholeStation({ station, drawing, picture, children }: Props) {
  const { frame, view, checks, asks, next, history } = station;
  const [search] = useSearchParams();
  const open = search.get("at");
  const { to } = addressesIn(frame);
  const at = (target: string) => to(view.station, { at: target });
  const action = to("keep");
  const row = view.readings.find(({ target }) => target === open);
  const targets = view.readings.map(({ target }) => target);
  const here = row ? targets.indexOf(row.target) : -1;
  const neighbour = (step: number) => {
    const target = targets[here < 0 ? (step > 0 ? 0 : targets.length - 1) : here + step];
    return target ? at(target) : null;
  };
  const unknown = checks.find(({ verdict }) => verdict === "unknown");
  const away = row ? "max-sm:hidden" : "";
  return (
    <RigFrame
      view={frame}
      station={view.station}
      hrefOf={at}
      lit={row ? row.target : null}
      {...(drawing ? { drawing } : {})}
      picture={picture}
      ways={{ next, below: neighbour(1), above: neighbour(-1), close: row ? at("") : null }}
    >
      <div className="grid gap-3">
        <div className={away}>
          <h1>{view.title}</h1>
          <p className="text-lead text-soft">
            {view.lead} <Stops count={frame.stops} elsewhere={view.elsewhere} away={frame.away.length} />
          </p>
        </div>
        {!row && (
          <NextReading
            next={unknown ? { label: `${unknown.label}: ${unknown.next}`, href: unknown.href } : null}
          />
        )}
        <OpenTopic
          row={row}
          preferences={frame.preferences}
          closeHref={at("")}
          history={history}
          action={action}
        />
        <div className={`grid gap-4 ${away}`}>
          {view.findings.length > 0 && <Findings findings={view.findings} />}
          {children}
          <Checks rows={checks} title={asks} />
          <Topics rows={view.readings} hrefOf={at} action={action} />
          <FieldLog view={view} preferences={frame.preferences} action={action} />
        </div>
      </div>
    </RigFrame>
  );
}
