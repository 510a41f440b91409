import { parseLength, printLength } from "../../../core/quantity/length.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import { givenSections, type ResolvedRig } from "../../../core/rig/resolve.ts";
import { isAnything, planSwaths, type SwathPlan } from "../../../core/subjects/tool/swaths.ts";

export type PlanView = {
  school: SwathPlan["school"];
  title: string;
  why: string;
  said: string;
  /** percent of the field's width, for the drawing */
  passes: { number: number; left: number; width: number; narrow: boolean; label: string }[];
};

export type SwathsView = {
  field: string;
  problem: string | null;
  /** what keeps it from being planned */
  missing: string | null;
  tool: string;
  verdict: string;
  plans: PlanView[];
  /** fields that so many passes cover with nothing left over */
  even: { passes: number; width: string }[];
};

/** So many passes are shown with the field they cover, before a width was typed. */
const EVEN = [2, 4, 6, 8, 10, 15, 20, 30, 40, 60];

/** The field's width as it was typed; empty where nobody typed one yet. */
export function swathsView(rig: ResolvedRig, typed: string, units: Units): SwathsView {
  const style = units.tape;
  const width = rig.values["tool.width"].value;
  const spacing = trackSpacing(rig).total;
  const base: SwathsView = {
    field: typed,
    problem: null,
    missing: null,
    tool: "",
    verdict: "",
    plans: [],
    even: [],
  };
  if (width === null || spacing === null || spacing <= 0)
    return { ...base, missing: "Working width and overlap are not read yet: give them at the tool." };
  const sections = givenSections(rig)?.widths ?? [];
  const tool = `${printLength(width, style)} wide, lines ${printLength(spacing, style)} apart, ${sections.length || "no"} sections`;
  if (typed.trim() === "")
    return {
      ...base,
      tool,
      even: EVEN.map((passes) => ({ passes, width: printLength(width + (passes - 1) * spacing, style) })),
    };
  const read = parseLength(typed, style);
  if (!read.ok) return { ...base, tool, problem: read.problem };
  const field = read.value.metres;
  try {
    const { full, left, plans } = planSwaths(field, { width, spacing, sections });
    return {
      ...base,
      tool,
      verdict:
        left === 0
          ? `${full} passes of full width: it comes out even.`
          : `${full} passes of full width, ${printLength(left, style)} left.`,
      plans: plans.map((plan) => planView(plan, field, spacing, units)),
    };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { ...base, tool, problem: "A field is wider than nothing, and no more than some hundred passes." };
  }
}

function planView(plan: SwathPlan, field: number, spacing: number, units: Units): PlanView {
  const style = units.tape;
  const { passes, school, title, why, doubled } = plan;
  const part = passes.find(({ sections }) => sections !== null);
  const said = [
    `${passes.length} passes`,
    school === "spread"
      ? `lines ${printLength(plan.spacing, style)} apart instead of ${printLength(spacing, style)}`
      : part?.sections
        ? `on the narrow one sections ${part.sections.first} to ${part.sections.last}`
        : "",
    isAnything(doubled) ? `${printLength(doubled, style)} worked twice` : "nothing worked twice",
  ]
    .filter(Boolean)
    .join(", ");
  return {
    school,
    title,
    why,
    said: `${said}.`,
    passes: passes.map(({ from, to, sections, narrow }, index) => ({
      number: index + 1,
      left: Math.max(0, (100 * from) / field),
      width: (100 * (Math.min(to, field) - Math.max(0, from))) / field,
      narrow,
      label: sections ? `${sections.first}–${sections.last}` : "",
    })),
  };
}
