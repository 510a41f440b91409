import { X509Certificate } from "node:crypto";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect, createServer } from "node:tls";
import { afterAll, describe, expect, it } from "vitest";
import { fingerprintOf, newAuthority, newServer, type Pair, type Reached } from "./certificates.server.ts";
import { certificatesFor } from "./kept-certificates.server.ts";
import { reachedBy } from "./reached.server.ts";

const YARD: Reached = { addresses: ["192.168.7.20"], networks: ["192.168.7.0/24"], name: "shed.local" };
const NOW = new Date();
const DAY = 24 * 3600 * 1000;
const authority = newAuthority(YARD, NOW);
/** Node's word for OpenSSL's X509_V_ERR_PERMITTED_VIOLATION, which it has no code of its own for. */
const NOT_PERMITTED = "UNSPECIFIED";

/** What a client that trusts the authority says of a server, by OpenSSL: "trusted", or the error's code. */
async function said(by: Pair, shown: Pair, host: string): Promise<string> {
  const server = createServer({ cert: shown.certificate, key: shown.key });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port } = server.address() as { port: number };
  const answer = await new Promise<string>((done) => {
    const named = /^\d/.test(host) ? {} : { servername: host };
    const socket = connect({
      port,
      host: "127.0.0.1",
      ca: by.certificate,
      rejectUnauthorized: false,
      ...named,
    });
    socket.once("secureConnect", () => {
      done(socket.authorized ? "trusted" : String(socket.authorizationError));
      socket.destroy();
    });
    socket.once("error", (error) => done(String(error)));
  });
  server.close();
  return answer;
}

describe("a server on the network, as OpenSSL judges it", () => {
  it("is trusted under its name by who trusts the yard's authority, and by nobody else", async () => {
    const server = await newServer(await authority, YARD, NOW);
    expect(await said(await authority, server, "shed.local")).toBe("trusted");
    const another = await newAuthority(YARD, NOW);
    expect(await said(another, server, "shed.local")).not.toBe("trusted");
  });

  it("stands for its addresses", async () => {
    const read = new X509Certificate((await newServer(await authority, YARD, NOW)).certificate);
    expect(read.checkIP("192.168.7.20")).toBe("192.168.7.20");
    expect(read.checkIP("192.168.7.21")).toBeUndefined();
    expect(read.checkHost("shed.local")).toBe("shed.local");
    expect(read.ca).toBe(false);
  });

  it("lasts no longer than phones take: 398 days", async () => {
    const read = new X509Certificate((await newServer(await authority, YARD, NOW)).certificate);
    expect(Date.parse(read.validTo) - Date.parse(read.validFrom)).toBeLessThan(398 * DAY);
  });
});

describe("an authority held to its network (RFC 5280 4.2.1.10)", () => {
  const outside: [string, Reached][] = [
    ["another name", { ...YARD, addresses: [], name: "bank.example" }],
    ["another machine's name in it", { ...YARD, addresses: [], name: "house.local" }],
    ["an address elsewhere", { ...YARD, addresses: ["203.0.113.9"] }],
    ["an address in the next network", { ...YARD, addresses: ["192.168.8.20"] }],
    ["an address of six", { ...YARD, addresses: ["2001:db8::1"] }],
  ];
  it.each(outside)("speaks not for %s", async (_what, reached) => {
    const server = await newServer(await authority, reached, NOW);
    expect(await said(await authority, server, reached.name!)).toBe(NOT_PERMITTED);
  });

  it("speaks for another address of the same network", async () => {
    const server = await newServer(await authority, { ...YARD, addresses: ["192.168.7.99"] }, NOW);
    expect(await said(await authority, server, "shed.local")).toBe("trusted");
  });

  it("speaks for no name at all where the machine has none", async () => {
    const nameless = await newAuthority({ ...YARD, name: null }, NOW);
    const server = await newServer(nameless, { ...YARD, name: "bank.example" }, NOW);
    expect(await said(nameless, server, "bank.example")).toBe(NOT_PERMITTED);
  });

  it("is no step to another authority", async () => {
    const read = new X509Certificate((await authority).certificate);
    expect(read.ca).toBe(true);
    expect(read.toString()).toContain("BEGIN CERTIFICATE");
    expect(await fingerprintOf(await authority)).toBe(read.fingerprint256);
  });
});

