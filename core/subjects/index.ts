/** Every subject, in working order: the only place that names them all. A new one is one line here. */
import type { Subject } from "../subject/subject.ts";
import { ANTENNA } from "./antenna/subject.ts";
import { BALANCE } from "./balance/subject.ts";
import { GROUND } from "./ground/subject.ts";
import { GUIDANCE } from "./guidance/subject.ts";
import { HITCH } from "./hitch/subject.ts";
import { HOSES } from "./hoses/subject.ts";
import { JOB } from "./job/subject.ts";
import { MATCH } from "./match/subject.ts";
import { PROOF } from "./proof/subject.ts";
import { RATE } from "./rate/subject.ts";
import { TOOL } from "./tool/subject.ts";

const ALL = [MATCH, HITCH, HOSES, BALANCE, ANTENNA, TOOL, GROUND, RATE, JOB, GUIDANCE, PROOF] as const;

export const SUBJECTS: readonly Subject[] = ALL;

/** What each of them reckoned, by its key. */
export type ReckonedBy = {
  [Each in (typeof ALL)[number] as Each["key"]]: ReturnType<Each["reckon"]>;
};
