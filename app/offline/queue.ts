/**
 * Entries that could not be sent: kept in the browser's own database until the connection is back, and sent once, since
 * each carries an id of its own.
 */
import { createStore, del, entries, set } from "idb-keyval";
import type { Outcome } from "../stations/keep.server.ts";

export type Waiting = {
  id: string;
  action: string;
  fields: [string, string | Blob][];
  /** "F 5.064": what waits, in the operator's words */
  label: string;
  /** why the server refused it, once it could be asked */
  refused: string | null;
};

const CHANGED = "ambrek-waiting";
const store = () => createStore("ambrek", "waiting");

export async function waiting(): Promise<Waiting[]> {
  return (await entries<string, Waiting>(store())).map(([, entry]) => entry);
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

async function post(action: string, form: FormData): Promise<Outcome> {
  const answer = await fetch(action, { method: "POST", body: form });
  const type = answer.headers.get("Content-Type") ?? "";
  if (answer.status >= 500 || !type.includes("json")) throw new TypeError(`no answer: ${answer.status}`);
  return (await answer.json()) as Outcome;
}

/** A browser that keeps nothing, such as one in private mode: the text stays in the field. */
const NOT_KEPT: Outcome = {
  ok: false,
  errors: { text: "No connection, and this browser keeps nothing. Leave it here and try again." },
  asksReason: false,
};

export type Sent = { sent: true; outcome: Outcome } | { sent: false };

/** Sends an entry, or keeps it on the device where nobody answers. */
export async function send(action: string, form: FormData, label: string): Promise<Sent> {
  try {
    return { sent: true, outcome: await post(action, form) };
  } catch {
    // The time of reading is now, whenever it is sent.
    form.set("measuredAt", new Date().toISOString());
    const entry = { id: String(form.get("id")), action, fields: [...form], label, refused: null };
    return put(entry).then(
      () => ({ sent: false }),
      () => ({ sent: true, outcome: NOT_KEPT }),
    );
  }
}

/** Tries everything that waits; returns how many went through. Stops at the first that finds no connection. */
export async function sendWaiting(): Promise<number> {
  let sent = 0;
  for (const entry of await waiting()) {
    if (entry.refused) continue;
    const form = new FormData();
    for (const [name, value] of entry.fields) form.append(name, value);
    try {
      const outcome = await post(entry.action, form);
      if (outcome.ok) {
        await discard(entry.id);
        sent += 1;
      } else await put({ ...entry, refused: Object.values(outcome.errors)[0] ?? "It was refused." });
    } catch {
      break;
    }
  }
  return sent;
}
