/** Controlled traffic: whether the widths of several tools fall on the same wheel marks. Metres. */

export type TrafficTool = {
  name: string;
  /** from pass to pass */
  spacing: number | null;
  /** middle to middle of the wheels of the axle that carries */
  track: number | null;
};

export type TrafficRow = TrafficTool & {
  /** the nearest whole multiple of the base width */
  times: number | null;
  /** how far a pass is off that multiple */
  off: number | null;
  /** wheel marks apart from the base's */
  trackOff: number | null;
  verdict: "fits" | "shift" | "no" | "unknown";
  why: string;
};

/** A pass off by less than this still falls on the marks after a few passes (common practice, no source). */
const SPACING_FITS = 0.05;
/** A tyre's width hides as much. */
const TRACK_FITS = 0.1;

/** The base: the narrowest spacing among the tools; null where none is known. */
export function baseOf(tools: readonly TrafficTool[]): TrafficTool | null {
  const known = tools.filter((tool) => tool.spacing !== null && tool.spacing > 0);
  return known.reduce<TrafficTool | null>(
    (least, each) => (least === null || each.spacing! < least.spacing! ? each : least),
    null,
  );
}

/**
 * Holds every tool against the base. An odd multiple keeps its wheels on lines of the base; an even one puts them between
 * two, so its lines are shifted by half a base width.
 */
export function checkTraffic(tools: readonly TrafficTool[], base: TrafficTool): TrafficRow[] {
  return tools.map((tool): TrafficRow => {
    const trackOff = tool.track === null || base.track === null ? null : tool.track - base.track;
    const row = { ...tool, trackOff, times: null, off: null };
    if (tool.spacing === null || base.spacing === null)
      return { ...row, verdict: "unknown", why: "Its line spacing is not known yet." };
    const times = Math.max(1, Math.round(tool.spacing / base.spacing));
    const off = tool.spacing - times * base.spacing;
    const found = { ...row, times, off };
    if (Math.abs(off) > SPACING_FITS)
      return {
        ...found,
        verdict: "no",
        why: `Every pass lands further beside the marks: off by its difference again and again.`,
      };
    if (trackOff !== null && Math.abs(trackOff) > TRACK_FITS)
      return { ...found, verdict: "no", why: "Its wheels run beside the marks: other track width." };
    if (times % 2 === 0)
      return {
        ...found,
        verdict: "shift",
        why: "An even multiple: shift its lines by half the base width, or its wheels run between the marks.",
      };
    return {
      ...found,
      verdict: trackOff === null && tool !== base ? "unknown" : "fits",
      why:
        trackOff === null && tool !== base
          ? "Its spacing fits; its wheels' track width is not known yet."
          : "On the same marks.",
    };
  });
}
