import type { Family } from "../../../core/quantity/measure.ts";
import { functionOfKind } from "../../../core/subjects/hoses/kinds.ts";
import { PHASE_KEYS, type PhaseKey } from "../../../core/trade/phases.ts";
import { type HoseFunction, type Remote, SOCKETS, type Use } from "../../../core/yard/circuit.ts";
import type { Database } from "../../../data/handle.ts";
import {
  addFunction,
  addRemote,
  archiveFunction,
  archiveRemote,
  changeFunction,
  changeRemote,
  functionsOf,
  lastTakenOut,
  type NewFunction,
  type NewRemote,
  orderFunctions,
  remotesOf,
  setHydraulics,
} from "../../../data/hoses.ts";
import type { Told } from "../../../data/record.ts";
import type { Machine } from "../../../data/rigs.ts";
import { carryOut, checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { amountOf } from "../amount.ts";
import {
  FunctionDto,
  FunctionRowDto,
  MoveFunctionDto,
  NewFunctionDto,
  RemoteDto,
  RemoteRowDto,
  SocketsDto,
  type SocketsTyped,
  SupplyDto,
  type UsesTyped,
} from "./oil.dto.ts";

/** More of either than this no machine has, and the assignment is reckoned for no more. */
export const MOST_REMOTES = 10;
export const MOST_FUNCTIONS = 12;

type Oil = { db: Database; machine: Machine; by: Told };

/** What the page of a machine's oil can do: a tractor's supply and remotes, an implement's functions, sockets of both. */
const INTENTS: Intents<Oil> = {
  supply: checkedBy(SupplyDto, keepSupply),
  remote: checkedBy(RemoteDto, keepRemote),
  "drop-remote": checkedBy(RemoteRowDto, dropRemote),
  sockets: checkedBy(SocketsDto, ({ db, machine, by }: Oil, value) => {
    setHydraulics(db, machine.id, { sockets: socketsIn(value as SocketsTyped) }, by);
    return kept();
  }),
  "add-function": checkedBy(NewFunctionDto, startFunction),
  function: checkedBy(FunctionDto, keepFunction),
  "drop-function": checkedBy(FunctionRowDto, dropFunction),
  "move-function": checkedBy(MoveFunctionDto, moveFunction),
  back: bringBack,
};

const drives = ({ kind }: Machine) => kind !== "implement";

export function keepOil(db: Database, machine: Machine, form: FormData, by: Told): Outcome {
  return carryOut(INTENTS, { db, machine, by }, form);
}

const socketsIn = (typed: SocketsTyped) => SOCKETS.filter((socket) => typed[`socket ${socket}`] === "on");

/** SI of a field that was checked; null where it was left empty. */
function si(text: string, family: Family | "length", unit: string): number | null {
  const amount = amountOf(text, { family, unit, optional: true });
  return amount.ok ? amount.value : null;
}

function keepSupply({ db, machine, by }: Oil, value: SupplyDto): Outcome {
  if (!drives(machine)) return refused({ form: "An implement has no pump of its own here." });
  const told = {
    pumpFlow: si(value.pumpFlow, "flow", value.pumpFlowUnit),
    pressure: si(value.pressure, "pressure", value.pressureUnit),
    spareOil: si(value.spareOil, "volume", value.spareOilUnit),
    mainLever: value.mainLever === "" ? null : Number(value.mainLever),
    freeReturn: value.freeReturn === "on",
    powerBeyond: value.powerBeyond === "on",
    loadSensing: value.loadSensing === "on",
    sockets: socketsIn(value as SupplyDto & SocketsTyped),
  };
  setHydraulics(db, machine.id, told, by);
  return kept();
}

function keepRemote({ db, machine, by }: Oil, value: RemoteDto): Outcome {
  if (!drives(machine)) return refused({ form: "Remotes are the tractor's." });
  const { number, lever, action, flow, flowUnit, place, coupling, ...ticks } = value;
  const own = remotesOf(db, [machine.id]).get(machine.id) ?? [];
  const id = Number(value.remote);
  if (own.some((each: Remote) => each.id !== id && each.number === Number(number)))
    return refused({ number: `There is a remote ${number} already.` });
  const remote: NewRemote = {
    number: Number(number),
    lever,
    action,
    flow: si(flow, "flow", flowUnit),
    place,
    coupling,
    float: ticks.float === "on",
    detent: ticks.detent === "on",
    timed: ticks.timed === "on",
    automatic: ticks.automatic === "on",
  };
  if (own.some((each) => each.id === id)) changeRemote(db, id, remote, by);
  else if (own.length >= MOST_REMOTES) return refused({ number: `${MOST_REMOTES} remotes are the most.` });
  else addRemote(db, machine.id, remote, by);
  return kept();
}

function dropRemote({ db, machine, by }: Oil, { remote }: RemoteRowDto): Outcome {
  const id = Number(remote);
  if (
    remotesOf(db, [machine.id])
      .get(machine.id)
      ?.some((each) => each.id === id)
  )
    archiveRemote(db, id, true, by);
  return kept();
}

const own = (db: Database, machine: Machine) => functionsOf(db, [machine.id]).get(machine.id) ?? [];

/** A new function begins with what its kind usually has. */
function startFunction({ db, machine, by }: Oil, { kind }: NewFunctionDto): Outcome {
  if (drives(machine)) return refused({ form: "Functions are the implement's." });
  const there = own(db, machine);
  if (there.length >= MOST_FUNCTIONS) return refused({ kind: `${MOST_FUNCTIONS} functions are the most.` });
  const fn = functionOfKind(kind);
  const same = there.filter((each) => each.kind === kind).length;
  setHydraulics(db, machine.id, {}, by);
  addFunction(db, machine.id, { ...fn, name: same === 0 ? fn.name : `${fn.name} ${same + 1}` }, by);
  return kept();
}

function usesIn(typed: UsesTyped): HoseFunction["uses"] {
  return Object.fromEntries(
    PHASE_KEYS.flatMap((key): [PhaseKey, Use][] => {
      const use = typed[`use-${key}`];
      return use ? [[key, use]] : [];
    }),
  );
}

function keepFunction({ db, machine, by }: Oil, value: FunctionDto): Outcome {
  const known = own(db, machine).find(({ id }) => id === Number(value.function));
  if (!known) return refused({ form: "That function is not this implement's." });
  const [bore, rod, stroke] = [
    si(value.bore, "length", value.boreUnit),
    si(value.rod, "length", value.rodUnit),
    si(value.stroke, "length", value.strokeUnit),
  ];
  const [displacement, speed] = [
    si(value.displacement, "displacement", value.displacementUnit),
    si(value.speed, "rotation", value.speedUnit),
  ];
  const errors = sizeErrors({ bore, rod, stroke, displacement, speed, count: value.cylinders });
  if (Object.keys(errors).length > 0) return refused(errors);
  const changed: NewFunction = {
    name: value.name,
    kind: known.kind,
    action: value.action,
    uses: usesIn(value as FunctionDto & UsesTyped),
    automatic: value.automatic === "on",
    trigger: value.trigger === "on",
    lockable: value.lockable === "on",
    place: value.place,
    coupling: value.coupling,
    pressure: si(value.pressure, "pressure", value.pressureUnit),
    charge: si(value.charge, "pressure", value.chargeUnit),
    flow: si(value.flow, "flow", value.flowUnit),
    tap: value.tap,
    cylinder:
      bore === null || stroke === null
        ? null
        : { bore, rod: rod ?? 0, stroke, count: value.cylinders === "" ? 1 : Number(value.cylinders) },
    motor:
      displacement === null || speed === null
        ? null
        : { displacement, speed, caseDrain: value.caseDrain === "on" },
  };
  changeFunction(db, known.id, changed, by);
  return kept();
}

type Sizes = Record<"bore" | "rod" | "stroke" | "displacement" | "speed", number | null> & { count: string };

/** Sizes that come in pairs, and that no cylinder has. */
function sizeErrors({ bore, rod, stroke, displacement, speed, count }: Sizes): FieldErrors {
  const errors: FieldErrors = {};
  if (bore !== null && stroke === null) errors.stroke = "A cylinder has bore and stroke.";
  if (stroke !== null && bore === null) errors.bore = "A cylinder has bore and stroke.";
  if (bore === null && stroke === null && (rod !== null || count !== ""))
    errors.bore = "Give bore and stroke as well.";
  if (bore !== null && (bore <= 0.01 || bore > 0.4)) errors.bore = "Between 10 mm and 40 cm.";
  if (bore !== null && rod !== null && rod >= bore) errors.rod = "The rod is thinner than the bore.";
  if (stroke !== null && (stroke <= 0 || stroke > 5)) errors.stroke = "Up to 5 m.";
  if (displacement !== null && speed === null) errors.speed = "A motor has a size and a speed.";
  if (speed !== null && displacement === null) errors.displacement = "A motor has a size and a speed.";
  return errors;
}

function dropFunction({ db, machine, by }: Oil, { function: fn }: FunctionRowDto): Outcome {
  const id = Number(fn);
  if (own(db, machine).some((each) => each.id === id)) archiveFunction(db, id, true, by);
  return kept();
}

/** Brings back what was taken out last. */
function bringBack({ db, machine, by }: Oil): Outcome {
  const last = lastTakenOut(db, machine.id);
  if (last?.what === "function") archiveFunction(db, last.id, false, by);
  if (last?.what === "remote" && !archiveRemote(db, last.id, false, by))
    return refused({ form: `${last.name} cannot come back: another remote has its number.` });
  return kept();
}

function moveFunction({ db, machine, by }: Oil, { function: fn, way }: MoveFunctionDto): Outcome {
  const ids = own(db, machine).map(({ id }) => id);
  const from = ids.indexOf(Number(fn));
  const to = from + (way === "up" ? -1 : 1);
  if (from < 0 || to < 0 || to >= ids.length) return kept();
  const [moved] = ids.splice(from, 1);
  ids.splice(to, 0, moved!);
  orderFunctions(db, machine.id, ids, by);
  return kept();
}
