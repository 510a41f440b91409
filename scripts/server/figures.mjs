/** What is known of a server since it started, for whoever runs it: kinds of pages and numbers, nothing of anybody's. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { monitorEventLoopDelay } from "node:perf_hooks";
import { ROOT } from "../bootstrap.mjs";

/** Of each kind of page so many of the last times are kept, and so many kinds. */
const TIMES = 200;
const KINDS = 400;
/** The last of what failed. */
const FAILURES = 20;
/** How often is looked whether the thread is held up, ms: what is measured has it in it. */
const EVERY = 5;
/** So many kinds are told of, the slowest first. */
const TOLD = 8;

const { version } = JSON.parse(readFileSync(join(ROOT, "package.json"), "utf8"));

/** Gathers from now on. */
export function gatherFigures() {
  const held = monitorEventLoopDelay({ resolution: EVERY });
  held.enable();
  const started = Date.now();
  const kinds = new Map();
  const failures = [];
  let [asked, refused, failed, last] = [0, 0, 0, started];
  /** answers that are being given */
  let giving = 0;

  /** An answer that was given. */
  function answered({ method, kind, status, milliseconds }) {
    asked += 1;
    last = Date.now();
    if (status >= 500) return broke(`${method} ${kind}: ${status}`);
    if (status >= 400 && status !== 422) refused += 1;
    else remember(`${method} ${kind}`, milliseconds);
  }

  /** Something that went wrong, in a line without anything of anybody's. */
  function broke(what) {
    failed += 1;
    failures.unshift({ at: Date.now(), what });
    failures.length = Math.min(failures.length, FAILURES);
  }

  function remember(what, milliseconds) {
    const known = kinds.get(what);
    if (!known && kinds.size >= KINDS) return;
    const { times, next, count, longest } = known ?? { times: [], next: 0, count: 0, longest: 0 };
    times[next] = milliseconds;
    kinds.set(what, {
      times,
      next: (next + 1) % TIMES,
      count: count + 1,
      longest: Math.max(longest, milliseconds),
    });
  }

  const slowest = () =>
    [...kinds]
      .map(([what, { times, count, longest }]) => ({ what, count, middle: middleOf(times), longest }))
      .sort((a, b) => b.middle - a.middle)
      .slice(0, TOLD);

  return {
    answered,
    broke,
    /** Somebody came. */
    touched: () => {
      last = Date.now();
    },
    /** Somebody asked, whatever of it is answered when; returns what is to be called once that is over. */
    begun: () => {
      last = Date.now();
      giving += 1;
      return () => {
        giving -= 1;
      };
    },
    /** How long nobody was here, ms; 0 while anything is being answered. */
    idle: () => (giving > 0 ? 0 : Date.now() - last),
    said: () => ({
      version,
      node: process.version,
      started,
      last,
      asked,
      refused,
      failed,
      failures: [...failures],
      slowest: slowest(),
      delay: { longest: beyond(held.max), usual: beyond(held.percentile(50)) },
      memory: process.memoryUsage.rss(),
    }),
  };
}

const beyond = (nanoseconds) => Math.max(0, nanoseconds / 1e6 - EVERY);

function middleOf(times) {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
