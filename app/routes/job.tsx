import { addressesIn } from "../stations/frame/address.ts";
import { openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { JobPanel } from "../stations/job/JobPanel.tsx";
import { jobView } from "../stations/job/job-view.server.ts";
import { WholeStation } from "../stations/judging/WholeStation.tsx";
import { wholeStation } from "../stations/judging/whole-station.server.ts";
import type { Route } from "./+types/job";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  const asked = new URL(request.url).searchParams.get("field") ?? "";
  return {
    station: wholeStation(open, "job", request),
    job: jobView(open, /^\d{1,9}$/.test(asked) ? Number(asked) : null),
  };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Job", loaderData?.station.frame.rig.name);

export default function Job({ loaderData: { station, job } }: Route.ComponentProps) {
  const { to } = addressesIn(station.frame);
  return (
    <WholeStation station={station}>
      <JobPanel
        key={`${job.set?.id} ${job.fieldId}`}
        view={job}
        action={to("keep")}
        person={station.frame.preferences.person}
        log={to("log")}
        taskFile={to("taskdata.zip")}
        withField={(field) => to("job", { field })}
      />
    </WholeStation>
  );
}
