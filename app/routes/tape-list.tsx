import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { pageIn } from "../ui/paged.ts";
import { TapeListPage } from "../yard/season/TapeListPage.tsx";
import { tapeLists } from "../yard/season/tape-list-view.server.ts";
import type { Route } from "./+types/tape-list";

export async function loader({ request }: Route.LoaderArgs) {
  const { units } = await readPreferences(request);
  const { rows, ...pages } = tapeLists(database(), units, pageIn(request));
  return { lists: rows, pages };
}

export function meta() {
  return [{ title: "Tape list · Ambrek" }];
}

export default TapeListPage;
