import { glossary } from "../../core/dimension/glossary.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { WordsPage } from "../yard/words/WordsPage.tsx";
import type { Route } from "./+types/words";

export async function loader({ request }: Route.LoaderArgs) {
  return { preferences: await readPreferences(request), words: glossary() };
}

export function meta() {
  return [{ title: "Words · Ambrek" }];
}

export default WordsPage;
