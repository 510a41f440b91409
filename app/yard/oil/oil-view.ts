/** What the page of a machine's oil shows, in the operator's units. */

import { METRES_PER } from "../../../core/quantity/length.ts";
import { FAMILIES, type Family } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { fineStyle, type Units, unitOf } from "../../../core/quantity/units.ts";
import { kindOf } from "../../../core/subjects/hoses/kinds.ts";
import { inVolume, outVolume, wantedFlow } from "../../../core/subjects/hoses/oil.ts";
import { PHASES, type PhaseKey } from "../../../core/trade/phases.ts";
import { type HoseFunction, type Remote, SOCKETS, type Use } from "../../../core/yard/circuit.ts";
import type { Hydraulics } from "../../../data/hoses.ts";

/** A field's text with enough places to come back as the same value. */
function typed(value: number | null, factor: number, unit: string): string {
  return value === null ? "" : `${Number((value / factor).toFixed(3))} ${unit}`;
}

export function oilUnits(units: Units) {
  const of = (family: Family) => unitOf(family, units) as string;
  return {
    flow: of("flow"),
    pressure: of("pressure"),
    volume: of("volume"),
    displacement: of("displacement"),
    rotation: of("rotation"),
    length: fineStyle(units) as string,
  };
}

function writer(units: Units) {
  const measure = (family: Family, value: number | null) => {
    const unit = unitOf(family, units) as string;
    return typed(value, (FAMILIES[family] as Record<string, { factor: number }>)[unit]!.factor, unit);
  };
  const fine = fineStyle(units);
  const length = (metres: number | null) => typed(metres, METRES_PER[fine], fine);
  return { measure, length };
}

export function supplyFields(told: Hydraulics | undefined, units: Units) {
  const { measure } = writer(units);
  return {
    pumpFlow: measure("flow", told?.pumpFlow ?? null),
    pressure: measure("pressure", told?.pressure ?? null),
    spareOil: measure("volume", told?.spareOil ?? null),
    mainLever: told?.mainLever == null ? "" : String(told.mainLever),
    freeReturn: told?.freeReturn ?? false,
    powerBeyond: told?.powerBeyond ?? false,
    loadSensing: told?.loadSensing ?? false,
  };
}

export function socketFields(told: Hydraulics | undefined) {
  return SOCKETS.map((socket) => ({
    socket: socket as string,
    has: told?.sockets.includes(socket) ?? false,
  }));
}

export function remoteRows(remotes: readonly Remote[], units: Units) {
  const { measure } = writer(units);
  return remotes.map((remote) => ({
    ...remote,
    flow: measure("flow", remote.flow),
    text: [
      remote.action === "double" ? "double-acting" : "single-acting",
      remote.float ? "float" : "",
      remote.detent ? "detent" : "",
      remote.timed ? "timed" : "",
      remote.automatic ? "automatic" : "",
      remote.flow === null ? "" : say("flow", remote.flow, units),
      remote.place === "rear" ? "" : remote.place,
      remote.coupling,
    ]
      .filter(Boolean)
      .join(", "),
  }));
}

const USE_WORDS: Record<Use, string> = { moves: "moves", floats: "floats", holds: "is held", runs: "runs" };

export function functionRows(functions: readonly HoseFunction[], units: Units) {
  const { measure, length } = writer(units);
  return functions.map((fn) => {
    const { cylinder, motor, uses } = fn;
    const wants = wantedFlow(fn);
    const used = PHASES.flatMap(({ key, noun }) => (uses[key] ? [`${USE_WORDS[uses[key]]} at ${noun}`] : []));
    return {
      id: fn.id,
      name: fn.name,
      kind: kindOf(fn).label,
      action: fn.action,
      place: fn.place,
      coupling: fn.coupling,
      tap: fn.tap,
      uses: uses as Partial<Record<PhaseKey, Use>>,
      automatic: fn.automatic,
      trigger: fn.trigger,
      lockable: fn.lockable,
      caseDrain: motor?.caseDrain ?? false,
      flow: measure("flow", fn.flow),
      pressure: measure("pressure", fn.pressure),
      charge: measure("pressure", fn.charge),
      bore: length(cylinder?.bore ?? null),
      rod: length(cylinder?.rod ?? null),
      stroke: length(cylinder?.stroke ?? null),
      cylinders: cylinder ? String(cylinder.count) : "",
      displacement: measure("displacement", motor?.displacement ?? null),
      speed: measure("rotation", motor?.speed ?? null),
      text: [
        used.length > 0 ? used.join(", ") : "used in no phase",
        wants === null ? "" : `wants ${say("flow", wants, units)}`,
        cylinder
          ? `${say("volume", outVolume(cylinder), units)} out, ${say("volume", inVolume(cylinder), units)} in`
          : "",
      ]
        .filter(Boolean)
        .join("; "),
    };
  });
}
