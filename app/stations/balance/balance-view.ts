/** The panel of the balance station: every state on the axles, ballast from the stock, tyres by their tables. */

import { onPin } from "../../../core/dimension/attachment.ts";
import { drawBalance } from "../../../core/drawing/balance.ts";
import { rigPoints } from "../../../core/drawing/rig-points.ts";
import type { DrawnRig } from "../../../core/drawing/sheet.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { FAMILIES } from "../../../core/quantity/measure.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { known, type WholeRig } from "../../../core/rig/whole.ts";
import { otherName, steeredName, steersBehind } from "../../../core/subjects/balance/axle-names.ts";
import type { BalanceOf } from "../../../core/subjects/balance/balance-of-rig.ts";
import { setText } from "../../../core/subjects/balance/ballast-checks.ts";
import { groundOf, type RigState } from "../../../core/subjects/balance/states.ts";
import type { PressedAxle } from "../../../core/trade/pressed.ts";
import type { TyreAnswer } from "../../../core/yard/tyres.ts";
import { answerText } from "./answer-text.ts";

export type StateRow = {
  id: string;
  label: string;
  front: string;
  share: string;
  rear: string;
  total: string;
  tools: string;
  /** left and right wheel of what takes what hangs to one side; empty where nobody can tell */
  sides: string;
  now: boolean;
  /** short or over, at a must or a limit */
  wrong: { front: boolean; rear: boolean; total: boolean };
  href: string;
};

export type WeightRow = {
  id: number;
  what: string;
  each: string;
  place: string;
  count: number;
  fitted: number;
  wanted: number | null;
};

export type TyreRow = { axle: string; tyre: string; now: string; field: string; road: string };

/** An axle as it presses the ground; `given` null: what is missing says `missing`. */
export type PressedRow = { axle: string; given: PressedAxle | null; missing: string };

export type BalanceView = {
  heads: { front: string; rear: string };
  states: StateRow[];
  weights: WeightRow[];
  proposal: string | null;
  manual: string[];
  /** the largest load on the pin and the largest fill that leave a fifth in front */
  largest: string[];
  tyres: TyreRow[];
  pressed: PressedRow[];
  units: Units;
  drawing: { desk: DrawnRig; phone: DrawnRig; title: string };
};

type Asked = {
  whole: WholeRig;
  index: number;
  loads: BalanceOf;
  units: Units;
  /** id of the state to draw; the worst where none is asked for */
  state: string | null;
  hrefOf: (state: string) => string;
  title: string;
};

export function balanceView({ whole, index, loads, units, state, hrefOf, title }: Asked): BalanceView {
  const shown = loads.ok ? (loads.states.find(({ id }) => id === state) ?? worst(loads)) : null;
  return {
    heads: { front: steeredName(whole), rear: otherName(whole) },
    states: loads.ok ? loads.states.map((each) => stateRow(each, loads, shown, units, hrefOf)) : [],
    weights: whole.weights.map(({ id, what, mass, x, count, fitted }) => ({
      id,
      what,
      each: say("mass", mass, units),
      place: `${printLength(Math.abs(x), units.tape)} ${x >= 0 ? "ahead of" : "behind"} the ${otherName(whole).toLowerCase()}`,
      count,
      fitted,
      wanted: wantedOf(loads, id),
    })),
    proposal: loads.ok && loads.proposal.ok ? inWords(setText(loads.proposal), units) : null,
    manual: manualOf(loads, units),
    largest: largestOf(whole, loads, units),
    tyres: loads.ok ? tyreRows(whole, loads, units) : [],
    pressed: loads.ok ? pressedRows(whole, loads) : [],
    units,
    drawing: drawingOf(whole, index, loads, shown, units, title),
  };
}

function wantedOf(loads: BalanceOf, id: number): number | null {
  if (!loads.ok || !loads.proposal.ok) return null;
  return loads.proposal.set.find(({ weight }) => weight.id === id)?.count ?? 0;
}

/** The state that is most wrong; where none is, the lightest steered axle of those that must stand. */
function worst(loads: Loads): RigState {
  const must = loads.states.filter((state) => state.must);
  const wrong = must.filter((state) => Object.values(wrongOf(state, loads)).some(Boolean));
  return (wrong.length > 0 ? wrong : must).reduce((worse, state) => {
    const [a, b] = [overload(state, loads), overload(worse, loads)];
    return a > b || (a === b && state.front < worse.front) ? state : worse;
  });
}

/** By how much a state passes the limits told, kg; 0 where it passes none. */
function overload({ front, rear, total }: RigState, { limits }: Loads): number {
  const over = (load: number, limit: number | null) => (limit === null ? 0 : load - limit);
  return Math.max(0, over(front, limits.front), over(rear, limits.rear), over(total, limits.gross));
}

type Loads = Extract<BalanceOf, { ok: true }>;

function wrongOf(state: RigState, { least, limits }: Loads): StateRow["wrong"] {
  const over = (limit: number | null, load: number) => limit !== null && load > limit;
  return {
    front: (state.must && state.front < least.front - 0.5) || over(limits.front, state.front),
    rear: (state.must && state.rear < least.rear - 0.5) || over(limits.rear, state.rear),
    total: over(limits.gross, state.total),
  };
}

function stateRow(
  state: RigState,
  loads: Loads,
  shown: RigState | null,
  units: Units,
  hrefOf: (state: string) => string,
): StateRow {
  return {
    id: state.id,
    label: state.label,
    front: say("mass", state.front, units),
    share: say("ratio", state.front / loads.unladen, units),
    rear: say("mass", state.rear, units),
    total: say("mass", state.total, units),
    sides: state.sides
      .map(({ left, right }) => `${Math.round(left / massOf(units))} / ${say("mass", right, units)}`)
      .join(", "),
    tools: state.tools.flatMap((each) => (each === null ? [] : [say("mass", each, units)])).join(", "),
    now: state.id === shown?.id,
    wrong: wrongOf(state, loads),
    href: hrefOf(state.id),
  };
}

