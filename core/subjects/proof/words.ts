/** A slip in words: what it looks like, and where to look first. */
import { type DimensionKey, dimension } from "../../dimension/catalogue.ts";
import { printEntry } from "../../dimension/entry.ts";
import { printLength } from "../../quantity/length.ts";
import type { Units } from "../../quantity/units.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import type { Slip, Suspect } from "./suspects.ts";

export type SuspectWords = { what: string; next: string };

/** Which slip a figure looks like, and where to look first: at the terminal, before a reading is touched. */
export function suspectWords({ slip }: Suspect, rig: ResolvedRig, units: Units): SuspectWords {
  switch (slip.kind) {
    case "side":
      return {
        what: `Side swapped: ${named(slip.key, rig)} stands on the other side in the terminal.`,
        next: `It is ${shown(slip.key, rig, units)} here, and the tool ran as if it were as much to the other side. Read the terminal's line back first.`,
      };
    case "zero":
      return {
        what: `Left at zero: the terminal has 0 for ${named(slip.key, rig)}.`,
        next: `The error is as long as the reading itself, ${shown(slip.key, rig, units)}. Read the terminal's line back first.`,
      };
    case "edge":
      return {
        what: `Counted from the edge: half the working width stands where an offset belongs.`,
        next: `An offset runs from the line of pull to the middle of the width. Read the terminal's line back first.`,
      };
    case "ranks":
      return {
        what: "Front and rear of the work are changed over in the terminal.",
        next: "The error is as long as the two lie apart. Read both lines back.",
      };
    case "row":
      return {
        what: `${rowsWord(slip.more)} ${slip.more > 0 ? "more" : "fewer"} than entered: the width is ${slip.more > 0 ? "short of" : "over"} what works by ${printLength(Math.abs(slip.more) * (rig.values["rows.spacing"].value ?? 0), units.small)}.`,
        next: "Count the rows, touching each coulter, and correct rows and width together.",
      };
    case "variant":
      return {
        what: `It works as wide as “${slip.name}”: another variant is on than the one set up here.`,
        next: "Choose the variant that is mounted, in the terminal and here: its sections and its spacing come with it.",
      };
    case "spacing":
      return spacingWords(slip, units);
  }
}

function spacingWords({ by, rows, like }: Extract<Slip, { kind: "spacing" }>, units: Units): SuspectWords {
  const apart = printLength(Math.abs(by), units.small);
  const wide = by > 0 ? "too wide" : "too close";
  if (like !== null)
    return {
      what: `Lines of “${like}”: the terminal still has its spacing, and most likely its sections.`,
      next: `They lie ${apart} ${wide} for this work. Choose this tool in the terminal again, then its sections and its spacing.`,
    };
  if (rows !== null)
    return {
      what: `${rowsWord(rows)} ${rows > 0 ? "too many" : "too few"} in the terminal's spacing: its lines lie ${apart} ${wide}.`,
      next: "Set the spacing to width less overlap. Count the rows if that does not help.",
    };
  return {
    what: `The terminal's lines lie ${apart} ${wide} for this width.`,
    next: "The spacing was left from another tool, or typed wrong. Set it to width less overlap.",
  };
}

function rowsWord(count: number): string {
  const rows = Math.abs(count);
  return rows === 1 ? "One row" : `${["", "", "Two", "Three"][rows] ?? rows} rows`;
}

function named(key: DimensionKey, rig: ResolvedRig): string {
  const { label } = dimension(key, rig.attachment);
  return label.charAt(0).toLowerCase() + label.slice(1);
}

function shown(key: DimensionKey, rig: ResolvedRig, units: Units): string {
  return printEntry(dimension(key, rig.attachment), rig.values[key].value ?? 0, units);
}
