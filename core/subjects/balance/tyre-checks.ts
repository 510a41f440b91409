/** Tyres: alike on an axle, and the pressures field and road ask for by the tyre makers' tables. */

import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { capital } from "../../quantity/capital.ts";
import { quantity, type Said, tell } from "../../quantity/said.ts";
import { onTracks } from "../../rig/supports.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { steersBehind } from "./axle-names.ts";
import type { AxlePressure } from "./tyres-of-rig.ts";

/** Pressures of an axle agree within this, Pa: the gauge's own step and a cold morning (common practice, no source). */
const ALIKE = 0.05e5;
/** Above what the field asks for by this, tyres are still as the road left them, Pa. */
const HARD = 0.3e5;

function axleName({ axle, part }: AxlePressure, whole: WholeRig): string {
  if (part !== null) return `${whole.parts[part]!.name}'s axle`;
  if (steersBehind(whole)) return axle === "front" ? "drive axle" : "steered axle";
  return axle === "front" ? "front axle" : "rear axle";
}

function alikeCheck(whole: WholeRig, axle: AxlePressure): Check[] {
  const { left, right, keys, part } = axle;
  const rowOf = checkerOf(
    "balance",
    whole.parts[part ?? 0]!.rig,
    part !== null && whole.parts.length > 1 ? part : undefined,
  );
  if (left === null || right === null || Math.abs(left - right) <= ALIKE + 1e-6) return [];
  const low = left < right ? "left" : "right";
  return [
    rowOf(`alike-${axle.axle}`, `Alike on the ${axleName(axle, whole)}`).fix(
      low === "left" ? keys.left : keys.right,
      tell`On the ${axleName(axle, whole)} the ${low} tyre has ${quantity("pressure", Math.abs(left - right))} less: ${quantity("pressure", left)} left, ${quantity("pressure", right)} right.`,
      "The machine leans, the receiver with it, and it pulls to one side.",
    ),
  ];
}

/** Whether tyres of an axle are gauged alike, where no load is known to hold them against. */
export function pressureOnly(whole: WholeRig): Check[] {
  const { rig } = whole.parts[0]!;
  if (onTracks(rig)) return [];
  const axles = [
    ["front", "tractor.pressureFrontLeft", "tractor.pressureFrontRight"],
    ["rear", "tractor.pressureRearLeft", "tractor.pressureRearRight"],
  ] as const;
  return axles.flatMap(([axle, left, right]) =>
    alikeCheck(whole, {
      axle,
      part: null,
      left: known(rig, left),
      right: known(rig, right),
      keys: { left, right },
      tyres: null,
      field: null,
      road: null,
      half: null,
    }),
  );
}

/** One axle's pressures: alike left and right, and enough for its load by the table. */
export function tyreChecks(whole: WholeRig, axle: AxlePressure): Check[] {
  return [...alikeCheck(whole, axle), ...tableCheck(whole, axle)];
}

