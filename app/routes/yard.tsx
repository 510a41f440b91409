import { data } from "react-router";
import { database } from "../../data/database.ts";
import { archiveRig, copyRig, findRig, renameRig } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { validateForm } from "../session/validate.ts";
import { rigOr404 } from "../stations/frame/rig-view.server.ts";
import { RIG_STATES } from "../yard/rig-states.ts";
import { YardPage } from "../yard/YardPage.tsx";
import { RigNameDto, type YardOutcome } from "../yard/yard.dto.ts";
import { viewYard } from "../yard/yard-view.server.ts";
import type { Route } from "./+types/yard";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const search = new URL(request.url).searchParams;
  const state = RIG_STATES.find((each) => each === search.get("state")) ?? "all";
  const find = (search.get("find") ?? "").trim().slice(0, 60);
  const page = Number(search.get("page")) || 1;
  return { preferences, yard: viewYard(database(), { find, state, page, units: preferences.units }) };
}

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const form = await formOf(request);
  const db = database();
  const rig = rigOr404(db, String(form.get("rigId")));
  const done = (said: string, undo: YardOutcome["undo"] = null) =>
    data<YardOutcome>({ errors: {}, said, rigId: rig.id, undo });
  switch (form.get("intent")) {
    case "rename": {
      const checked = validateForm(RigNameDto, form);
      if (!checked.ok)
        return data<YardOutcome>(
          { errors: checked.errors, said: "", rigId: rig.id, undo: null },
          { status: 422 },
        );
      renameRig(db, rig.id, checked.value.name, by);
      return done(`Renamed to ${checked.value.name}`);
    }
    case "copy": {
      const copy = findRig(db, copyRig(db, rig, `${rig.name}, copy`.slice(0, 60), by))!;
      return done(`Copied to ${copy.name}`);
    }
    case "away":
      archiveRig(db, rig.id, true, by);
      return done(`Put away: ${rig.name}`, "back");
    case "back":
      archiveRig(db, rig.id, false, by);
      return done(`Back in use: ${rig.name}`, "away");
    default:
      throw new Response("That request was not understood.", { status: 400 });
  }
}

export function meta() {
  return [{ title: "Yard · Ambrek" }];
}

export default YardPage;
