/** What of a machine stands in no reading: what its hoses are plugged into, its weights, its tyres, what its adjusters do. It goes along where it is lent. */
import type { HoseFunction, Remote, Supply } from "../yard/circuit.ts";
import type { Adjuster } from "../yard/ground.ts";

export type EquippedAxle = {
  axle: "front" | "rear" | "tool";
  /** tyres on it */
  count: number;
  /** the maker's table the tyre goes by, m/s, Pa, kg on one tyre */
  label: string;
  source: string;
  cells: readonly { speed: number; pressure: number; load: number }[];
};

/** An adjuster, besides its name and where it sits, which stand with the parts, and where it stands, which is a reading on it; in the order of the adjusters among the parts. */
export type EquippedAdjuster = Omit<Adjuster, "id" | "label" | "x" | "y" | "setting" | "pair" | "master"> & {
  /** the one it is kept equal with, and the one it follows, by their place among these */
  pair: { at: number; difference: number } | null;
  master: number | null;
};

export type Equipment = {
  /** null where nobody told */
  hydraulics: Omit<Supply, "remotes"> | null;
  remotes: readonly Omit<Remote, "id">[];
  functions: readonly Omit<HoseFunction, "id">[];
  /** kg of one, metres forward of the rear axle */
  weights: readonly { label: string; mass: number; place: number; count: number }[];
  tyres: readonly EquippedAxle[];
  adjusters: readonly EquippedAdjuster[];
};

export const NO_EQUIPMENT: Equipment = {
  hydraulics: null,
  remotes: [],
  functions: [],
  weights: [],
  tyres: [],
  adjusters: [],
};

/** Kinds of it, each of which is taken over as a whole or stays as it is. */
export const EQUIPMENT = {
  hydraulics: "hydraulics",
  remotes: "remotes",
  functions: "hose functions",
  weights: "weights",
  tyres: "tyres",
  adjusters: "adjusters",
} as const satisfies Record<keyof Equipment, string>;

type EquipmentKey = keyof typeof EQUIPMENT;
const EQUIPMENT_KEYS = Object.keys(EQUIPMENT) as EquipmentKey[];

const isTold = (told: Equipment[EquipmentKey]): boolean =>
  Array.isArray(told) ? told.length > 0 : told !== null;

/** The same said in any order is the same. */
function words(told: unknown): string {
  if (Array.isArray(told)) return `[${told.map(words).sort().join()}]`;
  if (typeof told !== "object" || told === null) return JSON.stringify(told);
  const entries = Object.entries(told).sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${entries.map(([key, value]) => `${key}:${words(value)}`).join()}}`;
}

/** What of a file is taken over, as nothing is told of it here; and what stays as it is here, though the file has it otherwise. */
export function holdEquipment(
  here: Equipment,
  file: Equipment,
): { taken: EquipmentKey[]; differing: EquipmentKey[] } {
  const told = EQUIPMENT_KEYS.filter((key) => isTold(file[key]));
  return {
    taken: told.filter((key) => !isTold(here[key])),
    differing: told.filter((key) => isTold(here[key]) && words(here[key]) !== words(file[key])),
  };
}
