import { Link } from "react-router";
import { rigAddress } from "../stations/frame/address.ts";
import { RigFrame } from "../stations/frame/RigFrame.tsx";
import { frameOf, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import { HookupList } from "../stations/hookup/HookupList.tsx";
import { hookupView } from "../stations/hookup/hookup-view.server.ts";
import type { Route } from "./+types/hook-up";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "hook-up", request), list: hookupView(open) };
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Hook up", loaderData?.frame.rig.name);

export default function HookUp({ loaderData: { frame, list } }: Route.ComponentProps) {
  return (
    <RigFrame view={{ ...frame, tools: [] }} station="hook-up">
      <div className="grid gap-3">
        <div>
          <h1>Hook up</h1>
          <p className="text-lead text-soft">
            This rig's own list, in order, written from its readings.{" "}
            <b className="text-ink">
              {list.done} of {list.rows.length} settled.
            </b>{" "}
            The operator's manual and local rules come first.
          </p>
          <Link to={rigAddress(frame.rig.id, "sequences/hook-up")} className="key mt-2">
            Unfold, start, fold: step by step
          </Link>
        </div>
        <HookupList view={list} action={rigAddress(frame.rig.id, "keep")} person={frame.preferences.person} />
      </div>
    </RigFrame>
  );
}
