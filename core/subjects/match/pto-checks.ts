/** Shaft, speed, distance, size and guard of a driven tool. */

import { hasDimension } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import type { RigPower } from "../../forces/power-of-rig.ts";
import { fineLength, quantity, tapeLength, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known } from "../../rig/whole.ts";
import {
  describeShaft,
  LEAST_OVERLAP,
  PTO_SHAFTS,
  type PtoType,
  pinDistance,
  SHAFT_FREE,
  shaftRoom,
  speedOff,
} from "../../trade/pto.ts";
import { shaftRating } from "./shaft.ts";

/** Shaft, speed, distance, overlap and size where a shaft drives the tool; nothing where none does. `index` is its place in the rig. */
export function ptoChecks(rig: ResolvedRig, power: RigPower, index: number, rowOf: Checker): Check[] {
  const wanted = chosen<PtoType | "none">(rig, "tool.pto");
  const { shaft, kind } = power.parts[index]!;
  // While nobody told what it is, nobody knows whether it is driven: that is asked first.
  if (wanted === "none" || (wanted === null && (shaft === "none" || kind === null))) return [];
  if (wanted === null) return [rowOf("pto", "PTO shaft").unknown("tool.pto")];
  const type = chosen<PtoType>(rig, "pto.type");
  return [
    type === null
      ? rowOf("pto", "PTO shaft").unknown("pto.type")
      : type === wanted
        ? rowOf("pto", "PTO shaft").good("pto.type", `Both ${describeShaft(type)}.`)
        : rowOf("pto", "PTO shaft").stop(
            "pto.type",
            `The tractor's shaft is ${describeShaft(type)}; the implement takes ${describeShaft(wanted)}.`,
            "Change the stub shaft or the drive shaft. An adapter lengthens the shaft and brings the joint too near: look at both books first.",
          ),
    ptoSpeedCheck(rig, type, rowOf),
    ...(rig.attachment === "drawn" && type ? [ptoDistanceCheck(rig, type, rowOf)] : []),
    overlapCheck(rig, rowOf),
    ...shaftSizeCheck(rig, power, index, rowOf),
    guardCheck(rig, rowOf),
  ];
}

function ptoSpeedCheck(rig: ResolvedRig, type: PtoType | null, rowOf: Checker): Check {
  const row = rowOf("pto-speed", "PTO speed");
  const [low, high] = [known(rig, "tool.ptoLow"), known(rig, "tool.ptoHigh")];
  const speed = known(rig, "pto.speed") ?? (type ? PTO_SHAFTS[type].speed : null);
  if (low === null) return row.unknown("tool.ptoLow");
  if (high === null) return row.unknown("tool.ptoHigh");
  if (speed === null) return row.unknown("pto.speed");
  if (high < low)
    return row.fix(
      "tool.ptoHigh",
      tell`The implement's highest PTO speed, ${quantity("rotation", high)}, is below its lowest, ${quantity("rotation", low)}.`,
      "They were written down crosswise.",
    );
  const off = speedOff(speed, { low, high });
  const said = tell`${quantity("rotation", speed)}; the implement wants ${quantity("rotation", low)} to ${quantity("rotation", high)}`;
  if (off === 0) return row.good("pto.speed", tell`${said}.`);
  return off > 0
    ? row.stop(
        "pto.speed",
        tell`${said}: ${quantity("rotation", off)} too fast.`,
        "Never over the marked speed: parts fly off. Choose the slower shaft speed or drive at lower engine speed.",
      )
    : row.check(
        "pto.speed",
        tell`${said}: ${quantity("rotation", -off)} too slow.`,
        "It will not work cleanly, and takes more torque for the same power.",
      );
}

function ptoDistanceCheck(rig: ResolvedRig, type: PtoType, rowOf: Checker): Check {
  const row = rowOf("pto-distance", "Pin to PTO shaft");
  const distance = known(rig, "hitch.toPto");
  if (distance === null) return row.unknown("hitch.toPto");
  const off = pinDistance(type, distance);
  const standard = PTO_SHAFTS[type].toPin;
  if (off === null || standard === null)
    return row.check(
      "hitch.toPto",
      tell`${tapeLength(distance)}; no standard figure is known here for ${describeShaft(type)}.`,
      "The implement's book gives the distance and the shaft's length.",
    );
  const both = tell`${tapeLength(standard.asabe)} (ASABE S203) or ${tapeLength(standard.iso)} (ISO 6489-3)`;
  const said = tell`${tapeLength(distance)} from the pin to the shaft's end; standard for this shaft is ${both}, the implement's maker says which`;
  return off === 0
    ? row.good("hitch.toPto", tell`${said}.`)
    : row.fix(
        "hitch.toPto",
        tell`${said}: ${off > 0 ? "push the drawbar in" : "pull the drawbar out"} by ${fineLength(Math.abs(off))}.`,
        off < 0
          ? "Too near, the joint jams in a turn and breaks. (Standards from memory.)"
          : "Too far, the shaft may pull apart in a turn. (Standards from memory.)",
      );
}

