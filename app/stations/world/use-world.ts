import { type RefObject, useEffect, useRef, useState } from "react";
import type { OnField } from "../../../core/world/on-field.ts";
import type { Outcome } from "../../../core/world/outcome.ts";
import type { JointsOfBoth } from "../../../core/world/said.ts";
import type {
  Histogram,
  LogGiven,
  LogSaid,
  Look,
  Outlines,
  Spots,
  WorldAsked,
  WorldTold,
} from "./world.worker.ts";

export type WorldState = {
  phase: "driving" | "measuring" | "there" | "stopped" | "problem";
  share: number;
  /** how long the drive takes, once it is driven */
  seconds: number | null;
  spots: Spots | null;
  outcome: Outcome | null;
  joints: JointsOfBoth;
  histogram: Histogram;
  /** of a log that was driven again; null of a drive that was laid */
  log: LogSaid | null;
  problem: string;
};

const BEGUN: WorldState = {
  phase: "driving",
  share: 0,
  seconds: null,
  spots: null,
  outcome: null,
  joints: { map: null, ground: null },
  histogram: { truth: [], believed: [] },
  log: null,
  problem: "",
};

/** Saved as a file by the browser. */
function handOut(geojson: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([geojson], { type: "application/geo+json" }));
  link.download = `product-by-place-${new Date().toISOString().slice(0, 10)}.geojson`;
  link.click();
  URL.revokeObjectURL(link.href);
}

function told(before: WorldState, data: Exclude<WorldTold, { what: "amounts" }>): WorldState {
  switch (data.what) {
    case "driven":
      return {
        ...before,
        seconds: data.seconds,
        spots: data.spots,
        log: data.log,
        phase: "measuring",
        share: 0,
      };
    case "outcome":
      return {
        ...before,
        outcome: data.outcome,
        joints: data.joints,
        histogram: data.histogram,
        phase: "there",
        share: 1,
      };
    case "problem":
      return { ...before, phase: "problem", problem: data.problem };
    default:
      return { ...before, phase: data.what, share: data.share };
  }
}

/** A log to be driven again instead, by another number each. */
export type LogAsked = { number: number; given: LogGiven };

/** A worker that drives, measures and draws into what is held; begun anew where something else is asked. */
export function useWorld(
  holder: RefObject<HTMLDivElement | null>,
  on: OnField,
  outlines: Outlines,
  log: LogAsked | null,
) {
  const [state, setState] = useState<WorldState>(BEGUN);
  const [again, setAgain] = useState(0);
  const worker = useRef<Worker | null>(null);
  const run = useRef(0);
  const asked = JSON.stringify({ on, outlines, again, log: log?.number ?? null });
  const given = useRef(log);
  given.current = log;
  // A worker has its canvas for good: both come and go together.
  useEffect(() => {
    const canvas = document.createElement("canvas");
    canvas.className = "block size-full";
    canvas.setAttribute("aria-hidden", "true");
    holder.current?.prepend(canvas);
    const offscreen = canvas.transferControlToOffscreen();
    const one = new Worker(new URL("./world.worker.ts", import.meta.url), { type: "module" });
    one.postMessage({ what: "canvas", canvas: offscreen } satisfies WorldAsked, [offscreen]);
    one.onmessage = ({ data }: MessageEvent<WorldTold>) => {
      if (data.run !== run.current) return;
      if (data.what === "amounts") handOut(data.geojson);
      else setState((before) => told(before, data));
    };
    worker.current = one;
    return () => {
      one.terminate();
      canvas.remove();
      worker.current = null;
    };
  }, [holder]);
  useEffect(() => {
    run.current += 1;
    setState(BEGUN);
    const { on: laid, outlines: drawn } = JSON.parse(asked) as { on: OnField; outlines: Outlines };
    const { field, rigs } = laid;
    const what: WorldAsked = given.current
      ? { what: "replay", run: run.current, log: given.current.given, field, rigs, outlines: drawn }
      : { what: "drive", run: run.current, on: laid, outlines: drawn };
    worker.current?.postMessage(what);
  }, [asked]);
  return {
    ...state,
    look: (look: Look) => worker.current?.postMessage({ what: "look", look } satisfies WorldAsked),
    amounts: (rate: number | null, of: "kg" | "l") =>
      worker.current?.postMessage({ what: "amounts", run: run.current, rate, of } satisfies WorldAsked),
    stop: () => {
      run.current += 1;
      worker.current?.postMessage({ what: "stop", run: run.current } satisfies WorldAsked);
      setState((before) => ({ ...before, phase: "stopped" }));
    },
    again: () => setAgain((before) => before + 1),
  };
}
