/**
 * The attack: every address and every form with malformed requests, every format with damaged files, and lines that are no requests, on a
 * built server with a demo yard of its own. Nothing may end it, no answer may be a fault of the server's, and what is refused may change
 * no row.
 */
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Worker } from "node:worker_threads";
import { type Served, serve } from "../../bench/load/served.ts";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import { builtRoutes, crawled, ofEachKind } from "./addresses.ts";
import { type Answer, Attacked, type Fault, type Tally } from "./attacked.ts";
import { type Chance, chanceOf } from "./chance.ts";
import { FORMATS, type Format } from "./files.ts";
import { asSent, type Form, fileSent, knownForms, malformed, malformedAddress, type Sent } from "./forms.ts";
import { sendLine } from "./lines.ts";

export type Plan = {
  seed: number;
  /** malformed requests of each route that takes forms */
  forms: number;
  /** of each route that is read */
  addresses: number;
  /** damaged files of each format */
  files: number;
  /** lines that are no requests */
  lines: number;
  /** of forms and files only what has this in its name */
  only?: string;
};

export type Row = Tally & { what: string };

/** Told as it goes on. */
type Told = (row: Row) => void;

export type Outcome = {
  rows: Row[];
  faults: Fault[];
  /** routes an address was found of */
  reached: number;
  /** the yard page meanwhile, ms */
  meanwhile: { asked: number; p50: number; p99: number; most: number };
  /** routes that take forms of which no form is known */
  unknown: string[];
};

const tally = (): Tally => ({ sent: 0, kept: 0, refused: 0, longest: 0 });

