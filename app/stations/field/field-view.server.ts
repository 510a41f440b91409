/** The simulated field: a practice rig's terminal and what can be driven. What the rig really is never leaves the server. */

import { askedLines } from "../../../core/card/ahead.ts";
import { formOf, printedUnit } from "../../../core/card/fill.ts";
import { byPage } from "../../../core/card/numbered.ts";
import type { AskedLine } from "../../../core/card/scheme.ts";
import { catalogueOf, type DimensionKey } from "../../../core/dimension/catalogue.ts";
import { printEntry } from "../../../core/dimension/entry.ts";
import { type PointKey, pointLabel } from "../../../core/dimension/points.ts";
import { pointsOf } from "../../../core/drawing/rig-points.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { believe } from "../../../core/simulation/believed.ts";
import type { Field } from "../../../core/simulation/drive.ts";
import { stretchReading, stretchTape } from "../../../core/simulation/drive.ts";
import { chance } from "../../../core/simulation/random.ts";
import { lastToolSpacing, type Terminal, terminalFrom } from "../../../core/simulation/terminal.ts";
import type { Truth } from "../../../core/simulation/truth.ts";
import { jobsOf } from "../../../core/subjects/jobs.ts";
import { isHeldBy } from "../../../core/subjects/walk.ts";
import type { Fix } from "../../../core/trade/field-conditions.ts";
import { type Practice, practiceOf, truthKey } from "../../../data/practice.ts";
import { schemeNow, toolsAhead } from "../card/card-view.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type TerminalLine = {
  at: number;
  label: string;
  text: string;
  word: string;
  unit: string;
  words: readonly [string, string] | null;
  choices: readonly string[] | null;
};

export type FieldView = {
  /** null: this rig is a real one, and can be copied for practice */
  practice: {
    terminal: { name: string; pages: { page: string; lines: TerminalLine[] }[] };
    drives: { key: string; label: string; title: string }[];
    tape: { key: DimensionKey; letter: string; label: string; fromTo: string }[];
    points: [key: string, label: string][];
  } | null;
};

type Ground = {
  practice: Practice;
  truth: Truth;
  scheme: { name: string; lines: readonly AskedLine[] };
  terminal: Terminal;
};

/** What the field knows of the tool in view; null for a rig of the yard. */
export function groundOf(open: OpenRig): Ground | null {
  const practice = practiceOf(open.db, open.rig.id);
  const truth = practice?.truths[truthKey(open.rig.couplingId, open.rig.variant?.id ?? null)] as
    | Truth
    | undefined;
  if (!practice || !truth) return null;
  const asked = schemeNow(open).scheme;
  const scheme = { name: asked.name, lines: askedLines(asked, open.resolved, toolsAhead(open)) };
  const kept = practice.terminal[String(open.rig.couplingId)];
  return {
    practice,
    truth,
    scheme,
    terminal: terminalFrom(kept, scheme, lastToolSpacing(practice.seed)),
  };
}

export function fieldOf({ practice, truth, scheme, terminal }: Ground, drive: number, fix: Fix): Field {
  return {
    truth,
    believed: believe(scheme, terminal.typed),
    random: chance(practice.seed * 1009 + drive),
    fix,
  };
}

export function fieldView(open: OpenRig): FieldView {
  const ground = groundOf(open);
  if (!ground) return { practice: null };
  const { scheme, terminal } = ground;
  const { attachment } = open.rig;
  const lines = scheme.lines.map((line, at): TerminalLine & { page: string } => {
    const { measure, sign } = line;
    const { text, word } = terminal.typed[at]!;
    return {
      page: line.page,
      at,
      label: line.label,
      text,
      word,
      unit: printedUnit(line) || (formOf(line).kind === "length" ? "ft in" : ""),
      words: sign.kind === "words" ? [sign.plus, sign.minus] : null,
      choices: measure.kind === "choice" && measure.choice === "axle type" ? ["steered", "rigid"] : null,
    };
  });
  return {
    practice: {
      terminal: {
        name: scheme.name,
        pages: byPage(lines).map(({ page, lines: own }) => ({ page, lines: own })),
      },
      drives: jobsOf(attachment).flatMap(({ key, title, drill }) =>
        drill ? [{ key, label: drill.label, title }] : [],
      ),
      tape: catalogueOf(open.resolved)
        .filter(({ key, station }) => isHeldBy("card", station) && key in ground.truth.values)
        .map(({ key, letter, label, fromTo }) => ({ key, letter, label, fromTo })),
      points: pointsOf(open.resolved).map((key) => [key, pointLabel(key, open.resolved)]),
    },
  };
}

/** Each stretch of the tape has its own chance, apart from those of the drives. */
const TAPES = 1e6;

/** What the tape says the `n`th time, in the operator's units: read it, and write it down. */
export function tapeReading(open: OpenRig, key: DimensionKey, n: number): string | null {
  const ground = groundOf(open);
  const entry = catalogueOf(open.resolved).find((each) => each.key === key);
  if (!ground || !entry) return null;
  const value = stretchReading({ truth: ground.truth, random: tapeChance(ground, key, n) }, key);
  return value === null ? null : printEntry(entry, value, open.preferences.units);
}

/** A tape on the floor from one point to another. */
export function tapeBetween(open: OpenRig, from: PointKey, to: PointKey, n: number): string | null {
  const ground = groundOf(open);
  if (!ground) return null;
  const random = tapeChance(ground, `${from} ${to}`, n);
  return printLength(stretchTape({ truth: ground.truth, random }, from, to), open.preferences.units.tape);
}

function tapeChance({ practice }: Ground, what: string, n: number) {
  const name = [...what].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 9973, 7);
  return chance(practice.seed * 1009 + TAPES + name * 64 + n);
}
