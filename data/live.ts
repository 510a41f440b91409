/** What counts now: readings, sections, changes and proofs that stand, for any number of machines at once. */
import { and, asc, eq, sql } from "drizzle-orm";
import type { DimensionKey } from "../core/dimension/catalogue.ts";
import type { ChangeKind } from "../core/dimension/change.ts";
import type { Mark } from "../core/rig/due.ts";
import type { Change, Proof, Reading, SectionLayout, SectionPart, ToldValue } from "../core/rig/facts.ts";
import { READING, SECTIONS } from "./entries.ts";
import type { Database } from "./handle.ts";
import { prepared } from "./prepared.ts";
import { push } from "./push.ts";
import {
  aboutsOf,
  inOrder,
  isNewest,
  isOfKind,
  newestFirst,
  newestIn,
  slotsOf,
  standing,
  standingOf,
} from "./record.ts";
import {
  change,
  fact,
  implementTold,
  proof,
  proofReading,
  proofTerm,
  reading,
  section,
  sectionLayout,
} from "./schema/index.ts";

export const CHANGE = "change";
export const PROOF = "proof";

/** What of a fact a reading is put together from: the columns that are worked out at each look cost more than all others. */
const OF = {
  id: fact.id,
  seq: fact.seq,
  topic: fact.topic,
  person: fact.person,
  happened: fact.happened,
  arrived: fact.arrived,
  machineId: fact.machineId,
  pointId: fact.pointId,
  couplingId: fact.couplingId,
  componentId: fact.componentId,
  variantId: fact.variantId,
};

export type ReadingRow = {
  fact: Pick<typeof fact.$inferSelect, keyof typeof OF>;
  reading: typeof reading.$inferSelect;
};

export function toReading({ fact: { id, seq, topic, person, happened }, reading: row }: ReadingRow): Reading {
  const { seq: _, reason: __, ...rest } = row;
  return { id, seq, key: topic as DimensionKey, person, measuredAt: happened, ...rest };
}

export type Subjects = { machines: number[]; points: number[]; couplings: number[] };

/**
 * The current sitting of each dimension of each subject, and the newest reading before it, oldest first. What is newest is told by the time
 * it happened and then by the order it came in: what waited on a device does not displace what was read after it. A yard keeps
 * every reading it ever had: those further back are history, and no page walks through them.
 */
export function currentReadings(db: Database, { machines, points, couplings }: Subjects): ReadingRow[] {
  return readingsAbout(db, aboutsOf({ machine: machines, point: points, coupling: couplings }));
}

/** The same of subjects as the record names them. */
export function readingsAbout(db: Database, abouts: string): ReadingRow[] {
  const query = prepared(db, "current readings", () => {
    const before = newestIn(
      READING,
      "sat",
      sql`and (select r.sitting from reading r where r.seq = f.seq) <> sat.sitting`,
    );
    const current = sql`
      with recursive ${slotsOf(READING)},
      newest(about, slot, seq) as (select about, slot, ${newestIn(READING, "slots")} from slots where slot is not null),
      sat(about, slot, sitting) as (select n.about, n.slot, r.sitting from newest n join reading r on r.seq = n.seq)
      select f.seq from sat cross join reading r on r.sitting = sat.sitting cross join fact f on f.seq = r.seq
        where f.about = sat.about and f.slot = sat.slot and ${standing("f")}
      union all
      select ${before} from sat`;
    return db
      .select({ fact: OF, reading })
      .from(fact)
      .innerJoin(reading, eq(reading.seq, fact.seq))
      .where(sql`${fact.seq} in (${current})`)
      .orderBy(...inOrder)
      .prepare();
  });
  return query.all({ abouts });
}

/** The newest reading in one slot of one subject that stands; null where there is none. */
export function newestReading(
  db: Database,
  { about, slot }: { about: string; slot: string },
): Reading | null {
  const query = prepared(db, "newest reading", () =>
    db
      .select({ fact: OF, reading })
      .from(fact)
      .innerJoin(reading, eq(reading.seq, fact.seq))
      .where(
        sql`${fact.about} = ${sql.placeholder("about")} and ${isOfKind(READING)} and ${fact.slot} = ${sql.placeholder("slot")} and ${standing()}`,
      )
      .orderBy(...newestFirst)
      .prepare(),
  );
  const row = query.get({ about, slot });
  return row ? toReading(row) : null;
}

/** An implement's sections are those of one variant, or of the whole tool. */
export const layoutKey = (machineId: number, variantId: number | null): string =>
  `${machineId}/${variantId ?? ""}`;

export type LiveLayout = SectionLayout & { machineId: number; variantId: number | null };

