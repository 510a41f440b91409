import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { getTableConfig, SQLiteTable } from "drizzle-orm/sqlite-core";
import fc from "fast-check";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { READINGS_ALONE, type Subject } from "../core/subject/subject.ts";
import { SUBJECTS } from "../core/subjects/index.ts";
import {
  addComponents,
  archiveComponent,
  changeComponent,
  componentReadings,
  componentsOf,
  keepOnComponent,
} from "./components.ts";
import { openDatabase } from "./database.ts";
import { plantedYard } from "./demo/planted.ts";
import type { Database } from "./handle.ts";
import { YardProblem } from "./keeping.ts";
import { currentReadings } from "./live.ts";
import { keepReading } from "./readings.ts";
import { aboutsOf, factOf, isNewest, markOf, record, takeBack, touchedSince } from "./record.ts";
import { toolsOf } from "./rigs.ts";
import { BY } from "./sample-told.ts";
import * as schema from "./schema/index.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const at = (minute: number) => new Date(Date.UTC(2026, 5, 1, 8, minute));
const by = (minute: number) => ({ person: "Mira", at: at(minute) });
/** A kind of fact nobody has thought of: it needs no table, no column and no line elsewhere. */
const TOY = "toy";
const keep = (minute: number, topic = "paint", about = { rigId: 1 }) =>
  record(db, { kind: TOY, about, topic }, by(minute));
const newest = () =>
  db
    .select({ id: schema.fact.id })
    .from(schema.fact)
    .where(isNewest(TOY))
    .prepare()
    .all({ abouts: aboutsOf({ rig: [1] }) })
    .map(({ id }) => id);

describe("the record", () => {
  it("numbers what comes in, never the same number twice", () => {
    const [first, second] = [factOf(db, keep(2))!, factOf(db, keep(1))!];
    expect(second.seq).toBe(first.seq + 1);
    expect(markOf(db)).toBe(second.seq);
  });

  it("keeps what is sent twice once", () => {
    const id = randomUUID();
    const send = (topic: string) => record(db, { kind: TOY, about: { rigId: 1 }, topic, id }, by(1));
    expect([send("paint"), send("wheels")]).toEqual([id, id]);
    expect(factOf(db, id)).toMatchObject({ topic: "paint" });
  });

  it("has the newest by when it happened, then by the order it came in, of each topic", () => {
    const [late, early] = [keep(5), keep(3)];
    const wheels = keep(1, "wheels");
    expect(newest().sort()).toEqual([late, wheels].sort());
    const same = keep(5);
    expect(newest().sort()).toEqual([same, wheels].sort());
    takeBack(db, same, by(9));
    takeBack(db, late, by(9));
    expect(newest().sort()).toEqual([early, wheels].sort());
  });

  it("is about one thing at most, of which there is one", () => {
    expect(() => record(db, { kind: TOY, about: { rigId: 1, machineId: 1 } }, BY)).toThrow(/one_thing/);
    expect(() => record(db, { kind: TOY, about: { rigId: 999 } }, BY)).toThrow(/FOREIGN KEY/);
    expect(() => record(db, { kind: "", about: {} }, BY)).toThrow(/kind_is_told/);
  });

  it("writes nothing where what its kind keeps of its own cannot be written", () => {
    const mark = markOf(db);
    expect(() =>
      record(db, { kind: TOY, about: { rigId: 1 } }, BY, () => {
        throw new Error("no room");
      }),
    ).toThrow("no room");
    expect(markOf(db)).toBe(mark);
  });
});

describe("taking back", () => {
  it("is done once, by adding to the record", () => {
    const id = keep(1);
    expect(takeBack(db, id, by(2))).toBe(true);
    expect(takeBack(db, id, by(3))).toBe(false);
    expect(factOf(db, id)).not.toBeNull();
    const { seq } = factOf(db, id)!;
    expect(() =>
      db.$client
        .prepare(
          "insert into fact (id, kind, topic, happened, arrived, named, takes_back) values ('x', 'take-back', '', '2026', '2026', '', ?)",
        )
        .run(seq),
    ).toThrow(/UNIQUE/);
  });

  it("takes what is part of it along", () => {
    const whole = factOf(db, keep(1, "whole"))!;
    const part = record(db, { kind: TOY, about: { rigId: 1 }, topic: "part", partOf: whole.seq }, by(2));
    expect(newest()).toHaveLength(2);
    takeBack(db, whole.id, by(3));
    expect(newest()).toEqual([]);
    expect(factOf(db, part)).not.toBeNull();
  });

  it("cannot be taken back itself, nor what is not there", () => {
    takeBack(db, keep(1), by(2));
    const back = db.$client.prepare("select id from fact where seq = ?").pluck().get(markOf(db)) as string;
    expect(takeBack(db, back, by(3))).toBe(false);
    expect(takeBack(db, randomUUID(), by(3))).toBe(false);
  });
});

