/** Ballast: what is on, and the smallest set of the stock that satisfies every state. */

import type { Check } from "../../finding/check.ts";
import type { Checker } from "../../finding/checking.ts";
import { capitalSaid, joined, quantity, type Said, tell } from "../../quantity/said.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { otherName, steeredName } from "./axle-names.ts";
import type { BalanceOf } from "./balance-of-rig.ts";

type Loads = Extract<BalanceOf, { ok: true }>;

/** What of the stock to put on: the smallest set that satisfies every state, or how much stays short. */
export function ballastCheck(whole: WholeRig, loads: Loads, rowOf: Checker): Check[] {
  const row = rowOf("ballast", "Ballast");
  const on = loads.fitted.mass === 0 ? "None on" : tell`${quantity("mass", loads.fitted.mass)} on`;
  const { proposal } = loads;
  if (proposal.ok) {
    const lighter = loads.fitted.mass - proposal.mass > 1;
    if (loads.enough && !lighter)
      return [row.good("weights", tell`${on}: enough, and no more than needed.`, "", "Look at ballast")];
    if (loads.enough)
      return [
        row.note(
          "weights",
          tell`${on}; ${setText(proposal)} would do.`,
          "Weight that is not needed presses the soil and burns fuel.",
          "Look at ballast",
        ),
      ];
    return [
      row.fix(
        "weights",
        tell`${on}. ${capitalSaid(setText(proposal))} satisfies every state.`,
        "It is the lightest set of what this machine has.",
        "Look at ballast",
      ),
    ];
  }
  if (whole.weights.length === 0 && loads.enough)
    return [row.good("weights", "None needed.", "", "Look at ballast")];
  // An axle or the whole over its limit is told by its own check; weights are not its cure.
  if (whole.weights.length === 0 && proposal.shortFront <= 0.5 && proposal.shortRear <= 0.5) return [];
  return [
    row.fix(
      "weights",
      shortText(whole, proposal, loads),
      "Enter weights this machine could take, or lighten the tool.",
      "Look at ballast",
    ),
  ];
}

/** A proposed set of weights in a sentence. */
export function setText(proposal: Extract<Loads["proposal"], { ok: true }>): Said {
  if (proposal.set.length === 0) return "no ballast at all";
  const parts = proposal.set.map(({ weight, count }) => `${count} × ${weight.what}`);
  return tell`${parts.join(" and ")} (${quantity("mass", proposal.mass)})`;
}

function shortText(
  whole: WholeRig,
  proposal: Extract<Loads["proposal"], { ok: false }>,
  { manual }: Loads,
): Said {
  const lacks = [
    proposal.shortFront > 0.5
      ? tell`${quantity("mass", proposal.shortFront)} on the ${steeredName(whole).toLowerCase()}`
      : "",
    proposal.shortRear > 0.5
      ? tell`${quantity("mass", proposal.shortRear)} on the ${otherName(whole).toLowerCase()}`
      : "",
  ].filter(Boolean);
  const have =
    whole.weights.length === 0
      ? "No weights are entered"
      : "No set of the weights entered satisfies every state";
  const over = proposal.over > 0.5 ? tell`${quantity("mass", proposal.over)} over a permitted load` : "";
  const nearest = joined(
    [lacks.length > 0 ? tell`${joined(lacks, " and ")} stay short` : "", over].filter(Boolean),
    ", ",
  );
  const formula =
    manual.front !== null && manual.front > 0
      ? tell` By the manual's formula ${quantity("mass", manual.front)} in front would do.`
      : "";
  return tell`${have}: ${nearest}.${formula}`;
}
