/** A heading in degrees, of the two ways along it the one below 180. */
export const inDegrees = (heading: number) => ((heading * 180) / Math.PI + 360) % 180;
