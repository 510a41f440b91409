/** Ballast: what is on, and the smallest set of the stock that satisfies every state. */
import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { capital } from "../../quantity/capital.ts";
import { say } from "../../quantity/say.ts";
import type { Units } from "../../quantity/units.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { otherName, steeredName } from "./axle-names.ts";
import type { BalanceOf } from "./balance-of-rig.ts";

type Loads = Extract<BalanceOf, { ok: true }>;

/** What of the stock to put on: the smallest set that satisfies every state, or how much stays short. */
export function ballastCheck(whole: WholeRig, loads: Loads, { check }: Checker, units: Units): Check[] {
  const [id, label] = ["ballast", "Ballast"];
  const on = loads.fitted.mass === 0 ? "None on" : `${say("mass", loads.fitted.mass, units)} on`;
  const rest = { target: "weights" as const, next: "Look at ballast" };
  const { proposal } = loads;
  if (proposal.ok) {
    const lighter = loads.fitted.mass - proposal.mass > 1;
    if (loads.enough && !lighter)
      return [
        check(id, label, { verdict: "good", said: `${on}: enough, and no more than needed.`, ...rest }),
      ];
    if (loads.enough)
      return [
        check(id, label, {
          verdict: "note",
          said: `${on}; ${setText(proposal, units)} would do.`,
          why: "Weight that is not needed presses the soil and burns fuel.",
          ...rest,
        }),
      ];
    return [
      check(id, label, {
        verdict: "fix",
        said: `${on}. ${capital(setText(proposal, units))} satisfies every state.`,
        why: "It is the lightest set of what this machine has.",
        ...rest,
      }),
    ];
  }
  if (whole.weights.length === 0 && loads.enough)
    return [check(id, label, { verdict: "good", said: "None needed.", ...rest })];
  // An axle or the whole over its limit is told by its own check; weights are not its cure.
  if (whole.weights.length === 0 && proposal.shortFront <= 0.5 && proposal.shortRear <= 0.5) return [];
  return [
    check(id, label, {
      verdict: "fix",
      said: shortText(whole, proposal, loads, units),
      why: "Enter weights this machine could take, or lighten the tool.",
      ...rest,
    }),
  ];
}

export function setText(proposal: Extract<Loads["proposal"], { ok: true }>, units: Units): string {
  if (proposal.set.length === 0) return "no ballast at all";
  const parts = proposal.set.map(({ weight, count }) => `${count} × ${weight.what}`);
  return `${parts.join(" and ")} (${say("mass", proposal.mass, units)})`;
}

function shortText(
  whole: WholeRig,
  proposal: Extract<Loads["proposal"], { ok: false }>,
  { manual }: Loads,
  units: Units,
): string {
  const lacks = [
    proposal.shortFront > 0.5
      ? `${say("mass", proposal.shortFront, units)} on the ${steeredName(whole).toLowerCase()}`
      : "",
    proposal.shortRear > 0.5
      ? `${say("mass", proposal.shortRear, units)} on the ${otherName(whole).toLowerCase()}`
      : "",
  ].filter(Boolean);
  const have =
    whole.weights.length === 0
      ? "No weights are entered"
      : "No set of the weights entered satisfies every state";
  const over = proposal.over > 0.5 ? `${say("mass", proposal.over, units)} over a permitted load` : "";
  const nearest = [lacks.length > 0 ? `${lacks.join(" and ")} stay short` : "", over]
    .filter(Boolean)
    .join(", ");
  const formula =
    manual.front !== null && manual.front > 0
      ? ` By the manual's formula ${say("mass", manual.front, units)} in front would do.`
      : "";
  return `${have}: ${nearest}.${formula}`;
}
