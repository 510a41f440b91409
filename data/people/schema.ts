/** Who may come in, in a file of its own beside the yard: in no backup and no copy elsewhere, so that none brings back what was revoked. */
import { integer, sqliteTable, text } from "drizzle-orm/sqlite-core";

export const ROLES = ["owner", "operator", "adviser"] as const;

/** Somebody who was invited. Times are milliseconds since 1970. */
export const person = sqliteTable("person", {
  id: integer().primaryKey(),
  name: text().notNull(),
  role: text({ enum: ROLES }).notNull(),
  /** scrypt of what they come in with on a device of theirs that is not known; null: by invitation alone */
  passphrase: text(),
  ended: integer(),
});

/** What somebody came in with. It is known again by `known` even after they left. */
export const device = sqliteTable("device", {
  id: integer().primaryKey(),
  personId: integer()
    .notNull()
    .references(() => person.id),
  name: text().notNull(),
  /** SHA-256 of what the device shows to be known again */
  known: text().notNull(),
  began: integer().notNull(),
  ended: integer(),
  /** entries that waited on it when it was heard of last, and how many of them were refused; null: it never said */
  waiting: integer(),
  refused: integer(),
  /** when it said so */
  told: integer(),
});

/** While one lasts, its device is let in. */
export const session = sqliteTable("session", {
  /** SHA-256 of what the device shows */
  hash: text().primaryKey(),
  deviceId: integer()
    .notNull()
    .references(() => device.id),
  began: integer().notNull(),
  seen: integer().notNull(),
});

/** Good once, for a while. */
export const invitation = sqliteTable("invitation", {
  /** SHA-256 of what stands in the link */
  hash: text().primaryKey(),
  /** null: somebody new */
  personId: integer().references(() => person.id),
  /** of somebody new; empty: they say it themselves */
  name: text().notNull(),
  role: text({ enum: ROLES }).notNull(),
  /** who invites */
  by: text().notNull(),
  made: integer().notNull(),
  until: integer().notNull(),
});

export const TABLES = `
create table if not exists person (id integer primary key, name text not null check (name <> ''), role text not null check (role in ('owner', 'operator', 'adviser')), passphrase text, ended integer);
create unique index if not exists person_by_name on person (lower(name)) where ended is null;
create table if not exists device (id integer primary key, person_id integer not null references person (id), name text not null, known text not null, began integer not null, ended integer, waiting integer, refused integer, told integer);
create unique index if not exists device_by_known on device (known);
create table if not exists session (hash text primary key, device_id integer not null references device (id), began integer not null, seen integer not null) without rowid;
create table if not exists invitation (hash text primary key, person_id integer references person (id), name text not null, role text not null check (role in ('owner', 'operator', 'adviser')), "by" text not null, made integer not null, until integer not null) without rowid;
`;

/** Columns of `device` that came later, for a file of before. */
export const LATER = ["waiting", "refused", "told"] as const;
