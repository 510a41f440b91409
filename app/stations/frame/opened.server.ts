/**
 * Rigs as they were opened last: read, judged and drawn once, and again only where something was written about them since.
 * A page that is looked at, turned, or asked for another reading costs neither.
 */
import type { WholeRig } from "../../../core/rig/whole.ts";
import { type Judged, judgeWhole } from "../../../core/subjects/judge-whole.ts";
import { isAmong } from "../../../data/facts.ts";
import type { Database } from "../../../data/handle.ts";
import { markOf, touchedSince } from "../../../data/record.ts";
import type { RigTool } from "../../../data/rigs.ts";
import { wholesOf } from "../../../data/whole.ts";

/** A rig that is read and judged when somebody asks for that, and once. */
export type Opened = { readonly whole: WholeRig; readonly judged: Judged };

/** As of when something was made of a rig: how far the record had grown, and its tools as they were coupled. */
type AsOf = { mark: number; parts: string };
type Kept = AsOf & { opened: Opened };

/** A whole rig that was read. */
export function openedFrom(whole: WholeRig): Opened {
  let judged: Judged | null = null;
  return {
    whole,
    get judged() {
      judged ??= judgeWhole(whole);
      return judged;
    },
  };
}

/** A rig that is opened when somebody asks for what is known of it, as it then is: one that is only written to need not be. */
export function opening(db: Database, parts: readonly RigTool[]): Opened {
  let opened: Opened | null = null;
  const now = () => {
    opened ??= openedOf(db, parts);
    return opened;
  };
  return {
    get whole() {
      return now().whole;
    },
    get judged() {
      return now().judged;
    },
  };
}

type Made = AsOf & { what: unknown };

const yards = new WeakMap<Database, Map<string, Made>>();

/**
 * Something small that is made of a whole rig, such as what its tractor is asked for, by what else it depends on: made anew only where
 * something was written about the rig since. Of as many rigs as there are.
 */
export function madeOfRig<What>(
  db: Database,
  parts: readonly RigTool[],
  asked: readonly unknown[],
  make: (opened: Opened) => What,
): What {
  const all = yards.get(db) ?? new Map<string, Made>();
  yards.set(db, all);
  const key = JSON.stringify([parts[0]!.id, ...asked]);
  const mark = markOf(db);
  const told = JSON.stringify(parts);
  const known = all.get(key);
  if (known && holds(db, parts, known, { mark, parts: told })) {
    known.mark = mark;
    return known.what as What;
  }
  const what = make(openedOf(db, parts));
  all.set(key, { what, mark, parts: told });
  return what;
}

/** As many rigs as are looked at in a day; the one looked at longest ago goes first. */
const MOST = 40;

const rigs = new WeakMap<Database, Map<number, Kept>>();

/** A whole rig, to be judged. `parts` are its tools as they are coupled now. */
export function openedOf(db: Database, parts: readonly RigTool[]): Opened {
  const all = rigs.get(db) ?? new Map<number, Kept>();
  rigs.set(db, all);
  const { id } = parts[0]!;
  const mark = markOf(db);
  const told = JSON.stringify(parts);
  const kept = all.get(id);
  all.delete(id);
  if (kept && holds(db, parts, kept, { mark, parts: told })) {
    all.set(id, { ...kept, mark });
    return kept.opened;
  }
  const opened = openedFrom(wholesOf(db, parts).get(id)!);
  all.set(id, { opened, mark, parts: told });
  if (all.size > MOST) all.delete(all.keys().next().value!);
  return opened;
}

const spans = new WeakMap<Database, { from: number; to: number; touched: ReadonlySet<string> | null }>();

/** Whether what was made of a rig is what would be made of it now. */
const holds = (db: Database, parts: readonly RigTool[], then: AsOf, now: AsOf): boolean =>
  then.parts === now.parts && (then.mark === now.mark || !isTouched(db, parts, then.mark));

/** Whether something was written about a rig since; of many rigs it is looked after once. */
function isTouched(db: Database, parts: readonly RigTool[], from: number): boolean {
  const to = markOf(db);
  const before = spans.get(db);
  const span =
    before?.from === from && before.to === to ? before : { from, to, touched: touchedSince(db, from) };
  spans.set(db, span);
  return isAmong(span.touched, parts);
}

const made = new WeakMap<WholeRig, Map<string, unknown>>();

/** What is drawn, read or worked out of a rig as it was opened, by everything it depends on besides the rig; `asked` begins with what it is. */
export function madeOnce<What>(whole: WholeRig, asked: readonly unknown[], make: () => What): What {
  const all = made.get(whole) ?? new Map<string, unknown>();
  made.set(whole, all);
  const key = JSON.stringify(asked);
  if (!all.has(key)) all.set(key, make());
  return all.get(key) as What;
}
