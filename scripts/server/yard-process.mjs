/**
 * One of several yards: a process of its own, started when somebody comes to its door and sent to sleep once nobody has for a while. The
 * door stands in the process that has all of them; lines are handed over as they come, unread.
 */
import { fork } from "node:child_process";
import { join } from "node:path";
import { ROOT } from "../bootstrap.mjs";

const SERVER = join(ROOT, "scripts", "server", "server.mjs");
/** So many lines wait at the door while their yard starts. */
const MOST_HELD = 500;
/** A process that ends by itself sooner than this is not started again at once, ms; at the second time later, up to the last. */
const SOON = 10_000;
const PAUSES = [2000, 10_000, 60_000];
/** A process that is busy answers late; one that does not answer is not known about. */
const PATIENCE = 1000;

/**
 * @param env what its server is told; asked at each start
 * @param barred why it may not start, or null
 * @param told hears that it is up, and how it ended
 */
export function yardProcess({ env, barred, told }) {
  let child = null;
  let state = "asleep";
  const held = [];
  let began = 0;
  /** why it may not start; how it ended, where that was by itself */
  let barredBy = null;
  let fell = null;
  let failures = 0;
  let notBefore = 0;
  let asking = null;
  let gone = Promise.resolve();
  let over = false;

  function wake() {
    if (child || over) return;
    barredBy = barred();
    if (barredBy || Date.now() < notBefore) return turnAway();
    [state, began] = ["waking", Date.now()];
    child = fork(SERVER, {
      cwd: ROOT,
      env: { ...process.env, ...env(), AMBREK_HANDED: "yes" },
      stdio: ["ignore", "ignore", "inherit", "ipc"],
    });
    child.on("message", heard);
    child.on("error", () => {});
    gone = new Promise((done) => {
      child.once("exit", (code, signal) => {
        ended(code, signal);
        done();
      });
    });
  }

  function heard({ ready, figures, resting }) {
    if (ready) {
      state = "awake";
      fell = null;
      told({ up: Date.now() - began });
      handHeld();
    }
    if (figures) asking?.done(figures);
    if (resting !== undefined && state === "asked") {
      state = resting ? "leaving" : "awake";
      if (!resting) handHeld();
    }
  }

  function handHeld() {
    for (const socket of held.splice(0)) hand(socket);
  }

  function ended(code, signal) {
    const byItself = state !== "leaving";
    const lasted = Date.now() - began;
    child = null;
    state = "asleep";
    asking?.done(null);
    if (byItself) {
      notBefore = lasted < SOON ? Date.now() + PAUSES[Math.min(failures, PAUSES.length - 1)] : 0;
      failures = lasted < SOON ? failures + 1 : 0;
      fell = `Its process ended by itself (${signal ?? code}). It starts again when somebody comes.`;
      told({ ended: signal ?? code });
    }
    if (held.length > 0) wake();
  }

  /** Nobody answers here now: in words where the line is in the clear. */
  function turnAway() {
    for (const socket of held.splice(0))
      socket.end(
        `HTTP/1.1 503 Service Unavailable\r\nContent-Type: text/plain; charset=utf-8\r\nCache-Control: no-store\r\nConnection: close\r\n\r\n${barredBy ?? fell}\n`,
      );
  }

  function hand(socket) {
    child.send({ line: true }, socket, (error) => error && socket.destroy());
  }

  /** A line that came to the door, paused. */
  function take(socket) {
    socket.on("error", () => socket.destroy());
    if (state === "awake") return hand(socket);
    if (over || held.length >= MOST_HELD) return socket.destroy();
    held.push(socket);
    if (!child) wake();
  }

  /** What it says of itself; null while it sleeps, or does not answer. */
  async function figures() {
    if (state !== "awake" && state !== "asked") return null;
    asking ??= asked();
    return asking.said;
  }

  function asked() {
    const it = {};
    it.said = new Promise((done) => {
      const late = setTimeout(() => it.done(null), PATIENCE);
      it.done = (figures) => {
        clearTimeout(late);
        asking = null;
        done(figures);
      };
    });
    child.send({ ask: "figures" }, () => {});
    return it;
  }

  /**
   * It sleeps if nothing is being answered and nobody came for `after` ms, which only itself knows at that moment: what is known of it
   * here may be seconds old. Who comes while it is asked waits.
   */
  function rest(after) {
    if (state !== "awake") return;
    state = "asked";
    child.send({ rest: after }, () => {});
  }

  /** What is being answered is answered, or cut where that takes long; then it lets go of its file. Who comes meanwhile waits for the next start. */
  async function sleep() {
    if (child && state !== "leaving") {
      state = "leaving";
      child.send({ leave: true }, () => {});
    }
    await gone;
  }

  /** For good: who still waits at the door is sent away. */
  async function end() {
    over = true;
    for (const socket of held.splice(0)) socket.destroy();
    await sleep();
  }

  return {
    take,
    wake,
    rest,
    sleep,
    end,
    figures,
    state: () => ({ state: state === "asked" ? "awake" : state, problem: barredBy ?? fell }),
  };
}
