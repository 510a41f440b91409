/** A plan as it is kept: in names and dates, so that it can be read whatever became of the rigs since. SI. */

export type KeptDay = {
  /** YYYY-MM-DD */
  day: string;
  /** seconds */
  time: number;
  /** who, with the seconds of each; nobody where nobody was told */
  people: readonly { name: string; time: number }[];
};

export type KeptBlock = {
  jobId: number;
  job: string;
  field: string;
  machineId: number;
  machine: string;
  rigId: number;
  rig: string;
  from: string;
  to: string;
  days: readonly KeptDay[];
  /** m² */
  area: number;
  pinned: boolean;
};

export type KeptPlan = {
  first: string;
  count: number;
  blocks: readonly KeptBlock[];
  /** what it was solved from, to tell whether that is still so */
  from: string;
  /** m² inside windows, of all; the most any plan can have, where that is known */
  inside: number;
  asked: number;
  most: number | null;
  /** seconds times days late, seconds of setting */
  late: number;
  rerig: number;
};

const MILLISECONDS = 86_400_000;

/** The date so many days after another, YYYY-MM-DD. */
export const dateAfter = (first: string, days: number): string =>
  new Date(Date.parse(`${first}T00:00:00Z`) + days * MILLISECONDS).toISOString().slice(0, 10);

/** Days from one date to another. */
export const daysBetween = (first: string, date: string): number =>
  Math.round((Date.parse(`${date}T00:00:00Z`) - Date.parse(`${first}T00:00:00Z`)) / MILLISECONDS);

/** Monday is 0. */
export const weekdayOf = (date: string): number => (new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7;
