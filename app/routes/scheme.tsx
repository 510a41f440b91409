import { randomUUID } from "node:crypto";
import { redirect } from "react-router";
import { USUAL_ORDER } from "../../core/card/order.ts";
import type { Scheme } from "../../core/card/scheme.ts";
import { database } from "../../data/database.ts";
import { findScheme, listSchemes, saveScheme } from "../../data/schemes.ts";
import { readingsAsked } from "../schemes/asked.server.ts";
import { NEW } from "../schemes/new-scheme.ts";
import { SchemePage } from "../schemes/SchemePage.tsx";
import { checkScheme } from "../schemes/scheme.dto.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import type { Route } from "./+types/scheme";

function schemeOr404(id: string): Scheme {
  const scheme = findScheme(database(), id);
  if (!scheme) throw new Response("There is no such scheme.", { status: 404 });
  return scheme;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  if (params.schemeId !== NEW)
    return { preferences, readings: readingsAsked(), scheme: schemeOr404(params.schemeId) };
  const from = new URL(request.url).searchParams.get("from");
  const original = from ? schemeOr404(from) : null;
  const scheme: Scheme = original
    ? { ...original, id: NEW, name: `${original.name}, ours`.slice(0, 50) }
    : { id: NEW, name: "", asks: "", lines: [], order: USUAL_ORDER };
  return { preferences, readings: readingsAsked(), scheme };
}

export async function action({ request, params }: Route.ActionArgs) {
  const db = database();
  const id = params.schemeId === NEW ? randomUUID() : schemeOr404(params.schemeId).id;
  const form = await formOf(request);
  const checked = checkScheme({
    name: form.get("name"),
    asks: form.get("asks"),
    lines: listIn(form.get("lines")),
    order: listIn(form.get("order")),
  });
  if (!checked.ok) return answered(refused(checked.errors));
  if (listSchemes(db).some((each) => each.name === checked.value.name && each.id !== id))
    return answered(refused({ name: "There is a scheme of this name already." }));
  saveScheme(db, { id, ...checked.value }, await toldBy(request));
  throw redirect("/schemes");
}

function listIn(value: FormDataEntryValue | null): unknown {
  try {
    return JSON.parse(typeof value === "string" ? value : "");
  } catch {
    return null;
  }
}

export function meta() {
  return [{ title: "Scheme · Ambrek" }];
}

export default SchemePage;
