/** What the balance puts on the hook-up list: the tyres gauged, the ballast on. */

import { say } from "../../quantity/say.ts";
import type { Units } from "../../quantity/units.ts";
import { onTracks } from "../../rig/supports.ts";
import { known, type WholeRig } from "../../rig/whole.ts";
import { cite, type HookupLine, line, read } from "../../subject/hookup-line.ts";
import type { BalanceOf } from "./balance-of-rig.ts";
import { setText } from "./ballast-checks.ts";

export function balanceLines(whole: WholeRig, loads: BalanceOf, units: Units): HookupLine[] {
  return [...pressureLines(whole, loads, units), ...ballastLines(whole, loads, units)];
}

function pressureLines(whole: WholeRig, loads: BalanceOf, units: Units): HookupLine[] {
  const { rig } = whole.parts[0]!;
  if (onTracks(rig)) return [];
  const axles = [
    ["Front", "tractor.pressureFrontLeft", "tractor.pressureFrontRight"],
    ["Rear", "tractor.pressureRearLeft", "tractor.pressureRearRight"],
  ] as const;
  const told = axles.flatMap(([axle, left, right], index) => {
    const now = known(rig, left);
    const tyres = loads.ok ? loads.tyres[index] : undefined;
    const wanted = tyres?.road?.answer.kind === "pressure" ? tyres.road.answer.pressure : now;
    return wanted === null
      ? []
      : [{ text: `${axle} ${say("pressure", wanted, units)}`, keys: [left, right] }];
  });
  const text =
    told.length === 0
      ? "Gauge the tyres: alike on each axle."
      : `Tyres alike on each axle: ${told.map((each) => each.text.toLowerCase()).join(", ")} for the road.`;
  return [
    line("Before", "tyres", text, {
      cites: read(
        whole,
        told.flatMap(({ keys }) => cite(0, ...keys)),
      ),
    }),
  ];
}

function ballastLines(whole: WholeRig, loads: BalanceOf, units: Units): HookupLine[] {
  if (!loads.ok || !loads.proposal.ok) return [];
  const { proposal } = loads;
  if (proposal.set.length === 0 && loads.fitted.mass === 0) return [];
  return [
    line("Before", "ballast", `Ballast on: ${setText(proposal, units)}, pinned.`, {
      protects: true,
      cites: whole.parts.flatMap((part, index) =>
        part.rig.values["tool.mass"].reading ? cite(index, "tool.mass") : [],
      ),
    }),
  ];
}
