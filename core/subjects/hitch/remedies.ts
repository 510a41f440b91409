/** What to turn, which way, and how far. */
import { pitchWords } from "../../linkage/words.ts";
import { fineLength, lowerSaid, quantity, type Said, tell } from "../../quantity/said.ts";
import { cureText, shorten } from "./checks.ts";
import { EQUAL, type HitchOf } from "./hitch-of-part.ts";

/** A top link set this near to the wanted length is left alone, metres (our threshold). */
const TOP_LINK_PLAY = 0.001;

/** Whether a top link that would have to be made so much longer or shorter stays as it is, metres. */
export function isSet(change: number): boolean {
  return Math.abs(change) <= TOP_LINK_PLAY;
}

/** Everything to be turned or shortened on one tool; empty where nothing is known or all is right. */
export function remediesOf({ cure, pitch, wantedPitch, rods, links, frame }: HitchOf): Said[] {
  const right: Said[] = [];
  if (cure && pitch !== null)
    right.push(
      isSet(cure.change)
        ? tell`Pitch is ${pitchWords(pitch)}, as wanted: leave the top link alone.`
        : tell`For ${pitchWords(wantedPitch)}: ${lowerSaid(cureText(cure))}`,
    );
  if (cure?.perDegree) right.push(`One degree is ${cure.perDegree.toFixed(1)} turns of the top link.`);
  if (rods && Math.abs(rods.difference) > EQUAL)
    right.push(
      tell`${shorten(rods.difference, "rod")}${rods.lean === null ? "" : tell` Then the lean of ${quantity("angle", Math.abs(rods.lean))} is gone.`}`,
    );
  if (links && Math.abs(links.difference) > EQUAL) right.push(shorten(links.difference, "link"));
  if (frame)
    right.push(
      Math.abs(frame.lower) < EQUAL
        ? "The frame is level: leave the eye where it is."
        : tell`For a level frame: the eye ${fineLength(Math.abs(frame.lower))} ${frame.lower > 0 ? "higher, or the pin lower" : "lower, or the pin higher"}.`,
    );
  return right;
}
