/** How a verdict of service is coloured; it is always a word as well. */
export const TONES = {
  due: "text-stop",
  soon: "text-warn",
  unknown: "text-warn",
  good: "text-ok",
} as const;
