/** A whole rig on the road: the lowest of all limits of speed, and its size against the limits of the yard. */

import { onPin } from "../../dimension/attachment.ts";
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { quantity, tapeLength, tell } from "../../quantity/said.ts";
import { onTracks } from "../../rig/supports.ts";
import { chosen, known, type WholeRig } from "../../rig/whole.ts";
import { lowest } from "../../trade/drawbar.ts";

/** Speed, width and height on the road. */
export function roadChecks(whole: WholeRig): Check[] {
  return [speedCheck(whole), ...sizeChecks(whole)];
}

/** The lowest limit of all that are known, and which one it is; `open` names one that tractor or tool has not told. */
export function roadSpeed(whole: WholeRig): {
  most: { what: string; value: number } | null;
  open: { what: string; key: "tractor.roadSpeed" | "tool.roadSpeed" } | null;
} {
  const { parts, limits } = whole;
  const lead = parts[0]!.rig;
  const own = {
    what: whole.selfPropelled ? "the machine's own" : "the tractor's own",
    value: known(lead, "tractor.roadSpeed"),
  };
  const signs = parts.map(({ rig, name }) => ({
    what: `${name}'s sign`,
    value: known(rig, "tool.roadSpeed"),
  }));
  const most = lowest([
    own,
    ...signs,
    ...parts.map(({ rig, name }) => ({
      what: `${name}'s hitch`,
      value: onPin(rig.attachment) ? known(rig, "hitch.roadSpeed") : null,
    })),
    { what: `the limit entered for ${limits.country || "your country"}`, value: limits.speed },
    ...tyreSpeeds(whole),
  ]);
  const untold = signs.find(({ value }) => value === null);
  const open =
    own.value === null
      ? { what: own.what, key: "tractor.roadSpeed" as const }
      : untold
        ? { what: untold.what, key: "tool.roadSpeed" as const }
        : null;
  return { most, open };
}

/** Good only where tractor and tools have all told theirs. */
function speedCheck(whole: WholeRig): Check {
  const rowOf = checkerOf("match", whole.parts[0]!.rig);
  const row = rowOf("road-speed", "Road speed");
  const { most, open } = roadSpeed(whole);
  const why = "The lowest of tractor, implement, hitch, tyres and law counts. Check local rules.";
  if (open === null)
    return row.good("tool.roadSpeed", tell`${quantity("speed", most!.value)} at most: ${most!.what}.`, why);
  return row.judged(
    "unknown",
    open.key,
    tell`${most ? tell`${quantity("speed", most.value)} at most by ${most.what}. ` : ""}Not told yet: ${open.what}.`,
    why,
  );
}

/** The fastest speed each tyre table covers. */
function tyreSpeeds({ tyres, parts }: WholeRig): { what: string; value: number | null }[] {
  const machine = onTracks(parts[0]!.rig) ? [] : [tyres.front, tyres.rear];
  const all = [...machine, ...tyres.tools.slice(0, parts.length)];
  return all.flatMap((each) =>
    each && each.table.cells.length > 0
      ? [{ what: `tyre ${each.label}`, value: Math.max(...each.table.cells.map(({ speed }) => speed)) }]
      : [],
  );
}

function sizeChecks({ parts, limits }: WholeRig): Check[] {
  const where = limits.country || "here";
  const sizes = [
    { id: "road-width", label: "Transport width", key: "tool.transportWidth" as const, limit: limits.width },
    {
      id: "road-height",
      label: "Transport height",
      key: "tool.transportHeight" as const,
      limit: limits.height,
    },
  ];
  return parts.flatMap(({ rig }, index) => {
    const rowOf = checkerOf("match", rig, parts.length > 1 ? index : undefined);
    if (chosen(rig, "tool.headTravels") === "on its own trailer")
      return [
        rowOf("road-width", "Transport width").good(
          "tool.headTravels",
          "The head travels on its own trailer: it has no transport width on the machine.",
          "The trailer has limits of its own: lengthways, locked down, lit.",
        ),
      ];
    const head = rig.attachment === "head";
    return sizes.map(({ id, label, key, limit }) => {
      const row = rowOf(id, label);
      const value = known(rig, key);
      if (value === null) return row.unknown(key);
      const shown = tapeLength(value);
      if (limit === null)
        return row.judged(
          "unknown",
          "limits",
          tell`${shown}; no limit is entered for ${where}.`,
          "Enter the limits of your country once: Machines, Road limits.",
        );
      return value > limit
        ? row.judged(
            head && key === "tool.transportWidth" ? "stop" : "fix",
            key,
            tell`${label} ${shown}; the limit entered for ${where} is ${tapeLength(limit)}.`,
            head
              ? "Take it off and draw it lengthways on its own trailer. Check local rules."
              : "It needs a permit, an escort or a truck. Check local rules.",
          )
        : row.good(key, tell`${shown}; limit ${tapeLength(limit)}.`, "Check local rules.");
    });
  });
}
