import { describe, expect, it } from "vitest";
import type { Attachment } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { PRESETS } from "../quantity/units.ts";
import { resolveRig } from "../rig/resolve.ts";
import { sampleFacts, sampleReading } from "../rig/sample.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import { fillCard } from "./fill.ts";
import { isShownFor, ONLY_FOR } from "./only.ts";
import { SHIPPED_SCHEMES } from "./shipped.ts";

const shipped = (id: string) => SHIPPED_SCHEMES.find((each) => each.id === id)!;

type Given = {
  widths?: readonly number[];
  lengths?: Partial<Record<DimensionKey, number | null>>;
  chosen?: Record<string, string>;
  attachment?: Attachment;
};

function rigOf({ widths, lengths = {}, chosen = {}, attachment = "drawn" }: Given) {
  const facts = sampleFacts(lengths);
  const choices = Object.fromEntries(
    Object.entries(chosen).map(([key, rawText]) => [
      key,
      [sampleReading(key as DimensionKey, 0, { rawText })],
    ]),
  );
  const sections = widths ? { ...facts.sections!, widths, parts: [] } : null;
  return resolveRig({ ...facts, attachment, readings: { ...facts.readings, ...choices }, sections });
}

const lines = (id: string, given: Given) =>
  fillCard(shipped(id), rigOf(given), [], PRESETS.metric, []).lines.filter(({ page }) => page === "Sections");
const said = (id: string, given: Given) =>
  Object.fromEntries(lines(id, given).map(({ label, figure }) => [label, figure]));

describe("sections on a card", () => {
  it("are counted, and told from the left, those alike in one line", () => {
    expect(said("axle-m", { widths: [1.5, 1.5, 1.2, 0.3] })).toEqual({
      "Number of sections": "4",
      "Width of section 1 to 2": "1.50",
      "Width of section 3": "1.20",
      "Width of section 4": "0.30",
    });
  });

  it("are told by their rows where the terminal asks so, and only where those come out whole", () => {
    const rows = { "rows.spacing": 0.15, "rows.count": 30 };
    expect(said("hitch-m", { widths: [1.5, 1.8, 1.2], lengths: rows })).toMatchObject({
      "Rows in section 1": "10",
      "Rows in section 2": "12",
      "Rows in section 3": "8",
    });
    const odd = lines("hitch-m", { widths: [1.56, 2.94], lengths: rows });
    expect(odd.find(({ label }) => label === "Rows in section 1")).toMatchObject({
      figure: null,
      blockedBy: expect.stringContaining("no whole number"),
    });
    expect(lines("hitch-m", { widths: [4.5], lengths: { "rows.spacing": null } }).at(-1)!.figure).toBeNull();
  });

  it("are one as wide as the tool, and say that nobody gave them", () => {
    const [count, width] = lines("axle-m", {});
    expect(count).toMatchObject({ figure: "1", chain: { grade: "assumed" } });
    expect(width).toMatchObject({ figure: "4.50", derivation: expect.stringContaining("assumed") });
  });

  it("are missing while nobody knows the width, and not asked where no terminal switches any", () => {
    expect(lines("axle-m", { lengths: { "tool.width": null } })).toMatchObject([
      { figure: null, blockedBy: "The sections are missing." },
      { figure: null, blockedBy: "The sections are missing." },
    ]);
    expect(lines("axle-m", { widths: [1.5, 1.5, 1.5], chosen: { "work.switched": "no" } })).toEqual([]);
  });
});

describe("lines for some tools only", () => {
  const labels = (tool: ToolKindKey, attachment: Attachment = "drawn") =>
    fillCard(
      shipped("axle-m"),
      rigOf({ chosen: { "tool.kind": tool }, attachment }),
      [],
      PRESETS.metric,
      [],
    ).lines.map(({ label }) => label);

  it("are the toolbar's of a planter, the landing line of a spreader, the gangs of a disc, the front of a head", () => {
    expect(labels("planter")).toContain("Connection to toolbar");
    expect(labels("drill")).not.toContain("Connection to toolbar");
    expect(labels("spreader")).toContain("Connection to landing line");
    expect(labels("spreader")).not.toContain("Connection to working edge, front");
    expect(labels("disc")).toContain("Connection to midway between the gangs");
    expect(labels("disc")).not.toContain("Connection to wheels");
    expect(labels("header", "head")).toContain("Connection to front of head");
  });

  it("are kept for groups that each hold some tool and, but for every tool, not all", () => {
    const hung = (["drawn", "mounted", "head", "boom"] as const).flatMap((attachment) =>
      (["planter", "spreader", "disc", "mower", "sprayer", "header"] as const).map((tool) => ({
        attachment,
        tool,
      })),
    );
    for (const only of ONLY_FOR) {
      const shown = hung.filter((each) => isShownFor(only, each)).length;
      expect(shown, only).toBeGreaterThan(0);
      if (only !== "every") expect(shown, only).toBeLessThan(hung.length);
    }
  });
});

describe("the overall width", () => {
  const overall = (metres: number | null) =>
    fillCard(
      shipped("hitch-m"),
      rigOf({ lengths: { "tool.overall": metres } }),
      [],
      PRESETS.metric,
      [],
    ).lines.find(({ label }) => label === "Overall width")!;

  it("is the taped one; until then as wide as the tool works, which is called assumed", () => {
    expect(overall(4.86)).toMatchObject({ figure: "4.86", chain: { grade: "taped" } });
    expect(overall(null)).toMatchObject({ figure: "4.50", chain: { grade: "assumed" } });
    expect(overall(null).derivation).toContain("assumed");
  });
});
