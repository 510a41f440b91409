import { data } from "react-router";
import { database } from "../../data/database.ts";
import type { Database } from "../../data/handle.ts";
import type { Told } from "../../data/record.ts";
import { archiveRig, copyRig, findRig, type RigTool, renameRig } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut, checkedBy, type Intents } from "../session/intents.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { validateForm } from "../session/validate.ts";
import { rigOr404 } from "../stations/frame/rig-view.server.ts";
import { RIG_STATES } from "../yard/rig-states.ts";
import { YardPage } from "../yard/YardPage.tsx";
import { RigNameDto, RigRowDto, type YardOutcome } from "../yard/yard.dto.ts";
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

type Asked = { db: Database; rig: RigTool; by: Told };

const answer = (rigId: number, more: Partial<YardOutcome>, status = 200) =>
  data<YardOutcome>({ errors: {}, said: "", rigId, undo: null, ...more }, { status });

const put =
  (away: boolean) =>
  ({ db, rig, by }: Asked) => {
    archiveRig(db, rig.id, away, by);
    return away
      ? answer(rig.id, { said: `Put away: ${rig.name}`, undo: "back" })
      : answer(rig.id, { said: `Back in use: ${rig.name}`, undo: "away" });
  };

const INTENTS: Intents<Asked, ReturnType<typeof answer>> = {
  rename: checkedBy(RigNameDto, ({ db, rig, by }: Asked, { name }) => {
    renameRig(db, rig.id, name, by);
    return answer(rig.id, { said: `Renamed to ${name}` });
  }),
  copy: ({ db, rig, by }) => {
    const copy = findRig(db, copyRig(db, rig, `${rig.name}, copy`.slice(0, 60), by))!;
    return answer(rig.id, { said: `Copied to ${copy.name}` });
  },
  away: put(true),
  back: put(false),
};

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const form = await formOf(request);
  const db = database();
  const row = validateForm(RigRowDto, form);
  const rig = rigOr404(db, row.ok ? row.value.rigId : "");
  return carryOut(INTENTS, { db, rig, by }, form, (errors) => answer(rig.id, { errors }, 422));
}

export function meta() {
  return [{ title: "Yard · Ambrek" }];
}

export default YardPage;
