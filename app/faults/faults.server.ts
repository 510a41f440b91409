/** Cases to practise on: begun, measured, named; what is hidden never leaves the server before it was named. */
import { randomInt } from "node:crypto";
import { type Correction, faultOf } from "../../core/fault/faults.ts";
import { type Hidden, hide, type Kind } from "../../core/fault/hidden.ts";
import { groundOf, observe } from "../../core/fault/observe.ts";
import { cardOf, slipsOf } from "../../core/fault/of-rig.ts";
import type { Answer } from "../../core/fault/player.ts";
import { type Scored, scored } from "../../core/fault/score.ts";
import { parseLength } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import { chance } from "../../core/simulation/random.ts";
import { beginCase, caseOf, casesOf, type FaultCase, stepCase } from "../../data/faults.ts";
import type { Database } from "../../data/handle.ts";
import type { Told } from "../../data/record.ts";
import { toolsOf } from "../../data/rigs.ts";
import { checkedBy, type Intents } from "../session/intents.server.ts";
import { kept, type Outcome, refused } from "../session/outcome.ts";
import { openedOf } from "../stations/frame/opened.server.ts";
import { type Asked, BeginCaseDto, MeasureDto, NameFaultDto } from "./faults.dto.ts";

type AtYard = { db: Database; told: Told };
type AtCase = AtYard & { one: FaultCase; units: Units };

/** One in so many has nothing, or something that no page of the library has; one in three that may be two is one. */
const SHARES = { nothing: 0.15, outside: 0.35, one: 0.35 };

function kindOf(asked: Asked, seed: number): Kind {
  const drawn = chance(seed + 11).between(0, 1);
  if (asked === "one") return "one";
  if (asked === "two") return drawn < SHARES.one ? "one" : "two";
  return drawn < SHARES.nothing ? "nothing" : drawn < SHARES.outside ? "outside" : "one";
}

/** A rig's own card, with a slip of its own where its record has one; null where its figures are not known. */
function ofRig(db: Database, rigId: number, seed: number): Hidden | null {
  const parts = toolsOf(db, rigId);
  if (parts.length === 0) return null;
  const { whole, judged } = openedOf(db, parts);
  const part = judged.reckoned.guidance.part;
  const rig = part === null ? null : whole.parts[part]!.rig;
  const card = rig && cardOf(rig);
  if (!card) return null;
  const slips = slipsOf(rig);
  if (slips.length === 0) return hide(seed, "one", { card });
  return { seed, card, two: false, faults: [slips[seed % slips.length]!] };
}

function begin({ db, told }: AtYard, { kind, area, rig, person }: BeginCaseDto): Outcome {
  const given = Number(process.env.AMBREK_FIELD_SEED ?? "");
  const seed = given > 0 ? given + casesOf(db, 1000).length : randomInt(1, 2 ** 31);
  const own = rig === "" ? null : ofRig(db, Number(rig), seed);
  if (rig !== "" && own === null)
    return refused({ rig: "Antenna, tool, width or length of this rig is not known: it makes no case." });
  const hidden =
    own ?? hide(seed, kindOf(kind, seed), { ...(area === "" ? {} : { area }), two: kind === "two" });
  const ground = groundOf(hidden);
  const by = { ...told, person };
  const id = beginCase(db, { rigId: rig === "" ? null : Number(rig), hidden, ground }, by);
  return kept("", { id, person });
}

export const FAULTS_INTENTS: Intents<AtYard, Outcome> = { begin: checkedBy(BeginCaseDto, begin) };

/** What was read so far, the look from the seat first: that is there from the beginning. */
export function readingsOf({ hidden, ground, steps }: FaultCase) {
  return [
    { measurement: "seat", figures: observe(hidden, ground, "seat") },
    ...steps.flatMap((step) => (step.kind === "measured" ? [step.reading] : [])),
  ];
}

/** What was said of it in the end, and what that was worth; null before. */
export function namedIn({ steps }: FaultCase): { answer: Answer; score: Scored } | null {
  return steps.flatMap((step) => (step.kind === "named" ? [step] : [])).at(-1) ?? null;
}

const OVER: Outcome = refused({ form: "This case was named: begin another." });

function measure({ db, told, one }: AtCase, { measurement, id }: MeasureDto): Outcome {
  if (namedIn(one)) return OVER;
  const time = readingsOf(one).filter((each) => each.measurement === measurement).length;
  const figures = observe(one.hidden, one.ground, measurement, time);
  stepCase(db, one.id, { kind: "measured", reading: { measurement, figures } }, { ...told, id });
  return kept();
}

/** A figure as it was typed, SI; undefined where it cannot be read. */
function readFigure(text: string, { in: unit }: Correction, units: Units): number | null | undefined {
  if (text.trim() === "") return null;
  if (unit === "length") {
    const read = parseLength(text, units.tape);
    return read.ok ? read.value.metres : undefined;
  }
  const number = /^-?\d{1,4}([.,]\d{1,4})?$/.test(text.trim().replace("−", "-"))
    ? Number(text.trim().replace("−", "-").replace(",", "."))
    : undefined;
  return number === undefined ? undefined : unit === "share" ? number / 100 : number;
}

function name({ db, told, one, units }: AtCase, value: NameFaultDto): Outcome {
  if (namedIn(one)) return OVER;
  const { fault, figure = "", second, secondFigure = "" } = value;
  if (second === fault) return refused({ second: "That is the one named already." });
  const asked = [
    { fault, text: figure, field: "figure" },
    ...(second === "" ? [] : [{ fault: second, text: secondFigure, field: "secondFigure" }]),
  ];
  const errors: Record<string, string> = {};
  const faults = asked.map(({ fault: key, text, field }) => {
    const correction = faultOf(key)?.correction;
    const read = correction ? readFigure(text, correction, units) : null;
    if (correction && read === undefined) errors[field] = "That was not understood as a figure.";
    if (correction && read === null) errors[field] = `${correction.asks}: what is the right figure?`;
    return { fault: key, figure: read ?? null };
  });
  if (Object.keys(errors).length > 0) return refused(errors);
  const { hidden, ground } = one;
  const score = scored(hidden, readingsOf(one), { faults }, (key, time) =>
    observe(hidden, ground, key, time),
  );
  stepCase(db, one.id, { kind: "named", answer: { faults }, score }, told);
  return kept();
}

export const CASE_INTENTS: Intents<AtCase, Outcome> = {
  measure: checkedBy(MeasureDto, measure),
  name: checkedBy(NameFaultDto, name),
};

/** @throws a 404 response where there is no such case */
export function caseOr404(db: Database, id: string): FaultCase {
  const one = caseOf(db, id);
  if (!one) throw new Response("There is no such case in this yard.", { status: 404 });
  return one;
}
