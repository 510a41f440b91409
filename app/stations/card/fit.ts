import type { NumberedView } from "./numbered-view.server.ts";

/** Lines and headings an A5 page holds at full size; more of them are printed smaller, so that a card stays one page. */
const HOLDS = 26;
/** What a heading takes, in lines. */
const HEADING = 1.3;

/** Letters of running text in one line of it. */
const ABREAST = 55;

/** How much smaller a card is printed than usual; 1: as usual. */
export function fitOf({ pages, outdated }: Pick<NumberedView, "pages" | "outdated">): number {
  const warning = Math.ceil(outdated.length / ABREAST);
  const rows = pages.reduce((sum, { lines }) => sum + lines.length + HEADING, warning);
  return Math.min(1, HOLDS / rows);
}
