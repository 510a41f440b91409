import { describe, expect, it } from "vitest";
import { askedOf } from "../rig/asked.ts";
import { between } from "../rig/chain.ts";
import { samplePart } from "../rig/sample-whole.ts";
import { TOOL_KIND_KEYS, type ToolKindKey } from "../trade/kinds.ts";
import type { Attachment } from "./attachment.ts";
import { catalogueOf } from "./catalogue.ts";
import { isOneLine } from "./kind-words.ts";
import { pointLabel } from "./points.ts";
import { hangsBy } from "./usual.ts";

const asked = (attachment: Attachment, tool: ToolKindKey, lines = {}) =>
  askedOf(samplePart(attachment, { "tool.kind": tool, ...lines }).rig);
const labels = (attachment: Attachment, tool: ToolKindKey, lines = {}) =>
  asked(attachment, tool, lines).map(({ label }) => label);
const ways = (tool: ToolKindKey) =>
  (["assisted", "driven"] as const).flatMap((machine) => hangsBy(tool, machine));

describe("what a tool is asked", () => {
  it.each(TOOL_KIND_KEYS)("of a %s leaves no gap in its words, however it hangs", (tool) => {
    for (const attachment of ways(tool))
      for (const { label, fromTo, how, matters, fromFaces } of catalogueOf({ attachment, tool }))
        for (const text of [label, fromTo, how, matters, fromFaces?.left ?? "", fromFaces?.right ?? ""])
          expect(text).not.toMatch(/[{}]/);
  });

  it("is in the words of those who work with it, and no other's", () => {
    const words = (tool: ToolKindKey, attachment = ways(tool)[0]!) =>
      asked(attachment, tool)
        .filter(({ station }) => station === "tool")
        .flatMap(({ label, fromTo, how }) => [label, fromTo, how])
        .join(" ");
    for (const tool of TOOL_KIND_KEYS) {
      const said = words(tool);
      if (tool !== "drill") expect(said, tool).not.toMatch(/coulter/);
      if (tool !== "drill" && tool !== "planter") expect(said, tool).not.toMatch(/seed in the ground/);
      if (tool !== "sprayer") expect(said, tool).not.toMatch(/nozzle/);
    }
    expect(words("plough")).toMatch(/bodies/);
    expect(words("mower")).toMatch(/blade tip/);
    expect(words("spreader")).toMatch(/lands/);
  });

  it("names the row between nozzles, bodies, legs after them", () => {
    expect(labels("drawn", "sprayer")).toEqual(
      expect.arrayContaining(["Number of nozzles", "Nozzle spacing"]),
    );
    expect(labels("semi", "plough")).toEqual(
      expect.arrayContaining(["Number of bodies", "Width one body cuts"]),
    );
    expect(labels("mounted", "subsoiler")).toContain("Leg spacing");
    expect(labels("mounted", "mower").filter((label) => /spacing|Number of/.test(label))).toEqual([
      "Line spacing in the terminal",
    ]);
  });

  it("is only what it has: no tank of a cultivator unless it says so, no depth of a mower, no shaft of a plough", () => {
    expect(labels("mounted", "cultivator")).not.toContain("What fills it");
    expect(labels("mounted", "cultivator", { "tool.carries": "yes" })).toContain("What fills it");
    expect(labels("mounted", "mower")).not.toContain("Working depth");
    expect(labels("mounted", "plough")).not.toContain("Shaft guard");
    expect(labels("mounted", "mower")).toContain("Shaft guard");
  });

  it("shows what somebody read of it all the same", () => {
    expect(labels("mounted", "cultivator", { "tool.load": "600 kg" })).toContain("What fills it");
  });

  it("has no second rank where it works along one line: the work ends where it begins", () => {
    expect(TOOL_KIND_KEYS.filter(isOneLine)).toEqual([
      "planter",
      "mower",
      "conditioner",
      "spreader",
      "sprayer",
      "header",
    ]);
    const { rig } = samplePart("drawn", {
      "tool.kind": "sprayer",
      "pin.workFront": "5.2",
      "pin.workRear": "9",
    });
    expect(between(rig, "pin", "workRear", "x").total).toBe(-5.2);
    expect(rig.values["pin.workRear"].value).toBeNull();
    expect(pointLabel("workRear", rig)).toBe("nozzles");
  });
});
