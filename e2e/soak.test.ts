import { expect, it } from "vitest";
import { soak } from "../trials/soak/soak.ts";

/** A minute of `npm run soak`. */
it("a yard with phones in and out of reach, two desks, a restore and a server that is killed loses and doubles nothing", async () => {
  const found = await soak({ seed: 2026, seconds: 60, phones: 12, kills: 2 });
  expect(found.faults).toEqual([]);
  expect(found.entered).toBeGreaterThan(100);
  expect(found.accepted).toBe(found.entered);
  expect([found.kills, found.restores]).toEqual([2, 1]);
  expect(found.backups).toBeGreaterThan(2);
}, 300_000);
