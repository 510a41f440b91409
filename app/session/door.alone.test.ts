import { afterEach, describe, expect, it } from "vitest";
import { mostBytes, turnedAway } from "./door.server.ts";
import { mayTry, openSession } from "./passphrase.server.ts";

afterEach(() => {
  delete process.env.AMBREK_PASSPHRASE;
});

const ask = (path: string, headers: Record<string, string> = {}, method = "GET", host = "127.0.0.1:4180") =>
  turnedAway(new Request(`http://${host}${path}`, { method, headers: { Host: host, ...headers } }));
const status = async (...args: Parameters<typeof ask>) => (await ask(...args))?.status ?? "let in";
const own = { Origin: "http://127.0.0.1:4180" };

describe("without a passphrase", () => {
  it("only the machine's own names are answered, so that no other page can borrow its address", async () => {
    for (const host of ["127.0.0.1:4180", "localhost:4180", "[::1]:4180"])
      expect(await status("/", {}, "GET", host), host).toBe("let in");
    for (const host of ["rebound.example:4180", "192.168.1.20:4180", "127.0.0.1.example"])
      expect(await status("/", {}, "GET", host), host).toBe(403);
  });

  it("nothing is changed from another page, another scheme or another port", async () => {
    expect(await status("/rigs/1/keep", own, "POST")).toBe("let in");
    for (const origin of [
      "https://127.0.0.1:4180",
      "http://127.0.0.1:9",
      "http://localhost:4180",
      "null",
      "http://evil.example",
    ])
      expect(await status("/rigs/1/keep", { Origin: origin }, "POST"), origin).toBe(403);
    expect(await status("/rigs/1/keep", {}, "POST")).toBe(403);
    expect(await status("/rigs/1/keep", { "Sec-Fetch-Site": "same-origin" }, "POST")).toBe("let in");
  });

  it("a body may be as large as its route needs, and no larger", async () => {
    const long = (path: string, bytes: number) =>
      status(path, { ...own, "Content-Length": String(bytes) }, "POST");
    expect(await long("/rigs/1/keep", 21 * 1024 * 1024)).toBe("let in");
    expect(await long("/rigs/1/keep", 22 * 1024 * 1024)).toBe(413);
    expect(await long("/limits", 9 * 1024 * 1024)).toBe(413);
    expect(await long("/files", 500 * 1024 * 1024)).toBe("let in");
    expect(await long("/enter", 5000)).toBe(413);
    expect(mostBytes("/rigs/1/keepsake")).toBe(8 * 1024 * 1024);
  });
});

describe("on the network", () => {
  it("nobody is let in without a session: a page leads to the passphrase, a script is told in words", async () => {
    process.env.AMBREK_PASSPHRASE = "seven wet gloves";
    const away = await ask("/rigs/1/keep", own, "POST");
    expect([away!.status, away!.headers.get("Location")]).toEqual([302, "/enter"]);
    const told = await ask("/rigs/1/keep", { ...own, Accept: "application/json" }, "POST");
    expect(told!.status).toBe(401);
    expect(((await told!.json()) as { errors: { form: string } }).errors.form).toContain("passphrase");
    const cookie = (await openSession(new Request("http://192.168.1.20:4180/enter"))).split(";")[0]!;
    expect(await status("/rigs/1/keep", { ...own, Cookie: cookie }, "POST")).toBe("let in");
    expect(await status("/rigs/1/keep", { ...own, Cookie: `${cookie}x` }, "POST")).toBe(302);
  });

  it("tries are counted before anything is read of them", async () => {
    process.env.AMBREK_PASSPHRASE = "seven wet gloves";
    expect(await status("/enter", own, "POST")).toBe("let in");
    while (mayTry(Date.now()));
    expect(await status("/enter", own, "POST")).toBe(429);
    expect(await status("/enter")).toBe("let in");
  });
});
