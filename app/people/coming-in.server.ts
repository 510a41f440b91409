/** How a device comes in: by an invitation, or where somebody says the passphrase they chose. */
import { type Invited, PeopleProblem } from "../../data/people/people.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { guesses, isPassphrase } from "../session/passphrase.server.ts";
import { deviceShown, lettingIn, people } from "../session/who.server.ts";
import type { EnterDto, JoinDto } from "./people.dto.ts";

export type ComingIn = { outcome: Outcome; headers?: Headers };

/** What an invitation is for, in words for whoever opened its link. */
export type InvitationShown = { name: string; role: Invited["role"]; by: string };

/** Null where it is not good any more. */
export function invitationOf(token: string): InvitationShown | null {
  const found = people().invited(token, Date.now());
  return found && { name: found.name, role: found.role, by: found.by };
}

/** Takes an invitation up: it is used, and the device is in. */
export function join(request: Request, { token, name, device }: JoinDto): ComingIn {
  try {
    const shown = people().accept(token, { called: name, deviceName: device }, Date.now());
    return { outcome: kept(), headers: lettingIn(request, shown) };
  } catch (error) {
    if (error instanceof PeopleProblem) return { outcome: refused({ form: error.message }) };
    throw error;
  }
}

const WRONG = "Name and passphrase do not belong together.";

/**
 * By name and passphrase. Tries are counted by person, and those from a device that is known to be theirs apart from everybody else's: a
 * stranger who guesses keeps nobody out who was in before.
 */
export async function enter(request: Request, { person, passphrase, device }: EnterDto): Promise<ComingIn> {
  const found = people().called(person);
  const shown = deviceShown(request);
  const known = shown === null ? null : people().knownDevice(shown);
  const isTheirs = found !== null && known?.personId === found.id;
  const key = `${person.trim().toLowerCase()} ${isTheirs ? known!.id : "anybody"}`;
  if (!guesses.take(key))
    return {
      outcome: refused({ form: "Too many tries. Wait a minute, or ask the owner for an invitation." }),
    };
  if (!(await isPassphrase(passphrase, found?.passphrase ?? null)) || !found)
    return { outcome: refused({ passphrase: WRONG }) };
  return {
    outcome: kept(),
    headers: lettingIn(request, people().comeIn(found.id, shown, device, Date.now())),
  };
}
