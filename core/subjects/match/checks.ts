/** The match station: can this tractor pull it, lift it, drive it, and take it on the road? */
import { isBuiltOn, isCarried, isFixed, onLinks, onPin } from "../../dimension/attachment.ts";
import type { Check } from "../../finding/check.ts";
import { checkerOf } from "../../finding/checking.ts";
import { massBehind } from "../../forces/mass.ts";
import { leadOf, type RigPower } from "../../forces/power-of-rig.ts";
import { printLength } from "../../quantity/length.ts";
import { say } from "../../quantity/say.ts";
import type { Units } from "../../quantity/units.ts";
import { known, type ToolOfRig, type WholeRig } from "../../rig/whole.ts";
import { drawbarChecks, towedChecks } from "./drawbar-checks.ts";
import { liftChecks, pinChecks } from "./link-checks.ts";
import { ptoChecks } from "./pto-checks.ts";
import { roadChecks } from "./road-checks.ts";

/** What is looked at of a whole rig, with the power it asks. */
export function matchChecks(whole: WholeRig, power: RigPower, units: Units): Check[] {
  return [
    ...powerChecks(whole, power, units),
    ...thumbChecks(whole, power, units),
    ...whole.parts.flatMap((part, index) => partChecks(part, index, whole, power, units)),
    ...roadChecks(whole, units),
  ];
}

function powerChecks({ parts, selfPropelled }: WholeRig, power: RigPower, units: Units): Check[] {
  if (selfPropelled) return [];
  const lead = leadOf({ parts });
  const { check, unknown } = checkerOf("match", parts[lead]!.rig, parts.length > 1 ? lead : undefined);
  if (power.available === null) return [{ ...unknown("power", "Power", "tractor.power"), id: "power" }];
  const short = power.parts.findIndex(({ missing }) => missing.length > 0);
  if (short >= 0) {
    const at = checkerOf("match", parts[short]!.rig, parts.length > 1 ? short : undefined);
    return [{ ...at.unknown("power", "Power", power.parts[short]!.missing[0]!), id: "power" }];
  }
  const [need, low, has] = [power.need!, power.low!, power.available];
  const asks = `At ${say("speed", power.speed.value!, units)} it asks ${say("power", need, units)} at the PTO; the tractor has ${say("power", has, units)}.`;
  const held =
    power.highest === null
      ? "It cannot be driven at any speed."
      : `It holds ${say("speed", power.highest, units)}.`;
  const named = (rest: Parameters<typeof check>[2]): Check => ({
    ...check("power", "Power", rest),
    id: "power",
  });
  if (need <= has) return [named({ verdict: "good", said: asks, target: "work.speed" })];
  return [
    named({
      verdict: low <= has ? "check" : "fix",
      said: asks,
      why:
        low <= has
          ? `${held} Within the draft model's range it may still do: try it, and watch the engine speed.`
          : `${held} ${insteadText(power, parts, units)}`,
      target: "work.speed",
      next: "Change speed",
    }),
  ];
}

/** The rule of thumb is about the engine's rated power; where it and the draft model disagree, both are said. */
function thumbChecks({ parts, selfPropelled }: WholeRig, power: RigPower, units: Units): Check[] {
  const lead = parts[0]!.rig;
  const engine = known(lead, "tractor.power");
  if (selfPropelled || power.thumb === null || engine === null) return [];
  const { check } = checkerOf("match", lead);
  const said = `Common practice asks ${say("power", power.thumb, units)} of engine; the tractor has ${say("power", engine, units)}`;
  if (power.thumb <= engine)
    return [
      check("thumb", "Power, rule of thumb", { verdict: "good", said: `${said}.`, target: "tool.perMetre" }),
    ];
  const model =
    power.need === null ? "" : ` The draft model asks ${say("power", power.need, units)} at the PTO.`;
  return [
    check("thumb", "Power, rule of thumb", {
      verdict: "check",
      said: `${said}: ${say("power", power.thumb - engine, units)} short.${model}`,
      why: "The rule leaves room for a heavy crop, wet ground and a hill. Expect to change down there.",
      target: "tool.perMetre",
      next: "Own figure",
    }),
  ];
}

function insteadText({ instead, parts }: RigPower, named: readonly ToolOfRig[], units: Units): string {
  if (!instead) return "";
  const at = parts.findIndex(({ task }) => task?.draft);
  const width = parts[at]?.width ?? null;
  const offers = [
    instead.depth === null ? "" : `${printLength(instead.depth, units.small)} deep`,
    instead.width === null || width === null ? "" : `${printLength(width * instead.width, units.tape)} wide`,
  ].filter(Boolean);
  const who = named.length > 1 ? ` ${named[at]!.name}` : "";
  return offers.length > 0 ? `At the speed asked for it would hold${who} ${offers.join(", or ")}.` : "";
}

function partChecks(part: ToolOfRig, index: number, whole: WholeRig, power: RigPower, units: Units): Check[] {
  const { rig } = part;
  const { attachment } = rig;
  const at = checkerOf("match", rig, whole.parts.length > 1 ? index : undefined);
  return [
    ...(onLinks(attachment) ? pinChecks(rig, at, units) : []),
    ...(onLinks(attachment) || (isCarried(attachment) && !isBuiltOn(attachment))
      ? liftChecks(index, whole, at, units)
      : []),
    ...(onPin(attachment) ? drawbarChecks(part, index, whole, at, units) : []),
    ...(onLinks(attachment) && !isCarried(attachment)
      ? towedChecks(rig, massBehind(whole.parts, index), whole, at, units)
      : []),
    ...(isFixed(attachment) ? [] : ptoChecks(rig, power, index, at, units)),
  ];
}
