/** Persons, their devices and sessions, and invitations: who is let in on a network. */
import { createHash, randomBytes } from "node:crypto";
import { chmodSync, existsSync } from "node:fs";
import SqliteFile from "better-sqlite3";
import { and, eq, gt, isNull, lt, or, sql } from "drizzle-orm";
import { type BetterSQLite3Database, drizzle } from "drizzle-orm/better-sqlite3";
import { device, invitation, LATER, person, type ROLES, session, TABLES } from "./schema.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** A device that did not come for this long comes in anew, ms. */
export const MOST_IDLE = 30 * DAY;
/** However often it comes: a season, ms. */
export const MOST_AGE = 180 * DAY;
/** An invitation is good this long, ms. */
export const INVITED_FOR = 2 * DAY;
/** Only so often is noted that a device was seen, ms. */
const SEEN_EVERY = MINUTE;

export type Role = (typeof ROLES)[number];

/** Who a request comes from. */
export type Who = {
  personId: number;
  person: string;
  role: Role;
  deviceId: number;
  device: string;
  waits: Waits;
};

/** Entries that waited on a device when it said so last, and how many of them were refused; null: it never said. */
export type Waits = { waiting: number; refused: number; told: number } | null;

/** Of an invitation that is still good. */
export type Invited = { personId: number | null; name: string; role: Role; by: string; until: number };

export type DeviceListed = {
  id: number;
  name: string;
  began: number;
  /** when it came last; null: it left, and is known still */
  seen: number | null;
  waits: Waits;
};
export type PersonListed = {
  id: number;
  name: string;
  role: Role;
  hasPassphrase: boolean;
  devices: DeviceListed[];
};

/** What a device shows from now on: while it is in, and to be known again. */
export type Shown = { session: string; device: string };

/** Of an invitation nobody comes in by. */
export const NOT_GOOD = "This invitation was used before, or has run out: ask for another.";

/** What cannot be done, in words for who asked. */
export class PeopleProblem extends Error {}

const hashOf = (token: string) => createHash("sha256").update(token).digest("hex");
/** 256 bits by chance: guessing it is no way in, so that a plain hash keeps it. */
const newToken = () => randomBytes(32).toString("base64url");

/** Whether a session that began and was seen then still lasts. A clock set back by a little ends none. */
const lasting = (now: number) => and(gt(session.began, now - MOST_AGE), gt(session.seen, now - MOST_IDLE));

function waitsOf(found: { waiting: number | null; refused: number | null; told: number | null }): Waits {
  const { waiting, refused, told } = found;
  return waiting === null || refused === null || told === null ? null : { waiting, refused, told };
}

export class People {
  readonly #file: SqliteFile.Database;
  readonly #db: BetterSQLite3Database;
  readonly #whoIs;

  /** Opens the file, made where there is none; only who runs the server may read it. */
  constructor(path: string) {
    const isNew = path !== ":memory:" && !existsSync(path);
    this.#file = new SqliteFile(path);
    try {
      if (isNew) chmodSync(path, 0o600);
      this.#file.pragma("busy_timeout = 5000");
      this.#file.pragma("journal_mode = WAL");
      this.#file.pragma("synchronous = FULL");
      this.#file.pragma("foreign_keys = ON");
      this.#file.exec(TABLES);
      this.#addLater();
      this.#db = drizzle(this.#file, { casing: "snake_case" });
      this.#whoIs = this.#db
        .select({
          personId: person.id,
          person: person.name,
          role: person.role,
          deviceId: device.id,
          device: device.name,
          waiting: device.waiting,
          refused: device.refused,
          told: device.told,
          began: session.began,
          seen: session.seen,
        })
        .from(session)
        .innerJoin(device, eq(device.id, session.deviceId))
        .innerJoin(person, eq(person.id, device.personId))
        .where(and(eq(session.hash, sql.placeholder("hash")), isNull(device.ended), isNull(person.ended)))
        .prepare();
    } catch (error) {
      this.#file.close();
      throw error;
    }
  }

  close(): void {
    this.#file.close();
  }

  /** Who shows this; null where the session ended, or its device or person did. */
  who(token: string, now: number): Who | null {
    const found = this.#whoIs.get({ hash: hashOf(token) });
    if (!found || found.began <= now - MOST_AGE || found.seen <= now - MOST_IDLE) return null;
    const { personId, person, role, deviceId, device } = found;
    return { personId, person, role, deviceId, device, waits: waitsOf(found) };
  }

  /** Notes what waits on a device, as it says itself. */
  told(deviceId: number, { waiting, refused }: { waiting: number; refused: number }, now: number): void {
    this.#db.update(device).set({ waiting, refused, told: now }).where(eq(device.id, deviceId)).run();
  }

  /** A file of an earlier build gets the columns it lacks. */
  #addLater(): void {
    const there = new Set(
      (this.#file.pragma("table_info(device)") as { name: string }[]).map(({ name }) => name),
    );
    for (const column of LATER)
      if (!there.has(column)) this.#file.exec(`alter table device add column ${column} integer`);
  }

