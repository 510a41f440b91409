/** Where a machine is, and what its file has, as pages say it. */
import {
  type DimensionKey,
  dimension,
  hasDimension,
  isDimensionKey,
} from "../../core/dimension/catalogue.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import { type Counting, type FigureHeld, holdMachine } from "../../core/lending/compare.ts";
import { EQUIPMENT, holdEquipment, NO_EQUIPMENT } from "../../core/lending/equipment.ts";
import type { MachineFile } from "../../core/lending/machine-file.ts";
import { strangeAdjusters } from "../../core/lending/parts.ts";
import { printLength } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import { gradeOf } from "../../core/rig/grade.ts";
import { componentKinds } from "../../core/subjects/components.ts";
import type { Database } from "../../data/handle.ts";
import { findImport } from "../../data/imports.ts";
import { type Lending, lendingsOf } from "../../data/lending/loans.ts";
import { machineFileOf } from "../../data/lending/send.ts";
import { isKnown, knownMachine, wrongWay } from "../../data/lending/take.ts";
import { machineName } from "../../data/whole.ts";
import { day, moment } from "../stations/frame/print.ts";

/** What this yard is called, as far as anybody said. */
export const yardsName = (last: Lending | null): string => process.env.AMBREK_YARD_NAME || last?.here || "";

export type LoanShown = {
  said: string;
  /** what can be done: lend it, note that it is back, give it back */
  can: "lend" | "end" | "give-back";
  /** whom its file is for now; null where none is to be taken along */
  fileFor: string | null;
  here: string;
  late: boolean;
};

/** How a machine stands, as its page says it. */
export function loanOf(db: Database, machineId: number, now: Date): LoanShown {
  const last = lendingsOf(db, [machineId]).get(machineId) ?? null;
  const here = yardsName(last);
  if (!last) return { said: "", can: "lend", fileFor: null, here, late: false };
  const { way, there, at, until, began } = last;
  const since = day(at);
  if (way === "out") {
    const late = until !== "" && until < now.toISOString().slice(0, 10);
    const by = until === "" ? "" : late ? `, and was to be back by ${day(until)}` : `, back by ${day(until)}`;
    return { said: `Lent to ${there} since ${since}${by}`, can: "end", fileFor: there, here, late };
  }
  if (way === "in")
    return {
      said: `On loan from ${there} since ${since}`,
      can: "give-back",
      fileFor: null,
      here,
      late: false,
    };
  return began === "in"
    ? { said: `Went back to ${there} on ${since}`, can: "lend", fileFor: there, here, late: false }
    : { said: `Back from ${there} since ${since}`, can: "lend", fileFor: null, here, late: false };
}

/** In a line, while it is on a loan; null otherwise. */
export function onLoan(db: Database, machineId: number, now: Date): string | null {
  const { said, can } = loanOf(db, machineId, now);
  return can === "lend" ? null : said;
}

/** The file of a machine that waits. @throws a response of 404 where there is none */
export function machineCameOr404(
  db: Database,
  id: string,
): { fileName: string; taken: boolean; file: MachineFile } {
  const found = findImport(db, id);
  const content = found ? (JSON.parse(found.content) as Partial<MachineFile>) : null;
  if (!found || !content || Array.isArray(content) || !content.loans)
    throw new Response("There is no such file of a machine.", { status: 404 });
  // One that came before this build knew of it has none.
  const file = { equipment: NO_EQUIPMENT, ...content } as MachineFile;
  return { fileName: found.fileName, taken: found.state === "taken", file };
}

export type CameRow = {
  id: string;
  where: string;
  label: string;
  here: string;
  file: string;
  who: string;
  becomes: FigureHeld["becomes"];
  weaker: boolean;
};

export type MachineCame = {
  name: string;
  from: string;
  written: string;
  /** onto which machine; null: a new one */
  onto: { name: string; because: string } | null;
  rows: CameRow[];
  counts: { label: string; count: number }[];
  /** what is taken over besides, as nothing is told of it here, in words; empty: nothing */
  equipped: string;
  /** what the file is not taken at its word for, or leaves behind */
  notes: string[];
  /** why it is not taken over here; null where it may be */
  wrong: string | null;
  here: string;
};

const LISTED = new Intl.ListFormat("en-GB");

