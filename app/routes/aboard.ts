import { database } from "../../data/database.ts";
import { aboardList } from "../offline/aboard.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import type { Route } from "./+types/aboard";

/** What a device that goes out of reach takes along, and what of it is still as it was at the marks it names: "?marks=3.120,4.118". */
export async function loader({ request }: Route.LoaderArgs) {
  const told = new URL(request.url).searchParams.get("marks") ?? "";
  const marks = new Map(
    told
      .split(",")
      .flatMap((each): [number, number][] =>
        /^\d{1,9}\.\d{1,15}$/.test(each) ? [each.split(".").map(Number) as [number, number]] : [],
      ),
  );
  return Response.json(aboardList(database(), await readPreferences(request), marks, new Date()), {
    headers: { "Cache-Control": "no-store" },
  });
}
