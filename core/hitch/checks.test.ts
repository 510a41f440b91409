import { describe, expect, it } from "vitest";
import type { Attachment } from "../dimension/attachment.ts";
import { PRESETS } from "../quantity/units.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import { hitchesOf } from "./checks.ts";
import { poseAtHeight } from "./linkage.ts";

const hitched = (lines: Lines, attachment: Attachment = "mounted") =>
  hitchesOf(sampleWhole([samplePart(attachment, { ...MOUNTED, ...lines })]), PRESETS.metric);

function checked(id: string, lines: Lines = {}, attachment: Attachment = "mounted"): string {
  const found = hitched(lines, attachment).checks.find((check) => check.id === id);
  return found ? `${found.verdict}: ${found.said} ${found.why}`.replace(/\u00a0/g, " ") : "none";
}

describe("lift rods and lower links", () => {
  it("are equal within 5 mm, our threshold", () => {
    expect(checked("rods", { "hitch.rodLeft": "0.730", "hitch.rodRight": "0.730" })).toMatch(/^good: Equal/);
    expect(checked("rods", { "hitch.rodLeft": "0.734", "hitch.rodRight": "0.730" })).toMatch(/^good/);
  });

  it("of unequal length make the tool lean to the longer rod, by the lever of the link", () => {
    const said = checked("rods", {
      "hitch.rodLeft": "0.742",
      "hitch.rodRight": "0.730",
      "hitch.rodReach": "0.475",
    });
    // 12 mm at half the link is 24 mm at the ball, over 0.87 m: 1.58°.
    expect(said).toMatch(/^fix: The left lift rod is 12 mm longer: the tool leans 1.6° to the left/);
  });

  it("of unequal length turn the cross shaft askew", () => {
    expect(checked("links", { "hitch.linkLeft": "0.94" })).toMatch(
      /^fix: The right lower link is 10 mm longer/,
    );
    expect(checked("links")).toMatch(/^good: Equal/);
  });
});

describe("make it right", () => {
  it("gives the top link that brings the wanted pitch: set so, the pitch is good", () => {
    const before = hitched({ "hitch.thread": "3.5 mm" });
    const { cure, wantedPitch } = before.parts[0]!;
    expect(checked("pitch", { "hitch.thread": "3.5 mm" })).toMatch(/^fix: .*Set the top link to/);
    const { linkage } = before.parts[0]!;
    const after = poseAtHeight({ ...linkage!, topLink: cure!.length }, 0.5);
    expect(after.ok && after.pose.pitch).toBeCloseTo(wantedPitch, 9);
    expect(checked("pitch", { "work.topLink": cure!.length.toFixed(3) })).toMatch(/^good: level/);
  });

  it("counts turns by the thread: opposite threads move both ends", () => {
    const turns = (lines: Lines) => hitched(lines).parts[0]!.cure!.turns!.turns;
    const opposite = turns({ "hitch.thread": "3.5 mm", "hitch.threads": "opposite" });
    const single = turns({ "hitch.thread": "3.5 mm", "hitch.threads": "single" });
    expect(single).toBeCloseTo(2 * opposite, 9);
    expect(
      hitched({ "hitch.thread": "3.5 mm", "hitch.threads": "hydraulic" }).parts[0]!.cure!.turns,
    ).toBeNull();
  });

  it("says how far the wanted length lies outside what the top link can be screwed to", () => {
    const { cure } = hitched({}).parts[0]!;
    const short = hitched({ "hitch.topLong": (cure!.length - 0.02).toFixed(3) }).parts[0]!.cure!;
    expect(short.beyond?.end).toBe("long");
    expect(short.beyond?.by).toBeCloseTo(0.02, 2);
  });

  it("gives the cross shaft whose lines cross just behind the front axle", () => {
    const { plan } = hitched({}).parts[0]!;
    const again = hitched({ "tool.span": plan!.spanWanted!.toFixed(4) }).parts[0]!.plan!;
    expect(again.aheadOfAxle).toBeCloseTo(0.92 * 2.65, 1);
  });
});