/** Positions a shaft is read in, by how the tool hangs: at work, raised on links, turned on anything that swings. */
const POSITIONS = ["work.shaftWork", "work.shaftRaised", "work.shaftTurned"] as const;

/** Pulled apart at its longest, or bottoming out at its shortest: the worst of all positions decides. */
function overlapCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("shaft-overlap", "Shaft's overlap");
  const asked = POSITIONS.filter((key) => hasDimension(rig, key));
  const missing = (["tool.shaftClosed", "tool.shaftTubes", ...asked] as const).find(
    (key) => known(rig, key) === null,
  );
  if (missing) return row.unknown(missing);
  const [closed, tubes] = [known(rig, "tool.shaftClosed")!, known(rig, "tool.shaftTubes")!];
  const { overlap, free } = shaftRoom(
    { closed, tubes },
    asked.map((key) => known(rig, key)!),
  );
  const book = known(rig, "tool.shaftLeast");
  const least = book ?? tubes * LEAST_OVERLAP;
  const target = "work.shaftWork" as const;
  if (free < 0)
    return row.stop(
      target,
      tell`The shaft is read ${fineLength(-free)} shorter than it can be pushed together.`,
      "One of the lengths is wrong, or it is bottoming out: that breaks the gearbox and the PTO's bearing.",
    );
  if (overlap <= 0)
    return row.stop(
      target,
      tell`The tubes come apart: at its longest the shaft is ${fineLength(-overlap)} longer than they reach.`,
      "It flails when it comes apart. Another shaft, or the drawbar further in.",
    );
  if (free < SHAFT_FREE)
    return row.fix(
      target,
      tell`At its shortest ${fineLength(free)} are left before it bottoms out; ${fineLength(SHAFT_FREE)} should stay free.`,
      "It pushes on the gearbox and the PTO's bearing. Both tubes and both guards shortened alike, by its book.",
    );
  const said = tell`At its longest the tubes lie ${fineLength(overlap)} in each other; ${book === null ? "a third of their overlap pushed together (common practice)" : "its book"} wants ${fineLength(least)}`;
  return overlap < least
    ? row.fix(
        target,
        tell`${said}.`,
        "It bends and wears there, and may pull apart in a turn. A longer shaft.",
      )
    : row.good(target, tell`${said}; ${fineLength(free)} free at its shortest.`);
}

function shaftSizeCheck(rig: ResolvedRig, power: RigPower, index: number, rowOf: Checker): Check[] {
  const size = chosen(rig, "tool.shaftCategory");
  const part = power.parts[index]!;
  const needs = part.task?.rotary ?? null;
  const speed = known(rig, "pto.speed");
  if (size === null) return [rowOf("shaft-size", "Drive shaft").unknown("tool.shaftCategory")];
  if (needs === null) return [];
  const rating = shaftRating(size, speed ?? 9);
  if (rating === null) return [];
  const said = tell`Size ${size} carries ${quantity("power", rating)} at this speed; the implement takes ${quantity("power", needs)}`;
  return [
    needs > rating
      ? rowOf("shaft-size", "Drive shaft").fix(
          "tool.shaftCategory",
          tell`${said}.`,
          "It twists or its joints burn out. (Sizes from memory: the mark on the shaft and its book come first.)",
        )
      : rowOf("shaft-size", "Drive shaft").good("tool.shaftCategory", tell`${said}.`),
  ];
}

function guardCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const guard = chosen(rig, "tool.guard");
  if (guard === null) return rowOf("guard", "Shaft guard").unknown("tool.guard");
  return guard === "complete"
    ? rowOf("guard", "Shaft guard").good("tool.guard", "Complete, turning free, chains hooked.")
    : rowOf("guard", "Shaft guard").stop(
        "tool.guard",
        `The drive shaft's guard is ${guard}.`,
        "A bare shaft winds in a sleeve in less than a second. It does not turn until the guard is whole.",
        "Look at the guard",
      );
}
