import { describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS, isTrain } from "../../dimension/attachment.ts";
import { hasDimension } from "../../dimension/catalogue.ts";
import { toleranceOf } from "../../job/tolerance.ts";
import type { Proof } from "../../rig/facts.ts";
import { resolveRig } from "../../rig/resolve.ts";
import { sampleFacts, sampleProof, sampleRig } from "../../rig/sample.ts";
import { jobsOf } from "../../subjects/jobs.ts";
import { TOOL_KINDS, type ToolKindKey } from "../../trade/kinds.ts";
import { provables, provedOf } from "./provable.ts";

describe("what a field test can prove", () => {
  it.each(ATTACHMENT_KEYS)("of %s is made of readings it has, and there is a test for each", (attachment) => {
    const tests = new Set(jobsOf(attachment).map(({ key }) => key));
    for (const { key, terms, tests: by, label } of provables(attachment)) {
      expect(terms.length, `${attachment} ${key}`).toBeGreaterThan(0);
      for (const { key: reading, coefficient } of terms) {
        expect(hasDimension(attachment, reading), `${attachment} ${label} ${reading}`).toBe(true);
        expect(coefficient).not.toBe(0);
      }
      expect(
        by.some((test) => tests.has(test)),
        `${attachment} ${label}`,
      ).toBe(true);
    }
  });

  it("is what guidance rests on: across, width, and where work begins; where it ends as well with two ranks", () => {
    const wanted = (attachment: (typeof ATTACHMENT_KEYS)[number]) =>
      provables(attachment)
        .filter((each) => each.wanted)
        .map(({ key }) => key);
    expect(wanted("drawn")).toEqual(["across", "width", "start", "stop"]);
    for (const attachment of ["head", "boom", "frontBoom"] as const)
      expect(wanted(attachment)).toEqual(["across", "width", "start"]);
  });

  it("has wheels to prove only on what is drawn by the tractor itself: a circle knows nothing of a train's hitch", () => {
    for (const attachment of ATTACHMENT_KEYS) {
      const keys = provables(attachment).map(({ key }) => key);
      expect(keys.includes("pivot"), attachment).toBe(
        hasDimension(attachment, "pin.pivot") && !isTrain(attachment),
      );
    }
  });

  it("counts what is proven of what is wanted, over all tools", () => {
    const proof = (key: string, terms: Proof["terms"]): Proof =>
      sampleProof({ id: key, terms, sigma: 0.004, at: "2026-06-01T08:00:00.000Z" });
    const [across, width] = ["across", "width"].map(
      (key) => provables("drawn").find((each) => each.key === key)!,
    );
    const facts = sampleFacts();
    const proven = resolveRig({
      ...facts,
      proofs: [proof("across", across!.terms), proof("width", width!.terms)],
    });
    expect(provedOf([sampleRig()])).toEqual({ good: 0, all: 4 });
    expect(provedOf([proven])).toEqual({ good: 2, all: 4 });
    expect(provedOf([proven, sampleRig()])).toEqual({ good: 2, all: 8 });
    expect(provedOf([])).toEqual({ good: 0, all: 0 });
  });
});

describe("how well a tool has to be known", () => {
  const rig = sampleRig();
  const of = (choice: ToolKindKey | null) =>
    toleranceOf({ values: { ...rig.values, "tool.kind": { ...rig.values["tool.kind"], choice } } });

  it("is told for every kind, and for none, with the reason", () => {
    for (const kind of [...(Object.keys(TOOL_KINDS) as ToolKindKey[]), null]) {
      const { across, along, why } = of(kind);
      expect(across).toBeGreaterThan(0);
      expect(along).toBeGreaterThanOrEqual(across);
      expect(why).not.toBe("");
    }
  });

  it("is strictest where something goes back to the same row", () => {
    expect(of("hoe").across).toBeLessThan(of("planter").across);
    expect(of("planter").across).toBeLessThan(of("drill").across);
    expect(of("drill").across).toBeLessThan(of("sprayer").across);
    expect(of("sprayer").across).toBeLessThan(of("spreader").across);
  });
});
