import { createCookie } from "react-router";
import { LENGTH_STYLES } from "../../core/quantity/length.ts";
import { PRESETS, type Units } from "../../core/quantity/units.ts";
import { UNIT_CHOICES, type UnitChoice } from "./preferences.dto.ts";
import { whoIs } from "./who.server.ts";

export type Preferences = {
  choice: UnitChoice;
  /** the mixture, also while another choice is on */
  own: Units;
  /** what lengths are shown in now */
  units: Units;
  theme: "day" | "night";
  /** who reads the tape on this device: who it belongs to where that is known, otherwise who last said so; empty until somebody did */
  person: string;
};

const YEAR = 365 * 24 * 3600;
const cookie = createCookie("ambrek", { path: "/", sameSite: "lax", httpOnly: true, maxAge: YEAR });

/** What this device chose; anything else in the cookie is ignored. */
export async function readPreferences(request: Request): Promise<Preferences> {
  const stored = ((await cookie.parse(request.headers.get("Cookie"))) ?? {}) as Record<string, unknown>;
  const choice = UNIT_CHOICES.find((each) => each === stored.choice) ?? "metric";
  const style = (name: string) => LENGTH_STYLES.find((each) => each === stored[name]);
  const own = { tape: style("tape") ?? "m", small: style("small") ?? "in" };
  return {
    choice,
    own,
    units: choice === "own" ? own : PRESETS[choice],
    theme: stored.theme === "night" ? "night" : "day",
    person: whoIs(request)?.person ?? (typeof stored.person === "string" ? stored.person.slice(0, 60) : ""),
  };
}

export function writePreferences({ choice, own, theme, person }: Preferences): Promise<string> {
  return cookie.serialize({ choice, ...own, theme, person });
}

/** With an answer: who was named is who this device belongs to from now on. */
export async function remembering(preferences: Preferences, person: string): Promise<ResponseInit> {
  return { headers: { "Set-Cookie": await writePreferences({ ...preferences, person }) } };
}
