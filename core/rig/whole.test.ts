import { describe, expect, it } from "vitest";
import { checkerOf } from "../finding/checking.ts";
import { samplePart } from "./sample-whole.ts";
import { chosen, inputOf, known, works } from "./whole.ts";

const rigOf = (lines: Parameters<typeof samplePart>[1]) => samplePart("mounted", lines).rig;

describe("what may be reckoned with", () => {
  it("is what was read and believed, with its grade", () => {
    expect(inputOf(rigOf({ "work.speed": "9 km/h" }), "work.speed")).toMatchObject({
      value: 2.5,
      grade: "taped",
      assumed: null,
    });
  });

  it("is what the catalogue assumes where nothing was read, and says so", () => {
    expect(inputOf(rigOf({}), "work.speed")).toMatchObject({
      grade: "assumed",
      assumed: expect.stringContaining("assumed"),
    });
    expect(chosen(rigOf({}), "tractor.drive")).toBe("front-wheel assist");
  });

  it("is nothing where there is no assumption: missing is never zero", () => {
    expect(known(rigOf({}), "tool.mass")).toBeNull();
    expect(chosen(rigOf({}), "hitch.category")).toBeNull();
    expect(inputOf(rigOf({}), "tool.mass").grade).toBe("missing");
  });

  it("is not a reading outside what can be; the check that needs it says why it waits", () => {
    const rig = rigOf({ "work.ballHeight": "32", "hitch.lift": "0 kg" });
    expect(known(rig, "work.ballHeight")).toBeNull();
    expect(known(rigOf({ "work.ballHeight": "1.4" }), "work.ballHeight")).toBe(1.4);
    const pitch = checkerOf("hitch", rig)("pitch", "Pitch");
    expect(pitch.unknown("work.ballHeight").said).toBe("Link ends at work cannot be as it was read.");
    expect(pitch.unknown("work.topLink").said).toBe("Top link now is not known.");
  });

  it("asks work of everything but a cart", () => {
    expect(works(rigOf({}))).toBe(true);
    expect(works(rigOf({ "tool.kind": "mower" }))).toBe(true);
    expect(works(rigOf({ "tool.kind": "cart" }))).toBe(false);
  });

  it("names a check of a second tool after it, so that two of a kind stay apart", () => {
    const made = checkerOf("match", rigOf({}), 1)("lift", "Lift").good("tool.mass", "");
    expect([made.id, made.part]).toEqual(["lift:2", 1]);
  });
});
