/// <reference lib="webworker" />
/**
 * Works where the server does not answer: pages of the rigs in use as they were taken along, files as they were built. It writes
 * nothing and queues nothing; entries wait in the page's own queue.
 */
import { encode } from "turbo-stream";
import { clientsClaim } from "workbox-core";
import { cleanupOutdatedCaches, precacheAndRoute } from "workbox-precaching";
import { escaped } from "../ui/markup.ts";
import { type AboardList, keyOf, LIST, PAGES, type WorkerSays } from "./aboard.ts";
import { NO_CONNECTION } from "./words.ts";

declare const self: ServiceWorkerGlobalScope & { __WB_MANIFEST: { url: string; revision: string | null }[] };

/** A line that says nothing for so long counts as none, where the page is aboard; milliseconds. */
const PATIENCE = 6000;

cleanupOutdatedCaches();
precacheAndRoute(self.__WB_MANIFEST);
self.skipWaiting();
clientsClaim();
// Pages of another build ask for files that are gone.
self.addEventListener("activate", (event) => event.waitUntil(caches.delete(PAGES)));

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { origin, pathname } = new URL(request.url);
  if (origin !== self.location.origin) return;
  const isData = pathname.endsWith(".data");
  if (request.method === "GET" && (request.mode === "navigate" || isData)) event.respondWith(paged(event));
  else if (request.method === "POST" && isData) event.respondWith(acted(event));
});

/** From the server, and where it does not answer, as it was taken along. What is aboard is renewed by what comes. */
async function paged(event: FetchEvent): Promise<Response> {
  const { request } = event;
  const pages = await caches.open(PAGES);
  const key = keyOf(request.url);
  const kept = await pages.match(key);
  const asked = fetch(request).then((answer) => {
    if (kept && answer.ok && !answer.redirected) event.waitUntil(pages.put(key, answer.clone()));
    return answer;
  });
  if (!kept) return asked.catch(() => (request.mode === "navigate" ? notAboard() : Response.error()));
  asked.catch(() => {});
  const answer = await Promise.race([asked.catch(() => null), after(PATIENCE)]);
  if (answer) return answer;
  await tell(event, { said: "from-aboard" });
  return kept;
}

const after = (time: number) => new Promise<null>((done) => setTimeout(() => done(null), time));

/** Sends what a form asks; where nobody answers, the form is told so as it would be told of a wrong field, and keeps what was typed. */
async function acted(event: FetchEvent): Promise<Response> {
  try {
    return await fetch(event.request);
  } catch {
    await tell(event, { said: "not-sent" });
    const refused = { ok: false, errors: { form: NO_CONNECTION }, asksReason: false };
    return new Response(encode({ data: refused }), {
      status: 422,
      headers: { "Content-Type": "text/x-script", "X-Remix-Response": "yes" },
    });
  }
}

async function tell({ clientId }: FetchEvent, says: WorkerSays): Promise<void> {
  (await self.clients.get(clientId))?.postMessage(says);
}

/** A page that was not taken along: what was, to go on with. */
async function notAboard(): Promise<Response> {
  const list = (await (await caches.open(PAGES)).match(LIST))?.json() as Promise<AboardList> | undefined;
  const rigs = (await list)?.rigs ?? [];
  const ways = [["/", "The yard"], ...rigs.map(({ id, name }) => [`/rigs/${id}/hook-up`, name])];
  return new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Ambrek</title>
<style>body{margin:0 auto;max-width:36rem;padding:1rem 1.25rem;background:#f6f3ea;color:#1f1b16;font:18px/1.5 system-ui,sans-serif}a{display:block;margin:.5rem 0;padding:.7rem 1rem;border:2px solid;color:inherit;font-weight:600;text-decoration:none}</style>
<h1>No connection</h1><p>This page was not taken along on this device. Aboard are:</p>
${ways.map(([href, name]) => `<a href="${href}">${escaped(name!)}</a>`).join("")}
<p>What was entered before waits on this device, and is sent when the connection is back.</p></html>`,
    { status: 503, headers: { "Content-Type": "text/html; charset=utf-8" } },
  );
}
