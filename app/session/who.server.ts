/** Who a request comes from, by what its device shows: on the network. On the machine itself nobody has to show anything. */
import { databasePath } from "../../data/database-path.ts";
import { MOST_AGE, People, type Shown, type Who } from "../../data/people/people.ts";

/** True once others can reach this server: then each of them comes in with a device of their own. */
export const isOnNetwork = () => process.env.AMBREK_LAN === "yes";

let open: { path: string; people: People } | null = null;

/** This thread's hold of the people of the yard, kept in a file beside it. */
export function people(): People {
  const path = `${databasePath()}.people`;
  if (open?.path !== path) {
    open?.people.close();
    open = { path, people: new People(path) };
  }
  return open.people;
}

/** Lets go of the file. */
export function closePeople(): void {
  open?.people.close();
  open = null;
}

const isEncrypted = (request: Request) => new URL(request.url).protocol === "https:";

/** Of several yards on one machine which this is, "-lindhof": browsers keep cookies by host, whatever the port. */
const yardsOwn = () => (process.env.AMBREK_YARD ? `-${process.env.AMBREK_YARD}` : "");

/** Over an encrypted line a name no other host, and nothing in the clear, can set (RFC 6265bis 4.1.3). */
const called = (name: string, request: Request) =>
  `${isEncrypted(request) ? "__Host-" : ""}ambrek-${name}${yardsOwn()}`;

const SESSION = "session";
const DEVICE = "device";
/** A device is known again for years. */
const YEARS = 3 * 365 * 24 * 3600;

const shown = (name: string, request: Request): string | null =>
  new RegExp(`(?:^|;\\s*)${called(name, request)}=([\\w-]{43})(?:;|$)`).exec(
    request.headers.get("Cookie") ?? "",
  )?.[1] ?? null;

const cookie = (name: string, token: string, seconds: number, request: Request) =>
  `${called(name, request)}=${token}; Path=/; Max-Age=${seconds}; HttpOnly; SameSite=Lax${isEncrypted(request) ? "; Secure" : ""}`;

/** What a device shows while it is in; null of one that shows nothing. */
export const sessionShown = (request: Request) => shown(SESSION, request);
/** What a device shows to be known again, in or not. */
export const deviceShown = (request: Request) => shown(DEVICE, request);

/** Who a request comes from; null where that is not told: on the machine itself, or by nobody known. */
export function whoIs(request: Request, now = Date.now()): Who | null {
  if (!isOnNetwork()) return null;
  const token = sessionShown(request);
  return token === null ? null : people().who(token, now);
}

/** True of an owner, and of whoever sits at the machine itself. */
export const ownsYard = (request: Request): boolean => (whoIs(request)?.role ?? "owner") === "owner";

/** With an answer: the device is in from now on, and known again. */
export function lettingIn(request: Request, { session, device }: Shown): Headers {
  const headers = new Headers();
  headers.append("Set-Cookie", cookie(SESSION, session, MOST_AGE / 1000, request));
  headers.append("Set-Cookie", cookie(DEVICE, device, YEARS, request));
  return headers;
}

/** With an answer: the device is not in any more. */
export const lettingOut = (request: Request): HeadersInit => ({
  "Set-Cookie": cookie(SESSION, "", 0, request),
});
