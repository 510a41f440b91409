/** Files as the yard itself makes them, damaged: bit by bit, by what is in them, by how they are packed. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import SqliteFile from "better-sqlite3";
import { strToU8, unzipSync, zipSync } from "fflate";
import { plantedYard } from "../../data/demo/planted.ts";
import { keepLending } from "../../data/lending/loans.ts";
import { machineFileOf } from "../../data/lending/send.ts";
import { listMachines } from "../../data/machines.ts";
import { writeMachineFile } from "../../formats/machine/machine-file.ts";
import { writeLog } from "../../formats/nmea/write.ts";
import type { Chance } from "./chance.ts";
import { besideJson, strange } from "./values.ts";

type Bytes = Uint8Array;
type Damage = (bytes: Bytes, chance: Chance) => Bytes;

/** A format the yard reads: the field such a file comes in, where a whole one is had from, and what can be wrong with one. */
export type Format = {
  name: string;
  /** of forms that take it: the address and the field */
  taken: (path: string, field: string) => boolean;
  /** addresses that give whole ones */
  samples: readonly string[];
  /** whole ones nothing gives */
  made?: () => Bytes;
  damage: readonly Damage[];
};

const text =
  (change: (text: string, chance: Chance) => string): Damage =>
  (bytes, chance) =>
    strToU8(change(new TextDecoder().decode(bytes), chance));

const ANY: readonly Damage[] = [
  (bytes, chance) => bytes.slice(0, chance.below(bytes.length + 1)),
  (bytes, chance) => {
    const changed = bytes.slice();
    for (let times = 1 + chance.below(40); times > 0; times -= 1)
      changed[chance.below(changed.length)] = chance.below(256);
    return changed;
  },
  (bytes, chance) => {
    const at = chance.below(bytes.length);
    return Buffer.concat([bytes.slice(0, at), chance.bytes(chance.below(300)), bytes.slice(at)]);
  },
  (bytes, chance) => {
    const changed = bytes.slice();
    const at = chance.below(bytes.length);
    changed.fill(0, at, at + chance.below(4_000));
    return changed;
  },
  (_, chance) => chance.bytes(1 + chance.below(5_000)),
  () => Uint8Array.of(0),
  (bytes) => Buffer.concat([bytes, bytes]),
  (bytes, chance) => bytes.slice(chance.below(Math.min(bytes.length, 64))),
];

