/** Pin, loads, chain and brakes of a tool drawn by an eye. */

import { isCarried } from "../../dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { type HitchLoad, hitchLoads, missingOfHitchLoad } from "../../forces/load-path.ts";
import { massBehind } from "../../forces/mass.ts";
import { fineLength, quantity, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { chainNeeded, DRAWBAR_SIZES, type DrawbarCategory } from "../../trade/drawbar.ts";

/** Pin, vertical load, towed load, chain and brakes of a tool on a pin. `index` is its place in the rig. */
export function drawbarChecks(
  part: ToolOfRig,
  index: number,
  whole: WholeRig,
  { check, unknown }: Checker,
): Check[] {
  const { rig } = part;
  const behind = massBehind(whole.parts, index);
  return [
    pinCheck(rig, { check, unknown }),
    verticalCheck(index, whole, { check, unknown }),
    ...behindCarried(part, whole, { check, unknown }),
    ...towedChecks(rig, behind, whole, { check, unknown }),
    chainCheck(rig, behind, { check, unknown }),
  ];
}

/** Everything on wheels behind a machine: what it may tow, and brakes. */
export function towedChecks(
  rig: ResolvedRig,
  behind: number | null,
  whole: WholeRig,
  { check, unknown }: Checker,
): Check[] {
  return [
    behind === null
      ? unknown("towed", "Towed mass", "tool.mass")
      : limitCheck(
          "towed",
          "Towed mass",
          behind,
          known(rig, "hitch.towLimit"),
          "hitch.towLimit",
          { check, unknown },
          "",
        ),
    ...brakeCheck(rig, behind, whole, { check, unknown }),
  ];
}

/** A drawn tool behind a carried one goes up and down with the lift: only where a maker provides for it (common practice, no source). */
function behindCarried({ behind }: ToolOfRig, { parts }: WholeRig, { check }: Checker): Check[] {
  const carrier = behind === null ? null : parts[behind]!;
  if (!carrier || !isCarried(carrier.rig.attachment)) return [];
  return [
    check("behind-carried", "Drawn behind a carried tool", {
      verdict: "check",
      said: `It hangs on ${carrier.name}, which the lift carries: its load on the pin goes on the lift and off the front axle, raised as well.`,
      why: "Common practice allows it only on a hitch the carrying tool's maker provides, and never on the road unless both books say so. The drawbar must neither jam nor pull on its chain through the whole lift.",
      target: "tool.cg",
    }),
  ];
}

/** A pin has this much play in an eye, at most (common practice, no source), metres. */
const EYE_PLAY = 0.003;

function pinCheck(rig: ResolvedRig, { check, unknown }: Checker): Check {
  const [id, label] = ["pin", "Pin and eye"];
  const category = chosen<DrawbarCategory>(rig, "hitch.drawbarCategory");
  const pin = known(rig, "hitch.pin") ?? (category ? DRAWBAR_SIZES[category].pin : null);
  const eye = known(rig, "tool.eye");
  if (pin === null) return unknown(id, label, "hitch.pin");
  if (eye === null) return unknown(id, label, "tool.eye");
  const sizes = tell`${fineLength(pin)} pin in a ${fineLength(eye)} eye`;
  if (pin > eye)
    return check(id, label, {
      verdict: "stop",
      said: tell`${sizes}: it does not go in.`,
      why: "Never take a thinner pin instead: it shears.",
      target: "hitch.pin",
    });
  if (eye - pin > EYE_PLAY)
    return check(id, label, {
      verdict: "fix",
      said: tell`${sizes}: ${fineLength(eye - pin)} of play. Bush the eye to ${fineLength(pin + 0.001)}.`,
      why: "Each start and stop hammers, and the hitch point wanders by as much.",
      target: "tool.eye",
    });
  return check(id, label, { verdict: "good", said: tell`${sizes}: fits.`, target: "tool.eye" });
}

/** What a tool puts on its pin, with everything behind it, every tank of them empty and full. */
function verticalCheck(index: number, { parts }: WholeRig, { check, unknown }: Checker): Check {
  const [id, label] = ["vertical", "Load on the pin"];
  const { rig } = parts[index]!;
  const missing = missingOfHitchLoad(parts, index);
  if (missing) return unknownOf(missing, index, parts, { id, label }, { check, unknown });
  const loads = hitchLoads(parts, index);
  const lifted = liftedCheck(loads, "pin", { id, label }, { check, unknown });
  if (lifted) return lifted;
  const most = loads.reduce((worst, each) => (each.load > worst.load ? each : worst));
  return limitCheck(
    id,
    label,
    most.load,
    known(rig, "hitch.verticalLimit"),
    "hitch.verticalLimit",
    { check, unknown },
    most.words,
  );
}

type Named = { id: string; label: string };

/** The load hangs on a reading of this tool or of one behind it: said with that tool's name. */
export function unknownOf(
  { key, part }: { key: DimensionKey; part: number },
  index: number,
  parts: readonly ToolOfRig[],
  { id, label }: Named,
  { unknown }: Checker,
): Check {
  if (part === index) return unknown(id, label, key);
  const { name, rig } = parts[part]!;
  return {
    ...unknown(id, label, key),
    said: `${dimension(key, rig.attachment).label} of ${name} is not known.`,
    part,
  };
}

/** A stop where something lifts what it hangs on, in the state in which it lifts it most; null where nothing does. */
export function liftedCheck(
  loads: readonly HitchLoad[],
  on: "pin" | "links",
  { id, label }: Named,
  { check }: Checker,
): Check | null {
  const least = loads.reduce((worst, each) => (each.load < worst.load ? each : worst));
  if (least.load >= 0) return null;
  return check(id, label, {
    verdict: "stop",
    said: tell`It lifts the ${on} by ${quantity("mass", -least.load)}${least.words && ` (${least.words})`}: the weight lies behind its wheels.`,
    why: "It takes weight off the axle ahead of it, and tips when unhitched. Chock and prop it; fill the other tank first, or move weight forward.",
    target: "tool.cg",
  });
}

function limitCheck(
  id: string,
  label: string,
  load: number,
  limit: number | null,
  key: "hitch.verticalLimit" | "hitch.towLimit",
  { check, unknown }: Checker,
  words: string,
): Check {
  if (limit === null) return unknown(id, label, key);
  const said = tell`${quantity("mass", load)}${words && ` (${words})`}; permitted ${quantity("mass", limit)}`;
  return load > limit
    ? check(id, label, {
        verdict: "stop",
        said: tell`${label}: ${said}, ${quantity("mass", load - limit)} too much.`,
        why: "The tractor maker permits no more.",
        target: key,
      })
    : check(id, label, { verdict: "good", said: tell`${said}.`, target: key });
}

function chainCheck(rig: ResolvedRig, behind: number | null, { check, unknown }: Checker): Check {
  const [id, label] = ["chain", "Safety chain"];
  const strength = known(rig, "tool.chain");
  if (behind === null) return unknown(id, label, "tool.mass");
  const needed = chainNeeded(behind);
  if (strength === null)
    return unknown(
      id,
      label,
      "tool.chain",
      tell`It must hold ${quantity("force", needed)}, the weight of everything behind it.`,
    );
  const said = tell`Chain ${quantity("force", strength)}; everything behind it weighs ${quantity("force", needed)}`;
  return strength < needed
    ? check(id, label, {
        verdict: "stop",
        said: tell`${said}.`,
        why: "On the road it must hold all of it when the pin fails (ASABE S338, from memory).",
        target: "tool.chain",
        next: "Another chain",
      })
    : check(id, label, { verdict: "good", said: tell`${said}.`, target: "tool.chain" });
}

function brakeCheck(
  rig: ResolvedRig,
  behind: number | null,
  { limits }: WholeRig,
  { check, unknown }: Checker,
): Check[] {
  const [id, label] = ["brakes", "Brakes"];
  if (behind === null) return [unknown(id, label, "tool.mass")];
  const brakes = chosen(rig, "tool.brakes");
  const { unbraked } = limits;
  const rest = { target: "tool.brakes" as const };
  const mass = quantity("mass", behind);
  if (unbraked !== null && behind <= unbraked)
    return [
      check(id, label, {
        verdict: "good",
        said: tell`${mass}; without brakes up to ${quantity("mass", unbraked)} is allowed here.`,
        ...rest,
      }),
    ];
  if (brakes === null) return [unknown(id, label, "tool.brakes")];
  if (brakes === "working")
    return [check(id, label, { verdict: "good", said: "Working, coupled to the tractor.", ...rest })];
  if (unbraked === null)
    return [
      check(id, label, {
        verdict: "unknown",
        said: tell`${mass} without working brakes; no limit for that is entered for ${limits.country || "here"}.`,
        why: "Enter the limits of your country once: Machines, Road limits.",
        target: "limits",
        next: "Enter limits",
      }),
    ];
  return [
    check(id, label, {
      verdict: "stop",
      said: tell`${mass} on the road without working brakes; ${quantity("mass", unbraked)} is the limit entered for ${limits.country || "here"}.`,
      why: "It pushes the tractor straight on in a bend. Check local rules.",
      ...rest,
    }),
  ];
}
