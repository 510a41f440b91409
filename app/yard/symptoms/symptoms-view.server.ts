import type { Attachment, Hung } from "../../../core/dimension/attachment.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { askedOf } from "../../../core/rig/asked.ts";
import { calibrationKind, calibrationsAt } from "../../../core/subjects/calibrations.ts";
import { stepIn } from "../../../core/subjects/ground/guide/index.ts";
import { cureOf, isGood } from "../../../core/subjects/ground/guide/standing.ts";
import { jobsOf } from "../../../core/subjects/jobs.ts";
import { subjectOf } from "../../../core/subjects/walk.ts";
import { SYMPTOMS } from "../../../core/symptom/rows.ts";
import { type Cause, foundBy, shownBy } from "../../../core/symptom/symptom.ts";
import type { Database } from "../../../data/handle.ts";
import { listRigs, type RigTool, toolsOf } from "../../../data/rigs.ts";
import type { Preferences } from "../../session/preferences.server.ts";
import { rigAddress } from "../../stations/frame/address.ts";
import { openedOf } from "../../stations/frame/opened.server.ts";
import { type OpenRig, seenFrom } from "../../stations/frame/rig-view.server.ts";

/** What is known of a cause on one rig. */
export type Known = { state: "good" | "bad" | "open"; said: string };

export type SymptomsView = ReturnType<typeof symptomsView>;

/** Symptoms, found by words, with what is known of each cause on the rig that is looked at. */
export function symptomsView(db: Database, preferences: Preferences, find: string, rigId: number) {
  const tools = toolsOf(db, rigId);
  const parts = tools.length > 0 ? tools : null;
  const opens = parts ? openEach(db, parts, preferences) : [];
  const shown = parts
    ? shownBy(
        opens.map(({ resolved }) => resolved.tool),
        SYMPTOMS,
      )
    : SYMPTOMS;
  return {
    rigs: listRigs(db).map(({ id, name }) => ({ id, name })),
    rig: parts && { id: rigId, name: parts[0]!.name },
    all: shown.length,
    symptoms: foundBy(find, shown).flatMap(({ key, seen, picture, causes }) => {
      const own = causes.flatMap((cause) => causeView(cause, opens));
      return own.length === 0 ? [] : [{ key, seen, picture, causes: own }];
    }),
  };
}

/** The rig seen from each of its tools. */
function openEach(db: Database, parts: RigTool[], preferences: Preferences): OpenRig[] {
  const opened = openedOf(db, parts);
  return parts.map((_, index) => seenFrom({ db, parts, preferences, opened }, index));
}

type Suspect = Pick<Cause, "what" | "test" | "cure"> & {
  /** where it is tested, in words */
  at: string;
  /** null without a rig */
  href: string | null;
  known: Known | null;
};

/** A cause with its way on this rig; none where the rig cannot have it. Without a rig the cause alone. */
function causeView({ what, test, cure, tested }: Cause, opens: readonly OpenRig[]): Suspect[] {
  if (opens.length === 0)
    return [{ what, test, cure, href: null, at: whereSaid(tested, "drawn"), known: null }];
  for (const open of opens) {
    const way = wayOf(tested, open);
    if (way) return [{ what, test, cure, at: whereSaid(tested, open.resolved), ...way }];
  }
  return [];
}

/** Where it is tested, in words. */
function whereSaid(tested: Cause["tested"], of: Attachment | Hung): string {
  switch (tested.by) {
    case "reading":
      return dimension(tested.key, of).label;
    case "step":
      return stepIn(tested.guide, tested.step)!.title;
    case "job":
      return "Field test";
    case "calibration":
      return calibrationKind(tested.kind)!.title;
    case "sequence":
      return "Start list";
    case "station":
      return subjectOf(tested.station)!.label;
  }
}

function wayOf(tested: Cause["tested"], open: OpenRig): { href: string; known: Known } | null {
  const { rig, resolved, judged, index, whole, preferences, parts } = open;
  const tool = parts.length > 1 ? rig.couplingId : null;
  const to = (page: string, query = {}) => rigAddress(rig.id, page, { ...query, tool });
  if (tested.by === "station") {
    const serves = subjectOf(tested.station)?.serves?.(whole) ?? true;
    return serves ? { href: to(tested.station), known: ofStation(tested.station, open) } : null;
  }
  if (tested.by === "job")
    return jobsOf(resolved.attachment).some(({ key }) => key === tested.job)
      ? {
          href: to(`proof/new/${tested.job}`),
          known: { state: "open", said: "driven and measured in the field" },
        }
      : null;
  if (tested.by === "calibration") return wayOfCalibration(tested.kind, open, to);
  if (tested.by === "sequence")
    return { href: to(`sequences/${tested.kind}`), known: { state: "open", said: "run step by step" } };
  if (tested.by === "step") {
    const strip = judged.reckoned.ground.strips.find(
      ({ part, guide }) => part === index && guide.key === tested.guide,
    );
    const of = strip?.steps.find(({ step }) => step.key === tested.step);
    if (!of) return null;
    const said = inWords(cureOf(of).said, preferences.units);
    const open = of.state !== "judged" || of.judgement?.verdict === "unknown";
    const state = isGood(of) ? "good" : open ? "open" : "bad";
    return { href: `${to("ground", { step: tested.step })}#strip`, known: { state, said } };
  }
  const entry = askedOf(resolved).find(({ key }) => key === tested.key);
  if (!entry) return null;
  const finding = judged.findings.find(
    ({ subject, part, severity }) =>
      severity !== "note" && subject === tested.key && (part ?? index) === index,
  );
  const { value, choice, grade, stale } = resolved.values[tested.key];
  const shown =
    value === null
      ? (entry.choices?.find(({ key }) => key === choice)?.label ?? "")
      : printEntry(entry, value, preferences.units);
  const sure = (grade === "taped" || grade === "proven") && stale === null;
  return {
    href: to(entry.station, { at: tested.key }),
    known: finding
      ? { state: "bad", said: inWords(finding.what, preferences.units) }
      : {
          state: sure ? "good" : "open",
          said: shown === "" ? "not known" : `${shown}, ${grade}${stale ? ", stale" : ""}`,
        },
  };
}

/** A calibration this tool has: good where it was accepted and counts. */
function wayOfCalibration(
  key: string,
  { resolved, judged, whole, index, preferences }: OpenRig,
  to: (page: string) => string,
): { href: string; known: Known } | null {
  if (!calibrationsAt(resolved).some(({ kind }) => kind.key === key)) return null;
  const check = judged.checks.find(
    ({ target, part = index }) => target === `calibrate ${key}` && part === index,
  );
  const ended = whole.dose[index]!.ended.some(({ kind }) => kind === key);
  const said = check ? inWords(check.said, preferences.units) : ended ? "made before" : "never made here";
  const state = check?.verdict === "good" ? "good" : check && check.verdict !== "unknown" ? "bad" : "open";
  return { href: to(`calibrate/${key}`), known: { state, said } };
}

function ofStation(key: string, { judged, preferences }: OpenRig): Known {
  const found = judged.findings.find(({ station, severity }) => station === key && severity !== "note");
  if (found) return { state: "bad", said: inWords(found.what, preferences.units) };
  const open = judged.checks.some(({ station, verdict }) => station === key && verdict === "unknown");
  return open
    ? { state: "open", said: "not all of it is known" }
    : { state: "good", said: "nothing wrong there" };
}
