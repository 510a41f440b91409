/** What the thread that listens does about people: notes that they were seen, and lets the first owner in. */
import { addressesHere } from "../network/addresses.server.ts";
import { isOnNetwork, people, sessionShown } from "../session/who.server.ts";

const HOUR = 3600_000;

/** Notes that the device a request comes from was seen. */
export function seen(request: Request): void {
  const token = isOnNetwork() ? sessionShown(request) : null;
  if (token !== null) people().seen(token, Date.now());
}

/**
 * Links that let an owner in, once, within an hour: for whoever runs the server, who could do anything with its files. Without `always`
 * none where an owner is in already. The first says its name itself; `called` names one who is there, or is to be.
 */
export function ownersLink(
  { always = false, called = "" } = {},
  now = Date.now(),
): { for: string; links: string[] } | null {
  if (!always && !people().isWithoutOwner(now)) return null;
  const owner = owners(now, called);
  const token = people().invite(
    owner ? { personId: owner.id } : { name: called, role: "owner" },
    "Who runs the server",
    now,
    HOUR,
  );
  const port = process.env.PORT || "4180";
  return {
    for: owner?.name ?? called,
    links: [`http://127.0.0.1:${port}/`, ...addressesHere()].map((address) => `${address}join#${token}`),
  };
}

/** The owner of that name; without one the only owner there is. */
function owners(now: number, called: string): { id: number; name: string } | null {
  const all = people()
    .list(now)
    .filter(({ role }) => role === "owner");
  if (called === "") return all.length === 1 ? all[0]! : null;
  return all.find(({ name }) => name.toLowerCase() === called.trim().toLowerCase()) ?? null;
}
