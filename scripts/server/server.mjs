/**
 * Serves the built application. This thread listens, asks at the door before a byte of a body is read, counts bytes while they come, and
 * hands over to the lanes; it judges and draws nothing, so that nobody waits for anybody else's page.
 */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { monitorEventLoopDelay } from "node:perf_hooks";
import { Transform } from "node:stream";
import { ROOT } from "../bootstrap.mjs";
import { openLanes } from "./lanes.mjs";

// Its threads take longest to come up: they begin before anything else is read.
const lanes = openLanes();
const { default: compression } = await import("compression");
const { default: express } = await import("express");
const { default: helmet } = await import("helmet");
const { gatherFigures } = await import("./figures.mjs");
const { listen } = await import("./listen.mjs");
const { logAnswer, openLog } = await import("./log.mjs");
const { replicate } = await import("./replica.mjs");

/** Whether another file stands in the place of the yard is looked after this often, ms. */
const LOOK_EVERY = 2000;
/** A backup a day: looked after soon after the start, and every hour, ms. */
const FIRST_BACKUP = 60_000;
const BACKUP_EVERY = 3_600_000;

const built = (name) => import(join(ROOT, "build", "worker", `${name}.js`));
const { addressKey, CAME, isForPage, mostBytes, ownersLink, seen, triesOf, turnedAway } =
  await built("front");
const yard = process.env.AMBREK_DB || "var/ambrek.db";
const log = openLog(yard);
const figures = gatherFigures();
lanes.hear({
  told(answer) {
    logAnswer(log, answer);
    figures.answered(answer);
  },
  figures: figures.said,
});

/** What is too large, or of somebody who is not let in, is heard out so long at most, and while it is not silent for so long, ms. */
const HEARD_OUT = 20_000;
const SILENT = 2000;

/** So many wrong tries to come in from one address at once, and then one more each of so many ms. */
const tries = triesOf(20, 30_000);
const COMES_IN = /^\/(enter|join)(\.data)?$/;

const app = express();
app.use(
  helmet({
    // Each answer says its own: a page what it loads, anything else that it loads nothing.
    contentSecurityPolicy: false,
    // One port speaks both: in the clear it shows how to trust this yard, and a browser that refuses that shows nothing.
    strictTransportSecurity: false,
    referrerPolicy: { policy: "same-origin" },
    xFrameOptions: { action: "deny" },
  }),
);
const HOST = process.env.HOST || "127.0.0.1";
/** On the network the line is encrypted; without encryption only the machine itself is served. */
const encrypted = process.env.AMBREK_LAN === "yes";
const { openLine, plainly } = encrypted ? await built("line") : { openLine: null, plainly: null };
if (encrypted) app.use(plainlyAnswered);
app.use(compression());
const client = join(ROOT, "build", "client");
/** Several yards on one phone are told apart by their names. */
const manifest = namedManifest(process.env.AMBREK_YARD_NAME);
if (manifest)
  app.get("/manifest.webmanifest", (_req, res) => res.type("application/manifest+json").send(manifest));
app.use("/assets", express.static(join(client, "assets"), { immutable: true, maxAge: "1y" }));
app.use(express.static(client));

/** For a supervisor: that it listens, and how long its thread was held up at most since it was asked last, ms. */
const held = monitorEventLoopDelay({ resolution: 1 });
held.enable();
app.get("/health", (_req, res) => {
  const delay = held.max / 1e6;
  held.reset();
  res
    .set("Cache-Control", "no-store")
    .json({ ok: lanes.identity() !== null, delay: Math.round(delay * 10) / 10 });
});

