import { useEffect, useState } from "react";
import { discard, onWaitingChanged, type Waiting, waiting } from "./queue.ts";

/** An entry that waits on this device, as its form had it. */
export type Waits = { id: string; fields: Readonly<Record<string, string>> };

const asTyped = ({ id, fields }: Waiting): Waits => ({
  id,
  fields: Object.fromEntries(
    fields.filter((field): field is [string, string] => typeof field[1] === "string"),
  ),
});

/** What waits for one address, in the order it was entered; what was refused waits for nothing but its mending. */
export function useWaiting(action: string): readonly Waits[] {
  const [all, setAll] = useState<readonly Waits[]>([]);
  useEffect(() => {
    const look = () =>
      waiting().then(
        (entries) => setAll(entries.filter((each) => each.action === action && !each.refused).map(asTyped)),
        () => {},
      );
    look();
    return onWaitingChanged(look);
  }, [action]);
  return all;
}

/** Throws one away that was not sent yet. */
export const throwAway = (id: string): void => void discard(id);

/** Said where something counts as done on this device, and nowhere else yet. */
export const WAITS_HERE = "waits on this device";
