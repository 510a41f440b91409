import { database } from "../../data/database.ts";
import { setPrices } from "../../data/prices.ts";
import { formOf } from "../session/form.server.ts";
import { checkedBy } from "../session/intents.server.ts";
import { answered, kept } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { PricesDto, readMoney } from "../yard/rates/prices.dto.ts";
import { RatesPage } from "../yard/rates/RatesPage.tsx";
import { fuelFactor, ratesView } from "../yard/rates/rates-view.server.ts";
import type { Route } from "./+types/rates";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const season = (new URL(request.url).searchParams.get("season") ?? "").slice(0, 20);
  return { preferences, view: ratesView(database(), season, preferences.units, new Date()) };
}

export async function action({ request }: Route.ActionArgs) {
  const { units } = await readPreferences(request.clone());
  const told = await toldBy(request.clone());
  const keep = checkedBy(PricesDto, (_: null, { fuel, labour, money }) => {
    const [each, hour] = [readMoney(fuel), readMoney(labour)];
    setPrices(
      database(),
      { fuel: each ? each / fuelFactor(units) : null, labour: hour ? hour / 3600 : null, money },
      told,
    );
    return kept("Kept: costs are reckoned with these.");
  });
  return answered(keep(null, await formOf(request)));
}

export function meta() {
  return [{ title: "Work rates and costs · Ambrek" }];
}

export default RatesPage;
