import { subjectOf } from "../../core/subjects/walk.ts";
import { openRig } from "../stations/rig-view.server.ts";
import { ToolStation } from "../stations/ToolStation.tsx";
import { rigTitle } from "../stations/title.ts";
import { toolStation } from "../stations/tool-station.server.ts";
import { WholeStation } from "../stations/WholeStation.tsx";
import { wholeStation } from "../stations/whole-station.server.ts";
import type { Route } from "./+types/station";

/** The page of a subject that has none of its own: what it asks, looks at and finds. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const subject = subjectOf(params.station);
  if (!subject) throw new Response("There is no such station.", { status: 404 });
  const open = await openRig(request, params.rigId);
  return subject.shows === "tool"
    ? { tool: toolStation(open, subject.key, request), whole: null }
    : { tool: null, whole: wholeStation(open, subject.key, request) };
}

export function meta({ loaderData }: Route.MetaArgs) {
  const shown = loaderData?.tool ?? loaderData?.whole;
  return rigTitle(shown?.view.title ?? "", shown?.frame.rig.name);
}

export default function Station({ loaderData: { tool, whole } }: Route.ComponentProps) {
  return tool ? <ToolStation {...tool} /> : <WholeStation station={whole!} />;
}
