/** A reading as a phone sends it. */
import { randomUUID } from "node:crypto";

/** The fields of a reading of a rig's working width, with an id of its own. */
export function readingForm(text: string, more: Record<string, string> = {}): URLSearchParams {
  return new URLSearchParams({
    intent: "keep-reading",
    id: randomUUID(),
    dimension: "tool.width",
    hangs: "drawn",
    text,
    style: "m",
    instrument: "tape",
    sitting: randomUUID(),
    reason: "",
    note: "",
    conditions: "",
    changed: "",
    sure: "yes",
    person: "Bench",
    ...more,
  });
}

/** How a page of the yard's own sends a form. */
export const formHeaders = (address: string) => ({
  origin: address,
  accept: "application/json",
  "content-type": "application/x-www-form-urlencoded",
});
