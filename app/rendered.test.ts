import { describe, expect, it } from "vitest";
import { knownBy, RenderedPages } from "./rendered.server.ts";

const from = {
  url: "http://127.0.0.1/rigs/1",
  status: 200,
  loaded: { rig: { name: "Drill", at: new Map([["width", 3]]) } },
  zone: "UTC",
  now: new Date("2026-03-01T08:00:10Z"),
};

describe("a page that was rendered", () => {
  it("is known again by all it was rendered from, and by nothing less", () => {
    const key = knownBy(from);
    expect(knownBy(structuredClone(from))).toBe(key);
    const others = [
      { ...from, url: "http://127.0.0.1/rigs/2" },
      { ...from, status: 404 },
      { ...from, loaded: { rig: { name: "Drill", at: new Map([["width", 3.1]]) } } },
      { ...from, zone: "Europe/Oslo" },
      { ...from, now: new Date("2026-03-01T08:01:00Z") },
    ].map(knownBy);
    expect(new Set([key, ...others]).size).toBe(6);
    expect(knownBy({ ...from, loaded: { act: () => 1 } })).toBeNull();
  });

  it("comes back under the nonce of the new answer", () => {
    const pages = new RenderedPages();
    expect(pages.recall("a", "n2")).toBeNull();
    const html = (nonce: string) =>
      `<p>Höfe</p><script nonce="${nonce}">1</script><p>n</p><script nonce="${nonce}">`;
    pages.keep("a", { html: Buffer.from(html("n1")), nonce: "n1" });
    for (const nonce of ["n2", "n3"]) expect(pages.recall("a", nonce)!.toString()).toBe(html(nonce));
  });

  it("goes where newer ones need the room, the one looked at longest ago first", () => {
    const pages = new RenderedPages();
    const html = Buffer.from("x".repeat(1.9e6));
    for (let page = 0; page < 12; page += 1) pages.keep(String(page), { html, nonce: "-" });
    pages.recall("0", "-");
    pages.keep("12", { html, nonce: "-" });
    expect(pages.recall("0", "-")).toEqual(html);
    expect(pages.recall("1", "-")).toBeNull();
    pages.keep("too large", { html: Buffer.concat([html, html]), nonce: "-" });
    expect(pages.recall("too large", "-")).toBeNull();
  });
});
