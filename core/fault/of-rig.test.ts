import { describe, expect, it } from "vitest";
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { samplePart } from "../rig/sample-whole.ts";
import { faultOf } from "./faults.ts";
import { cardOf, slipsOf } from "./of-rig.ts";

const rig = samplePart("drawn", {
  "receiver.foreAft": "1.6",
  "receiver.lateral": "4 cm right",
  "axle.pin": "1.1",
  "pin.pivot": "4.4",
  "pin.workFront": "4.0",
  "pin.workRear": "5.0",
  "tool.lateral": "10 cm left",
  "tool.width": "6.0",
  "rows.spacing": "0.75",
  "tool.kind": "planter",
}).rig;

/** The rig with what was read of one thing before. */
function readBefore(key: DimensionKey, value: number): ResolvedRig {
  const reading = { ...rig.values[key].reading!, value };
  return { ...rig, values: { ...rig.values, [key]: { ...rig.values[key], previous: reading } } };
}

describe("a rig's own case", () => {
  it("has the card of the rig: from the antenna to the work and across, by hand", () => {
    expect(cardOf(rig)).toMatchObject({
      antenna: expect.closeTo(0.04, 9),
      tool: expect.closeTo(-0.1, 9),
      // A planter works along one line: its seed.
      length: expect.closeTo(-1.6 - 1.1 - 4, 9),
      width: 6,
      row: 0.75,
    });
    const { rig: unread } = samplePart("drawn", { "tool.width": "6.0" });
    expect(cardOf(unread)).toBeNull();
  });

  it("has what was wrong with it once: a side, an antenna, a row", () => {
    expect(slipsOf(rig)).toEqual([]);
    expect(slipsOf(readBefore("tool.lateral", 0.1))).toEqual([{ key: "side swapped", magnitude: 1 }]);
    expect(slipsOf(readBefore("receiver.lateral", -0.16))).toEqual([
      { key: "antenna moved", magnitude: expect.closeTo(0.2, 9) },
    ]);
    expect(slipsOf(readBefore("tool.width", 5.25))).toEqual([{ key: "a row off", magnitude: -1 }]);
    // Another tape of the same is no slip.
    expect(slipsOf(readBefore("receiver.lateral", 0.03))).toEqual([]);
    for (const { key } of slipsOf(readBefore("tool.width", 5.25))) expect(faultOf(key)).not.toBeNull();
  });
});
