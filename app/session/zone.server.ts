/** The zone of the device a page is made for: days and minutes are printed in it. */
import { AsyncLocalStorage } from "node:async_hooks";
import { printIn } from "../stations/frame/print.ts";

const UTC = "UTC";
const zones = new AsyncLocalStorage<string>();
printIn(() => zones.getStore() ?? UTC);

/** The zone a device told in its cookie; UTC where it told none, or none there is. */
export function zoneOf(request: Request): string {
  const told = /(?:^|;\s*)zone=([^;]{1,60})/.exec(request.headers.get("Cookie") ?? "")?.[1];
  if (!told) return UTC;
  const known = zonesTold.get(told) ?? zoneCalled(told);
  if (zonesTold.size < MOST_TOLD) zonesTold.set(told, known);
  return known;
}

/** Zones by what devices told: looked up once, since a cookie comes with every request. Whatever is told, there are no more. */
const zonesTold = new Map<string, string>();
const MOST_TOLD = 1000;

function zoneCalled(told: string): string {
  try {
    const zone = decodeURIComponent(told);
    // By its own name: however it is spelt, what is made for a zone is made once.
    return new Intl.DateTimeFormat("en-GB", { timeZone: zone }).resolvedOptions().timeZone;
  } catch {
    return UTC;
  }
}

/** Does all of `work` in a device's zone. */
export function inZoneOf<T>(request: Request, work: () => T): T {
  return zones.run(zoneOf(request), work);
}
