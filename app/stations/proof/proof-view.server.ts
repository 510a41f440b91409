/** What the proof station shows: what is proven, the jobs, and one job with what it found. */

import type { Hung } from "../../../core/dimension/attachment.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { type PointKey, pointLabel, pointOf } from "../../../core/dimension/points.ts";
import { drawJob } from "../../../core/drawing/job.ts";
import { drawPlan } from "../../../core/drawing/plan.ts";
import { pointsOf } from "../../../core/drawing/rig-points.ts";
import type { DrawnRig } from "../../../core/drawing/sheet.ts";
import type { AskedField, JobKind } from "../../../core/job/kind.ts";
import { toleranceOf } from "../../../core/job/tolerance.ts";
import { halfWords, offWords, signedFine, size, VERDICTS } from "../../../core/job/words.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { printMeasure } from "../../../core/quantity/measure.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { evaluate } from "../../../core/rig/chain.ts";
import { lapsedBy } from "../../../core/rig/resolve.ts";
import { jobsOf } from "../../../core/subjects/jobs.ts";
import { endedBy } from "../../../core/subjects/proof/ended.ts";
import { predictDistance } from "../../../core/subjects/proof/fits/cross-tape.ts";
import { provablesOf } from "../../../core/subjects/proof/provable.ts";
import { suspectWords } from "../../../core/subjects/proof/words.ts";
import { FIXES, SLOPES, SOILS } from "../../../core/trade/field-conditions.ts";
import { rigFacts } from "../../../data/facts.ts";
import { acceptedOf, observationsOf, testsOfRig } from "../../../data/field-tests.ts";
import { day, moment, plusMinus } from "../frame/print.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import type { Styles } from "./observation.ts";
import { type Solved, type TerminalChange, terminalChanges } from "./solved.server.ts";

export type ProvenRow = {
  key: string;
  label: string;
  value: string;
  plusMinus: string | null;
  proven: boolean;
  /** the proof that stands, or why an earlier one no longer does */
  because: string;
  lapsed: boolean;
  tests: { key: string; title: string }[];
};

export type JobRow = {
  key: string;
  title: string;
  tells: string;
  /** the test that is being driven; null: none is */
  open: { id: string; count: number; enough: number; said: string } | null;
  accepted: { id: string; said: string }[];
};

export type ProofView = {
  rows: ProvenRow[];
  jobs: JobRow[];
  tolerance: string;
};

export function proofView(open: OpenRig): ProofView {
  const { db, rig, resolved, preferences } = open;
  const { units } = preferences;
  const facts = rigFacts(db, rig);
  const tests = testsOfRig(db, rig);
  const accepted = acceptedOf(db, rig);
  const kinds = jobsOf(rig.attachment);
  const { across, along, why } = toleranceOf(resolved);
  return {
    tolerance: `Good enough for this tool: ${size(across, units)} to the side, ${size(along, units)} along the line, 95 % confidence: ${why} (common practice).`,
    rows: provablesOf(resolved).map(({ key, label, terms, unit, sideways, tests: by }): ProvenRow => {
      const chain = evaluate(terms, resolved);
      const lapsed = chain.proof ? null : lapsedBy(terms, facts);
      return {
        key,
        label,
        value: chain.total === null ? "not known yet" : provableText(chain.total, { unit, sideways }, units),
        plusMinus: unit === "time" ? null : plusMinus(chain, units),
        proven: chain.proof !== null,
        lapsed: lapsed !== null,
        because: chain.proof
          ? `${chain.proof.result} ${chain.proof.person}, ${day(chain.proof.at)}.`
          : lapsed
            ? lapsedText(lapsed, resolved)
            : chain.total === null
              ? "A reading of it is missing."
              : `${chain.grade}${chain.stale ? ", stale" : ""}, never proved.`,
        tests: kinds
          .filter((kind) => by.includes(kind.key))
          .map(({ key: test, title }) => ({ key: test, title })),
      };
    }),
    jobs: kinds.map(({ key, title, tells, enough, one }): JobRow => {
      const own = tests.filter(({ kind }) => kind === key);
      const going = own.find(({ id }) => !accepted.has(id));
      const done = own.filter(({ id }) => accepted.has(id));
      const count = going ? observationsOf(db, going.id).length : 0;
      return {
        key,
        title,
        tells,
        open: going
          ? {
              id: going.id,
              count,
              enough: enough.count,
              said: `${count} ${one}${count === 1 ? "" : "s"} so far, begun ${day(going.at)} by ${going.person}`,
            }
          : null,
        accepted: done.slice(0, 3).map(({ id }) => {
          const [first] = accepted.get(id)!;
          return { id, said: `accepted ${day(first!.at)}, ${first!.person}` };
        }),
      };
    }),
  };
}

