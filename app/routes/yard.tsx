import { database } from "../../data/database.ts";
import { isDemoYard } from "../../data/demo/whole-yard.ts";
import type { Database } from "../../data/handle.ts";
import type { Told } from "../../data/record.ts";
import { archiveRig, copyRig, findRig, type RigTool, renameRig } from "../../data/rigs.ts";
import { formOf } from "../session/form.server.ts";
import { carryOut, checkedBy, type Intents } from "../session/intents.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { validateForm } from "../session/validate.ts";
import { rigOr404 } from "../stations/frame/rig-view.server.ts";
import { leaveDemo, showDemo } from "../yard/demo-yard.server.ts";
import { nameOfCopy, nameProblem } from "../yard/rig-name.server.ts";
import { RIG_STATES } from "../yard/rig-states.ts";
import { seasonNow } from "../yard/season-now.server.ts";
import { YardPage } from "../yard/YardPage.tsx";
import { RigNameDto, RigRowDto } from "../yard/yard.dto.ts";
import { viewYard } from "../yard/yard-view.server.ts";
import type { Route } from "./+types/yard";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const search = new URL(request.url).searchParams;
  const state = RIG_STATES.find((each) => each === search.get("state")) ?? "all";
  const find = (search.get("find") ?? "").trim().slice(0, 60);
  const page = Number(search.get("page")) || 1;
  const db = database();
  return {
    preferences,
    demo: isDemoYard(db),
    season: seasonNow(db, new Date()),
    yard: viewYard(db, { find, state, page, units: preferences.units }),
  };
}

type Asked = { db: Database; rig: RigTool; by: Told };

const put =
  (away: boolean) =>
  ({ db, rig, by }: Asked) => {
    archiveRig(db, rig.id, away, by);
    const undo = { intent: away ? "back" : "away", rigId: String(rig.id) };
    return kept(`${away ? "Archived" : "Back in use"}: ${rig.name}`, { undo });
  };

const INTENTS: Intents<Asked> = {
  rename: checkedBy(RigNameDto, ({ db, rig, by }: Asked, { name }) => {
    const problem = nameProblem(db, name, rig.id);
    if (problem) return refused({ name: problem });
    renameRig(db, rig.id, name, by);
    return kept(`Renamed to ${name}`);
  }),
  copy: ({ db, rig, by }) => {
    const copy = findRig(db, copyRig(db, rig, nameOfCopy(db, rig.name), by))!;
    return kept(`Copied to ${copy.name}`);
  },
  away: put(true),
  back: put(false),
};

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const form = await formOf(request);
  const intent = form.get("intent");
  if (intent === "demo") return answered(await showDemo());
  if (intent === "own") return answered(await leaveDemo());
  const db = database();
  const row = validateForm(RigRowDto, form);
  const rig = rigOr404(db, row.ok ? row.value.rigId : "");
  return answered(carryOut(INTENTS, { db, rig, by }, form));
}

export function meta() {
  return [{ title: "Yard · Ambrek" }];
}

export default YardPage;
