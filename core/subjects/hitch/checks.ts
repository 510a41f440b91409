/** The hitch station: is it hitched right, and what to turn by how much? */
import { isBuiltOn, onLinks, onPin } from "../../dimension/attachment.ts";
import type { DimensionKey } from "../../dimension/catalogue.ts";
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { capital } from "../../quantity/capital.ts";
import { printLength } from "../../quantity/length.ts";
import { say, sayFine } from "../../quantity/say.ts";
import type { Units } from "../../quantity/units.ts";
import type { ResolvedRig } from "../../rig/resolve.ts";
import { frontSupportOf, onTracks } from "../../rig/supports.ts";
import { chosen, known, type WholeRig, works } from "../../rig/whole.ts";
import type { ToolKindKey } from "../../trade/kinds.ts";
import { BEHIND_FRONT, findsItsLine, type HitchOf, habitOf } from "./hitch-of-part.ts";

/** What is looked at of each tool's hitch. */
export function hitchChecks(whole: WholeRig, hitches: readonly HitchOf[], units: Units): Check[] {
  return whole.parts.flatMap(({ rig }, index) =>
    checksOf(
      rig,
      hitches[index]!,
      checkerOf("hitch", rig, whole.parts.length > 1 ? index : undefined),
      units,
    ),
  );
}

function checksOf(rig: ResolvedRig, hitch: HitchOf, at: Checker, units: Units): Check[] {
  if (rig.attachment === "head")
    return [
      at.check("fixed", "Mount", {
        verdict: "good",
        said: "Fixed: the head hooks on the feeder house and is locked there.",
        why: "Look at both locks before lifting.",
        target: "axle.pin",
      }),
    ];
  if (isBuiltOn(rig.attachment))
    return [
      at.check("fixed", "Mount", {
        verdict: "good",
        said: "Built on: the boom's lift and its frame stay on the machine.",
        why: "Look at the frame's pins, pendulum and springs before the season.",
        target: "axle.pin",
      }),
    ];
  if (onPin(rig.attachment)) return [levelCheck(hitch, at, units)];
  return [
    ...(onLinks(rig.attachment) ? [linksCheck(hitch, at, units)] : []),
    ...(rig.attachment === "links" ? [] : linkageChecks(rig, hitch, at, units)),
    ...crossingCheck(rig, hitch, at, units),
    ...stabiliserCheck(rig, at),
  ];
}

/** Links and rods further apart than this are told from a slip of the tape (our threshold), metres. */
const EQUAL = 0.005;

/** The one advice about two that should be alike, wherever it is given: the longer comes in to the other's length. */
export function shorten(difference: number, what: "link" | "rod", units: Units): string {
  const longer = difference > 0 ? "left" : "right";
  return `Shorten the ${longer} ${what} by ${sayFine(Math.abs(difference), units)}, unless its maker wants them different.`;
}

function linksCheck({ links }: HitchOf, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["links", "Lower links equal"];
  if (!links) return unknown(id, label, "hitch.linkRight");
  const { difference, turn } = links;
  const by = sayFine(Math.abs(difference), units);
  if (Math.abs(difference) <= EQUAL)
    return check(id, label, {
      verdict: "good",
      said: difference === 0 ? "Equal." : `Within ${by}.`,
      target: "hitch.linkLeft",
    });
  const longer = difference > 0 ? "left" : "right";
  return check(id, label, {
    verdict: "fix",
    said: `The ${longer} lower link is ${by} longer: the cross shaft stands ${turn === null ? "askew" : `${say("angle", Math.abs(turn), units)} askew`}.`,
    why: `The tool pulls to the side. ${shorten(difference, "link", units)}`,
    target: difference > 0 ? "hitch.linkLeft" : "hitch.linkRight",
  });
}

function rodsCheck({ rods }: HitchOf, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["rods", "Lift rods equal"];
  if (!rods) return unknown(id, label, "hitch.rodRight");
  const by = sayFine(Math.abs(rods.difference), units);
  if (Math.abs(rods.difference) <= EQUAL)
    return check(id, label, {
      verdict: "good",
      said: rods.difference === 0 ? "Equal." : `Within ${by}.`,
      target: "hitch.rodLeft",
    });
  const longer = rods.difference > 0 ? "left" : "right";
  return check(id, label, {
    verdict: "fix",
    said: `The ${longer} lift rod is ${by} longer: the tool leans ${rods.lean === null ? "" : `${say("angle", Math.abs(rods.lean), units)} `}to the ${longer}.`,
    why: `One side works deeper. ${shorten(rods.difference, "rod", units)}`,
    target: rods.difference > 0 ? "hitch.rodLeft" : "hitch.rodRight",
  });
}

