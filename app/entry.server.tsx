import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, isRouteErrorResponse, ServerRouter } from "react-router";
import { knownBy, RenderedPages } from "./rendered.server.ts";
import { Nonce } from "./session/nonce.ts";
import { zoneOf } from "./session/zone.server.ts";

/** For the thread this is built into: what answers, and the file it has open. */
export { createRequestHandler } from "react-router";
export {
  closeDatabase as closeYard,
  database as openYard,
  lookAfter,
  openIdentity as identity,
} from "../data/database.ts";
export { countRigs } from "../data/rigs.ts";
export { keepBackup } from "./files/dated-backups.server.ts";
export { withFigures } from "./running/figures.server.ts";
export { warmingPages } from "./running/warming.server.ts";
export { judgeSome } from "./yard/judge.server.ts";

function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "worker-src 'self'",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

/** What went wrong in a loader or action. What there is no such thing of is answered, and is no fault of the server's: the thread that listens notes it. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  const status = isRouteErrorResponse(error) ? error.status : 500;
  if (status >= 500 && !request.signal.aborted) console.error(error);
}

const pages = new RenderedPages();

export default async function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
) {
  const nonce = randomBytes(16).toString("hex");
  headers.set("Content-Type", "text/html; charset=utf-8");
  headers.set("Content-Security-Policy", contentSecurityPolicy(nonce));
  headers.set("X-Content-Type-Options", "nosniff");
  headers.set("Referrer-Policy", "same-origin");
  const key = keyOf(request, status, context);
  const known = key && pages.recall(key, nonce);
  if (known) return new Response(known, { headers, status });
  return rendered({ request, status, headers, context, nonce }, (html) => {
    if (key) pages.keep(key, { html, nonce });
  });
}

/** By what this page is known again; null of one that answers a form, or says what went wrong. */
function keyOf(request: Request, status: number, { staticHandlerContext }: EntryContext): string | null {
  const { loaderData, actionData, errors } = staticHandlerContext;
  if (request.method !== "GET" || actionData || errors) return null;
  return knownBy({ url: request.url, status, loaded: loaderData, zone: zoneOf(request), now: new Date() });
}

type Asked = { request: Request; status: number; headers: Headers; context: EntryContext; nonce: string };

/** Renders a page; `whole` is told all of it, where nothing went wrong. */
function rendered(
  { request, status, headers, context, nonce }: Asked,
  whole: (html: Buffer) => void,
): Promise<Response> {
  return new Promise<Response>((resolve, reject) => {
    let outcome = status;
    const whenReady = isbot(request.headers.get("User-Agent")) ? "onAllReady" : "onShellReady";
    const { pipe } = renderToPipeableStream(
      <Nonce value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </Nonce>,
      {
        nonce,
        [whenReady]() {
          const body = new PassThrough();
          const pieces: Buffer[] = [];
          body.on("data", (piece: Buffer) => pieces.push(piece));
          body.on("end", () => outcome === status && whole(Buffer.concat(pieces)));
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status: outcome }));
          pipe(body);
        },
        onShellError: reject,
        onError(error: unknown) {
          outcome = 500;
          console.error(error);
        },
      },
    );
  });
}
