/** Fields as a file gives them, before anybody took one over. */
import type { Boundary } from "./boundary.ts";
import type { LineShape } from "./line.ts";

export type LineGiven = { name: string; shape: LineShape };

export type PlaceGiven = {
  /** empty where the file names none */
  client: string;
  farm: string;
  field: string;
  /** null where the file has none of it */
  boundary: Boundary | null;
  lines: LineGiven[];
  /** why it cannot be taken over; null where it can */
  problem: string | null;
};

export type PlacesGiven = {
  places: PlaceGiven[];
  /** what the file has besides, that is not taken over */
  notes: string[];
};

/** As long as a name may be on a page; ISO 11783-10 has 32 characters. */
export const LONGEST_NAME = 60;

/** A name as it is kept: without spaces round it or twice, nor signs no one sees. */
export function nameOf(text: string): string {
  return [...text.normalize("NFC").replaceAll(/\p{C}/gu, " ").replaceAll(/\s+/g, " ").trim()]
    .slice(0, LONGEST_NAME)
    .join("")
    .trim();
}

/** Names are the same whatever their capitals. */
export const sameName = (a: string, b: string): boolean =>
  nameOf(a).toLocaleLowerCase("en") === nameOf(b).toLocaleLowerCase("en");
