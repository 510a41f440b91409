const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);

/** The address a request was sent to, as the client named it. */
function sentTo(request: Request): URL {
  const url = new URL(request.url);
  const host = request.headers.get("Host");
  return host !== null && URL.canParse(`${url.protocol}//${host}`)
    ? new URL(`${url.protocol}//${host}`)
    : url;
}

/**
 * True where a request names the machine itself. A page elsewhere may give its own name this machine's address and then read and write
 * here as if it were at home; it cannot make a browser send another name than its own.
 */
export function namesLoopback(request: Request): boolean {
  return LOOPBACK.has(sentTo(request).hostname);
}

/**
 * True where a request that changes something comes from our own pages: browsers name the origin on every
 * POST, and a page elsewhere cannot hide its own. Scheme, host and port are compared.
 */
export function fromOurOwnPages(request: Request): boolean {
  if (request.method === "GET" || request.method === "HEAD") return true;
  const origin = request.headers.get("Origin");
  if (origin === null) return request.headers.get("Sec-Fetch-Site") === "same-origin";
  return URL.canParse(origin) && new URL(origin).origin === sentTo(request).origin;
}
