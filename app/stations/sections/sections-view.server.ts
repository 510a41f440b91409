/** Sections and variants of the tool in view. */

import { isBuiltOn } from "../../../core/dimension/attachment.ts";
import { type LengthStyle, printLength } from "../../../core/quantity/length.ts";
import { trackSpacing } from "../../../core/rig/chain.ts";
import { givenSections, type ResolvedRig, resolveRig } from "../../../core/rig/resolve.ts";
import { countSections, sectionSum } from "../../../core/rig/sections.ts";
import { linesThen } from "../../../core/subjects/tool/lines.ts";
import { factsByVariant } from "../../../data/facts.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import type { TypedSection } from "./sections.dto.ts";

export type VariantRow = {
  /** null: the whole tool */
  id: number | null;
  name: string;
  now: boolean;
  width: string;
  sections: string;
  spacing: string;
  /** what going over to it does to the lines; empty for the one at work */
  prompt: string;
};

export type SectionsView = {
  rows: TypedSection[];
  style: LengthStyle;
  /** metres; null where it is not read */
  width: number | null;
  spacing: number | null;
  /** what rows are called on this tool */
  rowWord: "row" | "nozzle";
  variants: VariantRow[];
  /** sections of the whole tool, to leave some off */
  whole: number;
  hasRows: boolean;
};

export function sectionsView(open: OpenRig): SectionsView {
  const { db, rig, resolved, preferences } = open;
  const style = preferences.units.tape;
  const bare = (metres: number) => printLength(metres, style, { bare: true });
  const { values, attachment } = resolved;
  const sections = givenSections(resolved);
  const each = factsByVariant(db, rig).map(({ facts, ...rest }) => ({ ...rest, rig: resolveRig(facts) }));
  return {
    rows: (sections?.widths ?? []).map((width, at) => {
      const part = sections!.parts[at];
      return {
        width: bare(width),
        ahead: part && part.ahead !== 0 ? bare(part.ahead) : "",
        product: part?.product ?? "",
      };
    }),
    style,
    width: values["tool.width"].value,
    spacing: values["rows.spacing"].value,
    rowWord: isBuiltOn(attachment) || values["tool.kind"].choice === "sprayer" ? "nozzle" : "row",
    variants: each.map(({ variant, now, rig: then }) => ({
      id: variant?.id ?? null,
      name: variant?.name ?? "Whole",
      now,
      width: lengthOr(then.values["tool.width"].value, style),
      sections: sectionsWords(then, style),
      spacing: lengthOr(trackSpacing(then).total, style),
      prompt: promptOf(resolved, then, style),
    })),
    whole: givenSections(each[0]!.rig)?.widths.length ?? 0,
    hasRows:
      each[0]!.rig.values["rows.count"].value !== null && each[0]!.rig.values["rows.spacing"].value !== null,
  };
}

function sectionsWords(rig: ResolvedRig, style: SectionsView["style"]): string {
  if (!rig.sections) return "sections missing";
  const words = `${countSections(rig.sections)}, ${printLength(sectionSum(rig.sections.widths), style)}`;
  return givenSections(rig) ? words : `${words}, assumed`;
}

function lengthOr(metres: number | null, style: SectionsView["style"]): string {
  return metres === null ? "missing" : printLength(metres, style);
}

/** Old and new spacing, and what the change does to lines that are there. */
function promptOf(now: ResolvedRig, other: ResolvedRig, style: SectionsView["style"]): string {
  const [from, to] = [trackSpacing(now).total, trackSpacing(other).total];
  if (from === null || to === null) return to === null ? "Its line spacing is not known yet." : "";
  const then = linesThen(from, to);
  if (then.kind === "stay") return "The line spacing stays as it is: lines that are there fit on.";
  const words = `Line spacing ${printLength(from, style)} becomes ${printLength(to, style)}.`;
  return then.kind === "between"
    ? `${words} Each line that is there gets ${then.more} more between it and the next; set the spacing in the terminal.`
    : `${words} Lines that are there do not fit: ${then.left ? "strips would be left" : "strips would be worked twice"}. Set the spacing in the terminal and lay the lines anew.`;
}
