import { useState } from "react";
import { useRevalidator } from "react-router";
import { type Asked, send } from "../offline/queue.ts";
import { anotherView } from "../session/once.ts";
import type { Kept as Stored } from "../session/outcome.ts";
import { type FieldErrors, formWith } from "../session/validate.ts";
import { toast } from "../ui/toast.ts";

/** What came of an entry: refused by field, kept on the server, or kept on this device until there is a connection. */
export type Kept =
  | { state: "refused"; errors: FieldErrors; asksReason: boolean }
  | ({ state: "kept" } & Stored)
  | { state: "waits" };

export type How = {
  /** how the form asked for its fields */
  asked?: Record<string, Asked>;
  /** what is said where there is no connection */
  waits?: string;
  /** the page is read anew; not where it is left at once */
  anew?: boolean;
};

const WAITS = "No connection: kept on this device, sent later.";

/** Sends what is entered outdoors, or keeps it on the device. `label` names it in the operator's words where it waits. */
export function useKeep(action: string) {
  const { revalidate } = useRevalidator();
  const [busy, setBusy] = useState(false);
  const keep = async (
    fields: FormData | Record<string, string>,
    label: string,
    { asked = {}, waits = WAITS, anew = true }: How = {},
  ): Promise<Kept> => {
    setBusy(true);
    const sent = await send(action, fields instanceof FormData ? fields : formWith(fields), label, asked);
    setBusy(false);
    anotherView();
    if (!sent.sent) {
      toast("message", waits);
      return { state: "waits" };
    }
    const { outcome } = sent;
    if (!outcome.ok) return { state: "refused", errors: outcome.errors, asksReason: outcome.asksReason };
    if (anew) await revalidate();
    return { state: "kept", ...outcome.kept };
  };
  return { keep, busy };
}
