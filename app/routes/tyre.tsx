import { redirect } from "react-router";
import { database } from "../../data/database.ts";
import { addTyre, changeTyre, isSameTable, listTyres, type Tyre, tyreCalled } from "../../data/settings.ts";
import { readTyreTable, writeTyreTable } from "../../formats/csv/tyre-table.ts";
import { formOf } from "../session/form.server.ts";
import { answered, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { validateForm } from "../session/validate.ts";
import { problemText } from "../yard/tyres/problem-text.ts";
import { TyrePage } from "../yard/tyres/TyrePage.tsx";
import { TyreDto } from "../yard/yard.dto.ts";
import type { Route } from "./+types/tyre";

function tyreOr404(id: string): Tyre | null {
  if (id === "new") return null;
  const tyre = listTyres(database()).find((each) => String(each.id) === id);
  if (!tyre) throw new Response("There is no such tyre table in this yard.", { status: 404 });
  return tyre;
}

export async function loader({ request, params }: Route.LoaderArgs) {
  const known = tyreOr404(params.tyreId);
  const preferences = await readPreferences(request);
  return {
    preferences,
    id: known?.id ?? 0,
    label: known?.label ?? "",
    source: known?.source ?? "",
    table: known ? writeTyreTable(known.cells, preferences.units) : "",
  };
}

export async function action({ request, params }: Route.ActionArgs) {
  const known = tyreOr404(params.tyreId);
  const { units, person } = await readPreferences(request);
  const checked = validateForm(TyreDto, await formOf(request));
  if (!checked.ok) return answered(refused(checked.errors));
  const { label, source } = checked.value;
  const read = readTyreTable(checked.value.table, units);
  if (!read.ok) return answered(refused({ table: problemText(read.problems) }));
  const db = database();
  const table = { label, source, cells: read.cells };
  const by = { person, at: new Date() };
  const taken = tyreCalled(db, label);
  if (taken && taken.id !== known?.id) {
    // Typed in two windows it is one table all the same.
    if (!known && isSameTable(taken, table)) throw redirect("/tyres");
    return answered(
      refused({
        label: `There is a table called ${taken.label} already, with other figures or of another source.`,
      }),
    );
  }
  if (known) changeTyre(db, known.id, table, by);
  else addTyre(db, table, by);
  throw redirect("/tyres");
}

export function meta() {
  return [{ title: "Tyre table · Ambrek" }];
}

export default TyrePage;
