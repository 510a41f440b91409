/** What a yard has to do before a season: what is stale, what is due, what was proved and no longer is. */

import type { Dimension } from "../../../core/dimension/catalogue.ts";
import { CHANGES } from "../../../core/dimension/change.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import { type Clock, type Due, dueOf, dueProofs, dueWords, monthsBetween } from "../../../core/rig/due.ts";
import type { RigFacts } from "../../../core/rig/facts.ts";
import { lapsedBy, provenBy, type ResolvedRig, resolveRig } from "../../../core/rig/resolve.ts";
import { calibrationsAt } from "../../../core/subjects/calibrations.ts";
import { SUBJECTS } from "../../../core/subjects/index.ts";
import { endedBy } from "../../../core/subjects/proof/ended.ts";
import { type Provable, provablesOf } from "../../../core/subjects/proof/provable.ts";
import type { PartDose } from "../../../core/yard/dose.ts";
import { doseOfTools } from "../../../data/calibrations.ts";
import { factsOf } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { counterMarks } from "../../../data/live.ts";
import { listEveryTool, type Machine, type RigTool } from "../../../data/rigs.ts";
import { machineName } from "../../../data/whole.ts";
import { rigAddress } from "../../stations/frame/address.ts";
import { inWords, machinesNotHere } from "../../stations/frame/not-here.server.ts";
import { day } from "../../stations/frame/print.ts";
import { toolName } from "../../stations/frame/rig-view.server.ts";
import { type Paged, paged } from "../../ui/paged.ts";
import { judgedService } from "../service/service-view.server.ts";

type Kind = "stale" | "due" | "never" | "prove" | "service";
type Item = { key: string; what: string; href: string };
/** What is to be done for one reason: four tyres that were all gauged last in spring are one errand. */
export type SeasonLine = { key: string; kind: Kind; why: string; items: Item[] };
/** A machine with what is read of it in whichever rig it drives, or a rig's tool. */
export type SeasonGroup = {
  key: string;
  name: string;
  of: string;
  /** which machine cannot be seen to here, and why; empty where all are here */
  notHere: string;
  lines: SeasonLine[];
};

type Todo = Item & { kind: Kind; why: string; station: string; subject: string };

/** Tractors on one page: as many as somebody goes through in a morning. */
const ON_A_PAGE = 20;

const inUse = (db: Database): RigTool[] =>
  listEveryTool(db).filter(({ archivedAt, tractor }) => archivedAt === null && !tractor.practice);

/** One page of the list: some tractors with all that hangs on them; of one machine or tool alone where `only` names it, to be chosen from its page. */
export function seasonPage(
  db: Database,
  { page, only, today, units }: { page: number; only: string; today: string; units: Units },
): Paged<SeasonGroup> & { rigs: number[]; choices: { key: string; name: string }[] } {
  const every = inUse(db);
  const tractors = [...new Set(every.map(({ tractor }) => tractor.id))];
  const asked = every.find(
    ({ couplingId, tractor }) => only === `coupling ${couplingId}` || only === `machine ${tractor.id}`,
  );
  const at = asked ? Math.floor(tractors.indexOf(asked.tractor.id) / ON_A_PAGE) + 1 : page;
  const here = paged(tractors, at, ON_A_PAGE);
  const shown = new Set(here.rows);
  const parts = every.filter(({ tractor }) => shown.has(tractor.id));
  const groups = seasonView(db, today, units, parts);
  return {
    ...here,
    rows: asked ? groups.filter(({ key }) => key === only) : groups,
    rigs: [...new Set(parts.map(({ id }) => id))],
    choices: groups.map(({ key, name, of }) => ({ key, name: `${name}, ${of}` })),
  };
}