app.all("*", async (req, res, next) => {
  let over = () => {};
  const came = Date.now();
  delete req.headers[CAME];
  try {
    const head = headOf(req);
    if (!head) return res.status(400).type("text/plain").send(NOT_UNDERSTOOD);
    const away = turnedAway(head) ?? tooMany(req, res);
    // Where a page asks for its data, the page is told where to go.
    if (away && !isForPage(away, req.method, req.path)) return await refuse(req, res, away);
    if (!away) seen(head);
    over = figures.begun();
    const hasBody = req.method !== "GET" && req.method !== "HEAD";
    const gone = new AbortController();
    // Closing after all was sent is no breaking off.
    res.on("close", () => res.writableFinished || gone.abort());
    await lanes.answer(
      {
        method: req.method,
        url: urlOf(req),
        headers: [...headersOf(req), [CAME, String(came)]],
        body: hasBody ? piecesOf(countedBody(req, res, mostBytes(req.path))) : null,
        gone: gone.signal,
      },
      {
        give: (head) => begin(res, head),
        piece: async (bytes) => {
          if (!res.writableEnded && !res.write(bytes)) await taken(res);
        },
      },
    );
    res.end();
  } catch (error) {
    next(error);
  } finally {
    over();
  }
});

/** What a phone that keeps Ambrek calls it; null where there is one yard. */
function namedManifest(name) {
  if (!name) return null;
  const told = JSON.parse(readFileSync(join(client, "manifest.webmanifest"), "utf8"));
  return JSON.stringify({ ...told, name: `${name} · ${told.name}`, short_name: name });
}

/** Who tries to come in is counted by where from, once it was wrong; what answers where that was too often. */
function tooMany(req, res) {
  if (req.method !== "POST" || !COMES_IN.test(req.path)) return null;
  const from = addressKey(req.socket.remoteAddress);
  if (!tries.left(from))
    return new Response("Too many tries from there. Wait a minute.", {
      status: 429,
      headers: { "Retry-After": "60" },
    });
  res.on("finish", () => res.statusCode >= 400 && tries.take(from));
  return null;
}

const urlOf = (req) => `${req.protocol}://${req.get("host") ?? "localhost"}${req.originalUrl}`;

/** The head of a request as pairs, each header as often as it came. */
const headersOf = (req) =>
  Object.entries(req.headers).flatMap(([name, value]) =>
    [value].flat().flatMap((each) => (each === undefined ? [] : [[name, each]])),
  );

/** Until what was written was taken, or nobody takes it any more. */
const taken = (res) =>
  new Promise((done) => {
    const end = () => {
      res.off("drain", end).off("close", end);
      done();
    };
    res.on("drain", end).on("close", end);
  });

const NOT_UNDERSTOOD = "That request was not understood.";

/** What the door looks at: a request without its body; null of what names no place, or asks for what nobody may. */
function headOf(req) {
  try {
    return new Request(urlOf(req), { method: req.method, headers: headersOf(req) });
  } catch {
    return null;
  }
}

/** What broke is a line in the log, and a sentence for who asked: no stack, and no more of what was being sent. */
app.use((error, _req, res, _next) => {
  const status = error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) {
    log.error({ problem: error.message, stack: error.stack }, "broke");
    figures.broke("an answer broke off");
  }
  if (res.headersSent) res.destroy();
  else
    res
      .status(status)
      .type("text/plain")
      .send(status === 500 ? "Something went wrong on the server." : NOT_UNDERSTOOD);
});

/** A body piece by piece, when it is asked for. */
function piecesOf(stream) {
  const pieces = stream[Symbol.asyncIterator]();
  return {
    async next() {
      try {
        const { done, value } = await pieces.next();
        return done ? { end: true } : { piece: new Uint8Array(value) };
      } catch (error) {
        return { broken: { text: error.message, code: error.code } };
      }
    },
  };
}

/** Who comes from the network without encryption is told how to trust this yard, and sees nothing of it. */
function plainlyAnswered(req, res, next) {
  if (req.secure || isLoopback(req.socket.remoteAddress)) return next();
  answer(res, plainly(req.path, req.get("host") ?? "")).catch(next);
}

function isLoopback(address) {
  return address === "::1" || /^(::ffff:)?127\./.test(address ?? "");
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
        res.end("That is too large.");
        hearOut(req);
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
  if (!req.complete) hearOut(req);
}

