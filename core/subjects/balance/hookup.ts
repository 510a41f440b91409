/** What the balance puts on the hook-up list: the tyres gauged, the ballast on. */

import { joined, quantity, tell } from "../../quantity/said.ts";
import { onTracks } from "../../rig/supports.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { cite, type HookupLine, line, read } from "../../subject/hookup-line.ts";
import type { BalanceOf } from "./balance-of-rig.ts";
import { setText } from "./ballast-checks.ts";

/** What of tyres and ballast is looked at before coupling. */
export function balanceLines(whole: WholeRig, loads: BalanceOf): HookupLine[] {
  return [...pressureLines(whole, loads), ...ballastLines(whole, loads)];
}

function pressureLines(whole: WholeRig, loads: BalanceOf): HookupLine[] {
  const { rig } = whole.parts[0]!;
  if (onTracks(rig)) return [];
  const aim = chosen<"field" | "road" | "both">(rig, "work.tyreAim");
  const axles = [
    ["front", "tractor.pressureFrontLeft", "tractor.pressureFrontRight"],
    ["rear", "tractor.pressureRearLeft", "tractor.pressureRearRight"],
  ] as const;
  const told = axles.flatMap(([axle, left, right], index) => {
    const now = known(rig, left);
    const tyres = loads.ok ? loads.tyres[index] : undefined;
    const asked = aim === "field" ? tyres?.field : tyres?.road;
    const wanted = asked?.answer.kind === "pressure" ? asked.answer.pressure : now;
    return wanted === null
      ? []
      : [{ text: tell`${axle} ${quantity("pressure", wanted)}`, keys: [left, right] }];
  });
  const text =
    told.length === 0
      ? "Gauge the tyres: alike on each axle."
      : tell`Tyres alike on each axle: ${joined(
          told.map(({ text }) => text),
          ", ",
        )} ${aim === "field" ? "for the field; pumped up before the road" : aim === "both" ? "for field and road" : "for the road"}.`;
  return [
    line("Before", "tyres", text, {
      cites: read(whole, [...told.flatMap(({ keys }) => cite(0, ...keys)), ...cite(0, "work.tyreAim")]),
    }),
  ];
}

function ballastLines(whole: WholeRig, loads: BalanceOf): HookupLine[] {
  if (!loads.ok || !loads.proposal.ok) return [];
  const { proposal } = loads;
  if (proposal.set.length === 0 && loads.fitted.mass === 0) return [];
  return [
    line("Before", "ballast", tell`Ballast on: ${setText(proposal)}, pinned.`, {
      protects: true,
      cites: whole.parts.flatMap((part, index) =>
        part.rig.values["tool.mass"].reading ? cite(index, "tool.mass") : [],
      ),
    }),
  ];
}