function tableCheck(whole: WholeRig, axle: AxlePressure): Check[] {
  const { part, tyres, field, road, keys } = axle;
  const rowOf = checkerOf(
    "balance",
    whole.parts[part ?? 0]!.rig,
    part !== null && whole.parts.length > 1 ? part : undefined,
  );
  const row = rowOf(`tyres-${axle.axle}`, `Tyres, ${axleName(axle, whole)}`);
  if (!tyres || !field || !road)
    return [
      row.judged(
        "unknown",
        "tyres",
        "No tyre table is given.",
        "The tyre maker's table says what pressure a load and a speed need.",
      ),
    ];
  for (const [where, asked] of [
    ["on the road", road],
    ["in the field", field],
  ] as const) {
    const load = tell`${quantity("mass", asked.load)} on each tyre at ${quantity("speed", asked.speed)}`;
    const { answer } = asked;
    if (answer.kind === "overloaded")
      return [
        row.stop(
          "tyres",
          tell`${capital(where)}, ${load}: ${quantity("mass", answer.by)} more than ${tyres.label} carries at any pressure.`,
          "It bursts or comes off the rim. Drive slower, fill less, or fit other tyres.",
        ),
      ];
    if (answer.kind === "too fast")
      return [
        row.fix(
          "tyres",
          tell`${tyres.label}'s table ends at ${quantity("speed", answer.fastest)}; ${where} it goes ${quantity("speed", asked.speed)}.`,
          "A table is not read past its end. Drive no faster than it says.",
        ),
      ];
    if (answer.kind === "hole")
      return [
        row.check(
          "tyres",
          tell`${tyres.label}'s table has a hole at ${quantity("speed", asked.speed)}.`,
          "Fill in the missing figures from the tyre maker's book.",
        ),
      ];
  }
  if (field.answer.kind !== "pressure" || road.answer.kind !== "pressure") return [];
  const [inField, onRoad] = [field.answer.pressure, road.answer.pressure];
  const wanted = tell`${quantity("pressure", inField)} in the field, ${quantity("pressure", onRoad)} on the road`;
  const least = axle.left === null || axle.right === null ? null : Math.min(axle.left, axle.right);
  if (least === null)
    return [
      row.judged(
        "unknown",
        axle.left === null ? keys.left : keys.right,
        tell`${tyres.label} needs ${wanted}; nobody gauged it.`,
      ),
    ];
  return [
    againstAim(row, chosen<TyreAim>(whole.parts[part ?? 0]!.rig, "work.tyreAim"), axle, {
      least,
      inField,
      onRoad,
      wanted: tell`${tyres.label} needs ${wanted}`,
    }),
  ];
}

/** What the pressures are set for: choices of `work.tyreAim`. */
type TyreAim = "field" | "road" | "both";

/** Pressures in Pa: the softer tyre of an axle, and what its table asks for in either place, also in words. */
type Pressures = { least: number; inField: number; onRoad: number; wanted: Said };

/**
 * Whether what is in them is what they are set for: pumped up and let down between (`field`, `road`), or left as they are and enough
 * for either (`both`). Where nobody said, what is right for the one is wrong for the other as soon as the two are far apart.
 */
function againstAim(
  row: ReturnType<Checker>,
  aim: TyreAim | null,
  { keys }: AxlePressure,
  { least, inField, onRoad, wanted }: Pressures,
): Check {
  const now = quantity("pressure", least);
  const most = aim === "road" || aim === "both" ? Math.max(inField, onRoad) : inField;
  if (least < inField - ALIKE)
    return row.stop(
      keys.left,
      tell`${now} is too soft even for the field: ${wanted}.`,
      "The carcass breaks, or the tyre slips on the rim.",
      undefined,
      most,
    );
  if (aim === "field" && least <= inField + HARD)
    return row.good(
      keys.left,
      least < onRoad - ALIKE
        ? tell`${now}, set for the field; ${wanted}: pump up before the road.`
        : tell`${now}, set for the field; ${wanted}.`,
    );
  const soft = tell`${now}: right for the field, too soft for the road. ${wanted}.`;
  if (least < onRoad - ALIKE)
    return aim === null || aim === "field"
      ? row.check(keys.left, soft, "Pump up before the road, or drive as slowly as the table allows.")
      : row.fix(
          keys.left,
          soft,
          "Pump up: they are set to be driven on the road as they are.",
          undefined,
          most,
        );
  if (least <= most + HARD)
    return row.good(
      keys.left,
      aim === null ? tell`${now}; ${wanted}.` : tell`${now}, set for ${AIM_WORDS[aim]}; ${wanted}.`,
    );
  const beyond = least > Math.max(inField, onRoad) + HARD;
  return row.judged(
    beyond || aim === "field" ? "check" : "note",
    keys.left,
    tell`${now}: ${beyond ? "harder than even the road asks" : "still as hard as for the road"}. ${wanted}.`,
    aim === null && !beyond
      ? "Hard tyres slip, and press the soil. Say what they are set for: field, road, or both."
      : "Hard tyres slip, and press the soil.",
    undefined,
    most,
  );
}

const AIM_WORDS: Record<TyreAim, string> = {
  field: "the field",
  road: "the road",
  both: "field and road alike",
};
