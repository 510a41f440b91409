/** Does the turn into the next pass fit: what folds, meets a tyre, bends a shaft too far or tears a hose, and how much headland it takes. */
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf, type Row } from "../../finding/checking.ts";
import { passesOut } from "../../guidance/turning.ts";
import { capital } from "../../quantity/capital.ts";
import { quantity, roundLength, type Said, smallLength, tapeLength, tell } from "../../quantity/said.ts";
import { together } from "../../rig/swath.ts";
import type { WholeRig } from "../../rig/whole.ts";
import { HOSE_SLACK, TYRE_CLEAR } from "../../trade/turning.ts";
import type { Joint, Limit } from "./turn-limits.ts";
import type { Unknown } from "./turn-of-rig.ts";
import type { BentBar, TurnReckoned } from "./turn-reckoned.ts";

/** What swings out less than this is nothing one would hit (ours). */
const SWING = 0.3;

const angle = (radians: number) => quantity("angle", radians, 0);

/** Every row about one turn. `apart` and `radius` are what it was reckoned with, metres. */
export function turnChecks(
  turn: TurnReckoned | Unknown,
  whole: WholeRig,
  { part, apart, radius }: { part: number; apart: number; radius: number },
): Check[] {
  const rowOn = (index: number) => rowsOf(whole, index);
  if ("key" in turn) return [rowOn(turn.part)("turn-fits", "Turn at the headland").unknown(turn.key)];
  const around = { apart, radius };
  return [
    lengthCheck(turn, rowOn(part)("turn", "Turning into the next pass"), around),
    headlandCheck(turn, whole, part, apart),
    ...turn.bars.flatMap((bar) => barChecks(bar, turn, rowOn(bar.part), around)),
    swingCheck(turn, rowOn(turn.rig.unknown?.part ?? 0)),
  ];
}

function rowsOf(whole: WholeRig, index: number): Checker {
  return checkerOf("guidance", together(whole, index), whole.parts.length > 1 ? index : undefined);
}

type Around = { apart: number; radius: number };

function lengthCheck({ ways }: TurnReckoned, row: Row, { apart, radius }: Around): Check {
  const [round, backed] = ways;
  const said = tell`${apart >= 2 * radius ? "Half a circle and on" : "A bulb"}: ${roundLength(round!.length)} to drive`;
  if (apart >= 2 * radius) return row.good("tractor.turnRadius", tell`${said}.`);
  const skipped = passesOut(apart, radius);
  return row.note(
    "tractor.turnRadius",
    backed
      ? tell`${said}; backing across between two quarters ${roundLength(backed.length)}.`
      : tell`${said}.`,
    tell`Passes lie ${tapeLength(apart)} apart and it turns on ${tapeLength(radius)}. Leaving ${skipped === 1 ? "one pass" : `${skipped} passes`} out, and coming back for them, makes half circles of the bulbs.`,
  );
}

function headlandCheck(turn: TurnReckoned, whole: WholeRig, part: number, apart: number): Check {
  const { unknown, widthAssumed } = turn.rig;
  if (unknown) return rowsOf(whole, unknown.part)("headland", "Headland").unknown(unknown.key);
  const row = rowsOf(whole, part)("headland", "Headland");
  const [round, backed] = turn.ways;
  const rounds = (depth: number) => {
    const count = Math.ceil(depth / apart - 1e-9);
    return count === 1 ? "one round" : `${count} rounds`;
  };
  const inLine = round!.before > 0 ? tell`, ${roundLength(round!.before)} of it to come into line` : "";
  const other = backed ? tell` Backing, ${roundLength(backed.depth)}: ${rounds(backed.depth)}.` : "";
  const assumed = widthAssumed ? " The machine reckoned 2.55 m wide: nobody read it." : "";
  return row.good(
    "tractor.nose",
    tell`It takes ${roundLength(round!.depth)} from the end of the work to where anything reaches${inLine}: ${rounds(round!.depth)} of ${tapeLength(apart)}.${other}${assumed}`,
  );
}

function barChecks(bar: BentBar, turn: TurnReckoned, rowOf: Checker, around: Around): Check[] {
  if (!turn.ways[0]!.holds)
    return [
      rowOf("turn-fold", "Drawbar in the turn").stop(
        "tractor.turnRadius",
        tell`Turned on ${tapeLength(around.radius)} into the next pass it folds up against what draws it.`,
        fitsFrom(turn.least, around),
      ),
    ];
  const { tyre, shaft, hoses } = bar.limits;
  const from = (key: keyof BentBar["fits"]) => fitsFrom(bar.fits[key], around);
  return [
    ...(tyre === "hung"
      ? []
      : [
          tyre === "tracks"
            ? tracksCheck(bar, rowOf)
            : tyreCheck(bar, tyre, rowOf("turn-tyre", "Tyre beside the drawbar"), from("tyre")),
        ]),
    ...(shaft ? [shaftCheck(bar, shaft, rowOf("turn-shaft", "Drive shaft in the turn"), from("shaft"))] : []),
    ...(hoses ? [hoseCheck(bar, hoses, rowOf("turn-hoses", "Hoses in the turn"), from("hoses"))] : []),
  ];
}

