/** Words of the product and of the trade, each explained once: for the glossary, which also has every dimension. */

import { TOOL_KIND_KEYS } from "../trade/kinds.ts";
import { ATTACHMENT_KEYS } from "./attachment.ts";
import { catalogueOf } from "./catalogue.ts";

export type Term = {
  word: string;
  /** what it means, in a sentence or two */
  means: string;
  /** the heading it stands under */
  of: "Ambrek" | "The trade" | "Measured";
};

const own = (word: string, means: string): Term => ({ word, means, of: "Ambrek" });
const trade = (word: string, means: string): Term => ({ word, means, of: "The trade" });

const WORDS: readonly Term[] = [
  own("Yard", "Everything you work with: machines, what was read of them, and rigs."),
  own("Rig", "A machine that drives with all that hangs on it, as it goes to the field."),
  own("Walk-round", "The stations of a rig in working order, each with what is wrong there."),
  own(
    "Station",
    "One subject of setting a rig up: match, hitch, hoses, balance, antenna, tool, ground, proof.",
  ),
  own("Cab card", "What to type into the terminal, in its words and units, issued with a number."),
  own("Read-back", "What the terminal shows after typing, line by line: a slip shows at once."),
  own("Ladder", "Rungs of the morning, each good or not yet: is everything really on?"),
  own("Finding", "What is wrong, why it matters, and the one thing to do: stop, fix, check or note."),
  own(
    "Taped, book, assumed, proven",
    "How a value is known: measured here, from a book, guessed, or confirmed by a field test.",
  ),
  own("Stale", "Read before something was changed that touches it: measure again."),
  own(
    "Variant",
    "Another way the same tool works, as with one wing folded: its own width, sections and line spacing.",
  ),
  trade(
    "Lateral offset",
    "How far the middle of the working width lies beside the line of pull; right is positive.",
  ),
  trade("Line spacing", "How far apart guidance lays its lines: the working width less the overlap."),
  trade("Lower link ends", "The ball ends of the lower links, where a mounted tool's lower pins go."),
  trade("Pivot", "The point a towed tool turns about: its axle, on a tandem the middle between both."),
  trade("Working point", "Where soil, seed, spray or crop is met: sections switch there."),
  trade("Section", "A part of the width that is switched on and off by itself."),
  trade("Switch-on delay", "From the order to the work: the terminal gives the order so much earlier."),
  trade("Adjuster", "A screw, shim, hole, notch or crank that sets depth or level, in steps."),
  trade(
    "Guided strip",
    "A short run at working speed, looked at step by step: one thing is corrected, then it is run again, until every step is good.",
  ),
  trade(
    "School",
    "What some practitioners hold by where others hold by something else: the yard or a rig follows one.",
  ),
  trade("First furrow", "What the front body of a plough cuts, beside the furrow of the pass before."),
  trade(
    "Marker test",
    "A marker off the furrow's wall, taped before a pass and after it: what the pass took tells how wide the first furrow is.",
  ),
  trade(
    "Draw line",
    "The line along which a plough pulls: through the middle of the rear axle the tractor runs straight.",
  ),
  trade("Depth map", "Depths dug at several places after one strip: how deep and how level it works."),
  trade(
    "Joint, guess row",
    "Where two passes meet: the gap or overlap between the last row of one and the first of the next.",
  ),
  trade("Remote", "A pair of hydraulic couplings with its lever or switch."),
  trade("Float", "A remote that holds nothing: the part follows the ground by its weight."),
  trade("Detent", "The lever's catch: the oil flows on until it is taken out."),
  trade("Free-flow return", "A line that leads oil back without pressure, for motors."),
  trade("Power beyond", "Oil straight from the pump for a tool with valves of its own."),
  trade("Stabilisers", "What keeps the lower links from swinging sideways: free, blocked or rigid."),
  trade("Top link", "The upper arm of the three-point linkage: it sets how the tool pitches."),
  trade("Lift rods", "They carry the lower links: unequal rods make the tool lean."),
  trade("Mast height", "From the lower pins up to the upper pin of a headstock."),
  trade("Tractive efficiency", "Drawbar power over axle power: what slip and sinking in leave of it."),
  trade("Ballast", "Weights so that both axles carry enough and none too much."),
  trade("Parking jack", "The stand a trailed tool rests on when it is off."),
  trade("95 % confidence", "So drawn up that it holds the truth 95 times in a hundred."),
  trade("PTO", "The shaft that drives a tool from the tractor's engine."),
  trade("Bushing", "A sleeve that fills a larger ball for a smaller pin, sold by both diameters."),
  trade("RTK", "Correction that makes a satellite position good to centimetres."),
];

/** Every word there is: the product's, the trade's, and all that is measured in any tool's words, once each, by the alphabet. */
export function glossary(): Term[] {
  const measured = new Map<string, Term>();
  const told = new Set(WORDS.map(({ word }) => word));
  for (const attachment of ATTACHMENT_KEYS)
    for (const tool of [null, ...TOOL_KIND_KEYS])
      for (const { label, fromTo, matters, notOf } of catalogueOf({ attachment, tool }))
        if (!measured.has(label) && !told.has(label) && !(tool && notOf?.kinds.includes(tool)))
          measured.set(label, {
            word: label,
            means: `${sentence(fromTo)} ${matters}`.trim(),
            of: "Measured",
          });
  return [...WORDS, ...measured.values()].sort((a, b) => a.word.localeCompare(b.word, "en"));
}

function sentence(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
}
