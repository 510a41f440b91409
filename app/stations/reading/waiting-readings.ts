import type { Waits } from "../../offline/use-waiting.ts";

/** What was typed and waits on this device, by what it was read of; the last of several. */
export function typedIn(waiting: readonly Waits[]): ReadonlyMap<string, string> {
  return new Map(
    waiting.flatMap(({ fields }) => (fields.intent === "keep-sheet" ? linesOf(fields) : oneOf(fields))),
  );
}

type Fields = Waits["fields"];

function oneOf({ intent, dimension, text }: Fields): [string, string][] {
  const isReading = intent === "keep-reading" || intent === "keep-sections";
  return isReading && dimension !== undefined && text !== undefined ? [[dimension, text]] : [];
}

/** The lines of a sheet that were filled in. */
function linesOf(fields: Fields): [string, string][] {
  return Object.entries(fields).flatMap(([name, text]): [string, string][] =>
    name.startsWith("r-") && text.trim() !== "" ? [[name.slice(2), text.trim()]] : [],
  );
}

/** As it was typed, with the unit a bare number was meant in; a choice in its words. */
export function asTyped(
  text: string,
  { style, choices }: { style: string; choices: readonly { key: string; label: string }[] },
): string {
  const chosen = choices.find(({ key }) => key === text);
  return chosen ? chosen.label : /\d$/.test(text) ? `${text} ${style}`.trim() : text;
}
