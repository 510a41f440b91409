/** The frame of a drawn tool between its pin and its wheels, seen from the side. Metres, radians. */

/** Slope of the frame, nose up positive: how far the pin stands above where the eye would be with the frame level. */
export function frameSlope(pinHeight: number, eyeHeightLevel: number, drawbarLength: number): number {
  return Math.atan2(pinHeight - eyeHeightLevel, drawbarLength);
}