/** What is to be done of these tools and of what carries them; of all in use where none are named. */
export function seasonView(
  db: Database,
  today: string,
  units: Units,
  parts: readonly RigTool[] = inUse(db),
): SeasonGroup[] {
  const facts = factsOf(db, parts);
  const hours = counterMarks(
    db,
    parts.map(({ tractor }) => tractor.id),
    "tractor.hours",
  );
  const hectares = counterMarks(
    db,
    parts.map(({ implement }) => implement.id),
    "tool.hectares",
  );
  const dose = doseOfTools(db, parts);
  const service = serviceTodo(db, today, [
    ...new Set(parts.flatMap(({ tractor, implement }) => [tractor.id, implement.id])),
  ]);
  const away = machinesNotHere(
    db,
    parts.flatMap(({ tractor, implement }) => [tractor, implement]),
  );
  const said = new Set<string>();
  const groups = new Map<string, SeasonGroup & { todo: Todo[] }>();
  for (const part of parts) {
    const own = facts.get(part.couplingId)!;
    const rig = resolveRig(own);
    const now = {
      today,
      hours: hours.get(part.tractor.id) ?? [],
      hectares: hectares.get(part.implement.id) ?? [],
    };
    for (const each of [
      ...todoOf(part, rig, own, now, units),
      ...partsTodo(part, rig, dose.get(part.couplingId)!, today),
      ...neverTodo(part, rig, dose.get(part.couplingId)!),
      ...(service.get(part.tractor.id) ?? []).map((todo) => ({ ...todo, subject: "tractor" })),
      ...(service.get(part.implement.id) ?? []).map((todo) => ({ ...todo, subject: "implement" })),
    ]) {
      const once = `${ownerOf(part, each.subject)} ${each.key}`;
      if (said.has(once)) continue;
      said.add(once);
      const { needs, ...group } = groupOf(part, each.subject, parts);
      if (!groups.has(group.key)) {
        const notHere = inWords(needs.flatMap(({ id }) => away.get(id) ?? []));
        groups.set(group.key, { ...group, notHere, lines: [], todo: [] });
      }
      groups.get(group.key)!.todo.push(each);
    }
  }
  return [...groups.values()].map(({ todo, ...group }) => ({ ...group, lines: errands(todo) }));
}

function todoOf(part: RigTool, rig: ResolvedRig, facts: RigFacts, now: Clock, units: Units): Todo[] {
  const due = dueOf(rig, now);
  const old = new Set(dueProofs(rig, now.today));
  return [
    ...askedOf(rig).flatMap((entry) => readingTodo(part, rig, entry, due, units)),
    ...provablesOf(rig).flatMap((provable) => {
      const why = proofReason(provable, facts, rig, old);
      return why === null ? [] : [proofTodo(part, provable, why)];
    }),
  ];
}

/** Parts of a tool that were tested a season ago, or changed since: one errand for each test. */
function partsTodo(part: RigTool, rig: ResolvedRig, { parts }: PartDose, today: string): Todo[] {
  return calibrationsAt(rig).flatMap(({ station, kind }): Todo[] => {
    const tested = kind.parts ? (parts[kind.parts.kind] ?? []).filter(({ at }) => at !== null) : [];
    const last = tested
      .map(({ at }) => at!)
      .sort()
      .at(-1);
    if (last === undefined) return [];
    const changed = tested.some(({ stale }) => stale);
    const months = Math.floor(monthsBetween(last, today));
    if (!changed && months < TEST_MONTHS) return [];
    return [
      {
        ...(changed
          ? { kind: "stale" as const, why: "some were changed since" }
          : { kind: "due" as const, why: `tested ${months} months ago, good for ${TEST_MONTHS} months` }),
        key: `test ${kind.key}`,
        what: kind.title,
        href: rigAddress(part.id, `calibrate/${kind.key}`, { tool: part.couplingId }),
        station,
        subject: "implement",
      },
    ];
  });
}

/** Calibrations and learning runs its jobs have, and nobody ever made. */
function neverTodo(part: RigTool, rig: ResolvedRig, { parts }: PartDose): Todo[] {
  const kinds = calibrationsAt(rig);
  const made = new Set(kinds.flatMap(({ kind }) => kind.constant ?? []));
  const todo = {
    kind: "never" as const,
    why: "what is worked out with it rests on an assumption or on nothing",
  };
  return [
    ...kinds.flatMap(({ station, kind }): Todo[] => {
      // A test of the day leaves nothing behind to be due.
      if (!kind.constant && !kind.parts) return [];
      const known = kind.constant
        ? rig.values[kind.constant].value !== null
        : (parts[kind.parts?.kind ?? ""] ?? []).some(({ at }) => at !== null);
      return known
        ? []
        : [
            {
              ...todo,
              key: `test ${kind.key}`,
              what: kind.title,
              href: rigAddress(part.id, `calibrate/${kind.key}`, { tool: part.couplingId }),
              station,
              subject: "implement",
            },
          ];
    }),
    ...askedOf(rig).flatMap((entry): Todo[] =>
      !LEARNT_AT.includes(entry.station) ||
      entry.dueAfter === null ||
      made.has(entry.key) ||
      rig.values[entry.key].value !== null ||
      rig.values[entry.key].choice !== null
        ? []
        : [
            {
              ...todo,
              key: entry.key,
              what: entry.label,
              href: rigAddress(part.id, entry.station, { at: entry.key, tool: part.couplingId }),
              station: entry.station,
              subject: entry.subject,
            },
          ],
    ),
  ];
}

/** Stations where what is due each season is learnt by a run, not read off a tape: steering, gyro, load cells. */
const LEARNT_AT: readonly string[] = ["rate", "guidance"];

