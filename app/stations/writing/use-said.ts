import { useEffect } from "react";
import { toast } from "sonner";
import type { Outcome } from "./outcome.ts";

/** Says once what was kept. */
export function useSaid(outcome: Outcome | undefined): void {
  useEffect(() => {
    if (outcome?.ok && outcome.kept?.said) toast.success(outcome.kept.said);
  }, [outcome]);
}
