/** What one sees, what may cause it in the order to suspect, the test that tells, and the cure: each leads to where Ambrek tests it. */
import type { DimensionKey } from "../dimension/catalogue.ts";
import type { ToolKindKey } from "../trade/kinds.ts";
import type { PictureKey } from "./pictures.ts";

/** Where a cause is tested: a reading, a step of a guided strip, a field test, a calibration, a list that is run, or a station. */
export type Tested =
  | { by: "reading"; key: DimensionKey }
  | { by: "step"; guide: string; step: string }
  | { by: "job"; job: string }
  | { by: "calibration"; kind: string }
  | { by: "sequence"; kind: "start" | "unfold" | "fold" }
  | { by: "station"; station: string };

export type Cause = {
  /** what is wrong, as people say it */
  what: string;
  /** what tells it from the others */
  test: string;
  /** what cures it */
  cure: string;
  tested: Tested;
};

export type Symptom = {
  key: string;
  /** what one sees, in a few words */
  seen: string;
  /** other words people find it by */
  words: string;
  /** tools it is seen on; null: any */
  tools: readonly ToolKindKey[] | null;
  picture: PictureKey;
  /** the likeliest first */
  causes: readonly Cause[];
};

/** What is tested where. */
export const reading = (key: DimensionKey): Tested => ({ by: "reading", key });
/** A step of a guided strip. */
export const step = (guide: string, key: string): Tested => ({ by: "step", guide, step: key });
/** A field test. */
export const job = (key: string): Tested => ({ by: "job", job: key });
/** A calibration or a test on the bench or in the field. */
export const calibration = (kind: string): Tested => ({ by: "calibration", kind });
/** A whole station. */
export const station = (key: string): Tested => ({ by: "station", station: key });

/** Splits what was typed into words as they are compared. */
const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter(Boolean);

/** Symptoms in which every word that was typed begins a word of theirs; all of them where nothing was typed. */
export function foundBy(text: string, symptoms: readonly Symptom[]): Symptom[] {
  const asked = wordsOf(text);
  return symptoms.filter(({ seen, words, causes }) => {
    const own = wordsOf([seen, words, ...causes.map(({ what }) => what)].join(" "));
    return asked.every((each) => own.some((word) => word.startsWith(each)));
  });
}

/** Symptoms a tool can show; of one nobody named, those of any tool. */
export function shownBy(tools: readonly (ToolKindKey | null)[], symptoms: readonly Symptom[]): Symptom[] {
  return symptoms.filter(
    (each) => each.tools === null || tools.some((tool) => tool !== null && each.tools!.includes(tool)),
  );
}
