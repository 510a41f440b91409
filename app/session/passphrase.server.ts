import { createHash, randomBytes, scryptSync, timingSafeEqual } from "node:crypto";
import { createCookie } from "react-router";

/** Set when the server is bound to the network; without one it listens on the loopback address only. */
const passphrase = () => process.env.AMBREK_PASSPHRASE ?? "";

export function isOnNetwork(): boolean {
  return passphrase() !== "";
}

const SALT = randomBytes(16);
const hash = (text: string) => scryptSync(text, SALT, 32);

/** scrypt on both sides and a comparison in constant time. */
export function isPassphrase(given: string): boolean {
  return isOnNetwork() && timingSafeEqual(hash(given.trim()), hash(passphrase()));
}

/** The cookie is signed with a key that follows from the passphrase: another passphrase ends every session. */
const cookie = () =>
  createCookie("ambrek-session", {
    path: "/",
    httpOnly: true,
    sameSite: "lax",
    maxAge: 30 * 24 * 3600,
    secrets: [
      createHash("sha256")
        .update(scryptSync(passphrase(), "ambrek session", 32))
        .digest("hex"),
    ],
  });

let known: { for: string; cookie: ReturnType<typeof cookie> } | null = null;

function sessionCookie() {
  if (known?.for !== passphrase()) known = { for: passphrase(), cookie: cookie() };
  return known.cookie;
}

/** A session begun over an encrypted line is shown over no other. */
export function openSession(request: Request): Promise<string> {
  return sessionCookie().serialize("in", { secure: new URL(request.url).protocol === "https:" });
}

export async function hasSession(request: Request): Promise<boolean> {
  return (await sessionCookie().parse(request.headers.get("Cookie"))) === "in";
}

const MOST_TRIES = 10;
const MINUTE = 60_000;
let tries: number[] = [];

/** False once there were too many tries within a minute; counts none. */
export function triesLeft(now: number): boolean {
  tries = tries.filter((at) => at > now - MINUTE);
  return tries.length < MOST_TRIES;
}

/** Counts a try; false once there were too many within a minute. */
export function mayTry(now: number): boolean {
  if (!triesLeft(now)) return false;
  tries.push(now);
  return true;
}