/** What is still coming is thrown away unread for a while, so that the answer arrives even over a slow line; then the line is cut. */
function hearOut(req) {
  const [inAll, silent] = [HEARD_OUT, SILENT].map((after) => setTimeout(() => req.destroy(), after).unref());
  req.on("data", () => silent.refresh());
  req.on("close", () => {
    clearTimeout(inAll);
    clearTimeout(silent);
  });
}

/** What is no page loads nothing and stands in no frame. */
const LOADS_NOTHING = "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

function begin(res, { status, headers, cookies }) {
  if (res.headersSent) return;
  res.status(status);
  // What is the yard's stays in no cache on the way, unless it says so itself.
  res.setHeader("Cache-Control", "no-store");
  res.setHeader("Content-Security-Policy", LOADS_NOTHING);
  for (const [name, value] of headers) res.setHeader(name, value);
  for (const cookie of cookies) res.appendHeader("Set-Cookie", cookie);
}

async function answer(res, response) {
  begin(res, { status: response.status, headers: [...response.headers], cookies: [] });
  res.end(Buffer.from(await response.arrayBuffer()));
}

/** Copies elsewhere: a breath behind where a replica is asked for, and a dated backup a day unless somebody said "off". */
function keepCopies() {
  const to = process.env.AMBREK_REPLICA;
  const replica = to ? replicate(yard, to, (told, what) => log.warn(told, what)) : null;
  if (replica) {
    let followed = lanes.identity();
    setInterval(() => {
      const now = lanes.identity();
      if (followed !== null && now !== followed) replica.again();
      followed = now;
    }, LOOK_EVERY).unref();
  }
  if (process.env.AMBREK_BACKUPS !== "off") {
    const backup = async () => {
      const kept = await lanes.backup();
      if (kept?.problem) failed(kept.problem);
    };
    const failed = (problem) => {
      log.error({ problem }, "backup failed");
      figures.broke("the backup of the day");
    };
    const attempt = () => backup().catch((error) => failed(error.message));
    setTimeout(attempt, FIRST_BACKUP).unref();
    setInterval(attempt, BACKUP_EVERY).unref();
  }
  return replica;
}

/** Nobody could invite: whoever runs the server is shown a link, on its own screen alone. */
async function inviteOwner() {
  const link = ownersLink();
  if (!link) return;
  const shown = link.links.map((each) => `  ${each}`).join("\n");
  console.error(
    `\nTo come in as the owner, once, within the hour${link.for ? `, as ${link.for}` : ""}:\n${shown}\n`,
  );
}

const port = Number(process.env.PORT || 4180);
/** Where this is one of several yards, the process that has all of them holds its door, and says when it is to go: perhaps before it is up. */
const handed = process.env.AMBREK_HANDED === "yes";
/** "called": to go, before it was up */
let stage = "starting";
if (handed) {
  process.on("message", ({ ask, line, rest, leave: go }) => {
    if (ask === "figures") process.send({ figures: figures.said() });
    if (line) figures.touched();
    if (rest !== undefined) {
      const resting = stage === "up" && figures.idle() >= rest;
      process.send({ resting });
      if (resting) goNow();
    }
    if (go) goNow();
  });
  // Without its door it is in the way of the next one.
  process.once("disconnect", goNow);
}
const close = await listen(app, { port, host: HOST, openLine, handed });
await lanes.opened;
const replica = keepCopies();
log.info({ open: lanes.identity() !== null }, "started");
if (encrypted) await inviteOwner();
const leave = async () => {
  await lanes.close();
  await replica?.stop();
  log.info("stopped");
  log.flush(() => process.exit(0));
};

function goNow() {
  if (stage === "up") {
    stage = "leaving";
    close(leave);
  } else if (stage === "starting") stage = "called";
}

for (const signal of ["SIGTERM", "SIGINT"]) process.once(signal, goNow);
if (handed && process.connected) process.send({ ready: true });
const called = stage === "called";
stage = "up";
if (called) goNow();
