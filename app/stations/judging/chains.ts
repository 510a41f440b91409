import { capital } from "../../../core/quantity/capital.ts";
import { isNothing } from "../../../core/quantity/figure.ts";
/** What follows from the readings, in words and figures. */

import { type Attachment, isAhead, onLinks, onPin } from "../../../core/dimension/attachment.ts";
import {
  type DimensionKey,
  dimension,
  hasDimension,
  type StationKey,
} from "../../../core/dimension/catalogue.ts";
import { pointLabel } from "../../../core/dimension/points.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inInches, type Units } from "../../../core/quantity/units.ts";
import { between, type Chain, trackSpacing } from "../../../core/rig/chain.ts";
import type { Proof } from "../../../core/rig/facts.ts";
import { SENSE } from "../../../core/rig/frame.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { SIDE_SLOPE } from "../../../core/rig/tape-next.ts";
import { day, fine, plusMinus } from "../frame/print.ts";

export type ChainView = {
  title: string;
  links: { key: DimensionKey; label: string; text: string; grade: Grade }[];
  total: string | null;
  /** "± 9 mm" */
  plusMinus: string | null;
  /** what is known where there is no total */
  known: string;
  grade: Grade;
  stale: boolean;
  proof: string | null;
  caption: string;
};

export type FollowRow = { label: string; text: string; plusMinus: string | null; grade: Grade | null };

export function chainView(station: StationKey, rig: ResolvedRig, units: Units): ChainView {
  const to = station === "antenna" ? "pin" : "workFront";
  const chain = between(rig, "receiver", to, "x");
  const signed = (metres: number, bare: boolean) => printLength(metres, units.tape, { bare });
  return {
    title: `Receiver to ${pointLabel(to, rig.attachment)}`,
    links: chain.links.map(({ key, coefficient, contribution, grade }) => ({
      key,
      label: walked(rig.attachment, key, coefficient),
      text: contribution === null ? "missing" : signed(contribution, true),
      grade,
    })),
    total: chain.total === null ? null : signed(chain.total, false),
    plusMinus: plusMinus(chain, units),
    known: signed(chain.known, false),
    grade: chain.grade,
    stale: chain.stale,
    proof: chain.proof && proofText(chain.proof),
    caption: "behind is −, 1 σ",
  };
}

export function proofText({ how, result, person, at }: Proof): string {
  return `${[how, result].filter(Boolean).join(" ")} ${person}, ${day(at)}.`;
}

/** A link named the way the chain walks it: readings are taken outward from the axle, chains also walk home. */
function walked(attachment: Attachment, key: DimensionKey, coefficient: number): string {
  const { span, direction, label } = dimension(key, attachment);
  if (!span) return label;
  const outward = Math.sign(coefficient) === SENSE[direction];
  const [from, to] = outward ? [span.from, span.to] : [span.to, span.from];
  const name = `${pointLabel(from, attachment)} to ${pointLabel(to, attachment)}`;
  return capital(name);
}

function follow(label: string, chain: Chain, units: Units, words?: readonly [string, string]): FollowRow {
  if (chain.total === null) return { label, text: "not known yet", plusMinus: null, grade: null };
  const style = words ? (inInches(units.tape) ? "in" : "cm") : units.tape;
  const text = printLength(words ? Math.abs(chain.total) : chain.total, style);
  const word = words && !isNothing(text) ? ` ${chain.total > 0 ? words[0] : words[1]}` : "";
  return { label, text: `${text}${word}`, plusMinus: plusMinus(chain, units), grade: chain.grade };
}

/** "pin" or "balls" where that says it shortly, else the whole name of what it hangs on. */
function hangsOn({ attachment }: ResolvedRig): string {
  if (onPin(attachment)) return "pin";
  return onLinks(attachment) ? "balls" : pointLabel("pin", attachment);
}

const SIDE_WORDS = ["right", "left"] as const;

export function follows(station: StationKey, rig: ResolvedRig, units: Units): FollowRow[] {
  if (station === "antenna") {
    const height = between(rig, "axle", "receiver", "up").total;
    const ahead = isAhead(rig.attachment);
    return [
      ahead
        ? follow("Receiver behind the hitch", between(rig, "receiver", "pin", "x"), units)
        : follow(`Receiver ahead of the ${hangsOn(rig)}`, between(rig, "pin", "receiver", "x"), units),
      follow("Receiver off the centre line", between(rig, "axle", "receiver", "y"), units, SIDE_WORDS),
      {
        label: "Leans downhill on a 4° slope",
        text: height === null ? "not known yet" : fine(height * Math.sin(SIDE_SLOPE), units),
        plusMinus: null,
        grade: null,
      },
    ];
  }
  const label = (point: "axle" | "workFront" | "workRear") => pointLabel(point, rig.attachment);
  return [
    follow(
      capital(`${label("axle")} to ${label("workFront")}`),
      between(rig, "axle", "workFront", "x"),
      units,
    ),
    ...(hasDimension(rig.attachment, "pin.workRear")
      ? [follow(`Receiver to ${label("workRear")}`, between(rig, "receiver", "workRear", "x"), units)]
      : []),
    ...(hasDimension(rig.attachment, "pin.pivot")
      ? [follow("Receiver to wheels", between(rig, "receiver", "pivot", "x"), units)]
      : []),
    follow("Work, seen from the receiver", between(rig, "receiver", "workMid", "y"), units, SIDE_WORDS),
    follow("Track spacing, width less overlap", trackSpacing(rig), units),
  ];
}
