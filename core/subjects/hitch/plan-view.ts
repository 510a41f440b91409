/** The lower links seen from above: where their lines cross, how far they reach, how the cross shaft lies. Metres, radians. */

export type Links = {
  /** pivot spacing at the tractor */
  pivotSpacing: number;
  /** span at the implement */
  span: number;
  /** pivot to ball */
  lowerLink: number;
  /** of the lower links from level, seen from the side, radians */
  angle: number;
};

/**
 * How far apart along the tractor the link's ends are, seen from above: √(l² − splay²) · cos α, with α the slope seen from the side, where
 * the link is shortened by its splay already. Null where it cannot reach.
 */
export function alongLength({ pivotSpacing, span, lowerLink, angle }: Links): number | null {
  const square = lowerLink ** 2 - ((span - pivotSpacing) / 2) ** 2;
  return square > 0 ? Math.sqrt(square) * Math.cos(angle) : null;
}

/** Links this near to parallel cross too far off to say where, metres of difference in span. */
const PARALLEL = 1e-3;

/**
 * Distance of the lines' crossing ahead of the hitch line; negative where the links narrow rearward and cross behind it;
 * null where they are parallel or cannot reach.
 */
export function crossingAhead(links: Links): number | null {
  const along = alongLength(links);
  const difference = links.span - links.pivotSpacing;
  if (along === null || Math.abs(difference) < PARALLEL) return null;
  return (links.span * along) / difference;
}

/** Lower links of unequal length turn the cross shaft; positive where the left end trails. */
export function shaftTurn(left: number, right: number, span: number): number {
  return Math.atan2(left - right, span);
}

/**
 * Lift rods of unequal length make the tool lean: the difference, brought out to the balls by the links' own lever, over the
 * span. Positive where the right side hangs lower.
 */
export function lean(leftRod: number, rightRod: number, span: number, lever: number): number {
  return Math.atan2((rightRod - leftRod) * lever, span);
}