function linkageChecks(rig: ResolvedRig, hitch: HitchOf, at: Checker, units: Units): Check[] {
  const [missing] = hitch.missing;
  if (hitch.tail)
    return [
      rodsCheck(hitch, at, units),
      tailPitchCheck(rig, hitch, at, units),
      clearanceCheck(rig, hitch, at, units),
      ...controlCheck(rig, at, units),
    ];
  return [
    rodsCheck(hitch, at, units),
    ...(!works(rig)
      ? [
          at.check("pitch", "Pitch at work", {
            verdict: "good",
            said: "It only carries: it need not hang level.",
            target: "tool.kind",
          }),
        ]
      : missing
        ? [at.unknown("pitch", "Pitch at work", missing)]
        : [pitchCheck(hitch, at, units)]),
    ...(missing ? [] : strokeChecks(hitch, at, units)),
    ...(missing ? [] : virtualCheck(rig, hitch, at, units)),
    ...(missing ? [] : slopeCheck(rig, hitch, at, units)),
    clearanceCheck(rig, hitch, at, units),
    ...controlCheck(rig, at, units),
  ];
}

/** A pitch this near to the wanted one is right, radians: half a degree. */
const PITCH_PLAY = (0.5 * Math.PI) / 180;

function pitchCheck(hitch: HitchOf, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["pitch", "Pitch at work"];
  const { work, pitch, wantedPitch, cure } = hitch;
  if (!work) return unknown(id, label, "work.ballHeight");
  if (!work.ok) return brokenTriangle(id, label, work, { check, unknown }, units);
  const off = pitch! - wantedPitch;
  const now = pitchWords(pitch!, units);
  if (Math.abs(off) <= PITCH_PLAY)
    return check(id, label, {
      verdict: "good",
      said: `${now}; wanted ${pitchWords(wantedPitch, units)}.`,
      target: "work.topLink",
    });
  return check(id, label, {
    verdict: "fix",
    said: `${now}; wanted ${pitchWords(wantedPitch, units)}. ${cureText(cure, units)}`,
    why: "Front and rear of the tool work at different depths.",
    target: "work.topLink",
    next: "Set top link",
  });
}

/** A semi-mounted tool is level where the balls are as high as its pins stand with the frame level: links up or down, no top link. */
function tailPitchCheck(
  rig: ResolvedRig,
  { tail, wantedPitch }: HitchOf,
  { check, unknown }: Checker,
  units: Units,
): Check {
  const [id, label] = ["pitch", "Pitch at work"];
  const pitch = tail?.work ?? null;
  const [level, wheel] = [known(rig, "tool.eyeHeight"), known(rig, "pin.pivot")];
  if (pitch === null || level === null || wheel === null) {
    const open = (["tool.eyeHeight", "pin.pivot", "work.ballHeight"] as const).find(
      (key) => known(rig, key) === null,
    );
    return unknown(id, label, open ?? "work.ballHeight");
  }
  const now = pitchWords(pitch, units);
  const height = level + wheel * Math.sin(wantedPitch);
  if (Math.abs(pitch - wantedPitch) <= PITCH_PLAY)
    return check(id, label, {
      verdict: "good",
      said: `${now}; wanted ${pitchWords(wantedPitch, units)}.`,
      target: "work.ballHeight",
    });
  return check(id, label, {
    verdict: "fix",
    said: `${now}; wanted ${pitchWords(wantedPitch, units)}. Set the balls to ${printLength(height, units.tape)} above ground.`,
    why: "It hangs in the balls and stands on its wheel: the lower links set its pitch, no top link does.",
    target: "work.ballHeight",
    next: "Set the lift",
  });
}

export function pitchWords(pitch: number, units: Units): string {
  const size = say("angle", Math.abs(pitch), units);
  return Number.parseFloat(size) === 0 ? "level" : `${size} nose ${pitch > 0 ? "up" : "down"}`;
}

export function cureText(cure: HitchOf["cure"], units: Units): string {
  if (!cure) return "";
  const length = printLength(cure.length, units.tape);
  if (cure.beyond)
    return `It would take a top link of ${length}, ${sayFine(cure.beyond.by, units)} ${cure.beyond.end === "short" ? "shorter" : "longer"} than it can be screwed: use another hole.`;
  const turns = cure.turns?.direction ? `, ${cure.turns.turns.toFixed(1)} turns ${cure.turns.direction}` : "";
  return `Set the top link to ${length}, ${sayFine(Math.abs(cure.change), units)} ${cure.change > 0 ? "longer" : "shorter"}${turns}.`;
}

