/** The same angle from −π to π, radians: the short way round. */
export const folded = (angle: number): number => Math.atan2(Math.sin(angle), Math.cos(angle));
