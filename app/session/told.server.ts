/** Who changes a setting, and when: the person this device last said it is. */
import type { Told } from "../../data/record.ts";
import { readPreferences } from "./preferences.server.ts";

export async function toldBy(request: Request): Promise<Told> {
  return { person: (await readPreferences(request)).person, at: new Date() };
}
