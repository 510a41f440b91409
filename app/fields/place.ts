import { readPlace } from "../../core/place/typed.ts";

/** Why a text is no place; null where it is one. */
export function placeProblem(text: string): string | null {
  const read = readPlace(text);
  return typeof read === "string" ? read : null;
}
