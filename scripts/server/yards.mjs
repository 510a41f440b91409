/**
 * Serves several yards: a process and a port each, and on this machine alone a page that names them. Nothing of one yard is ever in the
 * process of another.
 */
import { mkdirSync, readdirSync } from "node:fs";
import { createServer } from "node:net";
import { totalmem } from "node:os";
import { join, resolve } from "node:path";
import express from "express";
import helmet from "helmet";
import { ROOT } from "../bootstrap.mjs";
import { openLog } from "./log.mjs";
import { yardProcess } from "./yard-process.mjs";

const {
  answerYards,
  beginYard,
  fileOf,
  forgetYard,
  hasFile,
  makeCertificates,
  markBegun,
  missing,
  renameYard,
  yardsIn,
} = await import(join(ROOT, "build", "worker", "yards.js"));

const root = resolve(process.env.AMBREK_YARDS);
const port = Number(process.env.PORT || 4180);
const HOST = process.env.HOST || "127.0.0.1";
/** A yard nobody came to for this long sleeps, ms. */
const SLEEP = Number(process.env.AMBREK_SLEEP || 15 * 60_000);
/** What a yard takes that is awake (`npm run bench -- yards`), bytes; beyond half of the machine the one that was left longest sleeps first. */
const EACH = 600e6;
const MOST_AWAKE = Number(process.env.AMBREK_AWAKE) || Math.max(1, Math.floor((totalmem() * 0.5) / EACH));
/** Where room is made, who came to it this long ago had an answer, ms. */
const LEFT_ALONE = 1000;
const encrypted = process.env.AMBREK_LAN === "yes";
const certificates = join(root, "network");

mkdirSync(root, { recursive: true });
const log = openLog(join(root, "yards"));
/** By folder: its process and its door. */
const served = new Map();
const listed = () => yardsIn(root, port + 1);

/** All that is of one yard lies in its folder; copies elsewhere go into a folder of its own there too. */
function envOf({ folder }) {
  const { name, port } = listed().find((each) => each.folder === folder);
  const into = (told) => (told && told !== "off" ? `${told.replace(/\/$/, "")}/${folder}` : told);
  const [replica, backups] = [into(process.env.AMBREK_REPLICA), into(process.env.AMBREK_BACKUPS)];
  return {
    AMBREK_DB: fileOf(root, folder),
    AMBREK_YARD: folder,
    AMBREK_YARD_NAME: name,
    AMBREK_CERTIFICATES: certificates,
    // Each has a thread that writes and one that judges besides: the processors are for all of them.
    AMBREK_THREADS: process.env.AMBREK_THREADS || "1",
    PORT: String(port),
    HOST,
    ...(replica ? { AMBREK_REPLICA: replica } : {}),
    ...(backups ? { AMBREK_BACKUPS: backups } : {}),
  };
}

function serve(yard) {
  const { folder, port } = yard;
  const itself = yardProcess({
    env: () => envOf(yard),
    barred: () => missing(root, listed().find((each) => each.folder === folder) ?? yard),
    told(what) {
      const isNew = listed().some((each) => each.folder === folder && !each.begun);
      if (what.up !== undefined && isNew && hasFile(root, folder)) markBegun(root, folder);
      if (what.ended !== undefined) log.error({ port, ended: what.ended }, "a yard ended by itself");
      else log.info({ port, milliseconds: what.up }, "a yard woke");
    },
  });
  const door = createServer({ pauseOnConnect: true }, (socket) => {
    itself.take(socket);
    makeRoom(folder);
  });
  const one = { itself, door, problem: null };
  door.on("error", (error) => {
    one.problem =
      error.code === "EADDRINUSE" ? `Port ${port} is somebody else's on this machine.` : error.message;
  });
  door.listen(port, HOST);
  served.set(folder, one);
}

function stopServing(folder) {
  const one = served.get(folder);
  served.delete(folder);
  one?.door.close();
  return one?.itself.end();
}

/** Where more are awake than the machine has room for, the one that was left longest sleeps. */
async function makeRoom(besides) {
  const up = [...served.values()].filter(({ itself }) => itself.state().state !== "asleep").length;
  if (up <= MOST_AWAKE) return;
  const awake = await lastAsked();
  const over = awake.length - MOST_AWAKE;
  for (const { one } of awake.filter(({ folder }) => folder !== besides).slice(0, Math.max(0, over)))
    one.itself.rest(LEFT_ALONE);
}

