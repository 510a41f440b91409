import { describe, expect, it } from "vitest";
import { PRESETS } from "../quantity/units.ts";
import { samplePart } from "../rig/sample-whole.ts";
import { circlesOf } from "./ahead.ts";
import { fillCard } from "./fill.ts";
import { SHIPPED_SCHEMES } from "./shipped.ts";

const CART = samplePart("drawn", { "axle.pin": "1.1", "pin.pivot": "5", "tool.kind": "cart" }).rig;
const DRILL = { "axle.pin": "1.1", "train.hitch": "6.3", "pin.pivot": "6", "tool.kind": "drill" } as const;
const drill = (lines = {}) => samplePart("train", { ...DRILL, ...lines }, 0).rig;
const ahead = [{ name: "Hopper", rig: CART, stops: [] }];

describe("a train on a terminal that knows one implement", () => {
  it("runs on other circles than the terminal believes, worked by hand", () => {
    // Machine on 16 m. Cart's wheels: √(16² + 1.1² − 5²) = √232.21. Its rear hitch 1.3 behind them, the drill's wheels 6 behind that:
    // √(232.21 + 1.3² − 6²) = √197.90 = 14.068. Believed: one overhang of 7.4 m, √(16² + 7.4² − 6²) = √274.76 = 16.576.
    const circles = circlesOf(drill(), [{ rig: CART }], 16)!;
    expect(circles.runs).toBeCloseTo(14.068, 3);
    expect(circles.believed).toBeCloseTo(16.576, 3);
  });

  it("counts from the middle of the tracks of a machine on tracks", () => {
    // The middle of the tracks 1.2 ahead of the axle: hitches 2.3 and 8.6 behind it.
    const tracks = { "tractor.steering": "tracks", "tractor.turn": "1.2" };
    const circles = circlesOf(drill(tracks), [{ rig: CART }], 16)!;
    expect(circles.runs).toBeCloseTo(Math.sqrt(256 + 2.3 ** 2 - 25 + 1.69 - 36), 6);
    expect(circles.believed).toBeCloseTo(Math.sqrt(256 + 8.6 ** 2 - 36), 6);
  });

  it("is warned of with both figures by every scheme, and sent to the file", () => {
    for (const scheme of SHIPPED_SCHEMES) {
      const said = fillCard(scheme, drill(), [], PRESETS.metric, ahead).cautions.join(" ");
      expect(said, scheme.id).toContain("rigid overhang");
      expect(said).toMatch(/16\.576\sm/);
      expect(said).toMatch(/14\.068\sm/);
      expect(said).toContain("ISO 11783-10 file");
    }
  });

  it("has no figures while a length is missing, and says that", () => {
    const bare = samplePart("train", { "axle.pin": "1.1", "pin.pivot": "6", "tool.kind": "drill" }, 0).rig;
    const said = fillCard(SHIPPED_SCHEMES[0]!, bare, [], PRESETS.metric, ahead).cautions.join(" ");
    expect(said).toContain("unknown while a length is missing");
  });

  it("says nothing behind a tool that turns with its machine", () => {
    const carried = [{ name: "Leveller", rig: samplePart("mounted", { "axle.pin": "1.1" }).rig, stops: [] }];
    expect(
      fillCard(SHIPPED_SCHEMES[0]!, drill(), [], PRESETS.metric, carried).cautions.join(" "),
    ).not.toContain("overhang");
    expect(circlesOf(drill(), carried, 16)!.runs).toBeCloseTo(circlesOf(drill(), carried, 16)!.believed, 9);
  });
});
