import { useEffect, useState } from "react";
import type { CostAsked, CostTold } from "./cost.worker.ts";

export type Costs = { rows: NonNullable<CostTold["row"]>[]; done: number; all: number };

/** Asks a worker what each reading costs, once somebody wants to know; null before. */
export function useCosts(asked: CostAsked) {
  const [wanted, setWanted] = useState<string | null>(null);
  const [costs, setCosts] = useState<Costs | null>(null);
  const now = JSON.stringify(asked);
  useEffect(() => {
    if (wanted === null) return;
    const worker = new Worker(new URL("./cost.worker.ts", import.meta.url), { type: "module" });
    const all = (JSON.parse(wanted) as CostAsked).nudges.length + 1;
    setCosts({ rows: [], done: 0, all });
    worker.onmessage = ({ data }: MessageEvent<CostTold>) =>
      setCosts((before) => ({
        rows: [...(before?.rows ?? []), ...(data.row ? [data.row] : [])],
        done: data.done,
        all: data.all,
      }));
    worker.postMessage(JSON.parse(wanted));
    return () => worker.terminate();
  }, [wanted]);
  return {
    /** null before it was asked, and where something else is asked by now */
    costs: wanted === now ? costs : null,
    reckon: () => setWanted(now),
    stop: () => setWanted(null),
  };
}
