import { describe, expect, it } from "vitest";
import { newAuthority, newServer } from "./certificates.server.ts";
import { plainAnswer } from "./trust-page.server.ts";
import { AUTHORITY_FILE } from "./trusting.ts";

const REACHED = { addresses: ["192.168.7.20"], networks: ["192.168.7.0/24"], name: "shed.local" };
const kept = (async () => {
  const authority = await newAuthority(REACHED, new Date());
  const server = await newServer(authority, REACHED, new Date());
  return { authority, server, anew: false, fingerprint: "AA:BB" };
})();

describe("who comes without encryption", () => {
  it("is shown how to trust the yard, with the fingerprint, and sent on to the same address, encrypted", async () => {
    const answer = plainAnswer("/rigs/3", "192.168.7.20:4180", await kept);
    const text = await answer.text();
    expect(text).toContain("AA:<wbr>BB");
    expect(text).toContain('href="https://192.168.7.20:4180/"');
    expect(text).toContain("To take it out again");
    expect(answer.headers.get("Content-Security-Policy")).toContain("connect-src https://192.168.7.20:4180");
  });

  it("is given the authority's certificate, and never a key", async () => {
    const file = await plainAnswer(AUTHORITY_FILE, "192.168.7.20:4180", await kept).text();
    expect(file).toBe((await kept).authority.certificate);
    for (const path of ["/", AUTHORITY_FILE, "/network/authority-key.pem"])
      expect(await plainAnswer(path, "192.168.7.20:4180", await kept).text(), path).not.toContain(
        "PRIVATE KEY",
      );
  });

  it("is not answered under an address that is none: nothing of it gets onto the page", async () => {
    for (const host of ["", "x'></script><script>", "a b"])
      expect(plainAnswer("/", host, await kept).status, host).toBe(400);
  });
});
