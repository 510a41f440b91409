const STEPS = 80;

/**
 * Where `holds` ends, between `low` where it does and `high` where it does not: halved until what is left is `near` of `high`, at most eighty
 * times. `holds` must change once between the two; where it changes oftener, one of the changes is found.
 * @returns the middle of what is left
 */
export function endOf(holds: (at: number) => boolean, low: number, high: number, near = 1e-13): number {
  let [inside, outside] = [low, high];
  for (let step = 0; step < STEPS && outside - inside > near * outside; step += 1) {
    const middle = (inside + outside) / 2;
    if (holds(middle)) inside = middle;
    else outside = middle;
  }
  return (inside + outside) / 2;
}

/** The largest value in [0, most] that holds; null where not even 0 does. What is asked must grow with it. */
export function largestHeld(holds: (at: number) => boolean, most: number): number | null {
  if (!holds(0)) return null;
  return holds(most) ? most : endOf(holds, 0, most);
}
