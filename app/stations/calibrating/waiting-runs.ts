import { useWaiting } from "../../offline/use-waiting.ts";

/** Runs of a calibration that were entered here and wait on this device, in the order they were entered. */
export function useWaitingRuns(action: string, calibration: string) {
  return useWaiting(action).filter(
    ({ fields }) => fields.calibration === calibration && fields.intent === "calibrate",
  );
}
