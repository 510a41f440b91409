/** What is taken over of a machine that comes from another yard. */
import { asc, eq, sql } from "drizzle-orm";
import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import { CHANGES } from "../../core/dimension/change.ts";
import type { FileFact, MachineFile } from "../../core/lending/machine-file.ts";
import { isSamePart } from "../../core/lending/parts.ts";
import { componentKinds } from "../../core/subjects/components.ts";
import { ADJUSTER_KIND } from "../../core/yard/ground.ts";
import { PART_CHANGED } from "../components.ts";
import { writeReading, writeSections } from "../entries.ts";
import type { Database } from "../handle.ts";
import { takeOverAs } from "../imports.ts";
import { CHANGE, TOLD } from "../live.ts";
import { factOf, isOfKind, type NewFact, record, settingChanged, type Told, takeBack } from "../record.ts";
import type { Machine } from "../rigs.ts";
import {
  change,
  component,
  fact,
  implementTold,
  machine,
  meterReading,
  point,
  serviceDone,
  serviceItem,
  variant,
  wearMeasured,
  wearPart,
} from "../schema/index.ts";
import { METER, SERVICE_DONE, WEAR } from "../service.ts";
import { takeEquipment } from "./equipment.ts";
import { keepLending, LENDING, lendingsOf, loanBegan } from "./loans.ts";

/** The machine of this yard a file is of, and how it was known again; null where it is not here. */
export function knownMachine(
  db: Database,
  { loans, machine: { kind, busName, serial } }: MachineFile,
): { machine: Machine; because: string } | null {
  const lent = db
    .select({ machine })
    .from(fact)
    .innerJoin(machine, eq(machine.id, fact.machineId))
    .where(
      sql`${isOfKind(LENDING)} and ${fact.topic} in (select value from json_each(${JSON.stringify(loans)}))`,
    )
    .orderBy(asc(fact.seq))
    .get();
  if (lent && lent.machine.kind === kind)
    return { machine: lent.machine, because: "it was lent between these yards" };
  const own = db
    .select()
    .from(machine)
    .where(sql`${machine.kind} = ${kind} and ${machine.practice} = 0 and ${machine.archivedAt} is null`)
    .orderBy(asc(machine.id))
    .all();
  const byName = busName !== "" && own.find((each) => each.busName === busName);
  if (byName) return { machine: byName, because: "the same bus NAME" };
  const bySerial = serial !== "" && own.find((each) => each.serial === serial);
  return bySerial ? { machine: bySerial, because: "the same serial number" } : null;
}

/** Why a file is not taken over here: it went out from here, or back from here; null where it may be. */
export function wrongWay(db: Database, { loans, way, yard }: MachineFile): string | null {
  const began = loans.flatMap((loan) => loanBegan(db, loan) ?? []).at(-1);
  if (way === "out" && began === "out")
    return "This file went out from here: the yard it is lent to brings it in, and sends one of its own back.";
  return way === "back" && began === "in"
    ? `This file goes back to whom the machine belongs to, not to ${yard}.`
    : null;
}

/** What was signed in another yard says so: "Karl Ost, Lindhof". */
const signed = (person: string, yard: string) =>
  person.endsWith(`, ${yard}`) ? person : `${person}, ${yard}`;

/**
 * Takes a machine that came over, as one import, onto the machine it is here or a new one; returns its number. Facts that are here already
 * stay as they are.
 */
export function takeMachine(
  db: Database,
  uploadId: string,
  file: MachineFile,
  { onto, here }: { onto: Machine | null; here: string },
  by: Told,
): number {
  return db.transaction(() => {
    const machineId = onto?.id ?? newMachine(db, file, by);
    const places = placesHere(db, machineId, file, by);
    takeEquipment(db, { machineId, adjusters: adjustersHere(places, file) }, file, by);
    takeOverAs(db, uploadId, by, (partOf) => {
      for (const each of file.facts.filter((fact) => isKnown(fact, file)))
        takeFact(db, each, { places, partOf, yard: file.yard }, by);
      const way = file.way === "out" ? "in" : "back";
      const last = lendingsOf(db, [machineId]).get(machineId);
      const loan = file.loans.find((each) => each === last?.loan) ?? file.loans.at(-1)!;
      if (last?.way !== way || last.loan !== loan)
        keepLending(db, machineId, { way, there: file.yard, here, loan, partOf }, by);
    });
    return machineId;
  });
}

