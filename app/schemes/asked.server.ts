import { isDelay } from "../../core/card/scheme.ts";
import { catalogueOf } from "../../core/dimension/catalogue.ts";
import { isHeldBy } from "../../core/subjects/walk.ts";

/** Readings a scheme may ask for, with their letters: lengths, counts and delays a terminal's figures come from. */
export function readingsAsked(): [string, string][] {
  return catalogueOf("drawn")
    .filter(
      ({ key, kind, station }) =>
        isHeldBy("card", station) && (kind === "length" || kind === "count" || isDelay(key)),
    )
    .map(({ key, letter, label }) => [key, `${letter} ${label}`]);
}
