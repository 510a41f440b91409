import { Link } from "react-router";
import { standing } from "../../core/ladder/ladder.ts";
import { inWords } from "../../core/quantity/said.ts";
import { ladderNow } from "../stations/frame/ladder-now.server.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { Ladder } from "../stations/ladder/Ladder.tsx";
import { rungsOf } from "../stations/ladder/rungs.ts";
import { SeasonLines } from "../stations/ladder/SeasonLines.tsx";
import { seasonLines } from "../stations/ladder/season-lines.server.ts";
import type { Route } from "./+types/ladder";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const rungs = rungsOf(open.whole, open.judged, ladderNow(open));
  const { units } = open.preferences;
  return {
    frame: frameOf(open, "ladder", request),
    rungs: rungs.map((rung) => ({ ...rung, why: inWords(rung.why, units) })),
    standing: standing(rungs),
    season: seasonLines(open, new Date()),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Start of work", loaderData?.frame.rig.name);

export default function LadderPage({
  loaderData: { frame, rungs, standing: stands, season },
}: Route.ComponentProps) {
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="ladder">
      <div className="grid gap-3">
        <PageHead title="Start of work">
          Is everything really on?{" "}
          <b className={stands.good === stands.all ? "text-ok" : "text-ink"}>
            {stands.good} of {stands.all} rungs.
          </b>{" "}
          What a person ticks ends with uncoupling.
        </PageHead>
        <p className="flex flex-wrap gap-2">
          <Link to={`/rigs/${frame.rig.id}/log`} className="key">
            Begin and end work: the log
          </Link>
          <Link to={`/rigs/${frame.rig.id}/rounds`} className="key">
            Morning and evening
          </Link>
          <Link to={`/rigs/${frame.rig.id}/errands`} className="key">
            Errands
          </Link>
          <Link to={`/rigs/${frame.rig.id}/balance#ground-pressure`} className="key">
            How wet is it? Ground pressure
          </Link>
        </p>
        <SeasonLines lines={season} />
        <Ladder rungs={rungs} rigId={frame.rig.id} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