function brokenTriangle(
  id: string,
  label: string,
  broken: Extract<NonNullable<HitchOf["work"]>, { ok: false }>,
  { check }: Checker,
  units: Units,
): Check {
  const by = printLength(broken.by, units.tape);
  const said = {
    "too short": `The triangle does not close: the top link is ${by} too short.`,
    "too long": `The triangle does not close: the top link is ${by} too long.`,
    "lower links": `The lower links cannot reach that height or span: ${by} are missing.`,
  }[broken.reason];
  return check(id, label, {
    verdict: "stop",
    said,
    why: "One of the lengths was read or written wrong: no linkage looks like that.",
    target: broken.reason === "lower links" ? "work.ballHeight" : "work.topLink",
  });
}

/** The whole lift: does the triangle close everywhere, and how far does the tool tip? */
function strokeChecks({ low, high, poses, ahead }: HitchOf, at: Checker, units: Units): Check[] {
  const [id, label] = ["stroke", "Through the lift"];
  if (!low) return [at.unknown(id, label, "hitch.ballLow")];
  if (!high) return [at.unknown(id, label, "hitch.ballHigh")];
  if (!low.ok) return [brokenTriangle(id, label, low, at, units)];
  if (!high.ok) return [brokenTriangle(id, label, high, at, units)];
  const pitches = poses.map(({ pitch }) => (ahead ? -pitch : pitch));
  const [least, most] = [Math.min(...pitches), Math.max(...pitches)];
  return [
    at.check(id, label, {
      verdict: "good",
      said: `Lifts ${printLength(high.pose.ball.z - low.pose.ball.z, units.tape)}; tips from ${pitchWords(least, units)} to ${pitchWords(most, units)}.`,
      target: "hitch.ballHigh",
    }),
  ];
}

function virtualCheck(
  rig: ResolvedRig,
  { work, ahead }: HitchOf,
  { check, unknown }: Checker,
  units: Units,
): Check[] {
  if (!work?.ok || ahead || !findsItsLine(rig)) return [];
  const [id, label] = ["virtual", "Virtual hitch point"];
  const { x: wheelbase, missing } = frontSupportOf(rig);
  if (wheelbase === null) return [unknown(id, label, missing)];
  const { virtual } = work.pose;
  if (!virtual)
    return [
      check(id, label, {
        verdict: "check",
        said: "Top and lower links are parallel: they cross nowhere.",
        why: "The tool does not find its depth by itself. Pin the top link lower on the tractor.",
        target: "hitch.upperUp",
      }),
    ];
  const forward = -virtual.x;
  const where = `${aheadWords(rig, forward, units)}, ${printLength(Math.abs(virtual.z), units.tape)} ${virtual.z >= 0 ? "above" : "under"} ground`;
  const inside = forward >= BEHIND_FRONT.from * wheelbase && forward <= BEHIND_FRONT.to * wheelbase;
  return [
    check(id, label, {
      verdict: inside ? "good" : "check",
      said: inside
        ? `${where}.`
        : `The links' lines cross ${where}; common practice wants it just behind the front axle: ${printLength(BEHIND_FRONT.from * wheelbase, units.tape)} to ${printLength(wheelbase, units.tape)} ahead of the rear one (our band).`,
      why: inside
        ? ""
        : "It decides how weight moves to the tractor and how the tool follows the ground. Try another hole for the top link.",
      target: "hitch.upperUp",
    }),
  ];
}

/** A plough's links both fall toward the tractor while it works (common practice, no source); other tools have no such rule. */
function slopeCheck(rig: ResolvedRig, { work }: HitchOf, { check }: Checker, units: Units): Check[] {
  const kind = chosen<ToolKindKey>(rig, "tool.kind");
  if (kind !== "plough" || !work?.ok) return [];
  const { angle, topAngle } = work.pose;
  const rising = [angle < 0 ? "lower links" : "", topAngle < 0 ? "top link" : ""].filter(Boolean);
  const slopes = `Lower links ${say("angle", Math.abs(angle), units)}, top link ${say("angle", Math.abs(topAngle), units)}`;
  return [
    rising.length === 0
      ? check("slope", "Links fall toward the tractor", {
          verdict: "good",
          said: `${slopes}, both falling toward the tractor.`,
          target: "work.topLink",
        })
      : check("slope", "Links fall toward the tractor", {
          verdict: "check",
          said: `${slopes}: the ${rising.join(" and the ")} rise${rising.length === 1 && rising[0] === "top link" ? "s" : ""} toward the tractor at work.`,
          why: "A plough draws itself in when both fall slightly toward the tractor: another hole on the headstock, or on the tractor.",
          target: topAngle < 0 ? "hitch.upperUp" : "work.ballHeight",
        }),
  ];
}

