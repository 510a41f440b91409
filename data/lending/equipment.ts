/** A machine's hydraulics, weights, tyres and adjusters as they go to another yard, and as they are taken over there. */
import {
  type Equipment,
  type EquippedAdjuster,
  type EquippedAxle,
  holdEquipment,
} from "../../core/lending/equipment.ts";
import type { Adjuster } from "../../core/yard/ground.ts";
import { adjustersOf, equipAdjusters } from "../ground.ts";
import type { Database } from "../handle.ts";
import { addFunction, addRemote, functionsOf, hydraulicsOf, remotesOf, setHydraulics } from "../hoses.ts";
import type { Told } from "../record.ts";
import {
  addTyre,
  addWeight,
  axleTyresOf,
  isSameTable,
  setAxleTyre,
  tyreCalled,
  weightsOf,
} from "../settings.ts";

/** What is told of a machine besides what was read of it. */
export function equipmentOf(db: Database, machineId: number): Equipment {
  const own = [machineId];
  return {
    hydraulics: hydraulicsOf(db, own).get(machineId) ?? null,
    remotes: (remotesOf(db, own).get(machineId) ?? []).map(({ id: _, ...each }) => each),
    functions: (functionsOf(db, own).get(machineId) ?? []).map(({ id: _, ...each }) => each),
    weights: weightsOf(db, machineId).map(({ label, mass, place, count }) => ({ label, mass, place, count })),
    tyres: axleTyresOf(db, own).map(({ axle, count, tyre: { label, source, cells } }) => ({
      axle,
      count,
      label,
      source,
      cells: cells.map(({ speed, pressure, load }) => ({ speed, pressure, load })),
    })),
    adjusters: equippedOf(adjustersOf(db, own).get(machineId) ?? []),
  };
}

/** Adjusters by their places instead of their numbers. */
function equippedOf(adjusters: readonly Adjuster[]): EquippedAdjuster[] {
  const places = new Map(adjusters.map(({ id }, at) => [id, at]));
  return adjusters.map(({ id: _, label: __, x: ___, y: ____, setting: _____, pair, master, ...told }) => ({
    ...told,
    pair: pair && { at: places.get(pair.id)!, difference: pair.difference },
    master: master === null ? null : places.get(master)!,
  }));
}

/** Takes over each kind of it that nothing is told of here; what is told here stays. `adjusters`: the numbers they have here. */
export function takeEquipment(
  db: Database,
  { machineId, adjusters }: { machineId: number; adjusters: readonly (number | null)[] },
  { equipment, yard }: { equipment: Equipment; yard: string },
  by: Told,
): void {
  const taken = new Set(holdEquipment(equipmentOf(db, machineId), equipment).taken);
  if (taken.has("hydraulics"))
    setHydraulics(
      db,
      machineId,
      { ...equipment.hydraulics!, sockets: [...equipment.hydraulics!.sockets] },
      by,
    );
  if (taken.has("remotes")) for (const each of equipment.remotes) addRemote(db, machineId, each, by);
  if (taken.has("functions")) for (const each of equipment.functions) addFunction(db, machineId, each, by);
  if (taken.has("weights")) for (const each of equipment.weights) addWeight(db, { machineId, ...each }, by);
  if (taken.has("tyres"))
    for (const each of equipment.tyres)
      setAxleTyre(
        db,
        { machineId, axle: each.axle },
        { tyreId: tableHere(db, each, yard, by), count: each.count },
        by,
      );
  if (taken.has("adjusters")) equipAdjusters(db, machineId, equippedHere(equipment.adjusters, adjusters), by);
}

/** Adjusters of a file by their numbers here. */
function equippedHere(
  told: readonly EquippedAdjuster[],
  numbers: readonly (number | null)[],
): Omit<Adjuster, "label" | "x" | "y" | "setting">[] {
  return told.map(({ pair, master, ...rest }, at) => ({
    ...rest,
    id: numbers[at]!,
    pair: pair && { id: numbers[pair.at]!, difference: pair.difference },
    master: master === null ? null : numbers[master]!,
  }));
}

/** The table here that says the same under its name, or a new one; where another has the name, under the name of the yard it came from. */
function tableHere(db: Database, { label, source, cells }: EquippedAxle, yard: string, by: Told): number {
  for (let time = 0; ; time += 1) {
    const name = time === 0 ? label : `${label}, ${yard}${time === 1 ? "" : ` ${time}`}`;
    const table = { label: name, source, cells: cells.map((cell) => ({ ...cell })) };
    const known = tyreCalled(db, name);
    if (!known) return addTyre(db, table, by);
    if (isSameTable(known, table)) return known.id;
  }
}