function provableText(
  value: number,
  { unit, sideways }: { unit: "length" | "time"; sideways: boolean },
  units: Units,
): string {
  if (unit === "time") return printMeasure("time", value, "s");
  return sideways
    ? sumText(value, { plus: "right", minus: "left" }, units)
    : printLength(Math.abs(value), units.tape);
}

function lapsedText({ proof, by }: NonNullable<ReturnType<typeof lapsedBy>>, hung: Hung): string {
  const { words, at } = endedBy(by, proof, hung);
  return `Proved ${day(proof.at)}, no longer: ${words}, ${day(at)}. Prove it again.`;
}

export type FigureView = {
  key: string;
  label: string;
  /** "2.4 cm right" */
  off: string;
  half: string | null;
  entered: string | null;
  truth: string | null;
  verdict: "agrees" | "differs" | "uncertain";
  words: string;
  unproven: readonly string[];
  corrections: {
    key: string;
    label: string;
    from: string;
    to: string;
    grade: string;
    /** of the next tape: how sure that reading is */
    sigma: string;
    terminal: TerminalChange[];
  }[];
};

export type JobView = {
  id: string;
  kind: string;
  title: string;
  tells: string;
  drive: readonly string[];
  measure: readonly string[];
  blind: readonly string[];
  cautions: readonly string[];
  enough: { count: number; why: string };
  one: string;
  receiver: boolean;
  fromLog: boolean;
  asksSpacing: boolean;
  fields: readonly AskedField[];
  points: { key: PointKey; label: string }[];
  /** for each pair of points, what the readings predict: shown before the tape is stretched is no test, so only after */
  styles: Styles;
  conditions: {
    fix: string;
    source: string;
    slope: string;
    soil: string;
    speed: string;
    spacing: string;
    rowToRow: boolean;
    said: string;
  };
  rows: boolean;
  observations: {
    id: string;
    number: number;
    text: string;
    person: string;
    leftOut: boolean;
    outlier: boolean;
    apart: string;
  }[];
  /** what the next observation most likely is */
  next: Record<string, string>;
  figures: FigureView[];
  also: { label: string; text: string }[];
  open: readonly string[];
  suspects: { what: string; next: string }[];
  residuals: { x: number; apart: number; group: string; outlier: boolean; leftOut: boolean }[];
  plot: { along: string; unit: string };
  accepted: { batchId: string; said: string; what: string[] } | null;
  note: string;
  practice: boolean;
};

