import { CATALOGUE, type Dimension, dimension, SECTIONS_LETTER } from "../dimension/catalogue.ts";
import { printEntry } from "../dimension/entry.ts";
import { printLength } from "../quantity/length.ts";
import { IN_TAPE_UNITS, type UnitSystem } from "../quantity/units.ts";
import { below, GRADES, type Grade, gradeOf } from "../rig/grade.ts";
import type { Resolved, ResolvedRig } from "../rig/resolve.ts";
import { sectionSum } from "../rig/sections.ts";
import { guidanceUses } from "../rig/tape-next.ts";
import { type Finding, type Target, worstFirst } from "./finding.ts";

/**
 * Widths that differ by less agree: a receiver repeats a pass to about 2 cm on a fixed solution
 * (common practice, no source), so less cannot be seen in the field.
 */
export const WIDTHS_AGREE_WITHIN = 0.02;

/** All findings on one rig, worst first. Texts print lengths in the operator's units. */
export function judge(rig: ResolvedRig, system: UnitSystem): Finding[] {
  return worstFirst([
    ...CATALOGUE.flatMap((entry) => judgeValue(entry, rig.values[entry.key], system)),
    ...judgeRanks(rig, system),
    ...judgeSectionsGiven(rig),
    ...judgeWidths(rig, system),
  ]);
}

function finding(entry: Dimension, id: string, rest: Pick<Finding, "severity" | "what" | "why">): Finding {
  return {
    id: `${id}:${entry.key}`,
    station: entry.station,
    subject: entry.key,
    next: { label: `${entry.kind === "count" ? "Count" : "Tape"} ${entry.letter}`, target: entry.key },
    ...rest,
  };
}

function judgeValue(entry: Dimension, resolved: Resolved, system: UnitSystem): Finding[] {
  const { value, grade, doubt } = resolved;
  if (value === null) return [missing(entry)];
  const shown = printEntry(entry, value, system);
  switch (doubt) {
    case "zero":
      return [
        finding(entry, "zero", {
          severity: "stop",
          what: `${entry.label} is ${shown}${below(grade, "taped") ? " and nobody measured it" : ""}.`,
          why: `A zero here is a number nobody entered. ${entry.matters}`,
        }),
      ];
    case "sign":
      return [wrongSign(entry, value, system)];
    case "range":
      return [
        finding(entry, "range", {
          severity: "fix",
          what: `${entry.label} is ${shown}, outside what is usual.`,
          why: `Usual is ${printEntry(entry, entry.plausible[0], system)} to ${printEntry(entry, entry.plausible[1], system)}: look for a slipped digit or a wrong unit.`,
        }),
      ];
    case "habitual zero":
      return [
        finding(entry, "habitual-zero", {
          severity: "check",
          what: `${entry.label} is ${shown} by habit, not by tape.`,
          why: `It is zero on most machines, and never sure until taped. ${entry.matters}`,
        }),
      ];
    default:
      return below(grade, "taped") && guidanceUses(entry.key) && entry.sigma.book > 0
        ? [untaped(entry, grade)]
        : [];
  }
}

function missing(entry: Dimension): Finding {
  const pivot = entry.key === "pin.pivot";
  return finding(entry, "missing", {
    severity: entry.whenMissing,
    what: pivot
      ? "This drawn tool has no pivot: drawbar pin to wheels is missing."
      : `${entry.label} is missing.`,
    why: entry.matters,
  });
}

function wrongSign(entry: Dimension, value: number, system: UnitSystem): Finding {
  const ahead = printLength(-value, entry.shown[system]);
  const work = entry.key === "pin.workFront" || entry.key === "pin.workRear";
  return finding(entry, "sign", {
    severity: "stop",
    what: work
      ? `The ${entry.key === "pin.workFront" ? "front" : "rear"} rank lies ${ahead} ahead of the drawbar pin.`
      : `${entry.label} is negative: ${printEntry(entry, value, system)}.`,
    why: work
      ? `A drawn drill cannot sow ahead of its pin: the sign was swapped on the way here. ${entry.matters}`
      : `It is a distance, ${entry.fromTo}: the sign was swapped on the way here.`,
  });
}

function untaped(entry: Dimension, grade: Grade): Finding {
  return finding(entry, "untaped", {
    severity: "check",
    what: `${entry.label} is ${grade === "book" ? "from the book" : "assumed"}, not taped.`,
    why: entry.matters,
  });
}

