/** Which adjuster of a single measure to turn, which way and how far; and what the last turning of it taught. */
import { type Said, tell } from "../../../quantity/said.ts";
import { type Acts, type Adjuster, type Look, MEASURES, type MeasureKey } from "../../../yard/ground.ts";
import { TRUST, wentOtherWay } from "../learn.ts";
import { type Turned, turnedBetween } from "../moved.ts";
import { isPair, pairsOf } from "../pairs.ts";
import { mastersOf, type Turn, turnAdjusters, turnsBy } from "../turning.ts";
import { countSaid, turnSaid } from "../words.ts";
import { movers, type Off } from "./guide.ts";
import { figureOf } from "./judging.ts";

export type MeasureAdvice = {
  turns: readonly Turn[];
  within: boolean;
  /** how it then is, or what to do where nothing can be turned by figures */
  comes: Said;
  /** what to turn, and how it then is */
  said: Said;
};

type Ready = Adjuster & { acts: Acts & { by: number }; setting: number };

/** What to turn for one measure; null where no adjuster is told that moves it. */
export function adviseMeasure(off: Off, adjusters: readonly Adjuster[]): MeasureAdvice | null {
  const own = mastersOf(movers(adjusters, [off.measure]));
  if (own.length === 0) return null;
  const ready = own.filter(
    (each): each is Ready => each.acts!.by !== null && each.acts!.by !== 0 && each.setting !== null,
  );
  if (ready.length === 0) return untold(own[0]!, off.measure);
  return "sense" in off ? byWay(off.sense, ready) : byFigure(off, ready);
}

function untold({ label, setting, form }: Adjuster, measure: MeasureKey): MeasureAdvice {
  const said =
    setting === null
      ? `Enter where ${label} stands: then it is said how far to turn.`
      : `What a step of ${label} does to the ${MEASURES[measure].label} nobody knows yet: ${countSaid({ form }, 1)}, enter it, run again: it is learnt from that.`;
  return { turns: [], within: false, comes: said, said };
}

/** One step where only the way is known, with what is kept equal to it. */
function byWay(sense: 1 | -1, ready: readonly Ready[]): MeasureAdvice {
  for (const together of pairsOf(ready)) {
    const steps = -sense * Math.sign(together[0]!.acts.by);
    const turns = turnsBy(together, steps);
    if (turns.every(({ adjuster: { low, high }, to }) => to >= low && to <= high))
      return {
        turns,
        within: false,
        comes: "Then look again.",
        said: `${turns.map(turnSaid).join("; ")}. Then look again.`,
      };
  }
  const ends = `At the end of its range: ${ready.map(({ label }) => label).join(", ")}.`;
  return { turns: [], within: false, comes: ends, said: ends };
}

function byFigure(
  { measure, value, wanted, tolerance }: Extract<Off, { value: number }>,
  ready: readonly Ready[],
): MeasureAdvice {
  // Two that are kept equal sit left and right: turned alike they move it by as much as one of them says.
  const { turns, within, left, binds } = turnAdjusters(
    [{ key: measure, off: value - wanted, tolerance }],
    ready,
    (together) => [together.reduce((sum, { acts }) => sum + acts.by, 0) / together.length],
  );
  const ends = binds.map(({ label }) => label);
  const comes = tell`${within ? "Then it is" : "Nearest is"} ${figureOf(measure, wanted + left[0]!)}.${ends.length > 0 ? ` At the end of its range: ${ends.join(", ")}.` : ""}`;
  const said =
    turns.length === 0
      ? tell`Nothing that can be turned brings it nearer. ${comes}`
      : tell`${turns.map(turnSaid).join("; ")}. ${comes}`;
  return { turns, within, comes, said };
}

export type MeasureLearnt = {
  /** the look it is learnt from */
  from: string;
  measure: MeasureKey;
  turned: readonly Turned[];
  /** by how much it was to change, and by how much it did, SI; told is null where nobody knew */
  told: number | null;
  came: number;
  /** standard error of the change */
  error: number;
  /** what one step does by what was told and what came, SI, with its standard error, where one adjuster or a pair was turned by itself; null: nobody can tell */
  each: { by: number; error: number } | null;
  /** it was learnt from this look already */
  done: boolean;
  wrongWay: boolean;
};

/** What two looks at a step teach, with adjusters of its measure turned between them; null where none was. */
export function learnMeasure(
  now: { look: Pick<Look, "id" | "settings">; off: Off | undefined },
  before: { look: Pick<Look, "id" | "settings">; off: Off | undefined },
  adjusters: readonly Adjuster[],
): MeasureLearnt | null {
  if (
    !now.off ||
    !before.off ||
    "sense" in now.off ||
    "sense" in before.off ||
    now.off.measure !== before.off.measure
  )
    return null;
  const { measure } = now.off;
  const turned = turnedBetween(before.look.settings, now.look.settings, movers(adjusters, [measure]));
  if (turned.length === 0) return null;
  const came = now.off.value - before.off.value;
  const error = MEASURES[measure].sigma * Math.SQRT2;
  const together = alike(turned);
  const told = turned.every(({ adjuster: { acts } }) => acts!.by !== null)
    ? turned.reduce(
        (sum, { adjuster, steps }) => sum + (adjuster.acts!.by! * steps) / (together ? turned.length : 1),
        0,
      )
    : null;
  const wrongWay = told !== null && wentOtherWay(told, came, error);
  return {
    measure,
    turned,
    told,
    came,
    error,
    from: now.look.id,
    each: together ? eachOf(turned[0]!.steps, wrongWay ? null : told, came, error) : null,
    done: turned.every(({ adjuster }) => adjuster.learntFrom === now.look.id),
    wrongWay,
  };
}

/** By what was told and what came, each by how sure it is; by what came alone where nobody told, or told the wrong way. */
function eachOf(steps: number, told: number | null, came: number, error: number) {
  const count = Math.abs(steps);
  if (told === null) return { by: came / steps, error: error / count };
  const trust = (TRUST * told) ** 2;
  const share = trust / (trust + error ** 2);
  return { by: (told + (came - told) * share) / steps, error: (Math.sqrt(share) * error) / count };
}

/** One adjuster, or two that are kept equal and went the same way as far. */
function alike(turned: readonly Turned[]): boolean {
  const [first, other] = turned;
  if (!first || turned.length > 2) return false;
  return !other || (isPair(first.adjuster, other.adjuster) && first.steps === other.steps);
}