/** On which radius half circles fit, and how they are driven. */
function fitsFrom(least: number | null | undefined, { apart, radius }: Around): Said {
  if (least === undefined) return "";
  if (least === null) return "No wider turn cures it.";
  const up = Math.max(radius, Math.ceil(least * 10 - 1e-6) / 10);
  const out = passesOut(apart, up);
  return tell`Half circles on ${roundLength(up)} or more fit${out === 0 ? "" : `: leave ${out === 1 ? "one pass" : `${out} passes`} out, and come back for them`}.`;
}

/** A bend and how it compares with a full circle. */
function bends({ bend, steady }: BentBar): Said {
  const circle =
    steady === null ? "on a full circle it would fold up" : tell`${angle(steady)} on a full circle`;
  return tell`The drawbar bends ${angle(bend)} going into the next pass (${circle})`;
}

function tracksCheck(bar: BentBar, rowOf: Checker): Check {
  return rowOf("turn-tyre", "Track beside the drawbar").note(
    "tractor.turnRadius",
    tell`${bends(bar)}. What is left beside its tracks is not reckoned.`,
    tell`Turn at a walk the first time, somebody well clear looking: ${smallLength(TYRE_CLEAR)} free is the least (common practice).`,
  );
}

function tyreCheck(bar: BentBar, tyre: Limit<number>, row: Row, wider: Said): Check {
  if ("missing" in tyre) return row.unknown(tyre.missing);
  const free = tyre.at(bar.bend);
  const upTo =
    tyre.upTo === null
      ? tell`not even in line are ${smallLength(TYRE_CLEAR)} free`
      : tell`${smallLength(TYRE_CLEAR)} beside the tyre are free up to ${angle(tyre.upTo)}`;
  const said = tell`${bends(bar)}; ${upTo}`;
  if (free <= 0) return row.fix("tractor.turnRadius", tell`${said}. Here they meet.`, wider);
  const left = tell`${said}. Here ${smallLength(free)} are left.`;
  return free < TYRE_CLEAR
    ? row.check("tractor.turnRadius", left, wider)
    : row.good("tractor.turnRadius", left);
}

type ShaftLimit = NonNullable<BentBar["limits"]["shaft"]>;

const over = (joint: Joint, limit: "running" | "briefly") => joint.bend > joint[limit] + 1e-9;

function shaftCheck(bar: BentBar, shaft: ShaftLimit, row: Row, wider: Said): Check {
  if ("missing" in shaft) return row.unknown(shaft.missing);
  const { ahead, behind } = shaft.at(bar.bend);
  const one = ([where, joint]: readonly [string, Joint]) =>
    tell`${where} ${angle(joint.bend)} of ${angle(joint.running)}${joint.briefly > joint.running ? tell`, ${angle(joint.briefly)} for a moment` : ""}`;
  const said = tell`${capital("its joints bend")}: ${one(["at the tractor", ahead])}; ${one(["at the tool", behind])} (seen from above)`;
  const joints = [ahead, behind];
  if (joints.some((joint) => over(joint, "briefly")))
    return row.stop(
      "tool.shaftInput",
      tell`${said}.`,
      tell`Joints break so, also while it stands still. The shaft's book comes first (figures of common practice). ${wider}`,
    );
  if (joints.some((joint) => over(joint, "running")))
    return row.fix(
      "tool.shaftInput",
      tell`${said}.`,
      tell`Stop the shaft before the turn, or have wide-angle joints on it. The shaft's book comes first (figures of common practice). ${wider}`,
    );
  return row.good("tool.shaftInput", tell`${said}.`);
}

function hoseCheck(bar: BentBar, hoses: Limit<number>, row: Row, wider: Said): Check {
  if ("missing" in hoses) return row.unknown(hoses.missing);
  const slack = hoses.at(bar.bend);
  if (slack < 0)
    return row.fix(
      "tool.hoseLength",
      tell`The shortest hose is ${smallLength(-slack)} too short for a bend of ${angle(bar.bend)}: it tears, or pulls out of its coupler.`,
      tell`A longer hose, or held nearer to the pin. ${wider}`,
    );
  const said = tell`The shortest hose has ${smallLength(slack)} to spare at a bend of ${angle(bar.bend)}; ${smallLength(HOSE_SLACK)} are wanted (common practice)`;
  return slack < HOSE_SLACK
    ? row.check("tool.hoseLength", tell`${said}.`, tell`A longer hose, or held nearer to the pin. ${wider}`)
    : row.good("tool.hoseLength", tell`${said}.`);
}

function swingCheck({ swing, rig }: TurnReckoned, rowOf: Checker): Check {
  const row = rowOf("turn-swing", "Swinging out");
  if (rig.unknown) return row.unknown(rig.unknown.key);
  const said = tell`Steered over, its outer rear corner swings ${smallLength(swing)} beyond its straight track.`;
  return swing > SWING
    ? row.note(
        "tractor.turnRadius",
        said,
        "Keep that far from fence, pole, ditch and people before steering over.",
      )
    : row.good("tractor.turnRadius", said);
}
