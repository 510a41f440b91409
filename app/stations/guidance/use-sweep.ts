import { useEffect, useState } from "react";
import type { Outcome } from "../../../core/guidance/plan.ts";
import type { PlaneField } from "../../../core/place/plane-field.ts";
import type { BentAsked, BentLaid, PlanTold } from "./plan.worker.ts";

export type Sweep = {
  outcomes: readonly Outcome[];
  /** passes along lines that bend, by the line; those that are not there are not laid yet */
  bent: ReadonlyMap<string, BentLaid>;
  /** 0 to 1; null before it began */
  progress: number | null;
  stopped: boolean;
  stop: () => void;
  again: () => void;
};

/** Asks a worker for plans at every heading. It is stopped when something else is asked, or by hand: what it found till then stands. */
export function useSweep(
  field: PlaneField,
  spacing: number,
  rounds: number,
  lines: readonly BentAsked[],
): Sweep {
  const [outcomes, setOutcomes] = useState<readonly Outcome[]>([]);
  const [bent, setBent] = useState<ReadonlyMap<string, BentLaid>>(new Map());
  const [progress, setProgress] = useState<number | null>(null);
  const [stopped, setStopped] = useState(false);
  const [turn, setTurn] = useState(0);
  const asked = JSON.stringify({ field, spacing, rounds, bent: lines });
  useEffect(() => {
    if (stopped || turn < 0) return;
    setOutcomes([]);
    setBent(new Map());
    setProgress(0);
    const worker = new Worker(new URL("./plan.worker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<PlanTold>) => {
      if (data.what === "bent") {
        setBent((before) => new Map([...before, [data.id, data.laid]]));
        return;
      }
      setOutcomes((before) => [...before, ...data.outcomes]);
      setProgress(data.done / data.all);
    };
    worker.postMessage(JSON.parse(asked));
    return () => worker.terminate();
  }, [asked, stopped, turn]);
  return {
    outcomes,
    bent,
    progress,
    stopped,
    stop: () => setStopped(true),
    again: () => {
      setStopped(false);
      setTurn((before) => before + 1);
    },
  };
}
