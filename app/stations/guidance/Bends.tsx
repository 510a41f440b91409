import type { BentProblem } from "../../../core/guidance/bent.ts";
import type { Plan } from "../../../core/guidance/plan.ts";
import { inWords, roundLength } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import type { PlanView } from "./guidance-view.server.ts";

/** Why no passes are laid along a line. */
export const BENT_PROBLEMS: Record<BentProblem, string> = {
  "crosses itself":
    "it crosses itself, or would where its ends go on straight, so no passes lie side by side along it. Keep a piece of it.",
  "too short": "it is shorter than 10 m, and tells no way.",
};

/** What a plan along a line that bends asks of the machine. */
export function Bends({ plan, view: { radius, units } }: { plan: Plan; view: PlanView }) {
  if (plan.heading !== null) return null;
  const tight = radius === null ? [] : plan.runs.filter(({ tightest }) => tightest < radius);
  const passes = [...new Set(tight.map(({ pass }) => pass))];
  return (
    <>
      <p className="text-soft">
        Each pass lies at its own distance from the line, square to it; where the line ends within the field
        its last metres go on straight. Towards the inside of a bend passes bend tighter.
      </p>
      {radius === null ? (
        <p className="font-semibold text-warn">
          Nobody measured how tightly it turns: whether it follows these bends is not known.
        </p>
      ) : (
        passes.length > 0 && (
          <p className="font-semibold text-stop" data-too-tight={passes.length}>
            {passes.length === 1 ? `Pass ${passes[0]} bends` : `Passes ${listed(passes)} bend`} down to{" "}
            {inWords(roundLength(Math.min(...tight.map(({ tightest }) => tightest))), units)}, and it turns
            with {inWords(roundLength(radius), units)} at least: lift and cut across there, or lay them along
            a line that bends less.
          </p>
        )
      )}
      {plan.missed >= 1 && (
        <p className="font-semibold text-warn">
          {say("area", plan.missed, units)} in the middle no pass goes round.
        </p>
      )}
    </>
  );
}

/** 3, 4, 5, 9 as "3 to 5, 9". */
function listed(numbers: readonly number[]): string {
  const groups: [from: number, to: number][] = [];
  for (const each of numbers) {
    const last = groups.at(-1);
    if (last && each === last[1] + 1) last[1] = each;
    else groups.push([each, each]);
  }
  return groups.map(([from, to]) => (from === to ? String(from) : `${from} to ${to}`)).join(", ");
}
