import { describe, expect, it } from "vitest";
import { sampleRig } from "../rig/sample.ts";
import { lackingOf } from "./lacking.ts";

describe("what a card lacks", () => {
  it("is nothing of a rig taped throughout", () => {
    expect(lackingOf(sampleRig())).toEqual([]);
  });

  it("begins with what moves the result most: what may lie further off, by its plausible range over √12", () => {
    const lacking = lackingOf(
      sampleRig({ "receiver.foreAft": null, "tool.lateral": null, "pin.pivot": null, "rows.count": null }),
    );
    // Plausible ranges of the catalogue: pivot 0.5 to 14 m, receiver −2 to 6 m or less, sideways 4 m or less. A count is no stop.
    expect(lacking[0]).toBe("pin.pivot");
    expect([...lacking].sort()).toEqual(["pin.pivot", "receiver.foreAft", "tool.lateral"]);
  });

  it("holds what was read and cannot be, and not what is assumed", () => {
    const rig = sampleRig({ "pin.workFront": 0, "work.overlap": null }, { "pin.workFront": "book" });
    expect(lackingOf(rig)).toEqual(["pin.workFront"]);
  });
});
