/** Who belongs to the yard and with what, for its owner. */
import type { DeviceListed, Invited, Role } from "../../data/people/people.ts";
import { addressesHere, qrOf } from "../network/addresses.server.ts";
import { isOnNetwork, people, whoIs } from "../session/who.server.ts";
import { moment } from "../stations/frame/print.ts";

export type PersonShown = {
  id: number;
  name: string;
  role: Role;
  isYou: boolean;
  passphrase: boolean;
  devices: { id: number; name: string; said: string; isThis: boolean }[];
};

export type PeopleView = {
  people: PersonShown[];
  waiting: (Pick<Invited, "name" | "role" | "by" | "until"> & { said: string })[];
};

const said = ({ began, seen }: DeviceListed) =>
  seen === null
    ? `since ${moment(new Date(began).toISOString())}; left`
    : `since ${moment(new Date(began).toISOString())}; here last ${moment(new Date(seen).toISOString())}`;

/** Null where nobody has to show who they are: on the machine itself. */
export function peopleView(request: Request): PeopleView | null {
  if (!isOnNetwork()) return null;
  const now = Date.now();
  const who = whoIs(request);
  return {
    people: people()
      .list(now)
      .map(({ id, name, role, hasPassphrase, devices }) => ({
        id,
        name,
        role,
        isYou: id === who?.personId,
        passphrase: hasPassphrase,
        devices: devices.map((each) => ({
          id: each.id,
          name: each.name,
          said: said(each),
          isThis: each.id === who?.deviceId,
        })),
      })),
    waiting: people()
      .waiting(now)
      .map(({ name, role, by, until }) => ({
        name,
        role,
        by,
        until,
        said: `by ${by}, good until ${moment(new Date(until).toISOString())}`,
      })),
  };
}

/** An invitation as it is shown, once: to point a camera at, and as a link. */
export type InvitationMade = { name: string; links: { address: string; qr: string }[]; until: string };

/** The token stands behind the #: no browser sends that over the line, so that it is in nobody's log and in no line in the clear. */
export async function madeInvitation(
  name: string,
  token: string,
  until: number,
  here: string,
): Promise<InvitationMade> {
  const addresses = addressesHere();
  return {
    name,
    until: moment(new Date(until).toISOString()),
    links: await Promise.all(
      (addresses.length > 0 ? addresses : [`${new URL(here).origin}/`]).map(async (address) => {
        const link = `${address}join#${token}`;
        return {
          address: link,
          qr: await qrOf(link),
        };
      }),
    ),
  };
}