/** What should be left under a lifted tool on the road (common practice, no source), metres. */
const ROAD_CLEARANCE = 0.3;

function clearanceCheck(
  rig: ResolvedRig,
  { clearance, missing, tail }: HitchOf,
  { check, unknown }: Checker,
  units: Units,
): Check {
  const [id, label] = ["clearance", "Clear of the road"];
  if (clearance === null) {
    const own: DimensionKey[] = tail ? ["tool.eyeHeight", "pin.pivot", "tool.tailLift"] : [];
    const keys: DimensionKey[] = ["hitch.ballHigh", "tool.under", "tool.underBack", ...own];
    const open = keys.find((key) => known(rig, key) === null);
    return unknown(id, label, open ?? missing[0] ?? "work.topLink");
  }
  const height = printLength(Math.abs(clearance), units.tape);
  if (clearance >= ROAD_CLEARANCE)
    return check(id, label, {
      verdict: "good",
      said: `${height} under its lowest part, lift right up.`,
      target: "hitch.ballHigh",
    });
  return check(id, label, {
    verdict: clearance <= 0.05 ? "stop" : "fix",
    said:
      clearance <= 0
        ? `Its lowest part stays ${height} in the ground with the lift right up.`
        : `Only ${height} under its lowest part with the lift right up.`,
    why: `Common practice leaves ${printLength(ROAD_CLEARANCE, units.tape)}. ${tail ? "Its wheel lifts the tail: let its cylinder right out." : "Another top link hole lifts the tail higher."}`,
    target: tail ? "tool.tailLift" : "hitch.upperUp",
  });
}

/** "1.04 m ahead of the rear axle", or on tracks of the axle of the drive wheels. */
export function aheadWords(rig: ResolvedRig, ahead: number, units: Units): string {
  const axle = onTracks(rig) ? "the drive wheels' axle" : "the rear axle";
  return `${printLength(Math.abs(ahead), units.tape)} ${ahead >= 0 ? "ahead of" : "behind"} ${axle}`;
}

function crossingCheck(
  rig: ResolvedRig,
  { plan, ahead }: HitchOf,
  { check, unknown }: Checker,
  units: Units,
): Check[] {
  if (ahead) return [];
  const [id, label] = ["crossing", "Links' crossing, from above"];
  if (!plan) return [unknown(id, label, known(rig, "hitch.pivots") === null ? "hitch.pivots" : "tool.span")];
  const { band, wanted } = plan;
  const where = plan.aheadOfAxle === null ? "" : aheadWords(rig, plan.aheadOfAxle, units);
  if (chosen(rig, "tool.kind") === null) return [unknown(id, label, "tool.kind")];
  if (!findsItsLine(rig))
    return [
      check(id, label, {
        verdict: "good",
        said: `${where === "" ? "" : `They cross ${where}. `}Only ploughs and subsoilers find their line by it.`,
        target: "tool.span",
      }),
    ];
  const cure = wanted
    ? ` The cross shaft of category ${wanted.category}, ${printLength(wanted.span, units.tape)}, would bring it to ${printLength(wanted.aheadOfAxle, units.tape)}.`
    : "";
  if (plan.ahead === null || plan.ahead < 0)
    return [
      check(id, label, {
        verdict: "fix",
        said: `The lower links run ${plan.ahead === null ? "parallel" : "together rearward"}: the tool does not steer itself.${cure}`,
        why: "It wanders behind the tractor.",
        target: "tool.span",
      }),
    ];
  if (plan.aheadOfAxle === null) return [unknown(id, label, "axle.pin")];
  const front = frontSupportOf(rig);
  if (band === null) return [unknown(id, label, front.missing ?? "tractor.wheelbase")];
  const wants = `common practice wants it just behind the front axle, ${printLength(band.from, units.tape)} to ${printLength(band.to, units.tape)} ahead of the rear one (our band)`;
  if (plan.aheadOfAxle > band.to)
    return [
      check(id, label, {
        verdict: "fix",
        said: `The links' lines cross ${where}, ahead of the front axle.${cure}`,
        why: "The cross shaft is too short for these links: they are nearly parallel, and the tool wanders.",
        target: "tool.span",
        next: "Set cross shaft",
      }),
    ];
  if (plan.aheadOfAxle < band.from)
    return [
      check(id, label, {
        verdict: "check",
        said: `The links' lines cross ${where}; ${wants}.${cure}`,
        why: "The tool swings about a point so near that it fights the steering.",
        target: "tool.span",
      }),
    ];
  return [check(id, label, { verdict: "good", said: `${where}.`, target: "tool.span" })];
}

