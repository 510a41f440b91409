/**
 * A thread that answers requests: the built application, and its own open file. What it answers goes back piece by piece over a port, and
 * only as fast as it is taken.
 */
import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { setPriority } from "node:os";
import { BUILT, keepWhereNew, loadBuilt } from "./compiled.mjs";

/** Bytes of an answer that go over at once: nearly every page is one piece. */
const WHOLE = 256 * 1024;
/** So many pieces may be on their way to somebody who takes them slowly. */
const TAKEN_AT_ONCE = 2;

process.env.AMBREK_BUILD ||= createHash("sha256").update(readFileSync(BUILT)).digest("hex").slice(0, 16);
const build = loadBuilt();
const {
  closeYard,
  countRigs,
  createRequestHandler,
  identity,
  judgeSome,
  keepBackup,
  lookAfter,
  openYard,
  warmingPages,
  withFigures,
} = build.entry.module;
// What takes long comes after what does not.
if (process.env.AMBREK_BESIDE) setPriority(0, Number(process.env.AMBREK_BESIDE));
const handle = createRequestHandler(build, process.env.NODE_ENV);
const HERE = `http://127.0.0.1:${process.env.PORT ?? ""}`;

/** What is asked of a thread besides answering. */
const ACTS = {
  open() {
    return { rigs: countRigs(openYard()), identity: identity() };
  },
  close: () => closeYard(),
  judge: () => ({ more: judgeSome(openYard()) }),
  compile: () => keepWhereNew(),
  backup: () => keepBackup(openYard()),
  /** Pages for nobody: the first of them take many times as long as the next. */
  async warm() {
    for (const path of warmingPages(openYard()))
      await (await handle(new Request(new URL(path, HERE)))).arrayBuffer();
  },
  /** Nothing: it is there. */
  stay: () => new Promise((done) => setTimeout(done, 50)),
};

/** Does an act, or answers a request: as it came, where its body comes from and where the answer goes. */
export default async function work({ act, stands, ...asked }) {
  lookAfter(stands ?? null);
  return act ? ACTS[act]() : answer(asked);
}

async function answer({ method, url, headers, hasBody, port, about }) {
  port.postMessage({ begun: true });
  const gone = new AbortController();
  const taken = flow();
  const body = hasBody ? bodyFrom(port) : null;
  port.on("message", (message) => {
    if (message.gone) gone.abort();
    if (message.taken) taken.more();
    if (body) body.heard(message);
  });
  gone.signal.addEventListener("abort", () => taken.stop());
  try {
    const request = new Request(url, {
      method,
      headers,
      // A form is carried out to its end, whoever still listens: sent again, it is answered as it was.
      ...(body ? { body: body.stream, duplex: "half" } : { signal: gone.signal }),
    });
    const start = performance.now();
    const response = await (about ? withFigures(about, () => handle(request)) : handle(request));
    const whole = await send(port, response, taken);
    return { identity: identity(), whole, milliseconds: performance.now() - start };
  } finally {
    port.close();
  }
}

/** Counts what was sent and not yet taken. */
function flow() {
  let [under, wake, stopped] = [0, null, false];
  const go = () => {
    wake?.();
    wake = null;
  };
  return {
    more() {
      under -= 1;
      go();
    },
    stop() {
      stopped = true;
      go();
    },
    /** Waits for room; false once nobody listens any more. */
    async room() {
      while (under >= TAKEN_AT_ONCE && !stopped) await new Promise((done) => (wake = done));
      under += 1;
      return !stopped;
    },
  };
}

/** Sends an answer; true once all of it is on its way, false where nobody took it. */
async function send(port, response, taken) {
  const head = {
    status: response.status,
    headers: [...response.headers].filter(([name]) => name !== "set-cookie"),
    cookies: response.headers.getSetCookie(),
  };
  if (!response.body) {
    port.postMessage({ head, last: true });
    return true;
  }
  const reader = response.body.getReader();
  let [waiting, size, first] = [[], 0, head];
  const flush = (last) => {
    const piece = Buffer.concat(waiting, size);
    const bytes = new Uint8Array(piece.buffer, piece.byteOffset, piece.byteLength).slice();
    port.postMessage({ head: first, piece: bytes, last }, [bytes.buffer]);
    [waiting, size, first] = [[], 0, undefined];
  };
  for (;;) {
    const { done, value } = await reader.read();
    if (done) {
      flush(true);
      return true;
    }
    waiting.push(value);
    size += value.byteLength;
    if (size < WHOLE) continue;
    if (!(await taken.room())) {
      await reader.cancel().catch(() => {});
      return false;
    }
    flush(false);
  }
}

/** A body that is asked for only once somebody reads it. */
function bodyFrom(port) {
  let control;
  const stream = new ReadableStream(
    {
      start: (own) => {
        control = own;
      },
      pull: () => port.postMessage({ more: true }),
    },
    { highWaterMark: 0 },
  );
  return {
    stream,
    heard({ piece, end, broken }) {
      if (broken) control.error(Object.assign(new Error(broken.text), { code: broken.code }));
      else if (end) control.close();
      else if (piece) control.enqueue(piece);
    },
  };
}
