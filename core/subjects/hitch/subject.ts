import type { Subject } from "../../subject/subject.ts";
import { hitchChecks } from "./checks.ts";
import { type HitchOf, hitchOf } from "./hitch-of-part.ts";
import { hitchLines } from "./hookup.ts";

export const HITCH: Subject<"hitch", readonly HitchOf[]> = {
  key: "hitch",
  label: "Hitch",
  lead: "Is it hitched right, and what to turn by how much?",
  asks: "Is it hitched right?",
  changesOf: ["tractor", "implement"],
  shows: "rig",
  holds: "hook-up",
  onSheet: true,
  reckon: ({ parts }) => parts.map(({ rig }) => hitchOf(rig)),
  checks: (hitches, whole) => hitchChecks(whole, hitches),
  hookup: (hitches, whole) => hitchLines(whole, hitches),
};
