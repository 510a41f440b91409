import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import type { FieldBounded } from "../../data/places.ts";
import type { Told } from "../../data/record.ts";

/** What is written on the page of a field is told of it. */
export type AtField = { db: Database; field: FieldBounded; told: Told; units: Units };
