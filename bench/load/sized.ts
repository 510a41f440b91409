/** A yard of any size in seconds: the demo yard planted once, then its rows copied under numbers of their own, in SQL. */
import type SqliteFile from "better-sqlite3";
import { openDatabase } from "../../data/database.ts";
import { plantDemoYard } from "../../data/demo/yard.ts";
import type { Database } from "../../data/handle.ts";

/** One row for the whole yard, what ships with it, and what is worked out. */
const ONCE = new Set([
  "board",
  "plan_days",
  "plan_day",
  "prices",
  "rerig_time",
  "road_limits",
  "soil_limit",
  "scheme",
  "scheme_line",
  "__drizzle_migrations",
]);

/** Facts whose topic ends in the number of something that is copied, by what it is a number of. */
const TOPICS: Record<string, string> = {
  place: "field",
  boundary: "field",
  line: "field",
  "line-shift": "field",
  "variety-map": "field",
  weights: "weight",
  "service-done": "service_item",
  wear: "wear_part",
  "work-used": "product",
};

/** Names that are told apart by their words. */
const NAMED = new Set(["client.name", "farm.name", "field.name", "tyre.label", "product.name", "crop.name"]);

/** Ids from a device: those of facts, and what groups readings of one sitting. */
const OWN = new Set(["fact.id", "reading.sitting"]);

type Column = { name: string; pk: number; hidden: number };
type Key = { from: string; table: string };

type Size = {
  /** how many times the demo yard's seventeen rigs */
  sets: number;
  /** how many readings each rig's lengths have had, one a year and earlier than the last */
  years?: number;
};

/** A demo yard, `sets` times over. */
export function yardSized(path: string, { sets, years = 1 }: Size): Database {
  const db = openDatabase(path);
  plantDemoYard(db);
  const file = db.$client;
  file.pragma("foreign_keys = OFF");
  file.transaction(() => {
    const tables = (
      file
        .prepare("select name from sqlite_master where type = 'table' and name not like 'sqlite_%'")
        .all() as {
        name: string;
      }[]
    )
      .map(({ name }) => name)
      .filter((name) => !ONCE.has(name));
    const steps = new Map(tables.map((table) => [table, stepOf(file, table)]));
    for (let set = 1; set < sets; set += 1) for (const table of tables) copySet(file, table, set, steps);
    for (let year = 1; year < years; year += 1) copyReadings(file, year);
  })();
  file.pragma("foreign_keys = ON");
  file.pragma("wal_checkpoint(TRUNCATE)");
  return db;
}

/** How far the numbers of a table's rows reach; 0 where they are words. */
function stepOf(file: SqliteFile.Database, table: string): number {
  const keys = columnsOf(file, table).filter(({ pk }) => pk > 0);
  if (keys.length !== 1 || keysOf(file, table).some(({ from }) => from === keys[0]!.name)) return 0;
  const last = file.prepare(`select max("${keys[0]!.name}") from "${table}"`).pluck().get();
  return typeof last === "number" ? last : 0;
}

const columnsOf = (file: SqliteFile.Database, table: string): Column[] =>
  (file.pragma(`table_xinfo("${table}")`) as Column[]).filter(({ hidden }) => hidden === 0);

const keysOf = (file: SqliteFile.Database, table: string): Key[] =>
  file.pragma(`foreign_key_list("${table}")`) as Key[];

/** The rows a table had at first, once more: their numbers, and those they point to, further on by a whole set. */
function copySet(file: SqliteFile.Database, table: string, set: number, steps: Map<string, number>): void {
  const keys = keysOf(file, table);
  const own = steps.get(table)!;
  const rootOf = (start: string): string => {
    const [up] = keysOf(file, start).filter(({ from }) =>
      columnsOf(file, start).some(({ name, pk }) => name === from && pk > 0),
    );
    return steps.get(start) || !up ? start : rootOf(up.table);
  };
  const columns = columnsOf(file, table).map(({ name, pk }) => {
    const key = keys.find(({ from }) => from === name);
    const step = key ? (steps.get(rootOf(key.table)) ?? 0) : pk > 0 ? own : 0;
    if (step > 0) return [name, `"${name}" + ${set * step}`];
    // What a device gave an id of its own.
    if (OWN.has(`${table}.${name}`)) return [name, `'set ${set} ' || "${name}"`];
    if (`${table}.${name}` === "fact.topic") return [name, topicOf(set, steps)];
    if (NAMED.has(`${table}.${name}`)) return [name, `"${name}" || ' ${set + 1}'`];
    return [name, `"${name}"`];
  });
  const only = firstOf(file, table, steps, rootOf);
  file.exec(
    `insert into "${table}" (${columns.map(([name]) => `"${name}"`).join(", ")}) select ${columns.map(([, told]) => told).join(", ")} from "${table}" ${only}`,
  );
}

/** Only the rows there were before anything was copied. */
function firstOf(
  file: SqliteFile.Database,
  table: string,
  steps: Map<string, number>,
  rootOf: (table: string) => string,
): string {
  const keys = columnsOf(file, table).filter(({ pk }) => pk > 0);
  const [key] = keys.filter(
    ({ name }) => steps.get(table) || keysOf(file, table).some(({ from }) => from === name),
  );
  if (!key) return "where false";
  const up = keysOf(file, table).find(({ from }) => from === key.name);
  const most = up ? steps.get(rootOf(up.table)) : steps.get(table);
  return `where "${key.name}" <= ${most}`;
}

function topicOf(set: number, steps: Map<string, number>): string {
  const cases = Object.entries(TOPICS).map(([kind, table]) => {
    const step = set * (steps.get(table) ?? 0);
    return `when kind = '${kind}' and topic like 'field %' then 'field ' || (cast(substr(topic, 7) as integer) + ${step}) when kind = '${kind}' and topic glob '[0-9]*' then '' || (cast(topic as integer) + ${step})`;
  });
  return `case ${cases.join(" ")} else topic end`;
}

/** Every reading once more, so many years earlier. */
function copyReadings(file: SqliteFile.Database, year: number): void {
  const step = file.prepare("select max(seq) from fact").pluck().get() as number;
  const earlier = (column: string) => `strftime('%Y-%m-%dT%H:%M:%fZ', ${column}, '-${year} years')`;
  file.exec(
    `create temp table if not exists firsts as select f.seq from fact f join reading r on r.seq = f.seq where f.part_of is null`,
  );
  file.exec(
    `insert into fact (seq, id, kind, machine_id, point_id, coupling_id, rig_id, component_id, variant_id, topic, happened, arrived, named)
     select seq + ${step}, 'year ${year} ' || id, kind, machine_id, point_id, coupling_id, rig_id, component_id, variant_id, topic, ${earlier("happened")}, ${earlier("arrived")}, named
     from fact where seq in (select seq from firsts)`,
  );
  file.exec(
    `insert into reading (seq, raw_text, value, step, reason, sitting, conditions, note, photo_id, instrument)
     select seq + ${step}, raw_text, value, step, reason, case when sitting is null then null else sitting || '-y${year}' end, conditions, note, photo_id, instrument
     from reading where seq in (select seq from firsts)`,
  );
}
