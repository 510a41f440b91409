import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import type { Role } from "../../data/people/people.ts";
import { beyondRole, mostBytes, turnedAway } from "./door.server.ts";
import { closePeople, lettingIn, people } from "./who.server.ts";

const ask = (path: string, headers: Record<string, string> = {}, method = "GET", host = "127.0.0.1:4180") =>
  turnedAway(new Request(`http://${host}${path}`, { method, headers: { Host: host, ...headers } }));
const status = (...args: Parameters<typeof ask>) => ask(...args)?.status ?? "let in";
const own = { Origin: "http://127.0.0.1:4180" };

describe("on the machine itself", () => {
  it("only the machine's own names are answered, so that no other page can borrow its address", () => {
    for (const host of ["127.0.0.1:4180", "localhost:4180", "[::1]:4180"])
      expect(status("/", {}, "GET", host), host).toBe("let in");
    for (const host of ["rebound.example:4180", "192.168.1.20:4180", "127.0.0.1.example"])
      expect(status("/", {}, "GET", host), host).toBe(403);
  });

  it("nothing is changed from another page, another scheme or another port", () => {
    expect(status("/rigs/1/keep", own, "POST")).toBe("let in");
    for (const origin of [
      "https://127.0.0.1:4180",
      "http://127.0.0.1:9",
      "http://localhost:4180",
      "null",
      "http://evil.example",
    ])
      expect(status("/rigs/1/keep", { Origin: origin }, "POST"), origin).toBe(403);
    expect(status("/rigs/1/keep", {}, "POST")).toBe(403);
    expect(status("/rigs/1/keep", { "Sec-Fetch-Site": "same-origin" }, "POST")).toBe("let in");
  });

  it("a body may be as large as its route needs, and no larger", () => {
    const long = (path: string, bytes: number) =>
      status(path, { ...own, "Content-Length": String(bytes) }, "POST");
    expect(long("/rigs/1/keep", 21 * 1024 * 1024)).toBe("let in");
    expect(long("/rigs/1/keep", 22 * 1024 * 1024)).toBe(413);
    expect(long("/limits", 9 * 1024 * 1024)).toBe(413);
    expect(long("/files", 500 * 1024 * 1024)).toBe("let in");
    expect(long("/enter", 5000)).toBe(413);
    expect(mostBytes("/rigs/1/keepsake")).toBe(8 * 1024 * 1024);
  });
});

describe("on the network", () => {
  let folder = "";
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), "ambrek-door-"));
    process.env.AMBREK_DB = join(folder, "yard.db");
    process.env.AMBREK_LAN = "yes";
  });
  afterEach(() => {
    closePeople();
    delete process.env.AMBREK_DB;
    delete process.env.AMBREK_LAN;
    rmSync(folder, { recursive: true, force: true });
  });

  /** What a device of somebody's shows, over a line of that scheme. */
  function cookieOf(role: Role, scheme = "http"): string {
    const token = people().invite({ name: `A ${role} ${scheme}`, role }, "", Date.now());
    const shown = people().accept(token, { called: "", deviceName: "Phone" }, Date.now());
    return lettingIn(new Request(`${scheme}://127.0.0.1:4180/join`), shown).getSetCookie()[0]!;
  }
  const pair = (cookie: string) => cookie.split(";")[0]!;

  it("nobody is let in without a session: a page leads to where one comes in, a script is told in words", async () => {
    const away = ask("/rigs/1/keep", own, "POST");
    expect([away!.status, away!.headers.get("Location")]).toEqual([302, "/enter"]);
    const told = ask("/rigs/1/keep", { ...own, Accept: "application/json" }, "POST");
    expect(told!.status).toBe(401);
    expect(((await told!.json()) as { errors: { form: string } }).errors.form).toContain("come in again");
    const cookie = pair(cookieOf("operator"));
    expect(status("/rigs/1/keep", { ...own, Cookie: cookie }, "POST")).toBe("let in");
    expect(status("/rigs/1/keep", { ...own, Cookie: `${cookie}x` }, "POST")).toBe(302);
    expect(status("/rigs/1/keep", { ...own, Cookie: `x${cookie}` }, "POST")).toBe(302);
    for (const path of ["/enter", "/join", "/join.data"]) expect(status(path), path).toBe("let in");
    for (const path of ["/enters", "/joined", "/people/join", "//join"]) expect(status(path), path).toBe(302);
  });

  it("a cookie is for this host and this line alone, and no script reads it", () => {
    const plain = cookieOf("owner");
    expect(plain).toMatch(/^ambrek-session=[\w-]{43}; Path=\/; Max-Age=\d+; HttpOnly; SameSite=Lax$/);
    const secure = cookieOf("owner", "https");
    expect(secure).toMatch(/^__Host-ambrek-session=[\w-]{43}; Path=\/; .*HttpOnly; SameSite=Lax; Secure$/);
    // Shown over the other line it is nothing.
    expect(status("/", { Cookie: pair(secure) })).toBe(302);
  });

  it("each does what their role may, whatever they ask", () => {
    const as = (role: Role, path: string, method = "GET") => (beyondRole(role, method, path) ? "no" : "yes");
    expect(
      (["owner", "operator", "adviser"] as const).map((role) =>
        [
          as(role, "/"),
          as(role, "/people"),
          as(role, "/people.data"),
          as(role, "/people", "POST"),
          as(role, "/backup.db"),
          as(role, "/limits", "POST"),
          as(role, "/rigs/1/keep", "POST"),
          as(role, "/files", "POST"),
          as(role, "/preferences", "POST"),
          as(role, "/device", "POST"),
          as(role, "/limits", "PUT"),
        ].join(" "),
      ),
    ).toEqual([
      "yes yes yes yes yes yes yes yes yes yes yes",
      "yes no no no no yes yes yes yes yes yes",
      "yes no no no no no yes no yes yes no",
    ]);
    expect(status("/people", { Cookie: pair(cookieOf("operator")) })).toBe(403);
    expect(status("/limits", { ...own, Cookie: pair(cookieOf("adviser")) }, "POST")).toBe(403);
  });
});
