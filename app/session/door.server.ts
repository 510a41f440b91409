/** Who is let in, and how much they may bring: decided from the head of a request, before a byte of its body is read. */
import { hasSession, isOnNetwork, triesLeft } from "./passphrase.server.ts";
import { fromOurOwnPages, namesLoopback } from "./same-origin.server.ts";

const KB = 1024;
const MB = 1024 * KB;

/** What a body may come to by route, bytes; a backup of a large yard is the largest thing anybody sends. */
const MOST: readonly (readonly [RegExp, number])[] = [
  [/^\/enter(\.data)?$/, 4 * KB],
  // A backup to restore, or task data to read: the page tells them apart once it is there.
  [/^\/files(\.data)?$/, 520 * MB],
  // Logs of field tests come as entries of their rig.
  [/^\/rigs\/\d+\/(keep|field-tape)$/, 21 * MB],
];
const OTHERWISE = 8 * MB;

export function mostBytes(path: string): number {
  return MOST.find(([route]) => route.test(path))?.[1] ?? OTHERWISE;
}

const LOCKED = {
  ok: false,
  errors: { form: "The session has ended: enter the passphrase." },
  asksReason: false,
};

const said = (text: string, status: number) =>
  new Response(text, { status, headers: { "Content-Type": "text/plain; charset=utf-8" } });

/** What answers a request that is not let in; null where it is. Reads nothing of its body. */
export async function turnedAway(request: Request): Promise<Response | null> {
  const path = new URL(request.url).pathname;
  if (!isOnNetwork() && !namesLoopback(request))
    return said("Refused: without a passphrase only this machine itself is answered.", 403);
  if (!fromOurOwnPages(request)) return said("Refused: this did not come from Ambrek's own pages.", 403);
  if (Number(request.headers.get("Content-Length") ?? 0) > mostBytes(path))
    return said("That is too large.", 413);
  if (!isOnNetwork()) return null;
  if (/^\/enter(\.data)?$/.test(path))
    return request.method === "POST" && !triesLeft(Date.now())
      ? said("Too many tries. Wait a minute.", 429)
      : null;
  if (await hasSession(request)) return null;
  // What waits on a device is sent by a script: a page to log in on would be no answer to it.
  if (request.headers.get("Accept")?.startsWith("application/json"))
    return Response.json(LOCKED, { status: 401 });
  return new Response(null, { status: 302, headers: { Location: "/enter" } });
}
