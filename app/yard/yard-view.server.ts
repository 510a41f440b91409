import type { Thumbnail } from "../../core/drawing/thumbnail.ts";
import { inUnits, type ToldFinding } from "../../core/finding/finding.ts";
import type { Units } from "../../core/quantity/units.ts";
import type { Database } from "../../data/handle.ts";
import { ladderFacts } from "../../data/ladder.ts";
import { byRig, listEveryTool, type RigTool } from "../../data/rigs.ts";
import { type PutAway, putAwayOf } from "../stations/frame/put-away.ts";
import { headOf, type RigHead } from "../stations/frame/rig-view.server.ts";
import { cureHref } from "../stations/frame/stations.ts";
import { type FindingCount, judgedOf, standingsOf } from "./board.server.ts";
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
  /** machines of it that are archived */
  lacks: PutAway[];
};

export type YardView = {
  find: string;
  state: RigState;
  counts: Record<RigState, number>;
  page: number;
  pages: number;
  rigs: YardRig[];
};

type Asked = { find: string; state: RigState; page: number; units: Units };

const HOLDING_AT_ONCE = 3;

/** The rigs that are asked for, a page of them, the stopped first. */
export function viewYard(db: Database, { find, state, page, units }: Asked): YardView {
  const parts = byRig(listEveryTool(db));
  const everyRig = [...parts.values()].map((own) => own[0]!);
  const used = everyRig.filter(({ archivedAt }) => archivedAt === null);
  const away = everyRig.filter(({ archivedAt }) => archivedAt !== null);
  const standings = standingsOf(db, [...parts.values()].flat());
  const ready = ({ id }: RigTool) => standings.get(id)!.stops === 0;
  const asked = { all: used, stopped: used.filter((rig) => !ready(rig)), ready: used.filter(ready), away }[
    state
  ];
  const found = asked
    .filter(({ id }) => matches(parts.get(id)!, find))
    .sort((a, b) => urgency(standings, b) - urgency(standings, a));
  const pages = Math.max(1, Math.ceil(found.length / ON_A_PAGE));
  const here = Math.min(Math.max(page, 1), pages);
  return {
    find,
    state,
    counts: {
      all: used.length,
      stopped: used.filter((rig) => !ready(rig)).length,
      ready: used.filter(ready).length,
      away: away.length,
    },
    page: here,
    pages,
    rigs: viewRigs(
      db,
      found.slice((here - 1) * ON_A_PAGE, here * ON_A_PAGE).map(({ id }) => parts.get(id)!),
      standings,
      units,
    ),
  };
}

function urgency(standings: Map<number, FindingCount>, { id }: RigTool): number {
  const { stops, fixes } = standings.get(id)!;
  return stops * 100 + fixes;
}

/** Every word asked for stands somewhere in the rig's names and numbers. */
function matches(parts: readonly RigTool[], find: string): boolean {
  const { name, tractor } = parts[0]!;
  const text = [
    name,
    ...[tractor, ...parts.map(({ implement }) => implement)].flatMap(
      ({ make, model, fleetNumber, serial }) => [make, model, fleetNumber, serial],
    ),
  ]
    .join(" ")
    .toLowerCase();
  return find
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

function viewRigs(
  db: Database,
  rigs: readonly (readonly RigTool[])[],
  standings: Map<number, FindingCount>,
  units: Units,
): YardRig[] {
  const judged = judgedOf(db, rigs.flat());
  const facts = ladderFacts(db, new Map(rigs.map((parts) => [parts[0]!.id, parts])));
  return rigs.map((parts) => {
    const rig = parts[0]!;
    const couplings = parts.map(({ couplingId }) => couplingId);
    const { holding, drawing, climbed } = judged.get(rig.id)!;
    return {
      head: headOf(parts),
      standing: standings.get(rig.id)!,
      holding: holding
        .slice(0, HOLDING_AT_ONCE)
        .map((finding) => ({ ...inUnits(finding, units), href: cureHref(rig.id, finding, couplings) })),
      more: Math.max(0, holding.length - HOLDING_AT_ONCE),
      drawing,
      climbed: climbed(facts.get(rig.id)!),
      away: rig.archivedAt !== null,
      lacks: putAwayOf(parts),
    };
  });
}
