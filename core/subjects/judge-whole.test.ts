import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ATTACHMENT_KEYS, type Attachment } from "../dimension/attachment.ts";
import { catalogueOf, type Dimension } from "../dimension/catalogue.ts";
import { drawBalance } from "../drawing/balance.ts";
import { drawLinkage } from "../drawing/linkage.ts";
import { drawPlan } from "../drawing/plan.ts";
import type { Sheet } from "../drawing/sheet.ts";
import { drawSide } from "../drawing/side.ts";
import { plain } from "../finding/sample-words.ts";
import { hookupList } from "../hookup/list.ts";
import { figuresIn } from "../quantity/said.ts";
import { PRESETS } from "../quantity/units.ts";
import { bareFacts } from "../rig/facts.ts";
import { resolveRig } from "../rig/resolve.ts";
import { sampleReading } from "../rig/sample.ts";
import { NO_LIMITS, samplePart, sampleWhole } from "../rig/sample-whole.ts";
import type { ToolOfRig } from "../rig/whole.ts";
import { judgeWhole } from "./judge-whole.ts";

/** A reading anywhere in what is plausible, its ends and a zero among them; or none at all. */
function anyValue(entry: Dimension) {
  const [low, high] = entry.plausible;
  if (entry.kind === "choice")
    return fc.option(fc.integer({ min: 0, max: (entry.choices?.length ?? 1) - 1 }), { freq: 3 });
  if (entry.kind === "count") return fc.option(fc.integer({ min: 1, max: 200 }), { freq: 3 });
  return fc.option(fc.oneof(fc.double({ min: low, max: high, noNaN: true }), fc.constantFrom(0, low, high)), {
    freq: 3,
  });
}

function anyPart(attachment: Attachment, behind: number | null): fc.Arbitrary<ToolOfRig> {
  const entries = catalogueOf(attachment);
  return fc.tuple(...entries.map(anyValue)).map((values) => {
    const readings = Object.fromEntries(
      entries.flatMap((entry, index) => {
        const value = values[index];
        if (value == null) return [];
        const rawText = entry.kind === "choice" ? (entry.choices?.[value]?.key ?? "") : String(value);
        return [[entry.key, [sampleReading(entry.key, value, { rawText })]]];
      }),
    );
    return { ...samplePart(attachment, {}, behind), rig: resolveRig(bareFacts(attachment, readings)) };
  });
}

const cells = fc.array(
  fc.record({
    speed: fc.constantFrom(10 / 3.6, 40 / 3.6),
    pressure: fc.constantFrom(0.8e5, 1.6e5),
    load: fc.integer({ min: 500, max: 5000 }),
  }),
  { maxLength: 4 },
);

const anyWhole = fc
  .constantFrom<Attachment[]>(
    ...ATTACHMENT_KEYS.filter((key) => key !== "train").map((key): Attachment[] => [key]),
    ["front", "mounted"],
    ["drawn", "train"],
  )
  .chain((attachments) =>
    fc.record({
      parts: fc.tuple(
        ...attachments.map((each) => anyPart(each, each === "train" ? 0 : null)),
      ) as unknown as fc.Arbitrary<ToolOfRig[]>,
      cells,
      fitted: fc.integer({ min: 0, max: 3 }),
    }),
  )
  .map(({ parts, cells: table, fitted }) => {
    const tyres = { label: "tyre", count: 2, table: { cells: table } };
    return sampleWhole(parts, {
      weights: [{ id: 1, what: "plate", mass: 45, x: 3.8, count: 6, fitted }],
      tyres: { front: tyres, rear: tyres, tools: parts.map(() => tyres) },
      limits: { ...NO_LIMITS, width: 3 },
    });
  });

/** Words and figures nobody may ever see. */
const NONSENSE = /NaN|Infinity|undefined|null|\[object/;

describe("whatever was read, and whatever is missing", () => {
  it("every station says something, and no figure is nonsense", () => {
    fc.assert(
      fc.property(anyWhole, fc.constantFrom("metric" as const, "us" as const), (whole, system) => {
        const units = PRESETS[system];
        const judged = judgeWhole(whole);
        const lines = hookupList(whole, judged);
        for (const { said, why } of judged.checks)
          expect(`${plain(said, units)} ${plain(why, units)}`).not.toMatch(NONSENSE);
        for (const { what, why } of judged.findings)
          expect(`${plain(what, units)} ${plain(why, units)}`).not.toMatch(NONSENSE);
        for (const { text } of lines) expect(plain(text, units)).not.toMatch(NONSENSE);
        for (const sentence of [
          ...judged.checks.flatMap(({ said, why }) => [said, why]),
          ...lines.map(({ text }) => text),
        ])
          expect(figuresIn(sentence).every(Number.isFinite)).toBe(true);
        const keys = lines.map(({ key }) => key);
        expect(new Set(keys).size).toBe(keys.length);
        const ids = judged.checks.map(({ id, part = 0 }) => `${id} ${part}`);
        expect(new Set(ids).size).toBe(ids.length);
      }),
      { numRuns: 250 },
    );
  });

  it("every drawing has figures to draw with", () => {
    const sheet = { labels: "values", station: null, only: null, units: PRESETS.metric } as const;
    fc.assert(
      fc.property(anyWhole, (whole) => {
        const [lead, ...others] = whole.parts.map(({ rig }) => rig);
        const { hitch } = judgeWhole(whole).reckoned;
        const full: Sheet = { ...sheet, region: "rig", width: 424, height: 736, others };
        const drawings = [
          drawPlan(lead!, full),
          drawSide(lead!, full),
          drawBalance(lead!, null, full),
          drawLinkage(lead!, hitch[0]!, { ...full, only: null, labels: "letters" }),
        ];
        for (const drawing of drawings) expect(numbersOf(drawing).every(Number.isFinite)).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

/** Every number of a drawing, also those inside paths. */
function numbersOf(value: unknown): number[] {
  if (typeof value === "number") return [value];
  if (typeof value === "string") return /NaN|Infinity/.test(value) ? [Number.NaN] : [];
  if (value === null || typeof value !== "object") return [];
  return Object.values(value).flatMap(numbersOf);
}
