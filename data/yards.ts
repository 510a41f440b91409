/** Several yards of one server: a folder each, known by a name and met at a port of its own, so that a browser keeps nothing of two of them together. */
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { YardProblem } from "./keeping.ts";

/** A yard in the list. `begun`: its file has been there, and where it is not any more nothing is begun in its place. */
export type ListedYard = { name: string; folder: string; port: number; begun: boolean };

const LIST = "yards.json";
const FILE = "yard.db";
/** As it is written: no sign that stands for nothing one sees. */
const NAME = /^[^\p{C}]{1,60}$/u;
const FOLDER = /^[a-z0-9][a-z0-9-]{0,39}$/;
/** What lies beside the yards' folders. */
const RESERVED = new Set(["log", "network"]);
const LAST_PORT = 65_535;

/** Where a yard's file lies. */
export const fileOf = (root: string, folder: string): string => join(root, folder, FILE);

export const hasFile = (root: string, folder: string): boolean => existsSync(fileOf(root, folder));

const isPort = (port: unknown): port is number =>
  Number.isInteger(port) && Number(port) > 0 && Number(port) <= LAST_PORT;

function isListed(each: unknown): each is ListedYard {
  const { name, folder, port, begun } = (each ?? {}) as Record<string, unknown>;
  return (
    typeof name === "string" &&
    NAME.test(name) &&
    typeof folder === "string" &&
    FOLDER.test(folder) &&
    isPort(port) &&
    typeof begun === "boolean"
  );
}

const doubled = (all: readonly unknown[]) => new Set(all).size < all.length;

/** @throws YardProblem where the list is there and cannot be made out: another in its place could lead one yard's phones to another yard */
function listIn(root: string): ListedYard[] {
  const path = join(root, LIST);
  if (!existsSync(path)) return [];
  let told: unknown;
  try {
    told = JSON.parse(readFileSync(path, "utf8"));
  } catch {
    told = null;
  }
  const yards = (told as { yards?: unknown } | null)?.yards;
  if (!Array.isArray(yards) || !yards.every(isListed))
    throw new YardProblem(`The list of yards, ${path}, cannot be read: put it right, or start without it.`);
  if (doubled(yards.map(({ port }) => port)) || doubled(yards.map(({ folder }) => folder)))
    throw new YardProblem(`The list of yards, ${path}, has a port or a folder twice: put it right first.`);
  return yards;
}

/** Written aside and put in its place: the list is whole, whenever the machine stops. */
function keep(root: string, yards: readonly ListedYard[]): void {
  const path = join(root, LIST);
  writeFileSync(`${path}.part`, `${JSON.stringify({ yards }, null, 2)}\n`);
  renameSync(`${path}.part`, path);
}

function freePort(yards: readonly ListedYard[], firstPort: number): number {
  const taken = new Set(yards.map(({ port }) => port));
  let port = firstPort;
  while (taken.has(port)) port += 1;
  if (port > LAST_PORT) throw new YardProblem("There is no port left for another yard.");
  return port;
}

/**
 * The yards in a folder, as they are listed; a folder with a yard's file that is not listed yet is taken up under its own name. `firstPort`:
 * from which on a new one gets its port.
 * @throws YardProblem where the list cannot be read
 */
export function yardsIn(root: string, firstPort: number): ListedYard[] {
  mkdirSync(root, { recursive: true });
  const yards = listIn(root);
  const known = new Set(yards.map(({ folder }) => folder));
  const found = readdirSync(root, { withFileTypes: true })
    .filter((each) => each.isDirectory() && FOLDER.test(each.name) && !known.has(each.name))
    .map(({ name }) => name)
    .filter((folder) => hasFile(root, folder))
    .sort();
  for (const folder of found)
    yards.push({ name: freeName(yards, folder), folder, port: freePort(yards, firstPort), begun: true });
  if (found.length > 0) keep(root, yards);
  return yards;
}

const alike = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

function freeName(yards: readonly ListedYard[], wanted: string): string {
  const taken = (name: string) => yards.some((each) => alike(each.name, name));
  let name = wanted;
  for (let count = 2; taken(name); count += 1) name = `${wanted} ${count}`;
  return name;
}

/** @throws YardProblem where it is no name, or another yard's */
function named(yards: readonly ListedYard[], text: string, besides = ""): string {
  const name = text.trim().replace(/\s+/g, " ");
  if (!NAME.test(name))
    throw new YardProblem("Say a name of up to 60 letters: it stands on every page of this yard.");
  if (yards.some((each) => each.folder !== besides && alike(each.name, name)))
    throw new YardProblem(`There is a yard called ${name} already.`);
  return name;
}

/** A name as a folder: "Höfe am Bach" → "hofe-am-bach". */
function folderFor(root: string, yards: readonly ListedYard[], name: string): string {
  const plain = name
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .slice(0, 36)
    .replace(/^-+|-+$/g, "");
  const base = plain || "yard";
  const taken = (folder: string) =>
    RESERVED.has(folder) || yards.some((each) => each.folder === folder) || existsSync(join(root, folder));
  let folder = base;
  for (let count = 2; taken(folder); count += 1) folder = `${base}-${count}`;
  return folder;
}

/** Lists a new yard; its file comes with its first start. @throws YardProblem where the name is none, or taken */
export function beginYard(root: string, firstPort: number, text: string): ListedYard {
  const yards = yardsIn(root, firstPort);
  const name = named(yards, text);
  const yard = { name, folder: folderFor(root, yards, name), port: freePort(yards, firstPort), begun: false };
  mkdirSync(join(root, yard.folder), { recursive: true });
  keep(root, [...yards, yard]);
  return yard;
}

function change(
  root: string,
  folder: string,
  of: (yard: ListedYard, all: ListedYard[]) => ListedYard | null,
): void {
  const all = listIn(root);
  const yard = all.find((each) => each.folder === folder);
  if (!yard) throw new YardProblem("There is no such yard.");
  const changed = of(yard, all);
  keep(
    root,
    all.flatMap((each) => (each !== yard ? [each] : changed ? [changed] : [])),
  );
}

/** @throws YardProblem where there is no such yard, or the name is none, or taken */
export function renameYard(root: string, folder: string, text: string): void {
  change(root, folder, (yard, all) => ({ ...yard, name: named(all, text, folder) }));
}

/** Notes that a yard's file is there: it is never begun anew in silence from then on. */
export function markBegun(root: string, folder: string): void {
  change(root, folder, (yard) => ({ ...yard, begun: true }));
}

/** Takes a yard off the list whose file is somewhere else by now. @throws YardProblem where its file is there */
export function forgetYard(root: string, folder: string): void {
  if (hasFile(root, folder))
    throw new YardProblem("Its file is there. Move its folder away first: nothing is deleted from here.");
  change(root, folder, () => null);
}

/** Why a yard is not served; null where it may be. */
export function missing(root: string, { folder, begun }: ListedYard): string | null {
  return begun && !hasFile(root, folder)
    ? `Its file, ${fileOf(root, folder)}, is not there. Put it back: no new yard is begun in its place.`
    : null;
}
