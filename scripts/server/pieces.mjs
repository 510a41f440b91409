/** Bytes of an answer that go over at once: nearly every page is one piece. */
export const WHOLE = 256 * 1024;
/** So many pieces may be on their way to somebody who takes them slowly. */
export const TAKEN_AT_ONCE = 2;
