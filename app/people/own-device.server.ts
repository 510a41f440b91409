/** What somebody does about the device they are on. */

import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { guesses, hashed, isPassphrase, weakness } from "../session/passphrase.server.ts";
import { lettingOut, people, sessionShown, whoIs } from "../session/who.server.ts";
import { NewPassphraseDto, RenameDeviceDto, WaitingDto } from "./people.dto.ts";

const NOBODY = refused({ form: "This device belongs to nobody: that is for a yard on a network." });

export const DEVICE_INTENTS: Intents<Request, Outcome | Promise<Outcome>> = {
  rename: checkedBy<RenameDeviceDto, Request, Outcome>(RenameDeviceDto, (request, { device }) => {
    const who = whoIs(request);
    if (!who) return NOBODY;
    people().rename(who.deviceId, device);
    return kept("Renamed.");
  }),
  passphrase: checkedBy<NewPassphraseDto, Request, Outcome | Promise<Outcome>>(
    NewPassphraseDto,
    async (request, { passphrase, before }) => {
      const who = whoIs(request);
      if (!who) return NOBODY;
      const now = people().called(who.person)?.passphrase ?? null;
      if (!guesses.take(`own ${who.deviceId}`)) return refused({ before: "Too many tries. Wait a minute." });
      if (now !== null && !(await isPassphrase(before, now)))
        return refused({
          before: "That is not the one you have now. The owner can invite this device anew.",
        });
      const weak = weakness(passphrase, who.person);
      if (weak) return refused({ passphrase: weak });
      people().setPassphrase(who.personId, await hashed(passphrase), sessionShown(request)!);
      return kept("Kept. Your other devices come in anew.");
    },
  ),
};

/** What waits on a device, as it says itself; on the machine itself there is nobody to note it of. */
export const noteWaiting = checkedBy<WaitingDto, Request, Outcome>(WaitingDto, (request, told) => {
  const who = whoIs(request);
  const waits = { waiting: Number(told.waiting), refused: Number(told.refused) };
  if (waits.refused > waits.waiting) return refused({ refused: "More were refused than wait." });
  if (who) people().told(who.deviceId, waits, Date.now());
  return kept();
});

/** The device is in no more; it is known again. */
export function leave(request: Request): HeadersInit {
  const token = sessionShown(request);
  if (token !== null) people().leave(token);
  return lettingOut(request);
}
