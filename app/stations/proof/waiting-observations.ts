import { useWaiting } from "../../offline/use-waiting.ts";

/** Observations of a test that were typed here and wait on this device, in the order they were typed. */
export function useWaitingObservations(action: string, test: string) {
  return useWaiting(action).filter(({ fields }) => fields.test === test && fields.intent === "observe");
}
