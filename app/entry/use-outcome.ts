import { useEffect } from "react";
import { type FetcherWithComponents, useFetcher } from "react-router";
import type { Kept, Outcome } from "../session/outcome.ts";
import type { FieldErrors } from "../session/validate.ts";
import { toast } from "../ui/toast.ts";

export type Sending = {
  fetcher: FetcherWithComponents<Outcome>;
  /** what the server said of single fields */
  errors: FieldErrors;
  /** what was kept last; null before */
  kept: Kept | null;
  /** sends fields without a form */
  submit: (fields: Record<string, string> | FormData) => Promise<void>;
};

/** A form that is sent while the page stays: says once what was kept, and what was wrong with which field. */
export function useOutcome(action: string, key?: string): Sending {
  const fetcher = useFetcher<Outcome>(key === undefined ? {} : { key });
  // What it was pressed on may be gone by the time it is undone.
  const undoing = useFetcher<Outcome>({ key: "undo" });
  const outcome = fetcher.data;
  const kept = outcome?.ok ? outcome.kept : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: said once for each outcome
  useEffect(() => {
    if (!kept?.said) return;
    const { said, undo } = kept;
    toast("success", said, undo ? () => undoing.submit(undo, { method: "post", action }) : undefined);
  }, [kept]);
  return {
    fetcher,
    errors: outcome?.errors ?? {},
    kept,
    submit: (fields) => fetcher.submit(fields, { method: "post", action }),
  };
}

/** Takes an entry back. What was taken back is seen on the page: nothing is said of it. */
export function useTakeBack(action: string): (id: string) => void {
  const fetcher = useFetcher<Outcome>({ key: "take-back" });
  return (id) => void fetcher.submit({ intent: "take-back", id }, { method: "post", action });
}