/** Yards that are awake, the one that was left longest first. */
async function lastAsked() {
  const asked = [...served].map(async ([folder, one]) => ({
    folder,
    one,
    last: (await one.itself.figures())?.last ?? null,
  }));
  return (await Promise.all(asked)).filter(({ last }) => last !== null).sort((a, b) => a.last - b.last);
}

async function letSleep() {
  for (const { one, last } of await lastAsked()) if (Date.now() - last > SLEEP) one.itself.rest(SLEEP);
}

/** What the page shows of each: from its list, its files, and what its process says of itself. Who came into the list meanwhile has a door from now on. */
function shown() {
  for (const yard of listed()) if (!served.has(yard.folder)) serve(yard);
  return Promise.all(
    listed().map(async (yard) => {
      const one = served.get(yard.folder);
      const { state, problem } = one?.itself.state() ?? { state: "asleep", problem: null };
      return {
        ...yard,
        file: fileOf(root, yard.folder),
        state,
        problem: missing(root, yard) ?? one?.problem ?? problem,
        figures: (await one?.itself.figures()) ?? null,
      };
    }),
  );
}

const ACTS = {
  begin({ name }) {
    const yard = beginYard(root, port + 1, name);
    serve(yard);
    served.get(yard.folder).itself.wake();
  },
  async rename({ folder, name }) {
    renameYard(root, folder, name);
    // Its pages have its name: they are put together anew with the next start.
    await served.get(folder)?.itself.sleep();
  },
  async forget({ folder }) {
    forgetYard(root, folder);
    await stopServing(folder);
  },
};

const app = express();
// Its page says itself what it loads.
app.use(helmet({ contentSecurityPolicy: false, strictTransportSecurity: false }));
const client = join(ROOT, "build", "client");
const look = `/assets/${readdirSync(join(client, "assets")).find((name) => /^root-.*\.css$/.test(name))}`;
app.use("/assets", express.static(join(client, "assets"), { immutable: true, maxAge: "1y" }));
app.use(express.static(client));
app.get("/health", (_req, res) => {
  const states = [...served.values()].map(({ itself }) => itself.state().state);
  res.set("Cache-Control", "no-store").json({
    ok: true,
    yards: states.length,
    awake: states.filter((state) => state === "awake").length,
  });
});
app.use(express.text({ type: "application/x-www-form-urlencoded", limit: "4kb" }));
app.all("/", async (req, res, next) => {
  try {
    const request = new Request(`http://${req.get("host") ?? "localhost"}/`, {
      method: req.method,
      headers: Object.entries(req.headers).flatMap(([name, value]) =>
        [value].flat().map((each) => [name, each]),
      ),
      ...(req.method === "GET" || req.method === "HEAD" ? {} : { body: String(req.body ?? "") }),
    });
    const page = async () => ({ yards: await shown(), encrypted, root, look });
    const answer = await answerYards(request, ACTS, page);
    res.status(answer.status);
    for (const [name, value] of answer.headers) res.setHeader(name, value);
    res.end(await answer.text());
  } catch (error) {
    next(error);
  }
});
app.use((_req, res) => res.status(404).type("text/plain").send("There is no such page here."));
app.use((error, _req, res, _next) => {
  const status = error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) log.error({ problem: error.message, stack: error.stack }, "broke");
  res.status(status).type("text/plain").send("That did not work.");
});

// One certificate for the machine, made before several processes could each make one.
if (encrypted) await makeCertificates(certificates);
for (const yard of listed()) serve(yard);
// Whoever comes from the network was invited to one of them; all of them are shown to nobody but who sits here.
const page = app.listen(port, "127.0.0.1");
page.once("error", (error) => {
  console.error(`The page of all yards is not shown: ${error.message}`);
  process.exit(1);
});
log.info({ yards: served.size }, "started");
setInterval(letSleep, Math.min(30_000, SLEEP / 3)).unref();

async function leave() {
  page.close();
  page.closeAllConnections();
  await Promise.all([...served.keys()].map(stopServing));
  log.info("stopped");
  log.flush(() => process.exit(0));
}
for (const signal of ["SIGTERM", "SIGINT"]) process.once(signal, leave);
