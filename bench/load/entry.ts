/** A reading as a phone sends it. */
import { randomUUID } from "node:crypto";
import type autocannon from "autocannon";

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

/** Entries one after the other into the first so many rigs, as a load that is sent again and again. */
export function entriesInto(address: string, rigs: number): autocannon.Request[] {
  let rig = 0;
  return [
    {
      method: "POST",
      setupRequest: (request) => {
        rig = (rig % rigs) + 1;
        return {
          ...request,
          path: `/rigs/${rig}/keep`,
          headers: formHeaders(address),
          body: readingForm("3.05").toString(),
        };
      },
    },
  ];
}

/** How a page of the yard's own sends a form. */
export const formHeaders = (address: string) => ({
  origin: address,
  accept: "application/json",
  "content-type": "application/x-www-form-urlencoded",
});
