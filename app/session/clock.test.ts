import { describe, expect, it } from "vitest";
import { cameAt, stampOf } from "./clock.server.ts";

const now = new Date("2026-11-20T15:00:00.000Z");
function stamped(fields: Record<string, string>) {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return stampOf(form, now);
}
const at = (fields: Record<string, string>) => {
  const found = stamped(fields);
  if (!found.ok) throw new Error(found.problem);
  return { at: found.stamp.at.toISOString(), clock: found.stamp.clock };
};

describe("when something happened", () => {
  it("is arrival where nothing is told", () => {
    expect(at({})).toEqual({ at: now.toISOString(), clock: "" });
  });

  it("is arrival less what passed on the device between it and sending", () => {
    expect(at({ happenedAt: "2026-11-20T09:00:00Z", sentAt: "2026-11-20T15:00:01Z" })).toEqual({
      at: "2026-11-20T08:59:59.000Z",
      clock: "",
    });
  });

  it("is set right where the device's clock is wrong, and that is said", () => {
    // A clock five hours slow: ten minutes passed all the same.
    const slow = at({ happenedAt: "2026-11-20T09:50:00Z", sentAt: "2026-11-20T10:00:00Z" });
    expect(slow.at).toBe("2026-11-20T14:50:00.000Z");
    expect(slow.clock).toContain("5 hours slow");
    // A clock set years ahead neither wins nor loses.
    const fast = at({ happenedAt: "2031-01-01T00:00:00Z", sentAt: "2031-01-01T00:10:00Z" });
    expect(fast.at).toBe("2026-11-20T14:50:00.000Z");
    expect(fast.clock).toContain("fast");
  });

  it("is never later than now, also by an older device that tells only the event", () => {
    expect(at({ measuredAt: "2199-01-01T00:00:00Z" }).at).toBe(now.toISOString());
    expect(at({ measuredAt: "2026-11-03T06:10:00.000Z" }).at).toBe("2026-11-03T06:10:00.000Z");
    expect(at({ happenedAt: "2026-11-20T11:00:00Z", sentAt: "2026-11-20T10:00:00Z" }).at).toBe(
      now.toISOString(),
    );
  });

  it("is refused before 2020, or where it is no time", () => {
    for (const fields of [
      { happenedAt: "1970-01-01T00:00:10Z", sentAt: "1970-01-01T00:00:20Z" },
      { measuredAt: "2019-12-31T23:59:59Z" },
      { happenedAt: "2021-01-01T00:00:00Z", sentAt: "2031-01-01T00:00:00Z" },
      { happenedAt: "yesterday" },
      { happenedAt: "2026-11-20T09:00:00Z", sentAt: "soon" },
      { happenedAt: "2026-99-99T09:00:00Z" },
    ])
      expect(stamped(fields).ok, JSON.stringify(fields)).toBe(false);
  });
});

describe("when a request arrived", () => {
  it("is when it came to the door, however long it waited since; without a door it is now", () => {
    const came = new Request("http://localhost/", { headers: { "ambrek-came": String(now.getTime()) } });
    expect(cameAt(came)).toEqual(now);
    for (const headers of [{}, { "ambrek-came": "soon" }] as Record<string, string>[])
      expect(cameAt(new Request("http://localhost/", { headers })).getTime()).toBeGreaterThan(now.getTime());
  });
});
