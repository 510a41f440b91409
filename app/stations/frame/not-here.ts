/** A machine a rig cannot be coupled without, and that is not there: why, and where it is brought back. */
export type NotHere = {
  id: number;
  name: string;
  href: string;
  /** "archived", "lent to Lindhof since 12 Nov 2026" */
  why: string;
  /** what the rig waits for: "until it is back in use" */
  until: string;
};
