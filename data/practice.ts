/** Rigs of the simulated field: copies on machines of their own, so that nothing practised touches a real one. */

import { eq } from "drizzle-orm";
import { type DimensionKey, unchanging } from "../core/dimension/catalogue.ts";
import type { TrueDose } from "../core/simulation/dose.ts";
import type { Fault, TrueTool } from "../core/simulation/tool.ts";
import { isHeldBy } from "../core/subjects/walk.ts";
import { putOnBench } from "./bench.ts";
import { writeReading, writeSections } from "./entries.ts";
import { addAdjuster, adjustersOf, changeAdjuster, keepSetting } from "./ground.ts";
import type { Database } from "./handle.ts";
import { currentReadings, currentSections } from "./live.ts";
import { archiveMachine, pointsOf } from "./machines.ts";
import type { Told } from "./record.ts";
import { archiveRig, behindOf, createRig, type Machine, type RigTool, toolsOf } from "./rigs.ts";
import { machine, point, practice } from "./schema/index.ts";
import { nameProfile, profileOf, setTerminal, terminalOf } from "./schemes.ts";
import { addVariant, chooseVariant, variantsOf } from "./variants.ts";

export type Practice = typeof practice.$inferSelect;

/** What the simulated field knows; never sent to a page. */
export function practiceOf(db: Database, rigId: number): Practice | null {
  return db.select().from(practice).where(eq(practice.rigId, rigId)).get() ?? null;
}

export type Start = "as read" | "empty";

/**
 * Copies a rig with its machines, points, readings and terminal; returns the copy's id. `seeded` is what the field
 * shall know of it, by the coupling it was copied from.
 */
export function makePractice(
  db: Database,
  parts: readonly RigTool[],
  { name, start, ...by }: Told & { name: string; start: Start },
  seeded: {
    seed: number;
    truths: Practice["truths"];
    terminal: Practice["terminal"];
    /** what each tool does to its ground, by the coupling and the adjusters it was copied from */
    tools?: ReadonlyMap<number, TrueTool>;
    /** what each tool is on the bench, by the coupling it was copied from */
    doses?: ReadonlyMap<number, TrueDose>;
  },
): number {
  return db.transaction(() => {
    const machines = new Map<number, number>();
    const points = new Map<number, number>();
    for (const each of [parts[0]!.tractor, ...parts.map(({ implement }) => implement)])
      if (!machines.has(each.id)) machines.set(each.id, copyMachine(db, each, points));
    const { tractor, receiver } = parts[0]!;
    const rigId = createRig(
      db,
      {
        name,
        tractorId: machines.get(tractor.id)!,
        receiverPointId: points.get(receiver.id)!,
        couplings: parts.map((part) => ({
          pointId: points.get((part.rearHitch ?? part.hitch).id)!,
          implementId: machines.get(part.implement.id)!,
          behind: behindOf(part, parts),
        })),
      },
      by,
    );
    const variants = copyVariants(db, machines, by);
    const copies = toolsOf(db, rigId);
    for (const [index, { couplingId }] of copies.entries()) {
      const { variant } = parts[index]!;
      if (variant) chooseVariant(db, couplingId, variants.get(variant.id)!, by);
    }
    copyReadings(db, parts, copies, { machines, points, variants }, start);
    if (start === "as read") copySections(db, machines, variants);
    const terminal = terminalOf(db, tractor.id);
    if (terminal) setTerminal(db, machines.get(tractor.id)!, terminal, by);
    for (const [index, own] of toolsOf(db, rigId).entries())
      nameProfile(db, own, profileOf(db, parts[index]!), by);
    const adjusters = copyAdjusters(db, machines, by);
    const tools = copies.flatMap(({ couplingId }, index) => {
      const tool = seeded.tools?.get(parts[index]!.couplingId);
      return tool ? [[toolKey(couplingId), withAdjusters(tool, adjusters)] as const] : [];
    });
    const truths = Object.fromEntries(
      copies.flatMap(({ couplingId }, index) =>
        [null, ...variants.keys()].flatMap((variantId) => {
          const truth = seeded.truths[truthKey(parts[index]!.couplingId, variantId)];
          const key = truthKey(couplingId, variantId === null ? null : variants.get(variantId)!);
          return truth === undefined ? [] : [[key, truth] as const];
        }),
      ),
    );
    for (const [index, { couplingId }] of copies.entries()) {
      const dose = seeded.doses?.get(parts[index]!.couplingId);
      if (dose) putOnBench(db, couplingId, dose);
    }
    const { seed, terminal: fed } = seeded;
    db.insert(practice)
      .values({
        rigId,
        seed,
        terminal: fed,
        truths: { ...truths, ...Object.fromEntries(tools) },
        at: by.at.toISOString(),
      })
      .run();
    return rigId;
  });
}

/** What a tool really is differs by the variant it works as. */
export const truthKey = (couplingId: number, variantId: number | null): string =>
  `${couplingId}/${variantId ?? ""}`;

/** What a tool does to its ground, beside what it is. */
const toolKey = (couplingId: number): string => `ground ${couplingId}`;

/** What a tool of a practice rig really does to its ground; null where the field was never told. */
export function trueToolOf(
  db: Database,
  { id, couplingId }: Pick<RigTool, "id" | "couplingId">,
): TrueTool | null {
  return (practiceOf(db, id)?.truths[toolKey(couplingId)] as TrueTool | undefined) ?? null;
}

