import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import type { DeviceListed } from "../../data/people/people.ts";
import type { Figures } from "./figures.ts";
import { verdictOf } from "./server-view.server.ts";
import { bytesOf, ofDelay, ofDevice, ofFailures, ofRoom, standingOf } from "./standing.server.ts";

const NOW = new Date("2026-10-04T10:00:00Z");
const AT = NOW.getTime();
const HOUR = 3600_000;
const folder = mkdtempSync(join(tmpdir(), "ambrek-standing-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const figures = (more: Partial<Figures> = {}): Figures => ({
  version: "1",
  node: "v20",
  started: AT - HOUR,
  last: AT,
  asked: 40,
  refused: 0,
  failed: 0,
  failures: [],
  slowest: [],
  delay: { longest: 12, usual: 1 },
  memory: 3e8,
  ...more,
});

const device = (waits: DeviceListed["waits"], seen: number | null = AT): DeviceListed => ({
  id: 7,
  name: "Tablet",
  began: AT - 100 * HOUR,
  seen,
  waits,
});

describe("how a server stands", () => {
  it("is not known where nothing was told, nor where nobody came", () => {
    expect(ofFailures(null).tone).toBe("unknown");
    expect(ofDelay(null).tone).toBe("unknown");
    expect(ofFailures(figures({ asked: 0 })).tone).toBe("unknown");
    expect(ofFailures(figures()).tone).toBe("ok");
  });

  it("is wrong once something failed, with what it was and what to do", () => {
    const line = ofFailures(figures({ failed: 3, failures: [{ at: AT, what: "GET /plan: 500" }] }));
    expect(line).toMatchObject({ tone: "stop" });
    expect(line.said).toContain("3 since");
    expect(line.said).toContain("GET /plan: 500");
    expect(line.act).toContain("log");
  });

  it("wants as much room as a backup and a restore take, and never less than a gigabyte", () => {
    expect(ofRoom(2e9, 5.9e9).tone).toBe("warn");
    expect(ofRoom(2e9, 6e9).tone).toBe("ok");
    expect(ofRoom(1e6, 9e8).tone).toBe("warn");
    expect(ofRoom(1e6, 9e8).said).toContain("1.0 GB");
  });

  it("counts what was written and is not in the file yet to the yard's size", () => {
    const path = join(folder, "yard.db");
    expect(bytesOf(path)).toBeNull();
    writeFileSync(path, Buffer.alloc(1000));
    writeFileSync(`${path}-wal`, Buffer.alloc(234));
    expect(bytesOf(path)).toBe(1234);
  });

  it("says what waits on each device: refused is seen to, long is, never told is not known", () => {
    expect(ofDevice("Ilse", device(null), AT).tone).toBe("unknown");
    expect(ofDevice("Ilse", device({ waiting: 0, refused: 0, told: AT }), AT).tone).toBe("ok");
    const refused = ofDevice("Ilse", device({ waiting: 3, refused: 1, told: AT }), AT);
    expect(refused.tone).toBe("warn");
    expect(refused.said).toContain("3 entries wait");
    expect(refused.said).toContain("1 of them refused");
    expect(refused.act).toContain("Ilse");
    expect(ofDevice("Ilse", device({ waiting: 1, refused: 0, told: AT - HOUR }), AT).tone).toBe("unknown");
    expect(ofDevice("Ilse", device({ waiting: 1, refused: 0, told: AT - 30 * HOUR }, null), AT).tone).toBe(
      "warn",
    );
  });

  it("has the gravest first, and a verdict that never calls well what is not known", () => {
    const lines = standingOf({ figures: null, path: join(folder, "none.db"), people: [], now: NOW });
    const tones = lines.map(({ tone }) => tone);
    expect(tones).toEqual([...tones].sort((a, b) => (a === b ? 0 : a === "warn" ? -1 : 1)));
    expect(verdictOf(lines)).toContain("not known");
    const of = (...tones: ("ok" | "warn" | "stop" | "unknown")[]) =>
      verdictOf(tones.map((tone) => ({ id: "", label: "", said: "", act: "", tone })));
    expect(of("ok")).toBe("All is well.");
    expect(of("ok", "unknown")).toBe("Nothing known is wrong. One thing is not known.");
    expect(of("stop", "warn", "unknown", "unknown")).toBe("2 things want seeing to. 2 things are not known.");
  });
});
