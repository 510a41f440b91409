import { describe, expect, it } from "vitest";
import { PRESETS } from "../quantity/units.ts";
import { sampleRig } from "../rig/sample.ts";
import { sampleWork } from "../yard/sample-work.ts";
import type { Work } from "../yard/work.ts";
import { fillCard } from "./fill.ts";
import { withJob } from "./job.ts";
import { freeze } from "./numbered.ts";
import { SHIPPED_SCHEMES } from "./shipped.ts";

const WORK = sampleWork({
  varietyWay: "rows",
  varieties: [
    { id: 1, name: "Halvard", rows: "1-12" },
    { id: 2, name: "Osk", rows: "13-24" },
  ],
  trigger: "hitch",
  screen: { map: 1, speed: 1, tank: 2 },
});
const rig = sampleRig();
const cardOf = (order = SHIPPED_SCHEMES[0]!.order, work: Work | null = WORK) =>
  withJob(fillCard({ ...SHIPPED_SCHEMES[0]!, order }, rig, [], PRESETS.metric, []), work, rig);

describe("the job on a card", () => {
  it("stands in the order of its scheme: the field before the machine, what is sown after it, the screen last", () => {
    const bare = fillCard(SHIPPED_SCHEMES[0]!, rig, [], PRESETS.metric, []).lines.length;
    const { lines } = cardOf();
    expect(lines.slice(0, 3).map(({ label, figure }) => [label, figure])).toEqual([
      ["Client", "Hollin"],
      ["Farm", "Hollin Court"],
      ["Field", "Long Acre"],
    ]);
    expect(lines.slice(3 + bare).map(({ page, label, figure }) => [page, label, figure])).toEqual([
      ["Operation", "Operation", "Sowing"],
      ["Operation", "Recorded by", "Height of the hitch"],
      ["Crop and variety", "Crop", "Winter wheat"],
      ["Crop and variety", "Variety 1", "Halvard, rows 1-12"],
      ["Crop and variety", "Variety 2", "Osk, rows 13-24"],
      ["Rate", "Product", "Halvard seed"],
      ["Line", "Line", "Long side"],
      ["Working screen", "Page 1", "Map of what is worked; Speed"],
      ["Working screen", "Page 2", "What is left in tank or hopper"],
      ["Working screen", "Set of pages", "active"],
    ]);
    expect(freeze(cardOf())).toHaveLength(lines.length);
  });

  it("leaves out steps a scheme does not ask, and everything where no job is set", () => {
    const pages = new Set(
      cardOf(["couple", "machine", "implement", "operation"]).lines.map(({ page }) => page),
    );
    expect(pages.has("Operation")).toBe(true);
    expect(pages.has("Client, farm, field")).toBe(false);
    expect(cardOf(undefined, null).lines.some(({ page }) => page === "Operation")).toBe(false);
  });
});
