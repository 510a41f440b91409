/** Which machines of rigs are not there to be coupled: put away, or at another yard. */
import type { Database } from "../../../data/handle.ts";
import { type Lending, machinesElsewhere } from "../../../data/lending/loans.ts";
import type { Machine, RigTool } from "../../../data/rigs.ts";
import type { NotHere } from "./not-here.ts";
import { day } from "./print.ts";

type Parts = readonly Pick<RigTool, "tractor" | "implement">[];

/** The machines of a rig, the one that drives first. */
const machinesOf = (parts: Parts): Machine[] => [
  parts[0]!.tractor,
  ...parts.map(({ implement }) => implement),
];

/** Of each of several rigs, in their order, the machines that are not there. */
export function notHereOf(db: Database, rigs: readonly Parts[]): NotHere[][] {
  const missing = machinesNotHere(db, rigs.flatMap(machinesOf));
  return rigs.map((parts) => machinesOf(parts).flatMap(({ id }) => missing.get(id) ?? []));
}

function notHere(
  { id, make, model, fleetNumber, archivedAt }: Machine,
  loan: Lending | undefined,
): NotHere[] {
  const of = { id, name: [fleetNumber, make, model].filter(Boolean).join(" "), href: `/machines/${id}` };
  if (loan) {
    const since = `${loan.there} ${loan.way === "out" ? "since" : "on"} ${day(loan.at)}`;
    return [
      {
        ...of,
        why: loan.way === "out" ? `lent to ${since}` : `back at ${since}`,
        until: "until it is here again",
      },
    ];
  }
  return archivedAt === null ? [] : [{ ...of, why: "archived", until: "until it is back in use" }];
}

/** Which of these machines are not there, and why. */
export function machinesNotHere(db: Database, machines: readonly Machine[]): Map<number, NotHere> {
  const elsewhere = machinesElsewhere(db);
  return new Map(
    machines.flatMap((machine) =>
      notHere(machine, elsewhere.get(machine.id)).map((missing) => [machine.id, missing]),
    ),
  );
}

/** Why such a rig is not coupled; null where all its machines are there. */
export const notHereProblem = (db: Database, parts: Parts): string | null =>
  notHereSaid(db, machinesOf(parts), "this rig is not coupled");

/** What these machines do not do while some of them are not there, and until when; null where all are. */
export function notHereSaid(db: Database, machines: readonly Machine[], so: string): string | null {
  const missing = [...machinesNotHere(db, machines).values()];
  const [first] = missing;
  return first ? `${inWords(missing)}: ${so} ${first.until}.` : null;
}

/** What is not there, as a part of a sentence; empty where all is. */
export const inWords = (missing: readonly NotHere[]): string =>
  missing.map(({ name, why }) => `${name} is ${why}`).join(", and ");
