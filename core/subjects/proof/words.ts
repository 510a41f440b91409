/** A slip in words: what it looks like, and where to look first. */

import { type DimensionKey, dimension } from "../../dimension/catalogue.ts";
import { entryFigure } from "../../dimension/entry.ts";
import { type Said, smallLength, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import type { Slip, Suspect } from "./suspects.ts";

export type SuspectWords = { what: Said; next: Said };

/** Which slip a figure looks like, and where to look first: at the terminal, before a reading is touched. */
export function suspectWords({ slip }: Suspect, rig: ResolvedRig): SuspectWords {
  switch (slip.kind) {
    case "side":
      return {
        what: `Side swapped: ${named(slip.key, rig)} stands on the other side in the terminal.`,
        next: tell`It is ${shown(slip.key, rig)} here, and the tool ran as if it were as much to the other side. Read the terminal's line back first.`,
      };
    case "zero":
      return {
        what: `Left at zero: the terminal has 0 for ${named(slip.key, rig)}.`,
        next: tell`The error is as long as the reading itself, ${shown(slip.key, rig)}. Read the terminal's line back first.`,
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
        what: tell`${rowsWord(slip.more)} ${slip.more > 0 ? "more" : "fewer"} than entered: the width is ${slip.more > 0 ? "short of" : "over"} what works by ${smallLength(Math.abs(slip.more) * (rig.values["rows.spacing"].value ?? 0))}.`,
        next: "Count the rows, touching each one, and correct rows and width together.",
      };
    case "variant":
      return {
        what: `It works as wide as “${slip.name}”: another variant is on than the one set up here.`,
        next: "Choose the variant that is mounted, in the terminal and here: its sections and its spacing come with it.",
      };
    case "spacing":
      return spacingWords(slip);
  }
}

function spacingWords({ by, rows, like }: Extract<Slip, { kind: "spacing" }>): SuspectWords {
  const apart = smallLength(Math.abs(by));
  const wide = by > 0 ? "too wide" : "too close";
  if (like !== null)
    return {
      what: `Lines of “${like}”: the terminal still has its spacing, and most likely its sections.`,
      next: tell`They lie ${apart} ${wide} for this work. Choose this tool in the terminal again, then its sections and its spacing.`,
    };
  if (rows !== null)
    return {
      what: tell`${rowsWord(rows)} ${rows > 0 ? "too many" : "too few"} in the terminal's spacing: its lines lie ${apart} ${wide}.`,
      next: "Set the spacing to width less overlap. Count the rows if that does not help.",
    };
  return {
    what: tell`The terminal's lines lie ${apart} ${wide} for this width.`,
    next: "The spacing was left from another tool, or typed wrong. Set it to width less overlap.",
  };
}

function rowsWord(count: number): string {
  const rows = Math.abs(count);
  return rows === 1 ? "One row" : `${["", "", "Two", "Three"][rows] ?? rows} rows`;
}

function named(key: DimensionKey, rig: ResolvedRig): string {
  const { label } = dimension(key, rig);
  return label.charAt(0).toLowerCase() + label.slice(1);
}

function shown(key: DimensionKey, rig: ResolvedRig): Said {
  return entryFigure(dimension(key, rig), rig.values[key].value ?? 0);
}
