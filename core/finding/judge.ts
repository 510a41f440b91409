import { isAhead } from "../dimension/attachment.ts";
import { dimension, SECTIONS_LETTER } from "../dimension/catalogue.ts";
import { pointLabel } from "../dimension/points.ts";
import { tapeLength, tell } from "../quantity/said.ts";
import { askedOf, guidedBy, usesTerminal } from "../rig/asked.ts";
import { givenSections, isBelieved, type ResolvedRig } from "../rig/resolve.ts";
import { works } from "../rig/whole.ts";
import { type Finding, worstFirst } from "./finding.ts";
import { judgeRepeats } from "./repeats.ts";
import { findingOn, judgeValue } from "./value.ts";
import { judgeTrackSpacing, judgeWidths } from "./widths.ts";

/** Stations whose readings a terminal is told. */
const GUIDANCE: ReadonlySet<string> = new Set(["antenna", "tool"]);

/**
 * All findings on one tool of a rig, worst first. Their figures stay in SI until somebody reads them. `told` is the same tool as a terminal is told of
 * it, where several work one swath.
 */
export function judge(rig: ResolvedRig, told: ResolvedRig = rig): Finding[] {
  const working = works(rig);
  const entries = askedOf(rig);
  // Without a terminal nothing of receiver and tool is missed: what else needs a length asks for it itself.
  const uses = usesTerminal(rig);
  const { lines, sections } = guidedBy(rig);
  return worstFirst([
    ...entries
      .filter(({ key, station }) => uses || rig.values[key].value !== null || !GUIDANCE.has(station))
      .flatMap((entry) => judgeValue(entry, rig)),
    ...entries.flatMap((entry) => judgeRepeats(entry, rig.values[entry.key])),
    ...(working
      ? [
          ...judgeRanks(rig),
          ...(sections ? judgeSectionsGiven(rig) : []),
          ...judgeWidths(rig),
          ...(lines && !rig.linesElsewhere ? judgeTrackSpacing(told) : []),
        ]
      : []),
  ]);
}

function judgeRanks(rig: ResolvedRig): Finding[] {
  const { values } = rig;
  const [front, rear] = [values["pin.workFront"], values["pin.workRear"]];
  if (front.value === null || rear.value === null || !isBelieved(front.doubt) || !isBelieved(rear.doubt))
    return [];
  // Both are read away from the hitch: behind it the rear lies further off, in front of the machine the front does.
  const ahead = isAhead(rig.attachment) ? rear.value - front.value : front.value - rear.value;
  if (ahead <= 0) return [];
  const entry = dimension("pin.workRear", rig);
  const [frontPoint, rearPoint] = [pointLabel("workFront", rig), pointLabel("workRear", rig)];
  return [
    findingOn(entry, "ranks-crossed", {
      severity: "fix",
      what: tell`The ${rearPoint} lies ${tapeLength(ahead)} ahead of the ${frontPoint}.`,
      why: "The two readings were written down crosswise. The work would start and stop at the wrong place.",
    }),
  ];
}

function judgeSectionsGiven({ sections, sectionsStale }: ResolvedRig): Finding[] {
  const about = { station: "tool", subject: "sections" } as const;
  const next = { label: `Enter ${SECTIONS_LETTER}`, target: "sections" } as const;
  if (!sections)
    return [
      {
        ...about,
        id: "missing:sections",
        severity: "stop",
        what: "The sections are not given.",
        why: "Section control switches by their widths, left to right.",
        next,
      },
    ];
  if (!givenSections({ sections }))
    return [
      {
        ...about,
        id: "assumed:sections",
        severity: "check",
        what: "One section is assumed, as wide as the tool.",
        why: "Nobody gave them. Section control switches by their widths, left to right.",
        next,
      },
    ];
  if (!sectionsStale) return [];
  return [
    {
      ...about,
      id: "stale:sections",
      severity: "check",
      what: "The sections are stale: openers, tines or nozzles were moved, taken off or added since.",
      why: "Section control switches by their widths, left to right.",
      next,
    },
  ];
}
