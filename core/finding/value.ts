import type { Dimension } from "../dimension/catalogue.ts";
import { CHANGES, type ChangeKind } from "../dimension/change.ts";
import { entryFigure, shownLength } from "../dimension/entry.ts";
import { pointLabel } from "../dimension/points.ts";
import { METRES_PER } from "../quantity/length.ts";
import { type Said, tell } from "../quantity/said.ts";
import { usesTerminal } from "../rig/asked.ts";
import { below, type Grade } from "../rig/grade.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { guidanceUses } from "../rig/tape-next.ts";
import type { Finding } from "./finding.ts";

/** What one does to get a reading of it; a length that is exact is told, not taped: the overlap wanted, the terminal's spacing. */
export function verbOf({ kind, family, sigma }: Pick<Dimension, "kind" | "family" | "sigma">): string {
  if (kind === "count") return "Count";
  if (kind === "length") return sigma.taped > 0 ? "Tape" : "Enter";
  return family === "mass" ? "Weigh" : family === "pressure" ? "Gauge" : "Enter";
}

/** A finding on one dimension, cured by reading it. */
export function findingOn(
  entry: Dimension,
  id: string,
  rest: Pick<Finding, "severity" | "what" | "why">,
): Finding {
  return {
    id: `${id}:${entry.key}`,
    station: entry.station,
    subject: entry.key,
    next: { label: `${verbOf(entry)} ${entry.letter || "it"}`, target: entry.key },
    ...rest,
  };
}

/**
 * What is wrong with one reading: missing, zero, wrong sign, out of range, stale, never taped. Empty where
 * nothing is.
 */
export function judgeValue(entry: Dimension, rig: ResolvedRig): Finding[] {
  const { value, grade, doubt, stale, plausible, reading } = rig.values[entry.key];
  if (value === null) return missing(entry);
  const shown = entryFigure(entry, value);
  if (!reading)
    return [
      findingOn(entry, "assumed", {
        severity: "check",
        what: tell`${entry.label} is assumed: ${shown}.`,
        why: `Nobody told it; ${entry.otherwise?.source}. ${entry.matters}`,
      }),
    ];
  switch (doubt) {
    case "zero":
      return [
        findingOn(entry, "zero", {
          severity: "stop",
          what: tell`${entry.label} is ${shown}${below(grade, "taped") ? " and nobody measured it" : ""}.`,
          why: `A zero here is a number nobody entered. ${entry.matters}`,
        }),
      ];
    case "sign":
      return [wrongSign(entry, value, rig)];
    case "range":
      return [
        findingOn(entry, "impossible", {
          severity: "stop",
          what: tell`${entry.label} is ${shown}: that cannot be.`,
          why: tell`Usual is ${entryFigure(entry, plausible[0])} to ${entryFigure(entry, plausible[1])}: a unit was missed, or it is the number of something else.`,
        }),
      ];
    case "unusual":
      return [
        findingOn(entry, "range", {
          severity: "check",
          what: tell`${entry.label} is ${shown}, outside what is usual.`,
          why: tell`Usual is ${entryFigure(entry, plausible[0])} to ${entryFigure(entry, plausible[1])}: look for a slipped digit or a wrong unit.`,
        }),
      ];
  }
  if (stale) return isUsed(rig, entry.key) ? [outdated(entry, stale.kind, grade)] : [];
  if (doubt === "habitual zero")
    return [
      findingOn(entry, "habitual-zero", {
        severity: "check",
        what: tell`${entry.label} is ${shown} by habit, not by tape.`,
        why: `It is zero on most machines, and never sure until taped. ${entry.matters}`,
      }),
    ];
  if (!below(grade, "taped") || !isUsed(rig, entry.key) || entry.sigma.book === 0) return [];
  if (isHalfTheWidth(entry, value, rig))
    return [
      findingOn(entry, "half-width", {
        severity: "fix",
        what: tell`${entry.label} is ${shown}, half the working width.`,
        why: "That is the distance from one edge to the middle, typed where an offset belongs. An offset is zero on a tool that pulls straight.",
      }),
    ];
  return [looksStock(entry, value) ? stock(entry, shown, grade) : untaped(entry, grade)];
}

/** Whether a terminal of this rig steers or records by it. */
function isUsed(rig: ResolvedRig, key: Dimension["key"]): boolean {
  return usesTerminal(rig) && guidanceUses(rig, key);
}

/** A centre distance in the place of an offset: within a centimetre of half the width. */
function isHalfTheWidth({ sides, key }: Dimension, value: number, { values }: ResolvedRig): boolean {
  const width = values["tool.width"].value;
  return sides?.plus === "right" && key !== "receiver.lateral" && width !== null
    ? Math.abs(Math.abs(value) - width / 2) <= 0.01
    : false;
}

/** Lists of stock figures are round: whole decimetres, or whole half feet. A width is round by design. */
function looksStock({ span }: Dimension, value: number): boolean {
  const round = (step: number) => Math.abs(value / step - Math.round(value / step)) < 1e-6;
  return span !== null && span.axis !== "y" && (round(0.1) || round(METRES_PER.ft / 2));
}

function stock(entry: Dimension, shown: Said, grade: Grade): Finding {
  return findingOn(entry, "stock", {
    severity: "check",
    what: tell`${entry.label} is ${shown}, ${grade === "book" ? "from the book" : "assumed"}: as round as a stock figure.`,
    why: `Stock figures are loaded with a machine and look plausible. ${entry.matters}`,
  });
}

function outdated(entry: Dimension, kind: ChangeKind, grade: Grade): Finding {
  return findingOn(entry, "stale", {
    severity: "check",
    what: `${entry.label} is stale, was ${grade}.`,
    why: `Since then: ${CHANGES[kind].label.toLowerCase()}. ${entry.matters}`,
  });
}

function missing(entry: Dimension): Finding[] {
  if (entry.whenMissing === "quiet" || entry.whenMissing === "assumed") return [];
  const pivot = entry.key === "pin.pivot";
  return [
    findingOn(entry, "missing", {
      severity: entry.whenMissing,
      what: `${entry.label} is missing${pivot ? ": without it a trailed tool has no pivot" : ""}.`,
      why: entry.matters,
    }),
  ];
}

function wrongSign(entry: Dimension, value: number, rig: ResolvedRig): Finding {
  const ahead = shownLength(entry, -value);
  const work =
    (entry.key === "pin.workFront" || entry.key === "pin.workRear") && entry.direction === "rearward";
  return findingOn(entry, "sign", {
    severity: "stop",
    what: work
      ? tell`The ${pointLabel(entry.key === "pin.workFront" ? "workFront" : "workRear", rig)} would lie ${ahead} ahead of the ${pointLabel("pin", rig)}.`
      : tell`${entry.label} is negative: ${entryFigure(entry, value)}.`,
    why: work
      ? `What hangs behind cannot work ahead of its hitch: the sign was swapped on the way here. ${entry.matters}`
      : `It is a distance, ${entry.fromTo}: the sign was swapped on the way here.`,
  });
}

function untaped(entry: Dimension, grade: Grade): Finding {
  return findingOn(entry, "untaped", {
    severity: "check",
    what: `${entry.label} is ${grade === "book" ? "from the book" : "assumed"}, not taped.`,
    why: entry.matters,
  });
}