/** What holds what is, not what happened: changed in place, and the change is on record. */
const SETTINGS = [
  "client",
  "crop",
  "farm",
  "field",
  "variety",
  ...["machine", "point", "component", "variant", "rig", "coupling", "weight", "tyre", "tyre_cell"],
  ...["axle_tyre", "road_limits", "hydraulics", "remote", "hose_function", "hose_pin", "practice"],
  ...["scheme", "scheme_line", "terminal", "profile", "upload", "adjuster", "school", "product"],
  ...["bench", "service_item", "wear_part", "prices"],
  ...[
    "plan_job",
    "plan_job_rig",
    "plan_person",
    "plan_drives",
    "plan_away",
    "plan_days",
    "plan_day",
    "plan_pin",
  ],
  ...["rerig_time", "soil_limit"],
];

const tables = Object.values(schema).flatMap((each) =>
  each instanceof SQLiteTable ? [getTableConfig(each)] : [],
);

describe("the database itself", () => {
  it.each(tables.filter(({ name }) => !SETTINGS.includes(name)).map(({ name }) => name))(
    "refuses to change or delete what stands in “%s”",
    (name) => {
      const triggers = db.$client
        .prepare("select sql from sqlite_master where type = 'trigger' and tbl_name = ?")
        .pluck()
        .all(name) as string[];
      for (const act of ["UPDATE", "DELETE"])
        expect(
          triggers.filter((sql) => sql.includes(`BEFORE ${act}`) && sql.includes("RAISE(ABORT")),
        ).toHaveLength(1);
      const rows = db.$client.prepare(`select count(*) from "${name}"`).pluck().get() as number;
      if (rows === 0) return;
      expect(() => db.$client.exec(`delete from "${name}"`)).toThrow(/neither changed nor deleted/);
      const [column] = tables.find((table) => table.name === name)!.columns;
      const key = column!.name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
      expect(() => db.$client.exec(`update "${name}" set "${key}" = "${key}"`)).toThrow(/neither changed/);
    },
  );

  it.each(tables.map(({ name, columns, foreignKeys }) => ({ name, columns, foreignKeys })))(
    "knows what every number in “$name” points to",
    ({ name, columns, foreignKeys }) => {
      const keyed = foreignKeys.flatMap((key) => key.reference().columns.map((column) => column.name));
      const pointing = columns
        .map((column) => column.name)
        .filter((each) => /Id$|^wrote$|^test$|^partOf$|^takesBack$/.test(each));
      for (const column of pointing) expect(keyed, `${name}.${column}`).toContain(column);
    },
  );

  it("has the triggers this build's own yards have, whichever way it came to be", () => {
    const names = ({ $client }: Database) =>
      $client.prepare("select name from sqlite_master where type = 'trigger' order by name").pluck().all();
    expect(names(db)).toEqual(names(openDatabase(":memory:")));
  });

  it("of a newer Ambrek is not opened, nor changed", () => {
    const folder = mkdtempSync(join(tmpdir(), "ambrek-newer-"));
    const path = join(folder, "yard.db");
    const newer = openDatabase(path);
    newer.$client.pragma("user_version = 999");
    newer.$client.close();
    expect(() => openDatabase(path)).toThrow(YardProblem);
    rmSync(folder, { recursive: true });
  });
});

describe("what was written since", () => {
  it("is known by what it was about, also where an import or a test is taken back", () => {
    let mark = markOf(db);
    keep(1);
    expect(touchedSince(db, mark)).toEqual(new Set(["rig 1"]));
    const whole = record(db, { kind: TOY, about: {} }, by(2));
    const part = factOf(db, whole)!.seq;
    record(db, { kind: TOY, about: { machineId: 3 }, partOf: part }, by(2));
    mark = markOf(db);
    expect(touchedSince(db, mark)).toEqual(new Set());
    takeBack(db, whole, by(3));
    expect(touchedSince(db, mark)).toEqual(new Set(["yard", "machine 3"]));
  });
});

/** A subject that has parts, put among the others. */
const NOZZLES: Subject = {
  key: "nozzles",
  label: "Nozzles",
  lead: "",
  asks: "",
  changesOf: [],
  shows: "tool",
  holds: null,
  onSheet: false,
  components: [
    {
      key: "jet",
      label: "Nozzles",
      one: "jet",
      mirrored: true,
      figures: [{ key: "flow", label: "Flow", family: "flow", step: null, range: [0, 20] }],
    },
  ],
  ...READINGS_ALONE,
};

