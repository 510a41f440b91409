import type { Subject } from "../../subject/subject.ts";
import { type Hoses, hoseChecks, hosesOf } from "./checks.ts";
import { hoseLines } from "./hookup.ts";

export const HOSES: Subject<"hoses", Hoses> = {
  key: "hoses",
  label: "Hoses",
  lead: "Which hose goes where, what is swapped when, and how long each movement takes.",
  asks: "Does everything find its place?",
  changesOf: ["tractor", "implement"],
  shows: "rig",
  holds: "hook-up",
  onSheet: false,
  reckon: hosesOf,
  checks: (hoses, whole) => hoseChecks(whole, hoses),
  hookup: (hoses, whole) => hoseLines(whole, hoses),
};