/** What service asks for each season and is not done yet, machine by machine. */
function serviceTodo(
  db: Database,
  today: string,
  machines: readonly number[],
): Map<number, Omit<Todo, "subject">[]> {
  const found = new Map<number, Omit<Todo, "subject">[]>();
  for (const { item, due } of judgedService(db, new Date(today), machines)) {
    if (!item.every.season || due.state === "good") continue;
    const own = found.get(item.machineId) ?? [];
    own.push({
      kind: "service",
      why:
        due.state === "unknown"
          ? "nobody told when it was done last"
          : "each season, and not done in this one",
      key: `service ${item.id}`,
      what: item.name,
      href: `/machines/${item.machineId}/service`,
      station: "service",
    });
    found.set(item.machineId, own);
  }
  return found;
}

/** Nozzles, rows and openers are tested once a season (common practice, no source). */
const TEST_MONTHS = 12;

function readingTodo(
  part: RigTool,
  { values }: ResolvedRig,
  entry: Dimension,
  due: readonly Due[],
  units: Units,
): Todo[] {
  const { stale, value } = values[entry.key];
  const late = due.find(({ key }) => key === entry.key);
  if (!stale && !late) return [];
  const reason = stale
    ? { kind: "stale" as const, why: `${CHANGES[stale.kind].label.toLowerCase()}, ${day(stale.at)}` }
    : { kind: "due" as const, why: dueWords(late!).replace("due: ", "") };
  return [
    {
      ...reason,
      key: entry.key,
      what: value === null ? entry.label : `${entry.label}, ${printEntry(entry, value, units)}`,
      href: rigAddress(part.id, entry.station, { at: entry.key, tool: part.couplingId }),
      station: entry.station,
      subject: entry.subject,
    },
  ];
}

/** Why what was proved once is to be proved again; null where it stands, or never was. */
function proofReason(
  { terms }: Provable,
  facts: RigFacts,
  rig: ResolvedRig,
  old: ReadonlySet<unknown>,
): string | null {
  const standing = provenBy(terms, rig.proofs);
  if (standing) return old.has(standing) ? `proved ${day(standing.at)}: a season ago` : null;
  const lapsed = lapsedBy(terms, facts);
  if (!lapsed) return null;
  const { words } = endedBy(lapsed.by, lapsed.proof, rig);
  return `proved ${day(lapsed.proof.at)}, since then ${words}`;
}

function proofTodo(part: RigTool, { key, label }: Provable, why: string): Todo {
  return {
    kind: "prove",
    key: `proof ${key}`,
    what: label,
    why,
    href: rigAddress(part.id, "proof", { tool: part.couplingId }),
    station: "proof",
    subject: "coupling",
  };
}

/** Whose reading it is: a tractor's stands in every rig it drives, an implement's wherever it is coupled. */
function ownerOf({ tractor, receiver, implement, variant, couplingId }: RigTool, subject: string): string {
  switch (subject) {
    case "tractor":
      return `machine ${tractor.id}`;
    case "receiver mount":
      return `point ${receiver.id}`;
    case "implement":
      return `machine ${implement.id} ${variant?.id ?? ""}`;
    default:
      return `coupling ${couplingId}`;
  }
}

function groupOf(
  part: RigTool,
  subject: string,
  parts: readonly RigTool[],
): Pick<SeasonGroup, "key" | "name" | "of"> & { needs: Machine[] } {
  const { tractor, implement, couplingId, name } = part;
  if (subject !== "tractor" && subject !== "receiver mount")
    return { key: `coupling ${couplingId}`, name, of: toolName(part), needs: [tractor, implement] };
  const rigs = new Set(parts.filter((each) => each.tractor.id === tractor.id).map(({ id }) => id)).size;
  return {
    key: `machine ${tractor.id}`,
    name: machineName(tractor),
    of: `${tractor.fleetNumber}, in ${rigs} ${rigs === 1 ? "rig" : "rigs"}`,
    needs: [tractor],
  };
}

function errands(todo: readonly Todo[]): SeasonLine[] {
  const lines = new Map<string, SeasonLine>();
  // In working order: what hangs, what steers, what doses, then what is proved of it, service beside.
  const sorted = [...todo].sort((a, b) => place(a) - place(b));
  for (const { kind, why, station, key, what, href } of sorted) {
    const line = kind === "never" ? kind : `${kind} ${station} ${why}`;
    lines.set(line, lines.get(line) ?? { key: line, kind, why, items: [] });
    lines.get(line)!.items.push({ key, what, href });
  }
  return [...lines.values()];
}

const STATIONS: readonly string[] = SUBJECTS.map(({ key }) => key);
const place = ({ station }: Todo): number => {
  const at = STATIONS.indexOf(station);
  return at < 0 ? STATIONS.length : at;
};
