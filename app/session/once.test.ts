import { randomUUID } from "node:crypto";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { closeDatabase, database } from "../../data/database.ts";
import { record } from "../../data/record.ts";
import { openSampleYard, type SampleYard } from "../routes/sample-yard.ts";
import { formOf } from "./form.server.ts";
import { onceOnly } from "./once.server.ts";
import { alone, inTurn } from "./turns.server.ts";

let yard: SampleYard;
let made: string[];
let view: string;
beforeEach(() => {
  view = randomUUID();
  yard = openSampleYard();
  made = [];
});
afterEach(() => yard.close());

const sent = (fields: Record<string, string>, accept = "*/*", path = "/weights") => {
  const body = new FormData();
  for (const [name, value] of Object.entries(fields)) body.set(name, value);
  return new Request(`http://localhost:4180${path}`, { method: "POST", body, headers: { accept } });
};

/** Keeps what a form says, as a route does: what an action throws as an answer is its answer. */
const keeping = (request: Request, wait = Promise.resolve()) =>
  onceOnly(request, () =>
    inTurn(async () => {
      try {
        const form = await formOf(request);
        const label = String(form.get("label"));
        expect(form.has("once")).toBe(false);
        await wait;
        if (label === "") return new Response("Say what it is called.", { status: 422 });
        record(
          database(),
          { kind: "setting", about: {}, topic: "weights" },
          { person: "Ilse", at: new Date() },
        );
        made.push(label);
        return new Response(`${label} was kept`, { headers: { "Set-Cookie": `last=${label}` } });
      } catch (answer) {
        if (answer instanceof Response) return answer;
        throw answer;
      }
    }),
  );

describe("a form that comes once more", () => {
  it("is answered as it was, and makes nothing", async () => {
    const fields = { once: view, label: "front plate" };
    const answers = [await keeping(sent(fields)), await keeping(sent(fields)), await keeping(sent(fields))];
    expect(made).toEqual(["front plate"]);
    for (const answer of answers) {
      expect(answer.status).toBe(200);
      expect(answer.headers.getSetCookie()).toEqual(["last=front plate"]);
      expect(await answer.text()).toBe("front plate was kept");
    }
  });

  it("waits for the first where that is still on its way", async () => {
    let go = () => {};
    const slow = new Promise<void>((done) => (go = done));
    const fields = { once: view, label: "front plate" };
    const first = keeping(sent(fields), slow);
    const second = keeping(sent(fields));
    // Meanwhile it is in nobody's way who needs the file to themselves.
    setTimeout(go, 20);
    expect(await inTurn(() => alone(() => "alone"))).toBe("alone");
    expect(await (await first).text()).toBe(await (await second).text());
    expect(made).toEqual(["front plate"]);
  });

  it("may be tried again where it was refused, or broke", async () => {
    const empty = { once: view, label: "" };
    expect((await keeping(sent(empty))).status).toBe(422);
    expect((await keeping(sent(empty))).status).toBe(422);
    const fields = { once: view, label: "front plate" };
    await expect(keeping(sent(fields), Promise.reject(new Error("The disk is full.")))).rejects.toThrow(
      "full",
    );
    expect(await (await keeping(sent(fields))).text()).toBe("front plate was kept");
    expect(made).toEqual(["front plate"]);
  });

  it("is another where it says something else, comes from another view, or has no number", async () => {
    await keeping(sent({ once: view, label: "front plate" }));
    await keeping(sent({ once: view, label: "rear plate" }));
    await keeping(sent({ once: randomUUID(), label: "rear plate" }));
    await keeping(sent({ once: view, label: "rear plate" }, "*/*", "/others"));
    for (const once of ["", "no number", "x".repeat(65)]) await keeping(sent({ once, label: "wheel" }));
    expect(made).toHaveLength(7);
  });

  it("is the same whenever it was sent: an entry has the time with it that its device sent it at", async () => {
    const at = (sentAt: string) => sent({ once: view, label: "front plate", sentAt }, "application/json");
    await keeping(at("2026-04-01T06:00:00Z"));
    await keeping(at("2026-04-01T06:00:09Z"));
    expect(made).toHaveLength(1);
  });

  it("is known by what it made after the server was started anew", async () => {
    const fields = { once: view, label: "front plate" };
    await keeping(sent(fields, "text/html"));
    // The same content is asked for in another way: nothing of the first answer is ready for it.
    closeDatabase();
    database();
    const asEntry = await keeping(sent(fields, "application/json"));
    expect(await asEntry.json()).toMatchObject({ ok: true, kept: { said: "Saved before" } });
    const asData = await keeping(sent(fields));
    expect([asData.status, asData.headers.get("Location")]).toEqual([302, "/weights"]);
    expect(made).toEqual(["front plate"]);
  });
});