const TEXT: readonly Damage[] = [
  text((all, chance) =>
    all.replace(/-?\d+\.?\d*/g, (each) => (chance.oneIn(30) ? strange(chance).slice(0, 400) : each)),
  ),
  text((all, chance) =>
    all.replace(/-?\d+\.?\d*/g, (each) =>
      chance.oneIn(10) ? chance.of(["1e308", "-0", "NaN", "", "1e-310", "999999999999", each + each]) : each,
    ),
  ),
  text((all, chance) => all.replace(/[,;:<>"{}[\]=*$]/g, (each) => (chance.oneIn(50) ? "" : each))),
  text((all, chance) => lines(all, (line) => (chance.oneIn(20) ? [] : [line]))),
  text((all, chance) => lines(all, (line) => (chance.oneIn(20) ? [line, line] : [line]))),
  text((all) => all.split("").reverse().join("").slice(0, 60_000)),
  text((all) => `\ufeff${all}`),
  (bytes) => Buffer.from(new TextDecoder().decode(bytes), "utf16le"),
  text((all) => all.replace(/\n/g, "\r")),
  text((all) => all.slice(0, 2_000).repeat(400)),
  text((all) => `${"x".repeat(1_500_000)}\n${all}`),
];

function lines(all: string, each: (line: string) => string[]): string {
  return all.split("\n").flatMap(each).join("\n");
}

const JSONS: readonly Damage[] = [
  text(besideJson),
  text(besideJson),
  text((all, chance) => besideJson(besideJson(all, chance), chance)),
  text(() => `${'{"type":"FeatureCollection","features":['.repeat(4_000)}`),
  text(() => "[".repeat(200_000) + "]".repeat(200_000)),
  text((all) => all.replaceAll(/"type":"Polygon"/g, '"type":"MultiPolygon"')),
  text((all) => all.replaceAll(/"type":"[A-Z]\w+"/g, '"type":"__proto__"')),
  text((all) => all.replaceAll(/\[(-?[\d.]+),(-?[\d.]+)\]/g, "[$2,$1]")),
  text((all) => all.replaceAll(/\[(-?[\d.]+),(-?[\d.]+)\]/g, "[8.5,52.1]")),
  text(manyCorners),
];

/** A polygon with very many corners, in a place where there may be fields. */
function manyCorners(): string {
  const ring = Array.from({ length: 60_000 }, (_, at) => {
    const turn = (at / 60_000) * 2 * Math.PI;
    return [
      8.5 + 0.003 * Math.cos(turn) * (1 + (at % 7) / 20),
      52.1 + 0.002 * Math.sin(turn) * (1 + (at % 5) / 20),
    ];
  });
  return JSON.stringify({
    type: "FeatureCollection",
    features: [
      {
        type: "Feature",
        properties: { name: "Many" },
        geometry: { type: "Polygon", coordinates: [[...ring, ring[0]]] },
      },
    ],
  });
}

/** Damage to what is in a zip, packed again. */
const inside =
  (change: (xml: string, chance: Chance) => string): Damage =>
  (bytes, chance) =>
    repacked(bytes, (name, content) => [[name, strToU8(change(new TextDecoder().decode(content), chance))]]);

function repacked(bytes: Bytes, each: (name: string, content: Bytes) => [string, Bytes][]): Bytes {
  return zipSync(
    Object.fromEntries(Object.entries(unzipSync(bytes)).flatMap(([name, content]) => each(name, content))),
  );
}

const XML: readonly ((xml: string, chance: Chance) => string)[] = [
  (xml, chance) => xml.replace(/ [A-Z]="[^"]*"/g, (each) => (chance.oneIn(25) ? "" : each)),
  (xml, chance) =>
    xml.replace(/="[^"]*"/g, (each) =>
      chance.oneIn(25) ? `="${escaped(strange(chance).slice(0, 2_000))}"` : each,
    ),
  (xml, chance) =>
    xml.replace(/="-?\d[\d.]*"/g, (each) =>
      chance.oneIn(6) ? `="${chance.of([0, -1, 2147483648, 1e20, "1e309", ""])}"` : each,
    ),
  (xml, chance) =>
    xml.replace(/<[A-Z]{3} [^<>]*\/>/g, (each) =>
      each.repeat(chance.oneIn(10) ? 1 + chance.below(4_000) : 1),
    ),
  (xml, chance) =>
    xml.replace(/<(DVC|PFD|TSK|CTR|WKR|PDT)\b[\s\S]*?(<\/\1>|\/>)/g, (each) =>
      each.repeat(chance.oneIn(3) ? 1 + chance.below(2_000) : 1),
    ),
  (xml, chance) =>
    xml.replace(/<\/?[A-Z]{3}\b/g, (each) =>
      chance.oneIn(20)
        ? each.replace(/[A-Z]{3}/, () => chance.of(["DVC", "DET", "DPD", "TSK", "PLN", "LSG", "PNT", "XXX"]))
        : each,
    ),
  (xml) =>
    xml
      .replace(
        "?>",
        `?><!DOCTYPE x [<!ENTITY a "${"lol".repeat(50)}">${Array.from({ length: 9 }, (_, at) => `<!ENTITY ${"abcdefghij"[at + 1]} "${`&${"abcdefghij"[at]};`.repeat(10)}">`).join("")}]>`,
      )
      .replace(/B="[^"]*"/, 'B="&j;"'),
  (xml) =>
    xml
      .replace("?>", '?><!DOCTYPE x [<!ENTITY f SYSTEM "file:///etc/passwd">]>')
      .replace(/B="[^"]*"/, 'B="&f;"'),
  (xml) => xml.replace(/(<ISO11783_TaskData[^>]*>)/, `$1${"<DET>".repeat(30_000)}`),
  (xml, chance) =>
    xml.replace(/IdRef="[^"]*"|[A-Z]="[A-Z]{3}-?\d+"/g, (each) =>
      chance.oneIn(4) ? each.replace(/\d+/, () => String(chance.below(9))) : each,
    ),
  (xml) => xml.replace(/encoding="[^"]*"/i, 'encoding="UTF-32"'),
  (xml) => xml.replace(/VersionMajor="\d+"/, 'VersionMajor="99"'),
  (xml) => xml.replace(/A="/, `A="${"n".repeat(400_000)}`),
];

const escaped = (value: string) => value.replace(/[<&"\p{Cc}\p{Cs}]/gu, "?");

const ZIP: readonly Damage[] = [
  ...XML.map(inside),
  ...XML.map(inside),
  (bytes) => repacked(bytes, (name, content) => [[`../../${name}`, content]]),
  (bytes) => repacked(bytes, (name, content) => [[name.toLowerCase(), content]]),
  (bytes, chance) =>
    repacked(bytes, (name, content) => [
      [name, content],
      ...Array.from({ length: chance.of([5, 59, 2_000]) }, (_, at): [string, Bytes] => [
        `GRD${at}.BIN`,
        chance.bytes(4),
      ]),
    ]),
  (bytes) =>
    repacked(bytes, (name, content) => [
      [name, content],
      ["TLG00001.BIN", new Uint8Array(60_000_000)],
    ]),
  (bytes) => zipSync({ "TASKDATA.ZIP": bytes }),
  () => zipSync({}),
  (bytes) =>
    repacked(bytes, (name, content) => [
      [name, content],
      [`TASKDATA/${name}`, content],
      [`x/${name}`, content],
    ]),
];

const SQL: readonly string[] = [
  "drop table reading",
  "drop table fact",
  "alter table rig rename to rig_x",
  "alter table machine add column secret text",
  "delete from __drizzle_migrations",
  "insert into __drizzle_migrations (hash, created_at) values ('x', 99999999999999)",
  "create trigger evil after insert on fact begin delete from machine; end",
  "create view evil as select * from machine",
  "pragma user_version = 99",
  "pragma application_id = 99",
  "pragma foreign_keys = off; delete from machine",
  "pragma foreign_keys = off; delete from coupling",
  "update machine set name = 'x'",
  "update machine set name = replace(hex(zeroblob(200000)), '00', 'x')",
  "create table big as with recursive n(i) as (select 1 union all select i + 1 from n where i < 100000) select i from n",
  "pragma journal_mode = delete",
  "create virtual table full using fts5(a)",
];

/** Damage to a database by somebody who has a shell for it. */
const inDatabase: Damage = (bytes, chance) => {
  const folder = mkdtempSync(join(tmpdir(), "ambrek-attack-"));
  const path = join(folder, "yard.db");
  try {
    writeFileSync(path, bytes);
    const file = new SqliteFile(path);
    try {
      const triggers = file
        .prepare("select name from sqlite_master where type = 'trigger'")
        .pluck()
        .all() as string[];
      if (chance.oneIn(3)) for (const name of triggers) file.exec(`drop trigger "${name}"`);
      for (let times = 1 + chance.below(2); times > 0; times -= 1) {
        try {
          file.exec(chance.of(SQL));
        } catch {
          // What the yard's own rules refuse is not in the file then.
        }
      }
      file.pragma("wal_checkpoint(TRUNCATE)");
    } finally {
      file.close();
    }
    return readFileSync(path);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
};

const DATABASE: readonly Damage[] = [
  inDatabase,
  inDatabase,
  inDatabase,
  (bytes, chance) => {
    const changed = bytes.slice();
    const page = 4096 * chance.below(Math.floor(bytes.length / 4096));
    changed.set(chance.bytes(4096), page);
    return changed;
  },
  (bytes, chance) => {
    const changed = bytes.slice();
    for (let times = 1 + chance.below(8); times > 0; times -= 1)
      changed[chance.below(100)] = chance.below(256);
    return changed;
  },
];

/** Once round at a walk, as a receiver's log. */
function drivenRound(): string {
  const fixes = Array.from({ length: 180 }, (_, seconds) => {
    const turn = (seconds / 178) * 2 * Math.PI;
    return {
      at: { latitude: 0.91 + 1e-5 * Math.sin(turn), longitude: 0.15 + 2e-5 * Math.cos(turn) },
      seconds,
      heading: 2 * Math.PI - turn,
      speed: 1.4,
      fix: "fixed" as const,
    };
  });
  return writeLog(fixes, 6);
}

/** A machine of the demo yard as it would be lent. */
function lentMachine(): Bytes {
  const db = plantedYard();
  const told = { person: "Ola Brannick", at: new Date("2026-11-02T07:00:00.000Z") };
  const machine = listMachines(db).find(({ kind }) => kind === "implement")!;
  keepLending(db, machine.id, { way: "out", there: "Over the hill", here: "Here" }, told);
  const sender = { yard: "Here", person: told.person, way: "out", now: told.at } as const;
  const file = machineFileOf(db, machine, sender);
  db.$client.close();
  return strToU8(writeMachineFile(file));
}

/** The smallest picture there is: one dot, as PNG. */
const DOT =
  "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==";

export const FORMATS: readonly Format[] = [
  {
    name: "task data",
    taken: (_, field) => field === "taskdata",
    samples: ["/tasks.zip", "/fields.zip", "/rigs/4/taskdata.zip"],
    damage: [...ZIP, ...ANY],
  },
  {
    name: "fields as task data",
    taken: (path, field) => field === "file" && path.startsWith("/fields"),
    samples: ["/fields.zip"],
    damage: [...ZIP, ...ANY],
  },
  {
    name: "fields as GeoJSON",
    taken: (path, field) => field === "file" && path.startsWith("/fields"),
    samples: ["/fields.geojson"],
    damage: [...JSONS, ...TEXT, ...ANY],
  },
  {
    name: "map of varieties",
    taken: (_, field) => field === "map",
    samples: ["/fields.geojson"],
    damage: [...JSONS, ...TEXT, ...ANY],
  },
  {
    name: "receiver's log",
    taken: (_, field) => field === "log" || field === "track",
    samples: [],
    made: () => strToU8(drivenRound()),
    damage: [...TEXT, ...ANY],
  },
  {
    name: "filled sheet",
    taken: (_, field) => field === "sheet",
    samples: ["/rigs/17/sheet.csv"],
    damage: [...TEXT, ...ANY],
  },
  {
    name: "machine that was lent",
    taken: (path, field) => field === "machine" && path === "/files",
    samples: [],
    made: lentMachine,
    damage: [...JSONS, ...TEXT, ...ANY],
  },
  {
    name: "photo",
    taken: (_, field) => field === "photo",
    samples: [],
    made: () => Buffer.from(DOT, "base64"),
    damage: ANY,
  },
  {
    name: "backup",
    taken: (_, field) => field === "backup",
    samples: ["/backup.db"],
    damage: [...DATABASE, ...ANY],
  },
];
