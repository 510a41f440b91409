import { printLength } from "../../core/quantity/length.ts";
import { say } from "../../core/quantity/say.ts";
import { type Units, unitOf } from "../../core/quantity/units.ts";
import { database } from "../../data/database.ts";
import { roadLimitsOf, setRoadLimits } from "../../data/settings.ts";
import { formOf } from "../session/form.server.ts";
import { answered, kept, refused } from "../session/outcome.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { validateForm } from "../session/validate.ts";
import { amountOf } from "../yard/amount.ts";
import { keepSoil, soilShown } from "../yard/keep-soil.server.ts";
import { LimitsPage } from "../yard/LimitsPage.tsx";
import { LimitsDto } from "../yard/limits.dto.ts";
import type { Route } from "./+types/limits";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { units } = preferences;
  const limits = roadLimitsOf(database());
  const length = (metres: number | null) => (metres === null ? "" : printLength(metres, units.tape));
  return {
    preferences,
    units: unitsOf(units),
    soil: soilShown(database(), units),
    shown: {
      country: limits.country,
      width: length(limits.width),
      height: length(limits.height),
      speed: limits.speed === null ? "" : say("speed", limits.speed, units),
      unbraked: limits.unbraked === null ? "" : say("mass", limits.unbraked, units),
    },
  };
}

const unitsOf = (units: Units) => ({
  width: units.tape as string,
  height: units.tape as string,
  speed: unitOf("speed", units) as string,
  unbraked: unitOf("mass", units) as string,
});

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const form = await formOf(request);
  if (form.get("intent") === "soil") return answered(keepSoil(database(), form, by));
  const checked = validateForm(LimitsDto, form);
  if (!checked.ok) return answered(refused(checked.errors));
  const { country, width, height, speed, unbraked, ...unit } = checked.value;
  const read = (text: string, family: "length" | "speed" | "mass", of: string) => {
    const amount = amountOf(text, { family, unit: of, optional: true });
    return amount.ok ? amount.value : null;
  };
  setRoadLimits(
    database(),
    {
      country,
      width: read(width, "length", unit.widthUnit),
      height: read(height, "length", unit.heightUnit),
      speed: read(speed, "speed", unit.speedUnit),
      unbraked: read(unbraked, "mass", unit.unbrakedUnit),
    },
    by,
  );
  return answered(kept("Saved. Every rig is judged by these from now on."));
}

export function meta() {
  return [{ title: "Limits · Ambrek" }];
}

export default LimitsPage;