/** The newest layout of each implement and each of its variants, by `layoutKey`. */
export function currentSections(db: Database, machineIds: readonly number[]): Map<string, LiveLayout> {
  const query = prepared(db, "current sections", () =>
    db
      .select({ fact, layout: sectionLayout, section })
      .from(fact)
      .innerJoin(sectionLayout, eq(sectionLayout.seq, fact.seq))
      .innerJoin(section, eq(section.layout, sectionLayout.seq))
      .where(isNewest(SECTIONS))
      .orderBy(asc(section.layout), asc(section.number))
      .prepare(),
  );
  const layouts = new Map<string, LiveLayout & { widths: number[]; parts: SectionPart[] }>();
  for (const { fact: of, layout, section: each } of query.all({
    abouts: aboutsOf({ machine: machineIds }),
  })) {
    const { id, seq, person, happened: measuredAt, variantId } = of;
    const machineId = of.machineId!;
    const key = layoutKey(machineId, variantId);
    const known = layouts.get(key) ?? {
      id,
      seq,
      machineId,
      variantId,
      widths: [],
      parts: [],
      instrument: layout.instrument,
      person,
      measuredAt,
    };
    known.widths.push(each.width);
    known.parts.push({ ahead: each.ahead, product: each.product });
    layouts.set(key, known);
  }
  return layouts;
}

/** What an implement told a terminal about itself, its topic the dimension. */
export const TOLD = "told by implement";

export type ToldRow = ToldValue & { machineId: number; variantId: number | null; key: string };

/** The newest that implements tell of each dimension, of the whole tool and of each variant. */
export function toldBy(db: Database, machineIds: readonly number[]): ToldRow[] {
  const query = prepared(db, "told by implements", () =>
    db
      .select({ fact, told: implementTold })
      .from(fact)
      .innerJoin(implementTold, eq(implementTold.seq, fact.seq))
      .where(isNewest(TOLD))
      .prepare(),
  );
  return query
    .all({ abouts: aboutsOf({ machine: machineIds }) })
    .map(({ fact: { id, machineId, variantId, topic, person, happened }, told: { value, rawText } }) => ({
      id,
      machineId: machineId!,
      variantId,
      key: topic,
      value,
      rawText,
      person,
      at: happened,
    }));
}

/** What counters of some machines showed, each in the order of time: hour meters, or area counters. */
export function counterMarks(
  db: Database,
  machineIds: readonly number[],
  counter: "tractor.hours" | "tool.hectares",
): Map<number, Mark[]> {
  const query = prepared(db, `marks of ${counter}`, () =>
    db
      .select({ machineId: fact.machineId, at: fact.happened, value: reading.value })
      .from(fact)
      .innerJoin(reading, eq(reading.seq, fact.seq))
      .where(and(standingOf(READING), eq(fact.slot, `${counter}/`)))
      .orderBy(...inOrder)
      .prepare(),
  );
  const marks = new Map<number, Mark[]>();
  for (const { machineId, at, value } of query.all({ abouts: aboutsOf({ machine: machineIds }) }))
    push(marks, machineId!, { at, value });
  return marks;
}

/** Changes of each machine, in the order they were recorded. */
export function liveChanges(db: Database, machineIds: readonly number[]): Map<number, Change[]> {
  const query = prepared(db, "live changes", () =>
    db
      .select({ fact, note: change.note })
      .from(fact)
      .innerJoin(change, eq(change.seq, fact.seq))
      .where(standingOf(CHANGE))
      .orderBy(asc(fact.seq))
      .prepare(),
  );
  const byMachine = new Map<number, Change[]>();
  for (const { fact: of, note } of query.all({ abouts: aboutsOf({ machine: machineIds }) })) {
    const { id, seq, topic, happened: at, person, machineId } = of;
    push(byMachine, machineId!, { id, seq, kind: topic as ChangeKind, at, person, note });
  }
  return byMachine;
}

type LiveProof = Proof & { variantId: number | null };

/** Proofs about tools with their sums, the newest first, by the tool's coupling. */
export function liveProofs(db: Database, couplingIds: readonly number[]): Map<number, LiveProof[]> {
  const query = prepared(db, "live proofs", () =>
    db
      .select({ fact, proof: proofSaid, term: proofTerm, wrote: wroteId, rests: restIds })
      .from(fact)
      .innerJoin(proof, eq(proof.seq, fact.seq))
      .innerJoin(proofTerm, eq(proofTerm.proof, proof.seq))
      .where(standingOf(PROOF))
      .orderBy(...newestFirst)
      .prepare(),
  );
  const proofs = new Map<string, LiveProof & { couplingId: number; terms: Proof["terms"][number][] }>();
  for (const { fact: of, proof: row, term, wrote, rests } of query.all({
    abouts: aboutsOf({ coupling: couplingIds }),
  })) {
    const { id, seq, person, happened: at, couplingId, variantId } = of;
    const { what, how, result, sigma } = row;
    const known = proofs.get(id) ?? {
      ...{ id, seq, what, how, result, sigma, person, at, variantId },
      couplingId: couplingId!,
      readingId: wrote,
      rests: JSON.parse(rests) as string[],
      terms: [],
    };
    known.terms.push({ key: term.dimension, coefficient: term.coefficient });
    proofs.set(id, known);
  }
  const found = new Map<number, LiveProof[]>();
  for (const { couplingId, ...each } of proofs.values()) push(found, couplingId, each);
  return found;
}

/** What a proof says; not what it was fitted to, which no page reads. */
const proofSaid = { what: proof.what, how: proof.how, result: proof.result, sigma: proof.sigma };
const wroteId = sql<string | null>`(select f.id from fact f where f.seq = ${proof.wrote})`;
const restIds = sql<string>`(select json_group_array(f.id) from ${proofReading} p join fact f on f.seq = p.reading where p.proof = ${proof.seq})`;
