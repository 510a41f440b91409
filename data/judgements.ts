/**
 * What was worked out of the yard, in a file of its own beside it: neither fact nor setting, in no backup, and thrown away whenever it does
 * not fit. One thread judges and writes here, those that answer pages read it.
 */
import { existsSync, rmSync } from "node:fs";
import SqliteFile from "better-sqlite3";
import type { Database } from "./handle.ts";

/** What was worked out of one rig or one machine: in brief, which is read of all at once, and the whole of it, of one at a time, where there is more; both are JSON. */
export type Judgement = { kind: "rig" | "machine"; key: number; brief: string; told: string | null };

/** A judgement in brief, and the number the whole of it is had by. */
export type Brief = Omit<Judgement, "told"> & { n: number };

/** What came since somebody last looked. */
export type Judged = {
  /** another file than last time: what was known of it says nothing */
  stamp: string;
  /** how far the record had grown: everything in here holds up to there */
  mark: number;
  /** the number of the last judgement */
  n: number;
  judgements: Brief[];
};

const TABLES = `
drop table if exists judgement;
create table if not exists state (id integer primary key check (id = 1), build text not null, stamp text not null, mark integer not null, mark_id text not null);
create table if not exists judged (n integer primary key, kind text not null, key integer not null, brief text not null, unique (kind, key));
create table if not exists judged_whole (n integer primary key references judged (n) on delete cascade, told text not null);`;

/** Where the judgements of a yard are kept; null of one in memory. */
export function judgementsPath({ $client: { name, memory } }: Database): string | null {
  return memory ? null : `${name}.judged`;
}

/** The fact a record had grown to: a yard put in the place of another has another there. */
const idAt = ({ $client }: Database, mark: number): string =>
  ($client.prepare("select id from fact where seq = ?").pluck().get(mark) as string | undefined) ?? "";

/** The judge's own hold of the file. */
export class Judgements {
  readonly #file: SqliteFile.Database;
  readonly #db: Database;
  #n: number;

  private constructor(file: SqliteFile.Database, db: Database) {
    this.#file = file;
    this.#db = db;
    this.#n = (file.prepare("select max(n) from judged").pluck().get() as number | null) ?? 0;
  }

  /** Opens the file, emptied where another build or another yard wrote it, made anew where it cannot be read. */
  static open(db: Database, path: string, build: string): Judgements {
    try {
      return Judgements.#opened(db, path, build);
    } catch {
      for (const end of ["", "-wal", "-shm"]) rmSync(path + end, { force: true });
      return Judgements.#opened(db, path, build);
    }
  }

  static #opened(db: Database, path: string, build: string): Judgements {
    const file = new SqliteFile(path);
    try {
      file.pragma("journal_mode = WAL");
      file.pragma("synchronous = OFF");
      file.pragma("foreign_keys = ON");
      file.exec(TABLES);
      const known = file.prepare("select build, mark, mark_id from state").get() as
        | { build: string; mark: number; mark_id: string }
        | undefined;
      if (!known || known.build !== build || known.mark_id !== idAt(db, known.mark))
        file.transaction(() => {
          file.exec("delete from judged; delete from state");
          file
            .prepare("insert into state values (1, ?, lower(hex(randomblob(8))), 0, ?)")
            .run(build, idAt(db, 0));
        })();
      return new Judgements(file, db);
    } catch (error) {
      file.close();
      throw error;
    }
  }

  get mark(): number {
    return this.#file.prepare("select mark from state").pluck().get() as number;
  }

  /** Which are there. */
  keysOf(kind: Judgement["kind"]): Set<number> {
    return new Set(this.#file.prepare("select key from judged where kind = ?").pluck().all(kind) as number[]);
  }

  /** One of a kind, in brief; null where there is none. */
  oneOf(kind: Judgement["kind"]): string | null {
    const brief = this.#file.prepare("select brief from judged where kind = ? limit 1").pluck().get(kind);
    return (brief as string | undefined) ?? null;
  }

  /** Goes on to `mark`: what was written about since is gone. `null`: all of that kind is. */
  advance(mark: number, gone: Record<Judgement["kind"], Iterable<number> | null>): void {
    this.#file.transaction(() => {
      for (const [kind, keys] of Object.entries(gone)) {
        if (keys === null) this.#file.prepare("delete from judged where kind = ?").run(kind);
        else {
          const one = this.#file.prepare("delete from judged where kind = ? and key = ?");
          for (const key of keys) one.run(kind, key);
        }
      }
      this.#file.prepare("update state set mark = ?, mark_id = ?").run(mark, idAt(this.#db, mark));
    })();
  }

  keep(judgements: readonly Judgement[]): void {
    this.#file.transaction(() => {
      const before = this.#file.prepare("delete from judged where kind = ? and key = ?");
      const brief = this.#file.prepare("insert into judged (n, kind, key, brief) values (?, ?, ?, ?)");
      const whole = this.#file.prepare("insert into judged_whole (n, told) values (?, ?)");
      for (const each of judgements) {
        this.#n += 1;
        before.run(each.kind, each.key);
        brief.run(this.#n, each.kind, each.key, each.brief);
        if (each.told !== null) whole.run(this.#n, each.told);
      }
    })();
  }

  close(): void {
    this.#file.close();
  }
}

const readers = new WeakMap<Database, SqliteFile.Database>();
const wholes = new WeakMap<SqliteFile.Database, SqliteFile.Statement>();

/** What the judge has told since the judgement numbered `after` of the file `stamp`; null where nobody judges this yard beside. */
export function judgedSince(db: Database, build: string, stamp: string, after: number): Judged | null {
  const path = judgementsPath(db);
  if (path === null || build === "") return null;
  try {
    const file = readers.get(db) ?? opened(db, path);
    if (!file) return null;
    return file.transaction(() => {
      const state = file.prepare("select build, stamp, mark, mark_id from state").get() as
        | { build: string; stamp: string; mark: number; mark_id: string }
        | undefined;
      // It was judged by another build, or of another yard: the judge empties it as soon as it looks.
      if (!state || state.build !== build || state.mark_id !== idAt(db, state.mark)) return null;
      const rows = file
        .prepare("select kind, key, n, brief from judged where n > ? order by n")
        .all(state.stamp === stamp ? after : 0) as Brief[];
      return {
        stamp: state.stamp,
        mark: state.mark,
        n: rows.at(-1)?.n ?? (state.stamp === stamp ? after : 0),
        judgements: rows,
      };
    })();
  } catch {
    // Somebody threw it away; it is there again in a moment.
    readers.get(db)?.close();
    readers.delete(db);
    return null;
  }
}

/** The whole of a judgement of the file `stamp`; null where another stands there by now. */
export function judgedWhole(db: Database, stamp: string, n: number): string | null {
  const file = readers.get(db);
  if (!file) return null;
  try {
    const query =
      wholes.get(file) ??
      file.prepare("select told from judged_whole where n = ? and (select stamp from state) = ?").pluck();
    wholes.set(file, query);
    const told = query.get(n, stamp);
    return (told as string | undefined) ?? null;
  } catch {
    return null;
  }
}

function opened(db: Database, path: string): SqliteFile.Database | null {
  if (!existsSync(path)) return null;
  const file = new SqliteFile(path, { readonly: true });
  readers.set(db, file);
  return file;
}
