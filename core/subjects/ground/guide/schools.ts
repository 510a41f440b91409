/** Where practitioners differ: each school by the name of its practice, and why one is taken where nobody chose. */

import { type Said, smallLength, tell } from "../../../quantity/said.ts";

export type School = {
  label: string;
  /** the schools, by key; the first is taken where nobody chose */
  practices: Readonly<Record<string, Said>>;
  why: string;
};

const cm = (least: number, most: number): Said =>
  tell`${smallLength(least / 100)} to ${smallLength(most / 100)}`;

export const SCHOOLS = {
  coulterReach: {
    label: "Coulter beyond the cut",
    practices: { "1 to 2": cm(1, 2), "2 to 3": cm(2, 3), "2 up": tell`At least ${smallLength(0.02)}` },
    why: "The narrowest is taken: it keeps the coulter near the cut; on light soil or deep work go further.",
  },
  coulterDepth: {
    label: "Coulter above the share",
    practices: {
      "about 5": tell`About ${smallLength(0.05)} above`,
      "4 to 10": tell`${cm(4, 10)} above`,
      half: "At half the ploughing depth",
    },
    why: "The commonest is taken; higher in stones.",
  },
  skimmerDepth: {
    label: "Skimmer depth",
    practices: { "2 to 5": cm(2, 5), "3 to 5": cm(3, 5) },
    why: "The wider is taken; never over a third of the ploughing depth.",
  },
  trash: {
    label: "Much trash",
    practices: {
      slower: "Slow down",
      forward: "Skimmers forward",
      back: "Skimmers back and a little deeper",
    },
    why: "Slowing down changes no screw and can be taken back at once.",
  },
  level: {
    label: "Depth and level of a plough",
    practices: {
      hole: "By which hole the top link is in",
      "wheel first": "Wheel first, then the lower links, then the top link's slope",
    },
    why: "The hole decides what the top link does: the two rules must not be mixed.",
  },
  firm: {
    label: "Firm gauge wheels",
    practices: { share: "Nine in ten of those tried", sure: "Sure of nine in ten, by the interval" },
    why: "The share is what one can try in a field; the interval is shown with it.",
  },
  headland: {
    label: "Headland",
    practices: {
      around: "Ploughed around last",
      frame: "A frame ploughed around first, the opposite way",
    },
    why: "The commoner one is taken; with the frame lift-in and lift-out marks disappear.",
  },
} as const satisfies Record<string, School>;

export type SchoolKey = keyof typeof SCHOOLS;

/** Whether a text from outside names a school. */
export function isSchool(key: string): key is SchoolKey {
  return Object.hasOwn(SCHOOLS, key);
}

/** The practice that was chosen, or the first. */
export function practiceOf(key: SchoolKey, chosen: ReadonlyMap<string, string>): string {
  const { practices } = SCHOOLS[key];
  const said = chosen.get(key);
  return said !== undefined && Object.hasOwn(practices, said) ? said : Object.keys(practices)[0]!;
}