export function jobView(open: OpenRig, job: Solved): JobView {
  const { db, rig, resolved, preferences } = open;
  const { units } = preferences;
  const { test, kind, observations, result, verdicts, terminal, suspects } = job;
  const styles: Styles = { ...units, speed: unitOf("speed", units) };
  const accepted = acceptedOf(db, rig).get(test.id);
  const plotted = result.along === "speed" ? (x: number) => x * speedFactor(styles) : (x: number) => x;
  const inches = styles.small === "in";
  return {
    id: test.id,
    kind: test.kind,
    title: kind.title,
    tells: kind.tells,
    drive: kind.drive,
    measure: kind.measure,
    blind: kind.blind,
    cautions: kind.cautions,
    enough: kind.enough,
    one: kind.one,
    receiver: kind.receiver,
    fromLog: kind.fromLog !== undefined,
    asksSpacing: kind.asksSpacing,
    fields: kind.fields,
    points: pointsOf(resolved)
      .filter((key) => reachable(open, key))
      .map((key) => ({
        key,
        label: pointLabel(key, resolved),
      })),
    styles,
    conditions: conditionsView(job, units),
    rows: resolved.values["rows.spacing"].value !== null,
    observations: observations.map((each, at) => {
      const residual = result.residuals.find((found) => found.at === at);
      return {
        id: each.id,
        number: at + 1,
        text: observationText(each, job, open),
        person: each.person,
        leftOut: each.leftOut,
        outlier: residual?.outlier ?? false,
        apart: residual ? signedFine(residual.observed - residual.fitted, units) : "",
      };
    }),
    next: kind.next?.(observations.at(-1)) ?? {},
    figures: verdicts.map((verdict) => figureView(open, verdict)),
    also: result.also.map(({ label, estimate }) => ({
      label,
      text: [
        `${estimate.value < 0 ? "−" : ""}${size(estimate.value, units)}`,
        halfWords("length", estimate, units),
      ]
        .filter(Boolean)
        .join(" "),
    })),
    open: result.open,
    suspects: [
      ...terminal,
      ...suspects.map((suspect) => {
        const { what, next } = suspectWords(suspect, resolved);
        return { what: inWords(what, units), next: inWords(next, units) };
      }),
      ...explained(open, job),
    ].slice(0, 4),
    residuals: result.residuals.map(({ at, x, observed, fitted, group, outlier }) => ({
      x: plotted(x),
      apart: (observed - fitted) / (inches ? 0.0254 : 0.01) || 0,
      group: groupWord(kind, group),
      outlier,
      leftOut: observations[at]?.leftOut ?? false,
    })),
    plot: {
      along: result.along === "speed" ? `speed, ${styles.speed}` : kind.one,
      unit: inches ? "in" : "cm",
    },
    accepted: accepted
      ? {
          batchId: accepted[0]!.acceptance!,
          said: `Accepted ${moment(accepted[0]!.at)}, ${accepted[0]!.person}`,
          what: accepted.map(({ result: said }) => said),
        }
      : null,
    note: test.note,
    practice: rig.tractor.practice,
  };
}

/** The test as a sketch, or for a tape across the rig's own drawing with the tape in it. */
export function jobDrawing(open: OpenRig, { kind, observations }: Solved) {
  const { units } = open.preferences;
  const title = `${kind.title}, a sketch of what was measured`;
  const desk = drawJob(kind, observations, { width: 424, height: 736, units });
  const phone = drawJob(kind, observations, { width: 390, height: 236, units });
  if (desk && phone) return { desk, phone, title };
  const last = observations.at(-1);
  const across = (width: number, height: number): DrawnRig => {
    const plan = drawPlan(open.resolved, {
      width,
      height,
      units,
      region: "rig",
      labels: "none",
      station: null,
      only: null,
    });
    const at = (key: string | undefined) => plan.points.find((point) => point.key === key);
    const [from, to] = [at(last?.choices.from), at(last?.choices.to)];
    const tape =
      from && to ? [{ role: "virtual", assumed: false, points: `${from.x},${from.y} ${to.x},${to.y}` }] : [];
    return { ...plan, strokes: [...plan.strokes, ...tape] };
  };
  return {
    desk: across(424, 736),
    phone: across(390, 236),
    title: "The rig from above, to scale, with the tape across",
  };
}

/** A point that lies elsewhere than the axle, on the floor. */
function reachable({ resolved }: OpenRig, key: PointKey): boolean {
  return key === "axle" || predictDistance(resolved, "axle", key).distance !== 0;
}

function speedFactor({ speed }: Styles): number {
  return speed === "mph" ? 3600 / 1609.344 : speed === "km/h" ? 3.6 : 1;
}

/** The word of the choice by which observations are told apart. */
function groupWord({ fields }: JobKind, group: string): string {
  const choices = fields.flatMap((field) => (field.kind === "choice" ? field.choices : []));
  return choices.find(({ key }) => key === group)?.label ?? group;
}

function conditionsView({ test }: Solved, units: Units): JobView["conditions"] {
  const { fix, source, slope, soil, speed } = test.conditions;
  const speedText = speed === null ? "" : printMeasure("speed", speed, unitOf("speed", units));
  return {
    fix: fix ?? "",
    source,
    slope: slope ?? "",
    soil: soil ?? "",
    speed: speedText,
    spacing: test.spacing === null ? "" : printLength(test.spacing, units.tape),
    rowToRow: test.rowToRow,
    said: [
      fix && FIXES[fix],
      source,
      slope && SLOPES[slope].toLowerCase(),
      soil && `${SOILS[soil].toLowerCase()} soil`,
      speedText,
      test.spacing !== null && `lines ${printLength(test.spacing, units.tape)} apart`,
      test.rowToRow && "taped row to row",
    ]
      .filter(Boolean)
      .join(", "),
  };
}

