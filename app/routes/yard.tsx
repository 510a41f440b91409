import { Link } from "react-router";
import { drawPlan } from "../../core/drawing/plan.ts";
import { judge } from "../../core/finding/judge.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { database } from "../../data/database.ts";
import { rigFacts } from "../../data/readings.ts";
import { listRigs } from "../../data/rigs.ts";
import { PlanDrawing } from "../drawing/PlanDrawing.tsx";
import { readPreferences } from "../session/preferences.server.ts";
import { headOf } from "../stations/rig-view.server.ts";
import { cureHref } from "../stations/stations.ts";
import { Header } from "../ui/Header.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import type { Route } from "./+types/yard";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { system } = preferences;
  const db = database();
  const rigs = listRigs(db).map((rig) => {
    const resolved = resolveRig(rigFacts(db, rig));
    const findings = judge(resolved, system);
    const holding = findings.filter(({ severity }) => severity === "stop" || severity === "fix");
    return {
      head: headOf(rig),
      holding: holding.map((finding) => ({ ...finding, href: cureHref(rig.id, finding) })),
      stops: holding.filter(({ severity }) => severity === "stop").length,
      checks: findings.filter(({ severity }) => severity === "check").length,
      plan: drawPlan(resolved, {
        width: 170,
        height: 230,
        region: "rig",
        labels: "none",
        station: null,
        system,
      }),
    };
  });
  return { preferences, rigs };
}

export function meta() {
  return [{ title: "Yard · Ambrek" }];
}

export default function Yard({ loaderData: { preferences, rigs } }: Route.ComponentProps) {
  const ready = rigs.filter(({ stops }) => stops === 0).length;
  return (
    <>
      <Header preferences={preferences} />
      <main className="mx-auto grid max-w-[1180px] gap-5 px-6 py-6 max-sm:px-4">
        <div>
          <h1>Yard</h1>
          <p className="text-lead text-soft">
            {rigs.length === 0
              ? "No rigs here yet. `npm run demo` opens a yard with two rigs to try."
              : `${ready} of ${rigs.length} rigs can be typed into their terminal. What stops the others is below, with what to do.`}
          </p>
        </div>
        <ul className="grid gap-4">
          {rigs.map((rig) => (
            <RigCard key={rig.head.id} rig={rig} />
          ))}
        </ul>
      </main>
    </>
  );
}

type RigEntry = Route.ComponentProps["loaderData"]["rigs"][number];

function RigCard({ rig: { head, holding, stops, checks, plan } }: { rig: RigEntry }) {
  return (
    <li className="grid grid-cols-[170px_1fr] gap-6 border-[1.5px] border-line bg-sheet max-sm:grid-cols-1 max-sm:gap-0">
      <PlanDrawing
        plan={plan}
        title={`${head.name}, seen from above, to scale`}
        hrefOf={null}
        lit={null}
        className="h-[230px] w-[170px] border-r border-hair max-sm:mx-auto"
      />
      <div className="grid content-start gap-2.5 py-4 pr-5 max-sm:px-4">
        <div className="flex flex-wrap items-start justify-between gap-3">
          <div>
            <h2 className="text-[21px] font-[720]">
              <Link to={`/rigs/${head.id}`} className="no-underline">
                {head.name}
              </Link>
            </h2>
            <p>
              {head.tractor} with {head.implement}
            </p>
            <p className="text-small text-soft">{head.identity}</p>
          </div>
          <p className={`text-value font-[720] ${stops ? "text-stop" : "text-ok"}`}>
            {stops ? `${stops} ${stops === 1 ? "stop" : "stops"}` : "Nothing stops it"}
          </p>
        </div>
        {holding.map(({ id, severity, what, next, href }) => (
          <p key={id} className="grid grid-cols-[70px_1fr_auto] items-center gap-3 border-t border-hair pt-1">
            <SeverityMark severity={severity} />
            <span className="leading-snug">{what}</span>
            <Link to={href} className="inline-grid min-h-11 place-items-center font-bold text-dye">
              {next.label}
            </Link>
          </p>
        ))}
        <p className="flex flex-wrap items-center gap-3">
          <Link to={`/rigs/${head.id}`} className={stops ? "key-main" : "key"}>
            Walk round
          </Link>
          <Link to={`/rigs/${head.id}/card`} className={stops ? "key" : "key-main"}>
            Cab card
          </Link>
          {checks > 0 && <span className="text-soft">{checks} more to check</span>}
        </p>
      </div>
    </li>
  );
}
