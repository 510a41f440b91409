import { useEffect, useState } from "react";
import { discard, onWaitingChanged, waiting } from "../../offline/queue.ts";

/**
 * A test that was begun on this device without a connection. Its number is the device's own; until the server has it, it is known here by
 * the kind of test it is, for the rig and tool its entries go to.
 */
export type Begun =
  | { state: "looking" }
  | { state: "none" }
  /** its beginning waits here, with what was measured since */
  | { state: "waits"; id: string }
  /** the server has it by now */
  | { state: "sent"; id: string };

const nameOf = (action: string, kind: string) => `ambrek-begun ${action} ${kind}`;

export function rememberBegun(action: string, kind: string, id: string): void {
  window.localStorage.setItem(nameOf(action, kind), id);
}

export function forgetBegun(action: string, kind: string): void {
  window.localStorage.removeItem(nameOf(action, kind));
}

/** Throws a test away that was begun here and not sent yet, with all that was measured for it. */
export async function throwBegunAway(action: string, kind: string, id: string): Promise<void> {
  for (const each of await waiting())
    if (each.id === id || each.fields.some(([name, value]) => name === "test" && value === id))
      await discard(each.id);
  forgetBegun(action, kind);
}

/** How a test of a kind that was begun here stands. */
export function useBegun(action: string, kind: string): Begun {
  const [begun, setBegun] = useState<Begun>({ state: "looking" });
  useEffect(() => {
    const look = async () => {
      const id = window.localStorage.getItem(nameOf(action, kind));
      if (id === null) return setBegun({ state: "none" });
      const entries = await waiting().catch(() => []);
      setBegun({ state: entries.some((each) => each.id === id) ? "waits" : "sent", id });
    };
    void look();
    return onWaitingChanged(() => void look());
  }, [action, kind]);
  return begun;
}
