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
  if (!balls) return [checker.unknown("lower-pins", "Lower pins", "hitch.category")];
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
  size: "lowerPin",
  on: "each",
} as const;
const UPPER = {
  id: "upper-pin",
  label: "Upper pin",
  key: "tool.upperPin",
  size: "upperPin",
  on: "it",
} as const;

function pinCheck(
  rig: ResolvedRig,
  { id, label, key, size, on }: typeof LOWER | typeof UPPER,
  bore: number,
  { check, unknown }: Checker,
): Check {
  const read = known(rig, key);
  const pin = read ?? sizesOf(rig, "tool.category")?.[size] ?? null;
  if (pin === null) return unknown(id, label, "tool.category");
  const target = read === null ? "tool.category" : key;
  const fit = fitPin(pin, bore);
  const sizes = tell`${fineLength(pin)} pin in a ${fineLength(bore)} ball`;
  if (fit.kind === "fits") return check(id, label, { verdict: "good", said: tell`${sizes}: fits.`, target });
  return fit.kind === "bushing"
    ? check(id, label, {
        verdict: "fix",
        said: tell`${sizes}: put a bushing ${fineLength(fit.inner)} inside, ${fineLength(fit.outer)} outside on ${on}.`,
        why: "The slack hammers pin and ball out, and the tool jumps sideways.",
        target,
        next: "Look at the pins",
      })
    : check(id, label, {
        verdict: "stop",
        said: tell`${sizes}: ${fineLength(fit.by)} too thick.`,
        why: "It does not go in. Change the balls or the pins, never grind either.",
        target,
        next: "Look at the pins",
      });
}

const isRigid = (rig: ResolvedRig) => chosen(rig, "hitch.coupler") === "rigid";

function spanCheck(rig: ResolvedRig, balls: CategorySizes, { check, unknown }: Checker): Check {
  const [id, label] = ["span", "Cross shaft"];
  const span = known(rig, "tool.span") ?? sizesOf(rig, "tool.category")?.span ?? null;
  if (span === null) return unknown(id, label, "tool.span");
  const [narrowest, widest] = [known(rig, "hitch.narrowest"), known(rig, "hitch.widest")];
  const reach = narrowest !== null && widest !== null ? { narrowest, widest } : null;
  const rigid = isRigid(rig);
  const fit = fitSpan(span, { span: balls.span, rigid, reach });
  const spans = tell`Shoulder to shoulder ${tapeLength(span)}; the links' own is ${tapeLength(balls.span)}${balls.certain ? "" : " (uncertain in the sources)"}`;
  switch (fit.kind) {
    case "fits":
      return check(id, label, { verdict: "good", said: tell`${spans}.`, target: "tool.span" });
    case "rigid":
      return check(id, label, {
        verdict: "stop",
        said: tell`${spans}, and a rigid quick coupler cannot give.`,
        why: "Take the coupler off, or set the cross shaft to its span.",
        target: "hitch.coupler",
        next: "Look at the coupler",
      });
    case "short":
      return check(id, label, {
        verdict: "stop",
        said: tell`${spans}; the links miss it by ${fineLength(-fit.by)}.`,
        why: "They reach no further within their sway.",
        target: "tool.span",
      });
    case "reaches":
      return fit.slack === null
        ? check(id, label, {
            verdict: "check",
            said: tell`${spans}: free links are to reach ${fineLength(Math.abs(fit.by))} ${fit.by < 0 ? "in" : "out"}.`,
            why: "Nobody measured how far they sway. Try it before you lift.",
            target: fit.by < 0 ? "hitch.narrowest" : "hitch.widest",
          })
        : check(id, label, {
            verdict: "good",
            said: tell`${spans}: the links reach it with ${fineLength(fit.slack)} left.`,
            target: "tool.span",
          });
  }
}

