import type { Thumbnail } from "../../core/drawing/thumbnail.ts";
import { inUnits, type ToldFinding } from "../../core/finding/finding.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import { ladderFacts } from "../../data/ladder.ts";
import { everyRig, listEveryTool, type RigTool } from "../../data/rigs.ts";
import { notHereOf } from "../stations/frame/not-here.server.ts";
import type { NotHere } from "../stations/frame/not-here.ts";
import { headOf, type RigHead } from "../stations/frame/rig-view.server.ts";
import { cureHref } from "../stations/frame/stations.ts";
import { paged } from "../ui/paged.ts";
import { type FindingCount, judgedAnew, judgedOf, standingsOf } from "./board.server.ts";
import { countsOf, logSaid } from "./judged.server.ts";
import type { RigState } from "./rig-states.ts";

const ON_A_PAGE = 12;

export type YardRig = {
  head: RigHead;
  standing: FindingCount;
  /** what stands between it and ready: stops and fixes, the first few */
  holding: (ToldFinding & { href: string })[];
  more: number;
  drawing: Thumbnail;
  /** rungs of its start-of-work ladder that are good, of those that apply */
  climbed: { good: number; all: number };
  away: boolean;
  /** machines of it that are archived, or at another yard */
  lacks: NotHere[];
};

export type YardView = {
  find: string;
  state: RigState;
  counts: Record<RigState, number>;
  /** rigs in use of which nobody knows yet how they stand */
  judging: number;
  page: number;
  pages: number;
  /** rigs on all pages */
  all: number;
  rigs: YardRig[];
};

type Asked = { find: string; state: RigState; page: number; units: Units };

const HOLDING_AT_ONCE = 3;

/** The rigs that are asked for, a page of them, the stopped first, then those of which nobody knows yet. */
export function viewYard(db: Database, { find, state, page, units }: Asked): YardView {
  const order = orderOf(db);
  const asked = order.ids[state];
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const rigs = everyRig(listEveryTool(db));
  const found =
    words.length === 0
      ? asked
      : asked.filter((id) => {
          const text = textOf(rigs.get(id)!);
          return words.every((word) => text.includes(word));
        });
  const here = paged(found, page, ON_A_PAGE);
  return {
    find,
    state,
    counts: order.counts,
    judging: order.judging,
    page: here.page,
    pages: here.pages,
    all: here.all,
    rigs: viewRigs(
      db,
      here.rows.map((id) => rigs.get(id)!),
      units,
    ),
  };
}

type Order = {
  told: { parts: readonly RigTool[]; version: number };
  /** rigs of each state, the stopped first */
  ids: Record<RigState, number[]>;
  counts: Record<RigState, number>;
  /** rigs in use of which nobody knows yet how they stand */
  judging: number;
};

const orders = new WeakMap<Database, Order>();

/** The order the yard is shown in: put together once for as long as neither a rig nor a judgement is another. */
function orderOf(db: Database): Order {
  const parts = listEveryTool(db);
  const { known, version } = standingsOf(db);
  const before = orders.get(db);
  if (before?.told.parts === parts && before.told.version === version) return before;
  const rigs = [...everyRig(parts)];
  const used = rigs.filter(([, [rig]]) => rig!.archivedAt === null).map(([id]) => id);
  const away = rigs.filter(([, [rig]]) => rig!.archivedAt !== null).map(([id]) => id);
  // It lacks a machine: whatever else is good, it cannot be coupled.
  const missing = notHereOf(
    db,
    rigs.map(([, own]) => own),
  );
  const lacking = new Set(rigs.filter((_, at) => missing[at]!.length > 0).map(([id]) => id));
  const sorted = (ids: number[]) => ids.sort((a, b) => urgency(known.get(b)) - urgency(known.get(a)));
  const ids = {
    all: sorted(used),
    stopped: used.filter((id) => (known.get(id)?.stops ?? 0) > 0 || lacking.has(id)),
    ready: used.filter((id) => known.get(id)?.stops === 0 && !lacking.has(id)),
    away: sorted(away),
  };
  const order: Order = {
    told: { parts, version },
    ids,
    counts: {
      all: used.length,
      stopped: ids.stopped.length,
      ready: ids.ready.length,
      away: away.length,
    },
    judging: used.length - ids.stopped.length - ids.ready.length,
  };
  orders.set(db, order);
  return order;
}

/** What is not known stands behind what is stopped, and before what may be driven. */
const urgency = (judged: FindingCount | undefined): number =>
  judged ? judged.stops * 100 + judged.fixes : 99.5;

const texts = new WeakMap<readonly RigTool[], string>();

/** A rig's names and numbers, to be searched: put together once somebody searches. */
function textOf(parts: readonly RigTool[]): string {
  const known = texts.get(parts);
  if (known !== undefined) return known;
  const { name, tractor } = parts[0]!;
  const text = [
    name,
    ...[tractor, ...parts.map(({ implement }) => implement)].flatMap(
      ({ make, model, fleetNumber, serial }) => [make, model, fleetNumber, serial],
    ),
  ]
    .join(" ")
    .toLowerCase();
  texts.set(parts, text);
  return text;
}

function viewRigs(db: Database, rigs: readonly (readonly RigTool[])[], units: Units): YardRig[] {
  const facts = ladderFacts(db, new Map(rigs.map((parts) => [parts[0]!.id, parts])));
  const known = judgedOf(db, rigs.flat());
  // A ladder that was climbed yesterday is not climbed today, though nobody wrote anything.
  const old = rigs.filter(([rig]) => known.get(rig!.id)!.log !== logSaid(facts.get(rig!.id)!));
  const judged = old.length === 0 ? known : new Map([...known, ...judgedAnew(db, old.flat())]);
  const lacking = notHereOf(db, rigs);
  return rigs.map((parts, at) => {
    const rig = parts[0]!;
    const couplings = parts.map(({ couplingId }) => couplingId);
    const told = judged.get(rig.id)!;
    const { holding, drawing, climbed } = told;
    return {
      head: headOf(parts),
      standing: countsOf(told),
      holding: holding
        .slice(0, HOLDING_AT_ONCE)
        .map((finding) => ({ ...inUnits(finding, units), href: cureHref(rig.id, finding, couplings) })),
      more: Math.max(0, holding.length - HOLDING_AT_ONCE),
      drawing,
      climbed,
      away: rig.archivedAt !== null,
      lacks: lacking[at]!,
    };
  });
}
