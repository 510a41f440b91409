import { database } from "../../data/database.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { machineOr404 } from "../yard/machine/machine-or-404.server.ts";
import { YearPage } from "../yard/year/YearPage.tsx";
import { yearView } from "../yard/year/year-view.server.ts";
import type { Route } from "./+types/year";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const asked = new URL(request.url).searchParams;
  const [year, machine] = [asked.get("year") ?? "", asked.get("machine") ?? ""];
  const now = new Date();
  return {
    preferences,
    view: yearView(database(), {
      year: /^2[01]\d\d$/.test(year) ? Number(year) : now.getUTCFullYear(),
      machine: machine === "" ? null : machineOr404(machine),
      units: preferences.units,
      now,
    }),
  };
}

export function meta({ loaderData }: Route.MetaArgs) {
  return [{ title: `${loaderData?.view.year ?? "A year"} on one page · Ambrek` }];
}

export default YearPage;
