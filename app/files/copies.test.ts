import { afterEach, describe, expect, it, vi } from "vitest";
import { backupsSaid, ofBackups, ofReplica, replicaSaid } from "./copies.server.ts";

const now = new Date("2026-03-02T08:00:00Z");
const last = { name: "ambrek-2026-03-02.db", at: "2026-03-02T05:00:00Z", bytes: 2_100_000, rigs: 17 };
const backups = { folder: "/b", last, problem: null, tried: "2026-03-02T05:00:00Z" };
const replica = { to: "/r", running: true, newest: "2026-03-02T07:59:58Z", problem: null };

afterEach(() => vi.unstubAllEnvs());

describe("copies elsewhere", () => {
  it("are good only where something newer than a day is known of them", () => {
    expect(ofBackups(backups, now)).toMatchObject({ tone: "ok", said: expect.stringContaining("17 rigs") });
    expect(ofBackups({ ...backups, last: { ...last, at: "2026-02-27T05:00:00Z" } }, now).tone).toBe("warn");
    expect(ofBackups({ ...backups, last: null }, now).tone).toBe("warn");
    const failed = ofBackups({ ...backups, problem: "No room." }, now);
    expect([failed.tone, failed.said]).toEqual([
      "warn",
      expect.stringMatching(/failed: No room\..*last good/),
    ]);
  });

  it("are not good for ever because a clock was ahead when the last was made", () => {
    const ahead = ofBackups({ ...backups, last: { ...last, at: "2031-05-10T05:00:00Z" } }, now);
    expect(ahead).toMatchObject({ tone: "unknown", said: expect.stringContaining("clock was set back") });
  });

  it("a breath behind say up to when, and nothing good before that is known", () => {
    expect(ofReplica(replica)).toMatchObject({ tone: "ok", said: expect.stringContaining("up to") });
    expect(ofReplica({ ...replica, newest: null }).tone).toBe("unknown");
    expect(ofReplica({ ...replica, problem: "no such bucket" })).toMatchObject({
      tone: "warn",
      said: expect.stringContaining("no such bucket"),
    });
    expect(ofReplica({ ...replica, running: false }).tone).toBe("warn");
  });

  it("that nobody asked for are said to be none, and of those nothing is known yet", () => {
    vi.stubEnv("AMBREK_REPLICA", "");
    vi.stubEnv("AMBREK_BACKUPS", "off");
    expect([replicaSaid("/nowhere"), backupsSaid(now, "/nowhere")]).toEqual([null, null]);
    vi.stubEnv("AMBREK_REPLICA", "/r");
    vi.stubEnv("AMBREK_BACKUPS", "");
    expect([replicaSaid("/nowhere")!.tone, backupsSaid(now, "/nowhere")!.tone]).toEqual([
      "unknown",
      "unknown",
    ]);
  });
});
