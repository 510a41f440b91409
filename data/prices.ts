/** What the yard reckons costs with. */
import type { Prices } from "../core/season/rates.ts";
import type { Database } from "./handle.ts";
import { settingChanged, type Told } from "./record.ts";
import { prices } from "./schema/index.ts";

export type YardPrices = Prices & { money: string };

/** As they were told last; unknown where nobody told. */
export function pricesOf(db: Database): YardPrices {
  const row = db.select().from(prices).get();
  return row
    ? { fuel: row.fuel, labour: row.labour, money: row.money }
    : { fuel: null, labour: null, money: "" };
}

/** Tells them otherwise. */
export function setPrices(db: Database, told: YardPrices, by: Told): void {
  db.transaction(() => {
    settingChanged(db, "prices", {}, by);
    db.insert(prices)
      .values({ id: 1, ...told })
      .onConflictDoUpdate({ target: prices.id, set: told })
      .run();
  });
}
