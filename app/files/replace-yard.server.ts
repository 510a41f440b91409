import { restoreFile } from "../../data/backup.ts";
import { closeDatabase, databasePath } from "../../data/database.ts";
import { alone } from "../session/turns.server.ts";

const BUSY = "Somebody is still sending something to this yard: try it again.";

/** Puts another yard in the place of this one, once nobody is at it; returns why it was refused, or null. */
export async function replaceYard(bytes: Uint8Array): Promise<string | null> {
  const tried = await alone(() => ({ problem: restoreFile(databasePath(), bytes, closeDatabase) }));
  return tried ? tried.problem : BUSY;
}
