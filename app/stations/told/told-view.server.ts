import type { Dimension } from "../../../core/dimension/catalogue.ts";
import {
  type FieldUnit,
  fieldUnit,
  printEntry,
  printReading,
  unitWord,
} from "../../../core/dimension/entry.ts";
import type { Choice } from "../../../core/dimension/entry-type.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import { keysTold, type Telling, tellingOf, tellsOf } from "../../../core/rig/told.ts";
import { rigAddress } from "../frame/address.ts";
import { moment } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type ToldRow = {
  key: string;
  label: string;
  fromTo: string;
  style: FieldUnit;
  /** as it stands over the field; nothing where things are counted */
  unit: string;
  /** what may be chosen; null where it is a figure */
  choices: readonly Choice[] | null;
  /** the unit of a distance from an edge of the width, where it may be told as one */
  edge: FieldUnit | null;
  /** what it told last, and who read that off; null while it told nothing */
  told: { text: string; who: string } | null;
  /** what was read off the tool itself; null while nobody did */
  read: { text: string; grade: Grade } | null;
  kind: Telling["kind"];
  /** the verdict in words */
  says: string;
  /** where it is taped, or taped again */
  href: string;
};

/** What the implement tells of itself, line by line beside the tape. */
export function viewTold(open: OpenRig) {
  const { resolved, rig, tool, preferences } = open;
  const { units } = preferences;
  const rows = tellsOf(resolved).map((entry): ToldRow => {
    const telling = tellingOf(entry, resolved);
    const { reading, value, grade } = resolved.values[entry.key];
    return {
      key: entry.key,
      label: entry.label,
      fromTo: entry.fromTo,
      style: fieldUnit(entry, units),
      unit: unitWord(entry, units),
      choices: entry.choices,
      edge: entry.key === "tool.lateral" ? units.tape : null,
      told:
        telling.kind === "untold"
          ? null
          : {
              text: printReading(entry, telling.told, units),
              who: `${telling.told.person}, ${moment(telling.told.at)}`,
            },
      read:
        reading && value !== null
          ? { text: printReading(entry, { value, rawText: reading.rawText }, units), grade }
          : null,
      kind: telling.kind,
      says: saysOf(entry, telling, units),
      href: rigAddress(rig.id, entry.station, { at: entry.key, tool }),
    };
  });
  return {
    rows,
    keys: keysTold(resolved),
    width: resolved.values["tool.width"].value,
    hung: { attachment: resolved.attachment, tool: resolved.tool },
    sum: sumOf(rows),
  };
}

function saysOf(entry: Dimension, telling: Telling, units: OpenRig["preferences"]["units"]): string {
  switch (telling.kind) {
    case "untold":
      return "nothing told yet";
    case "zero":
      return "0 means nobody entered it there: enter the taped figure on the implement's own page";
    case "alone":
      return "nobody taped it: reckoned with as assumed until the tape confirms it";
    case "same":
      return "confirmed by what was read";
    case "differs":
      if (telling.by === null)
        return "another than was read: change it on the implement's own page, or look again";
      return `${printEntry({ ...entry, sides: null }, Math.abs(telling.by), units)} ${telling.by > 0 ? "more" : "less"} than was read: change it on the implement's own page, or tape again`;
  }
}

function sumOf(rows: readonly ToldRow[]): string {
  const count = (...kinds: Telling["kind"][]) => rows.filter(({ kind }) => kinds.includes(kind)).length;
  const [told, same] = [rows.length - count("untold"), count("same")];
  if (told === 0)
    return "It told nothing yet. Open its own page on the terminal and copy what stands there, line by line.";
  const wrong = count("zero", "differs");
  return wrong > 0
    ? `${wrong} of ${told} ${told === 1 ? "figure" : "figures"} would mislead the terminal.`
    : same === told
      ? `All ${told} figures it tells are confirmed.`
      : `${same} of ${told} figures it tells are confirmed; the others nobody taped.`;
}
