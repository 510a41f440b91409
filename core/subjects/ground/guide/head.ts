/** Heads of combines: what is recognised, how wide, how restless, how high, and above what height nothing is recorded. */
import { fineLength, roundLength, tapeLength, tell } from "../../../quantity/said.ts";
import { known } from "../../../rig/whole.ts";
import { BLANK, fix, type Guide, type GuideStep, good, look } from "./guide.ts";
import { inBand, summaryOf } from "./judging.ts";

const CM = 0.01;
/** Ours. */
const CUT = 1.5 * CM;
/** Standard deviation of a stubble one calls even (ours). */
const EVEN = 2 * CM;
const SAME_WIDTH = 0.015;

const recognised: GuideStep = {
  key: "recognised",
  title: "Head recognised",
  where: "yard",
  how: ["Is the head the display names the one that is coupled? It decides which settings there are."],
  fields: [
    {
      key: "head",
      label: "The display names",
      kind: "choice",
      choices: { this: "This head", other: "Another", none: "None" },
    },
  ],
  measures: [],
  judge: ({ choices: { head } }) =>
    head === "this"
      ? good("The display names this head.")
      : fix(
          head === "other" ? "The display names another head." : "No head is recognised.",
          "Plug of the head, then the display's list; before any other setting.",
        ),
  drill: () => ({ ...BLANK, choices: { head: "this" } }),
};

const width: GuideStep = {
  key: "width",
  title: "Width in the display",
  where: "yard",
  how: [
    "The exact width: it counts the area, and tells the edge finder where the edge is. Partial width follows the real cut.",
  ],
  fields: [{ key: "shown", label: "The display says", kind: "length" }],
  measures: [],
  judge: ({ figures: { shown } }, { part: { rig } }) => {
    const true_ = known(rig, "tool.width");
    if (true_ === null)
      return { verdict: "unknown", said: "Its true width is not known.", cure: "Tape it at Tool." };
    return Math.abs(shown! - true_) <= SAME_WIDTH
      ? good(tell`${tapeLength(shown!)}, as taped.`)
      : fix(
          tell`The display says ${tapeLength(shown!)}, the tape ${tapeLength(true_)}.`,
          tell`Enter ${tapeLength(true_)}.`,
        );
  },
  drill: (_, { part: { rig } }) => ({ ...BLANK, figures: { shown: known(rig, "tool.width") ?? 6 } }),
};

const sensitivity: GuideStep = {
  key: "sensitivity",
  title: "Sensitivity",
  where: "field",
  how: [
    "Separate for raising, lowering, tilting, speed by hand and drop rate. Change one, one step, and look again.",
    "Below the neutral ground line the bar presses, above it it feels. Ground pressure as delivered.",
  ],
  fields: [
    {
      key: "bar",
      label: "The bar",
      kind: "choice",
      choices: { calm: "Follows calmly", restless: "Is restless, hunts", dull: "Digs before it rises" },
    },
    { key: "by", label: "Height is", kind: "choice", choices: { auto: "Automatic", hand: "By hand" } },
  ],
  measures: ["sensitivity"],
  judge: ({ choices: { bar, by } }) => {
    if (bar === "calm")
      return good(
        by === "auto"
          ? "It follows calmly, automatically."
          : "Calm, by hand: at a glance one must see which.",
      );
    return bar === "restless"
      ? fix("The bar hunts.", "Less sensitive: raising and lowering first, then the drop rate.", {
          measure: "sensitivity",
          sense: 1,
        })
      : fix("It digs before it rises.", "More sensitive when raising.", {
          measure: "sensitivity",
          sense: -1,
        });
  },
  drill: ({ value }) => {
    const by = value("sensitivity");
    return {
      ...BLANK,
      choices: { by: "auto", bar: Math.abs(by) < 0.5 ? "calm" : by > 0 ? "restless" : "dull" },
    };
  },
};

const stubble: GuideStep = {
  key: "stubble",
  title: "Stubble",
  where: "field",
  how: ["Stop, reverse a little, shut off, get out: stubble at five places across and along."],
  caution: "Separator off, key out, cylinder locks set before anybody goes under or before the head.",
  fields: [
    { key: "heights", label: "Heights", kind: "lengths", fewest: 5 },
    { key: "wanted", stays: true, label: "Wanted", kind: "length" },
  ],
  measures: ["cutHeight", "sensitivity"],
  judge: ({ lists, figures: { wanted } }) => {
    const { mean, spread } = summaryOf(lists.heights!)!;
    if (spread > EVEN)
      return fix(
        tell`${fineLength(mean)} high, differing by ${fineLength(spread)}: ragged.`,
        "Less sensitive, or slower; then look at the drop rate.",
        { measure: "sensitivity", sense: 1 },
      );
    return inBand({
      measure: "cutHeight",
      value: mean,
      least: wanted! - CUT,
      most: wanted! + CUT,
      name: "Stubble",
      cures: { less: "Ground-following height higher.", more: "Ground-following height lower." },
    });
  },
  drill: ({ read, value, chance }) => {
    const restless = Math.max(0, Math.abs(value("sensitivity")) - 0.4);
    return {
      ...BLANK,
      lists: {
        heights: [0, 1, 2, 3, 4].map(() =>
          Math.max(0.03, read("cutHeight") + chance.normal(0.03 * restless)),
        ),
      },
      figures: { wanted: 12 * CM },
    };
  },
};

