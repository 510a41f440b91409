import { powerOf, type RigPower } from "../../forces/power-of-rig.ts";
import type { Subject } from "../../subject/subject.ts";
import { matchChecks } from "./checks.ts";
import { matchLines } from "./hookup.ts";

export const MATCH: Subject<"match", RigPower> = {
  key: "match",
  label: "Match",
  lead: "Can this machine pull it, lift it, drive it and take it on the road?",
  asks: "May it be coupled?",
  changesOf: ["tractor", "implement"],
  shows: "rig",
  holds: "hook-up",
  onSheet: true,
  reckon: powerOf,
  checks: (power, whole) => matchChecks(whole, power),
  hookup: (_, whole) => matchLines(whole),
};
