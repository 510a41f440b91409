import { randomInt } from "node:crypto";
import { redirect } from "react-router";
import { endPractice } from "../../data/practice.ts";
import { formOf } from "../session/form.server.ts";
import { answered } from "../session/outcome.ts";
import { FieldPage } from "../stations/field/FieldPage.tsx";
import { fieldView } from "../stations/field/field-view.server.ts";
import { beginPractice } from "../stations/field/keep-field.server.ts";
import { rigAddress } from "../stations/frame/address.ts";
import { frameOf, type OpenRig, openRig } from "../stations/frame/rig-view.server.ts";
import { rigTitle } from "../stations/frame/title.ts";
import type { Route } from "./+types/field";

export async function loader({ request, params }: Route.LoaderArgs) {
  const open = await openRig(request, params.rigId);
  return { frame: frameOf(open, "proof", request), view: fieldView(open) };
}

/** Makes a practice copy and goes there. The seed is the server's: nobody is told it. */
export async function action({ request, params }: Route.ActionArgs) {
  const open = await openRig(request, params.rigId);
  const form = await formOf(request);
  if (form.get("intent") === "put-away") return putAway(open);
  const given = Number(process.env.AMBREK_FIELD_SEED ?? "");
  const seed = given > 0 ? given : randomInt(1, 2 ** 31);
  const made = beginPractice(open, form, seed);
  return typeof made === "number" ? redirect(rigAddress(made, "field")) : answered(made);
}

function putAway({ db, parts, rig, preferences: { person } }: OpenRig) {
  if (!rig.tractor.practice) throw new Response("This rig stands in the yard.", { status: 404 });
  endPractice(db, parts, { person, at: new Date() });
  return redirect("/");
}

export const meta = ({ loaderData }: Route.MetaArgs) => rigTitle("Field", loaderData?.frame.rig.name);

export default FieldPage;