function mastCheck(rig: ResolvedRig, balls: CategorySizes, { check, unknown }: Checker): Check[] {
  if (!isRigid(rig) || rig.attachment === "links") return [];
  const mast = known(rig, "tool.mast") ?? sizesOf(rig, "tool.category")?.mast ?? null;
  if (mast === null) return [unknown("mast", "Mast height", "tool.mast")];
  const fit = fitMast(mast, balls.mast);
  const heights = tell`Mast ${tapeLength(mast)}; the coupler's hook is at ${tapeLength(balls.mast)}`;
  return [
    fit.kind === "fits"
      ? check("mast", "Mast height", { verdict: "good", said: tell`${heights}.`, target: "tool.mast" })
      : check("mast", "Mast height", {
          verdict: "stop",
          said: tell`${heights}: ${fineLength(Math.abs(fit.by))} ${fit.by > 0 ? "too high" : "too low"}.`,
          why: "A rigid coupler catches one height only. Take it off, or change the implement's upper pin.",
          target: "hitch.coupler",
          next: "Look at the coupler",
        }),
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
export function liftChecks(index: number, { parts }: WholeRig, checker: Checker): Check[] {
  const { check, unknown } = checker;
  const named = { id: "lift", label: "Lift" };
  const { id, label } = named;
  const { rig } = parts[index]!;
  const missing = missingOfHitchLoad(parts, index);
  if (missing) return [unknownOf(missing, index, parts, named, checker)];
  const loads = hitchLoads(parts, index);
  const lifted = liftedCheck(loads, "links", named, checker);
  if (lifted) return [lifted];
  const capacity = known(rig, "hitch.lift");
  if (capacity === null) return [unknown(id, label, "hitch.lift")];
  const held = loads.map((each) => ({ ...each, holds: heldAt(rig, capacity, each.at ?? 0) }));
  const worst = held.reduce((most, each) => (spare(each) < spare(most) ? each : most));
  const { load, holds, at, words } = worst;
  const head = rig.attachment === "head";
  const where = head ? "at the mount" : at === null ? "at the balls" : "at the common centre of gravity";
  const asks = tell`${at === null ? "It puts" : "It weighs"} ${quantity("mass", load)}${at === null ? " on the links" : ""}${words && ` (${words})`}`;
  const quoted = known(rig, "hitch.liftBehind") ?? 0;
  const plate = tell`the lift holds ${quantity("mass", capacity)} ${head ? "at the mount" : quoted === 0 ? "at the balls" : tell`${tapeLength(quoted)} behind the balls`}`;
  // Nearer to the balls than its capacity is quoted at, a lift holds no less than that; further back it is not known.
  const surely = holds ?? ((at ?? 0) <= quoted ? capacity : null);
  if (surely === null)
    return [
      load > capacity
        ? check(id, label, tooHeavy(tell`${asks}; ${plate}: ${quantity("mass", load - capacity)} too much.`))
        : check(id, label, {
            verdict: "check",
            said: tell`${asks}; ${plate}. What it holds ${where} is not known yet.`,
            why: "The further back the weight, the less the lift holds. The hitch station's lengths give it.",
            target: linkageOf(rig).missing?.[0] ?? "hitch.ballLow",
          }),
    ];
  const said =
    surely === capacity
      ? tell`${asks}; ${plate}`
      : tell`${asks}; ${plate}, ${quantity("mass", surely)} ${where}`;
  if (load <= surely)
    return [check(id, label, { verdict: "good", said: tell`${said}.`, target: "tool.mass" })];
  // Quoted behind the balls it may hold more at the balls than that: without the linkage nobody knows.
  if (holds === null)
    return [
      check(id, label, {
        verdict: "check",
        said: tell`${said}. What it holds ${where} is not known yet.`,
        why: "Nearer to the balls the lift holds more. The hitch station's lengths give it.",
        target: linkageOf(rig).missing?.[0] ?? "hitch.ballLow",
      }),
    ];
  return [check(id, label, tooHeavy(tell`${said}: ${quantity("mass", load - surely)} too much there.`))];
}

const tooHeavy = (said: Said) => ({
  verdict: "stop" as const,
  said,
  why: "It would not leave the ground, or come down on its own. Take a larger tractor, or empty it.",
  target: "tool.mass" as const,
});

/** What the lift has left; a load whose place it cannot be told for counts as the least. */
function spare({ load, holds }: { load: number; holds: number | null }): number {
  return holds === null ? Number.NEGATIVE_INFINITY : holds - load;
}
