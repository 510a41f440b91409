/**
 * True where a request that changes something comes from our own pages: browsers name the origin on every
 * POST, and a page elsewhere cannot hide its own.
 */
export function fromOurOwnPages(request: Request): boolean {
  if (request.method === "GET" || request.method === "HEAD") return true;
  const origin = request.headers.get("Origin");
  if (origin === null) return request.headers.get("Sec-Fetch-Site") === "same-origin";
  const host = request.headers.get("Host") ?? new URL(request.url).host;
  return URL.canParse(origin) && new URL(origin).host === host;
}
