/** Tells the server what waits on this device, so that who runs it sees entries that nobody sends. */

export type Waits = { waiting: number; refused: number };

/** What the server knows as far as this page does; null: it knows of nothing. */
let known: Waits | null = null;

/** What it said with the page, unless it was told since. */
export function knows(told: Waits | null): void {
  known ??= told;
}

/** Tells, where that is not known yet; who does not reach the server tells it with the next change. */
export async function tellWaiting(now: Waits): Promise<void> {
  if (known && known.waiting === now.waiting && known.refused === now.refused) return;
  const form = new FormData();
  form.set("waiting", String(now.waiting));
  form.set("refused", String(now.refused));
  try {
    const answer = await fetch("/waiting", {
      method: "POST",
      body: form,
      headers: { Accept: "application/json" },
    });
    if (answer.ok) known = now;
  } catch {
    // Out of reach.
  }
}
