/** What an implement tells about itself, judged: a terminal that hears it believes it before any card. */

import type { Dimension } from "../../dimension/catalogue.ts";
import { entryFigure, readingSaid } from "../../dimension/entry.ts";
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { tell } from "../../quantity/said.ts";
import { type Telling, tellingOf, tellsOf } from "../../rig/told.ts";
import type { WholeRig } from "../../rig/whole.ts";

/** One row for each figure an implement tells; of what it does not tell nothing is said. */
export function toldChecks({ parts }: WholeRig): Check[] {
  return parts.flatMap(({ rig }, part) => {
    const row = checkerOf("tool", rig, part);
    return tellsOf(rig).flatMap((entry) => {
      const telling = tellingOf(entry, rig);
      // What is told and was never read is reckoned with as assumed: its reading says that nobody taped it.
      return telling.kind === "untold" || telling.kind === "alone"
        ? []
        : [judged(entry, telling, row(`told ${entry.key}`, `${entry.label}, as it tells`))];
    });
  });
}

function judged(
  entry: Dimension,
  telling: Exclude<Telling, { kind: "untold" | "alone" }>,
  row: ReturnType<ReturnType<typeof checkerOf>>,
): Check {
  const { key, label } = entry;
  const told = readingSaid(entry, telling.told);
  switch (telling.kind) {
    case "zero":
      return row.fix(
        key,
        `The implement tells the terminal 0 for ${label.charAt(0).toLowerCase()}${label.slice(1)}.`,
        "Nobody entered it on the implement: a terminal that hears the 0 draws the tool tight behind its hitch. Enter the taped figure on the implement's own page.",
      );
    case "same":
      return row.good(key, tell`The implement tells ${told}, as it was read.`);
    case "differs":
      return row.fix(
        key,
        tell`The implement tells ${told} for its ${label.charAt(0).toLowerCase()}${label.slice(1)}, the reading is another${telling.by === null ? "" : tell` by ${entryFigure({ ...entry, sides: null }, Math.abs(telling.by))}`}.`,
        "A terminal that hears it believes the implement, whatever was typed. Change it on the implement's own page, or tape again.",
      );
  }
}
