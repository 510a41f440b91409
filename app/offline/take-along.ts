/** Takes the pages of the rigs in use along, one after the other, and again what was written about since. */
import { type AboardList, type AboardRig, dataOf, keyOf, LIST, PAGES } from "./aboard.ts";

/** What this device has, beside the pages themselves. */
export type Taken = {
  version: string;
  /** how far the record of each rig had grown when its pages came, and when that was */
  rigs: Record<number, { name: string; mark: number; at: string }>;
  left: number;
};

const KEPT = "ambrek-aboard";
export const TAKEN = "ambrek-taken";
/** A page of yesterday says what was due yesterday. */
const STALE_AFTER = 12 * 3600 * 1000;

/** Over an encrypted line a device takes its rigs along; on the machine itself there is nothing to take them along from. */
export const takesAlong = () => window.location.protocol === "https:" && "serviceWorker" in navigator;

export function taken(): Taken | null {
  const kept = window.localStorage.getItem(KEPT);
  return kept === null ? null : (JSON.parse(kept) as Taken);
}

function keep(now: Taken): void {
  window.localStorage.setItem(KEPT, JSON.stringify(now));
  window.dispatchEvent(new Event(TAKEN));
}

/** Forgets all of it: the pages, and that there were any. */
export async function leaveBehind(): Promise<void> {
  await caches.delete(PAGES);
  window.localStorage.removeItem(KEPT);
  window.dispatchEvent(new Event(TAKEN));
}

let busy = false;

/** Looks what is new, and takes it. Nothing happens where nobody answers, or while it is being done. */
export async function takeAlong(): Promise<void> {
  if (busy) return;
  busy = true;
  try {
    await take();
  } catch {
    // Cut off on the way: what came is aboard, the rest is taken the next time.
  } finally {
    busy = false;
  }
}

async function take(): Promise<void> {
  const pages = await caches.open(PAGES);
  // The browser may throw pages away where it runs out of room: all of them, then.
  const before = (await pages.match(LIST)) ? taken() : null;
  const marks = Object.entries(before?.rigs ?? {}).map(([id, { mark }]) => `${id}.${mark}`);
  const answer = await fetch(`${LIST}?marks=${marks.join(",")}`, { headers: { Accept: "application/json" } });
  if (!answer.ok) return;
  const list = (await answer.clone().json()) as AboardList;
  const same = before?.version === list.version ? before.rigs : {};
  const rigs: Taken["rigs"] = {};
  const stale: AboardRig[] = [];
  for (const rig of list.rigs) {
    const known = same[rig.id];
    if (known && rig.fresh && Date.now() - Date.parse(known.at) < STALE_AFTER) rigs[rig.id] = known;
    else stale.push(rig);
  }
  await dropOthers(pages, list);
  // Before the pages: cut off on the way, the next time goes on with what is still to come.
  await pages.put(LIST, answer);
  if (stale.length > 0) for (const page of list.pages) await fetchInto(pages, page);
  keep({ version: list.version, rigs, left: list.left });
  for (const { id, name, mark, pages: own } of stale) {
    const at = new Date().toISOString();
    for (const page of own) await fetchInto(pages, page);
    rigs[id] = { name, mark, at };
    keep({ version: list.version, rigs, left: list.left });
  }
}

/** A page and its data; one the server cannot give is left out. @throws where nobody answers, or the session is over */
async function fetchInto(pages: Cache, page: string): Promise<void> {
  for (const address of [page, dataOf(page)]) {
    const answer = await fetch(address);
    // A session that has ended leads every page to where it is begun: nothing of that is worth taking along.
    if (new URL(answer.url).pathname === "/enter") throw new Error("The session has ended.");
    if (!answer.ok) continue;
    // A page that sends on somewhere else does so out of reach as well.
    await pages.put(keyOf(address), answer.redirected ? Response.redirect(answer.url) : answer);
  }
}

/** Rigs that are no longer in use go. */
async function dropOthers(pages: Cache, { rigs, pages: own }: AboardList): Promise<void> {
  const wanted = new Set(
    [...own, ...rigs.flatMap((rig) => rig.pages)].flatMap((page) => [page, dataOf(page)]).map(keyOf),
  );
  for (const { url } of await pages.keys())
    if (!wanted.has(keyOf(url)) && keyOf(url) !== LIST) await pages.delete(keyOf(url));
}
