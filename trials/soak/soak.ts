/**
 * A day of a yard in minutes: phones that go in and out of reception, with clocks of their own, two desks, files that come in, backups, a
 * restore, and a server that is killed. What was answered as kept is to be there once, at the time it happened; memory and files stay flat.
 */
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { freePort } from "../../bench/load/free-port.ts";
import { type Served, serve } from "../../bench/load/served.ts";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import { type Chance, chanceOf } from "../attack/chance.ts";
import { fileSent } from "../attack/forms.ts";
import { type Counted, nothingYet, Phone } from "./phone.ts";
import { filesIn, type Growth, growthOf, type Use, useOf } from "./watch.ts";

export type Soak = { seed: number; seconds: number; phones: number; kills: number };

export type Found = {
  entered: number;
  accepted: number;
  sentAgain: number;
  savedBefore: number;
  pages: number;
  imports: number;
  backups: number;
  restores: number;
  kills: number;
  /** of an entry, ms */
  p50: number;
  p99: number;
  memory: Growth;
  open: Growth;
  /** beside the yard at the end, MB: what is not the yard itself */
  beside: Map<string, number>;
  /** what may not be, in words */
  faults: string[];
};

const wait = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

/** Rigs whose working width is read. */
const RIGS = [4, 6, 8, 9, 11, 15, 17];
/** Clocks that are off: not at all, minutes, hours, days. */
const CLOCKS = [0, 0, 90_000, -3 * 3600_000, 26 * 3600_000, -9 * 24 * 3600_000];

type Yard = {
  path: string;
  folder: string;
  port: number;
  address: string;
  served: Served;
  chance: Chance;
  counted: Counted;
  phones: Phone[];
  found: Found;
  /** everybody holds back: the yard is being replaced */
  held: boolean;
  /** phones that are sending what they have */
  sending: number;
  over: boolean;
};

