/** Who is let in, what their role lets them do, and how much they may bring: decided from the head of a request, before a byte of its body is read. */
import type { Role } from "../../data/people/people.ts";
import { fromOurOwnPages, namesLoopback } from "./same-origin.server.ts";
import { isOnNetwork, whoIs } from "./who.server.ts";
import { READS_ONLY } from "./words.ts";

const KB = 1024;
const MB = 1024 * KB;

/** What a body may come to by route, bytes; a backup of a large yard is the largest thing anybody sends. */
const MOST: readonly (readonly [RegExp, number])[] = [
  [/^\/(enter|join|device|people|waiting)(\.data)?$/, 4 * KB],
  // A backup to restore, or task data to read: the page tells them apart once it is there.
  [/^\/files(\.data)?$/, 520 * MB],
  // Logs of field tests come as entries of their rig.
  [/^\/rigs\/\d+\/(keep|field-tape)$/, 21 * MB],
];
const OTHERWISE = 8 * MB;

export function mostBytes(path: string): number {
  return MOST.find(([route]) => route.test(path))?.[1] ?? OTHERWISE;
}

/** Where somebody who is not in yet comes in. */
const OPEN = /^\/(enter|join)(\.data)?$/;
/** What an owner alone sees: who may come in, how the server does, and all of the yard as one file. */
const OWNERS = /^\/((people|server)(\.data)?|backup\.db)$/;
/** What an adviser sends: asking for a reading goes as an entry of its rig, and what else an entry may be is refused there. */
const ADVISERS = /^\/(preferences|device|waiting|rigs\/\d+\/keep)(\.data)?$/;

const OWNER_ONLY = "That is for the owner of this yard.";

/** Why a role may not do what is asked; null where it may. */
export function beyondRole(role: Role, method: string, path: string): string | null {
  if (role !== "owner" && OWNERS.test(path)) return OWNER_ONLY;
  const reads = method === "GET" || method === "HEAD";
  return role === "adviser" && !reads && !ADVISERS.test(path) ? READS_ONLY : null;
}

const said = (text: string, status: number, statusText = "") =>
  new Response(text, { status, statusText, headers: { "Content-Type": "text/plain; charset=utf-8" } });

/** Marks what somebody who is in may not do, who is told so on a page. */
const BEYOND = "Beyond the role";

/** True of what somebody who is in may not do. */
export const isBeyond = (away: Response): boolean => away.statusText === BEYOND;

/** True of what a page answers where one was asked for: where to come in, or that it is not for this role. */
export const isForPage = (away: Response, method: string, path: string): boolean =>
  path.endsWith(".data") ? isBeyond(away) || away.status === 302 : isBeyond(away) && method === "GET";

const inWords = (form: string, status: number) =>
  Response.json({ ok: false, errors: { form }, asksReason: false }, { status });

/** What waits on a device is sent by a script: a page would be no answer to it. */
const isScript = (request: Request) => request.headers.get("Accept")?.startsWith("application/json") === true;

/** What answers a request that is not let in; null where it is. Reads nothing of its body. */
export function turnedAway(request: Request): Response | null {
  const path = new URL(request.url).pathname;
  if (!isOnNetwork() && !namesLoopback(request))
    return said("Refused: off the network only this machine itself is answered.", 403);
  if (!fromOurOwnPages(request)) return said("Refused: this did not come from Ambrek's own pages.", 403);
  if (Number(request.headers.get("Content-Length") ?? 0) > mostBytes(path))
    return said("That is too large.", 413);
  if (!isOnNetwork() || OPEN.test(path)) return null;
  const who = whoIs(request);
  if (!who)
    return isScript(request)
      ? inWords("This device is not let in any more: come in again.", 401)
      : new Response(null, { status: 302, headers: { Location: "/enter" } });
  const beyond = beyondRole(who.role, request.method, path);
  if (!beyond) return null;
  return isScript(request) ? inWords(beyond, 403) : said(beyond, 403, BEYOND);
}
