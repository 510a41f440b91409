/** Whether the server answers, asked often enough to say so; and how old what is seen is, where it does not. */
import { HERE, keyOf, PAGES, type WorkerSays } from "./aboard.ts";

/** null: it answers, as far as one knows. Else since when what is seen was taken along, ISO 8601; "" where that is not known. */
type Away = { seen: string } | null;

let away: Away = null;
const listeners = new Set<() => void>();

const ASK_EVERY = 15_000;
const PATIENCE = 5000;

function become(now: Away): void {
  if ((now === null) === (away === null) && now?.seen === away?.seen) return;
  away = now;
  for (const listen of listeners) listen();
}

/** When the page at an address was taken along. */
async function seenAt(address: string): Promise<string> {
  const kept = await (await caches.open(PAGES)).match(keyOf(address));
  const date = kept?.headers.get("Date");
  return date ? new Date(date).toISOString() : "";
}

const isHere = () =>
  fetch(HERE, { cache: "no-store", signal: AbortSignal.timeout(PATIENCE) }).then(
    async (answer) => answer.ok && (await answer.text()).startsWith("Ambrek"),
    () => false,
  );

/** Asks whether the server answers now. */
export async function ask(): Promise<boolean> {
  const here = await isHere();
  become(here ? null : { seen: await seenAt(window.location.href) });
  return here;
}

/** Only a page that works without the server asks for it. */
export function watchConnection(): () => void {
  const look = () => document.visibilityState === "visible" && ask();
  const heard = ({ data }: MessageEvent<WorkerSays>) => data.said === "from-aboard" && ask();
  look();
  const timer = setInterval(look, ASK_EVERY);
  for (const event of ["online", "offline"]) window.addEventListener(event, look);
  document.addEventListener("visibilitychange", look);
  navigator.serviceWorker.addEventListener("message", heard);
  return () => {
    clearInterval(timer);
    for (const event of ["online", "offline"]) window.removeEventListener(event, look);
    document.removeEventListener("visibilitychange", look);
    navigator.serviceWorker.removeEventListener("message", heard);
  };
}

export function onConnection(listen: () => void): () => void {
  listeners.add(listen);
  return () => listeners.delete(listen);
}

export const awayNow = (): Away => away;
