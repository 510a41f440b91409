import { describe, expect, it } from "vitest";
import type { Attachment } from "../../dimension/attachment.ts";
import { figured, plain, told } from "../../finding/sample-words.ts";
import { hookupList } from "../../hookup/list.ts";
import { poseAtHeight } from "../../linkage/linkage.ts";
import { figuresIn } from "../../quantity/said.ts";
import { type Lines, MOUNTED, samplePart, sampleWhole } from "../../rig/sample-whole.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { judgeWhole } from "../judge-whole.ts";
import { hitchChecks } from "./checks.ts";
import { hitchOf } from "./hitch-of-part.ts";

const hitchesOf = (whole: WholeRig) => {
  const parts = whole.parts.map(({ rig }) => hitchOf(rig));
  return { parts, checks: hitchChecks(whole, parts) };
};

const hitched = (lines: Lines, attachment: Attachment = "mounted") =>
  hitchesOf(sampleWhole([samplePart(attachment, { ...MOUNTED, ...lines })]));

const checked = (id: string, lines: Lines = {}, attachment: Attachment = "mounted") =>
  hitched(lines, attachment).checks.find((check) => check.id === id);

describe("lift rods and lower links", () => {
  it("are equal within 5 mm, our threshold", () => {
    expect(told(checked("rods", { "hitch.rodLeft": "0.730", "hitch.rodRight": "0.730" }))).toMatch(
      /^good: Equal/,
    );
    expect(told(checked("rods", { "hitch.rodLeft": "0.734", "hitch.rodRight": "0.730" }))).toMatch(/^good/);
  });

  it("of unequal length make the tool lean to the longer rod, by the lever of the link", () => {
    const said = checked("rods", {
      "hitch.rodLeft": "0.742",
      "hitch.rodRight": "0.730",
      "hitch.rodReach": "0.475",
    });
    // 12 mm at half the link is 24 mm at the ball, over 0.87 m: 1.58°.
    expect(told(said)).toMatch(/^fix: The left lift rod .* the tool leans .* to the left/);
    expect(figured(said)).toEqual(["fix", 0.012, 0.02758]);
  });

  it("of unequal length turn the cross shaft askew", () => {
    const askew = checked("links", { "hitch.linkLeft": "0.94" });
    expect(told(askew)).toContain("The right lower link");
    // asin(0.01 / 0.87)
    expect(figured(askew)).toEqual(["fix", 0.01, 0.01149]);
    expect(told(checked("links"))).toMatch(/^good: Equal/);
  });
});

