import { byPage, lapsed, retype } from "../../../core/card/numbered.ts";
import { type StepOfEntry, stepsOf } from "../../../core/card/order.ts";
import type { FigureForm } from "../../../core/card/scheme.ts";
import { isFeet } from "../../../core/quantity/length.ts";
import { findCard, type NumberedCard, readbacksOf } from "../../../data/cards.ts";
import { orderFrom } from "../../../data/schemes.ts";
import { day } from "../frame/print.ts";
import { headOf, type OpenRig, type RigHead, toolName, viewFrom } from "../frame/rig-view.server.ts";
import { cardNow } from "./card-view.server.ts";

export type NumberedLine = {
  position: number;
  page: string;
  label: string;
  figure: string;
  unit: string;
  word: string;
  grade: string;
  derivation: string;
  form: FigureForm;
};

/** A numbered card as it went to the cab, and whether it still holds. */
export type NumberedView = {
  head: RigHead;
  number: number;
  /** "small screen: from the antenna, metres, profile RILL" */
  where: string;
  issued: string;
  pages: { page: string; lines: NumberedLine[] }[];
  /** in which order it is typed in */
  order: StepOfEntry[];
  /** why it is not to be typed in any more; empty while it holds */
  outdated: string;
  /** where the rig's page is, to be opened by a phone's camera */
  address: string;
};

/** A card, and the rig seen from the tool it is for. @throws a 404 response where this rig has no such card */
export function openCard(open: OpenRig, number: string): { open: OpenRig; card: NumberedCard } {
  const card = /^\d{1,6}$/.test(number) ? findCard(open.db, open.parts, Number(number)) : null;
  if (!card) throw new Response("This rig has no such card.", { status: 404 });
  const index = open.parts.findIndex(({ couplingId }) => couplingId === card.couplingId);
  return { open: viewFrom(open, Math.max(0, index)), card };
}

export function viewNumbered(open: OpenRig, card: NumberedCard, address = ""): NumberedView {
  const lines = card.lines.map((line, position) => ({ ...line, position, unit: unitOf(line.form) }));
  return {
    head: { ...headOf(open.parts), implement: toolName(open.rig) },
    number: card.number,
    where: [card.terminalName, card.schemeName, card.profileName && `profile ${card.profileName}`]
      .filter(Boolean)
      .join(", "),
    issued: `${day(card.issuedAt)} by ${card.person}`,
    pages: byPage(lines),
    order: stepsOf(orderFrom(card.entryOrder)),
    outdated: outdatedBy(open, card),
    address,
  };
}

function unitOf(form: FigureForm): string {
  if (form.kind === "time" || form.kind === "quantity") return form.unit;
  return form.kind === "length" && !isFeet(form.unit) ? form.unit : "";
}

function outdatedBy(open: OpenRig, card: NumberedCard): string {
  const { card: now } = cardNow(open);
  if (now.stops[0]) return `Something stops this rig: ${now.stops[0].what}`;
  const changed = retype(card.lines, now);
  return changed.length === 0
    ? ""
    : `Not up to date: ${changed.map(({ label, now: figure }) => `${label} is now ${figure ?? "not asked"}`).join("; ")}.`;
}

export type ReadBackRow = NumberedLine & {
  /** what was read last */
  last: { shown: string; word: string; outcome: string; by: string; wrong: string; who: string } | null;
  /** the figure has changed since the card was issued: reading it back proves nothing */
  lapsed: boolean;
  /** the readings behind it, to tape again where the card is wrong */
  cures: { letter: string; href: string }[];
};

export function viewReadBack(
  open: OpenRig,
  card: NumberedCard,
  cures: (label: string) => ReadBackRow["cures"],
): ReadBackRow[] {
  const known = readbacksOf(open.db, card);
  const isLapsed = lapsed(card.lines, cardNow(open).card);
  return viewNumbered(open, card).pages.flatMap(({ lines }) =>
    lines.map((line) => {
      const last = known.get(line.position);
      return {
        ...line,
        last: last
          ? {
              shown: last.shown,
              word: last.word,
              outcome: last.outcome,
              by: last.by,
              wrong: last.wrong,
              who: `${last.person}, ${day(last.at)}`,
            }
          : null,
        lapsed: isLapsed(line),
        cures: cures(line.label),
      };
    }),
  );
}
