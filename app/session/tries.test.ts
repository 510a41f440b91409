import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addressKey, triesOf } from "./tries.ts";

describe("tries", () => {
  it("are so many at once, then one by one, each key by itself", () => {
    let now = 0;
    const tries = triesOf(3, 1000, () => now);
    const take = (key: string) => tries.take(key);
    expect([take("a"), take("a"), take("a"), take("a"), take("b")]).toEqual([true, true, true, false, true]);
    now = 999;
    expect(tries.left("a")).toBe(false);
    now = 1000;
    expect([tries.left("a"), take("a"), take("a")]).toEqual([true, true, false]);
  });

  it("come to no more than so many and one each time, however they are spread", () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 5000 }), { maxLength: 200 }), (pauses) => {
        let now = 0;
        const tries = triesOf(5, 1000, () => now);
        let taken = 0;
        for (const pause of pauses) {
          now += pause;
          if (tries.take("a")) taken += 1;
        }
        expect(taken).toBeLessThanOrEqual(5 + now / 1000 + 1e-6);
      }),
    );
  });

  it("forget the oldest where very many come, and not the one that just tried", () => {
    const tries = triesOf(1, 1e9, () => 0);
    for (let at = 0; at < 20_000; at += 1) tries.take(`a${at}`);
    expect(tries.take("a19999")).toBe(false);
  });
});

describe("an address", () => {
  it("of the sixth version counts by its network (RFC 4291: 64 bits of it)", () => {
    expect(addressKey("::ffff:192.168.1.20")).toBe("192.168.1.20");
    expect(addressKey("2001:db8:1:2:3:4:5:6")).toBe("2001:db8:1:2");
    expect(addressKey("2001:db8:1:2::9")).toBe(addressKey("2001:0db8:0001:0002:ffff:ffff:ffff:ffff"));
    expect(addressKey("::1")).toBe("0:0:0:0");
    expect(addressKey(undefined)).toBe("");
  });
});
