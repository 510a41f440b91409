/** What an owner does about persons and devices. */
import { INVITED_FOR, PeopleProblem } from "../../data/people/people.ts";
import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { people, whoIs } from "../session/who.server.ts";
import { InviteDto, OfDeviceDto, OfPersonDto, RoleDto, UninviteDto } from "./people.dto.ts";
import { type InvitationMade, madeInvitation } from "./people-view.server.ts";

export type PeopleOutcome = Outcome & { made?: InvitationMade };
type Answer = PeopleOutcome | Promise<PeopleOutcome>;

/** What cannot be done is said, by the field it was asked with. */
async function doing(work: () => Answer, field = "form"): Promise<PeopleOutcome> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof PeopleProblem) return refused({ [field]: error.message });
    throw error;
  }
}

async function inviting(
  request: Request,
  whom: Parameters<ReturnType<typeof people>["invite"]>[0],
  name: string,
): Promise<PeopleOutcome> {
  const now = Date.now();
  const token = people().invite(whom, whoIs(request)?.person ?? "", now);
  return { ...kept(), made: await madeInvitation(name, token, now + INVITED_FOR, request.url) };
}

export const PEOPLE_INTENTS: Intents<Request, Answer> = {
  invite: checkedBy<InviteDto, Request, Answer>(InviteDto, (request, { name, role }) =>
    doing(() => inviting(request, { name, role }, name), "name"),
  ),
  "one-more": checkedBy<OfPersonDto, Request, Answer>(OfPersonDto, (request, { person }) =>
    doing(() => {
      const found = people()
        .list(Date.now())
        .find(({ id }) => id === Number(person));
      if (!found) throw new PeopleProblem("There is no such person.");
      return inviting(request, { personId: found.id }, found.name);
    }),
  ),
  role: checkedBy<RoleDto, Request, Answer>(RoleDto, (_, { person, role }) =>
    doing(() => {
      people().changeRole(Number(person), role);
      return kept("Changed.");
    }),
  ),
  "end-device": checkedBy<OfDeviceDto, Request, Answer>(OfDeviceDto, (_, { device }) =>
    doing(() => {
      people().endDevice(Number(device), Date.now());
      return kept("Revoked: that device is let in no more.");
    }),
  ),
  "end-person": checkedBy<OfPersonDto, Request, Answer>(OfPersonDto, (_, { person }) =>
    doing(() => {
      people().endPerson(Number(person), Date.now());
      return kept("Gone from this yard, with every device. What was signed stays signed.");
    }),
  ),
  uninvite: checkedBy<UninviteDto, Request, Answer>(UninviteDto, (_, { name, until }) =>
    doing(() => {
      people().uninvite(name, Number(until));
      return kept("The invitation is taken back.");
    }),
  ),
};