export async function soak({ seed, seconds, phones, kills }: Soak): Promise<Found> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-soak-"));
  try {
    const yard = await opened(folder, seed, phones);
    const began = performance.now();
    const uses: Use[] = [];
    const watching = setInterval(() => {
      const use = useOf(yard.served.server.pid!, (performance.now() - began) / 1000);
      if (use) uses.push(use);
    }, 1000);
    const works = [
      ...yard.phones.map((phone) => phoneAtWork(yard, phone)),
      deskAtWork(yard, ["/", "/rigs/8/tool", "/season", "/machines", "/log"]),
      deskAtWork(yard, ["/", "/fields", "/rigs/4/hook-up", "/tape-list", "/files"]),
      importer(yard),
      backups(yard),
    ];
    // The first half has what is rough, the second shows that nothing grows.
    for (let kill = 1; kill <= kills; kill += 1) {
      await until(began, (seconds / 2) * (kill / (kills + 1)));
      await killed(yard);
    }
    await until(began, seconds / 2);
    await restored(yard);
    const settled = (performance.now() - began) / 1000 + Math.min(30, seconds / 10);
    await until(began, seconds);
    yard.over = true;
    await Promise.all(works);
    clearInterval(watching);
    for (const phone of yard.phones) phone.inReach = true;
    for (let left = 60; left > 0 && yard.phones.some(({ waiting }) => waiting.length > 0); left -= 1) {
      await Promise.all(yard.phones.map((phone) => phone.send()));
      await wait(100);
    }
    await yard.served.stop();
    const late = uses.filter(({ at }) => at >= settled);
    judge(yard, late, seconds);
    return yard.found;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function opened(folder: string, seed: number, count: number): Promise<Yard> {
  const path = join(folder, "yard", "yard.db");
  for (const each of ["yard", "tmp"]) mkdirSync(join(folder, each));
  const db = openDatabase(path);
  plantDemoYard(db);
  db.$client.close();
  const port = await freePort();
  const served = await started(path, folder, port);
  const chance = chanceOf(seed);
  const counted = nothingYet();
  return {
    path,
    folder,
    port,
    address: served.address,
    served,
    chance,
    counted,
    phones: Array.from(
      { length: count },
      (_, at) =>
        new Phone(
          `Phone ${at + 1}`,
          served.address,
          RIGS,
          CLOCKS[at % CLOCKS.length]!,
          chanceOf(seed + at + 1),
          counted,
        ),
    ),
    found: {
      ...{ entered: 0, accepted: 0, sentAgain: 0, savedBefore: 0, pages: 0, imports: 0, backups: 0 },
      ...{
        restores: 0,
        kills: 0,
        p50: 0,
        p99: 0,
        memory: { first: 0, last: 0 },
        open: { first: 0, last: 0 },
      },
      beside: new Map(),
      faults: [],
    },
    held: false,
    sending: 0,
    over: false,
  };
}

/** A thread lets its heap grow as far as it may before it clears up: on a large machine for hours. Held to this, growth is growth, MB. */
const HEAP = 256;

/** Its temporary files lie in a folder of their own, so that what is left there is seen. */
const started = (path: string, folder: string, port: number) =>
  serve(
    path,
    "/",
    {
      TMPDIR: join(folder, "tmp"),
      AMBREK_BACKUPS: "off",
      NODE_OPTIONS: `--max-old-space-size=${HEAP}`,
    },
    port,
  );

async function until(began: number, seconds: number): Promise<void> {
  await wait(Math.max(0, began + seconds * 1000 - performance.now()));
}

/** A phone enters something every two seconds or so: with twelve of them ten minutes have what a day of forty machines has, some 3 000. */
const PAUSE = 1000;

/** In reach and out of it; an entry every now and then either way. */
async function phoneAtWork(yard: Yard, phone: Phone): Promise<void> {
  const { chance } = yard;
  while (!yard.over) {
    phone.enter();
    if (chance.oneIn(15)) phone.inReach = !phone.inReach;
    if (!yard.held) {
      yard.sending += 1;
      await phone.send().finally(() => {
        yard.sending -= 1;
      });
    }
    await wait(PAUSE + chance.below(2 * PAUSE));
  }
}

/** A file the yard gives. @throws where it broke off */
async function fileOf(url: string): Promise<Uint8Array> {
  const answer = await fetch(url, { signal: AbortSignal.timeout(60_000) });
  return new Uint8Array(await answer.arrayBuffer());
}

/** Reads a page to its end; returns its status. @throws where it broke off */
async function pageOf(url: string): Promise<number> {
  const answer = await fetch(url, { signal: AbortSignal.timeout(30_000) });
  await answer.arrayBuffer();
  return answer.status;
}

/** Reads pages, one after the other. */
async function deskAtWork(yard: Yard, pages: readonly string[]): Promise<void> {
  const { chance } = yard;
  while (!yard.over) {
    if (!yard.held) {
      const path = chance.of(pages);
      // Killed meanwhile, before the answer or in the middle of it.
      const status = await pageOf(yard.address + path).catch(() => 0);
      if (status === 200) yard.found.pages += 1;
      else if (status >= 500 && status !== 503) yard.found.faults.push(`${path} answered ${status}`);
    }
    await wait(50 + chance.below(250));
  }
}

const postFile = (yard: Yard, path: string, fields: [string, string][], field: string, bytes: Uint8Array) => {
  const { body, headers } = fileSent(path, fields, { field, name: "sent", bytes }, yard.address);
  return fetch(yard.address + path, {
    method: "POST",
    redirect: "manual",
    headers,
    body: body as BodyInit,
    signal: AbortSignal.timeout(60_000),
  });
};

/** Brings the yard's own task file in again and again, and looks at it. */
async function importer(yard: Yard): Promise<void> {
  let file: Uint8Array | null = null;
  while (!yard.over) {
    if (!yard.held)
      try {
        file ??= await fileOf(`${yard.address}/rigs/4/taskdata.zip`);
        const answer = await postFile(yard, "/files", [["intent", "import"]], "taskdata", file);
        if (answer.status === 302) yard.found.imports += 1;
        else if (answer.status >= 500 && answer.status !== 503)
          yard.found.faults.push(`an import answered ${answer.status}`);
      } catch {
        // Killed meanwhile.
      }
    await wait(1500);
  }
}

/** Takes the whole yard away, and looks whether it is one. */
async function backups(yard: Yard): Promise<void> {
  while (!yard.over) {
    await wait(3000);
    if (!yard.held) await backup(yard);
  }
}

async function backup(yard: Yard): Promise<Uint8Array | null> {
  const path = join(yard.folder, "taken.db");
  try {
    const answer = await fetch(`${yard.address}/backup.db`, { signal: AbortSignal.timeout(60_000) });
    if (!answer.ok) return null;
    const bytes = new Uint8Array(await answer.arrayBuffer());
    writeFileSync(path, bytes);
  } catch {
    return null;
  }
  const file = new SqliteFile(path, { readonly: true });
  const sound = file.pragma("integrity_check", { simple: true });
  file.close();
  if (sound === "ok") yard.found.backups += 1;
  else yard.found.faults.push(`a backup is damaged: ${sound}`);
  return readFileSync(path);
}

/** As if the machine lost its power, and somebody starts it again. */
async function killed(yard: Yard): Promise<void> {
  await yard.served.stop("SIGKILL");
  yard.found.kills += 1;
  await wait(300);
  yard.served = await started(yard.path, yard.folder, yard.port);
}

/** Everybody holds back, a backup is taken and put in the yard's place: what was entered before is in it. */
async function restored(yard: Yard): Promise<void> {
  yard.held = true;
  // Who came into reception before that sends all it has, which takes a loaded server long; and what was hung up on is still carried out.
  while (yard.sending > 0) await wait(20);
  await wait(2500);
  const bytes = await backup(yard);
  if (!bytes) yard.found.faults.push("no backup to restore");
  else {
    const answer = await postFile(
      yard,
      "/files",
      [
        ["intent", "restore"],
        ["sure", "yes"],
      ],
      "backup",
      bytes,
    );
    if (answer.status === 200) yard.found.restores += 1;
    else
      yard.found.faults.push(`the restore answered ${answer.status}: ${(await answer.text()).slice(0, 200)}`);
  }
  yard.held = false;
}

/** So much more at the end than at the beginning is growth; MB, files. */
const MORE_MEMORY = 60;
const MORE_OPEN = 8;
/** What waits to be written into the yard's file comes to no more, MB. */
const LARGEST_WAL = 40;
/** Set right, a time is right to this, ms. */
const TIME_OFF = 5_000;

function judge(yard: Yard, late: readonly Use[], seconds: number): void {
  const { found, counted } = yard;
  const times = [...counted.times].sort((a, b) => a - b);
  found.entered = counted.entered;
  found.accepted = counted.accepted.size;
  found.sentAgain = counted.sentAgain;
  found.savedBefore = counted.savedBefore;
  found.p50 = times[Math.floor(times.length / 2)] ?? 0;
  found.p99 = times[Math.floor(times.length * 0.99)] ?? 0;
  found.memory = growthOf(late, ({ memory }) => memory);
  found.open = growthOf(late, ({ open }) => open);
  for (const each of counted.refused) found.faults.push(`refused: ${each}`);
  for (const { name, waiting } of yard.phones)
    if (waiting.length > 0) found.faults.push(`${waiting.length} still wait on ${name}`);
  inTheYard(yard);
  const { memory, open } = found;
  // In a short trial the threads still warm up: there it is held to the bound alone.
  if (seconds >= 300 && memory.last > memory.first + MORE_MEMORY)
    found.faults.push(`memory grew from ${memory.first.toFixed(0)} to ${memory.last.toFixed(0)} MB`);
  if (open.last > open.first + MORE_OPEN)
    found.faults.push(`open files grew from ${open.first} to ${open.last}`);
  for (const name of readdirSync(join(yard.folder, "tmp"))) found.faults.push(`left behind: ${name}`);
  for (const [name, size] of filesIn(join(yard.folder, "yard"))) {
    if (name === "yard.db") continue;
    found.beside.set(name, size);
    if (name.endsWith(".part")) found.faults.push(`left behind: ${name}`);
    if (name.endsWith("-wal") && size > LARGEST_WAL)
      found.faults.push(`${name} came to ${size.toFixed(0)} MB`);
  }
}

/** What was answered as kept is there once, and happened when it happened; nothing else of the phones' is. */
function inTheYard({ path, counted, found }: Yard): void {
  const file = new SqliteFile(path, { readonly: true });
  const rows = file
    .prepare(
      "select f.id, f.happened, r.note, r.raw_text as text from fact f join reading r on r.seq = f.seq where f.named like 'Phone %'",
    )
    .all() as { id: string; happened: string; note: string; text: string }[];
  if (file.pragma("integrity_check", { simple: true }) !== "ok") found.faults.push("the yard is damaged");
  file.close();
  const [byId, byNote] = [new Map(rows.map((row) => [row.id, row])), new Map<string, number>()];
  for (const { note } of rows) byNote.set(note, (byNote.get(note) ?? 0) + 1);
  let [lost, doubled, untimely, other] = [0, 0, 0, 0];
  for (const { id, marker, happened, text } of counted.accepted.values()) {
    const row = byId.get(id);
    if (!row) lost += 1;
    else {
      if (Math.abs(Date.parse(row.happened) - happened) > TIME_OFF) untimely += 1;
      if (!row.text.startsWith(text)) other += 1;
    }
    if ((byNote.get(marker) ?? 0) > 1) doubled += 1;
  }
  if (lost > 0) found.faults.push(`${lost} entries were accepted and are lost`);
  if (doubled > 0) found.faults.push(`${doubled} entries stand there twice`);
  if (untimely > 0) found.faults.push(`${untimely} entries stand at another time than they happened`);
  if (other > 0) found.faults.push(`${other} entries say something else`);
  if (rows.length > counted.accepted.size)
    found.faults.push(`${rows.length - counted.accepted.size} entries nobody was told of`);
}
