/** Pins, span, mast and lift of a tool on lower links, held against the balls of the tractor. */

import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { hitchLoads, missingOfHitchLoad } from "../../forces/load-path.ts";
import { linkageOf } from "../../linkage/from-rig.ts";
import { liftShare, stroke } from "../../linkage/linkage.ts";
import { fineLength, quantity, type Said, tapeLength, tell } from "../../quantity/said.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import {
  CATEGORY_SIZES,
  type Category,
  type CategorySizes,
  fitMast,
  fitPin,
  fitSpan,
} from "../../trade/category.ts";
import { liftedCheck, unknownOf } from "./drawbar-checks.ts";

const sizesOf = (rig: ResolvedRig, key: "hitch.category" | "tool.category"): CategorySizes | null => {
  const category = chosen<Category>(rig, key);
  return category && CATEGORY_SIZES[category];
};

/** Pins, span and mast against the balls; a measured size counts before the category's. */
export function pinChecks(rig: ResolvedRig, checker: Checker): Check[] {
  const balls = sizesOf(rig, "hitch.category");
  if (!balls) return [checker("lower-pins", "Lower pins").unknown("hitch.category")];
  return [
    pinCheck(rig, LOWER, balls.lowerPin, checker),
    ...(rig.attachment === "links" ? [] : [pinCheck(rig, UPPER, balls.upperPin, checker)]),
    spanCheck(rig, balls, checker),
    ...mastCheck(rig, balls, checker),
  ];
}

const LOWER = {
  id: "lower-pins",
  label: "Lower pins",
  key: "tool.lowerPin",
  bushing: "tool.lowerBushing",
  size: "lowerPin",
  on: "each",
} as const;
const UPPER = {
  id: "upper-pin",
  label: "Upper pin",
  key: "tool.upperPin",
  bushing: "tool.upperBushing",
  size: "upperPin",
  on: "it",
} as const;

function pinCheck(
  rig: ResolvedRig,
  { id, label, key, bushing, size, on }: typeof LOWER | typeof UPPER,
  bore: number,
  rowOf: Checker,
): Check {
  const row = rowOf(id, label);
  const read = known(rig, key);
  const pin = read ?? sizesOf(rig, "tool.category")?.[size] ?? null;
  if (pin === null) return row.unknown("tool.category");
  const target = read === null ? "tool.category" : key;
  const fit = fitPin(pin, bore);
  const sizes = tell`${fineLength(pin)} pin in a ${fineLength(bore)} ball`;
  if (fit.kind === "fits") return row.good(target, tell`${sizes}: fits.`);
  if (fit.kind === "bushing" && chosen(rig, bushing) === "fitted")
    return row.good(
      bushing,
      tell`${sizes}, with a bushing ${fineLength(fit.inner)} inside, ${fineLength(fit.outer)} outside on ${on}.`,
    );
  return fit.kind === "bushing"
    ? row.fix(
        bushing,
        tell`${sizes}: put a bushing ${fineLength(fit.inner)} inside, ${fineLength(fit.outer)} outside on ${on}.`,
        "The slack hammers pin and ball out, and the tool jumps sideways.",
        "Bushing fitted?",
      )
    : row.stop(
        target,
        tell`${sizes}: ${fineLength(fit.by)} too thick.`,
        "It does not go in. Change the balls or the pins, never grind either.",
        "Look at the pins",
      );
}

const isRigid = (rig: ResolvedRig) => chosen(rig, "hitch.coupler") === "rigid";

function spanCheck(rig: ResolvedRig, balls: CategorySizes, rowOf: Checker): Check {
  const row = rowOf("span", "Cross shaft");
  const span = known(rig, "tool.span") ?? sizesOf(rig, "tool.category")?.span ?? null;
  if (span === null) return row.unknown("tool.span");
  const [narrowest, widest] = [known(rig, "hitch.narrowest"), known(rig, "hitch.widest")];
  const reach = narrowest !== null && widest !== null ? { narrowest, widest } : null;
  const rigid = isRigid(rig);
  const fit = fitSpan(span, { span: balls.span, rigid, reach });
  const spans = tell`Shoulder to shoulder ${tapeLength(span)}; the links' own is ${tapeLength(balls.span)}${balls.certain ? "" : " (uncertain in the sources)"}`;
  switch (fit.kind) {
    case "fits":
      return row.good("tool.span", tell`${spans}.`);
    case "rigid":
      return row.stop(
        "hitch.coupler",
        tell`${spans}, and a rigid quick coupler cannot give.`,
        "Take the coupler off, or set the cross shaft to its span.",
        "Look at the coupler",
      );
    case "short":
      return row.stop(
        "tool.span",
        tell`${spans}; the links miss it by ${fineLength(-fit.by)}.`,
        "They reach no further within their sway.",
      );
    case "reaches":
      return fit.slack === null
        ? row.check(
            fit.by < 0 ? "hitch.narrowest" : "hitch.widest",
            tell`${spans}: free links are to reach ${fineLength(Math.abs(fit.by))} ${fit.by < 0 ? "in" : "out"}.`,
            "Nobody measured how far they sway. Try it before you lift.",
          )
        : row.good("tool.span", tell`${spans}: the links reach it with ${fineLength(fit.slack)} left.`);
  }
}