function newMachine(db: Database, { machine: { kind, ...details } }: MachineFile, by: Told): number {
  const { id } = db
    .insert(machine)
    .values({ kind, ...details })
    .returning({ id: machine.id })
    .get();
  settingChanged(db, "machine added", { machineId: id }, by);
  return id;
}

/** Numbers of this yard, by the places in a file. */
type Here = Record<"points" | "variants" | "parts" | "service" | "wear", (number | null)[]> & {
  machineId: number;
};

/** Finds what the machine has of what the file names, and adds what it lacks. */
function placesHere(db: Database, machineId: number, file: MachineFile, by: Told): Here {
  const own = { machineId };
  let added = 0;
  /** Each of `wanted` by its number here: the first alike that none before it took, or a new one. */
  const each = <W, R extends { id: number }>(
    wanted: readonly W[],
    rows: R[],
    alike: (wanted: W, row: R) => boolean,
    add: (wanted: W) => number | null,
  ) => {
    const left = [...rows];
    return wanted.map((one) => {
      const at = left.findIndex((row) => alike(one, row));
      if (at >= 0) return left.splice(at, 1)[0]!.id;
      added += 1;
      return add(one);
    });
  };
  const kinds = new Set(componentKinds().map(({ key }) => key));
  const parts = db.select().from(component).where(eq(component.machineId, machineId)).all();
  const adjusted = parts.some(({ kind, archivedAt }) => kind === ADJUSTER_KIND && archivedAt === null);
  const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();
  const places = {
    machineId,
    points: each(
      file.points,
      db.select().from(point).where(eq(point.machineId, machineId)).all(),
      (a, b) => a.kind === b.kind && same(a.label, b.label),
      (one) =>
        db
          .insert(point)
          .values({ ...own, ...one })
          .returning()
          .get().id,
    ),
    variants: each(
      file.variants,
      db.select().from(variant).where(eq(variant.machineId, machineId)).all(),
      (a, b) => same(a, b.name),
      (name) =>
        db
          .insert(variant)
          .values({ ...own, name })
          .returning()
          .get().id,
    ),
    parts: each(
      file.parts,
      parts.filter(({ kind, archivedAt }) => kind !== ADJUSTER_KIND || archivedAt === null),
      isSamePart,
      // Of a kind this build does not know nothing is kept, nor one more adjuster where others are told of.
      (one) =>
        kinds.has(one.kind) && (one.kind !== ADJUSTER_KIND || !adjusted)
          ? db
              .insert(component)
              .values({ ...own, ...one })
              .returning()
              .get().id
          : null,
    ),
    service: each(
      file.service,
      db.select().from(serviceItem).where(eq(serviceItem.machineId, machineId)).all(),
      (a, b) => same(a.name, b.name) && a.kind === b.kind,
      (one) =>
        db
          .insert(serviceItem)
          .values({ ...own, ...one })
          .returning()
          .get().id,
    ),
    wear: each(
      file.wear,
      db.select().from(wearPart).where(eq(wearPart.machineId, machineId)).all(),
      (a, b) => same(a.name, b.name),
      (one) =>
        db
          .insert(wearPart)
          .values({ ...own, ...one })
          .returning()
          .get().id,
    ),
  };
  if (added > 0) settingChanged(db, "parts of a machine that came", { machineId }, by);
  return places;
}

/** Numbers of this yard of the adjusters of a file, in their order; null of one that is not kept here. */
const adjustersHere = ({ parts }: Here, file: MachineFile): (number | null)[] =>
  file.parts.flatMap(({ kind }, at) => (kind === ADJUSTER_KIND ? [parts[at]!] : []));

