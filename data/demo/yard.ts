import { eq } from "drizzle-orm";
import { fillCard } from "../../core/card/fill.ts";
import { freeze } from "../../core/card/numbered.ts";
import { isBuiltOn } from "../../core/dimension/attachment.ts";
import { dimension } from "../../core/dimension/catalogue.ts";
import { judge } from "../../core/finding/judge.ts";
import { hookupList } from "../../core/hookup/list.ts";
import { inWords } from "../../core/quantity/said.ts";
import { PRESETS } from "../../core/quantity/units.ts";
import { resolveRig } from "../../core/rig/resolve.ts";
import { judgeWhole } from "../../core/subjects/judge-whole.ts";
import { issueCard, keepReadbacks, latestCard } from "../cards.ts";
import { rigFacts } from "../facts.ts";
import type { Database } from "../handle.ts";
import { keepEvent, keepTick } from "../hookup.ts";
import { addFunction, addRemote, setHydraulics } from "../hoses.ts";
import { addPoint, createMachine, listMachines, pointsOf } from "../machines.ts";
import { keepReading, keepSections } from "../readings.ts";
import { createRig, findRig, type Machine, type RigTool, toolsOf } from "../rigs.ts";
import { point } from "../schema/index.ts";
import { findScheme, nameProfile, setTerminal } from "../schemes.ts";
import { addTyre, addWeight, fitWeights, setAxleTyre, setRoadLimits, weightsOf } from "../settings.ts";
import { wholesOf } from "../whole.ts";
import { plantDoses } from "./doses.ts";
import { BORROWED, type DemoRig, GRASS_AND_GRAIN, PROVEN } from "./drills.ts";
import { plantBase, plantFields } from "./fields.ts";
import { plantGround } from "./ground.ts";
import { plantLog } from "./log.ts";
import { FUNCTIONS, SUPPLIES, TOLD } from "./oil.ts";
import { plantPlan } from "./plan.ts";
import { plantTest } from "./proofs.ts";
import {
  type DemoHitching,
  type DemoMachine,
  GRAIN_DRILL,
  HITCHED,
  MEADOW_DRILL,
  ROAD_LIMITS,
} from "./rigs.ts";
import { plantService } from "./service.ts";
import { plantSteering } from "./steering.ts";
import { BY, read, type ToldReading } from "./told.ts";
import { BROAD_REAR, CART, DRIVE_WHEEL, DUAL, FRONT, REAR, SPRAYER_WHEEL, WIDE_FRONT } from "./tyres.ts";
import { plantWorks } from "./works.ts";

/** Fills an empty database with an invented contractor's rigs. */
export function plantDemoYard(db: Database): void {
  db.transaction(() => {
    const [first] = [GRASS_AND_GRAIN, BORROWED].map((each) => plantRig(db, each)) as [RigTool, RigTool];
    const proven = plantRig(db, PROVEN);
    for (const [index, test] of PROVEN.tested.entries()) plantTest(db, proven, test, index, PROVEN.person);
    setRoadLimits(db, ROAD_LIMITS, BY);
    const tyres = plantTyres(db);
    keepAll(db, first, read(GRAIN_DRILL.lines), GRASS_AND_GRAIN);
    keepAll(db, proven, read(MEADOW_DRILL.lines), PROVEN);
    for (const weight of GRAIN_DRILL.weights) addWeight(db, { machineId: first.tractor.id, ...weight }, BY);
    const hitched = HITCHED.map((each) => plantHitching(db, each, first));
    plantOil(db, [first, proven, ...hitched]);
    fitTyres(db, tyres, [first, proven, ...hitched]);
    plantGround(db, [first, proven, ...hitched]);
    plantDoses(db, [first, proven, ...hitched]);
    const fields = plantFields(db);
    plantBase(db);
    plantLog(db, [first, proven, ...hitched], fields);
    plantWorks(db, [first, proven, ...hitched], fields);
    const withTool = (number: string) =>
      hitched.find(({ implement }) => implement.fleetNumber === number)!.id;
    plantService(db);
    plantPlan(db);
    plantSteering(db, { hoe: withTool("H6"), drill: withTool("D7") });
    plantHookup(db, proven, PROVEN.person, PROVEN.at);
    plantCard(db, proven, PROVEN);
  });
}

