/** What all tools of a rig work together, seen across: a front and a rear mower cut one swath. Metres, right positive. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import { below, weakest } from "./grade.ts";
import { isBelieved, type Resolved, type ResolvedRig } from "./resolve.ts";
import { type ToolOfRig, type WholeRig, works } from "./whole.ts";

/** A strip as narrow as that between two tools is nothing: a blade's reach, a tape's doubt (our threshold). */
const NOTHING = 0.02;

export type Swath =
  /** one tool works, or none: there is nothing to put together */
  | { kind: "single" }
  /** a reading of a part is not known: `tool.width`, or on which side of the line of pull it works */
  | { kind: "unknown"; part: number; key: DimensionKey }
  /** a strip stays unworked between two of them */
  | { kind: "hole"; width: number; from: number }
  | { kind: "swath"; width: number; middle: number; left: Edge; right: Edge; lap: number };

/** An outer edge of the swath: which part's it is, and where. */
export type Edge = { part: number; at: number };

type Strip = { part: number; left: number; right: number };

function stripOf({ values }: ResolvedRig, part: number): Strip | { part: number; key: DimensionKey } {
  for (const key of ["tool.width", "tool.lateral"] as const)
    if (values[key].value === null || !isBelieved(values[key].doubt)) return { part, key };
  const [half, middle] = [values["tool.width"].value! / 2, values["tool.lateral"].value!];
  return { part, left: middle - half, right: middle + half };
}

/** What does the same work: a mower and a mower-conditioner lay one swath. What follows in the same track, a roller behind a drill, does not. */
function workOf({ tool }: ResolvedRig): string | null {
  return tool === "conditioner" ? "mower" : tool;
}

/** Tools of a rig that do one work beside each other: those on the machine itself of the kind of the first that works. */
export function besides({ parts }: { parts: readonly Pick<ToolOfRig, "rig" | "behind">[] }): number[] {
  const lead = parts.find(({ rig }) => works(rig));
  if (!lead || lead.rig.tool === null) return [];
  return parts.flatMap(({ rig, behind }, part) =>
    behind === null && works(rig) && workOf(rig) === workOf(lead.rig) ? [part] : [],
  );
}

/** The union of what such tools of a rig cover, each about the line of pull. */
export function swathOf(whole: Pick<WholeRig, "parts">): Swath {
  const working = besides(whole).map((part) => stripOf(whole.parts[part]!.rig, part));
  if (working.length < 2) return { kind: "single" };
  const unknown = working.find((each) => "key" in each);
  if (unknown && "key" in unknown) return { kind: "unknown", part: unknown.part, key: unknown.key };
  const strips = (working as Strip[]).sort((a, b) => a.left - b.left);
  let reached = strips[0]!;
  let lap = Number.POSITIVE_INFINITY;
  for (const strip of strips.slice(1)) {
    if (strip.left - reached.right > NOTHING + 1e-9)
      return { kind: "hole", width: strip.left - reached.right, from: reached.right };
    lap = Math.min(lap, Math.max(0, Math.min(reached.right, strip.right) - strip.left));
    if (strip.right > reached.right) reached = strip;
  }
  const [left, right] = [strips[0]!, reached];
  return {
    kind: "swath",
    width: right.right - left.left,
    middle: (right.right + left.left) / 2,
    left: { part: left.part, at: left.left },
    right: { part: right.part, at: right.right },
    lap,
  };
}

/**
 * One tool of a rig as a terminal is told of it: where several work, the width and the lateral offset are those of the swath they make together;
 * with a hole in it, or an edge unknown, neither is known. A rig of one working tool is returned as it is.
 */
export function together(whole: Pick<WholeRig, "parts">, part: number): ResolvedRig {
  const own = whole.parts[part]!.rig;
  const swath = swathOf(whole);
  if (swath.kind === "single" || !besides(whole).includes(part)) return own;
  const made =
    swath.kind === "swath"
      ? derive(whole, swath)
      : { width: { value: null, sigma: Number.NaN }, middle: { value: null, sigma: Number.NaN }, of: [] };
  return {
    ...own,
    values: {
      ...own.values,
      "tool.width": derived(own.values["tool.width"], made.width, made.of),
      "tool.lateral": derived(own.values["tool.lateral"], made.middle, made.of),
    },
  };
}

/** The tools of a rig, each but the first that works one swath told that another has the lines. */
export function shareLines<Part extends Pick<ToolOfRig, "rig" | "behind">>(parts: readonly Part[]): Part[] {
  const beside = besides({ parts });
  return parts.map((part, index) => {
    const elsewhere = beside.includes(index) && index !== beside[0];
    return elsewhere ? { ...part, rig: { ...part.rig, linesElsewhere: true } } : part;
  });
}

type Made = { value: number | null; sigma: number };

/** Width and middle from both outer edges; an edge is a middle and half a width, of one tool or of two. */
function derive(
  { parts }: Pick<WholeRig, "parts">,
  { width, middle, left, right }: Swath & { kind: "swath" },
) {
  const of = [...new Set([left.part, right.part])].flatMap((part) => {
    const { values } = parts[part]!.rig;
    return [values["tool.width"], values["tool.lateral"]];
  });
  if (left.part === right.part) {
    const { values } = parts[left.part]!.rig;
    return {
      width: { value: width, sigma: values["tool.width"].sigma },
      middle: { value: middle, sigma: values["tool.lateral"].sigma },
      of,
    };
  }
  const edge = (part: number) => {
    const { values } = parts[part]!.rig;
    return Math.hypot(values["tool.lateral"].sigma, values["tool.width"].sigma / 2);
  };
  const sigma = Math.hypot(edge(left.part), edge(right.part));
  return { width: { value: width, sigma }, middle: { value: middle, sigma: sigma / 2 }, of };
}

/** A value worked out of others: as trusted as the weakest of them, stale where one is; what was read of this tool itself stays its reading. */
function derived(own: Resolved, { value, sigma }: Made, of: readonly Resolved[]): Resolved {
  if (value === null)
    return { ...own, value, grade: "missing", doubt: null, reading: null, repeats: [], proof: null };
  const grade = weakest(of.map((each) => each.grade));
  return {
    ...own,
    value,
    sigma,
    grade: below(grade, "taped") ? grade : "taped",
    doubt: null,
    stale: of.find(({ stale }) => stale !== null)?.stale ?? null,
    repeats: [],
    spread: 0,
    proof: null,
  };
}