describe("make it right", () => {
  it("gives the top link that brings the wanted pitch: set so, the pitch is good", () => {
    const before = hitched({ "hitch.thread": "3.5 mm" });
    const { cure, wantedPitch } = before.parts[0]!;
    expect(told(checked("pitch", { "hitch.thread": "3.5 mm" }))).toMatch(/^fix: .*Set the top link to/);
    const { linkage } = before.parts[0]!;
    const after = poseAtHeight({ ...linkage!, topLink: cure!.length }, 0.5);
    expect(after.ok && after.pose.pitch).toBeCloseTo(wantedPitch, 9);
    expect(told(checked("pitch", { "work.topLink": cure!.length.toFixed(3) }))).toMatch(/^good: level/);
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
});

describe("a linkage that cannot be", () => {
  it("says whether the top link is too short or too long, and by how much", () => {
    // Upper pivot to balls 0.964 m, mast 0.30 m: a top link closes the triangle between 0.664 and 1.264 m.
    const apart = Math.hypot(0.2 - (0.1 + Math.sqrt(0.95 ** 2 - 0.175 ** 2 - 0.05 ** 2)), 1.0 - 0.5);
    const low = { "tool.mast": "0.30" } as const;
    const by = (metres: number) => ["stop", Number(metres.toPrecision(4))];
    const long = checked("pitch", { ...low, "work.topLink": "1.29" });
    expect(told(long)).toContain("too long");
    expect(figured(long)).toEqual(by(1.29 - apart - 0.3));
    const short = checked("pitch", { ...low, "work.topLink": "0.60" });
    expect(told(short)).toContain("too short");
    expect(figured(short)).toEqual(by(apart - 0.3 - 0.6));
    expect(
      told(
        checked("pitch", { "hitch.linkLeft": "0.55", "hitch.linkRight": "0.55", "work.ballHeight": "1.25" }),
      ),
    ).toMatch(/^stop: .*links/);
  });

  it("is asked for by name while a length is missing", () => {
    const { "hitch.pivots": _, ...rest } = MOUNTED;
    const whole = sampleWhole([samplePart("mounted", rest)]);
    const pitch = hitchesOf(whole).checks.find(({ id }) => id === "pitch")!;
    expect([pitch.verdict, pitch.target]).toEqual(["unknown", "hitch.pivots"]);
  });
});

describe("from above", () => {
  const PLOUGH = { "tool.kind": "plough" } as const;

  it("is judged for what finds its line by it, and for nothing else", () => {
    expect(told(checked("crossing", { "tool.span": "0.6" }))).toMatch(/^unknown: What the implement is/);
    expect(told(checked("crossing", { "tool.kind": "mower", "tool.span": "0.6" }))).toMatch(
      /^good: .*Only ploughs/,
    );
    expect(checked("virtual", { "tool.kind": "mower" })).toBeUndefined();
    expect(told(checked("crossing", { ...PLOUGH, "tool.span": "0.6" }))).toMatch(
      /^fix: .*ahead of the front axle/,
    );
    expect(told(checked("crossing", { ...PLOUGH, "tool.span": "0.52" }))).toMatch(
      /^fix: The lower links run parallel/,
    );
  });

  it("is good in the band of 70 to 100 % of the wheelbase, a check short of it", () => {
    // 0.87 m with pivots 0.52 m apart, links falling 3.0°: 2.321 m × cos 3.0° ahead of the hitch line, less 1.05: 1.27 m; the band
    // begins at 0.7 × 2.65 = 1.855.
    expect(figured(checked("crossing", PLOUGH))).toEqual(["check", 1.268, 1.855, 2.65]);
    // pivots 0.56, shaft 0.825: splay 0.1325, 0.825 × √(0.95² − 0.1325²) × cos 3.0° / 0.265 − 1.05 = 1.87
    const inside = { ...PLOUGH, "hitch.pivots": "0.56", "tool.span": "0.825" };
    const { checks } = hitched(inside);
    const [verdict, ahead] = figured(checks.find(({ id }) => id === "crossing"));
    expect([verdict, ahead?.toFixed(2)]).toEqual(["good", "1.87"]);
  });

  it("proposes a cross shaft only where a category has it", () => {
    const far = checked("crossing", { ...PLOUGH, "hitch.pivots": "0.56", "tool.span": "0.7" });
    expect(told(far)).toMatch(/The cross shaft of category (2|3N)/);
    expect(figured(far).slice(0, 3)).toEqual(["fix", 3.68, 0.825]);
    expect(told(checked("crossing", { ...PLOUGH, "tool.span": "0.6" }))).not.toContain("category");
  });
});

describe("one advice", () => {
  it("is given of unequal rods wherever they are spoken of: the longer comes in", () => {
    const rods = { "hitch.rodLeft": "0.744", "hitch.rodRight": "0.730" };
    expect(told(checked("rods", rods))).toContain("Shorten the left rod");
    const cure = hitched(rods).checks.find(({ id }) => id === "rods")!.why;
    expect(figuresIn(cure)).toEqual([expect.closeTo(0.014, 9)]);
    const whole = sampleWhole([samplePart("mounted", { ...MOUNTED, ...rods })]);
    const judged = judgeWhole(whole);
    const line = hookupList(whole, judged).find(({ key }) => key === "rods 1")!;
    expect(plain(line.text)).toContain("Shorten the left rod by 14 mm");
  });
});

describe("a semi-mounted tool", () => {
  const TAIL: Lines = {
    ...MOUNTED,
    "tool.eyeHeight": "0.62",
    "tool.tailLift": "0.35",
    "pin.pivot": "4.2",
    "tool.under": "0.62",
    "tool.underBack": "3.6",
    "work.ballHeight": "0.5",
    "hitch.ballHigh": "0.98",
  };
  const at = (id: string, lines: Lines = {}) => {
    const { checks } = hitchesOf(sampleWhole([samplePart("semi", { ...TAIL, ...lines })]));
    return checks.find((check) => check.id === id);
  };

  it("pitches about its wheel, worked by hand", () => {
    // Balls 0.12 under level over 4.2 m: asin(−0.12 / 4.2) = −1.64°
    expect(told(at("pitch"))).toContain("nose down");
    expect(figured(at("pitch"))).toEqual(["fix", 0.02858, 0.62]);
    expect(told(at("pitch", { "work.ballHeight": "0.62" }))).toMatch(/^good: level/);
    expect(told(at("pitch", { "tool.eyeHeight": undefined }))).toMatch(/^unknown: Lower pins' height/);
  });

  it("clears the road by balls and wheel, not by a top link", () => {
    // Raised: asin((0.98 − 0.62 − 0.35) / 4.2) = 0.136° up; 0.98 − 3.6 × sin − 0.62 × cos = 0.351
    expect(figured(at("clearance"))).toEqual(["good", 0.3514]);
    // The wheel left down: asin(0.36 / 4.2) = 4.92° nose up, the lowest part near the tail at 0.98 − 0.309 − 0.618 = 0.054
    expect(told(at("clearance", { "tool.tailLift": "0" }))).toContain("Its wheel lifts the tail");
    expect(figured(at("clearance", { "tool.tailLift": "0" }))).toEqual(["fix", 0.05371]);
    expect(told(at("clearance", { "tool.tailLift": undefined }))).toMatch(/^unknown: Wheel raises the tail/);
    expect(at("stroke")).toBeUndefined();
    expect(at("virtual")).toBeUndefined();
  });
});

describe("a tank in front", () => {
  it("need not hang level", () => {
    const { checks } = hitchesOf(
      sampleWhole([samplePart("front", { ...MOUNTED, "axle.pin": "3.6", "tool.kind": "cart" })]),
    );
    expect(checks.find(({ id }) => id === "pitch")).toMatchObject({ verdict: "good" });
  });
});

describe("what the tool is", () => {
  it("decides the stabilisers: free for a plough, not for a mower", () => {
    expect(told(checked("stabilisers", { "tool.kind": "plough", "work.stabilisers": "rigid" }))).toMatch(
      /^fix/,
    );
    expect(told(checked("stabilisers", { "tool.kind": "plough", "work.stabilisers": "free" }))).toMatch(
      /^good/,
    );
    expect(told(checked("stabilisers", { "tool.kind": "mower", "work.stabilisers": "free" }))).toMatch(
      /^fix/,
    );
    expect(told(checked("stabilisers"))).toMatch(/^unknown/);
  });

  it("decides the lift: draft control for a plough, 30 to 50 %", () => {
    expect(told(checked("control", { "tool.kind": "plough", "work.control": "position" }))).toMatch(/^check/);
    expect(
      figured(
        checked("control", { "tool.kind": "plough", "work.control": "mixed", "work.draftShare": "70 %" }),
      ),
    ).toEqual(["note", 0.7]);
    expect(
      told(checked("control", { "tool.kind": "plough", "work.control": "mixed", "work.draftShare": "40 %" })),
    ).toMatch(/^good/);
  });

  it("of a mower in front follows from what carries its bed: never linkage and springs at once", () => {
    const held = (lines: Lines) => {
      const whole = sampleWhole([samplePart("front", { ...MOUNTED, "tool.kind": "mower", ...lines })]);
      return hitchesOf(whole).checks.find(({ id }) => id === "control");
    };
    const [float, position] = [{ "work.control": "float" }, { "work.control": "position" }] as const;
    expect(held(float)).toMatchObject({ verdict: "unknown", target: "tool.springs" });
    expect(held({ ...float, "tool.springs": "own" })!.verdict).toBe("fix");
    expect(held({ ...position, "tool.springs": "own" })!.verdict).toBe("good");
    expect(held({ ...float, "tool.springs": "linkage" })!.verdict).toBe("good");
    expect(held({ ...position, "tool.springs": "linkage" })!.verdict).toBe("fix");
  });

  it("asks of a plough that both links fall toward the tractor", () => {
    expect(told(checked("slope", { "tool.kind": "plough", "work.ballHeight": "0.45" }))).toMatch(
      /^check: .*lower links rise toward the tractor/,
    );
    expect(
      told(checked("slope", { "tool.kind": "plough", "work.ballHeight": "0.6", "work.topLink": "0.85" })),
    ).toMatch(/^good/);
    expect(checked("slope", { "tool.kind": "mower" })).toBeUndefined();
  });
});

describe("clearance", () => {
  it("is what is left under the lowest part with the lift right up", () => {
    expect(told(checked("clearance", { "tool.under": "0.5", "tool.underBack": "1" }))).toMatch(/^good/);
    expect(told(checked("clearance", { "tool.under": "1.2", "tool.underBack": "0" }))).toMatch(
      /^stop: Its lowest part stays .* in the ground/,
    );
    expect(told(checked("clearance"))).toMatch(/^unknown/);
  });
});

describe("a drawn frame", () => {
  it("is level where the eye's own height is the pin's, and says how far the eye is to go", () => {
    const drawn = { "pin.pivot": "5", "tool.eyeHeight": "0.45" } as const;
    expect(told(checked("level", { ...drawn, "hitch.pinHeight": "0.45" }, "drawn"))).toMatch(/^good: level/);
    // 10 cm over 5 m: 1.1°.
    const higher = checked("level", { ...drawn, "hitch.pinHeight": "0.55" }, "drawn");
    expect(told(higher)).toMatch(/nose up: set the eye .* higher/);
    expect(figured(higher)).toEqual(["fix", 0.02, 0.1]);
    expect(told(checked("level", drawn, "drawn"))).toMatch(/^unknown/);
  });
});