function judgeRanks({ values }: ResolvedRig, system: UnitSystem): Finding[] {
  const [front, rear] = [values["pin.workFront"], values["pin.workRear"]];
  if (front.value === null || rear.value === null || front.doubt || rear.doubt) return [];
  if (rear.value >= front.value) return [];
  const entry = dimension("pin.workRear");
  return [
    finding(entry, "ranks-crossed", {
      severity: "fix",
      what: `The rear rank lies ${printLength(front.value - rear.value, IN_TAPE_UNITS[system])} ahead of the front rank.`,
      why: "The two readings were written down crosswise. The work would start and stop at the wrong rank.",
    }),
  ];
}

type Estimate = {
  label: string;
  /** metres of working width this way of counting gives */
  metres: number;
  grade: Grade;
  target: Target;
  letter: string;
  text: string;
};

const agree = (a: Estimate, b: Estimate) => Math.abs(a.metres - b.metres) <= WIDTHS_AGREE_WITHIN + 1e-9;

/**
 * The working width is known three ways: taped, as the sum of the sections, as rows × spacing. Each of
 * the last two is held against the first.
 */
function judgeWidths(rig: ResolvedRig, system: UnitSystem): Finding[] {
  const width = widthEstimate(rig, system);
  if (!width) return [];
  const sections = sectionsEstimate(rig, system);
  const rows = rowsEstimate(rig, system);
  return [
    ...(sections ? compare("sections-sum", "Sections", width, sections, rows, system) : []),
    ...(rows ? compare("rows-sum", "Rows", width, rows, sections, system) : []),
  ];
}

function compare(
  id: string,
  title: string,
  width: Estimate,
  other: Estimate,
  third: Estimate | null,
  system: UnitSystem,
): Finding[] {
  if (agree(width, other)) return [];
  const difference = printLength(Math.abs(width.metres - other.metres), IN_TAPE_UNITS[system]);
  const { look, because } = suspect(width, other, third);
  return [
    {
      id,
      station: "tool",
      severity: "fix",
      subject: other.target,
      what: `${title} and width disagree by ${difference}: ${other.text}; the width is ${width.text}.`,
      why: `${because} Every pass leaves a strip or sows it twice.`,
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

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function widthEstimate({ values }: ResolvedRig, system: UnitSystem): Estimate | null {
  const { value, doubt, grade } = values["tool.width"];
  if (value === null || doubt) return null;
  const text = printLength(value, IN_TAPE_UNITS[system]);
  return {
    label: "the width",
    metres: value,
    grade,
    target: "tool.width",
    letter: dimension("tool.width").letter,
    text,
  };
}

function sectionsEstimate({ sections }: ResolvedRig, system: UnitSystem): Estimate | null {
  if (!sections) return null;
  const metres = sectionSum(sections.widths);
  return {
    label: "the sections",
    metres,
    grade: gradeOf(sections.instrument),
    target: "sections",
    letter: SECTIONS_LETTER,
    text: `${sections.widths.length} sections add up to ${printLength(metres, IN_TAPE_UNITS[system])}`,
  };
}

function rowsEstimate({ values }: ResolvedRig, system: UnitSystem): Estimate | null {
  const [count, spacing] = [values["rows.count"], values["rows.spacing"]];
  if (count.value === null || spacing.value === null || count.doubt || spacing.doubt) return null;
  const metres = count.value * spacing.value;
  const [look, label] = below(count.grade, spacing.grade)
    ? [count, "the row count"]
    : [spacing, "the row spacing"];
  return {
    label,
    metres,
    grade: look.grade,
    target: look.key,
    letter: dimension(look.key).letter,
    text: `${count.value} rows × ${printEntry(dimension("rows.spacing"), spacing.value, system)} = ${printLength(metres, IN_TAPE_UNITS[system])}`,
  };
}

function judgeSectionsGiven({ sections }: ResolvedRig): Finding[] {
  if (sections) return [];
  return [
    {
      id: "missing:sections",
      station: "tool",
      severity: "stop",
      subject: "sections",
      what: "The sections are not given.",
      why: "Section control switches by their widths, left to right.",
      next: { label: `Enter ${SECTIONS_LETTER}`, target: "sections" },
    },
  ];
}