/** False of what is of a dimension, a figure or a change this build has never heard of, or of a figure of a part that can be none: nothing could be made of it here. */
export function isKnown(fact: FileFact, { parts }: MachineFile): boolean {
  const { kind, topic, on } = fact;
  if (kind === "change") return Object.hasOwn(CHANGES, topic);
  if (kind !== "reading" && kind !== "told") return true;
  if (on.of !== "part") return isDimensionKey(topic);
  const figures = componentKinds().find(({ key }) => key === parts[on.at]!.kind)?.figures ?? [];
  return figures.some(
    ({ key, range: [low, high] }) =>
      key === topic && (kind !== "reading" || (fact.value >= low && fact.value <= high)),
  );
}

type Into = { places: Here; partOf: number; yard: string };

function takeFact(db: Database, given: FileFact, { places, partOf, yard }: Into, by: Told): void {
  const { now = by.at } = by;
  // A clock that is ahead would make a reading count for ever.
  const when = (at: string) => new Date(Math.min(Date.parse(at), now.getTime()));
  const told: Told = { ...by, person: signed(given.person, yard), at: when(given.happened), now };
  const of = aboutOf(given, places);
  if (!of) return;
  if (!factOf(db, given.id))
    writeFact(db, given, { ...of, id: given.id, topic: given.topic, partOf }, told, places);
  if (given.back)
    takeBack(db, given.id, {
      ...told,
      person: signed(given.back.person, yard),
      at: when(given.back.happened),
    });
}

/** What a fact of a file is about here; null where that is not kept here. */
function aboutOf({ on, variant: at }: FileFact, places: Here): Pick<NewFact, "about" | "variantId"> | null {
  const variantId = at === null ? null : places.variants[at]!;
  if (on.of === "machine") return { about: { machineId: places.machineId }, variantId };
  if (on.of === "point") return { about: { pointId: places.points[on.at]! }, variantId };
  const componentId = places.parts[on.at];
  return componentId === null || componentId === undefined ? null : { about: { componentId }, variantId };
}

type Given = Omit<NewFact, "kind"> & { id: string };

function writeFact(db: Database, given: FileFact, of: Given, told: Told, { service, wear }: Here): void {
  switch (given.kind) {
    case "reading": {
      const { value, step, text: rawText, instrument, sitting, reason, conditions, note } = given;
      writeReading(db, of, told, { value, step, rawText, instrument, sitting, reason, conditions, note });
      return;
    }
    case "sections":
      writeSections(db, of, told, {
        instrument: given.instrument,
        widths: given.sections.map(({ width }) => width),
        parts: given.sections.map(({ ahead, product }) => ({ ahead, product })),
      });
      return;
    case "change":
      record(db, { kind: CHANGE, ...of }, told, (seq) => {
        db.insert(change).values({ seq, note: given.note }).run();
      });
      return;
    case "renewed":
      record(db, { kind: PART_CHANGED, ...of }, told);
      return;
    case "told":
      record(db, { kind: TOLD, ...of }, told, (seq) => {
        db.insert(implementTold).values({ seq, value: given.value, rawText: given.text }).run();
      });
      return;
    case "meter":
      record(db, { kind: METER, ...of }, told, (seq) => {
        db.insert(meterReading).values({ seq, reading: given.reading }).run();
      });
      return;
    case "serviced": {
      const itemId = service[given.at]!;
      record(db, { kind: SERVICE_DONE, ...of, topic: String(itemId) }, told, (seq) => {
        db.insert(serviceDone).values({ seq, itemId, meter: given.meter, note: given.note }).run();
      });
      return;
    }
    case "worn": {
      const partId = wear[given.at]!;
      record(db, { kind: WEAR, ...of, topic: String(partId) }, told, (seq) => {
        db.insert(wearMeasured).values({ seq, partId, size: given.size, replaced: given.replaced }).run();
      });
    }
  }
}
