/**
 * Something large of many small figures as one text. What a loader gives is worked through value by value on its way to the browser, at every
 * look; a text goes over as it is, and is written once for as long as what it tells stays.
 */
declare const told: unique symbol;

/** The text of it. */
export type Written<What> = string & { readonly [told]?: What };

/** `what` is plain: texts, finite numbers, truth values, null, lists and records of them. */
export const written = <What>(what: What): Written<What> => JSON.stringify(what);

export const readWritten = <What>(text: Written<What>): What => JSON.parse(text) as What;