describe("parts of a machine", () => {
  const list = SUBJECTS as Subject[];
  beforeAll(() => void list.push(NOZZLES));
  afterAll(() => void list.splice(list.indexOf(NOZZLES), 1));
  const nozzles = () => componentsOf(db, [5], "jet").get(5) ?? [];
  const read = (id: number, value: number, minute: number, sitting?: string) =>
    keepOnComponent(
      db,
      id,
      {
        key: "flow",
        rawText: String(value),
        value,
        step: 0.01,
        instrument: "scale",
        ...(sitting ? { sitting } : {}),
      },
      by(minute),
    );

  it("stand in their row with a place each, and go and come back with what was read on them", () => {
    const row = [1, 2, 3].map((place) => ({ label: `nozzle ${place}`, x: -2, y: place - 2, place }));
    const ids = addComponents(db, 5, "jet", row, BY);
    expect(nozzles().map(({ label, y }) => [label, y])).toEqual([
      ["nozzle 1", -1],
      ["nozzle 2", 0],
      ["nozzle 3", 1],
    ]);
    read(ids[1]!, 0.81, 1);
    archiveComponent(db, ids[1]!, true, BY);
    expect(nozzles()).toHaveLength(2);
    archiveComponent(db, ids[1]!, false, BY);
    changeComponent(db, ids[1]!, { label: "worn one" }, BY);
    expect(nozzles()[1]).toMatchObject({ label: "worn one", place: 2 });
    expect(componentReadings(db, ids).get(ids[1]!)).toMatchObject([{ value: 0.81, key: "flow" }]);
  });

  it("have their own current sitting, and the reading before", () => {
    const [id, other] = addComponents(
      db,
      5,
      "jet",
      ["a", "b"].map((label, index) => ({ label, x: null, y: null, place: index + 1 })),
      BY,
    );
    read(other!, 9, 1);
    read(id!, 0.7, 1);
    read(id!, 0.8, 2, "jug");
    read(id!, 0.82, 3, "jug");
    expect(
      componentReadings(db, [id!])
        .get(id!)!
        .map(({ value }) => value),
    ).toEqual([0.7, 0.8, 0.82]);
    expect(componentReadings(db, [other!]).get(other!)).toHaveLength(1);
  });

  it("are refused where no subject has such parts or figures, out of range, or before the first place", () => {
    const bare = { label: "x", x: null, y: null, place: null };
    expect(() => addComponents(db, 5, "toe", [bare], BY)).toThrow("no kind of part “toe”");
    expect(() => addComponents(db, 5, "jet", [{ ...bare, place: 0 }], BY)).toThrow(/counts_from_one/);
    const [id] = addComponents(db, 5, "jet", [bare], BY);
    expect(() => read(id!, 21, 1)).toThrow("outside what is plausible");
    expect(() =>
      keepOnComponent(db, id!, { key: "wear", rawText: "1", value: 1, step: 0, instrument: "tape" }, BY),
    ).toThrow("no figure “wear”");
  });
});

/** What counts, worked out the slow way: everything in the order of (happened, sequence), less what was taken back. */
type Entry = { minute: number; sitting: number; takenBack: boolean };
describe("the current sitting", () => {
  it("is what sorting the whole history says, however it came in", () => {
    const rig = toolsOf(db, 1)[0]!;
    const entries = fc.array(
      fc.record({
        minute: fc.integer({ min: 0, max: 5 }),
        sitting: fc.integer({ min: 0, max: 2 }),
        takenBack: fc.boolean(),
      }),
      { minLength: 1, maxLength: 12 },
    );
    fc.assert(
      fc.property(entries, (given) => {
        const own = plantedYard();
        const kept = given.map(({ minute, sitting, takenBack }: Entry, index) => {
          const id = keepReading(own, rig, {
            key: "rows.count",
            rawText: String(index),
            value: index,
            step: 1,
            instrument: "look",
            person: "Mira",
            now: at(index),
            at: new Date(Date.UTC(2027, 0, 1, 8, minute)),
            sitting: `s${sitting}`,
          });
          if (takenBack) takeBack(own, id, by(50));
          return { id, minute, index, sitting, takenBack };
        });
        const stands = kept
          .filter(({ takenBack }) => !takenBack)
          .sort((a, b) => a.minute - b.minute || a.index - b.index);
        const last = stands.at(-1);
        const sitting = stands.filter((each) => each.sitting === last?.sitting);
        const before = stands.filter((each) => each.sitting !== last?.sitting).at(-1);
        const wanted = new Set([...sitting, ...(before ? [before] : [])].map(({ id }) => id));
        const found = currentReadings(own, { machines: [rig.implement.id], points: [], couplings: [] })
          .filter(({ fact }) => fact.topic === "rows.count" && fact.happened > "2027")
          .map(({ fact }) => fact.id);
        // With nothing of these standing, or one sitting only, what the demo yard has is the one before.
        expect(new Set(found)).toEqual(wanted);
        own.$client.close();
      }),
      { numRuns: 60 },
    );
  });
});
