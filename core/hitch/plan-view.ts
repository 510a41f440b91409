/** The lower links seen from above: where their lines cross, how far they reach, how the cross shaft lies. Metres, radians. */

export type Links = {
  /** pivot spacing at the tractor */
  pivotSpacing: number;
  /** span at the implement */
  span: number;
  /** pivot to ball */
  lowerLink: number;
  /** of the lower links from level, radians */
  angle: number;
};

/** How far apart along the tractor the link's ends are, seen from above; null where it cannot reach. */
export function alongLength({ pivotSpacing, span, lowerLink, angle }: Links): number | null {
  const square = (lowerLink * Math.cos(angle)) ** 2 - ((span - pivotSpacing) / 2) ** 2;
  return square > 0 ? Math.sqrt(square) : null;
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

/** The span that puts the crossing at a distance ahead of the hitch line, found by halving; null where no span does. */
export function spanFor(links: Links, ahead: number): number | null {
  let [low, high] = [links.pivotSpacing + 2 * PARALLEL, links.pivotSpacing + 2 * links.lowerLink * 0.98];
  const at = (span: number) => crossingAhead({ ...links, span });
  const farthest = at(low);
  if (farthest === null || ahead > farthest) return null;
  for (let step = 0; step < 80; step++) {
    const middle = (low + high) / 2;
    const reached = at(middle);
    if (reached === null || reached < ahead) high = middle;
    else low = middle;
  }
  const found = at(low);
  return found !== null && Math.abs(found - ahead) < 1e-3 ? low : null;
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
