import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import type { Instrument } from "../../core/rig/grade.ts";
import type { Database } from "../handle.ts";
import { keepReading, keepSections } from "../readings.ts";
import { findRig } from "../rigs.ts";
import { coupling, machine, point, rig } from "../schema.ts";
import { setTerminal } from "../schemes.ts";

type Told = { key: DimensionKey; text: string; value: number; step: number; by: Instrument };

type DemoRig = {
  name: string;
  tractor: {
    make: string;
    model: string;
    fleetNumber: string;
    serial: string;
    busName: string;
    mount: string;
    hole: string;
  };
  drill: { make: string; model: string; fleetNumber: string; serial: string; busName: string };
  scheme: string;
  profile: string;
  person: string;
  at: string;
  told: Told[];
  sections: { widths: number[]; by: Instrument };
};

const told = (
  key: DimensionKey,
  text: string,
  value: number,
  by: Instrument = "tape",
  step = 0.001,
): Told => ({
  key,
  text,
  value,
  step,
  by,
});

/** Nearly ready: one value from the book, one zero by habit. */
const GRASS_AND_GRAIN: DemoRig = {
  name: "Grain drill, 4.5 m",
  tractor: {
    make: "Belvane",
    model: "118",
    fleetNumber: "T4",
    serial: "BV118-2207",
    busName: "A00284001E20008B",
    mount: "cab roof, front rail",
    hole: "hole 2",
  },
  drill: {
    make: "Sorrick",
    model: "Tandem 45",
    fleetNumber: "D2",
    serial: "ST45-0613",
    busName: "A00886002640026D",
  },
  scheme: "axle-m",
  profile: "SORRICK 45",
  person: "Ilse Marrin",
  at: "2026-09-14T05:40:00.000Z",
  told: [
    told("receiver.foreAft", "1,472 m", 1.472),
    told("receiver.lateral", "0.6 left", -0.006),
    told("receiver.height", "2.88", 2.88, "book", 0.01),
    told("axle.pin", "1.126", 1.126),
    told("pin.pivot", "5.318", 5.318),
    told("pin.workFront", "4.264", 4.264),
    told("pin.workRear", "4.552", 4.552),
    told("tool.lateral", "0", 0, "book"),
    told("tool.width", "4.50 m", 4.5, "tape", 0.01),
    told("rows.count", "36", 36),
    told("rows.spacing", "12.5", 0.125),
    told("work.overlap", "0", 0),
  ],
  sections: { widths: [1.5, 1.5, 1.5], by: "tape" },
};

/** Taken over from a list somebody copied off an old terminal: a zero, a swapped sign, sections that do not add up. */
const BORROWED: DemoRig = {
  name: "Borrowed drill, 6 m",
  tractor: {
    make: "Kestrow",
    model: "R164",
    fleetNumber: "T7",
    serial: "KR164-0391",
    busName: "A002840021800187",
    mount: "cab roof, middle",
    hole: "hole 1",
  },
  drill: {
    make: "Ambleth",
    model: "Strata 6",
    fleetNumber: "D5",
    serial: "AS6-1148",
    busName: "A00886002EC0047C",
  },
  scheme: "hitch-in",
  profile: "STRATA6",
  person: "Joren Talbeck",
  at: "2026-10-02T06:15:00.000Z",
  told: [
    told("receiver.foreAft", "1.905", 1.905),
    told("receiver.lateral", "1.2 right", 0.012),
    told("receiver.height", "3.06", 3.06, "tape", 0.01),
    told("axle.pin", "0.94", 0.94, "book", 0.01),
    told("pin.pivot", "6.12", 6.12, "book", 0.01),
    told("pin.workFront", "0.00", 0, "book", 0.01),
    told("pin.workRear", "-5.36", -5.36, "book", 0.01),
    told("tool.lateral", "1.8 left", -0.018),
    told("tool.width", "6.00", 6, "tape", 0.01),
    told("rows.count", "40", 40),
    told("rows.spacing", "15", 0.15),
    told("work.overlap", "0", 0),
  ],
  sections: { widths: [1, 1, 1, 1, 1, 0.7], by: "book" },
};

/** Fills an empty database with an invented contractor's two rigs. */
export function plantDemoYard(db: Database): void {
  db.transaction(() => {
    for (const each of [GRASS_AND_GRAIN, BORROWED]) plantRig(db, each);
  });
}

function plantRig(db: Database, demo: DemoRig): void {
  const { mount, hole, ...tractor } = demo.tractor;
  const tractorId = db
    .insert(machine)
    .values({ kind: "tractor", ...tractor })
    .returning()
    .get().id;
  const implementId = db
    .insert(machine)
    .values({ kind: "implement", ...demo.drill })
    .returning()
    .get().id;
  const [receiverPointId, parentPointId] = (
    [
      ["receiver mount", mount],
      ["drawbar hole", hole],
    ] as const
  ).map(
    ([kind, label]) => db.insert(point).values({ machineId: tractorId, kind, label }).returning().get().id,
  );
  const rigId = db
    .insert(rig)
    .values({ name: demo.name, tractorId, receiverPointId: receiverPointId! })
    .returning()
    .get().id;
  db.insert(coupling).values({ rigId, parentPointId: parentPointId!, implementId }).run();
  setTerminal(db, tractorId, { schemeId: demo.scheme, profileName: demo.profile });

  const planted = findRig(db, rigId)!;
  const at = new Date(demo.at);
  for (const { key, text, value, step, by } of demo.told)
    keepReading(db, planted, { key, rawText: text, value, step, instrument: by, person: demo.person, at });
  keepSections(db, planted, demo.sections.widths, { instrument: demo.sections.by, person: demo.person, at });
}
