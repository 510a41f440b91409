/** Whose device what is written comes from: told once for a request, noted with every fact it writes. */
import { AsyncLocalStorage } from "node:async_hooks";

const devices = new AsyncLocalStorage<string | null>();

/** Does all of `work` as coming from a device of this person's; null: from one of nobody's. */
export function onDeviceOf<T>(person: string | null, work: () => T): T {
  return devices.run(person, work);
}

/** Who the device belongs to that something comes from; null where nobody told. */
export const deviceOf = (): string | null => devices.getStore() ?? null;
