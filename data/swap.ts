/** A rig's tools on another tractor: as if they were coupled there, without anything being written; and coupled there. */
import { ATTACHMENTS } from "../core/dimension/attachment.ts";
import { dimension, isDimensionKey } from "../core/dimension/catalogue.ts";
import type { WholeRig } from "../core/rig/whole.ts";
import { onAnother, travels } from "../core/season/swap.ts";
import type { Database } from "./handle.ts";
import { type Point, pointsOf } from "./machines.ts";
import type { Told } from "./record.ts";
import { behindOf, copyCoupling, createRig, type Machine, type RigTool, toolsOf } from "./rigs.ts";
import { wholesOf } from "./whole.ts";

/** Where the tools of a rig would hang on another tractor. */
export type Places = {
  tractor: Machine;
  receiver: Point;
  /** by the coupling: the point of the tractor; null for what hangs on an implement ahead */
  hitches: ReadonlyMap<number, Point | null>;
  ptos: { front: Point | null; rear: Point | null };
};

/** Places on another tractor for every tool; or what it has none for. */
export function placesOn(
  db: Database,
  parts: readonly RigTool[],
  tractor: Machine,
): { ok: true; places: Places } | { ok: false; tool: RigTool; needs: string } {
  const points = pointsOf(db, tractor.id);
  const taken = new Set<number>();
  const hitches = new Map<number, Point | null>();
  for (const part of parts) {
    if (part.parentCouplingId !== null) {
      hitches.set(part.couplingId, null);
      continue;
    }
    const kinds: readonly string[] = ATTACHMENTS[part.attachment].hitches;
    const free = points.filter(({ id, kind }) => kinds.includes(kind) && !taken.has(id));
    const point = free.find(({ label }) => label === part.hitch.label) ?? free[0];
    if (!point) return { ok: false, tool: part, needs: kinds.join(" or ") };
    taken.add(point.id);
    hitches.set(part.couplingId, point);
  }
  const receiver = points.find(({ kind }) => kind === "receiver mount");
  if (!receiver) return { ok: false, tool: parts[0]!, needs: "receiver mount" };
  const pto = (kind: string) => points.find((point) => point.kind === kind) ?? null;
  return {
    ok: true,
    places: { tractor, receiver, hitches, ptos: { front: pto("front PTO"), rear: pto("rear PTO") } },
  };
}

/** The tools as they would be seen there. */
export function partsOn(parts: readonly RigTool[], { tractor, receiver, hitches, ptos }: Places): RigTool[] {
  const lead = (part: RigTool): RigTool =>
    part.parentCouplingId === null
      ? part
      : lead(parts.find(({ couplingId }) => couplingId === part.parentCouplingId)!);
  return parts.map((part) => ({
    ...part,
    tractor,
    receiver,
    hitch: hitches.get(lead(part).couplingId) ?? part.hitch,
    pto: part.implement.attachment === "front" ? ptos.front : ptos.rear,
  }));
}

/** The rig as it would be there: what is about the old pair alone is not known of the new one. */
export function wholeOn(db: Database, parts: readonly RigTool[]): WholeRig {
  const ofCoupling = (key: Parameters<typeof dimension>[0]) => dimension(key, "drawn").subject === "coupling";
  const whole = wholesOf(db, parts, (facts) => onAnother(facts, ofCoupling)).get(parts[0]!.id)!;
  return { ...whole, hoses: { ...whole.hoses, pins: new Map() } };
}

/** Couples the tools there under a name of its own, with what goes along; returns the rig's number. */
export function coupleOn(
  db: Database,
  parts: readonly RigTool[],
  { tractor, receiver, hitches }: Places,
  name: string,
  by: Told,
): number {
  return db.transaction(() => {
    const id = createRig(
      db,
      {
        name,
        tractorId: tractor.id,
        receiverPointId: receiver.id,
        couplings: parts.map((part) => ({
          pointId: hitches.get(part.couplingId)?.id ?? part.rearHitch!.id,
          implementId: part.implement.id,
          behind: behindOf(part, parts),
        })),
      },
      by,
    );
    for (const [at, part] of toolsOf(db, id).entries())
      copyCoupling(
        db,
        parts[at]!.couplingId,
        part.couplingId,
        parts[0]!.name,
        (topic) => isDimensionKey(topic) && travels(topic),
      );
    return id;
  });
}
