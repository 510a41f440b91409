/** The yard's certificates on disk: made where there are none, or where they no longer fit. */
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { databasePath } from "../../data/database-path.ts";
import {
  fingerprintOf,
  isShownBy,
  newAuthority,
  newServer,
  type Pair,
  type Reached,
  speaksFor,
} from "./certificates.server.ts";

/** Beside the yard's file, and in none of its backups; several yards on one machine show the machine's. */
const keptIn = () => process.env.AMBREK_CERTIFICATES || join(dirname(databasePath()), "network");

/** Only who runs the server may read what is in there. */
const OWNER_ALONE = { folder: 0o700, file: 0o600 };

function read(folder: string, name: string): Pair | null {
  const [certificate, key] = [join(folder, `${name}.pem`), join(folder, `${name}-key.pem`)];
  if (!existsSync(certificate) || !existsSync(key)) return null;
  return { certificate: readFileSync(certificate, "utf8"), key: readFileSync(key, "utf8") };
}

/** Written beside and put in place: a start that is cut off leaves what there was. */
function write(folder: string, name: string, { certificate, key }: Pair): void {
  mkdirSync(folder, { recursive: true, mode: OWNER_ALONE.folder });
  chmodSync(folder, OWNER_ALONE.folder);
  for (const [file, text] of [
    [`${name}-key.pem`, key],
    [`${name}.pem`, certificate],
  ] as const) {
    const beside = join(folder, `${file}.new`);
    writeFileSync(beside, text, { mode: OWNER_ALONE.file });
    renameSync(beside, join(folder, file));
  }
}

export type Kept = {
  authority: Pair;
  server: Pair;
  /** the authority is another than before: phones that trusted the old one have to be told */
  anew: boolean;
  fingerprint: string;
};

/** What there is and fits, or else made now. What cannot be read as a certificate counts as missing. */
export async function certificatesFor(reached: Reached, now: Date, folder = keptIn()): Promise<Kept> {
  const before = read(folder, "authority");
  const holds = before !== null && attempt(() => speaksFor(before, reached, now));
  const authority = before && holds ? before : await newAuthority(reached, now);
  if (!holds) write(folder, "authority", authority);
  const shown = holds ? read(folder, "server") : null;
  const fits = shown !== null && (await isShownBy(shown, authority, reached, now).catch(() => false));
  const server = shown && fits ? shown : await newServer(authority, reached, now);
  if (!fits) write(folder, "server", server);
  return { authority, server, anew: before !== null && !holds, fingerprint: await fingerprintOf(authority) };
}

function attempt(ask: () => boolean): boolean {
  try {
    return ask();
  } catch {
    return false;
  }
}

/** What the yard's authority is known by, where the line is encrypted; null where it is not. */
export async function fingerprintShown(folder = keptIn()): Promise<string | null> {
  const authority = process.env.AMBREK_LAN === "yes" ? read(folder, "authority") : null;
  return authority ? fingerprintOf(authority) : null;
}
