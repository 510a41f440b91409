/** The match station: can this tractor pull it, lift it, drive it, and take it on the road? */

import { isBuiltOn, isCarried, isFixed, onLinks, onPin } from "../../dimension/attachment.ts";
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { massBehind } from "../../forces/mass.ts";
import { leadOf, type RigPower } from "../../forces/power-of-rig.ts";
import { joined, quantity, type Said, smallLength, tapeLength, tell } from "../../quantity/said.ts";
import { known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { drawbarChecks, towedChecks } from "./drawbar-checks.ts";
import { liftChecks, pinChecks } from "./link-checks.ts";
import { metersCheck } from "./meters-check.ts";
import { ptoChecks } from "./pto-checks.ts";
import { roadChecks } from "./road-checks.ts";

/** What is looked at of a whole rig, with the power it asks. */
export function matchChecks(whole: WholeRig, power: RigPower): Check[] {
  return [
    ...powerChecks(whole, power),
    ...thumbChecks(whole, power),
    ...whole.parts.flatMap((part, index) => partChecks(part, index, whole, power)),
    ...roadChecks(whole),
  ];
}

function powerChecks({ parts, selfPropelled }: WholeRig, power: RigPower): Check[] {
  if (selfPropelled) return [];
  const lead = leadOf({ parts });
  const rowOf = checkerOf("match", parts[lead]!.rig, parts.length > 1 ? lead : undefined);
  if (power.available === null) return [{ ...rowOf("power", "Power").unknown("tractor.power"), id: "power" }];
  const short = power.parts.findIndex(({ missing }) => missing.length > 0);
  if (short >= 0) {
    const at = checkerOf("match", parts[short]!.rig, parts.length > 1 ? short : undefined);
    return [{ ...at("power", "Power").unknown(power.parts[short]!.missing[0]!), id: "power" }];
  }
  const [need, low, has] = [power.need!, power.low!, power.available];
  const asks = tell`At ${quantity("speed", power.speed.value!)} it needs ${quantity("power", need)} at the PTO; the tractor has ${quantity("power", has)}.`;
  const held =
    power.highest === null
      ? "It cannot be driven at any speed."
      : tell`It holds ${quantity("speed", power.highest)}.`;
  const row = rowOf("power", "Power");
  const judged =
    need <= has
      ? row.good("work.speed", asks)
      : low <= has
        ? row.check(
            "work.speed",
            asks,
            tell`${held} Within the draft model's range it may still do: try it, and watch the engine speed.`,
            "Change speed",
          )
        : row.fix("work.speed", asks, tell`${held} ${insteadText(power, parts)}`, "Change speed");
  return [{ ...judged, id: "power" }];
}

/** The rule of thumb is about the engine's rated power; where it and the draft model disagree, both are said. */
function thumbChecks({ parts, selfPropelled }: WholeRig, power: RigPower): Check[] {
  const lead = parts[0]!.rig;
  const engine = known(lead, "tractor.power");
  if (selfPropelled || power.thumb === null || engine === null) return [];
  const rowOf = checkerOf("match", lead);
  const said = tell`Common practice wants ${quantity("power", power.thumb)} of engine; the tractor has ${quantity("power", engine)}`;
  if (power.thumb <= engine)
    return [rowOf("thumb", "Power, rule of thumb").good("tool.perMetre", tell`${said}.`)];
  const model =
    power.need === null
      ? ""
      : tell` By the draft model it needs ${quantity("power", power.need)} at the PTO.`;
  return [
    rowOf("thumb", "Power, rule of thumb").check(
      "tool.perMetre",
      tell`${said}: ${quantity("power", power.thumb - engine)} short.${model}`,
      "The rule leaves room for a heavy crop, wet ground and a hill. Expect to change down there.",
      "Own figure",
    ),
  ];
}

function insteadText({ instead, parts }: RigPower, named: readonly ToolOfRig[]): Said {
  if (!instead) return "";
  const at = parts.findIndex(({ task }) => task?.draft);
  const width = parts[at]?.width ?? null;
  const offers = [
    instead.depth === null ? "" : tell`${smallLength(instead.depth)} deep`,
    instead.width === null || width === null ? "" : tell`${tapeLength(width * instead.width)} wide`,
  ].filter(Boolean);
  const who = named.length > 1 ? ` ${named[at]!.name}` : "";
  return offers.length > 0
    ? tell`At the speed asked for it would hold${who} ${joined(offers, ", or ")}.`
    : "";
}

function partChecks(part: ToolOfRig, index: number, whole: WholeRig, power: RigPower): Check[] {
  const { rig } = part;
  const { attachment } = rig;
  const at = checkerOf("match", rig, whole.parts.length > 1 ? index : undefined);
  return [
    ...(onLinks(attachment) ? pinChecks(rig, at) : []),
    ...(onLinks(attachment) || (isCarried(attachment) && !isBuiltOn(attachment))
      ? liftChecks(index, whole, at)
      : []),
    ...(onPin(attachment) ? drawbarChecks(part, index, whole, at) : []),
    ...(onLinks(attachment) && !isCarried(attachment)
      ? towedChecks(rig, massBehind(whole.parts, index), whole, at)
      : []),
    ...(isFixed(attachment) ? [] : ptoChecks(rig, power, index, at)),
    ...metersCheck(whole, index, at),
  ];
}