export async function attack(plan: Plan, told: Told = () => {}): Promise<Outcome> {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-attack-"));
  const path = join(folder, "yard.db");
  const db = openDatabase(path);
  plantDemoYard(db);
  db.$client.close();
  const served = await serve(path, "/", { AMBREK_BACKUPS: "off", AMBREK_LOG: "off" });
  const attacked = new Attacked(served, path);
  try {
    const whole = await wholeYard(served.address);
    return await attackedAs(plan, told, { served, attacked, folder, path, whole });
  } finally {
    attacked.close();
    await served.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

type At = {
  served: Served;
  attacked: Attacked;
  folder: string;
  path: string;
  /** the yard that is put back where one of the requests put another in its place */
  whole: Uint8Array;
};

/** Sends a request; where it put another yard in the place, the whole one is put back: on an empty yard nothing would be attacked. */
async function send(at: At, sent: Sent, counted: Tally): Promise<Answer | null> {
  const answer = await at.attacked.send(sent, counted);
  if (at.attacked.isReplaced()) await putBack(at);
  return answer;
}

async function putBack({ attacked, served, folder, path, whole }: At): Promise<void> {
  attacked.again();
  const fields = [
    ["intent", "restore"],
    ["sure", "yes"],
  ] as const;
  const file = { field: "backup", name: "yard.db", bytes: whole };
  const answer = await attacked.send(fileSent("/files", fields, file, served.address), tally());
  if (answer?.status !== 200) throw new Error("The yard could not be put back.");
  attacked.again();
  // What stood before is in the way of the disk only.
  for (const name of readdirSync(folder))
    if (join(folder, name).startsWith(`${path}.before-`)) rmSync(join(folder, name));
}

const wholeYard = async (address: string) =>
  new Uint8Array(await (await fetch(`${address}/backup.db`)).arrayBuffer());

async function attackedAs(plan: Plan, told: Told, at: At): Promise<Outcome> {
  const chance = chanceOf(plan.seed);
  const routes = await builtRoutes();
  // As they were sent once: some of what else there is comes of it.
  for (const form of knownForms())
    if (form.file === null) await send(at, asSent(form, at.served.address), tally());
  at.whole = await wholeYard(at.served.address);
  const { found, forms: standing } = await crawled(at.served.address, routes);
  const forms = ofEachKind([...knownForms(), ...standing], routes);
  const samples = await samplesOf(at.served.address);
  const meanwhile = watched(at.served.address);
  const rows: Row[] = [];
  const take = async (what: string, work: (tally: Tally) => Promise<void>) => {
    const counted = tally();
    await work(counted);
    const row = { what, ...counted };
    rows.push(row);
    told(row);
  };
  const by = new Map<string, Form[]>();
  for (const form of forms) {
    const route = routes.routeOf(form.path);
    if (route) by.set(route, [...(by.get(route) ?? []), form]);
  }
  const { only = "" } = plan;
  for (const route of routes.actions.filter((each) => each.includes(only)))
    await take(route, async (counted) => {
      const own = by.get(route) ?? [];
      for (let left = own.length > 0 ? plan.forms : 0; left > 0; left -= 1)
        await send(at, malformed(chance.of(own), forms, chance, at.served.address), counted);
    });
  if (only === "")
    await take("addresses", async (counted) => {
      for (const route of routes.all) {
        const own = found.get(route) ?? [];
        for (let left = own.length > 0 ? plan.addresses : 0; left > 0; left -= 1)
          await send(at, malformedAddress(chance.of(own), chance), counted);
      }
    });
  for (const format of FORMATS.filter(({ name }) => `file: ${name}`.includes(only)))
    await take(`file: ${format.name}`, (counted) =>
      files(format, { plan, at, chance, forms, samples, counted }),
    );
  await take("lines", async (counted) => {
    for (let left = plan.lines; left > 0; left -= 1) {
      const { line, came } = await sendLine(at.served.address, chance);
      counted.sent += 1;
      if (/^HTTP\/1.1 5/.test(came) && !came.startsWith("HTTP/1.1 505"))
        at.attacked.faults.push({
          what: came.slice(0, 60),
          sent: { method: "", path: "a line" },
          body: line,
        });
    }
  });
  // Had the yard been emptied on the way, all that came after was sent to nothing.
  const rig = await fetch(`${at.served.address}/rigs/4/tool`);
  if (rig.status !== 200) throw new Error("The yard that was attacked is not the one it was.");
  return {
    rows,
    faults: at.attacked.faults,
    reached: found.size,
    meanwhile: await meanwhile(),
    unknown: routes.actions.filter((route) => !by.has(route)),
  };
}

type Files = {
  plan: Plan;
  at: At;
  chance: Chance;
  forms: readonly Form[];
  samples: Map<string, Uint8Array>;
  counted: Tally;
};

async function files(format: Format, { plan, at, chance, forms, samples, counted }: Files): Promise<void> {
  const takers = forms.filter(({ path, file }) => file !== null && format.taken(path, file));
  if (takers.length === 0) throw new Error(`No form is known that takes ${format.name}.`);
  const whole = format.made ? [format.made()] : format.samples.map((each) => samples.get(each)!);
  for (let left = plan.files; left > 0; left -= 1) {
    const { path, fields, file } = chance.of(takers);
    let bytes = chance.of(whole);
    for (let times = 1 + chance.below(2); times > 0; times -= 1) bytes = damaged(bytes, format, chance);
    const sent = { field: file!, name: "sent.bin", bytes };
    const answer = await send(at, fileSent(path, fields, sent, at.served.address), counted);
    // What was taken is looked at: the page of it may not be the trouble either.
    const on = answer?.status === 302 ? answer.location : null;
    if (on?.startsWith("/"))
      await send(at, { method: "GET", path: on, headers: { accept: "text/html" }, body: null }, counted);
  }
}

/** Damage twice over may meet what is no file of its kind any more. */
function damaged(bytes: Uint8Array, { damage }: Format, chance: Chance): Uint8Array {
  try {
    return chance.of(damage)(bytes, chance);
  } catch {
    return bytes;
  }
}

async function samplesOf(address: string): Promise<Map<string, Uint8Array>> {
  const wanted = new Set(FORMATS.flatMap(({ samples }) => samples));
  const found = new Map<string, Uint8Array>();
  for (const path of wanted) {
    const answer = await fetch(address + path);
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}.`);
    found.set(path, new Uint8Array(await answer.arrayBuffer()));
  }
  return found;
}

/** Begins to watch the yard page; returns what ends it. */
function watched(address: string): () => Promise<Outcome["meanwhile"]> {
  const worker = new Worker(new URL("./meanwhile.mjs", import.meta.url), { workerData: `${address}/` });
  return () =>
    new Promise((done, failed) => {
      worker.once("message", done);
      worker.once("error", failed);
      worker.postMessage("enough");
    });
}
