import { isBuiltOn } from "../dimension/attachment.ts";
import { dimension, SECTIONS_LETTER, unchanging } from "../dimension/catalogue.ts";
import { entryFigure } from "../dimension/entry.ts";
import { wordsOf } from "../dimension/kind-words.ts";
import { capital } from "../quantity/capital.ts";
import { type Said, tapeLength, tell } from "../quantity/said.ts";
import { trackSpacing } from "../rig/chain.ts";
import { below, GRADES, type Grade, gradeOf } from "../rig/grade.ts";
import { givenSections, isBelieved, type ResolvedRig } from "../rig/resolve.ts";
import { countSections, sectionSum } from "../rig/sections.ts";
import type { Finding, Target } from "./finding.ts";
import { findingOn } from "./value.ts";

/**
 * Widths that differ by less agree: a receiver repeats a pass to about 2 cm on a fixed solution
 * (common practice, no source), so less cannot be seen in the field.
 */
const WIDTHS_AGREE_WITHIN = 0.02;

/** Whether two working widths are the same as far as a field shows, metres. */
export function widthsAgree(a: number, b: number): boolean {
  return Math.abs(a - b) <= WIDTHS_AGREE_WITHIN + 1e-9;
}

type Estimate = {
  label: string;
  /** metres of working width this way of counting gives */
  metres: number;
  grade: Grade;
  target: Target;
  letter: string;
  text: Said;
};

const agree = (a: Estimate, b: Estimate) => widthsAgree(a.metres, b.metres);

/**
 * The working width is known three ways: taped, as the sum of the sections, as rows × spacing. Each of
 * the last two is held against the first.
 */
export function judgeWidths(rig: ResolvedRig): Finding[] {
  const width = widthEstimate(rig);
  if (!width) return [];
  const sections = sectionsEstimate(rig);
  const rows = rowsEstimate(rig);
  return [
    ...(sections ? compare("sections-sum", "Sections", width, sections, rows) : []),
    ...(rows ? compare("rows-sum", capital(counted(rig).many), width, rows, sections) : []),
  ];
}

function compare(
  id: string,
  title: string,
  width: Estimate,
  other: Estimate,
  third: Estimate | null,
): Finding[] {
  if (agree(width, other)) return [];
  const difference = tapeLength(Math.abs(width.metres - other.metres));
  const { look, because } = suspect(width, other, third);
  return [
    {
      id,
      station: "tool",
      severity: "fix",
      subject: other.target,
      what: tell`${title} and width disagree by ${difference}: ${other.text}; the width is ${width.text}.`,
      why: `${because} Every pass leaves a strip or works it twice.`,
      next: { label: `Look at ${look.letter}`, target: look.target },
    },
  ];
}

/** Which of two to look at: the one a third way of counting outvotes, else the lower grade, else the width. */
function suspect(
  width: Estimate,
  other: Estimate,
  third: Estimate | null,
): { look: Estimate; because: string } {
  if (third && agree(third, other))
    return {
      look: width,
      because: `${capital(third.label)} and ${other.label} agree, so look at the width.`,
    };
  if (third && agree(third, width))
    return {
      look: other,
      because: `${capital(third.label)} and the width agree, so look at ${other.label}.`,
    };
  const look = GRADES.indexOf(other.grade) < GRADES.indexOf(width.grade) ? other : width;
  return width.grade === other.grade
    ? { look, because: `Both are ${look.grade}; look at ${look.label} first.` }
    : { look, because: `The weaker reading is ${look.label} (${look.grade}).` };
}

function widthEstimate({ values }: ResolvedRig): Estimate | null {
  const { value, doubt, grade } = values["tool.width"];
  if (value === null || !isBelieved(doubt)) return null;
  const text = tapeLength(value);
  return {
    label: "the width",
    metres: value,
    grade,
    target: "tool.width",
    letter: unchanging("tool.width").letter,
    text,
  };
}

function sectionsEstimate(rig: ResolvedRig): Estimate | null {
  const sections = givenSections(rig);
  if (!sections) return null;
  const metres = sectionSum(sections.widths);
  return {
    label: "the sections",
    metres,
    grade: gradeOf(sections.instrument),
    target: "sections",
    letter: SECTIONS_LETTER,
    text: tell`${countSections(sections)} ${sections.widths.length === 1 ? "adds" : "add"} up to ${tapeLength(metres)}`,
  };
}

/** What stands side by side across the tool, one of it and many. */
function counted({ attachment, tool }: Pick<ResolvedRig, "attachment" | "tool">): {
  one: string;
  many: string;
} {
  return wordsOf(tool === null && isBuiltOn(attachment) ? "sprayer" : tool);
}

function rowsEstimate(rig: ResolvedRig): Estimate | null {
  const { values } = rig;
  const [count, spacing] = [values["rows.count"], values["rows.spacing"]];
  if (
    count.value === null ||
    spacing.value === null ||
    !isBelieved(count.doubt) ||
    !isBelieved(spacing.doubt)
  )
    return null;
  const metres = count.value * spacing.value;
  const [look, label] = below(count.grade, spacing.grade)
    ? [count, `the number of ${counted(rig).many}`]
    : [spacing, `the ${counted(rig).one} spacing`];
  return {
    label,
    metres,
    grade: look.grade,
    target: look.key,
    letter: unchanging(look.key).letter,
    text: tell`${count.value} ${count.value === 1 ? counted(rig).one : counted(rig).many} × ${entryFigure(dimension("rows.spacing", rig), spacing.value)} = ${tapeLength(metres)}`,
  };
}

/** A terminal takes spacings to the centimetre; a finer difference is its rounding. */
const SPACING_STEP = 0.01;

/** The spacing the terminal lays its lines at, against width less overlap. */
export function judgeTrackSpacing(rig: ResolvedRig): Finding[] {
  const set = rig.values["guidance.trackSpacing"];
  const width = rig.values["tool.width"];
  const wanted = trackSpacing(rig).total;
  if (set.value === null || !isBelieved(set.doubt) || wanted === null || !isBelieved(width.doubt)) return [];
  const off = set.value - wanted;
  if (Math.abs(off) < SPACING_STEP - 1e-9) return [];
  const by = tapeLength(Math.abs(off));
  return [
    findingOn(dimension("guidance.trackSpacing", rig), "track-spacing", {
      severity: "fix",
      what: tell`The terminal's lines are ${tapeLength(set.value)} apart; width less overlap is ${tapeLength(wanted)}.`,
      why: off > 0 ? tell`Every joint is left ${by} wide.` : tell`Every joint is worked twice, ${by} wide.`,
    }),
  ];
}
