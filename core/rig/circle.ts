/**
 * Steady circle of a drawn tool: R_t² = R² + L_h² − L_t², with the rear axle on R, the hitch L_h behind it, and the tool's
 * wheels L_t behind the hitch on R_t. Metres; NaN where no such circle can be.
 */
export function towedRadius(radius: number, hitch: number, pivot: number): number {
  return Math.sqrt(radius ** 2 + hitch ** 2 - pivot ** 2);
}

/** The same solved for the drawbar: L_t from R, R_t and L_h, metres; NaN where no such circle can be. */
export function pivotOf(radius: number, towed: number, hitch: number): number {
  return Math.sqrt(radius ** 2 + hitch ** 2 - towed ** 2);
}

/** From diameters between the outer and the inner marks of an axle, the radius of its middle. */
export function middleRadius(outer: number, inner: number): number {
  return (outer + inner) / 4;
}