type Stamp = { person: string; at: string };

function keepAll(db: Database, rig: RigTool, told: readonly ToldReading[], { person, at }: Stamp): void {
  for (const { key, text, value, step, by } of told)
    keepReading(db, rig, {
      key,
      rawText: text,
      value,
      step,
      instrument: by,
      person,
      at: new Date(at),
      conditions: by === "tape" ? [...dimension(key, rig.attachment).conditions] : [],
    });
}

function plantRig(db: Database, demo: DemoRig): RigTool {
  const { mount, hole, ...tractor } = demo.tractor;
  const tractorId = createMachine(db, "tractor", tractor, BY);
  const implementId = createMachine(db, "implement", demo.drill, BY);
  const points = pointsOf(db, tractorId);
  const [receiver, firstHole] = [pointOf(points, "receiver mount"), pointOf(points, "drawbar hole")];
  for (const [id, label] of [
    [receiver, mount],
    [firstHole, hole],
  ] as const)
    db.update(point).set({ label }).where(eq(point.id, id)).run();
  const id = createRig(
    db,
    {
      name: demo.name,
      tractorId,
      receiverPointId: receiver,
      couplings: [{ pointId: firstHole, implementId, behind: null }],
    },
    BY,
  );
  setTerminal(db, tractorId, { schemeId: demo.scheme, name: demo.terminal }, BY);
  const planted = findRig(db, id)!;
  nameProfile(db, planted, demo.profile, BY);
  keepAll(db, planted, demo.told, demo);
  keepSections(db, planted, demo.sections.widths, {
    instrument: demo.sections.by,
    person: demo.person,
    at: new Date(demo.at),
  });
  return planted;
}

function pointOf(points: readonly { id: number; kind: string }[], kind: string): number {
  return points.find((each) => each.kind === kind)!.id;
}

function plantMachine(db: Database, { kind, points = [], weights = [], ...details }: DemoMachine): number {
  const id = createMachine(db, kind, { busName: "", ...details }, BY);
  for (const each of points) addPoint(db, id, each.kind, each.label, BY);
  for (const weight of weights) addWeight(db, { machineId: id, ...weight }, BY);
  return id;
}

function plantHitching(db: Database, demo: DemoHitching, first: RigTool): RigTool {
  const tractorId = driverOf(db, demo, first);
  const tools = demo.tools.map(({ machine }) => plantMachine(db, machine));
  const id = createRig(
    db,
    {
      name: demo.name,
      tractorId,
      receiverPointId: pointOf(pointsOf(db, tractorId), "receiver mount"),
      couplings: demo.tools.map(({ on, behind }, index) => ({
        pointId: pointOf(pointsOf(db, behind === null ? tractorId : tools[behind]!), on),
        implementId: tools[index]!,
        behind,
      })),
    },
    BY,
  );
  const parts = toolsOf(db, id);
  keepAll(db, parts[0]!, read(demo.lines, parts[0]!.attachment), demo);
  for (const [index, part] of parts.entries()) {
    const { lines, sections } = demo.tools[index]!;
    keepAll(db, part, read(lines, part.attachment), demo);
    if (sections)
      keepSections(db, part, sections, { instrument: "tape", person: demo.person, at: new Date(demo.at) });
  }
  const counts = weightsOf(db, tractorId).map(({ id: weightId }, index): [number, number] => [
    weightId,
    demo.fitted?.[index] ?? 0,
  ]);
  fitWeights(db, id, new Map(counts), { person: demo.person, at: new Date(demo.at) });
  return parts[0]!;
}

/** The machine of a rig: the first's, one that drives an earlier rig as well, or one of its own. */
function driverOf(db: Database, { driver }: DemoHitching, first: RigTool): number {
  if (driver === null) return first.tractor.id;
  if (typeof driver !== "string") return plantMachine(db, driver);
  return listMachines(db).findLast(({ fleetNumber }) => fleetNumber === driver)!.id;
}