describe("certificates kept beside the yard", () => {
  const folders: string[] = [];
  const folder = () => {
    const made = mkdtempSync(join(tmpdir(), "ambrek-certificates-"));
    folders.push(made);
    return join(made, "network");
  };
  afterAll(() => folders.forEach((each) => void rmSync(each, { recursive: true })));

  it("are made once, and read by their owner alone", async () => {
    const at = folder();
    const first = await certificatesFor(YARD, NOW, at);
    expect(first.anew).toBe(false);
    expect(await certificatesFor(YARD, NOW, at)).toEqual(first);
    expect(readdirSync(at).sort()).toEqual([
      "authority-key.pem",
      "authority.pem",
      "server-key.pem",
      "server.pem",
    ]);
    for (const file of readdirSync(at)) expect(statSync(join(at, file)).mode & 0o077, file).toBe(0);
    expect(statSync(at).mode & 0o077).toBe(0);
  });

  it("show the server's new address by the same authority: no phone has to be told", async () => {
    const at = folder();
    const before = await certificatesFor(YARD, NOW, at);
    const after = await certificatesFor({ ...YARD, addresses: ["192.168.7.41"] }, NOW, at);
    expect(after.fingerprint).toBe(before.fingerprint);
    expect(after.anew).toBe(false);
    expect(new X509Certificate(after.server.certificate).checkIP("192.168.7.41")).toBe("192.168.7.41");
    expect(readFileSync(join(at, "server.pem"), "utf8")).toBe(after.server.certificate);
  });

  it("begin anew in another network, and say so", async () => {
    const at = folder();
    const before = await certificatesFor(YARD, NOW, at);
    const moved = { ...YARD, addresses: ["10.3.0.5"], networks: ["10.3.0.0/16"] };
    const after = await certificatesFor(moved, NOW, at);
    expect(after.anew).toBe(true);
    expect(after.fingerprint).not.toBe(before.fingerprint);
    expect(await said(after.authority, after.server, "shed.local")).toBe("trusted");
  });

  it("are the server's anew in its last month, the authority's in its last year", async () => {
    const at = folder();
    const before = await certificatesFor(YARD, NOW, at);
    const later = async (days: number) => certificatesFor(YARD, new Date(NOW.getTime() + days * DAY), at);
    expect((await later(330)).server).toEqual(before.server);
    const renewed = await later(340);
    expect(renewed.server).not.toEqual(before.server);
    expect(renewed.authority).toEqual(before.authority);
    expect((await later(9 * 365 + 10)).anew).toBe(true);
  });

  it("are made anew where a file is broken or one of two is missing", async () => {
    const at = folder();
    const before = await certificatesFor(YARD, NOW, at);
    writeFileSync(join(at, "server.pem"), "-----BEGIN CERTIFICATE-----\nAAAA\n-----END CERTIFICATE-----\n");
    const mended = await certificatesFor(YARD, NOW, at);
    expect(mended.fingerprint).toBe(before.fingerprint);
    expect(await said(mended.authority, mended.server, "shed.local")).toBe("trusted");
    rmSync(join(at, "authority-key.pem"));
    expect((await certificatesFor(YARD, NOW, at)).fingerprint).not.toBe(before.fingerprint);
    expect(existsSync(join(at, "authority-key.pem"))).toBe(true);
  });
});

describe("where a machine is reached", () => {
  const card = (address: string, prefix: number, internal = false) => [
    { address, cidr: `${address}/${prefix}`, family: "IPv4" as const, internal, mac: "", netmask: "" },
  ];

  it("by its addresses, in their networks, under its own name", () => {
    const found = reachedBy(
      { lo: card("127.0.0.1", 8, true), wifi: card("192.168.7.20", 24) },
      "Shed.lan",
      "",
    );
    expect(found).toEqual({ addresses: ["192.168.7.20"], networks: ["192.168.7.0/24"], name: "shed.local" });
  });

  it("an address of the whole world stands for itself alone; one in a network of many, for all of it", () => {
    const found = reachedBy({ a: card("203.0.113.77", 22), b: card("172.20.9.130", 20) }, "localhost", "");
    expect(found.networks).toEqual(["203.0.113.77/32", "172.20.0.0/20"]);
    expect(found.name).toBeNull();
  });

  it("by the address it is told", () => {
    expect(reachedBy({ a: card("172.20.9.130", 20) }, "shed", "192.168.1.5")).toMatchObject({
      addresses: ["192.168.1.5"],
      networks: ["192.168.1.5/32"],
    });
  });
});
