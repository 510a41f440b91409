/** Pin, loads, chain and brakes of a tool drawn by an eye. */

import { isCarried } from "../../dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import type { Checker, Row } from "../../finding/checking.ts";
import { type HitchLoad, hitchLoads, missingOfHitchLoad } from "../../forces/load-path.ts";
import { massBehind } from "../../forces/mass.ts";
import { fineLength, quantity, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { chainNeeded, DRAWBAR_SIZES, type DrawbarCategory } from "../../trade/drawbar.ts";

/** Pin, vertical load, towed load, chain and brakes of a tool on a pin. `index` is its place in the rig. */
export function drawbarChecks(part: ToolOfRig, index: number, whole: WholeRig, rowOf: Checker): Check[] {
  const { rig } = part;
  const behind = massBehind(whole.parts, index);
  return [
    pinCheck(rig, rowOf),
    verticalCheck(index, whole, rowOf),
    ...behindCarried(part, whole, rowOf),
    ...towedChecks(rig, behind, whole, rowOf),
    chainCheck(rig, behind, rowOf),
  ];
}

/** Everything on wheels behind a machine: what it may tow, and brakes. */
export function towedChecks(
  rig: ResolvedRig,
  behind: number | null,
  whole: WholeRig,
  rowOf: Checker,
): Check[] {
  const towed = rowOf("towed", "Towed mass");
  return [
    behind === null ? towed.unknown("tool.mass") : limitCheck(towed, behind, "hitch.towLimit", rig, ""),
    ...brakeCheck(rig, behind, whole, rowOf),
  ];
}

/** A drawn tool behind a carried one goes up and down with the lift: only where a maker provides for it (common practice, no source). */
function behindCarried({ behind }: ToolOfRig, { parts }: WholeRig, rowOf: Checker): Check[] {
  const carrier = behind === null ? null : parts[behind]!;
  if (!carrier || !isCarried(carrier.rig.attachment)) return [];
  return [
    rowOf("behind-carried", "Trailed behind a carried tool").check(
      "tool.cg",
      `It hangs on ${carrier.name}, which the lift carries: its load on the pin goes on the lift and off the front axle, raised as well.`,
      "Common practice allows it only on a hitch the carrying tool's maker provides, and never on the road unless both books say so. The drawbar must neither jam nor pull on its chain through the whole lift.",
    ),
  ];
}

/** A pin has this much play in an eye, at most (common practice, no source), metres. */
const EYE_PLAY = 0.003;

function pinCheck(rig: ResolvedRig, rowOf: Checker): Check {
  const row = rowOf("pin", "Pin and eye");
  const category = chosen<DrawbarCategory>(rig, "hitch.drawbarCategory");
  const pin = known(rig, "hitch.pin") ?? (category ? DRAWBAR_SIZES[category].pin : null);
  const eye = known(rig, "tool.eye");
  if (pin === null) return row.unknown("hitch.pin");
  if (eye === null) return row.unknown("tool.eye");
  const sizes = tell`${fineLength(pin)} pin in a ${fineLength(eye)} eye`;
  if (pin > eye)
    return row.stop(
      "hitch.pin",
      tell`${sizes}: it does not go in.`,
      "Never take a thinner pin instead: it shears.",
    );
  if (eye - pin > EYE_PLAY)
    return row.fix(
      "tool.eye",
      tell`${sizes}: ${fineLength(eye - pin)} of play. Bush the eye to ${fineLength(pin + 0.001)}.`,
      "Each start and stop hammers, and the hitch point wanders by as much.",
    );
  return row.good("tool.eye", tell`${sizes}: fits.`);
}

/** What a tool puts on its pin, with everything behind it, every tank of them empty and full. */
function verticalCheck(index: number, { parts }: WholeRig, rowOf: Checker): Check {
  const row = rowOf("vertical", "Load on the pin");
  const { rig } = parts[index]!;
  const missing = missingOfHitchLoad(parts, index);
  if (missing) return unknownOf(missing, index, parts, row);
  const loads = hitchLoads(parts, index);
  const lifted = liftedCheck(loads, "pin", row);
  if (lifted) return lifted;
  const most = loads.reduce((worst, each) => (each.load > worst.load ? each : worst));
  return limitCheck(row, most.load, "hitch.verticalLimit", rig, most.words);
}

/** The load hangs on a reading of this tool or of one behind it: said with that tool's name. */
export function unknownOf(
  { key, part }: { key: DimensionKey; part: number },
  index: number,
  parts: readonly ToolOfRig[],
  row: Row,
): Check {
  if (part === index) return row.unknown(key);
  const { name, rig } = parts[part]!;
  return {
    ...row.unknown(key),
    said: `${dimension(key, rig).label} of ${name} is not known.`,
    part,
  };
}

/** A stop where something lifts what it hangs on, in the state in which it lifts it most; null where nothing does. */
export function liftedCheck(loads: readonly HitchLoad[], on: "pin" | "links", row: Row): Check | null {
  const least = loads.reduce((worst, each) => (each.load < worst.load ? each : worst));
  if (least.load >= 0) return null;
  return row.stop(
    "tool.cg",
    tell`It lifts the ${on} by ${quantity("mass", -least.load)}${least.words && ` (${least.words})`}: the weight lies behind its wheels.`,
    "It takes weight off the axle ahead of it, and tips when unhitched. Chock and prop it; fill the other tank first, or move weight forward.",
  );
}

function limitCheck(
  row: Row,
  load: number,
  key: "hitch.verticalLimit" | "hitch.towLimit",
  rig: ResolvedRig,
  words: string,
): Check {
  const limit = known(rig, key);
  if (limit === null) return row.unknown(key);
  const said = tell`${quantity("mass", load)}${words && ` (${words})`}; permitted ${quantity("mass", limit)}`;
  return load > limit
    ? row.stop(
        key,
        tell`${row.label}: ${said}, ${quantity("mass", load - limit)} too much.`,
        "The tractor maker permits no more.",
      )
    : row.good(key, tell`${said}.`);
}

function chainCheck(rig: ResolvedRig, behind: number | null, rowOf: Checker): Check {
  const row = rowOf("chain", "Safety chain");
  const strength = known(rig, "tool.chain");
  if (behind === null) return row.unknown("tool.mass");
  const needed = chainNeeded(behind);
  if (strength === null)
    return row.unknown(
      "tool.chain",
      tell`It must hold ${quantity("force", needed)}, the weight of everything behind it.`,
    );
  const said = tell`Chain ${quantity("force", strength)}; everything behind it weighs ${quantity("force", needed)}`;
  return strength < needed
    ? row.stop(
        "tool.chain",
        tell`${said}.`,
        "On the road it must hold all of it when the pin fails (ASABE S338, from memory).",
        "Another chain",
      )
    : row.good("tool.chain", tell`${said}.`);
}

function brakeCheck(rig: ResolvedRig, behind: number | null, { limits }: WholeRig, rowOf: Checker): Check[] {
  const row = rowOf("brakes", "Brakes");
  if (behind === null) return [row.unknown("tool.mass")];
  const brakes = chosen(rig, "tool.brakes");
  const { unbraked } = limits;
  const mass = quantity("mass", behind);
  if (unbraked !== null && behind <= unbraked)
    return [
      row.good(
        "tool.brakes",
        tell`${mass}; without brakes up to ${quantity("mass", unbraked)} is allowed here.`,
      ),
    ];
  if (brakes === null) return [row.unknown("tool.brakes")];
  if (brakes === "working") return [row.good("tool.brakes", "Working, coupled to the tractor.")];
  if (unbraked === null)
    return [
      row.judged(
        "unknown",
        "limits",
        tell`${mass} without working brakes; no limit for that is entered for ${limits.country || "here"}.`,
        "Enter the limits of your country once: Machines, Road limits.",
      ),
    ];
  return [
    row.stop(
      "tool.brakes",
      tell`${mass} on the road without working brakes; ${quantity("mass", unbraked)} is the limit entered for ${limits.country || "here"}.`,
      "It pushes the tractor straight on in a bend. Check local rules.",
    ),
  ];
}
