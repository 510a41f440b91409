import { dateAfter } from "../../../core/season/plan/kept.ts";
import type { Database } from "../../../data/handle.ts";
import { findMachine } from "../../../data/machines.ts";
import { addPlanAway, changePlanJob, planJobs } from "../../../data/plan.ts";
import type { Told } from "../../../data/record.ts";
import { everyRig, listEveryTool, type Machine, outfitOf, type RigTool } from "../../../data/rigs.ts";
import { coupleOn, placesOn } from "../../../data/swap.ts";
import { shortName } from "../../../data/whole.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { notHereSaid } from "../../stations/frame/not-here.server.ts";
import type { TakeOverDto } from "./down.dto.ts";

type Taken = { ok: true; rigId: number } | { ok: false; errors: FieldErrors };

/** Makes the rig on the other machine, tells the plan that this one is down, and lets the other do its jobs. */
export function takeOver(db: Database, machine: Machine, dto: TakeOverDto, told: Told): Taken {
  const no = (form: string): Taken => ({ ok: false, errors: { form } });
  const rigs = everyRig(listEveryTool(db));
  const parts = rigs.get(Number(dto.rig));
  if (!parts || parts[0]!.tractor.id !== machine.id) return no("This rig is not there any more.");
  const other = findMachine(db, Number(dto.other));
  if (!other || other.kind === "implement" || other.id === machine.id || other.archivedAt)
    return no("Choose another machine that drives.");
  const needed = [other, ...parts.map(({ implement }) => implement)];
  const missing = notHereSaid(db, needed, "it does not take over");
  if (missing) return no(missing);
  const same = [...rigs.values()].find(
    (own) => own[0]!.tractor.id === other.id && outfitOf(own) === outfitOf(parts),
  );
  const found = same ? null : placesOn(db, parts, other);
  if (found && !found.ok) return no(`${shortName(other)} has no ${found.needs}.`);
  const today = (told.now ?? told.at).toISOString().slice(0, 10);
  const from = dto.from || today;
  if (dto.until !== "" && dto.until < from)
    return { ok: false, errors: { until: "It ends before it begins." } };
  return db.transaction(() => {
    const rigId =
      same?.[0]?.id ??
      coupleOn(
        db,
        parts,
        (found as { places: Parameters<typeof coupleOn>[2] }).places,
        nameOf(rigs, `${parts[0]!.name}, on ${shortName(other)}`),
        told,
      );
    for (const job of planJobs(db))
      if (job.rigs.includes(parts[0]!.id) && !job.rigs.includes(rigId))
        changePlanJob(db, { ...job, rigs: [...job.rigs, rigId] }, told);
    addPlanAway(
      db,
      {
        machineId: machine.id,
        personId: null,
        from,
        to: dto.until || dateAfter(from, OPEN_END),
        why: dto.why || "broken down",
      },
      told,
    );
    return { ok: true, rigId };
  });
}

/** Nobody knows until when: two weeks, to be told otherwise. */
const OPEN_END = 13;

/** A name no other rig has. */
function nameOf(rigs: ReadonlyMap<number, readonly RigTool[]>, name: string): string {
  const taken = new Set([...rigs.values()].map((parts) => parts[0]!.name));
  let found = name.slice(0, 76);
  for (let count = 2; taken.has(found); count += 1) found = `${name.slice(0, 72)} ${count}`;
  return found;
}
