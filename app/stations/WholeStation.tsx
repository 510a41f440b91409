import { useSearchParams } from "react-router";
import type { Plan } from "../../core/drawing/sheet.ts";
import { Checks } from "./Checks.tsx";
import type { CheckRow } from "./check-rows.ts";
import { FieldLog } from "./FieldLog.tsx";
import { Findings } from "./Findings.tsx";
import type { HistoryRow } from "./ReadingHistory.tsx";
import { RigFrame } from "./RigFrame.tsx";
import type { RigFrameView } from "./rig-view.server.ts";
import { Stops } from "./Stops.tsx";
import type { CommonView } from "./station-view.ts";
import { OpenTopic, Topics } from "./Topics.tsx";

type Props = {
  frame: RigFrameView;
  view: CommonView;
  checks: CheckRow[];
  checksTitle: string;
  history: HistoryRow[];
  drawing?: { desk: Plan; phone: Plan; title: string };
  /** in the place of any drawing */
  picture?: React.ReactNode;
  /** the first check nobody could make, for the key that leads to the next reading */
  next: string | null;
  children: React.ReactNode;
};

/** A station that judges the whole rig: the verdict first, then what it reckons, all it looked at, and the readings. */
export function WholeStation(props: Props) {
  const { frame, view, checks, checksTitle, history, drawing, picture, next, children } = props;
  const [search] = useSearchParams();
  const open = search.get("at");
  const tool = frame.tools.find(({ now }) => now);
  const rigPath = `/rigs/${frame.rig.id}`;
  const at = (target: string) => {
    const query = [target && `at=${target}`, tool && `tool=${tool.id}`].filter(Boolean).join("&");
    return `${rigPath}/${view.station}${query && `?${query}`}`;
  };
  const action = `${rigPath}/keep${tool ? `?tool=${tool.id}` : ""}`;
  const row = view.readings.find(({ target }) => target === open);
  const targets = view.readings.map(({ target }) => target);
  const here = row ? targets.indexOf(row.target) : -1;
  const neighbour = (step: number) => {
    const target = targets[here < 0 ? (step > 0 ? 0 : targets.length - 1) : here + step];
    return target ? at(target) : null;
  };
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
            {view.lead} <Stops count={frame.stops} elsewhere={view.elsewhere} />
          </p>
        </div>
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
          <Checks rows={checks} title={checksTitle} />
          <Topics rows={view.readings} hrefOf={at} />
          <FieldLog view={view} preferences={frame.preferences} action={action} />
        </div>
      </div>
    </RigFrame>
  );
}
