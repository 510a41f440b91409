/** Pins, span, mast and lift of a tool on lower links, held against the balls of the tractor. */
import type { Check } from "../finding/check.ts";
import type { Checker } from "../finding/checking.ts";
import { linkageOf } from "../hitch/from-rig.ts";
import { liftShare, stroke } from "../hitch/linkage.ts";
import { printLength } from "../quantity/length.ts";
import { say, sayFine } from "../quantity/say.ts";
import type { Units } from "../quantity/units.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { chosen, known } from "../rig/whole.ts";
import { CATEGORY_SIZES, type Category, type CategorySizes, fitMast, fitPin, fitSpan } from "./category.ts";
import { carriedShare, fullMass } from "./mass.ts";

const sizesOf = (rig: ResolvedRig, key: "hitch.category" | "tool.category"): CategorySizes | null => {
  const category = chosen<Category>(rig, key);
  return category && CATEGORY_SIZES[category];
};

/** Pins, span and mast against the balls; a measured size counts before the category's. */
export function pinChecks(rig: ResolvedRig, checker: Checker, units: Units): Check[] {
  const balls = sizesOf(rig, "hitch.category");
  if (!balls) return [checker.unknown("lower-pins", "Lower pins", "hitch.category")];
  return [
    pinCheck(rig, LOWER, balls.lowerPin, checker, units),
    ...(rig.attachment === "links" ? [] : [pinCheck(rig, UPPER, balls.upperPin, checker, units)]),
    spanCheck(rig, balls, checker, units),
    ...mastCheck(rig, balls, checker, units),
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
  units: Units,
): Check {
  const read = known(rig, key);
  const pin = read ?? sizesOf(rig, "tool.category")?.[size] ?? null;
  if (pin === null) return unknown(id, label, "tool.category");
  const target = read === null ? "tool.category" : key;
  const fit = fitPin(pin, bore);
  const sizes = `${sayFine(pin, units)} pin in a ${sayFine(bore, units)} ball`;
  if (fit.kind === "fits") return check(id, label, { verdict: "good", said: `${sizes}: fits.`, target });
  return fit.kind === "bushing"
    ? check(id, label, {
        verdict: "fix",
        said: `${sizes}: put a bushing ${sayFine(fit.inner, units)} inside, ${sayFine(fit.outer, units)} outside on ${on}.`,
        why: "The slack hammers pin and ball out, and the tool jumps sideways.",
        target,
        next: "Look at the pins",
      })
    : check(id, label, {
        verdict: "stop",
        said: `${sizes}: ${sayFine(fit.by, units)} too thick.`,
        why: "It does not go in. Change the balls or the pins, never grind either.",
        target,
        next: "Look at the pins",
      });
}

const isRigid = (rig: ResolvedRig) => chosen(rig, "hitch.coupler") === "rigid";

function spanCheck(rig: ResolvedRig, balls: CategorySizes, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["span", "Cross shaft"];
  const span = known(rig, "tool.span") ?? sizesOf(rig, "tool.category")?.span ?? null;
  if (span === null) return unknown(id, label, "tool.span");
  const [narrowest, widest] = [known(rig, "hitch.narrowest"), known(rig, "hitch.widest")];
  const reach = narrowest !== null && widest !== null ? { narrowest, widest } : null;
  const rigid = isRigid(rig);
  const fit = fitSpan(span, { span: balls.span, rigid, reach });
  const spans = `Shoulder to shoulder ${printLength(span, units.tape)}; the links' own is ${printLength(balls.span, units.tape)}${balls.certain ? "" : " (uncertain in the sources)"}`;
  switch (fit.kind) {
    case "fits":
      return check(id, label, { verdict: "good", said: `${spans}.`, target: "tool.span" });
    case "rigid":
      return check(id, label, {
        verdict: "stop",
        said: `${spans}, and a rigid quick coupler cannot give.`,
        why: "Take the coupler off, or set the cross shaft to its span.",
        target: "hitch.coupler",
        next: "Look at the coupler",
      });
    case "short":
      return check(id, label, {
        verdict: "stop",
        said: `${spans}; the links miss it by ${sayFine(-fit.by, units)}.`,
        why: "They reach no further within their sway.",
        target: "tool.span",
      });
    case "reaches":
      return fit.slack === null
        ? check(id, label, {
            verdict: "check",
            said: `${spans}: free links are to reach ${sayFine(Math.abs(fit.by), units)} ${fit.by < 0 ? "in" : "out"}.`,
            why: "Nobody measured how far they sway. Try it before you lift.",
            target: fit.by < 0 ? "hitch.narrowest" : "hitch.widest",
          })
        : check(id, label, {
            verdict: "good",
            said: `${spans}: the links reach it with ${sayFine(fit.slack, units)} left.`,
            target: "tool.span",
          });
  }
}

function mastCheck(
  rig: ResolvedRig,
  balls: CategorySizes,
  { check, unknown }: Checker,
  units: Units,
): Check[] {
  if (!isRigid(rig) || rig.attachment === "links") return [];
  const mast = known(rig, "tool.mast") ?? sizesOf(rig, "tool.category")?.mast ?? null;
  if (mast === null) return [unknown("mast", "Mast height", "tool.mast")];
  const fit = fitMast(mast, balls.mast);
  const heights = `Mast ${printLength(mast, units.tape)}; the coupler's hook is at ${printLength(balls.mast, units.tape)}`;
  return [
    fit.kind === "fits"
      ? check("mast", "Mast height", { verdict: "good", said: `${heights}.`, target: "tool.mast" })
      : check("mast", "Mast height", {
          verdict: "stop",
          said: `${heights}: ${sayFine(Math.abs(fit.by), units)} ${fit.by > 0 ? "too high" : "too low"}.`,
          why: "A rigid coupler catches one height only. Take it off, or change the implement's upper pin.",
          target: "hitch.coupler",
          next: "Look at the coupler",
        }),
  ];
}

/** The share of the lift's force at the balls that is left at the implement's c.g., the least through the stroke. */
function leastLiftShare(rig: ResolvedRig): number | null {
  const { linkage } = linkageOf(rig);
  const [low, high, cg] = [known(rig, "hitch.ballLow"), known(rig, "hitch.ballHigh"), known(rig, "tool.cg")];
  if (!linkage || low === null || high === null || cg === null) return null;
  const shares = stroke(linkage, low, high, 12).map(({ angle }) =>
    liftShare(linkage, angle, { back: cg, up: 0 }),
  );
  const all = shares.filter((share): share is number => share !== null);
  return all.length === 0 || all.length < shares.length ? null : Math.min(...all);
}

export function liftChecks(rig: ResolvedRig, { check, unknown }: Checker, units: Units): Check[] {
  const [id, label] = ["lift", "Lift"];
  const capacity = known(rig, "hitch.lift");
  const mass = fullMass(rig);
  if (mass === null) return [unknown(id, label, "tool.mass")];
  if (capacity === null) return [unknown(id, label, "hitch.lift")];
  const carried = rig.attachment === "semi" ? carriedShare(rig, mass) : mass;
  if (carried === null) return [unknown(id, label, "pin.pivot")];
  const share = rig.attachment === "head" ? 1 : leastLiftShare(rig);
  const atBalls = `It weighs ${say("mass", carried, units)}${(known(rig, "tool.load") ?? 0) > 0 ? " full" : ""}; the lift holds ${say("mass", capacity, units)} at the ${rig.attachment === "head" ? "mount" : "balls"}`;
  const atCg = share === null ? null : capacity * share;
  if (carried > capacity)
    return [
      check(id, label, {
        verdict: "stop",
        said: `${atBalls}: ${say("mass", carried - capacity, units)} too much.`,
        why: "It would not leave the ground, or come down on its own. Take a larger tractor, or empty it.",
        target: "tool.mass",
      }),
    ];
  if (atCg === null)
    return [
      check(id, label, {
        verdict: "check",
        said: `${atBalls}. What it holds at the implement's centre of gravity is not known yet.`,
        why: "The further back the weight, the less the lift holds. The hitch station's lengths give it.",
        target: linkageOf(rig).missing?.[0] ?? "tool.cg",
      }),
    ];
  const said =
    rig.attachment === "head" ? atBalls : `${atBalls}, ${say("mass", atCg, units)} at its centre of gravity`;
  return [
    carried > atCg
      ? check(id, label, {
          verdict: "stop",
          said: `${said}: ${say("mass", carried - atCg, units)} too much there.`,
          why: "Through part of the stroke the implement's weight rises faster than the balls do.",
          target: "tool.cg",
        })
      : check(id, label, { verdict: "good", said: `${said}.`, target: "tool.mass" }),
  ];
}
