/** What was typed and not saved: it stays on this device when the page is left or loaded anew, for a day. */

const LASTS = 24 * 3600 * 1000;

type Kept = { typed: unknown; at: number };

export type Draft<T> = {
  /** what was left, or null */
  read: () => T | null;
  write: (typed: T) => void;
  clear: () => void;
};

/** A draft under a name of its own: of one form, of one thing. Where a browser keeps nothing, there is none. */
export function draftOf<T>(name: string, now: () => number = Date.now): Draft<T> {
  const key = `ambrek-draft ${name}`;
  const attempt = <R>(act: () => R): R | null => {
    try {
      return act();
    } catch {
      return null;
    }
  };
  return {
    read: () =>
      attempt(() => {
        const kept = JSON.parse(window.localStorage.getItem(key) ?? "null") as Kept | null;
        if (kept && now() - kept.at < LASTS) return kept.typed as T;
        window.localStorage.removeItem(key);
        return null;
      }),
    write: (typed) =>
      void attempt(() =>
        window.localStorage.setItem(key, JSON.stringify({ typed, at: now() } satisfies Kept)),
      ),
    clear: () => void attempt(() => window.localStorage.removeItem(key)),
  };
}
