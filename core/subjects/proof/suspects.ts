/** Slips that leave a print of their own: what a test found, held against what each slip would have made it find. */
import { type DimensionKey, dimension, hasDimension } from "../../dimension/catalogue.ts";
import type { Measured } from "../../job/result.ts";
import type { Term } from "../../rig/frame.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { differsFromZero } from "../../statistics/estimate.ts";

export type Slip =
  | { kind: "side"; key: DimensionKey }
  | { kind: "zero"; key: DimensionKey }
  | { kind: "edge"; key: DimensionKey }
  | { kind: "ranks" }
  | { kind: "row"; more: number }
  | { kind: "variant"; name: string }
  /** lines `by` wider apart than the work asks for: by rows, or as another tool would */
  | { kind: "spacing"; by: number; rows: number | null; like: string | null };

export type Suspect = {
  slip: Slip;
  /** which figure of the test it explains */
  measured: string;
  /** what the slip would make that figure, SI */
  predicted: number;
  /** how far the figure is from that, SI */
  apart: number;
};

/** A slip closer to nothing than this is not told from an honest error, metres. */
const SMALLEST = 0.03;
/** Marks and joints are no better than this however often they are read, metres (common practice, no source). */
const READ_TO = 0.015;
/** A slip of metres may miss by a share of itself: what was typed wrong was not exact either. */
const SHARE = 0.03;

export type Other = { name: string; width: number };

export type SuspectFacts = {
  rig: ResolvedRig;
  /** the spacing in the terminal while it was driven, metres */
  spacing: number | null;
  /** other widths this tool works, or that the tractor's other tools work */
  others: readonly Other[];
};

/** The slips that would explain each figure that is not zero, the closest first; and lines that do not fit the width. */
export function suspectsOf(measured: readonly Measured[], facts: SuspectFacts): Suspect[] {
  return [
    ...measured
      .filter(({ unit, off }) => unit === "length" && differsFromZero(off))
      .flatMap((each) => explained(each, facts)),
    ...spacingSlip(measured, facts),
  ];
}

/** The spacing in the terminal against the width the joints tell, less the overlap that is wanted. */
function spacingSlip(measured: readonly Measured[], { rig, spacing, others }: SuspectFacts): Suspect[] {
  const width = measured.find(({ key }) => key === "width");
  if (!width || spacing === null || width.entered === null) return [];
  const overlap = rig.values["work.overlap"].value ?? 0;
  const by = spacing - (width.entered + width.off.value - overlap);
  // The terminal was fed the width that is entered: then the width is wrong, not the spacing.
  if (Math.abs(spacing - (width.entered - overlap)) < READ_TO) return [];
  if (Math.abs(by) < Math.max(SMALLEST, width.off.half ?? 0)) return [];
  const row = rig.values["rows.spacing"].value;
  const rows = row === null ? null : Math.round(by / row);
  const near = (value: number) => Math.abs(value) <= Math.max(READ_TO, width.off.half ?? 0);
  return [
    {
      slip: {
        kind: "spacing",
        by,
        rows: rows !== null && rows !== 0 && Math.abs(rows) <= 2 && near(by - rows * row!) ? rows : null,
        like: others.find(({ width: other }) => near(spacing - other))?.name ?? null,
      },
      measured: "width",
      predicted: by,
      apart: 0,
    },
  ];
}

function explained(measured: Measured, facts: SuspectFacts): Suspect[] {
  const { off } = measured;
  return predictions(measured, facts)
    .filter(({ predicted }) => Math.abs(predicted) >= SMALLEST)
    .map((each) => ({ ...each, measured: measured.key, apart: Math.abs(off.value - each.predicted) }))
    .filter(
      ({ predicted, apart }) =>
        apart <= Math.max(off.half ?? 0, READ_TO, SHARE * Math.abs(predicted)) &&
        // What explains no more than half of it explains nothing.
        apart < Math.abs(off.value) / 2,
    )
    .sort((a, b) => a.apart - b.apart);
}

type Prediction = { slip: Slip; predicted: number };

function predictions({ key, terms }: Measured, facts: SuspectFacts): Prediction[] {
  if (key === "width") return widthSlips(facts);
  return [...terms.flatMap((term) => linkSlips(term, facts.rig)), ...rankSlips(terms, facts.rig)];
}

/** One link with its side swapped, left at zero, or counted from an edge. */
function linkSlips({ key, coefficient }: Term, rig: ResolvedRig): Prediction[] {
  const { values } = rig;
  const { value } = values[key];
  const width = values["tool.width"].value;
  const entry = dimension(key, rig);
  const edges =
    key === "tool.lateral" && width !== null
      ? [-1, 1].map((sign) => ({
          slip: { kind: "edge" as const, key },
          predicted: (sign * coefficient * width) / 2,
        }))
      : [];
  if (value === null || value === 0) return edges;
  return [
    { slip: { kind: "zero", key }, predicted: coefficient * value },
    ...(entry.sides ? [{ slip: { kind: "side" as const, key }, predicted: 2 * coefficient * value }] : []),
    ...edges,
  ];
}

/** Front and rear of the work changed over. */
function rankSlips(terms: readonly Term[], rig: ResolvedRig): Prediction[] {
  const { values } = rig;
  if (!hasDimension(rig, "pin.workRear")) return [];
  const [front, rear] = [values["pin.workFront"].value, values["pin.workRear"].value];
  const own = terms.find(({ key }) => key === "pin.workFront" || key === "pin.workRear");
  if (!own || front === null || rear === null) return [];
  const apart = own.key === "pin.workFront" ? front - rear : rear - front;
  return [{ slip: { kind: "ranks" }, predicted: own.coefficient * apart }];
}

/** A row too many or too few, the width of another variant. */
function widthSlips({ rig, others }: SuspectFacts): Prediction[] {
  const width = rig.values["tool.width"].value;
  const row = rig.values["rows.spacing"].value;
  if (width === null) return [];
  return [
    ...(row === null
      ? []
      : [-2, -1, 1, 2].map((more) => ({ slip: { kind: "row" as const, more }, predicted: more * row }))),
    ...others.map(({ name, width: other }) => ({
      slip: { kind: "variant" as const, name },
      predicted: other - width,
    })),
  ];
}
