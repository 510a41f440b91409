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
/** Bytes that are kept in all, and of one page at most. */
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

type Rendered = { html: Buffer; nonce: string };

/** A page as it goes over, and the places where the nonce stands in it. */
type Kept = { html: Buffer; places: readonly number[] };

export class RenderedPages {
  readonly #pages = new Map<string, Kept>();
  #held = 0;

  /** A page that was rendered before, its scripts under the nonce of this answer, which is as long as every one. */
  recall(key: string, nonce: string): Buffer<ArrayBuffer> | null {
    const known = this.#pages.get(key);
    if (!known) return null;
    this.#pages.delete(key);
    this.#pages.set(key, known);
    const html = Buffer.from(known.html);
    for (const at of known.places) html.write(nonce, at, "latin1");
    return html;
  }

  keep(key: string, { html, nonce }: Rendered): void {
    if (html.length > MOST_OF_ONE || this.#pages.has(key)) return;
    this.#pages.set(key, { html, places: placesOf(html, nonce) });
    this.#held += html.length;
    // The one looked at longest ago goes first.
    while (this.#held > MOST) {
      const [oldest, { html }] = this.#pages.entries().next().value!;
      this.#pages.delete(oldest);
      this.#held -= html.length;
    }
  }
}

function placesOf(html: Buffer, nonce: string): number[] {
  const places: number[] = [];
  for (let at = html.indexOf(nonce); at >= 0; at = html.indexOf(nonce, at + nonce.length)) places.push(at);
  return places;
}
