/** What is sent of a machine that goes to another yard. */
import { asc, eq, inArray, sql } from "drizzle-orm";
import type { FileFact, MachineFile, On, Said } from "../../core/lending/machine-file.ts";
import { PART_CHANGED } from "../components.ts";
import { READING, SECTIONS } from "../entries.ts";
import type { Database } from "../handle.ts";
import { CHANGE, TOLD } from "../live.ts";
import { aboutsOf, backing, TAKES_BACK, written } from "../record.ts";
import type { Machine } from "../rigs.ts";
import {
  change,
  component,
  fact,
  implementTold,
  meterReading,
  point,
  reading,
  section,
  sectionLayout,
  serviceDone,
  serviceItem,
  variant,
  wearMeasured,
  wearPart,
} from "../schema/index.ts";
import { METER, SERVICE_DONE, WEAR } from "../service.ts";
import { equipmentOf } from "./equipment.ts";
import { LENDING, loansOf } from "./loans.ts";

/** Kinds of facts that go with a machine, by their names in the record. */
const GOES: Readonly<Record<string, Said["kind"]>> = {
  [READING]: "reading",
  [SECTIONS]: "sections",
  [CHANGE]: "change",
  [PART_CHANGED]: "renewed",
  [TOLD]: "told",
  [METER]: "meter",
  [SERVICE_DONE]: "serviced",
  [WEAR]: "worn",
};

type Sender = { yard: string; person: string; way: "out" | "back"; now: Date };

/** A machine as it goes to another yard, and what of it stays. */
export function machineFileOf(db: Database, { id, ...own }: Machine, sender: Sender): MachineFile {
  const points = db.select().from(point).where(eq(point.machineId, id)).orderBy(asc(point.id)).all();
  const variants = db.select().from(variant).where(eq(variant.machineId, id)).orderBy(asc(variant.id)).all();
  const parts = db
    .select()
    .from(component)
    .where(sql`${component.machineId} = ${id} and ${component.archivedAt} is null`)
    // As the adjusters of its equipment are.
    .orderBy(asc(component.place), asc(component.id))
    .all();
  const service = db
    .select()
    .from(serviceItem)
    .where(sql`${serviceItem.machineId} = ${id} and ${serviceItem.archivedAt} is null`)
    .orderBy(asc(serviceItem.id))
    .all();
  const wear = db
    .select()
    .from(wearPart)
    .where(sql`${wearPart.machineId} = ${id} and ${wearPart.archivedAt} is null`)
    .orderBy(asc(wearPart.id))
    .all();
  const places = {
    machineId: id,
    points: placesOf(points),
    variants: placesOf(variants),
    parts: placesOf(parts),
    service: placesOf(service),
    wear: placesOf(wear),
  };
  const { facts, photos, others } = factsOf(db, places);
  const { kind, attachment, make, model, fleetNumber, serial, busName } = own;
  return {
    yard: sender.yard,
    person: sender.person,
    written: sender.now.toISOString(),
    loans: loansOf(db, id),
    way: sender.way,
    machine: { kind, attachment, make, model, fleetNumber, serial, busName },
    points: points.map(({ kind, label }) => ({ kind, label })),
    variants: variants.map(({ name }) => name),
    parts: parts.map(({ kind, label, x, y, place }) => ({ kind, label, x, y, place })),
    service: service.map(({ id: _, machineId: __, archivedAt: ___, ...line }) => line),
    wear: wear.map(({ name, count, fresh, limit, delivery }) => ({ name, count, fresh, limit, delivery })),
    equipment: equipmentOf(db, id),
    facts,
    leftOut: leftOutOf({ photos, others }),
  };
}

const placesOf = (rows: readonly { id: number }[]) => new Map(rows.map(({ id }, at) => [id, at]));

type Places = Record<"points" | "variants" | "parts" | "service" | "wear", Map<number, number>> & {
  machineId: number;
};

function leftOutOf({ photos, others }: { photos: number; others: number }): string[] {
  const some = (count: number, one: string, more: string) =>
    count === 0 ? [] : [`${count} ${count === 1 ? one : more}`];
  return [
    ...some(photos, "photo of a reading", "photos of readings"),
    ...some(
      others,
      "entry of another kind, such as a test, a calibration, a camera profile",
      "entries of other kinds, such as tests, calibrations, camera profiles",
    ),
    "what hangs on a rig it is in: couplings, jobs, cards, the log of the field",
    "what lies on the shelf for it",
  ];
}

