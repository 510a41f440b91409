import type { LengthStyle } from "./length.ts";

/** The operator's choice of units; each dimension says how it is shown in either. */
export const UNIT_SYSTEMS = ["metric", "us"] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

/** What a tape, a row-spacing rule or a width sheet is read in, by system. */
export type ShownIn = Record<UnitSystem, LengthStyle>;

export const IN_TAPE_UNITS: ShownIn = { metric: "m", us: "ft-in" };
export const IN_SMALL_UNITS: ShownIn = { metric: "cm", us: "in" };