  /** Notes that a session was seen, now and then. */
  seen(token: string, now: number): void {
    this.#db
      .update(session)
      .set({ seen: now })
      .where(and(eq(session.hash, hashOf(token)), lt(session.seen, now - SEEN_EVERY)))
      .run();
  }

  /** The device that shows this, whether it is in or left; null where it is not known, or was revoked. */
  knownDevice(token: string): { id: number; personId: number } | null {
    return (
      this.#db
        .select({ id: device.id, personId: device.personId })
        .from(device)
        .where(and(eq(device.known, hashOf(token)), isNull(device.ended)))
        .get() ?? null
    );
  }

  /** True where no owner has a device that is in: nobody could invite. */
  isWithoutOwner(now: number): boolean {
    return (
      this.#db
        .select({ hash: session.hash })
        .from(session)
        .innerJoin(device, eq(device.id, session.deviceId))
        .innerJoin(person, eq(person.id, device.personId))
        .where(and(eq(person.role, "owner"), isNull(device.ended), isNull(person.ended), lasting(now)))
        .get() === undefined
    );
  }

  /**
   * Invites somebody new, or one more device of somebody; returns what stands in the link.
   * @throws PeopleProblem where somebody has that name, or there is no such person
   */
  invite(
    whom: { name: string; role: Role } | { personId: number },
    by: string,
    now: number,
    lasts = INVITED_FOR,
  ): string {
    const token = newToken();
    const row =
      "personId" in whom
        ? { personId: whom.personId, ...this.#person(whom.personId) }
        : { personId: null, ...whom };
    if (row.personId === null && row.name !== "") this.#mayBeCalled(row.name);
    this.#db.delete(invitation).where(lt(invitation.until, now)).run();
    this.#db
      .insert(invitation)
      .values({ hash: hashOf(token), ...row, by, made: now, until: now + lasts })
      .run();
    return token;
  }

  /** What an invitation is for; null where it was used, has run out or never was. */
  invited(token: string, now: number): Invited | null {
    const found = this.#db
      .select()
      .from(invitation)
      .where(and(eq(invitation.hash, hashOf(token)), gt(invitation.until, now)))
      .get();
    if (!found) return null;
    const { personId, name, role, by, until } = found;
    return { personId, name, role, by, until };
  }

  /** Invitations nobody has used yet. */
  waiting(now: number): Invited[] {
    return this.#db
      .select({
        personId: invitation.personId,
        name: invitation.name,
        role: invitation.role,
        by: invitation.by,
        until: invitation.until,
      })
      .from(invitation)
      .where(gt(invitation.until, now))
      .orderBy(invitation.until)
      .all();
  }

  /**
   * Takes an invitation up on a device: it is used up by that. `called`: what somebody new says their name is.
   * @throws PeopleProblem where it is not good any more, or the name is taken
   */
  accept(token: string, { called, deviceName }: { called: string; deviceName: string }, now: number): Shown {
    return this.#db.transaction(
      () => {
        const invited = this.invited(token, now);
        if (!invited) throw new PeopleProblem(NOT_GOOD);
        this.#db
          .delete(invitation)
          .where(eq(invitation.hash, hashOf(token)))
          .run();
        const personId = invited.personId ?? this.#add(invited.name || called, invited.role);
        if (this.#person(personId).ended !== null)
          throw new PeopleProblem(
            "This invitation is for somebody who does not belong to this yard any more.",
          );
        return this.#newDevice(personId, deviceName, now);
      },
      { behavior: "immediate" },
    );
  }

  /** Somebody who said their passphrase comes in: on a device known to be theirs, or on a new one. */
  comeIn(personId: number, knownAs: string | null, deviceName: string, now: number): Shown {
    return this.#db.transaction(
      () => {
        const known = knownAs === null ? null : this.knownDevice(knownAs);
        return known?.personId === personId
          ? { session: this.#begin(known.id, now), device: knownAs! }
          : this.#newDevice(personId, deviceName, now);
      },
      { behavior: "immediate" },
    );
  }

  /** By their name, whatever its case; null where nobody is called that. */
  called(name: string): { id: number; passphrase: string | null } | null {
    return (
      this.#db
        .select({ id: person.id, passphrase: person.passphrase })
        .from(person)
        .where(and(eq(sql`lower(${person.name})`, name.trim().toLowerCase()), isNull(person.ended)))
        .get() ?? null
    );
  }

  /** A new passphrase ends what else they are in with. */
  setPassphrase(personId: number, hashed: string, keep: string): void {
    this.#db.transaction(() => {
      this.#db.update(person).set({ passphrase: hashed }).where(eq(person.id, personId)).run();
      const devices = this.#db.select({ id: device.id }).from(device).where(eq(device.personId, personId));
      this.#db
        .delete(session)
        .where(and(sql`${session.deviceId} in ${devices}`, sql`${session.hash} <> ${hashOf(keep)}`))
        .run();
    });
  }

  /** Ends one session; its device stays known. */
  leave(token: string): void {
    this.#db
      .delete(session)
      .where(eq(session.hash, hashOf(token)))
      .run();
  }

  /** @throws PeopleProblem where there is none */
  rename(deviceId: number, name: string): void {
    if (this.#db.update(device).set({ name }).where(eq(device.id, deviceId)).run().changes === 0)
      throw new PeopleProblem("There is no such device.");
  }

  /** Revokes a device: it is not let in any more, and not known again. */
  endDevice(deviceId: number, now: number): void {
    this.#db.transaction(() => {
      this.#db.delete(session).where(eq(session.deviceId, deviceId)).run();
      const { changes } = this.#db
        .update(device)
        .set({ ended: now })
        .where(and(eq(device.id, deviceId), isNull(device.ended)))
        .run();
      if (changes === 0) throw new PeopleProblem("That device was revoked before.");
    });
  }

  /** @throws PeopleProblem where nobody would own the yard then */
  changeRole(personId: number, role: Role): void {
    this.#db.transaction(() => {
      if (role !== "owner") this.#someOwnerBesides(personId);
      this.#db.update(person).set({ role }).where(eq(person.id, personId)).run();
      this.#db.update(invitation).set({ role }).where(eq(invitation.personId, personId)).run();
    });
  }

  /** Somebody leaves the yard: with all their devices, and what invites them. @throws PeopleProblem where nobody would own the yard then */
  endPerson(personId: number, now: number): void {
    this.#db.transaction(() => {
      this.#someOwnerBesides(personId);
      const devices = this.#db.select({ id: device.id }).from(device).where(eq(device.personId, personId));
      this.#db.delete(session).where(sql`${session.deviceId} in ${devices}`).run();
      this.#db.delete(invitation).where(eq(invitation.personId, personId)).run();
      this.#db
        .update(device)
        .set({ ended: now })
        .where(and(eq(device.personId, personId), isNull(device.ended)))
        .run();
      this.#db.update(person).set({ ended: now, passphrase: null }).where(eq(person.id, personId)).run();
    });
  }

  /** Takes back what invites somebody who did not come yet. */
  uninvite(name: string, until: number): void {
    this.#db
      .delete(invitation)
      .where(and(eq(invitation.name, name), eq(invitation.until, until)))
      .run();
  }

  /** Everybody who belongs to the yard, with what they come in with. */
  list(now: number): PersonListed[] {
    const devices = this.#db
      .select({
        id: device.id,
        personId: device.personId,
        name: device.name,
        began: device.began,
        seen: session.seen,
        waiting: device.waiting,
        refused: device.refused,
        told: device.told,
      })
      .from(device)
      .leftJoin(session, and(eq(session.deviceId, device.id), lasting(now)))
      .where(isNull(device.ended))
      .orderBy(device.began)
      .all();
    return this.#db
      .select()
      .from(person)
      .where(isNull(person.ended))
      .orderBy(person.name)
      .all()
      .map(({ id, name, role, passphrase }) => ({
        id,
        name,
        role,
        hasPassphrase: passphrase !== null,
        devices: devices
          .filter(({ personId }) => personId === id)
          .map((each) => ({
            id: each.id,
            name: each.name,
            began: each.began,
            seen: each.seen,
            waits: waitsOf(each),
          })),
      }));
  }

  #person(personId: number): { name: string; role: Role; ended: number | null } {
    const found = this.#db
      .select({ name: person.name, role: person.role, ended: person.ended })
      .from(person)
      .where(eq(person.id, personId))
      .get();
    if (!found) throw new PeopleProblem("There is no such person.");
    return found;
  }

  #mayBeCalled(name: string): void {
    if (this.called(name)) throw new PeopleProblem(`Somebody called ${name} belongs to this yard already.`);
  }

  #add(name: string, role: Role): number {
    if (name.trim() === "") throw new PeopleProblem("Say your name: what you enter is signed by it.");
    this.#mayBeCalled(name);
    return this.#db.insert(person).values({ name: name.trim(), role }).returning({ id: person.id }).get().id;
  }

  #someOwnerBesides(personId: number): void {
    const other = this.#db
      .select({ id: person.id })
      .from(person)
      .where(and(eq(person.role, "owner"), isNull(person.ended), sql`${person.id} <> ${personId}`))
      .get();
    if (this.#person(personId).role === "owner" && !other)
      throw new PeopleProblem("Nobody would own this yard then: make somebody else an owner first.");
  }

  #newDevice(personId: number, name: string, now: number): Shown {
    const token = newToken();
    const { id } = this.#db
      .insert(device)
      .values({ personId, name: name.trim() || "Device", known: hashOf(token), began: now })
      .returning({ id: device.id })
      .get();
    return { session: this.#begin(id, now), device: token };
  }

  /** One session a device: who comes in again is in once. */
  #begin(deviceId: number, now: number): string {
    const token = newToken();
    this.#db
      .delete(session)
      .where(or(eq(session.deviceId, deviceId), lt(session.seen, now - MOST_IDLE)))
      .run();
    this.#db
      .insert(session)
      .values({ hash: hashOf(token), deviceId, began: now, seen: now })
      .run();
    return token;
  }
}
