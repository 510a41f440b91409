/** The walk-round: every subject in working order, each list behind the last subject that holds it back. */
import type { Holds, Subject } from "../subject/subject.ts";
import { SUBJECTS } from "./index.ts";

/** A list that comes of the subjects before it. */
export type ListKey = Holds | "ladder";

export type Stop = { key: string; label: string; subject: Subject | null };

const LISTS: Record<ListKey, string> = { "hook-up": "Hook up", card: "Cab card", ladder: "Start" };

const HELD: readonly Holds[] = ["hook-up", "card"];

/** Every stop of the walk-round in order: subjects, and the lists that come of them; the ladder is the last of all. */
export function walkRound(subjects: readonly Subject[] = SUBJECTS): Stop[] {
  const list = (key: ListKey): Stop => ({ key, label: LISTS[key], subject: null });
  const before = new Map(HELD.map((held) => [held, placeOf(held, subjects)]));
  const lists = (at: number) => HELD.filter((held) => before.get(held) === at).map(list);
  return [
    ...subjects.flatMap((subject, at): Stop[] => [
      ...lists(at),
      { key: subject.key, label: subject.label, subject },
    ]),
    ...lists(subjects.length),
    list("ladder"),
  ];
}

/** Before which subject a list stands: the first that rests on it, or else the one behind the last that holds it back. */
function placeOf(held: Holds, subjects: readonly Subject[]): number {
  const resting = subjects.findIndex(({ restsOn }) => restsOn === held);
  return resting >= 0 ? resting : subjects.findLastIndex(({ holds }) => holds === held) + 1;
}

/** A subject by its key; null where there is none. */
export function subjectOf(key: string): Subject | null {
  return SUBJECTS.find((each) => each.key === key) ?? null;
}

/** Whether what is found there holds a list back. */
export function isHeldBy(list: Holds, station: string): boolean {
  return subjectOf(station)?.holds === list;
}

/** "Match, hitch and balance": subjects named in a sentence. */
export function namedTogether(subjects: readonly Subject[]): string {
  const names = subjects.map(({ label }, index) => (index === 0 ? label : label.toLowerCase()));
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}

/** Those whose stops hold a list back, in working order. */
export function heldBy(list: Holds): Subject[] {
  return SUBJECTS.filter(({ holds }) => holds === list);
}
