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
export function ptoChecks(
  rig: ResolvedRig,
  power: RigPower,
  index: number,
  { check, unknown }: Checker,
): Check[] {
  const wanted = chosen<PtoType | "none">(rig, "tool.pto");
  const { shaft, kind } = power.parts[index]!;
  // While nobody told what it is, nobody knows whether it is driven: that is asked first.
  if (wanted === "none" || (wanted === null && (shaft === "none" || kind === null))) return [];
  if (wanted === null) return [unknown("pto", "PTO shaft", "tool.pto")];
  const type = chosen<PtoType>(rig, "pto.type");
  return [
    type === null
      ? unknown("pto", "PTO shaft", "pto.type")
      : type === wanted
        ? check("pto", "PTO shaft", {
            verdict: "good",
            said: `Both ${describeShaft(type)}.`,
            target: "pto.type",
          })
        : check("pto", "PTO shaft", {
            verdict: "stop",
            said: `The tractor's shaft is ${describeShaft(type)}; the implement takes ${describeShaft(wanted)}.`,
            why: "Change the stub shaft or the drive shaft. An adapter lengthens the shaft and brings the joint too near: look at both books first.",
            target: "pto.type",
          }),
    ptoSpeedCheck(rig, type, { check, unknown }),
    ...(rig.attachment === "drawn" && type ? [ptoDistanceCheck(rig, type, { check, unknown })] : []),
    overlapCheck(rig, { check, unknown }),
    ...shaftSizeCheck(rig, power, index, { check, unknown }),
    guardCheck(rig, { check, unknown }),
  ];
}

function ptoSpeedCheck(rig: ResolvedRig, type: PtoType | null, { check, unknown }: Checker): Check {
  const [id, label] = ["pto-speed", "PTO speed"];
  const [low, high] = [known(rig, "tool.ptoLow"), known(rig, "tool.ptoHigh")];
  const speed = known(rig, "pto.speed") ?? (type ? PTO_SHAFTS[type].speed : null);
  if (low === null) return unknown(id, label, "tool.ptoLow");
  if (high === null) return unknown(id, label, "tool.ptoHigh");
  if (speed === null) return unknown(id, label, "pto.speed");
  if (high < low)
    return check(id, label, {
      verdict: "fix",
      said: tell`The implement's highest PTO speed, ${quantity("rotation", high)}, is below its lowest, ${quantity("rotation", low)}.`,
      why: "They were written down crosswise.",
      target: "tool.ptoHigh",
    });
  const off = speedOff(speed, { low, high });
  const said = tell`${quantity("rotation", speed)}; the implement asks ${quantity("rotation", low)} to ${quantity("rotation", high)}`;
  if (off === 0) return check(id, label, { verdict: "good", said: tell`${said}.`, target: "pto.speed" });
  return off > 0
    ? check(id, label, {
        verdict: "stop",
        said: tell`${said}: ${quantity("rotation", off)} too fast.`,
        why: "Never over the marked speed: parts fly off. Choose the slower shaft speed or drive at lower engine speed.",
        target: "pto.speed",
      })
    : check(id, label, {
        verdict: "check",
        said: tell`${said}: ${quantity("rotation", -off)} too slow.`,
        why: "It will not work cleanly, and takes more torque for the same power.",
        target: "pto.speed",
      });
}

function ptoDistanceCheck(rig: ResolvedRig, type: PtoType, { check, unknown }: Checker): Check {
  const [id, label] = ["pto-distance", "Pin to PTO shaft"];
  const distance = known(rig, "hitch.toPto");
  if (distance === null) return unknown(id, label, "hitch.toPto");
  const off = pinDistance(type, distance);
  const standard = PTO_SHAFTS[type].toPin;
  if (off === null || standard === null)
    return check(id, label, {
      verdict: "check",
      said: tell`${tapeLength(distance)}; no standard figure is known here for ${describeShaft(type)}.`,
      why: "The implement's book gives the distance and the shaft's length.",
      target: "hitch.toPto",
    });
  const both = tell`${tapeLength(standard.asabe)} (ASABE S203) or ${tapeLength(standard.iso)} (ISO 6489-3)`;
  const said = tell`${tapeLength(distance)} from the pin to the shaft's end; standard for this shaft is ${both}, the implement's maker says which`;
  return off === 0
    ? check(id, label, { verdict: "good", said: tell`${said}.`, target: "hitch.toPto" })
    : check(id, label, {
        verdict: "fix",
        said: tell`${said}: ${off > 0 ? "push the drawbar in" : "pull the drawbar out"} by ${fineLength(Math.abs(off))}.`,
        why:
          off < 0
            ? "Too near, the joint jams in a turn and breaks. (Standards from memory.)"
            : "Too far, the shaft may pull apart in a turn. (Standards from memory.)",
        target: "hitch.toPto",
      });
}

