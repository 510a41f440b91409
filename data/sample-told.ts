import type { Told } from "./record.ts";

/** Who says what a test writes, where it does not matter. */
export const BY: Told = { person: "Test", at: new Date("2026-03-01T08:00:00.000Z") };
