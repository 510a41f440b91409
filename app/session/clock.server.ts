/** When something happened: told by the device's own clock, set right by the server's. */

/** Nothing here was read before there was an Ambrek to type it into. */
const EARLIEST = Date.parse("2020-01-01T00:00:00Z");
/** A device's clock this far off is spoken of, ms. */
const TOLD = 2 * 60_000;

export type Stamp = {
  /** when it happened, by the server's clock; never later than `now` */
  at: Date;
  /** when it arrived */
  now: Date;
  /** what is to be said of the device's clock; empty where it is right, or was not told */
  clock: string;
};

const ISO = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/;

function read(form: FormData, name: string): number | null | "bad" {
  const text = String(form.get(name) ?? "");
  if (text === "") return null;
  const at = ISO.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(at) ? "bad" : at;
}

/** The header in which the thread that listens says when a request came, ms: under load it is carried out later. Nobody else can set it. */
export const CAME = "ambrek-came";

/** When a request arrived. */
export function cameAt(request: Request): Date {
  const told = Number(request.headers.get(CAME) ?? Number.NaN);
  return Number.isNaN(told) ? new Date() : new Date(told);
}

/** What is sent and told at once happened as it arrived. */
export function onArrival(now = new Date()): Stamp {
  return { at: now, now, clock: "" };
}

/**
 * Happened = arrival − (the device's clock when sending − its clock at the event), so that a wrong clock neither wins nor loses. A device
 * that tells only the event's time, as older builds did, is believed up to now. Without either it happened on arrival.
 */
export function stampOf(
  form: FormData,
  now: Date,
): { ok: true; stamp: Stamp } | { ok: false; problem: string } {
  const happened = read(form, "happenedAt") ?? read(form, "measuredAt");
  const sent = read(form, "sentAt");
  if (happened === "bad" || sent === "bad")
    return { ok: false, problem: "The time of this entry was not understood." };
  if (happened === null) return { ok: true, stamp: onArrival(now) };
  if (happened < EARLIEST)
    return {
      ok: false,
      problem: "This device's clock stands before 2020: set its date, and enter it again.",
    };
  const ago = sent === null ? now.getTime() - happened : sent - happened;
  const off = sent === null ? 0 : sent - now.getTime();
  const at = new Date(now.getTime() - Math.max(0, ago));
  if (at.getTime() < EARLIEST)
    return { ok: false, problem: "This device's clock was set while it waited: enter it again." };
  return { ok: true, stamp: { at, now, clock: Math.abs(off) > TOLD ? clockWords(off) : "" } };
}

function clockWords(off: number): string {
  const minutes = Math.round(Math.abs(off) / 60_000);
  const size = minutes < 120 ? `${minutes} minutes` : `${Math.round(minutes / 60)} hours`;
  return `This device's clock is ${size} ${off > 0 ? "fast" : "slow"}; the time was set right.`;
}