/** Positions a shaft is read in, by how the tool hangs: at work, raised on links, turned on anything that swings. */
const POSITIONS = ["work.shaftWork", "work.shaftRaised", "work.shaftTurned"] as const;

/** Pulled apart at its longest, or bottoming out at its shortest: the worst of all positions decides. */
function overlapCheck(rig: ResolvedRig, { check, unknown }: Checker): Check {
  const [id, label] = ["shaft-overlap", "Shaft's overlap"];
  const asked = POSITIONS.filter((key) => hasDimension(rig.attachment, key));
  const missing = (["tool.shaftClosed", "tool.shaftTubes", ...asked] as const).find(
    (key) => known(rig, key) === null,
  );
  if (missing) return unknown(id, label, missing);
  const [closed, tubes] = [known(rig, "tool.shaftClosed")!, known(rig, "tool.shaftTubes")!];
  const { overlap, free } = shaftRoom(
    { closed, tubes },
    asked.map((key) => known(rig, key)!),
  );
  const book = known(rig, "tool.shaftLeast");
  const least = book ?? tubes * LEAST_OVERLAP;
  const target = "work.shaftWork" as const;
  if (free < 0)
    return check(id, label, {
      verdict: "stop",
      said: tell`The shaft is read ${fineLength(-free)} shorter than it can be pushed together.`,
      why: "One of the lengths is wrong, or it is bottoming out: that breaks the gearbox and the PTO's bearing.",
      target,
    });
  if (overlap <= 0)
    return check(id, label, {
      verdict: "stop",
      said: tell`The tubes come apart: at its longest the shaft is ${fineLength(-overlap)} longer than they reach.`,
      why: "It flails when it comes apart. Another shaft, or the drawbar further in.",
      target,
    });
  if (free < SHAFT_FREE)
    return check(id, label, {
      verdict: "fix",
      said: tell`At its shortest ${fineLength(free)} are left before it bottoms out; ${fineLength(SHAFT_FREE)} should stay free.`,
      why: "It pushes on the gearbox and the PTO's bearing. Both tubes and both guards shortened alike, by its book.",
      target,
    });
  const said = tell`At its longest the tubes lie ${fineLength(overlap)} in each other; ${book === null ? "a third of their overlap pushed together (common practice)" : "its book"} asks ${fineLength(least)}`;
  return overlap < least
    ? check(id, label, {
        verdict: "fix",
        said: tell`${said}.`,
        why: "It bends and wears there, and may pull apart in a turn. A longer shaft.",
        target,
      })
    : check(id, label, {
        verdict: "good",
        said: tell`${said}; ${fineLength(free)} free at its shortest.`,
        target,
      });
}

function shaftSizeCheck(
  rig: ResolvedRig,
  power: RigPower,
  index: number,
  { check, unknown }: Checker,
): Check[] {
  const size = chosen(rig, "tool.shaftCategory");
  const part = power.parts[index]!;
  const needs = part.task?.rotary ?? null;
  const speed = known(rig, "pto.speed");
  if (size === null) return [unknown("shaft-size", "Drive shaft", "tool.shaftCategory")];
  if (needs === null) return [];
  const rating = shaftRating(size, speed ?? 9);
  if (rating === null) return [];
  const said = tell`Size ${size} carries ${quantity("power", rating)} at this speed; the implement takes ${quantity("power", needs)}`;
  return [
    needs > rating
      ? check("shaft-size", "Drive shaft", {
          verdict: "fix",
          said: tell`${said}.`,
          why: "It twists or its joints burn out. (Sizes from memory: the mark on the shaft and its book come first.)",
          target: "tool.shaftCategory",
        })
      : check("shaft-size", "Drive shaft", {
          verdict: "good",
          said: tell`${said}.`,
          target: "tool.shaftCategory",
        }),
  ];
}

function guardCheck(rig: ResolvedRig, { check, unknown }: Checker): Check {
  const guard = chosen(rig, "tool.guard");
  if (guard === null) return unknown("guard", "Shaft guard", "tool.guard");
  return guard === "complete"
    ? check("guard", "Shaft guard", {
        verdict: "good",
        said: "Complete, turning free, chains hooked.",
        target: "tool.guard",
      })
    : check("guard", "Shaft guard", {
        verdict: "stop",
        said: `The drive shaft's guard is ${guard}.`,
        why: "A bare shaft winds in a sleeve in less than a second. It does not turn until the guard is whole.",
        target: "tool.guard",
        next: "Look at the guard",
      });
}
