/**
 * A form that comes once more is answered as it was, and nothing is done again. It is known by the number of the view it was filled in on
 * (once.ts) and by all that stands in it; what it made has that number, so that it is known after the server was started anew as well.
 */
import { AsyncLocalStorage } from "node:async_hooks";
import { redirect } from "react-router";
import { v5 as numberFrom } from "uuid";
import { database, openIdentity } from "../../data/database.ts";
import { factOf } from "../../data/record.ts";
import { asOneForm, type Numbered } from "../../data/sent.ts";
import { ONCE } from "./once.ts";
import { kept } from "./outcome.ts";
import { aside } from "./turns.server.ts";
import { whoIs } from "./who.server.ts";

/** An answer as it can be given again; null: it was refused, and may be tried again. */
type Given = { status: number; headers: [string, string][]; body: ArrayBuffer | null } | null;

type Coming = Numbered & {
  /** hears what it was answered; null of a form without a number */
  answered: ((given: Given) => void) | null;
  /** what it was answered before, where it comes once more */
  again: Given;
};

const coming = new AsyncLocalStorage<Coming>();
const answers = new Map<string, Promise<Given>>();
/** So many answers are held ready, each of so many bytes at most; a form beyond that is known by what it made. */
const HELD = 500;
const LARGEST = 100_000;

/** So long somebody waits for the answer to the first, ms. */
const PATIENCE = 60_000;

/** When a device sent it is no part of what it says. */
const WHEN = new Set(["happenedAt", "sentAt"]);
const NUMBER = /^[\w-]{8,64}$/;
/** Numbers of forms are their own kind (RFC 9562 5.5: any number will do, as long as it is always the same). */
const FORMS = "2b0e7a52-6a0f-4c59-9a53-4f1f5a1f4a0d";

/** Gives the answer to a request: to a form that came before, the one it had. */
export async function onceOnly(request: Request, answer: () => Promise<Response>): Promise<Response> {
  if (request.method !== "POST") return answer();
  const form: Coming = { next: null, answered: null, again: null };
  let given: Given = null;
  try {
    const response = await coming.run(form, () => asOneForm(form, answer));
    if (form.again) return asResponse(form.again);
    if (!form.answered) return response;
    const read = await readable(response, request);
    given = read.given;
    return read.back;
  } finally {
    // Whatever became of it, who waits for it goes on.
    form.answered?.(given);
  }
}

/**
 * Looks at a form before it is carried out, and takes its number off it. One that is on its way just now is waited for.
 * @throws a response that ends the action where it came before
 */
export async function onlyOnce(request: Request, form: FormData): Promise<void> {
  const once = String(form.get(ONCE) ?? "");
  form.delete(ONCE);
  const own = coming.getStore();
  if (!own || own.answered || !NUMBER.test(once)) return;
  const number = numberFrom(
    JSON.stringify([once, whoIs(request)?.device ?? "", ...saidBy(request, form)]),
    FORMS,
  );
  // What one file was told is not known of the one that was put in its place.
  const key = [number, kindOf(request), openIdentity()].join(" ");
  while (answers.has(key)) {
    own.again = await aside(() => inTime(answers.get(key)!));
    if (own.again) throw new Response(null, { status: 409 });
  }
  if (openIdentity() !== null && factOf(database(), number)) throw cameBefore(request, number);
  own.next = number;
  own.answered = answeredOf(key);
}

/** What comes in time. @throws a response where it does not: the form is still being carried out */
async function inTime(given: Promise<Given>): Promise<Given> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    const words = "That is still being carried out: look again in a minute.";
    timer = setTimeout(() => fail(new Response(words, { status: 503 })), PATIENCE);
  });
  try {
    return await Promise.race([given, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** Holds the place of an answer; returns what is to hear it. */
function answeredOf(key: string): (given: Given) => void {
  let said: (given: Given) => void = () => {};
  const given = new Promise<Given>((done) => {
    said = done;
  });
  answers.set(key, given);
  for (const [oldest] of answers) {
    if (answers.size <= HELD) break;
    answers.delete(oldest);
  }
  return (answer) => {
    // What was refused is no answer to it for good.
    if (!answer && answers.get(key) === given) answers.delete(key);
    said(answer);
  };
}

/** Where a form was sent to, without the yard's own address. */
function placeOf({ url }: Request): string {
  const { pathname, search } = new URL(url);
  return pathname + search;
}

/** All a form says; files by their names and sizes. */
function saidBy(request: Request, form: FormData): unknown[] {
  const fields = [...form]
    .filter(([name]) => !WHEN.has(name))
    .map(([name, value]) => [name, typeof value === "string" ? value : [value.name, value.size]]);
  return [placeOf(request), fields];
}

/** Who asks: a browser for a page, a page for its data, or a device for what became of its entry. */
function kindOf(request: Request): "page" | "entry" | "data" {
  const accept = request.headers.get("Accept") ?? "";
  if (accept.includes("text/html")) return "page";
  return accept.includes("application/json") ? "entry" : "data";
}

/** To what was kept before this server was started: what is there now. */
function cameBefore(request: Request, id: string): Response {
  if (kindOf(request) === "entry") return Response.json(kept("Saved before", { id }));
  return redirect(placeOf(request));
}

const asResponse = (given: NonNullable<Given>) =>
  new Response(given.body, { status: given.status, headers: given.headers });

/** An answer in a form it can be given in again, and to be given now. A page is not put together twice: who sent the form again is sent to it. */
async function readable(response: Response, request: Request): Promise<{ given: Given; back: Response }> {
  if (response.status >= 400) return { given: null, back: response };
  if ((response.headers.get("Content-Type") ?? "").includes("text/html"))
    return {
      given: { status: 303, headers: [["Location", placeOf(request)]], body: null },
      back: response,
    };
  const body = response.body ? await response.arrayBuffer() : null;
  const given = { status: response.status, headers: [...response.headers], body };
  return { given: (body?.byteLength ?? 0) > LARGEST ? null : given, back: asResponse(given) };
}
