/** The ground station: does it work as deep and as level as wanted, and do its adjusters stand as they should? */
import type { Check } from "../../finding/check.ts";
import { type Checker, checkerOf } from "../../finding/checking.ts";
import { tell } from "../../quantity/said.ts";
import type { WholeRig } from "../../rig/whole.ts";
import type { Adjuster, PartGround } from "../../yard/ground.ts";
import { type GroundOf, questionedTwice, worksTheSoil } from "./ground-of-rig.ts";
import { DEPTH_STEP } from "./guide/depth.ts";
import type { GroundReckoned } from "./guide/of-rig.ts";
import { cureOf, type StripStanding } from "./guide/standing.ts";

import { adviceSaid, mapSaid, pointSaid, turnedSaid } from "./words.ts";

/** What is looked at of each tool that works the soil, or is set up by a guided strip. */
export function groundChecks(whole: WholeRig, { maps, strips }: GroundReckoned): Check[] {
  return whole.parts.flatMap((part, index): Check[] => {
    const strip = strips.find((each) => each.part === index);
    if (!worksTheSoil(part) && !strip) return [];
    const rowOf = checkerOf("ground", part.rig, index);
    const ground = whole.ground[index]!;
    const of = maps.find((each) => each.part === index);
    const mapped = worksTheSoil(part) && (!strip || strip.guide.steps.some(({ key }) => key === DEPTH_STEP));
    return [
      ...(strip ? [stripCheck(strip, ground, rowOf)] : []),
      ...(of ? mapChecks(of, ground, rowOf) : mapped ? [unmeasured(rowOf)] : []),
      ...adjusterChecks(ground.adjusters, rowOf),
    ];
  });
}

function stripCheck(strip: StripStanding, { strip: begun }: PartGround, rowOf: Checker): Check {
  const row = rowOf("strip", "Guided strip");
  const { next, good, all } = strip;
  if (!begun)
    return row.judged(
      "unknown",
      "guided strip",
      "No strip was begun with it here.",
      "Set, run, stop, look, correct one thing, again: it says what comes next, and keeps what it came to.",
      "Begin it",
    );
  if (!next) return row.good("guided strip", `Good in all ${all} steps, on ${begun.field}.`);
  const { said, cure, turn } = cureOf(next);
  const verdict = next.state === "judged" ? next.judgement!.verdict : "unknown";
  return row.judged(
    verdict,
    "guided strip",
    tell`${next.step.title}: ${said}`,
    tell`${turn || cure} ${good} of ${all} steps are good.`,
    "Go on with it",
  );
}

function unmeasured(rowOf: Checker): Check {
  return rowOf("map", "Depth and level").judged(
    "unknown",
    "depth map",
    "Nobody measured how deep it works.",
    "A lever's number is no depth: it is measured in the ground, in several places.",
    "Measure it",
  );
}

function mapChecks(of: GroundOf, ground: PartGround, rowOf: Checker): Check[] {
  const row = rowOf("map", "Depth and level");
  const out = of.off.filter(({ off, tolerance }) => Math.abs(off) > tolerance);
  const stands = mapSaid(of);
  return [
    ...(of.learnt?.wrongWay
      ? [
          rowOf("wrong-way", "Way of turning").fix(
            "adjusters",
            `${turnedSaid(of.learnt)}: it went the other way than told.`,
            "The sign of what a step does is wrong: every advice by it leads away. Reckon with what it did.",
            "Look at it",
          ),
        ]
      : []),
    ...oddChecks(of, ground, rowOf),
    out.length === 0
      ? row.good("depth map", stands)
      : row.fix(
          "depth map",
          stands,
          of.fit.odd.length > 0
            ? "First the point that does not fit: it pulls the others along."
            : of.advice
              ? adviceSaid(of.advice)
              : "Tell its adjusters, where they stand and what a step of each does: then it is said what to turn.",
          of.advice ? "Look at the map" : "Enter adjusters",
        ),
  ];
}

function oddChecks(of: GroundOf, ground: PartGround, rowOf: Checker): Check[] {
  const again = questionedTwice(ground);
  return of.fit.odd.map((at): Check => {
    const { label } = of.map.points[at]!;
    const row = rowOf(`odd:${label}`, label);
    return again.includes(label)
      ? row.fix(
          "depth map",
          pointSaid(of, at),
          "It was so in the map before as well: it is bent, worn or set otherwise. Look at it.",
          "Look at it",
        )
      : row.check(
          "depth map",
          pointSaid(of, at),
          "Measure it again before anything is turned: it may be the ruler.",
          "Measure it again",
        );
  });
}

function adjusterChecks(adjusters: readonly Adjuster[], rowOf: Checker): Check[] {
  return adjusters.flatMap((adjuster): Check[] => {
    const { id, label, setting, low, high, storage, pair, master } = adjuster;
    if (setting === null) return [];
    const target = "adjusters";
    const follows = adjusters.find((each) => each.id === master);
    if (follows && setting !== 0)
      return [
        rowOf(`slave:${id}`, label).fix(
          target,
          `${label} stands at ${setting}; it follows ${follows.label}.`,
          "A slave goes where its master goes: what is set on it stops it early and holds one side up. Set it on the master.",
          "Set it",
        ),
      ];
    if (storage !== null && setting === storage)
      return [
        rowOf(`stored:${id}`, label).fix(
          target,
          `${label} stands in its storage position.`,
          "There it holds nothing at work. Set it before the strip.",
          "Set it",
        ),
      ];
    if (setting < low || setting > high)
      return [
        rowOf(`range:${id}`, label).fix(
          target,
          `${label} stands at ${setting}; its range is ${low} to ${high}.`,
          "Past its end it holds by nothing, or the number was misread.",
          "Set it",
        ),
      ];
    const other = pair && adjusters.find((each) => each.id === pair.id);
    if (!pair || !other || other.setting === null || setting - other.setting === pair.difference) return [];
    const wanted =
      pair.difference === 0
        ? "equal"
        : `${Math.abs(pair.difference)} ${pair.difference > 0 ? "above" : "below"} it`;
    return [
      rowOf(`pair:${id}`, label).fix(
        target,
        `${label} stands at ${setting}, ${other.label} at ${other.setting}; it is kept ${wanted}.`,
        "Left and right work at different depths, and the tool pulls to one side.",
        "Set it",
      ),
    ];
  });
}
