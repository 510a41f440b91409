/**
 * How often something may be tried that could be guessed: so many at once, then one by one as time passes. Counted on a clock nobody can
 * set, and each kind of who tries for itself, so that a stranger's tries keep nobody else out.
 */
export type Tries = {
  /** true while there is one left; takes none */
  left: (key: string) => boolean;
  /** takes one; false where there was none left */
  take: (key: string) => boolean;
};

/** So many are remembered; then those go that have all their tries again, and after them the oldest. */
const MOST_KEYS = 10_000;
/** Of the others so much stays, so that it is not looked for room each time. */
const KEPT = 0.9;

type Bucket = { left: number; at: number };

/** @param most at once; @param every one more after so many ms; @param clock ms, never going back */
export function triesOf(most: number, every: number, clock: () => number = () => performance.now()): Tries {
  const buckets = new Map<string, Bucket>();
  const now = (key: string): Bucket => {
    const at = clock();
    const known = buckets.get(key);
    return known ? { left: Math.min(most, known.left + (at - known.at) / every), at } : { left: most, at };
  };
  const room = () => {
    if (buckets.size < MOST_KEYS) return;
    for (const key of buckets.keys()) if (now(key).left >= most) buckets.delete(key);
    for (const key of buckets.keys()) {
      if (buckets.size < MOST_KEYS * KEPT) return;
      buckets.delete(key);
    }
  };
  return {
    left: (key) => now(key).left >= 1,
    take(key) {
      const bucket = now(key);
      const may = bucket.left >= 1;
      if (!buckets.has(key)) room();
      buckets.set(key, may ? { ...bucket, left: bucket.left - 1 } : bucket);
      return may;
    },
  };
}

/** Who tries, by address: of the sixth version the half that names a network, which one machine has all of. */
export function addressKey(address: string | undefined): string {
  const plain = (address ?? "").replace(/^::ffff:/, "");
  if (!plain.includes(":")) return plain;
  const [head = "", tail = ""] = plain.split("::");
  const front = head === "" ? [] : head.split(":");
  const back = tail === "" ? [] : tail.split(":");
  const full = plain.includes("::")
    ? [...front, ...Array.from({ length: Math.max(0, 8 - front.length - back.length) }, () => "0"), ...back]
    : front;
  return full
    .slice(0, 4)
    .map((each) => each.replace(/^0+(?=.)/, ""))
    .join(":");
}
