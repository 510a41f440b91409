/**
 * What was worked out of the yard, in a file of its own beside it: neither fact nor setting, in no backup, and thrown away whenever it does
 * not fit. One thread judges and writes here, those that answer pages read it.
 */
import { existsSync, rmSync } from "node:fs";
import SqliteFile from "better-sqlite3";
import type { Database } from "./handle.ts";

/** What was worked out of one rig or one machine; `told` is JSON. */
export type Judgement = { kind: "rig" | "machine"; key: number; told: string };

/** What came since somebody last looked. */
export type Judged = {
  /** another file than last time: what was known of it says nothing */
  stamp: string;
  /** how far the record had grown: everything in here holds up to there */
  mark: number;
  /** the number of the last judgement */
  n: number;
  judgements: Judgement[];
};

const TABLES = `
create table if not exists state (id integer primary key check (id = 1), build text not null, stamp text not null, mark integer not null, mark_id text not null);
create table if not exists judgement (kind text not null, key integer not null, n integer not null, told text not null, primary key (kind, key)) without rowid;
create index if not exists judgement_by_n on judgement (n);`;

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
    this.#n = (file.prepare("select max(n) from judgement").pluck().get() as number | null) ?? 0;
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
      file.exec(TABLES);
      const known = file.prepare("select build, mark, mark_id from state").get() as
        | { build: string; mark: number; mark_id: string }
        | undefined;
      if (!known || known.build !== build || known.mark_id !== idAt(db, known.mark))
        file.transaction(() => {
          file.exec("delete from judgement; delete from state");
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
    return new Set(
      this.#file.prepare("select key from judgement where kind = ?").pluck().all(kind) as number[],
    );
  }

  /** One of a kind; null where there is none. */
  oneOf(kind: Judgement["kind"]): string | null {
    const told = this.#file.prepare("select told from judgement where kind = ? limit 1").pluck().get(kind);
    return (told as string | undefined) ?? null;
  }

  /** Goes on to `mark`: what was written about since is gone. `null`: all of that kind is. */
  advance(mark: number, gone: Record<Judgement["kind"], Iterable<number> | null>): void {
    this.#file.transaction(() => {
      for (const [kind, keys] of Object.entries(gone)) {
        if (keys === null) this.#file.prepare("delete from judgement where kind = ?").run(kind);
        else {
          const one = this.#file.prepare("delete from judgement where kind = ? and key = ?");
          for (const key of keys) one.run(kind, key);
        }
      }
      this.#file.prepare("update state set mark = ?, mark_id = ?").run(mark, idAt(this.#db, mark));
    })();
  }

  keep(judgements: readonly Judgement[]): void {
    this.#file.transaction(() => {
      const insert = this.#file.prepare(
        "insert or replace into judgement (kind, key, n, told) values (?, ?, ?, ?)",
      );
      for (const { kind, key, told } of judgements) {
        this.#n += 1;
        insert.run(kind, key, this.#n, told);
      }
    })();
  }

  close(): void {
    this.#file.close();
  }
}

const readers = new WeakMap<Database, SqliteFile.Database>();

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
        .prepare("select kind, key, n, told from judgement where n > ? order by n")
        .all(state.stamp === stamp ? after : 0) as (Judgement & { n: number })[];
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

function opened(db: Database, path: string): SqliteFile.Database | null {
  if (!existsSync(path)) return null;
  const file = new SqliteFile(path, { readonly: true });
  readers.set(db, file);
  return file;
}
