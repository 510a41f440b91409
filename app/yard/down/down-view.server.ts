/** A machine that drives is down: which other one carries its tools now, in order of minutes, and what stops each of the others. */
import { inWords } from "../../../core/quantity/said.ts";
import type { Units } from "../../../core/quantity/units.ts";
import { type Rerig, type RerigSeconds, rerigOf } from "../../../core/season/rerig.ts";
import { bySwap, type Swap, swapOf } from "../../../core/season/swap.ts";
import { judgeWhole } from "../../../core/subjects/judge-whole.ts";
import type { Database } from "../../../data/handle.ts";
import { coupledRigs } from "../../../data/in-use.ts";
import { listMachines } from "../../../data/machines.ts";
import { rerigSeconds } from "../../../data/plan.ts";
import { everyRig, listEveryTool, type Machine, outfitOf, type RigTool } from "../../../data/rigs.ts";
import { partsOn, placesOn, wholeOn } from "../../../data/swap.ts";
import { machineName, shortName } from "../../../data/whole.ts";
import { machinesNotHere, notHereSaid } from "../../stations/frame/not-here.server.ts";
import { openedOf } from "../../stations/frame/opened.server.ts";
import { minutesWords } from "../plan/plan-words.ts";
import { setupOfOpened, setupOfRig } from "../plan/setups.server.ts";

type Rigs = ReadonlyMap<number, readonly RigTool[]>;

/** What is coupled to each machine now, by what was told last. */
export function coupledByMachine(db: Database, rigs: Rigs): Map<number, readonly RigTool[]> {
  const found = new Map<number, readonly RigTool[]>();
  for (const id of coupledRigs(db)) {
    const own = rigs.get(id);
    const machineId = own?.[0]?.tractor.id;
    if (own && machineId !== undefined && !found.has(machineId)) found.set(machineId, own);
  }
  return found;
}

export type Carrier = {
  machine: Machine;
  /** a rig of these tools on it that is there already */
  rig: { id: number; name: string } | null;
  carries: string | null;
  swap: Swap;
};

/** Every other machine that drives with a place for these tools, the quickest first; those that have none, and those that are not there. */
function carriersFor(db: Database, parts: readonly RigTool[], units: Units) {
  const rigs = everyRig(listEveryTool(db));
  const seconds = rerigSeconds(db);
  const down = parts[0]!.tractor.id;
  const drive = listMachines(db).filter(
    ({ id, kind, practice }) => kind !== "implement" && id !== down && !practice,
  );
  const elsewhere = machinesNotHere(db, drive);
  const others = drive.filter(({ id }) => !elsewhere.has(id));
  const before = openedOf(db, parts).judged;
  const outfit = outfitOf(parts);
  const there = new Map<number, readonly RigTool[]>();
  for (const own of rigs.values()) {
    const { id } = own[0]!.tractor;
    if (!there.has(id) && outfitOf(own) === outfit) there.set(id, own);
  }
  const coupled = coupledByMachine(db, rigs);
  const carriers: Carrier[] = [];
  const without: { machine: Machine; why: string }[] = [];
  for (const machine of others) {
    const known = there.get(machine.id);
    const found = known ? null : placesOn(db, parts, machine);
    if (found && !found.ok) {
      without.push({ machine, why: `no ${found.needs} for ${machineName(found.tool.implement)}` });
      continue;
    }
    const tried = known ?? partsOn(parts, (found as { places: Parameters<typeof partsOn>[1] }).places);
    const opened = known ? openedOf(db, known) : judgedOn(db, tried);
    const now = coupled.get(machine.id) ?? null;
    const rerig = rerigOf(
      now ? setupOfRig(db, now, units) : null,
      setupOfOpened(db, tried, opened, units),
      seconds,
    );
    carriers.push({
      machine,
      rig: known ? { id: known[0]!.id, name: known[0]!.name } : null,
      carries: now ? now[0]!.name : null,
      swap: swapOf(opened.judged, rerig, seconds.read, before),
    });
  }
  const notHere = drive.flatMap((machine) => {
    const missing = elsewhere.get(machine.id);
    return missing ? [{ machine, why: missing.why }] : [];
  });
  return { carriers: bySwap(carriers), without, notHere };
}

function judgedOn(db: Database, parts: readonly RigTool[]) {
  const whole = wholeOn(db, parts);
  return { whole, judged: judgeWhole(whole) };
}

/** What takes the tools off the machine that is down. */
function takenOff(db: Database, parts: readonly RigTool[], seconds: RerigSeconds, units: Units): Rerig {
  return rerigOf(setupOfRig(db, parts, units), null, seconds);
}

const rigOf = (parts: readonly RigTool[]) => ({
  id: parts[0]!.id,
  name: parts[0]!.name,
  tools: parts.map(({ implement }) => machineName(implement)).join(" + "),
});

const said = ({ machine, why }: { machine: Machine; why: string }) => ({
  id: machine.id,
  name: shortName(machine),
  why,
});

export function downView(db: Database, machine: Machine, asked: string | null, units: Units) {
  const rigs = everyRig(listEveryTool(db));
  const own = [...rigs.values()].filter((parts) => parts[0]!.tractor.id === machine.id);
  const coupled = coupledByMachine(db, rigs).get(machine.id);
  const parts = own.find((each) => String(each[0]!.id) === asked) ?? coupled ?? own[0] ?? null;
  const base = {
    machine: { id: machine.id, name: shortName(machine), full: machineName(machine) },
    rigs: own.map((each) => ({ id: each[0]!.id, name: each[0]!.name, now: each === parts })),
  };
  const nobody = { ...base, off: null, anyway: [] as string[], carriers: [], without: [], notHere: [] };
  if (!parts) return { ...nobody, rig: null };
  const rig = rigOf(parts);
  const tools = parts.map(({ implement }) => implement);
  const toolAway = notHereSaid(db, tools, "nothing carries it");
  if (toolAway) return { ...nobody, rig, anyway: [toolAway] };
  const { carriers, without, notHere } = carriersFor(db, parts, units);
  const off = takenOff(db, parts, rerigSeconds(db), units);
  return {
    ...base,
    rig,
    off: { minutes: minutesWords(off.seconds), lines: off.lines.map(({ said }) => inWords(said, units)) },
    anyway: [...new Set(carriers.flatMap(({ swap }) => swap.anyway.map(({ what }) => inWords(what, units))))],
    carriers: carriers.map(({ machine: other, rig, carries, swap }) => ({
      id: other.id,
      name: shortName(other),
      full: machineName(other),
      rig,
      carries,
      minutes: minutesWords(swap.seconds),
      lines: swap.rerig.lines.map(({ said }) => inWords(said, units)),
      notCounted: swap.rerig.unknown,
      stops: swap.stops.map(({ id, what, why }) => ({
        id,
        what: inWords(what, units),
        why: inWords(why, units),
      })),
      toRead: swap.toRead.map(({ what }) => inWords(what, units).replace(/ is missing.*$/, "")),
      unknown: swap.unknown.map(({ label }) => label),
    })),
    without: without.map(said),
    notHere: notHere.map(said),
  };
}
export type DownView = ReturnType<typeof downView>;
