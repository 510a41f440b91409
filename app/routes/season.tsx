import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { spoiltEntries } from "../spoilt/spoilt-view.server.ts";
import { pageIn } from "../ui/paged.ts";
import { SeasonPage } from "../yard/season/SeasonPage.tsx";
import { seasonPage } from "../yard/season/season-view.server.ts";
import type { Route } from "./+types/season";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const only = new URL(request.url).searchParams.get("only") ?? "";
  const today = new Date().toISOString();
  const db = database();
  const { rows, rigs, choices, ...pages } = seasonPage(db, {
    page: pageIn(request),
    only,
    today,
    units: preferences.units,
  });
  return {
    preferences,
    groups: rows,
    only: choices.some(({ key }) => key === only) ? only : "",
    choices,
    pages,
    spoilt: spoiltEntries(db, rigs).length,
  };
}

export function meta() {
  return [{ title: "Start of season · Ambrek" }];
}

export default SeasonPage;
