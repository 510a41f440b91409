/**
 * Pages as they were rendered last, kept by all they were rendered from: what the loaders read, who asks in which zone and units, and the
 * minute. Reading and judging are done for every request; only putting the same figures into the same markup again is not.
 */
import { createHash } from "node:crypto";
import { serialize } from "node:v8";

type From = {
  url: string;
  status: number;
  /** what all loaders of the page gave */
  loaded: unknown;
  zone: string;
  now: Date;
};

const MINUTE = 60_000;
/** Characters that are kept in all, and of one page at most. */
const MOST = 24e6;
const MOST_OF_ONE = 2e6;

/** By what a page is known; null of one that holds what cannot be written down. */
export function knownBy({ url, status, loaded, zone, now }: From): string | null {
  try {
    // A page may tell how long ago something was.
    const minute = Math.floor(now.getTime() / MINUTE);
    return createHash("sha1")
      .update(serialize([url, status, loaded, zone, minute]))
      .digest("base64");
  } catch {
    return null;
  }
}

type Rendered = { html: string; nonce: string };

export class RenderedPages {
  readonly #pages = new Map<string, Rendered>();
  #held = 0;

  /** A page that was rendered before, its scripts under the nonce of this answer. */
  recall(key: string, nonce: string): string | null {
    const known = this.#pages.get(key);
    if (!known) return null;
    this.#pages.delete(key);
    this.#pages.set(key, known);
    return known.html.replaceAll(known.nonce, nonce);
  }

  keep(key: string, page: Rendered): void {
    if (page.html.length > MOST_OF_ONE || this.#pages.has(key)) return;
    this.#pages.set(key, page);
    this.#held += page.html.length;
    // The one looked at longest ago goes first.
    while (this.#held > MOST) {
      const [oldest, { html }] = this.#pages.entries().next().value!;
      this.#pages.delete(oldest);
      this.#held -= html.length;
    }
  }
}
