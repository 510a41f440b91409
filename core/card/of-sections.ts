/** What terminals ask of sections: how many, how wide each, how many rows or nozzles in each. */
import { guidedBy } from "../rig/asked.ts";
import type { Chain } from "../rig/chain.ts";
import { isSameReading } from "../rig/facts.ts";
import { type Grade, gradeOf, weakest } from "../rig/grade.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import type { AskedLine, OfSection, SchemeLine } from "./scheme.ts";

/** A section holds a whole number of rows within this share of one: a tape's error over many rows (ours). */
const WHOLE = 0.1;

/**
 * A scheme's line as it is asked of one rig: where it is asked of each section, one for every run of sections that are alike, numbered from
 * the left, since a terminal fills them in one go. Nothing of sections is
 * asked where no terminal switches any; where nobody knows them the line stands once, and says so.
 */
export function eachSection(line: SchemeLine, rig: ResolvedRig): AskedLine[] {
  const { measure } = line;
  const { sections } = guidedBy(rig);
  switch (measure.kind) {
    case "section count":
      return sections ? [line] : [];
    case "section widths":
    case "section units": {
      if (!sections) return [];
      const of = measure.kind === "section widths" ? "width" : "units";
      if (!rig.sections) return [line];
      return runsOf(rig.sections.widths).map(({ at, to }) => ({
        ...line,
        label: `${line.label} ${at === to ? at + 1 : `${at + 1} to ${to + 1}`}`,
        measure: { kind: "section", of, at },
      }));
    }
    // Rates are asked on a page of their own, behind everything else.
    case "rates":
      return [];
    default:
      return [line];
  }
}

/** Sections side by side that are as wide to the half millimetre, first and last of each run. */
function runsOf(widths: readonly number[]): { at: number; to: number }[] {
  const runs: { at: number; to: number }[] = [];
  for (const [index, width] of widths.entries()) {
    const run = runs.at(-1);
    if (run && isSameReading(widths[run.at]!, width)) run.to = index;
    else runs.push({ at: index, to: index });
  }
  return runs;
}

/** How many sections the tool has; nothing while nobody knows. */
export function sectionCount(rig: ResolvedRig): Chain {
  return told(rig, rig.sections?.widths.length ?? null);
}

/** Metres of one section, or how many rows or nozzles stand in it; nothing where they are no whole number. */
export function sectionFigure({ of, at }: OfSection, rig: ResolvedRig): Chain {
  const width = rig.sections?.widths[at] ?? null;
  if (of === "width" || width === null) return told(rig, width);
  const { value: spacing, grade } = rig.values["rows.spacing"];
  if (spacing === null || spacing <= 0) return told(rig, null);
  const units = Math.round(width / spacing);
  const whole = units > 0 && Math.abs(width / spacing - units) <= WHOLE;
  return told(rig, whole ? units : null, grade);
}

/** A figure of the section layout: no sum of readings, as good as what the layout was read with. */
function told({ sections, sectionsStale }: ResolvedRig, total: number | null, of: Grade = "proven"): Chain {
  return {
    links: [],
    total,
    known: total ?? 0,
    sigma: null,
    grade: total === null || !sections ? "missing" : weakest([gradeOf(sections.instrument), of]),
    stale: sectionsStale !== null,
    proof: null,
  };
}
