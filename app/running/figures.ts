/** What a server knows of itself since it started (`scripts/server/figures.mjs`): times in ms since 1970, lengths of time in ms, memory in bytes. */
export type Figures = {
  version: string;
  node: string;
  started: number;
  /** when somebody came last */
  last: number;
  asked: number;
  refused: number;
  failed: number;
  /** the last that failed, newest first */
  failures: { at: number; what: string }[];
  /** kinds of pages, the slowest first: how often, how long half of them took at most, and the longest */
  slowest: { what: string; count: number; middle: number; longest: number }[];
  /** of the thread that listens: held up by, usually and at most */
  delay: { longest: number; usual: number };
  memory: number;
};
