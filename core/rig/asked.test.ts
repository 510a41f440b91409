import { describe, expect, it } from "vitest";
import { fillCard } from "../card/fill.ts";
import { SHIPPED_SCHEMES } from "../card/shipped.ts";
import { drawPlan } from "../drawing/plan.ts";
import { drawRear } from "../drawing/rear.ts";
import { drawSide } from "../drawing/side.ts";
import { judge } from "../finding/judge.ts";
import { lackingOf } from "../finding/lacking.ts";
import { PRESETS } from "../quantity/units.ts";
import { provablesOf, provedOf } from "../subjects/proof/provable.ts";
import { askedOf, usesTerminal } from "./asked.ts";
import { samplePart } from "./sample-whole.ts";

const KNOWN = { "tool.kind": "cultivator", "tool.width": "3 m" };
const rigOf = (guided: string | undefined, switched: string | undefined) =>
  samplePart("mounted", { ...KNOWN, "work.guided": guided, "work.switched": switched }).rig;

describe("a rig that is neither steered along lines nor switched", () => {
  const bare = rigOf("no", "no");

  it("is asked nothing of receiver, work points, overlap, lines, sections, and nothing stops it", () => {
    const keys = askedOf(bare).map(({ key }) => key);
    expect(keys.filter((key) => /^receiver|^pin\.work|overlap|trackSpacing|delay|lateral/.test(key))).toEqual(
      [],
    );
    expect(judge(bare)).toEqual([]);
    expect(lackingOf(bare)).toEqual([]);
  });

  it("still tells widths that do not agree", () => {
    const { rig } = samplePart("mounted", {
      ...KNOWN,
      "work.guided": "no",
      "work.switched": "no",
      "rows.count": "14",
      "rows.spacing": "0.25",
    });
    expect(judge(rig).map(({ id }) => id)).toEqual(["rows-sum"]);
  });

  it("has nothing to prove and nothing to type in", () => {
    expect(provablesOf(bare)).toEqual([]);
    expect(provedOf([bare])).toEqual({ good: 0, all: 0 });
    const card = fillCard(SHIPPED_SCHEMES[0]!, bare, [], PRESETS.metric, []);
    expect(card).toMatchObject({ lines: [], ready: false, stops: [] });
    expect(card.cautions[0]).toContain("nothing to type in");
  });

  it("is drawn without a receiver", () => {
    const sheet = {
      width: 424,
      height: 736,
      region: "rig",
      labels: "values",
      station: "tool",
      only: null,
      units: PRESETS.metric,
    } as const;
    for (const draw of [drawPlan, drawSide, drawRear]) {
      expect(draw(bare, sheet).points.map(({ key }) => key)).not.toContain("receiver");
      expect(draw(rigOf("yes", "no"), sheet).points.map(({ key }) => key)).toContain("receiver");
    }
  });
});

describe("what a rig is told to be", () => {
  it("is asked for as if it were both, until somebody says no", () => {
    expect(usesTerminal(rigOf(undefined, undefined))).toBe(true);
    expect(lackingOf(rigOf(undefined, undefined))).toContain("receiver.height");
  });

  it("guided without sections is asked for lines and no section; switched without lines the other way round", () => {
    const said = (guided: string, switched: string) => {
      const rig = rigOf(guided, switched);
      const keys: string[] = askedOf(rig).map(({ key }) => key);
      return {
        lines: keys.includes("work.overlap"),
        delays: keys.includes("work.delayOn"),
        receiver: keys.includes("receiver.height"),
        sections: judge(rig).some(({ subject }) => subject === "sections"),
        proof: provablesOf(rig).map(({ key }) => key),
      };
    };
    expect(said("yes", "no")).toMatchObject({ lines: true, delays: false, receiver: true, sections: false });
    expect(said("yes", "no").proof).not.toContain("delayOn");
    expect(said("no", "yes")).toMatchObject({ lines: false, delays: true, receiver: true, sections: true });
    expect(said("no", "yes").proof).not.toContain("across");
  });
});
