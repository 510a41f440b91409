/**
 * Entries that could not be sent: kept in the browser's own database until the connection is back, and sent once, since
 * each carries an id of its own.
 */
import { createStore, del, entries, set } from "idb-keyval";
import type { Outcome } from "../session/outcome.ts";

/** A field as its form had it: what it is called, and for a choice what there is to choose from. */
export type Asked = { label: string; choices: [value: string, words: string][] | null };

export type Waiting = {
  id: string;
  action: string;
  fields: [string, string | Blob][];
  /** how the form asked for each field, by its name */
  asked: Record<string, Asked>;
  /** "F 5.064": what waits, in the operator's words */
  label: string;
  /** in which order they were entered on this device */
  sequence: number;
  /** why the server refused it, once it could be asked */
  refused: string | null;
  /** what the server said of single fields, by name: they can be mended where they wait */
  wrong: Record<string, string>;
  /** how often the server broke on it */
  broke: number;
};

/** This device is not in any more: nothing is taken before somebody comes in on it. */
export class NotIn extends Error {}

const CHANGED = "ambrek-waiting";
const store = () => createStore("ambrek", "waiting");

/** What entries of an older build do not have. */
type Later = "sequence" | "broke" | "asked" | "wrong";

/** What waits, in the order it was entered. */
export async function waiting(): Promise<Waiting[]> {
  const kept = (await entries<string, Partial<Waiting> & Omit<Waiting, Later>>(store())).map(
    // Entries of an older build have no order of their own: they come first.
    ([, entry]): Waiting => ({ sequence: 0, broke: 0, asked: {}, wrong: {}, ...entry }),
  );
  return kept.sort((a, b) => a.sequence - b.sequence);
}

export function onWaitingChanged(listen: () => void): () => void {
  window.addEventListener(CHANGED, listen);
  return () => window.removeEventListener(CHANGED, listen);
}

async function put(entry: Waiting): Promise<void> {
  await set(entry.id, entry, store());
  window.dispatchEvent(new Event(CHANGED));
}

export async function discard(id: string): Promise<void> {
  await del(id, store());
  window.dispatchEvent(new Event(CHANGED));
}

/** A server that is there, and broke. */
class Broke extends Error {}

const REFUSED: Record<number, string> = {
  403: "The server refused it: it did not come from Ambrek's own pages. Load this page again.",
  404: "The server knows no such rig any more.",
  413: "It is too large for the server.",
};

/** Sends a form with the device's clock beside it. @throws TypeError where nobody answers who is Ambrek */
async function post(action: string, form: FormData): Promise<Outcome> {
  form.set("sentAt", new Date().toISOString());
  const answer = await fetch(action, { method: "POST", body: form, headers: { Accept: "application/json" } });
  const { status } = answer;
  if (status === 401) throw new NotIn();
  if (status >= 500) throw new Broke(`${status}`);
  if ((answer.headers.get("Content-Type") ?? "").includes("json")) return (await answer.json()) as Outcome;
  if (status >= 400)
    return {
      ok: false,
      errors: { form: REFUSED[status] ?? `The server refused it (${status}).` },
      asksReason: false,
    };
  // Something else answers in its place, such as the page of a network that wants a password.
  throw new TypeError(`no answer: ${status}`);
}

/** A browser that keeps nothing, such as one in private mode: the text stays in the field. */
const NOT_KEPT: Outcome = {
  ok: false,
  errors: { text: "No connection, and this browser keeps nothing. Leave it here and try again." },
  asksReason: false,
};

export type Sent = { sent: true; outcome: Outcome } | { sent: false };

/** How a form asks for its fields: to ask again where the server refuses what waited. */
export function askedIn(form: HTMLFormElement): Record<string, Asked> {
  return Object.fromEntries(
    [...form.elements].flatMap((control) => {
      const select = control instanceof HTMLSelectElement;
      const typed =
        control instanceof HTMLInputElement && control.type !== "hidden" && control.type !== "file";
      if (!select && !typed) return [];
      const label =
        control.getAttribute("aria-label") ?? control.labels?.[0]?.firstChild?.textContent ?? control.name;
      const choices = select
        ? [...control.options].map(({ value, text }): [string, string] => [value, text])
        : null;
      return [[control.name, { label, choices }]];
    }),
  );
}

