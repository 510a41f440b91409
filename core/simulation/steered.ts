/** A practice machine coming to its line and holding it, by sensitivities a terminal would show: where its antenna is, ten times a second. */
import { chance } from "./random.ts";

/** From 0 to 100, as terminals show them. */
export type Sensitive = { line: number; heading: number; lead: number };

export type Steered = { along: number; off: number; heading: number; seconds: number }[];

const EVERY = 0.1;
/** The machine's own: how late its wheels answer, how tightly it turns, how fast it goes, what the receiver wanders. */
const ANSWERS = 0.45;
const BENDS = 0.16;
const SPEED = 2.2;
const WANDER = 0.008;

/**
 * Engaged `from` metres to the right of its line, for so many seconds. Line sensitivity pulls towards the line, heading sensitivity along it, heading
 * lead looks ahead to where it will point.
 */
export function steerToLine(
  { line, heading, lead }: Sensitive,
  { from, seconds, seed }: { from: number; seconds: number; seed: number },
): Steered {
  const random = chance(seed);
  const [pulls, turns, ahead] = [0.004 + 0.0012 * line, 0.05 + 0.006 * heading, 0.008 * lead];
  let [along, off, pointing, bend, wander] = [0, from, 0, 0, 0];
  return Array.from({ length: Math.round(seconds / EVERY) + 1 }, (_, step) => {
    wander = 0.995 * wander + random.normal(WANDER * 0.1);
    const at = { along, off: off + wander + random.normal(0.003), heading: pointing, seconds: step * EVERY };
    const will = pointing + SPEED * bend * ahead;
    const wanted = -pulls * Math.max(-3, Math.min(3, at.off)) * 4 - turns * will * 2;
    bend += ((Math.max(-BENDS, Math.min(BENDS, wanted)) - bend) * EVERY) / ANSWERS;
    pointing += SPEED * bend * EVERY;
    off += SPEED * Math.sin(pointing) * EVERY;
    along += SPEED * Math.cos(pointing) * EVERY;
    return at;
  });
}
