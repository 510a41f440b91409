import { createCookie } from "react-router";
import { UNIT_SYSTEMS, type UnitSystem } from "../../core/quantity/units.ts";

export type Preferences = {
  system: UnitSystem;
  theme: "day" | "night";
  /** who reads the tape on this device; empty until somebody said */
  person: string;
};

const YEAR = 365 * 24 * 3600;
const cookie = createCookie("ambrek", { path: "/", sameSite: "lax", httpOnly: true, maxAge: YEAR });

/** What this device chose; anything else in the cookie is ignored. */
export async function readPreferences(request: Request): Promise<Preferences> {
  const stored = ((await cookie.parse(request.headers.get("Cookie"))) ?? {}) as Record<string, unknown>;
  return {
    system: UNIT_SYSTEMS.find((each) => each === stored.system) ?? "metric",
    theme: stored.theme === "night" ? "night" : "day",
    person: typeof stored.person === "string" ? stored.person.slice(0, 60) : "",
  };
}

export function writePreferences(preferences: Preferences): Promise<string> {
  return cookie.serialize(preferences);
}