function stabiliserCheck(rig: ResolvedRig, { check, unknown }: Checker): Check[] {
  const [id, label] = ["stabilisers", "Stabilisers"];
  const habit = habitOf(rig);
  const set = chosen<"free" | "rigid" | "blocked">(rig, "work.stabilisers");
  if (!habit) return [unknown(id, label, "tool.kind")];
  if (set === null)
    return [
      unknown(
        id,
        label,
        "work.stabilisers",
        `${habit.label}: ${habit.stabilisers} at work, rigid on the road (common practice; its maker's word comes first).`,
      ),
    ];
  const wrong = (habit.stabilisers === "free") !== (set === "free");
  return [
    check(id, label, {
      verdict: wrong ? "fix" : "good",
      said: wrong
        ? `Stabilisers are ${set} at work; ${habit.label.toLowerCase()}: ${habit.stabilisers}.`
        : `${capital(set)} at work, rigid on the road.`,
      why: wrong
        ? habit.stabilisers === "free"
          ? "Held rigid it cannot find its own line, and the driver fights it with the steering. Its maker's word comes first."
          : "It swings and hits the tyres. Its maker's word comes first."
        : "",
      target: "work.stabilisers",
      next: "Set stabilisers",
    }),
  ];
}

function controlCheck(rig: ResolvedRig, { check, unknown }: Checker, units: Units): Check[] {
  const [id, label] = ["control", "Lift at work"];
  const habit = habitOf(rig);
  const set = chosen<"draft" | "mixed" | "position" | "float">(rig, "work.control");
  if (!habit) return [];
  if (set === null)
    return [
      unknown(
        id,
        label,
        "work.control",
        `${habit.label}: ${habit.lift} is usual. Position control while coupling, always.`,
      ),
    ];
  const share = known(rig, "work.draftShare");
  if (habit.lift === "draft") {
    if (set === "float" || set === "position")
      return [
        check(id, label, {
          verdict: "check",
          said: `${set === "float" ? "Float" : "Position control"}; for ${habit.label.toLowerCase()} draft or mixed is usual.`,
          why: "Draft control puts weight on the rear wheels and keeps the pull even.",
          target: "work.control",
          next: "Set the lift",
        }),
      ];
    if (set === "mixed" && share !== null && (share < 0.3 || share > 0.5))
      return [
        check(id, label, {
          verdict: "note",
          said: `Draft share ${say("ratio", share, units)}; 30 to 50 % is common practice.`,
          why: "Less slips, more follows every hard patch up and down.",
          target: "work.draftShare",
        }),
      ];
  } else if (set === "draft")
    return [
      check(id, label, {
        verdict: "check",
        said: `Draft control; for ${habit.label.toLowerCase()} ${habit.lift} is usual.`,
        why: "It lifts the tool out of hard patches.",
        target: "work.control",
        next: "Set the lift",
      }),
    ];
  return [
    check(id, label, {
      verdict: "good",
      said: `${capital(set)} at work; position control while coupling.`,
      target: "work.control",
    }),
  ];
}

/** A frame this near to level is level, radians. */
const LEVEL = (0.5 * Math.PI) / 180;

function levelCheck({ frame }: HitchOf, { check, unknown }: Checker, units: Units): Check {
  const [id, label] = ["level", "Frame level"];
  if (!frame) return unknown(id, label, "tool.eyeHeight");
  const words = pitchWords(frame.slope, units);
  if (Math.abs(frame.slope) <= LEVEL)
    return check(id, label, { verdict: "good", said: `${words}.`, target: "tool.eyeHeight" });
  return check(id, label, {
    verdict: "fix",
    said: `The frame stands ${words}: set the eye ${sayFine(Math.abs(frame.lower), units)} ${frame.lower > 0 ? "higher on the drawbar, or the pin lower" : "lower on the drawbar, or the pin higher"}.`,
    why: "Front and rear ranks work at different depths.",
    target: "tool.eyeHeight",
  });
}