/** Mends a fault of a practice tool, as somebody would in the yard. */
export function mendTool(
  db: Database,
  { id, couplingId }: Pick<RigTool, "id" | "couplingId">,
  fault: Fault,
): void {
  const known = practiceOf(db, id)!;
  const tool = known.truths[toolKey(couplingId)] as TrueTool;
  const mended: TrueTool = { ...tool, faults: tool.faults.filter((each) => each !== fault) };
  db.update(practice)
    .set({ truths: { ...known.truths, [toolKey(couplingId)]: mended } })
    .where(eq(practice.rigId, id))
    .run();
}

function withAdjusters(tool: TrueTool, copies: ReadonlyMap<number, number>): TrueTool {
  const renamed = <T>(of: Readonly<Record<number, T>>) =>
    Object.fromEntries(
      Object.entries(of).flatMap(([id, each]) => {
        const copy = copies.get(Number(id));
        return copy === undefined ? [] : [[copy, each] as const];
      }),
    );
  return { ...tool, at: renamed(tool.at), effects: renamed(tool.effects) };
}

/** Adjusters with where they stand; returns each copy by what it was copied from. */
function copyAdjusters(db: Database, machines: ReadonlyMap<number, number>, by: Told): Map<number, number> {
  const copies = new Map<number, number>();
  const found = adjustersOf(db, [...machines.keys()]);
  for (const [machineId, all] of found)
    for (const [at, { id, setting, learntFrom: _, error: __, ...rest }] of all.entries()) {
      const alone = { ...rest, pair: null, master: null, place: at + 1 };
      const copy = addAdjuster(db, machines.get(machineId)!, alone, by);
      copies.set(id, copy);
      if (setting !== null) keepSetting(db, copy, setting, by);
    }
  // What they are kept equal with and follow are copies as well, and some of those come after them.
  for (const { id, pair, master, ...rest } of [...found.values()].flat())
    if (pair || master !== null) {
      const told = {
        ...rest,
        pair: pair && { ...pair, id: copies.get(pair.id)! },
        master: master === null ? null : copies.get(master)!,
      };
      changeAdjuster(db, { ...rest, id: copies.get(id)!, learntFrom: null }, told, by);
    }
  return copies;
}

function copyVariants(db: Database, machines: ReadonlyMap<number, number>, by: Told): Map<number, number> {
  const copies = new Map<number, number>();
  for (const [from, to] of machines)
    for (const { id, name } of variantsOf(db, from)) copies.set(id, addVariant(db, to, name, by));
  return copies;
}

function copyMachine(
  db: Database,
  { id: original, archivedAt: _, ...rest }: Machine,
  points: Map<number, number>,
): number {
  const { id } = db
    .insert(machine)
    .values({ ...rest, busName: "", practice: true })
    .returning()
    .get();
  for (const { id: from, kind, label } of pointsOf(db, original))
    points.set(from, db.insert(point).values({ machineId: id, kind, label }).returning().get().id);
  return id;
}

function copyReadings(
  db: Database,
  parts: readonly RigTool[],
  copies: readonly RigTool[],
  { machines, points, variants }: Record<"machines" | "points" | "variants", ReadonlyMap<number, number>>,
  start: Start,
): void {
  const couplings = new Map(parts.map(({ couplingId }, index) => [couplingId, copies[index]!.couplingId]));
  const rows = currentReadings(db, {
    machines: [...machines.keys()],
    points: [...points.keys()],
    couplings: [...couplings.keys()],
  });
  for (const { fact: of, reading: row } of rows) {
    const { topic, person, machineId, pointId, couplingId } = of;
    if (start === "empty" && isHeldBy("card", unchanging(topic as DimensionKey).station)) continue;
    const about = {
      machineId: machineId === null ? null : machines.get(machineId)!,
      pointId: pointId === null ? null : points.get(pointId)!,
      couplingId: couplingId === null ? null : couplings.get(couplingId)!,
    };
    const variantId = of.variantId === null ? null : (variants.get(of.variantId) ?? null);
    if (of.variantId !== null && variantId === null) continue;
    const told = { person, at: new Date(of.happened), now: new Date(of.arrived), device: null };
    writeReading(db, { about, variantId, topic }, told, row);
  }
}

function copySections(
  db: Database,
  machines: ReadonlyMap<number, number>,
  variants: ReadonlyMap<number, number>,
): void {
  for (const layout of currentSections(db, [...machines.keys()]).values()) {
    const { person, measuredAt, machineId, variantId } = layout;
    const variant = variantId === null ? null : variants.get(variantId);
    if (variant === undefined) continue;
    const of = { about: { machineId: machines.get(machineId)! }, variantId: variant };
    writeSections(db, of, { person, at: new Date(measuredAt), device: null }, layout);
  }
}

/** Counts a drive and returns its number: each has its own chance. */
export function nextDrive(db: Database, rigId: number): number {
  return db.transaction((tx) => {
    const { drives } = tx.select().from(practice).where(eq(practice.rigId, rigId)).get()!;
    tx.update(practice)
      .set({ drives: drives + 1 })
      .where(eq(practice.rigId, rigId))
      .run();
    return drives + 1;
  });
}

export function feedTerminal(db: Database, rigId: number, terminal: Practice["terminal"]): void {
  db.update(practice).set({ terminal }).where(eq(practice.rigId, rigId)).run();
}

/** Puts a practice rig away with its machines. */
export function endPractice(db: Database, parts: readonly RigTool[], by: Told): void {
  db.transaction(() => {
    archiveRig(db, parts[0]!.id, true, by);
    for (const { id } of [parts[0]!.tractor, ...parts.map(({ implement }) => implement)])
      archiveMachine(db, id, true, by);
  });
}