describe("a linkage that cannot be", () => {
  it("says whether the top link is too short or too long, and by how much", () => {
    // Upper pivot to balls 0.964 m, mast 0.30 m: a top link closes the triangle between 0.664 and 1.264 m.
    const apart = Math.hypot(0.2 - (0.1 + Math.sqrt(0.95 ** 2 - 0.175 ** 2 - 0.05 ** 2)), 1.0 - 0.5);
    const low = { "tool.mast": "0.30" } as const;
    const by = (metres: number) => `${metres.toFixed(3)} m too`;
    const long = checked("pitch", { ...low, "work.topLink": "1.29" });
    expect(long).toMatch(/^stop: .*too long/);
    expect(long).toContain(by(1.29 - apart - 0.3));
    const short = checked("pitch", { ...low, "work.topLink": "0.60" });
    expect(short).toMatch(/^stop: .*too short/);
    expect(short).toContain(by(apart - 0.3 - 0.6));
    expect(
      checked("pitch", { "hitch.linkLeft": "0.55", "hitch.linkRight": "0.55", "work.ballHeight": "1.25" }),
    ).toMatch(/^stop: .*links/);
  });

  it("is asked for by name while a length is missing", () => {
    const { "hitch.pivots": _, ...rest } = MOUNTED;
    const whole = sampleWhole([samplePart("mounted", rest)]);
    const pitch = hitchesOf(whole, PRESETS.metric).checks.find(({ id }) => id === "pitch")!;
    expect([pitch.verdict, pitch.target]).toEqual(["unknown", "hitch.pivots"]);
  });
});

describe("from above", () => {
  it("is good behind the front axle, and wanders where a short cross shaft throws the crossing beyond it", () => {
    // 0.87 m with pivots 0.52 m apart: the crossing of the textbook example, 2.32 m ahead of the hitch line, less c.
    expect(checked("crossing")).toMatch(/^good: 1.2/);
    expect(checked("crossing", { "tool.span": "0.6" })).toMatch(/^fix: .*ahead of the front axle/);
    expect(checked("crossing", { "tool.span": "0.52" })).toMatch(/^fix: The lower links run parallel/);
  });
});

describe("what the tool is", () => {
  it("decides the stabilisers: free for a plough, not for a mower", () => {
    expect(checked("stabilisers", { "tool.kind": "plough", "work.stabilisers": "rigid" })).toMatch(/^fix/);
    expect(checked("stabilisers", { "tool.kind": "plough", "work.stabilisers": "free" })).toMatch(/^good/);
    expect(checked("stabilisers", { "tool.kind": "mower", "work.stabilisers": "free" })).toMatch(/^fix/);
    expect(checked("stabilisers")).toMatch(/^unknown/);
  });

  it("decides the lift: draft control for a plough, 30 to 50 %", () => {
    expect(checked("control", { "tool.kind": "plough", "work.control": "position" })).toMatch(/^check/);
    expect(
      checked("control", { "tool.kind": "plough", "work.control": "mixed", "work.draftShare": "70 %" }),
    ).toMatch(/^note: Draft share 70 %/);
    expect(
      checked("control", { "tool.kind": "plough", "work.control": "mixed", "work.draftShare": "40 %" }),
    ).toMatch(/^good/);
  });

  it("asks of a plough that both links fall toward the tractor", () => {
    expect(checked("slope", { "tool.kind": "plough", "work.ballHeight": "0.45" })).toMatch(
      /^check: .*lower links rise toward the tractor/,
    );
    expect(
      checked("slope", { "tool.kind": "plough", "work.ballHeight": "0.6", "work.topLink": "0.85" }),
    ).toMatch(/^good/);
    expect(checked("slope", { "tool.kind": "mower" })).toBe("none");
  });
});

describe("clearance", () => {
  it("is what is left under the lowest part with the lift right up", () => {
    expect(checked("clearance", { "tool.under": "0.5", "tool.underBack": "1" })).toMatch(/^good/);
    expect(checked("clearance", { "tool.under": "1.2", "tool.underBack": "0" })).toMatch(
      /^stop: Its lowest part stays .* in the ground/,
    );
    expect(checked("clearance")).toMatch(/^unknown/);
  });
});

describe("a drawn frame", () => {
  it("is level where the eye's own height is the pin's, and says how far the eye is to go", () => {
    const drawn = { "pin.pivot": "5", "tool.eyeHeight": "0.45" } as const;
    expect(checked("level", { ...drawn, "hitch.pinHeight": "0.45" }, "drawn")).toMatch(/^good: level/);
    // 10 cm over 5 m: 1.1°.
    expect(checked("level", { ...drawn, "hitch.pinHeight": "0.55" }, "drawn")).toMatch(
      /^fix: The frame stands 1.1° nose up: set the eye 100 mm higher/,
    );
    expect(checked("level", drawn, "drawn")).toMatch(/^unknown/);
  });
});
