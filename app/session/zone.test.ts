import { describe, expect, it } from "vitest";
import { day, moment } from "../stations/frame/print.ts";
import { inZoneOf, zoneOf } from "./zone.server.ts";

const from = (cookie: string) => new Request("http://127.0.0.1/", { headers: { Cookie: cookie } });
const late = "2026-11-03T23:30:00.000Z";

describe("a device's zone", () => {
  it("is the one it told, and UTC for any other word", () => {
    expect(zoneOf(from("ambrek=x; zone=Europe%2FVienna"))).toBe("Europe/Vienna");
    for (const cookie of ["", "zone=", "zone=constructor", "zone=%E0%A4%A", "zone=Mars/Olympus"])
      expect(zoneOf(from(cookie)), cookie).toBe("UTC");
  });

  it("is what days and minutes are printed in, each request in its own, also past an await", async () => {
    const printed = (cookie: string) =>
      inZoneOf(from(cookie), async () => {
        await new Promise((done) => setTimeout(done, 5));
        return moment(late);
      });
    expect(
      await Promise.all([printed("zone=Europe%2FVienna"), printed("zone=America%2FDenver"), printed("")]),
    ).toEqual(["4 Nov 2026, 00:30", "3 Nov 2026, 16:30", "3 Nov 2026, 23:30"]);
    expect(day(late)).toBe("3 Nov 2026");
  });
});
