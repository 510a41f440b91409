/** Pin, loads, chain and brakes of a tool drawn by an eye. */
import type { Check } from "../finding/check.ts";
import type { Checker } from "../finding/checking.ts";
import { say, sayFine } from "../quantity/say.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { chosen, known, type Part, type Whole } from "../rig/whole.ts";
import { chainNeeded, DRAWBAR_SIZES, type DrawbarCategory } from "./drawbar.ts";
import { massBehind } from "./mass.ts";

export function drawbarChecks(
  part: Part,
  index: number,
  whole: Whole,
  { check, unknown }: Checker,
  units: Units,
): Check[] {
  const { rig } = part;
  const behind = massBehind(whole.parts, index);
  return [
    pinCheck(rig, { check, unknown }, units),
    verticalCheck(rig, { check, unknown }, units),
    behind === null
      ? unknown("towed", "Towed mass", "tool.mass")
      : limitCheck(
          "towed",
          "Towed mass",
          behind,
          known(rig, "hitch.towLimit"),
          "hitch.towLimit",
          { check, unknown },
          units,
        ),
    chainCheck(rig, behind, { check, unknown }, units),
    ...brakeCheck(rig, behind, whole, { check, unknown }, units),
  ];
}

/** A pin has this much play in an eye, at most (common practice, no source), metres. */
const EYE_PLAY = 0.003;

function pinCheck(rig: ResolvedRig, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["pin", "Pin and eye"];
  const category = chosen<DrawbarCategory>(rig, "hitch.drawbarCategory");
  const pin = known(rig, "hitch.pin") ?? (category ? DRAWBAR_SIZES[category].pin : null);
  const eye = known(rig, "tool.eye");
  if (pin === null) return unknown(id, label, "hitch.pin");
  if (eye === null) return unknown(id, label, "tool.eye");
  const sizes = `${sayFine(pin, units)} pin in a ${sayFine(eye, units)} eye`;
  if (pin > eye)
    return check(id, label, {
      verdict: "stop",
      said: `${sizes}: it does not go in.`,
      why: "Never take a thinner pin instead: it shears.",
      target: "hitch.pin",
    });
  if (eye - pin > EYE_PLAY)
    return check(id, label, {
      verdict: "fix",
      said: `${sizes}: ${sayFine(eye - pin, units)} of play. Bush the eye to ${sayFine(pin + 0.001, units)}.`,
      why: "Each start and stop hammers, and the hitch point wanders by as much.",
      target: "tool.eye",
    });
  return check(id, label, { verdict: "good", said: `${sizes}: fits.`, target: "tool.eye" });
}

/** What a drawn tool puts on the pin, the most of empty and full. */
function pinLoads(rig: ResolvedRig): { empty: number; full: number } | null {
  const [mass, cg, wheels] = [known(rig, "tool.mass"), known(rig, "tool.cg"), known(rig, "pin.pivot")];
  if (mass === null || cg === null || wheels === null || wheels <= 0) return null;
  const empty = mass * (1 - cg / wheels);
  const load = known(rig, "tool.load") ?? 0;
  const loadCg = known(rig, "tool.loadCg") ?? cg;
  return { empty, full: empty + load * (1 - loadCg / wheels) };
}

function verticalCheck(rig: ResolvedRig, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["vertical", "Load on the pin"];
  const loads = pinLoads(rig);
  if (!loads) {
    const missing = (["tool.mass", "tool.cg", "pin.pivot"] as const).find((key) => known(rig, key) === null);
    return unknown(id, label, missing ?? "tool.mass");
  }
  const least = Math.min(loads.empty, loads.full);
  if (least < 0)
    return check(id, label, {
      verdict: "stop",
      said: `It lifts the hitch by ${say("mass", -least, units)}${loads.full < loads.empty ? " when full" : " when empty"}: its weight lies behind its wheels.`,
      why: "It takes weight off the tractor's rear axle, and tips when unhitched. Chock and prop it, and look at the centre of gravity.",
      target: "tool.cg",
    });
  return limitCheck(
    id,
    label,
    Math.max(loads.empty, loads.full),
    known(rig, "hitch.verticalLimit"),
    "hitch.verticalLimit",
    { check, unknown },
    units,
  );
}

function limitCheck(
  id: string,
  label: string,
  load: number,
  limit: number | null,
  key: "hitch.verticalLimit" | "hitch.towLimit",
  { check, unknown }: Checker,
  units: Units,
): Check {
  if (limit === null) return unknown(id, label, key);
  const said = `${say("mass", load, units)}; permitted ${say("mass", limit, units)}`;
  return load > limit
    ? check(id, label, {
        verdict: "stop",
        said: `${label}: ${said}, ${say("mass", load - limit, units)} too much.`,
        why: "The tractor maker permits no more.",
        target: key,
      })
    : check(id, label, { verdict: "good", said: `${said}.`, target: key });
}

function chainCheck(
  rig: ResolvedRig,
  behind: number | null,
  { check, unknown }: Checker,
  units: Units,
): Check {
  const [id, label] = ["chain", "Safety chain"];
  const strength = known(rig, "tool.chain");
  if (behind === null) return unknown(id, label, "tool.mass");
  const needed = chainNeeded(behind);
  if (strength === null)
    return unknown(
      id,
      label,
      "tool.chain",
      `It must hold ${say("force", needed, units)}, the weight of everything behind it.`,
    );
  const said = `Chain ${say("force", strength, units)}; everything behind it weighs ${say("force", needed, units)}`;
  return strength < needed
    ? check(id, label, {
        verdict: "stop",
        said: `${said}.`,
        why: "On the road it must hold all of it when the pin fails (ASABE S338, from memory).",
        target: "tool.chain",
        next: "Another chain",
      })
    : check(id, label, { verdict: "good", said: `${said}.`, target: "tool.chain" });
}

function brakeCheck(
  rig: ResolvedRig,
  behind: number | null,
  { limits }: Whole,
  { check, unknown }: Checker,
  units: Units,
): Check[] {
  const [id, label] = ["brakes", "Brakes"];
  if (behind === null || limits.unbraked === null) return [];
  const brakes = chosen(rig, "tool.brakes");
  if (behind <= limits.unbraked)
    return [
      check(id, label, {
        verdict: "good",
        said: `${say("mass", behind, units)}; without brakes up to ${say("mass", limits.unbraked, units)} is allowed here.`,
        target: "tool.brakes",
      }),
    ];
  if (brakes === null) return [unknown(id, label, "tool.brakes")];
  return [
    brakes === "working"
      ? check(id, label, { verdict: "good", said: "Working, coupled to the tractor.", target: "tool.brakes" })
      : check(id, label, {
          verdict: "stop",
          said: `${say("mass", behind, units)} on the road without working brakes; ${say("mass", limits.unbraked, units)} is the limit entered for ${limits.country || "here"}.`,
          why: "It pushes the tractor straight on in a bend. Check local rules.",
          target: "tool.brakes",
        }),
  ];
}
