import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, ServerRouter } from "react-router";
import { Nonce } from "./session/nonce.ts";

/** For the thread this is built into: what answers, and the file it has open. */
export { createRequestHandler } from "react-router";
export {
  closeDatabase as closeYard,
  database as openYard,
  lookAfter,
  openIdentity as identity,
} from "../data/database.ts";
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

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
) {
  const nonce = randomBytes(16).toString("base64");
  headers.set("Content-Type", "text/html; charset=utf-8");
  headers.set("Content-Security-Policy", contentSecurityPolicy(nonce));
  headers.set("X-Content-Type-Options", "nosniff");
  headers.set("Referrer-Policy", "same-origin");
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
