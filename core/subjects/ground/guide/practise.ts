/** A tool to practise on: like what was seen of the real one, with effects nobody was told. */
import { chance } from "../../../simulation/random.ts";
import {
  FAULTS,
  type Fault,
  type TruePlane,
  type TrueTool,
  type TrueWorld,
  trueEffects,
} from "../../../simulation/tool.ts";
import type { MeasureKey } from "../../../yard/ground.ts";
import type { GroundOf } from "../ground-of-rig.ts";
import type { Given, Guide, GuideStep, Off } from "./guide.ts";

/** A tool nobody looked at is off at every third thing, by so many tolerances. */
const OFF_BY = [1.6, 3] as const;
const OFTEN = 1 / 3;

/** Seeds the tool: what was seen on the real one is so, what nobody looked at is drawn. */
export function seedTool(guide: Guide, given: Given, map: GroundOf | null, seed: number): TrueTool {
  const random = chance(seed);
  const { adjusters } = given.ground;
  const values: Partial<Record<MeasureKey, number>> = {};
  for (const step of guide.steps) {
    const [newest] = given.looksAt(step.key);
    const seen = newest ? step.judge(newest, given).off : undefined;
    const asked = seen ?? offOfBlank(step, given);
    if (!asked || values[asked.measure] !== undefined) continue;
    values[asked.measure] = seen ? figureIn(seen) : drawn(asked, awry(random), onlyUp(step));
  }
  return {
    seed,
    values,
    plane: planeOf(given, map, random),
    at: Object.fromEntries(adjusters.flatMap(({ id, setting }) => (setting === null ? [] : [[id, setting]]))),
    effects: trueEffects(adjusters, seed),
    faults: faultsOf(guide, given, map, random),
  };
}

const figureIn = (off: Off) => ("sense" in off ? off.sense : off.value);

/** So many tolerances off. */
function awry(random: ReturnType<typeof chance>): number {
  if (random.between(0, 1) > OFTEN) return random.between(-0.3, 0.3);
  return random.between(...OFF_BY) * (random.between(-1, 1) < 0 ? -1 : 1);
}

/** What is entered without a side shows no less than nothing: it begins well above it. */
const onlyUp = ({ fields }: GuideStep) => !fields.some((field) => "sides" in field);

function drawn(off: Off, tolerances: number, up: boolean): number {
  if ("sense" in off) return Math.round(tolerances / 2);
  const value = off.wanted + off.tolerance * tolerances;
  return up ? Math.max(value, off.wanted / 2) : value;
}

/** What a step is judged by, told by a tool that is nothing anywhere; nothing where that tells none. */
function offOfBlank(step: GuideStep, given: Given): Off | undefined {
  if (!step.drill) return undefined;
  const none: TrueWorld = { chance: chance(1), value: () => 0, read: () => 0, faults: new Set() };
  return step.judge(step.drill(none, given), given).off;
}

/** Where nobody dug: a little too deep in front and on the right, one point bent now and then. */
function planeOf(given: Given, map: GroundOf | null, random: ReturnType<typeof chance>): TruePlane | null {
  if (map) {
    const { fit, long, wide } = map;
    const half = ((fit.fore ?? 0) * long) / 2;
    const bent = Object.fromEntries(fit.odd.map((at) => [map.map.points[at]!.label, fit.residuals[at]!]));
    return { front: fit.depth + half, rear: fit.depth - half, across: (fit.right ?? 0) * wide, bent };
  }
  if (given.wanted === null) return null;
  return {
    front: given.wanted + random.between(-0.03, 0.03),
    rear: given.wanted + random.between(-0.03, 0.03),
    across: random.between(-0.04, 0.04),
    bent: { "rear 3": 0.035 },
  };
}

function faultsOf(
  guide: Guide,
  given: Given,
  map: GroundOf | null,
  random: ReturnType<typeof chance>,
): Fault[] {
  const bent: Fault[] = map && map.fit.odd.length > 0 ? ["bent point"] : [];
  const others = guide.steps.flatMap(({ key, fault }): Fault[] => {
    if (!fault || bent.includes(fault.name)) return [];
    const [newest] = given.looksAt(key);
    const has = newest ? fault.seen(newest) : random.between(0, 1) < OFTEN / 2;
    return has ? [fault.name] : [];
  });
  return FAULTS.filter((each) => bent.includes(each) || others.includes(each));
}
