import { useEffect, useState } from "react";

/** Where something played stands, and whether it runs: `last` steps in `seconds`, shown at `first` until somebody plays it. */
export function usePlay(last: number, seconds: number, first: number) {
  const [played, setAt] = useState<number | null>(null);
  const at = played ?? first;
  const [plays, setPlays] = useState(false);
  useEffect(() => {
    if (!plays) return;
    let frame = 0;
    let before: number | null = null;
    const draw = (now: number) => {
      const passed = before === null ? 0 : (now - before) / 1000;
      before = now;
      setAt((from) => Math.min(last, (from ?? 0) + (passed * last) / seconds));
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [plays, last, seconds]);
  const ended = at >= last;
  return {
    at: Math.min(last, Math.round(at)),
    plays: plays && !ended,
    put: (where: number) => {
      setPlays(false);
      setAt(where);
    },
    toggle: () => {
      if (ended || played === null) setAt(0);
      setPlays(ended || !plays);
    },
  };
}
