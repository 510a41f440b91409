/**
 * Serves the built application. Who is let in is asked of the application before a byte of a body is read, and bytes are counted while
 * they come: a body without a length costs no more memory than one with it.
 */
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { Transform } from "node:stream";
import { createReadableStreamFromReadable, writeReadableStreamToWritable } from "@react-router/node";
import compression from "compression";
import express from "express";
import { createRequestHandler } from "react-router";
import { ROOT } from "./bootstrap.mjs";
import { listen } from "./listen.mjs";

const code = join(ROOT, "build", "server", "index.js");
const build = await import(code);
process.env.AMBREK_BUILD = createHash("sha256").update(readFileSync(code)).digest("hex").slice(0, 16);
const { mostBytes, openLine, plainly, turnedAway } = build.entry.module;
const handle = createRequestHandler(build, process.env.NODE_ENV);

const app = express();
app.disable("x-powered-by");
const HOST = process.env.HOST || "127.0.0.1";
/** On the network the line is encrypted; without encryption only the machine itself is served. */
const encrypted = process.env.AMBREK_LAN === "yes";
if (encrypted) app.use(plainlyAnswered);
app.use(compression());
const client = join(ROOT, "build", "client");
app.use("/assets", express.static(join(client, "assets"), { immutable: true, maxAge: "1y" }));
app.use(express.static(client));

app.all("*", async (req, res, next) => {
  try {
    const head = requestOf(req, res, null);
    const away = await turnedAway(head);
    if (away) return await refuse(req, res, away);
    const hasBody = req.method !== "GET" && req.method !== "HEAD";
    const counted = hasBody ? countedBody(req, res, mostBytes(new URL(head.url).pathname)) : null;
    await answer(res, await handle(hasBody ? requestOf(req, res, counted) : head));
  } catch (error) {
    next(error);
  }
});

/** Who comes from the network without encryption is told how to trust this yard, and sees nothing of it. */
function plainlyAnswered(req, res, next) {
  if (req.secure || isLoopback(req.socket.remoteAddress)) return next();
  answer(res, plainly(req.path, req.get("host") ?? "")).catch(next);
}

function isLoopback(address) {
  return address === "::1" || /^(::ffff:)?127\./.test(address ?? "");
}

/** A request as the application sees it. */
function requestOf(req, res, body) {
  const headers = new Headers();
  for (const [name, value] of Object.entries(req.headers))
    for (const each of [value].flat()) if (each !== undefined) headers.append(name, each);
  const gone = new AbortController();
  // Closing after all was sent is no breaking off.
  res.on("close", () => res.writableFinished || gone.abort());
  return new Request(`${req.protocol}://${req.get("host") ?? "localhost"}${req.originalUrl}`, {
    method: req.method,
    headers,
    signal: gone.signal,
    ...(body ? { body: createReadableStreamFromReadable(body), duplex: "half" } : {}),
  });
}

/** The body, ending in an error once it is larger than it may be; the answer is given then and there. */
function countedBody(req, res, most) {
  let bytes = 0;
  const counted = new Transform({
    transform(chunk, _encoding, done) {
      bytes += chunk.length;
      if (bytes <= most) return done(null, chunk);
      req.unpipe(counted);
      if (!res.headersSent) {
        res.writeHead(413, { "Content-Type": "text/plain; charset=utf-8", Connection: "close" });
        res.end("That is too large.", () => req.destroy());
      }
      done(Object.assign(new Error("That is too large."), { code: "TOO_LARGE" }));
    },
  });
  counted.on("error", () => {});
  req.on("error", (error) => counted.destroy(error));
  req.on("aborted", () => counted.destroy(new Error("It broke off.")));
  return req.pipe(counted);
}

/** An answer to somebody who is not let in: nothing of what they send is read. */
async function refuse(req, res, away) {
  if (req.headers["content-length"] !== undefined || req.headers["transfer-encoding"] !== undefined)
    res.setHeader("Connection", "close");
  await answer(res, away);
  if (req.complete) return;
  // What is still coming is thrown away unread for a moment, so that the answer arrives; then the line is cut.
  req.resume();
  setTimeout(() => req.destroy(), 2000).unref();
}

async function answer(res, response) {
  if (res.headersSent) return;
  res.status(response.status);
  for (const [name, value] of response.headers) if (name !== "set-cookie") res.setHeader(name, value);
  for (const cookie of response.headers.getSetCookie()) res.appendHeader("Set-Cookie", cookie);
  if (response.headers.get("Content-Type")?.match(/text\/event-stream/i)) res.flushHeaders();
  if (response.body) await writeReadableStreamToWritable(response.body, res);
  else res.end();
}

const port = Number(process.env.PORT || 4180);
const close = await listen(app, { port, host: HOST, openLine: encrypted ? openLine : null });
for (const signal of ["SIGTERM", "SIGINT"]) process.once(signal, () => close(() => process.exit(0)));
