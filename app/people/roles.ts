import type { Role } from "../../data/people/people.ts";

/** What each may do, in words. */
export const ROLE_WORDS: Record<Role, string> = {
  owner: "does everything, invites and revokes, takes backups and puts them back.",
  operator: "measures, ticks, plans and keeps; all but inviting and backups.",
  adviser: "reads everything and asks for readings; enters none.",
};
