import type { Attachment } from "../dimension/attachment.ts";
import type { Dimension, DimensionKey } from "../dimension/catalogue.ts";
import type { ChangeKind } from "../dimension/change.ts";
import type { ConditionKey } from "../dimension/condition.ts";
import type { Term } from "./frame.ts";
import type { Instrument } from "./grade.ts";

/** One value somebody read: SI, in the dimension's own direction. */
export type Reading = {
  id: string;
  /** its place in the order everything came in */
  seq: number;
  key: DimensionKey;
  value: number;
  /** the smallest step the text resolved, SI */
  step: number;
  rawText: string;
  instrument: Instrument;
  person: string;
  /** ISO 8601, UTC */
  measuredAt: string;
  /** readings of one sitting are repeats; a new sitting replaces */
  sitting: string;
  conditions: readonly ConditionKey[];
  note: string;
  photoId: string | null;
};

/** What an implement told a terminal of itself, SI in the dimension's own direction. */
export type ToldValue = { id: string; value: number; rawText: string; person: string; at: string };

/** A length that cannot be zero, told as zero, is one that nobody entered on the implement. */
export function isLeftZero(
  { plausible: [low], untapedZero }: Pick<Dimension, "plausible" | "untapedZero">,
  value: number,
): boolean {
  return value === 0 && (low > 0 || untapedZero === "stop");
}

/** What a section has besides its width. */
export type SectionPart = {
  /** metres ahead of the middle of the work, − behind */
  ahead: number;
  /** what it puts out, where sections differ in that; empty: what the tool puts out */
  product: string;
};

export type SectionLayout = {
  id: string;
  seq: number;
  /** metres, left to right */
  widths: readonly number[];
  /** one a section; empty where all lie on one line and put out the same */
  parts: readonly SectionPart[];
  instrument: Instrument;
  person: string;
  measuredAt: string;
};

/** Something on a machine was changed: older readings it touches are stale. */
export type Change = {
  id: string;
  seq: number;
  kind: ChangeKind;
  at: string;
  person: string;
  note: string;
};

/** A field test and the sum it confirms: coefficient × dimension. A single term proves that dimension by itself. */
export type Proof = {
  id: string;
  seq: number;
  what: string;
  how: string;
  result: string;
  person: string;
  at: string;
  terms: readonly Term[];
  /** standard error of the sum as it was fitted, SI; null where nobody fitted it */
  sigma: number | null;
  /** the reading it wrote; null where it confirmed what stood */
  readingId: string | null;
  /** the readings it was fitted to, with the one it wrote: it holds while they are the ones that count */
  rests: readonly string[];
};

/** When something was, told apart from what was at the same time by the order it came in. */
export type Moment = { at: string; seq: number };

/** Whether one moment is newer: by when it happened, and of one time by its number on the record. */
export function isAfter(a: Moment, b: Moment): boolean {
  return a.at === b.at ? a.seq > b.seq : a.at > b.at;
}

/** What is known of a rig, seen from one of its tools: the machine that carries, and that tool. */
export type RigFacts = {
  attachment: Attachment;
  /** the variant the tool works as; null: whole */
  variant: { id: number; name: string } | null;
  /** the current sitting's readings of each dimension, oldest first; nothing where there is none */
  readings: Partial<Record<DimensionKey, readonly Reading[]>>;
  /** the newest reading of the sitting before the current one */
  previous: Partial<Record<DimensionKey, Reading>>;
  /** what the implement tells about itself: never a reading, but better than nothing */
  told: Partial<Record<DimensionKey, ToldValue>>;
  sections: SectionLayout | null;
  changes: readonly Change[];
  proofs: readonly Proof[];
};

/** Readings and nothing else: no variant, sections, changes or proofs. */
export function bareFacts(attachment: Attachment, readings: RigFacts["readings"]): RigFacts {
  return {
    attachment,
    variant: null,
    readings,
    previous: {},
    told: {},
    sections: null,
    changes: [],
    proofs: [],
  };
}

/** A file counts in millimetres: what differs by less than half of one is the same reading, SI. */
export function isSameReading(a: number, b: number): boolean {
  return Math.abs(a - b) < 0.0005;
}