function mastCheck(rig: ResolvedRig, balls: CategorySizes, rowOf: Checker): Check[] {
  if (!isRigid(rig) || rig.attachment === "links") return [];
  const mast = known(rig, "tool.mast") ?? sizesOf(rig, "tool.category")?.mast ?? null;
  if (mast === null) return [rowOf("mast", "Mast height").unknown("tool.mast")];
  const fit = fitMast(mast, balls.mast);
  const heights = tell`Mast ${tapeLength(mast)}; the coupler's hook is at ${tapeLength(balls.mast)}`;
  return [
    fit.kind === "fits"
      ? rowOf("mast", "Mast height").good("tool.mast", tell`${heights}.`)
      : rowOf("mast", "Mast height").stop(
          "hitch.coupler",
          tell`${heights}: ${fineLength(Math.abs(fit.by))} ${fit.by > 0 ? "too high" : "too low"}.`,
          "A rigid coupler catches one height only. Take it off, or change the implement's upper pin.",
          "Look at the coupler",
        ),
  ];
}

/** Height raised at the balls for each metre raised at a point behind them, the least through the stroke; null where it cannot be told. */
function leastLiftShare(rig: ResolvedRig, back: number): number | null {
  if (back === 0) return 1;
  const { linkage } = linkageOf(rig);
  const [low, high] = [known(rig, "hitch.ballLow"), known(rig, "hitch.ballHigh")];
  if (!linkage || low === null || high === null) return null;
  const shares = stroke(linkage, low, high, 12).map(({ angle }) =>
    liftShare(linkage, angle, { back, up: 0 }),
  );
  const all = shares.filter((share): share is number => share !== null);
  return all.length === 0 || all.length < shares.length ? null : Math.min(...all);
}

/**
 * What the lift holds `back` metres behind the balls, kg, by virtual work from where its capacity is quoted: at the ball ends, or so far
 * behind them as the plate says. Null where the linkage that tells it is not known.
 */
function heldAt(rig: ResolvedRig, capacity: number, back: number): number | null {
  const quoted = known(rig, "hitch.liftBehind") ?? 0;
  if (rig.attachment === "head" || Math.abs(quoted - back) < 0.005) return capacity;
  const [here, there] = [leastLiftShare(rig, back), leastLiftShare(rig, quoted)];
  return here === null || there === null ? null : (capacity * here) / there;
}

/**
 * The load that hangs on the lift with everything behind it, every tank empty and full, against what the lift holds where that load is: at
 * the balls for what stands on wheels of its own, at the common centre of gravity for what is carried whole.
 */
export function liftChecks(index: number, { parts }: WholeRig, rowOf: Checker): Check[] {
  const row = rowOf("lift", "Lift");
  const tooHeavy = (said: Said) =>
    row.stop(
      "tool.mass",
      said,
      "It would not leave the ground, or come down on its own. Take a larger tractor, or empty it.",
    );
  const { rig } = parts[index]!;
  const missing = missingOfHitchLoad(parts, index);
  if (missing) return [unknownOf(missing, index, parts, row)];
  const loads = hitchLoads(parts, index);
  const lifted = liftedCheck(loads, "links", row);
  if (lifted) return [lifted];
  const capacity = known(rig, "hitch.lift");
  if (capacity === null) return [row.unknown("hitch.lift")];
  const held = loads.map((each) => ({ ...each, holds: heldAt(rig, capacity, each.at ?? 0) }));
  const worst = held.reduce((most, each) => (spare(each) < spare(most) ? each : most));
  const { load, holds, at, words } = worst;
  const head = rig.attachment === "head";
  const where = head ? "at the mount" : at === null ? "at the link ends" : "at the common centre of gravity";
  const asks = tell`${at === null ? "It puts" : "It weighs"} ${quantity("mass", load)}${at === null ? " on the links" : ""}${words && ` (${words})`}`;
  const quoted = known(rig, "hitch.liftBehind") ?? 0;
  const plate = tell`the lift holds ${quantity("mass", capacity)} ${head ? "at the mount" : quoted === 0 ? "at the link ends" : tell`${tapeLength(quoted)} behind the link ends`}`;
  // Nearer to the balls than its capacity is quoted at, a lift holds no less than that; further back it is not known.
  const surely = holds ?? ((at ?? 0) <= quoted ? capacity : null);
  if (surely === null)
    return [
      load > capacity
        ? tooHeavy(tell`${asks}; ${plate}: ${quantity("mass", load - capacity)} too much.`)
        : row.check(
            linkageOf(rig).missing?.[0] ?? "hitch.ballLow",
            tell`${asks}; ${plate}. What it holds ${where} is not known yet.`,
            "The further back the weight, the less the lift holds. The hitch station's lengths give it.",
          ),
    ];
  const said =
    surely === capacity
      ? tell`${asks}; ${plate}`
      : tell`${asks}; ${plate}, ${quantity("mass", surely)} ${where}`;
  if (load <= surely) return [row.good("tool.mass", tell`${said}.`)];
  // Quoted behind the balls it may hold more at the balls than that: without the linkage nobody knows.
  if (holds === null)
    return [
      row.check(
        linkageOf(rig).missing?.[0] ?? "hitch.ballLow",
        tell`${said}. What it holds ${where} is not known yet.`,
        "Nearer to the link ends the lift holds more. The hitch station's lengths give it.",
      ),
    ];
  return [tooHeavy(tell`${said}: ${quantity("mass", load - surely)} too much there.`)];
}

/** What the lift has left; a load whose place it cannot be told for counts as the least. */
function spare({ load, holds }: { load: number; holds: number | null }): number {
  return holds === null ? Number.NEGATIVE_INFINITY : holds - load;
}