export function viewCame(db: Database, file: MachineFile, units: Units, now: Date): MachineCame {
  const known = knownMachine(db, file);
  const sender = { yard: "here", person: "here", way: "out", now } as const;
  const own = known ? machineFileOf(db, known.machine, sender) : null;
  const strange = strangeAdjusters(own?.parts ?? [], file.parts);
  const understood = file.facts.filter((fact) => isKnown(fact, file));
  const kept = understood.filter(({ on }) => on.of !== "part" || !strange.has(on.at));
  const usable = { ...file, facts: kept };
  const held = holdMachine(own, usable);
  const equipped = holdEquipment(own?.equipment ?? NO_EQUIPMENT, file.equipment);
  const last = known ? (lendingsOf(db, [known.machine.id]).get(known.machine.id) ?? null) : null;
  const { attachment, kind } = file.machine;
  const print = (fact: Counting) => printed(fact, attachment, units);
  return {
    name: machineName(file.machine),
    from: file.yard,
    written: `${moment(file.written)}, by ${file.person}`,
    onto: known && { name: machineName(known.machine), because: known.because },
    rows: held.figures.map((figure) => ({
      id: figure.file.id,
      where: [figure.where, figure.variant].filter(Boolean).join(", "),
      label: labelOf(figure, attachment, kind, file),
      here: figure.here ? print(figure.here) : "missing",
      file: print(figure.file),
      who: `${figure.file.person}, ${day(figure.file.happened)}`,
      becomes: figure.becomes,
      weaker: figure.weaker,
    })),
    counts: [
      { label: "entries that are not here yet", count: held.fresh },
      { label: "that are here already", count: held.known },
      { label: "of these taken back there", count: held.takenBack },
    ],
    equipped: LISTED.format(equipped.taken.map((key) => EQUIPMENT[key])),
    notes: [
      ...notesOf(file, held.differing.length, file.facts.length - understood.length, now),
      ...(strange.size === 0
        ? []
        : [
            `${strange.size} of its adjusters are not here under their names: ${understood.length - kept.length} entries of where they stood are left out.`,
          ]),
      ...equipped.differing.map(
        (key) => `Its ${EQUIPMENT[key]} are told otherwise here: what is told here stays.`,
      ),
    ],
    wrong: wrongWay(db, file),
    here: yardsName(last),
  };
}

function notesOf(file: MachineFile, differing: number, unknown: number, now: Date): string[] {
  const ahead = file.facts.filter(({ happened }) => Date.parse(happened) > now.getTime()).length;
  const some = (count: number, said: string) => (count === 0 ? [] : [`${count} ${said}`]);
  return [
    ...some(
      differing,
      "of the file's entries stand here under the same number with another figure: what is here stays.",
    ),
    ...some(
      unknown,
      "entries are of something this build has never heard of, or cannot be so, and are left out.",
    ),
    ...some(ahead, "entries are of after now, by a clock that was ahead: they are kept as of now."),
    ...file.leftOut.map((each) => `Stayed with ${file.yard}: ${each}.`),
  ];
}

type Attachment = MachineFile["machine"]["attachment"];

function labelOf(
  { kind, topic, file }: FigureHeld,
  attachment: Attachment,
  machineKind: string,
  { parts }: MachineFile,
): string {
  if (kind === "sections") return "Sections";
  if (file.on.of === "part") {
    const of = componentKinds().find(({ key }) => key === parts[(file.on as { at: number }).at]!.kind);
    return of?.figures.find(({ key }) => key === topic)?.label ?? topic;
  }
  return entryOf(topic, attachment)?.label ?? `${topic} of ${machineKind}`;
}

/** What the catalogue says of it, as this machine hangs; null where it is none of its. */
function entryOf(topic: string, attachment: Attachment) {
  return isDimensionKey(topic) && hasDimension(attachment, topic as DimensionKey)
    ? dimension(topic, attachment)
    : null;
}

function printed(fact: Counting, attachment: Attachment, units: Units): string {
  if (fact.kind === "sections")
    return `${fact.sections.length} = ${printLength(
      fact.sections.reduce((sum, { width }) => sum + width, 0),
      units.tape,
    )}, ${gradeOf(fact.instrument)}`;
  const entry = fact.on.of === "part" ? null : entryOf(fact.topic, attachment);
  return `${entry ? printEntry(entry, fact.value, units) : fact.text}, ${gradeOf(fact.instrument)}`;
}
