import type { Dimension } from "../dimension/catalogue.ts";
import { entryFigure, shownLength } from "../dimension/entry.ts";
import { tell } from "../quantity/said.ts";
import type { Resolved } from "../rig/resolve.ts";
import type { Finding } from "./finding.ts";
import { findingOn } from "./value.ts";

/** Two honest readings with one tape lie within twice its uncertainty of each other more often than not. */
const SPREAD_IN_SIGMAS = 2;

/** A lateral smaller than this has no side worth doubting, metres. */
const SIDED = 0.005;

/** What the readings of one dimension say about each other: repeats apart, a side that changed over. */
export function judgeRepeats(entry: Dimension, resolved: Resolved): Finding[] {
  return [...judgeSpread(entry, resolved), ...judgeSide(entry, resolved)];
}

function judgeSpread(entry: Dimension, { repeats, spread }: Resolved): Finding[] {
  const most = SPREAD_IN_SIGMAS * entry.sigma.taped;
  if (repeats.length < 2 || most === 0 || spread <= most + 1e-9) return [];
  return [
    findingOn(entry, "spread", {
      severity: "check",
      what: tell`${repeats.length} readings of ${entry.label.toLowerCase()} lie ${shownLength(entry, spread)} apart.`,
      why: "One of them slipped. Read it once more and take the wrong one back.",
    }),
  ];
}

/** The same distance to the other side than last time, or repeats on both sides: a side word was mixed up. */
function judgeSide(entry: Dimension, { value, repeats, previous }: Resolved): Finding[] {
  if (!entry.sides || value === null) return [];
  const both = Math.min(...repeats.map((each) => each.value)) < -SIDED;
  const mixed = both && Math.max(...repeats.map((each) => each.value)) > SIDED;
  const mirrored = previous !== null && Math.abs(value) > SIDED && Math.abs(value + previous.value) <= SIDED;
  if (!mixed && !mirrored) return [];
  const was = mirrored ? entryFigure(entry, previous.value) : "";
  return [
    findingOn(entry, "side", {
      severity: "fix",
      what: mixed
        ? `${entry.label} was read on both sides.`
        : tell`${entry.label} is ${entryFigure(entry, value)}; it was ${was} before.`,
      why: `Left and right are as the driver sits. Look again which side it is. ${entry.matters}`,
    }),
  ];
}
