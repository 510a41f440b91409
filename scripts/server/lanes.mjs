/**
 * Who answers what. The thread that listens only hands over: one thread writes, some read, one makes what takes long. Nobody waits for
 * anybody else's list, and what is written is written in one order.
 */
import { availableParallelism } from "node:os";
import { join } from "node:path";
import { MessageChannel } from "node:worker_threads";
import { Piscina } from "piscina";
import { ROOT } from "../bootstrap.mjs";

/** A kind of page of which lately even the quickest took longer than this goes where long ones wait for each other, ms. */
const LONG = 150;
const LATELY = 5;
/** So many of them say it. */
const TOLD_BY = 3;
/** The first page comes before the judge, and before the threads that answer the others are got up: the one that opened the yard answers it, ms. */
const QUIET = 1500;
const FIRST = 300;
/** So many pages a thread has on its hands at once: one is put together while another is sent. */
const AT_ONCE = 2;
/** The longest a timer takes, ms. */
const FOR_GOOD = 2 ** 31 - 1;
/** Threads that answer quick pages: as many as there are processors, up to four; AMBREK_THREADS says otherwise. */
const READERS = Math.max(
  1,
  Number(process.env.AMBREK_THREADS) || Math.min(4, Math.max(2, availableParallelism())),
);
/** A page that is not there so long after a thread began it is a long one, whatever its kind was taken for, ms. */
const TOO_LONG = 1000;
/** A yard of so many rigs is large: what lists all of it takes long there until it was seen not to. */
const LARGE = 100;
const WHOLE_YARD =
  /^\/(aboard|fields|log|machines|machines\/n\/down|plan|plan\/jobs|rates|rigs\/new|season|service|spoilt|tape-list|traffic|year)(\.data)?$/;
/** Files are made where long pages are. */
const FILES = /\.(csv|pdf|zip|db|ics|geojson|nmea)$/;

const lane = (more, env = {}) =>
  new Piscina({
    filename: join(ROOT, "scripts", "server", "lane.mjs"),
    env: { ...process.env, ...env },
    // A thread hears of what comes in while something of it waits.
    atomics: "async",
    ...more,
  });

const READS = { AMBREK_READS: "yes" };
/** How far after the others: what takes long a little, or it would take longer for that; what nobody waits for by much. */
const SOMEBODY_WAITS = "4";
const NOBODY_WAITS = "10";

/** The page that shows how this server does. */
const ABOUT = /^\/server(\.data)?$/;