/** Remotes, functions and sockets of every machine that has some. */
function plantOil(db: Database, rigs: readonly RigTool[]): void {
  const machines = rigs.flatMap(({ id }) =>
    toolsOf(db, id).flatMap(({ tractor, implement }) => [tractor, implement]),
  );
  for (const { id, fleetNumber } of new Map(machines.map((each) => [each.id, each])).values()) {
    const { remotes = [], ...supply } = SUPPLIES[fleetNumber] ?? {};
    if (SUPPLIES[fleetNumber]) setHydraulics(db, id, supply, BY);
    for (const remote of remotes) addRemote(db, id, remote, BY);
    if (TOLD[fleetNumber]) setHydraulics(db, id, { sockets: TOLD[fleetNumber] }, BY);
    for (const fn of FUNCTIONS[fleetNumber] ?? []) addFunction(db, id, fn, BY);
  }
}

type Tyres = Record<
  "front" | "wideFront" | "rear" | "broadRear" | "dual" | "cart" | "drive" | "sprayer",
  number
>;

function plantTyres(db: Database): Tyres {
  return {
    front: addTyre(db, FRONT, BY),
    wideFront: addTyre(db, WIDE_FRONT, BY),
    rear: addTyre(db, REAR, BY),
    broadRear: addTyre(db, BROAD_REAR, BY),
    dual: addTyre(db, DUAL, BY),
    cart: addTyre(db, CART, BY),
    drive: addTyre(db, DRIVE_WHEEL, BY),
    sprayer: addTyre(db, SPRAYER_WHEEL, BY),
  };
}

function fitTyres(db: Database, tyres: Tyres, rigs: readonly RigTool[]): void {
  for (const { tractor, implement } of rigs) {
    const [front, rear, count = 2] = wheelsOf(tyres, tractor, implement);
    if (front) setAxleTyre(db, { machineId: tractor.id, axle: "front" }, { tyreId: front, count }, BY);
    if (rear) setAxleTyre(db, { machineId: tractor.id, axle: "rear" }, { tyreId: rear, count }, BY);
    if (implement.make === "Wexcombe")
      setAxleTyre(db, { machineId: implement.id, axle: "tool" }, { tyreId: tyres.cart, count: 2 }, BY);
  }
}

function wheelsOf(
  tyres: Tyres,
  tractor: Machine,
  implement: Machine,
): [front: number | null, rear: number | null, count?: number] {
  if (tractor.fleetNumber === "T14") return [null, null];
  if (tractor.fleetNumber === "T13") return [tyres.dual, tyres.dual, 4];
  if (isBuiltOn(implement.attachment)) return [tyres.sprayer, tyres.sprayer];
  if (tractor.kind !== "tractor") return [tyres.drive, null];
  if (tractor.model === "240") return [tyres.wideFront, tyres.broadRear];
  return [tractor.make === "Oxmoor" ? tyres.wideFront : tyres.front, tyres.rear];
}

/** The whole list ticked, and the rig called coupled. */
function plantHookup(db: Database, rig: RigTool, person: string, start: string): void {
  const units = PRESETS.metric;
  const whole = wholesOf(db, [rig]).get(rig.id)!;
  const lines = hookupList(whole, judgeWhole(whole));
  let at = new Date(start).getTime();
  for (const { key, text, stop } of lines) {
    if (stop) continue;
    at += 40_000;
    keepTick(
      db,
      rig.id,
      { line: key, said: inWords(text, units), state: "done", reason: "" },
      { person, at: new Date(at) },
    );
  }
  keepEvent(db, rig.id, "coupled", { person, at: new Date(at + 30_000) });
}

/** A card as it went to the cab, and every line of it read back. */
function plantCard(
  db: Database,
  rig: RigTool,
  { scheme: schemeId, profile, terminal, person, cardAt }: typeof PROVEN,
): void {
  const resolved = resolveRig(rigFacts(db, rig));
  const scheme = findScheme(db, schemeId)!;
  const at = new Date(cardAt);
  const lines = freeze(fillCard(scheme, resolved, judge(resolved), PRESETS.metric, []));
  issueCard(db, rig, {
    schemeName: scheme.name,
    profileName: profile,
    order: scheme.order,
    terminalName: terminal,
    person,
    at,
    lines,
  });
  const card = latestCard(db, rig)!;
  const readback = lines.map(({ figure, word }, position) => ({
    position,
    shown: figure,
    word,
    outcome: "match" as const,
    by: "",
    wrong: "" as const,
  }));
  keepReadbacks(db, card, readback, { person, at });
}
