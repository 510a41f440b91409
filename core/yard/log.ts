/** The log of work: what was driven, and what it was driven with. */
import type { OperationKey } from "../trade/operations.ts";

/** What held when a job was begun. Figures are SI. */
export type Frozen = {
  /** number of the card in the cab; null where none was issued */
  card: number | null;
  /** as what each tool worked, in the order they are coupled; empty: whole */
  variants: string[];
  /** every reading that counted, by part of the rig and dimension */
  readings: { part: number; key: string; value: number | null; choice: string | null; grade: string }[];
  /** constants as they were calibrated last */
  calibrations: { part: number; kind: string; found: number | null; at: string }[];
};

export type Load = {
  id: string;
  name: string;
  number: string;
  destination: string;
  /** kg; null where it was not weighed */
  mass: number | null;
  /** share of water */
  moisture: number | null;
  person: string;
  at: string;
};

export type LogEntry = {
  /** of the beginning */
  id: string;
  seq: number;
  rigId: number;
  person: string;
  /** ISO 8601, UTC */
  begun: string;
  field: { id: number; name: string; farm: string; client: string };
  /** m² within its boundary; null where nobody told where it ends */
  fieldArea: number | null;
  rig: string;
  operations: readonly OperationKey[];
  crop: string | null;
  varieties: readonly { name: string; rows: string }[];
  season: string;
  line: { id: string; name: string } | null;
  products: readonly {
    id: number;
    name: string;
    form: string;
    rate: number | null;
    counted: boolean;
    used: number | null;
  }[];
  frozen: Frozen;
  ended: {
    id: string;
    person: string;
    at: string;
    /** m²; null where nobody told */
    area: number | null;
    parts: readonly { parts: number; of: number; area: number }[];
    /** seconds */
    time: number | null;
    /** m³ */
    fuel: number | null;
    note: string;
  } | null;
  loads: readonly Load[];
  notes: readonly { id: string; text: string; photo: string | null; person: string; at: string }[];
};
