/** An adjuster as the form that tells it otherwise shows it: what was not typed otherwise there stays to the last digit. */
import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { fineStyle, type Units } from "../../../core/quantity/units.ts";
import { figureOf } from "../../../core/subjects/ground/guide/judging.ts";
import { stepsText } from "../../../core/subjects/ground/words.ts";
import { type Adjuster, MEASURES } from "../../../core/yard/ground.ts";

const EFFECT = ["measure", "front", "rear", "across", "way", "amount"] as const;
const PLACE = ["ahead", "ahead-way", "aside", "aside-way", "up"] as const;

export type Typed = Record<
  | (typeof EFFECT)[number]
  | (typeof PLACE)[number]
  | "label"
  | "form"
  | "low"
  | "high"
  | "storage"
  | "start"
  | "pair"
  | "difference"
  | "master"
  | "how",
  string
>;

/** By the name of its field. */
export function asTyped(adjuster: Adjuster, units: Units): Typed {
  const { label, form, low, high, storage, start, effect, acts, pair, master, x, y, up, how } = adjuster;
  const fine = (value: number | undefined) =>
    value === undefined ? "" : printLength(value, fineStyle(units), { bare: true });
  const tape = (value: number | null) =>
    value === null ? "" : printLength(Math.abs(value), units.tape, { bare: true });
  const figured = acts?.by && MEASURES[acts.measure].family !== null;
  return {
    label,
    form,
    low: stepsText(low),
    high: stepsText(high),
    storage: storage === null ? "" : stepsText(storage),
    start: start === null ? "" : stepsText(start),
    front: fine(effect?.front),
    rear: fine(effect?.rear),
    across: fine(effect?.across),
    measure: acts?.measure ?? "",
    way: acts?.by ? (acts.by > 0 ? "more" : "less") : "",
    amount: figured ? inWords(figureOf(acts.measure, Math.abs(acts.by!)), units) : "",
    pair: pair ? String(pair.id) : "",
    difference: stepsText(pair?.difference ?? 0),
    master: master === null ? "" : String(master),
    ahead: tape(x),
    "ahead-way": !x ? "" : x > 0 ? "ahead" : "behind",
    aside: tape(y),
    "aside-way": !y ? "" : y > 0 ? "right" : "left",
    up: tape(up),
    how,
  };
}

/** Nothing told yet. */
export const UNTOLD: Typed = {
  label: "",
  form: "turnbuckle",
  low: "0",
  high: "10",
  storage: "",
  start: "",
  front: "",
  rear: "",
  across: "",
  measure: "",
  way: "",
  amount: "",
  pair: "",
  difference: "0",
  master: "",
  ahead: "",
  "ahead-way": "behind",
  aside: "",
  "aside-way": "",
  up: "",
  how: "",
};

/** Which of what a form may tell stands in it as it was shown. A field it does not have was not told otherwise. */
export function untouched(form: FormData, shown: Typed): { effect: boolean; place: boolean } {
  const same = (name: keyof Typed) => (form.get(name) ?? (shown[name] || "")) === shown[name];
  return { effect: EFFECT.every(same), place: PLACE.every(same) };
}
