import { useEffect } from "react";

/** Keeps the screen lit while something is under way, where the browser can; a page that comes back into view asks again. */
export function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let held: WakeLockSentinel | null = null;
    let over = false;
    const hold = async () => {
      if (document.visibilityState !== "visible") return;
      const got = await navigator.wakeLock.request("screen").catch(() => null);
      if (over) await got?.release();
      else held = got;
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", hold);
      void held?.release();
    };
  }, [on]);
}