function observationText(
  { values, choices, texts }: Solved["observations"][number],
  { kind }: Solved,
  { resolved, preferences }: OpenRig,
): string {
  const { units } = preferences;
  if (kind.fromLog) return kind.fromLog.say({ values, choices }, units);
  return kind.fields
    .map((field) => fieldText(field, { values, choices, texts }, resolved, units))
    .filter(Boolean)
    .join(", ");
}

function fieldText(
  field: AskedField,
  { values, choices, texts }: Pick<Solved["observations"][number], "values" | "choices" | "texts">,
  hung: Hung,
  units: Units,
): string {
  if (field.kind === "choice")
    return field.choices.find(({ key }) => key === choices[field.key])?.label ?? "";
  if (field.kind === "point") {
    const point = pointOf(choices[field.key]);
    return point ? pointLabel(point, hung) : "";
  }
  const value = values[field.key];
  if (value === undefined) return "";
  if (field.kind === "speed") return printMeasure("speed", value, unitOf("speed", units));
  if (field.kind !== "sided") return texts[field.key] ?? printLength(value, units.tape);
  return `${size(value, units)}${value === 0 ? "" : ` ${value > 0 ? field.plus : field.minus}`}`;
}

function figureView(
  open: OpenRig,
  { measured, verdict, corrections, unproven }: Solved["verdicts"][number],
): FigureView {
  const { resolved, preferences } = open;
  const { units } = preferences;
  const entry = measured.terms.length === 1 ? dimension(measured.terms[0]!.key, resolved) : null;
  const whole = (value: number | null) =>
    value === null
      ? null
      : measured.unit === "time"
        ? printMeasure("time", value, "s")
        : entry
          ? printEntry(entry, value, units)
          : sumText(value, measured.sides, units);
  const truth =
    measured.entered === null && !measured.absolute ? null : (measured.entered ?? 0) + measured.off.value;
  return {
    key: measured.key,
    label: measured.label,
    off: offWords(measured, units),
    half: halfWords(measured.unit, measured.off, units),
    entered: whole(measured.entered),
    truth: whole(truth),
    verdict,
    words: VERDICTS[verdict],
    unproven,
    corrections: corrections.map(({ key, from, to }) => {
      const of = dimension(key, resolved);
      const value = resolved.values[key];
      return {
        key,
        label: of.label,
        from: from === null ? "missing" : printEntry(of, from, units),
        to: printEntry(of, to, units),
        grade: value.grade,
        sigma: of.kind === "length" ? `± ${size(value.sigma, units)}` : "",
        terminal: terminalChanges(open, key, to),
      };
    }),
  };
}

/** A sum along the line is said as a distance, one to the side with its side. */
function sumText(value: number, sides: { plus: string; minus: string } | null, units: Units): string {
  if (sides?.plus === "right")
    return `${size(value, units)}${value === 0 ? "" : ` ${value > 0 ? sides.plus : sides.minus}`}`;
  return printLength(Math.abs(value), units.tape);
}

/** Which single reading would explain that a figure is out of line. */
function explained({ resolved, preferences }: OpenRig, { kind, verdicts }: Solved): JobView["suspects"] {
  const { units } = preferences;
  return verdicts.flatMap(({ measured, verdict }) => {
    const found = verdict === "differs" ? (kind.explains?.(resolved, measured) ?? []) : [];
    return found.slice(0, 2).map(({ key, value, sigmas }) => {
      const entry = dimension(key, resolved);
      return {
        what: `${measured.label}: ${entry.label.toLowerCase()} would have to be ${printEntry(entry, value, units)}.`,
        next: `That is ${sigmas.toFixed(1)} times its own uncertainty from ${printEntry(entry, resolved.values[key].value ?? 0, units)}. Tape it again.`,
      };
    });
  });
}