function manualOf(loads: BalanceOf, units: Units): string[] {
  if (!loads.ok) return [];
  const { front, rear } = loads.manual;
  return [
    ...(front === null
      ? []
      : [
          `In front at least ${say("mass", front, units)}, for 20 % on the front axle with the tool raised and full.`,
        ]),
    ...(rear === null
      ? []
      : [
          `Behind at least ${say("mass", rear, units)}, for 45 % on the rear axle with the front tool raised.`,
        ]),
  ];
}

/** Kilograms in one of the unit masses are shown in. */
const massOf = (units: Units) => FAMILIES.mass[unitOf("mass", units)].factor;

function largestOf(whole: WholeRig, loads: BalanceOf, units: Units): string[] {
  if (!loads.ok) return [];
  const { pin, fill } = loads.largest;
  const hitchWord = (part: number) => (onPin(whole.parts[part]!.rig.attachment) ? "pin" : "links");
  const of = (part: number) => (whole.parts.length > 1 ? ` of ${whole.parts[part]!.name}` : "");
  return [
    ...pin.flatMap((load, part) =>
      load === null
        ? []
        : [
            load > 0
              ? `On the ${hitchWord(part)}${of(part)} at most ${say("mass", load, units)}.`
              : `Nothing may go on the ${hitchWord(part)}${of(part)}: the front is too light without it.`,
          ],
    ),
    ...fill.flatMap((share, part) => {
      if (share === null) return [];
      const mass = known(whole.parts[part]!.rig, "tool.load")! * share;
      const name = whole.parts[part]!.name;
      if (share >= 1) return [`${name} may be filled whole.`];
      return [
        share <= 0
          ? `${name} may not be filled at all.`
          : `Fill ${name} to ${say("mass", Math.floor(mass), units)} at most, ${say("ratio", Math.floor(share * 100) / 100, units)} of it.`,
      ];
    }),
  ];
}

/** A machine that steers behind carries its tool on the axle in front. */
function axleWord(whole: WholeRig, axle: "front" | "rear" | "tool"): string {
  if (steersBehind(whole)) return axle === "front" ? "Drive" : "Steered";
  return axle === "front" ? "Front" : "Rear";
}

const leastOf = (asked: { answer: TyreAnswer } | null): number | null =>
  asked?.answer.kind === "pressure" ? asked.answer.pressure : null;

/** Each axle with what it presses by: the harder tyre of it, and the heaviest it gets in the field. */
function pressedRows(whole: WholeRig, { tyres }: Loads): PressedRow[] {
  return tyres.map(({ axle, part, left, right, field, half }) => {
    const gauged = [left, right].filter((each) => each !== null);
    const pressure = gauged.length === 0 ? null : Math.max(...gauged);
    return {
      axle: part === null ? axleWord(whole, axle) : whole.parts[part]!.name,
      given:
        field && field.load > 0 && pressure !== null && pressure > 0
          ? {
              load: field.load,
              half: half?.load ?? null,
              pressure,
              least: leastOf(field),
              leastHalf: leastOf(half),
            }
          : null,
      missing: field ? "Nobody gauged its tyres." : "No tyre table is given.",
    };
  });
}

function tyreRows(whole: WholeRig, { tyres }: Loads, units: Units): TyreRow[] {
  return tyres.map(({ axle, part, left, right, tyres: fitted, field, road }) => ({
    axle: part === null ? axleWord(whole, axle) : whole.parts[part]!.name,
    tyre: fitted ? `${fitted.count} × ${fitted.label}` : "no table given",
    now: [left, right].map((each) => (each === null ? "–" : say("pressure", each, units))).join(" / "),
    field: field ? answerText(field.answer, units) : "–",
    road: road ? answerText(road.answer, units) : "–",
  }));
}

function drawingOf(
  whole: WholeRig,
  index: number,
  loads: BalanceOf,
  shown: RigState | null,
  units: Units,
  title: string,
): BalanceView["drawing"] {
  const { rig } = whole.parts[index]!;
  const ground = groundOf(whole.parts[0]!.rig);
  const others = whole.parts.filter((_, at) => at !== index).map((part) => part.rig);
  const sheet = { region: "rig", labels: "none", station: null, only: null, units, others } as const;
  const wrong = shown && loads.ok ? wrongOf(shown, loads) : null;
  const loaded =
    shown && ground.ok
      ? {
          state: shown,
          axle: ground.axle,
          base: ground.base,
          stop: wrong?.front ? ("front" as const) : wrong?.rear ? ("rear" as const) : null,
          weights: whole.weights
            .filter(({ fitted }) => fitted > 0)
            .map(({ what, mass, x, fitted }) => ({ what, x, mass: mass * fitted })),
          wheels: whole.parts.flatMap(({ rig: each }, at) => {
            const mass = shown.tools[at];
            return mass == null ? [] : [{ mass, x: rigPoints(each).pivot.x }];
          }),
        }
      : null;
  return {
    desk: drawBalance(rig, loaded, { ...sheet, width: 424, height: 736 }),
    phone: drawBalance(rig, loaded, { ...sheet, width: 390, height: 236 }),
    title: shown
      ? `${title}: ${shown.label}, seen from the right, to scale`
      : `${title}, seen from the right`,
  };
}
