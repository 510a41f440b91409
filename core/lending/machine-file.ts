/** A machine with what was read of it, as it goes from one yard to another: no number of either yard, SI, in the machine's own terms. */
import type { Attachment } from "../dimension/attachment.ts";
import type { ConditionKey } from "../dimension/condition.ts";
import type { POINT_KINDS } from "../dimension/point-kinds.ts";
import type { Instrument } from "../rig/grade.ts";
import type { ServiceKind, ServiceRound } from "../season/service.ts";
import type { Equipment } from "./equipment.ts";

export type PointKind = (typeof POINT_KINDS)[number];

/** What of the machine a fact is about: all of it, or one of its points or parts by their place in the file. */
export type On = { of: "machine" } | { of: "point" | "part"; at: number };

/** What each kind of fact says of its own. */
export type Said =
  | {
      kind: "reading";
      value: number;
      step: number;
      text: string;
      instrument: Instrument;
      sitting: string;
      reason: string;
      conditions: ConditionKey[];
      note: string;
    }
  /** widths and places in metres, left to right */
  | {
      kind: "sections";
      instrument: Instrument;
      sections: { width: number; ahead: number; product: string }[];
    }
  | { kind: "change"; note: string }
  /** a part was changed for another: what was read of it before is of what was taken off */
  | { kind: "renewed" }
  /** what the implement told of itself */
  | { kind: "told"; value: number; text: string }
  /** seconds by the hour meter */
  | { kind: "meter"; reading: number }
  /** `at`: which line of the service list, or which part that wears, by its place in the file */
  | { kind: "serviced"; at: number; meter: number | null; note: string }
  | { kind: "worn"; at: number; size: number; replaced: boolean };

export type FileFact = Said & {
  id: string;
  on: On;
  /** which way of working, by its place in the file; null: whole */
  variant: number | null;
  topic: string;
  /** ISO 8601, UTC */
  happened: string;
  person: string;
  /** who took it back, and when; null: it stands */
  back: { person: string; happened: string } | null;
};

export type ServiceLine = {
  name: string;
  kind: ServiceKind;
  round: ServiceRound;
  points: number | null;
  /** s, m², days */
  everyTime: number | null;
  everyArea: number | null;
  everyDays: number | null;
  everySeason: boolean;
  note: string;
};

export type WearLine = {
  name: string;
  count: number;
  fresh: number;
  limit: number;
  delivery: number;
};

export type Way = "out" | "in" | "back";

export type MachineFile = {
  /** who sends it: what their yard is called, and who wrote the file */
  yard: string;
  person: string;
  written: string;
  /** every loan this machine was on, by which it is known again; how it goes now */
  loans: string[];
  way: "out" | "back";
  machine: {
    kind: "tractor" | "self-propelled" | "implement";
    attachment: Attachment;
    make: string;
    model: string;
    fleetNumber: string;
    serial: string;
    busName: string;
  };
  points: { kind: PointKind; label: string }[];
  variants: string[];
  parts: { kind: string; label: string; x: number | null; y: number | null; place: number | null }[];
  service: ServiceLine[];
  wear: WearLine[];
  equipment: Equipment;
  facts: FileFact[];
  /** what of it stays where it is, in words */
  leftOut: string[];
};