/** What goes of a machine's record, oldest first, and how much does not. */
function factsOf(db: Database, places: Places): { facts: FileFact[]; photos: number; others: number } {
  const abouts = aboutsOf({
    machine: [places.machineId],
    point: places.points.keys(),
    component: places.parts.keys(),
  });
  const rows = db
    .select({
      fact,
      back: { person: backing.person, happened: backing.happened },
      reading,
      layout: sectionLayout,
      change,
      told: implementTold,
      meter: meterReading,
      done: serviceDone,
      worn: wearMeasured,
    })
    .from(fact)
    .leftJoin(backing, TAKES_BACK)
    .leftJoin(reading, eq(reading.seq, fact.seq))
    .leftJoin(sectionLayout, eq(sectionLayout.seq, fact.seq))
    .leftJoin(change, eq(change.seq, fact.seq))
    .leftJoin(implementTold, eq(implementTold.seq, fact.seq))
    .leftJoin(meterReading, eq(meterReading.seq, fact.seq))
    .leftJoin(serviceDone, eq(serviceDone.seq, fact.seq))
    .leftJoin(wearMeasured, eq(wearMeasured.seq, fact.seq))
    .where(
      sql`${fact.about} in (select value from json_each(${abouts})) and ${fact.kind} not in ('take-back', 'setting', ${written(LENDING)})`,
    )
    .orderBy(asc(fact.seq))
    .all();
  const sections = sectionsOf(
    db,
    rows.flatMap(({ layout }) => (layout ? [layout.seq] : [])),
  );
  let [photos, others] = [0, 0];
  const facts = rows.flatMap((row): FileFact[] => {
    const said = saidOf(row, places, sections);
    const of = row.fact;
    if (!said || (of.variantId !== null && !places.variants.has(of.variantId))) {
      others += 1;
      return [];
    }
    if (row.reading?.photoId) photos += 1;
    return [
      {
        ...said,
        id: of.id,
        on: onOf(of, places),
        variant: of.variantId === null ? null : places.variants.get(of.variantId)!,
        // What its topic numbers is numbered otherwise there.
        topic: said.kind === "serviced" || said.kind === "worn" ? "" : of.topic,
        happened: of.happened,
        person: of.person,
        back: row.back,
      },
    ];
  });
  return { facts, photos, others };
}

function onOf({ pointId, componentId }: typeof fact.$inferSelect, { points, parts }: Places): On {
  if (pointId !== null) return { of: "point", at: points.get(pointId)! };
  return componentId !== null ? { of: "part", at: parts.get(componentId)! } : { of: "machine" };
}

type Section = { width: number; ahead: number; product: string };

function sectionsOf(db: Database, layouts: readonly number[]): Map<number, Section[]> {
  const found = new Map<number, Section[]>();
  const rows = db
    .select()
    .from(section)
    .where(inArray(section.layout, [...layouts]))
    .orderBy(asc(section.number))
    .all();
  for (const { layout, width, ahead, product } of rows)
    found.set(layout, [...(found.get(layout) ?? []), { width, ahead, product }]);
  return found;
}

type Row = {
  fact: typeof fact.$inferSelect;
  reading: typeof reading.$inferSelect | null;
  layout: typeof sectionLayout.$inferSelect | null;
  change: typeof change.$inferSelect | null;
  told: typeof implementTold.$inferSelect | null;
  meter: typeof meterReading.$inferSelect | null;
  done: typeof serviceDone.$inferSelect | null;
  worn: typeof wearMeasured.$inferSelect | null;
};

/** What a fact says of its own; null of a kind that stays, or of something that does not go along. */
function saidOf(row: Row, { service, wear }: Places, sections: Map<number, Section[]>): Said | null {
  const kind = GOES[row.fact.kind];
  if (kind === "reading" && row.reading) {
    const { value, step, rawText: text, instrument, sitting, reason, conditions, note } = row.reading;
    return { kind, value, step, text, instrument, sitting, reason, conditions, note };
  }
  if (kind === "sections" && row.layout)
    return { kind, instrument: row.layout.instrument, sections: sections.get(row.layout.seq) ?? [] };
  if (kind === "change" && row.change) return { kind, note: row.change.note };
  if (kind === "renewed") return { kind };
  if (kind === "told" && row.told) return { kind, value: row.told.value, text: row.told.rawText };
  if (kind === "meter" && row.meter) return { kind, reading: row.meter.reading };
  if (kind === "serviced" && row.done && service.has(row.done.itemId))
    return { kind, at: service.get(row.done.itemId)!, meter: row.done.meter, note: row.done.note };
  if (kind === "worn" && row.worn && wear.has(row.worn.partId))
    return { kind, at: wear.get(row.worn.partId)!, size: row.worn.size, replaced: row.worn.replaced };
  return null;
}