const heights: GuideStep = {
  key: "heights",
  title: "Heights kept",
  where: "field",
  how: [
    "Two that follow the ground and two fixed ones, on separate buttons: holding stores, pressing cycles. Standing and laid crop, for example.",
    "Each also recalls reel position, table extension and tilt, each of which can be switched off. Reel speed follows ground speed.",
  ],
  fields: [
    { key: "low", label: "Following, low", kind: "length", zero: true },
    { key: "high", label: "Following, high", kind: "length" },
    { key: "work", label: "Fixed, work", kind: "length" },
    { key: "turn", label: "Fixed, headland", kind: "length" },
    {
      key: "recalls",
      label: "What each recalls",
      kind: "choice",
      choices: { seen: "Looked at, each", unseen: "Nobody looked" },
    },
  ],
  measures: [],
  wrong: ({ figures: { low, high } }) =>
    (high ?? 0) <= (low ?? 0) ? { high: "The high one lies above the low one." } : {},
  judge: ({ figures, choices }) => {
    const { low, high, work, turn } = figures as Record<"low" | "high" | "work" | "turn", number>;
    const said = tell`Following ${fineLength(low)} and ${fineLength(high)}, fixed ${fineLength(work)} and ${fineLength(turn)}.`;
    if (turn <= Math.max(high, work))
      return fix(said, "The headland's height lies above every height of work: else the head drags there.");
    return choices.recalls === "unseen"
      ? look(said, "Press each once: reel, table and tilt move with it, or are switched off.")
      : good(said);
  },
  drill: () => ({
    ...BLANK,
    figures: { low: 0.08, high: 0.16, work: 0.25, turn: 0.8 },
    choices: { recalls: "seen" },
  }),
};

const record: GuideStep = {
  key: "record",
  title: "Recording height",
  where: "field",
  how: [
    "Work is recorded below a height: lower for low cuts, higher for tall stubble. Raise at the headland and see the coverage stop.",
  ],
  fields: [{ key: "height", label: "Recorded below", kind: "length" }],
  measures: [],
  judge: ({ figures: { height } }, { looksAt }) => {
    const kept = looksAt("heights")[0]?.figures;
    if (!kept)
      return {
        verdict: "unknown",
        said: tell`Recorded below ${fineLength(height!)}; the kept heights are not known.`,
        cure: "Enter the heights first.",
      };
    const [most, turn] = [Math.max(kept.high!, kept.work!), kept.turn!];
    const said = tell`Recorded below ${fineLength(height!)}; work up to ${fineLength(most)}, headland ${fineLength(turn)}.`;
    if (height! <= most)
      return fix(
        said,
        tell`Set it between ${fineLength(most)} and ${fineLength(turn)}: work at the high height is not recorded.`,
      );
    return height! >= turn
      ? fix(
          said,
          tell`Set it between ${fineLength(most)} and ${fineLength(turn)}: the headland counts as work.`,
        )
      : good(said);
  },
  drill: () => ({ ...BLANK, figures: { height: 0.5 } }),
};

const learning: GuideStep = {
  key: "learning",
  title: "Learning run of the head",
  where: "yard",
  how: ["Down to the stop, up to the stop, tilt both ways: each season, and when parts were changed."],
  caution: "Nobody near the head while it moves by itself.",
  fields: [{ key: "run", label: "Done this season", kind: "choice", choices: { yes: "Yes", no: "No" } }],
  measures: [],
  judge: ({ choices: { run } }) =>
    run === "yes"
      ? good("Learnt this season.")
      : fix("Not learnt this season.", "Run it: else heights are another season's."),
  drill: () => ({ ...BLANK, choices: { run: "yes" } }),
};

export const HEAD: Guide = {
  key: "head",
  title: "Cutting head",
  tools: ["header"],
  strip: tell`About ${roundLength(50)} at harvesting speed.`,
  cautions: [],
  steps: [recognised, width, learning, sensitivity, stubble, heights, record],
};
