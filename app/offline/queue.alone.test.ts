import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { kept as keptAs } from "../session/outcome.ts";
import { discard, mendable, onWaitingChanged, send, sendWaiting, tryAgain, waiting } from "./queue.ts";

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
    const { status = 200, body: said = keptAs(), type = "application/json" } = answer;
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
    const { happenedAt } = Object.fromEntries(entry!.fields);
    expect(Math.abs(Date.now() - new Date(happenedAt as string).getTime())).toBeLessThan(5000);
  });

  it("waits as well where something answers that is not Ambrek, or a server that broke", async () => {
    for (const [id, answer] of [
      ["portal", { type: "text/html" }],
      ["broken", { status: 503 }],
      ["locked", { status: 401 }],
    ] as const) {
      answers = [answer];
      expect(await keep(id), id).toEqual({ sent: false });
    }
    expect((await waiting()).map(({ id }) => id)).toEqual(["portal", "broken", "locked"]);
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
    expect(await sendWaiting()).toMatchObject({ sent: 2, locked: false });
    expect(posted.map(({ fields }) => fields.id)).toEqual(["a", "b"]);
    expect(posted[0]).toMatchObject({ action: "/rigs/1/keep", fields: { text: "5.064" } });
    expect(await waiting()).toEqual([]);
    expect((await sendWaiting()).sent).toBe(0);
  });

  it("stops at the first that finds no connection, and loses nothing", async () => {
    await keep("a");
    await keep("b");
    await keep("c");
    answers = [{}, "no connection"];
    expect((await sendWaiting()).sent).toBe(1);
    expect((await waiting()).map(({ id }) => id)).toEqual(["b", "c"]);
  });

  it("that the server refuses stays, with the reason, and is not sent again", async () => {
    await keep("a");
    await keep("b");
    answers = [{ body: { ok: false, errors: { text: "12 m is no drawbar." } } }, {}];
    expect((await sendWaiting()).sent).toBe(1);
    expect(await waiting()).toMatchObject([{ id: "a", refused: "12 m is no drawbar." }]);
    posted = [];
    expect((await sendWaiting()).sent).toBe(0);
    expect(posted).toEqual([]);
    await discard("a");
    expect(await waiting()).toEqual([]);
  });

  it("that was refused is mended where it waits: the wrong fields alone are asked anew, and it stays the same entry", async () => {
    const asked = {
      text: { label: "Drawbar pin to wheels", choices: null },
      instrument: { label: "Read with", choices: [["tape", "Tape"] as [string, string]] },
    };
    await send("/rigs/1/keep", form("a", { instrument: "tape", text: "12 m" }), "F 12 m", asked);
    await keep("b");
    const { happenedAt } = Object.fromEntries((await waiting())[0]!.fields);
    answers = [{ body: { ok: false, errors: { text: "12 m is no drawbar.", reason: "Say why." } } }, {}];
    await sendWaiting();
    const [refused] = await waiting();
    expect(mendable(refused!)).toEqual([
      {
        name: "text",
        text: "12 m",
        said: "12 m is no drawbar.",
        label: "Drawbar pin to wheels",
        choices: null,
      },
      { name: "reason", text: "", said: "Say why.", label: "Reason", choices: null },
    ]);
    await tryAgain("a", { text: "1.2 m", reason: "" });
    expect(await waiting()).toMatchObject([{ id: "a", label: "F 1.2 m", refused: null, wrong: {} }]);
    posted = [];
    answers = [{}];
    expect((await sendWaiting()).sent).toBe(1);
    expect(posted[0]!.fields).toMatchObject({ id: "a", text: "1.2 m", instrument: "tape", happenedAt });
  });

  it("that was refused for no field of its own has nothing to type", async () => {
    await keep("a");
    answers = [{ body: { ok: false, errors: { form: "There is no such rig any more." } } }];
    await sendWaiting();
    const [refused] = await waiting();
    expect(refused).toMatchObject({ refused: "There is no such rig any more." });
    expect(mendable(refused!)).toEqual([]);
  });

  it("is kept and sent in the order it was entered, whatever the numbers of the entries, with the device's clock beside it", async () => {
    for (const id of ["c", "a", "b"]) await keep(id);
    // A browser's own store hands entries out in the order of their keys.
    kept.entries = new Map([...kept.entries].sort(([a], [b]) => a.localeCompare(b)));
    posted = [];
    answers = [{}, {}, {}];
    await sendWaiting();
    expect(posted.map(({ fields }) => fields.id)).toEqual(["c", "a", "b"]);
    for (const { fields } of posted) {
      expect(fields.happenedAt).toMatch(/Z$/);
      expect(Date.parse(fields.sentAt as string)).toBeGreaterThanOrEqual(
        Date.parse(fields.happenedAt as string),
      );
    }
  });

  it("goes on past what is refused in words or by a bare status, and past what the server breaks on", async () => {
    for (const id of ["a", "b", "c", "d"]) await keep(id);
    answers = [{ status: 413, type: "text/plain" }, { status: 500, type: "text/html" }, {}, {}];
    expect((await sendWaiting()).sent).toBe(2);
    expect(await waiting()).toMatchObject([
      { id: "a", refused: "It is too large for the server." },
      { id: "b", refused: null, broke: 1 },
    ]);
    for (let times = 0; times < 2; times++) {
      answers = [{ status: 500, type: "text/html" }];
      await sendWaiting();
    }
    expect(await waiting()).toMatchObject([
      { id: "a" },
      { id: "b", refused: expect.stringContaining("Try it again") },
    ]);
    await tryAgain("b");
    answers = [{}];
    expect((await sendWaiting()).sent).toBe(1);
  });

  it("waits where the device is not in any more", async () => {
    await keep("a");
    answers = [{ status: 401, body: { ok: false, errors: {} } }];
    expect(await sendWaiting()).toMatchObject({ sent: 0, locked: true });
    expect(await waiting()).toMatchObject([{ id: "a", refused: null }]);
  });

  it("hands on what the server says of this device's clock", async () => {
    await keep("a");
    answers = [{ body: keptAs("Kept F. This device's clock is 5 hours slow", { heed: true }) }];
    expect((await sendWaiting()).said).toEqual([expect.stringContaining("5 hours slow")]);
  });
});
