import type { Role } from "../../data/people/people.ts";

/** What each may do, in words. */
export const ROLE_WORDS: Record<Role, string> = {
  operator: "measures, ticks, plans and keeps; all but inviting and backups.",
  adviser: "reads everything and asks for readings; enters none.",
  owner: "does everything, invites and revokes, takes backups and puts them back.",
};

/** As they are chosen from. */
export const ROLES = Object.keys(ROLE_WORDS) as Role[];
