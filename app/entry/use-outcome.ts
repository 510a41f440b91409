import { useEffect } from "react";
import { type FetcherWithComponents, useFetcher } from "react-router";
import { toast } from "sonner";
import type { FieldErrors } from "../session/validate.ts";
import type { Outcome } from "../stations/writing/outcome.ts";

export type Sending = {
  fetcher: FetcherWithComponents<Outcome>;
  /** what the server said of single fields */
  errors: FieldErrors;
  /** the id of what was kept last; null before */
  kept: string | null;
  /** sends fields without a form */
  submit: (fields: Record<string, string> | FormData) => Promise<void>;
};

/** A form that is sent while the page stays: says once what was kept, and what was wrong with which field. */
export function useOutcome(action: string, key?: string): Sending {
  const fetcher = useFetcher<Outcome>(key === undefined ? {} : { key });
  const outcome = fetcher.data;
  useEffect(() => {
    if (outcome?.ok && outcome.kept?.said) toast.success(outcome.kept.said);
  }, [outcome]);
  return {
    fetcher,
    errors: outcome && !outcome.ok ? outcome.errors : {},
    kept: outcome?.ok ? (outcome.kept?.id ?? null) : null,
    submit: (fields) => fetcher.submit(fields, { method: "post", action }),
  };
}

/** Takes an entry back. What was taken back is seen on the page: nothing is said of it. */
export function useTakeBack(action: string): (id: string) => void {
  const fetcher = useFetcher<Outcome>({ key: "take-back" });
  return (id) => void fetcher.submit({ intent: "take-back", id }, { method: "post", action });
}
