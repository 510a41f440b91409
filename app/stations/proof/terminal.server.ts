/** What the terminal in the cab holds, by the newest card and what was read back of it. */

import { askedLines } from "../../../core/card/ahead.ts";
import { fillCard } from "../../../core/card/fill.ts";
import type { Measured } from "../../../core/job/result.ts";
import { type HeldLine, type TerminalSuspect, terminalSuspects } from "../../../core/job/terminal-slips.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import type { Typed } from "../../../core/simulation/believed.ts";
import { findCard, latestCard, listCards, readbacksOf } from "../../../data/cards.ts";
import { factsByVariant } from "../../../data/facts.ts";
import { uncoupledAt } from "../../../data/hookup.ts";
import { schemeNow, toolsAhead } from "../card/card-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type TerminalDoubts = {
  /** each in words: what it looks like, and what to do at the terminal */
  suspects: { what: string; next: string }[];
  /** figures that a line read back otherwise explains: no reading is rewritten before that line is retyped */
  first: ReadonlyMap<string, string>;
};

const SLIPS: Record<TerminalSuspect["slip"], string> = {
  "read back": "is what the terminal shows",
  "digits changed over": "would be two digits changed over",
  "decimal point moved": "would be a decimal point moved",
  "other side": "would be the other side",
  sign: "would be a sign left out",
  "left at zero": "would be the line left as it was",
  "one row off": "would be counted to the next row",
  "last card's figure": "is what the card before had",
  "another variant's figure": "is what another variant of the tool has",
};

/** The cards this tool would have as its other variants, each figure by its label. */
function otherVariants(open: OpenRig): Map<string, Typed>[] {
  const { db, rig, preferences } = open;
  const { scheme } = schemeNow(open);
  return factsByVariant(db, rig)
    .filter(({ now }) => !now)
    .map(({ facts }) => {
      const { lines } = fillCard(scheme, resolveRig(facts), [], preferences.units, toolsAhead(open));
      return new Map(
        lines.flatMap(({ label, figure, word }) =>
          figure === null ? [] : [[label, { text: figure, word }]],
        ),
      );
    });
}

/** Lines of the terminal that would explain what a test found; nothing without a card, or where its scheme asks otherwise by now. */
export function terminalDoubts(open: OpenRig, measured: readonly Measured[]): TerminalDoubts {
  const none = { suspects: [], first: new Map<string, string>() };
  const { db, rig, resolved } = open;
  const card = measured.length === 0 ? null : latestCard(db, rig);
  if (!card) return none;
  const { scheme } = schemeNow(open);
  const lines = askedLines(scheme, resolved, toolsAhead(open));
  // Rates stand behind everything else, and explain no line that was driven.
  const own = card.lines.slice(0, lines.length);
  if (lines.some(({ label }, at) => label !== own[at]?.label)) return none;
  const since = uncoupledAt(db, rig.id) ?? "";
  const shown = readbacksOf(db, card);
  const held = own.map(({ label, page, figure, word, form }, at): HeldLine => {
    const back = shown.get(at);
    const seen =
      back && back.at >= since && back.outcome !== "missing" && form.kind !== "choice"
        ? { text: back.shown, word: back.word }
        : null;
    const match = back?.outcome === "match";
    return {
      label,
      page,
      card: { text: figure, word },
      shown: seen && (match ? { text: figure, word } : seen),
    };
  });
  const [, earlier] = listCards(db, rig);
  const old = earlier ? findCard(db, [rig], earlier.number) : null;
  const before = new Map(
    (old?.lines ?? []).map(({ label, figure, word }) => [label, { text: figure, word }]),
  );
  const found = terminalSuspects(measured, resolved, { lines }, held, {
    old: before,
    variants: otherVariants(open),
    row: resolved.values["rows.spacing"].value,
  }).slice(0, 3);
  const unit = (at: number) => {
    const { form } = card.lines[at]!;
    return form.kind === "length" || form.kind === "time" ? form.unit : "";
  };
  const say = ({ text, word }: { text: string; word: string }, at: number) =>
    [text, unit(at), word].filter(Boolean).join(" ");
  const suspects = found.map(({ line, slip, typed }) => {
    const at = line - 1;
    const { label, page, card: right } = held[at]!;
    return {
      what: `The terminal, line ${line}, ${label} (${page}): ${say(typed, at)} ${SLIPS[slip]}, and explains it.`,
      next:
        slip === "read back"
          ? `Retype line ${line} in the terminal: ${say(right, at)}. Read it back, and this test is over: drive it again.`
          : `Look at line ${line} in the terminal: it must show ${say(right, at)}. Read it back before a reading is touched.`,
    };
  });
  return {
    suspects,
    first: new Map(
      found.flatMap(({ slip, measured: key }, index) =>
        slip === "read back" ? [[key, suspects[index]!.next] as const] : [],
      ),
    ),
  };
}
