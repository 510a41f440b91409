/** What a depth map and its advice say, in figures and words. */
import { capital } from "../../quantity/capital.ts";
import { capitalSaid, fineLength, joined, type Said, tell } from "../../quantity/said.ts";
import { ADJUSTER_FORMS, type Adjuster } from "../../yard/ground.ts";
import type { Advice, GroundOf, Off } from "./ground-of-rig.ts";
import type { Came, Learnt } from "./learn.ts";
import type { Turn } from "./turning.ts";
import type { Zone } from "./zones.ts";

const SIDES: Record<Off["key"], readonly [plus: string, minus: string]> = {
  depth: ["too deep", "too shallow"],
  fore: ["deeper in front", "deeper behind"],
  across: ["deeper on the right", "deeper on the left"],
};

/** "12 mm too deep (allowed 10 mm)", "3 mm deeper in front (within 10 mm)", "level". */
export function offSaid({ key, off, tolerance }: Off): Said {
  const [plus, minus] = SIDES[key];
  if (Math.abs(off) < 0.0005) return key === "depth" ? "as deep as wanted" : "level";
  const said = tell`${fineLength(Math.abs(off))} ${off > 0 ? plus : minus}`;
  return tell`${said} (${Math.abs(off) <= tolerance ? "within" : "allowed"} ${fineLength(tolerance)})`;
}

/** "Wanted 140 mm, measured 147 mm in the middle. 7 mm too deep (within 10 mm); level." */
export function mapSaid({ map, fit, off }: Pick<GroundOf, "map" | "fit" | "off">): Said {
  const said = capitalSaid(joined(off.map(offSaid), "; "));
  return tell`Wanted ${fineLength(map.wanted)}, measured ${fineLength(fit.depth)} in the middle. ${said}.`;
}

/** "Left third 7 mm shallower than the middle (± 3 mm, 1 σ)". */
export function zoneSaid({ side, by, error }: Zone): Said {
  const said: Said =
    Math.abs(by) < 0.0005
      ? "as deep as the middle"
      : tell`${fineLength(Math.abs(by))} ${by > 0 ? "deeper" : "shallower"} than the middle`;
  return tell`${capital(side)} third ${said}${error === null ? "" : tell` (± ${fineLength(error)}, 1 σ)`}`;
}

/** A number of steps with a minus of its own. */
export function stepsText(steps: number): string {
  return String(steps).replace("-", "−");
}

/** "Wheel, left: 2 turns more, to 5". */
export function turnSaid({ adjuster, steps, to }: Turn): string {
  return `${adjuster.label}: ${countSaid(adjuster, steps)}, to ${stepsText(to)}`;
}

/** "2 turns more", "1 shim fewer". */
export function countSaid({ form }: Pick<Adjuster, "form">, steps: number): string {
  const { step, steps: many } = ADJUSTER_FORMS[form];
  const count = Math.abs(steps);
  return `${count} ${count === 1 ? step : many} ${steps > 0 ? "more" : "fewer"}`;
}

/** What to do with the adjusters, and how it then is. */
export function adviceSaid(advice: Advice): Said {
  const { turns } = advice;
  const what =
    turns.length === 0
      ? "Nothing that can be turned brings it nearer."
      : `${capital(turns.map(turnSaid).join("; "))}.`;
  return tell`${what} ${thenSaid(advice)}`;
}

/** How it is once the adjusters stand so: reckoned, not measured. */
export function thenSaid({ within, left, binds }: Advice): Said {
  const then = joined(left.map(offSaid), "; ");
  if (within) return tell`Then it is ${then}.`;
  const ends =
    binds.length === 0 ? "" : ` At the end of its range: ${binds.map(({ label }) => label).join(", ")}.`;
  return tell`Nearest is ${then}.${ends}`;
}

/** "Rear 3 lies 24 mm deeper than the others say." */
export function pointSaid({ map, fit }: GroundOf, at: number): Said {
  const by = fit.residuals[at]!;
  return tell`${capital(map.points[at]!.label)} lies ${fineLength(Math.abs(by))} ${by > 0 ? "deeper" : "shallower"} than the others say.`;
}

const ENDS: Record<Came["key"], string> = { front: "In front", rear: "Behind", across: "Right against left" };

/** "In front: 6 mm shallower foretold, 5 mm shallower came, ± 2 mm". */
export function cameSaid({ key, told, came, error }: Came): Said {
  const words = (by: number): Said =>
    Math.abs(by) < 0.0005
      ? "no change"
      : tell`${fineLength(Math.abs(by))} ${by > 0 ? "deeper" : "shallower"}`;
  return tell`${ENDS[key]}: ${told === null ? "" : tell`${words(told)} foretold, `}${words(came)} came${error === null ? "" : tell` (± ${fineLength(error)}, 1 σ)`}.`;
}

/** "Top link 2 turns more, wheel 1 turn fewer". */
export function turnedSaid({ turned }: Pick<Learnt, "turned">): string {
  return turned.map(({ adjuster, steps }) => `${adjuster.label} ${countSaid(adjuster, steps)}`).join(", ");
}
