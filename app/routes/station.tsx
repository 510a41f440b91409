import { subjectOf } from "../../core/subjects/walk.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { ToolStation } from "../stations/judging/ToolStation.tsx";
import { toolStation } from "../stations/judging/tool-station.server.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
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
