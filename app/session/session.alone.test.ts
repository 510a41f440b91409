import { describe, expect, it } from "vitest";
import { readPreferences, writePreferences } from "./preferences.server.ts";
import { fromOurOwnPages } from "./same-origin.server.ts";

const post = (headers: Record<string, string>) =>
  new Request("http://127.0.0.1:4180/x", { method: "POST", headers: { Host: "127.0.0.1:4180", ...headers } });

describe("requests that change something", () => {
  it("come from our own pages only", () => {
    expect(fromOurOwnPages(post({ Origin: "http://127.0.0.1:4180" }))).toBe(true);
    expect(fromOurOwnPages(post({ Origin: "http://elsewhere.example" }))).toBe(false);
    expect(fromOurOwnPages(post({ Origin: "null" }))).toBe(false);
    expect(fromOurOwnPages(post({}))).toBe(false);
    expect(fromOurOwnPages(post({ "Sec-Fetch-Site": "same-origin" }))).toBe(true);
    expect(fromOurOwnPages(new Request("http://127.0.0.1:4180/x"))).toBe(true);
  });
});

describe("preferences", () => {
  it("come back from the cookie, and nonsense in it is ignored", async () => {
    const chosen = {
      choice: "own" as const,
      own: { tape: "ft-in/8" as const, small: "cm" as const },
      units: { tape: "ft-in/8" as const, small: "cm" as const },
      theme: "night" as const,
      person: "Mira",
    };
    const request = (cookie: string) => new Request("http://x/", { headers: { Cookie: cookie } });
    expect(await readPreferences(request((await writePreferences(chosen)).split(";")[0]!))).toEqual(chosen);
    expect(await readPreferences(request("ambrek=%%%"))).toEqual({
      choice: "metric",
      own: { tape: "m", small: "in" },
      units: { tape: "m", small: "cm" },
      theme: "day",
      person: "",
    });
  });
});
