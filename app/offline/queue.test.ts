import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { discard, onWaitingChanged, send, sendWaiting, waiting } from "./queue.ts";

const kept = vi.hoisted(() => ({ entries: new Map<string, unknown>(), full: false }));
vi.mock("idb-keyval", () => ({
  createStore: () => null,
  entries: async () => [...kept.entries],
  set: async (key: string, value: unknown) => {
    if (kept.full) throw new Error("no room");
    kept.entries.set(key, value);
  },
  del: async (key: string) => kept.entries.delete(key),
}));

type Answer = { status?: number; body?: unknown; type?: string } | "no connection";
let answers: Answer[] = [];
let posted: { action: string; fields: Record<string, unknown> }[] = [];

beforeEach(() => {
  kept.entries.clear();
  kept.full = false;
  answers = [];
  posted = [];
  vi.stubGlobal("window", new EventTarget());
  vi.stubGlobal("fetch", async (action: string, { body }: { body: FormData }) => {
    posted.push({ action, fields: Object.fromEntries(body) });
    const answer = answers.shift() ?? "no connection";
    if (answer === "no connection") throw new TypeError("offline");
    const { status = 200, body: said = { ok: true }, type = "application/json" } = answer;
    return new Response(JSON.stringify(said), { status, headers: { "Content-Type": type } });
  });
});
afterEach(() => vi.unstubAllGlobals());

const form = (id: string, more: Record<string, string> = {}) => {
  const own = new FormData();
  for (const [name, value] of Object.entries({ id, text: "5.064", ...more })) own.set(name, value);
  return own;
};
const keep = (id: string, label = "F 5.064") => send("/rigs/1/keep", form(id), label);

describe("an entry", () => {
  it("is sent at once where somebody answers, and its answer handed on", async () => {
    answers = [{ body: { ok: false, errors: { text: "Too long." } } }];
    expect(await keep("a")).toEqual({ sent: true, outcome: { ok: false, errors: { text: "Too long." } } });
    expect(await waiting()).toEqual([]);
  });

  it("waits on the device where nobody answers, with the time it was read", async () => {
    const changed = vi.fn();
    const stop = onWaitingChanged(changed);
    expect(await keep("a")).toEqual({ sent: false });
    expect(changed).toHaveBeenCalledTimes(1);
    stop();
    const [entry] = await waiting();
    expect(entry).toMatchObject({ id: "a", action: "/rigs/1/keep", label: "F 5.064", refused: null });
    const { measuredAt } = Object.fromEntries(entry!.fields);
    expect(Math.abs(Date.now() - new Date(measuredAt as string).getTime())).toBeLessThan(5000);
  });

  it("waits as well where something answers that is not Ambrek, or a server that broke", async () => {
    for (const [id, answer] of [
      ["portal", { type: "text/html" }],
      ["broken", { status: 503 }],
    ] as const) {
      answers = [answer];
      expect(await keep(id), id).toEqual({ sent: false });
    }
    expect((await waiting()).map(({ id }) => id)).toEqual(["portal", "broken"]);
  });

  it("stays in its field where the browser keeps nothing", async () => {
    kept.full = true;
    expect(await keep("a")).toMatchObject({
      sent: true,
      outcome: { ok: false, errors: { text: expect.stringContaining("keeps nothing") } },
    });
  });
});

describe("what waits", () => {
  it("is sent once the connection is back, in order, with everything that was typed", async () => {
    await keep("a");
    await keep("b");
    posted = [];
    answers = [{}, {}];
    expect(await sendWaiting()).toBe(2);
    expect(posted.map(({ fields }) => fields.id)).toEqual(["a", "b"]);
    expect(posted[0]).toMatchObject({ action: "/rigs/1/keep", fields: { text: "5.064" } });
    expect(await waiting()).toEqual([]);
    expect(await sendWaiting()).toBe(0);
  });

  it("stops at the first that finds no connection, and loses nothing", async () => {
    await keep("a");
    await keep("b");
    await keep("c");
    answers = [{}, "no connection"];
    expect(await sendWaiting()).toBe(1);
    expect((await waiting()).map(({ id }) => id)).toEqual(["b", "c"]);
  });

  it("that the server refuses stays, with the reason, and is not sent again", async () => {
    await keep("a");
    await keep("b");
    answers = [{ body: { ok: false, errors: { text: "12 m is no drawbar." } } }, {}];
    expect(await sendWaiting()).toBe(1);
    expect(await waiting()).toMatchObject([{ id: "a", refused: "12 m is no drawbar." }]);
    posted = [];
    expect(await sendWaiting()).toBe(0);
    expect(posted).toEqual([]);
    await discard("a");
    expect(await waiting()).toEqual([]);
  });
});
