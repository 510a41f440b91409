import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { spoiltEntries } from "../spoilt/spoilt-view.server.ts";
import { SeasonPage } from "../yard/season/SeasonPage.tsx";
import { seasonView } from "../yard/season/season-view.server.ts";
import type { Route } from "./+types/season";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const all = seasonView(database(), new Date().toISOString(), preferences.units);
  const only = new URL(request.url).searchParams.get("only") ?? "";
  const chosen = all.find(({ key }) => key === only);
  const choices = all.map(({ key, name, of }) => ({ key, name: `${name}, ${of}` }));
  return {
    preferences,
    groups: chosen ? [chosen] : all,
    only: chosen?.key ?? "",
    choices,
    spoilt: spoiltEntries(database()).length,
  };
}

export function meta() {
  return [{ title: "Start of season · Ambrek" }];
}

export default SeasonPage;
