/** What follows from the readings, in words and figures. */

import type { Hung } from "../../../core/dimension/attachment.ts";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { type PointKey, pointLabel } from "../../../core/dimension/points.ts";
import { capital } from "../../../core/quantity/capital.ts";
import { isNothing } from "../../../core/quantity/figure.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inInches, type Units } from "../../../core/quantity/units.ts";
import { between } from "../../../core/rig/chain.ts";
import type { Proof } from "../../../core/rig/facts.ts";
import { SENSE } from "../../../core/rig/frame.ts";
import type { Grade } from "../../../core/rig/grade.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import type { Follow } from "../../../core/subject/measured.ts";
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

/** The chain from the receiver to where a subject's readings end. */
export function chainView(to: PointKey, rig: ResolvedRig, units: Units): ChainView {
  const chain = between(rig, "receiver", to, "x");
  const signed = (metres: number, bare: boolean) => printLength(metres, units.tape, { bare });
  return {
    title: `Receiver to ${pointLabel(to, rig)}`,
    links: chain.links.map(({ key, coefficient, contribution, grade }) => ({
      key,
      label: walked(rig, key, coefficient),
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
function walked(hung: Hung, key: DimensionKey, coefficient: number): string {
  const { span, direction, label } = dimension(key, hung);
  if (!span) return label;
  const outward = Math.sign(coefficient) === SENSE[direction];
  const [from, to] = outward ? [span.from, span.to] : [span.to, span.from];
  const name = `${pointLabel(from, hung)} to ${pointLabel(to, hung)}`;
  return capital(name);
}

const SIDE_WORDS = ["right", "left"] as const;

/** What follows from a subject's readings, as it is read. */
export function followRow({ label, metres, as, chain }: Follow, units: Units): FollowRow {
  if (metres === null) return { label, text: "not known yet", plusMinus: null, grade: null };
  const text =
    as === "small"
      ? fine(metres, units)
      : as === "along"
        ? printLength(metres, units.tape)
        : printLength(Math.abs(metres), inInches(units.tape) ? "in" : "cm");
  const word = as === "sideways" && !isNothing(text) ? ` ${SIDE_WORDS[metres > 0 ? 0 : 1]}` : "";
  return {
    label,
    text: `${text}${word}`,
    plusMinus: chain && plusMinus(chain, units),
    grade: chain?.grade ?? null,
  };
}
