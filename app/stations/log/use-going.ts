import { useWaiting } from "../../offline/use-waiting.ts";
import type { EntryView, LogView } from "./log-view.server.ts";

export type Going = {
  /** of the beginning */
  id: string;
  field: string;
  what: string;
  /** when it was begun, as the server has it; null where that waits on this device */
  since: string | null;
  harvest: boolean;
  products: EntryView["products"];
  /** its end waits on this device */
  ending: boolean;
};

/** The work that goes on: the server's, or one that was begun on this device and waits. An end that waits ends it here. */
export function useGoing(
  view: LogView,
  action: string,
): { going: Going | null; loads: number; notes: number } {
  const waits = useWaiting(action);
  const begun = waits.filter(({ fields }) => fields.intent === "begin-work").at(-1);
  const known = view.entries.find(({ ended }) => ended === null);
  const going: Omit<Going, "ending"> | null = known
    ? {
        id: known.id,
        field: known.field,
        what: known.what,
        since: known.begun,
        harvest: known.harvest,
        products: known.products,
      }
    : begun && view.job
      ? {
          id: begun.fields.id!,
          field: view.job.field,
          what: view.job.what,
          since: null,
          harvest: view.job.harvest,
          products: view.job.products,
        }
      : null;
  const of = (intent: string) =>
    waits.filter(({ fields }) => fields.intent === intent && fields.begun === going?.id).length;
  return {
    going: going && { ...going, ending: of("end-work") > 0 },
    loads: of("log-load"),
    notes: of("log-note"),
  };
}