/** Sends an entry, or keeps it on the device where nobody answers; `asked` is how its form asked for it. */
export async function send(
  action: string,
  form: FormData,
  label: string,
  asked: Record<string, Asked> = {},
): Promise<Sent> {
  // It happens now, whenever it is sent.
  form.set("happenedAt", new Date().toISOString());
  try {
    return { sent: true, outcome: await post(action, form) };
  } catch {
    try {
      const sequence = Math.max(0, ...(await waiting()).map((entry) => entry.sequence)) + 1;
      await put({
        id: String(form.get("id")),
        action,
        fields: [...form],
        asked,
        label,
        sequence,
        refused: null,
        wrong: {},
        broke: 0,
      });
      return { sent: false };
    } catch {
      return { sent: true, outcome: NOT_KEPT };
    }
  }
}

/** So often may the server break on an entry before that counts as a refusal. */
const MOST_BREAKS = 3;

export type SentNow = {
  sent: number;
  /** what the server said of them, such as that this device's clock is wrong */
  said: string[];
  /** nothing more is taken before somebody comes in on this device */
  locked: boolean;
};

/**
 * Tries everything that waits, in order. What is refused, or what the server breaks on again and again, is set aside with the reason and
 * the next go on; it stops at the first that finds no connection.
 */
export async function sendWaiting(): Promise<SentNow> {
  const now: SentNow = { sent: 0, said: [], locked: false };
  for (const entry of await waiting()) {
    if (entry.refused) continue;
    const form = new FormData();
    for (const [name, value] of entry.fields) form.append(name, value);
    try {
      const outcome = await post(entry.action, form);
      if (outcome.ok) {
        await discard(entry.id);
        now.sent += 1;
        if (outcome.kept.heed) now.said.push(outcome.kept.said);
      } else
        await put({
          ...entry,
          refused: Object.values(outcome.errors)[0] ?? "It was refused.",
          wrong: outcome.errors,
        });
    } catch (error) {
      if (error instanceof NotIn) return { ...now, locked: true };
      if (!(error instanceof Broke)) break;
      const broke = entry.broke + 1;
      await put({
        ...entry,
        broke,
        refused:
          broke >= MOST_BREAKS ? "The server could not take it. Try it again, or throw it away." : null,
      });
    }
  }
  return now;
}

/** Lets an entry that was set aside be sent again, some fields of it mended. It stays the same entry, of the same time. */
export async function tryAgain(id: string, mended: Readonly<Record<string, string>> = {}): Promise<void> {
  const entry = (await waiting()).find((each) => each.id === id);
  if (!entry) return;
  const others = entry.fields.filter(([name]) => !Object.hasOwn(mended, name));
  const [before, now] = [entry.fields.find(([name]) => name === "text")?.[1], mended.text];
  await put({
    ...entry,
    fields: [...others, ...Object.entries(mended)],
    label: typeof before === "string" && now !== undefined ? entry.label.replace(before, now) : entry.label,
    refused: null,
    wrong: {},
    broke: 0,
  });
}

/** Fields of a refused entry that the server found wrong and that can be typed anew, with what they hold. */
export function mendable({
  fields,
  asked,
  wrong,
}: Waiting): (Asked & { name: string; text: string; said: string })[] {
  const texts = new Map(fields);
  return Object.entries(wrong).flatMap(([name, said]) => {
    const text = texts.get(name) ?? "";
    const own = Object.hasOwn(asked, name) ? asked[name]! : null;
    // A reason is asked for only once something is odd: its form had no field for it yet.
    if (!own && name !== "reason") return [];
    return typeof text === "string"
      ? [{ name, text, said, ...(own ?? { label: "Reason", choices: null }) }]
      : [];
  });
}