/** Opens the lanes. */
export function openLanes() {
  /** `told` hears of every answer: what was asked for, how it went and how long it took; `figures` says what that came to. */
  let [told, figures] = [() => {}, () => null];
  const writing = lane({ minThreads: 1, maxThreads: 1, concurrentTasksPerWorker: 64 });
  // A thread takes long to start: once there, it stays.
  const quick = lane(
    {
      minThreads: 0,
      maxThreads: READERS,
      concurrentTasksPerWorker: AT_ONCE,
      idleTimeout: FOR_GOOD,
    },
    READS,
  );
  let gathered = false;
  /** Of each quick thread, by asking for more at once than fewer of them take. */
  const ofEach = (act) =>
    Promise.all(Array.from({ length: READERS * AT_ONCE }, () => quick.run({ act, stands })));
  /** So that all of them are there before anybody needs the second. */
  const gather = () =>
    ofEach("stay").then(
      () => {
        gathered = true;
      },
      () => {},
    );
  const long = lane(
    { minThreads: 0, maxThreads: 2, concurrentTasksPerWorker: AT_ONCE, idleTimeout: 60_000 },
    { ...READS, AMBREK_BESIDE: SOMEBODY_WAITS },
  );
  const judging = lane(
    { minThreads: 0, maxThreads: 1, idleTimeout: 600_000 },
    { ...READS, AMBREK_BESIDE: NOBODY_WAITS },
  );
  const took = new Map();
  /** Which file is open, once it is. */
  let stands = null;
  let large = false;
  let closing = false;
  const opening = writing.run({ act: "open" }).then(
    ({ identity, rigs }) => {
      stands = identity;
      large = rigs >= LARGE;
      setTimeout(() => gather().then(() => setTimeout(afterwards, QUIET)), FIRST);
    },
    () => {},
  );

  /** What nobody waits for. */
  async function afterwards() {
    // A single one would keep whoever comes waiting for pages nobody asked for.
    if (READERS > 1) await ofEach("warm").catch(() => {});
    await judge();
    await judging.run({ act: "compile" }).catch(() => {});
  }

  /** Judges what was written, a few rigs at a time, until there is nothing left. */
  let judged = null;
  async function judge() {
    if (judged) {
      judged.again = true;
      return;
    }
    judged = { again: false };
    try {
      for (let more = true; more; ) {
        judged.again = false;
        ({ more } = await judging.run({ act: "judge", stands }));
        more ||= judged.again;
      }
    } catch (error) {
      if (!closing) console.error(error);
    } finally {
      judged = null;
    }
  }

  /** The first of its kind takes long of any: one or two say nothing. */
  function isLong(kind) {
    const times = took.get(kind) ?? [];
    return times.length < TOLD_BY ? large && WHOLE_YARD.test(kind) : Math.min(...times) > LONG;
  }

  const reads = ({ method }) => method === "GET" || method === "HEAD";

  /** Until a yard is open, the lane that opens it says what is wrong; until the others are there, it answers. */
  const laneOf = (asked) => {
    if (!reads(asked) || stands === null) return writing;
    if (asked.isFile || isLong(asked.kind)) return long;
    return gathered ? quick : writing;
  };

  /** Answers a request by `give(head)` and `piece(bytes)`; a body comes from `body`, where there is one. */
  async function answer(request, answered) {
    const { method, url, headers, body, gone } = request;
    const { give, piece } = answered;
    await opening;
    /** Which file stood there when it was handed over. */
    const asOf = stands;
    const asked = { method, kind: kindOf(url), isFile: FILES.test(new URL(url).pathname) };
    const { port1, port2 } = new MessageChannel();
    const lane = laneOf(asked);
    let status = 0;
    let tooLong;
    /** Another yard was put in the place meanwhile: it is read of that one. */
    let outdated = false;
    const sent = new Promise((done, fail) => {
      const heard = async ({ begun, more, head, piece: bytes, last }) => {
        if (begun && lane === quick) tooLong = setTimeout(() => countAsLong(asked.kind), TOO_LONG);
        if (more) {
          const each = await body.next();
          port1.postMessage(each, each.piece ? [each.piece.buffer] : []);
        }
        if (head) {
          clearTimeout(tooLong);
          status = head.status;
          outdated = status === 503 && lane !== writing && stands !== asOf;
          if (!outdated) give(head);
        }
        if (!outdated && bytes?.byteLength > 0) await piece(bytes);
        if (last) done();
        else if (bytes) port1.postMessage({ taken: true });
      };
      port1.on("message", (message) => heard(message).catch(fail));
    });
    gone.addEventListener("abort", () => port1.postMessage({ gone: true }));
    const about = ABOUT.test(asked.kind) ? figures() : null;
    const task = { method, url, headers, hasBody: body !== null, port: port2, stands: asOf, about };
    try {
      const ran = lane.run(task, { transferList: [port2] });
      await Promise.race([ran, sent]);
      const { identity, whole, milliseconds } = await ran;
      // What was sent comes by another way than word that all of it was.
      if (whole) await sent;
      if (outdated) return await answer(request, answered);
      if (lane === writing) {
        // Only who writes puts another file in the place: a page begun before that would tell of the old one.
        if (!reads(asked) || stands === null) judge();
        stands = identity;
      } else if (status < 400) remember(asked.kind, milliseconds);
      told({ ...asked, status, milliseconds });
    } finally {
      clearTimeout(tooLong);
      port1.close();
    }
  }

  /** Where one of a kind keeps a quick thread from all others, the next of it is not put there. */
  const countAsLong = (kind) => took.set(kind, Array(TOLD_BY).fill(TOO_LONG));

  /** Of each kind how long the last few took, without having waited for others. */
  function remember(kind, milliseconds) {
    took.set(kind, [...(took.get(kind) ?? []), milliseconds].slice(-LATELY));
  }

  /** Makes the backup of the day, beside everything else; null while no yard is open. */
  const backup = () => (stands === null ? null : long.run({ act: "backup", stands }));

  /** Lets go of the yard's file, once what is being written is. */
  async function close() {
    closing = true;
    await writing.run({ act: "close" }).catch(() => {});
    await Promise.all([writing, quick, long, judging].map((each) => each.destroy()));
  }
  return {
    answer,
    opened: opening,
    backup,
    close,
    identity: () => stands,
    hear(by) {
      [told, figures] = [by.told, by.figures];
    },
  };
}

/** Pages alike: an address without its numbers. */
function kindOf(url) {
  const { pathname } = new URL(url);
  return pathname.replace(/\/\d+(?=\/|\.|$)/g, "/n").replace(/\/[0-9a-f-]{36}(?=\/|\.|$)/g, "/id");
}
