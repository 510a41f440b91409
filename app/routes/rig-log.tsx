import { Link } from "react-router";
import { formOf } from "../session/form.server.ts";
import { carryOut } from "../session/intents.server.ts";
import { answered } from "../session/outcome.ts";
import { toldBy } from "../session/told.server.ts";
import { addressesIn } from "../stations/frame/address.ts";
import { PageHead } from "../stations/frame/PageHead.tsx";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { Entries } from "../stations/log/Entries.tsx";
import { LogPanel } from "../stations/log/LogPanel.tsx";
import { logView } from "../stations/log/log-view.server.ts";
import { Track } from "../stations/log/Track.tsx";
import { TRACK_INTENTS } from "../stations/log/track.server.ts";
import type { Route } from "./+types/rig-log";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "job", request), log: logView(open) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request.clone(), params.rigId);
  const at = { open, told: await toldBy(request) };
  return answered(await carryOut(TRACK_INTENTS, at, await formOf(request)));
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Log", loaderData?.frame.rig.name);

export default function RigLog({ loaderData: { frame, log }, actionData }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  const action = to("keep");
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="job">
      <div className="grid gap-4">
        <PageHead title="Log of work">
          What was driven where, with what, and what came of it.{" "}
          {log.job === null && <Link to={to("job")}>Set the job first.</Link>}
        </PageHead>
        <LogPanel view={log} action={action} person={frame.preferences.person} />
        <Entries
          entries={log.entries}
          action={action}
          withRig={false}
          track={(entry) => (
            <Track entry={entry} person={frame.preferences.person} errors={actionData?.errors ?? {}} />
          )}
        />
        <p>
          <Link to={to("handover")} className="key">
            Hand it over: one page
          </Link>{" "}
          <Link to="/log" className="key">
            The log of all rigs
          </Link>
        </p>
      </div>
    </RigFrame>
  );
}
