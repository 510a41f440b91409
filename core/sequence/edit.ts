/** A list as somebody edited it: steps taken from what there is, in another order or worded otherwise, and steps of their own. */
import type { Step } from "./step.ts";

export type EditedStep = {
  id: string;
  text: string;
  look: string;
  caution: string;
  /** ids of steps it waits for */
  after: readonly string[];
};

/** Ids of steps somebody wrote begin so. */
export const OWN = "own ";

/** The steps of an edited list. What a known step needs and sets stays as it is: only its words and its place are people's. */
export function stepsOf(edited: readonly EditedStep[], known: readonly Step[]): Step[] {
  return edited.flatMap(({ id, text, look, caution, after }): Step[] => {
    const words = { text, look, caution, after };
    const there = known.find((step) => step.id === id);
    if (there) return [{ ...there, ...words }];
    if (!id.startsWith(OWN)) return [];
    return [
      { id, actor: "outside", fns: [], way: null, needs: [], sets: {}, back: null, stays: true, ...words },
    ];
  });
}

/** What of a step people may change: its words and its order, never what it needs and sets. */
export const editedOf = ({ id, text, look, caution, after }: Step): EditedStep => ({
  id,
  text,
  look,
  caution,
  after,
});
