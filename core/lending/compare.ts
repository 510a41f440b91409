/** A machine's file held against what a yard has of the machine: what is new, what displaces what, and what stays. */
import { below, type Grade, gradeOf } from "../rig/grade.ts";
import type { FileFact, MachineFile, On } from "./machine-file.ts";

/** A figure that counts: a reading, or the sections. */
export type Counting = Extract<FileFact, { kind: "reading" | "sections" }>;

export type FigureHeld = {
  /** where it is read: "" on the machine itself, else the point or part by its name */
  where: string;
  /** the way of working it is of; "" whole */
  variant: string;
  topic: string;
  kind: Counting["kind"];
  /** what counts here now, and what the file has; null: none stands */
  here: Counting | null;
  file: Counting;
  /** what counts once the file is taken over: the newer of both, by when they were read */
  becomes: "new" | "same" | "file" | "here";
  /** the file's displaces a better grade */
  weaker: boolean;
};

export type MachineHeld = {
  figures: FigureHeld[];
  /** facts of the file that are not here, that are, that are taken back by it, and that are here with other words */
  fresh: number;
  known: number;
  takenBack: number;
  differing: FileFact[];
};

const labelOf = (file: MachineFile, on: On): string => {
  if (on.of === "machine") return "";
  if (on.of === "point") return `${file.points[on.at]!.kind}: ${file.points[on.at]!.label}`;
  const { kind, label, place } = file.parts[on.at]!;
  return `${kind} ${label || (place ?? "")}`.trim();
};

const isCounting = (fact: FileFact): fact is Counting => fact.kind === "reading" || fact.kind === "sections";

/** Of each figure the one that counts: the newest that stands, by when it was read, then by its place in the file. */
function counting(file: MachineFile): Map<string, Omit<FigureHeld, "here" | "becomes" | "weaker">> {
  const found = new Map<string, Omit<FigureHeld, "here" | "becomes" | "weaker">>();
  for (const fact of file.facts) {
    if (!isCounting(fact) || fact.back) continue;
    const where = labelOf(file, fact.on);
    const variant = fact.variant === null ? "" : file.variants[fact.variant]!;
    const key = JSON.stringify([fact.kind, where, variant, fact.topic]);
    const before = found.get(key);
    if (!before || fact.happened >= before.file.happened)
      found.set(key, { where, variant, topic: fact.topic, kind: fact.kind, file: fact });
  }
  return found;
}

/** Values, words and grade: what a figure says, whoever sent it. */
const saidOf = (fact: Counting): string =>
  JSON.stringify(
    fact.kind === "reading"
      ? [fact.topic, fact.value, fact.text, fact.instrument]
      : fact.sections.map(({ width, ahead, product }) => [width, ahead, product]),
  );

function differs(fact: FileFact, own: FileFact): boolean {
  return isCounting(fact) && (!isCounting(own) || saidOf(fact) !== saidOf(own));
}

const gradeOfFact = ({ instrument }: Counting): Grade => gradeOf(instrument);

/** `here`: the machine as this yard has it; null where it is not here. Facts are known again by their ids. */
export function holdMachine(here: MachineFile | null, file: MachineFile): MachineHeld {
  const own = new Map((here?.facts ?? []).map((fact) => [fact.id, fact]));
  const mine = here ? counting(here) : new Map<string, Omit<FigureHeld, "here" | "becomes" | "weaker">>();
  const figures = [...counting(file)].map(([key, figure]): FigureHeld => {
    const now = mine.get(key)?.file ?? null;
    const wins = now === null || figure.file.happened > now.happened;
    const becomes = now === null ? "new" : now.id === figure.file.id ? "same" : wins ? "file" : "here";
    const weaker = becomes === "file" && below(gradeOfFact(figure.file), gradeOfFact(now!));
    return { ...figure, here: now, becomes, weaker };
  });
  const known = file.facts.filter(({ id }) => own.has(id));
  return {
    figures,
    fresh: file.facts.length - known.length,
    known: known.length,
    takenBack: known.filter(({ id, back }) => back && !own.get(id)!.back).length,
    differing: known.filter((fact) => differs(fact, own.get(fact.id)!)),
  };
}
