/** What is left at the far side of a field, and where to put the narrow pass. Metres. */

/** A strip narrower than this is nothing, metres (our threshold). */
const NOTHING = 0.005;

/** Whether a strip is wide enough to be spoken of, metres. */
export const isAnything = (width: number) => width > NOTHING;

export type SwathPlan = {
  school: "last" | "first" | "spread";
  title: string;
  why: string;
  /** distance between the middles of neighbouring passes, in order from the near side */
  spacing: number;
  passes: readonly Pass[];
  /** worked twice, metres across */
  doubled: number;
};

export type Pass = {
  /** left edge from the near side, metres */
  from: number;
  to: number;
  /** sections at work, numbered from 1 at the near side; null: all */
  sections: { first: number; last: number } | null;
  /** metres of it that lie over what was worked before */
  overlap: number;
  /** the one that does not find its full width */
  narrow: boolean;
};

export type Remainder = {
  /** passes of full width that fit */
  full: number;
  /** what is left beside them, 0 where they fit */
  left: number;
  plans: readonly SwathPlan[];
};

/** So close to a whole number of passes it is one: nobody sees less at a field's edge, metres. */
const FITS = 0.05;
const MOST_PASSES = 400;

/**
 * Plans a field of a width with a tool of `width` at `spacing` from pass to pass. The near edge is worked at full width.
 * @throws RangeError where a length is not more than nothing, or there would be hundreds of passes
 */
export function planSwaths(
  field: number,
  { width, spacing, sections }: { width: number; spacing: number; sections: readonly number[] },
): Remainder {
  if (!(field > 0 && width > 0 && spacing > 0)) throw new RangeError("a width is more than nothing");
  const beyond = Math.max(0, field - width);
  const further = Math.ceil((beyond - FITS) / spacing);
  const count = Math.max(1, 1 + further);
  if (count > MOST_PASSES) throw new RangeError(`${count} passes`);
  const fits = count === 1 ? width - field <= FITS : (count - 1) * spacing + width - field <= FITS;
  const full = fits ? count : count - 1;
  // With no full pass before it, the one pass has the whole field before it.
  const left = fits ? 0 : full === 0 ? field : Math.max(0, field - ((full - 1) * spacing + width));
  if (fits) return { full, left: 0, plans: [plainPlan(count, width, spacing)] };
  const last = partPass(field, left, { width, sections }, "far");
  return {
    full,
    left,
    plans: [
      {
        school: "last",
        title: "Narrow pass last, at the far side",
        why: "The line along the far edge is the last one driven; what is left is known by then.",
        spacing,
        passes: [...fullPasses(count - 1, width, spacing, 0), last],
        doubled: last.overlap,
      },
      firstPlan(count, field, left, { width, spacing, sections }),
      spreadPlan(count, field, { width, spacing }),
    ],
  };
}

function plainPlan(count: number, width: number, spacing: number): SwathPlan {
  return {
    school: "last",
    title: "It comes out even",
    why: "Every pass is of full width.",
    spacing,
    passes: fullPasses(count, width, spacing, 0),
    doubled: 0,
  };
}

function fullPasses(count: number, width: number, spacing: number, from: number): Pass[] {
  return Array.from({ length: count }, (_, index) => ({
    from: from + index * spacing,
    to: from + index * spacing + width,
    sections: null,
    overlap: index === 0 ? 0 : width - spacing,
    narrow: false,
  }));
}

/** A pass whose outer edge is the field's, as many sections on as it takes to reach what is worked already. */
function partPass(
  field: number,
  left: number,
  { width, sections }: { width: number; sections: readonly number[] },
  side: "far" | "near",
): Pass {
  const ordered = side === "far" ? [...sections].reverse() : [...sections];
  let reached = 0;
  let count = 0;
  while (count < ordered.length && reached < left - FITS) {
    reached += ordered[count]!;
    count += 1;
  }
  const working = sections.length === 0 ? width : reached;
  const overlap = Math.max(0, working - left);
  const total = sections.length;
  const on =
    total === 0 || count === total
      ? null
      : side === "far"
        ? { first: total - count + 1, last: total }
        : { first: 1, last: count };
  return side === "far"
    ? { from: field - width, to: field, sections: on, overlap, narrow: true }
    : { from: 0, to: width, sections: on, overlap, narrow: true };
}

function firstPlan(
  count: number,
  field: number,
  left: number,
  { width, spacing, sections }: { width: number; spacing: number; sections: readonly number[] },
): SwathPlan {
  const narrow = partPass(field, left, { width, sections }, "near");
  return {
    school: "first",
    title: "Narrow pass first, at the near side",
    why: "The far edge comes out at full width, and the narrow pass lies where one can turn on what is not worked yet.",
    spacing,
    passes: [narrow, ...fullPasses(count - 1, width, spacing, field - ((count - 2) * spacing + width))],
    doubled: narrow.overlap,
  };
}

function spreadPlan(
  count: number,
  field: number,
  { width, spacing }: { width: number; spacing: number },
): SwathPlan {
  const closer = count === 1 ? spacing : (field - width) / (count - 1);
  return {
    school: "spread",
    title: "Overlap spread over all passes",
    why: "No pass is narrow and no section is switched; every joint lies over. Not for rows.",
    spacing: closer,
    passes: fullPasses(count, width, closer, 0).map((pass, index) =>
      index === 0 ? pass : { ...pass, overlap: width - closer },
    ),
    doubled: (count - 1) * (spacing - closer),
  };
}
