/** What the rate station shows of the tool in view. */
import { dimension } from "../../../core/dimension/catalogue.ts";
import { drawRow, rowUnits } from "../../../core/drawing/boom.ts";
import { inUnit } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { askedKeys } from "../../../core/rig/asked.ts";
import type { ResolvedRig } from "../../../core/rig/resolve.ts";
import { chosen, known } from "../../../core/rig/whole.ts";
import { NEAR_MEAN } from "../../../core/subjects/rate/calibrations/nozzles.ts";
import type { ToolKindKey } from "../../../core/trade/kinds.ts";
import type { NozzleSizeKey } from "../../../core/trade/nozzles.ts";
import type { Product, ProductForm } from "../../../core/yard/product.ts";
import { productIn, productsOf } from "../../../data/products.ts";
import { driftOf } from "../calibrating/calibrate-view.server.ts";
import { calibrationsView } from "../calibrating/list.server.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { doseFamily } from "./product.dto.ts";

export type ExplorerView = NonNullable<ReturnType<typeof explorerView>>;
export type TankView = NonNullable<ReturnType<typeof tankView>>;
export type SeedView = NonNullable<ReturnType<typeof seedView>>;
export type HarvestView = NonNullable<ReturnType<typeof harvestView>>;
export type RateView = ReturnType<typeof rateView>;

/** What the tool in view doses with, what it is calibrated by, and what is tried and planned for it. */
export function rateView(open: OpenRig) {
  return {
    calibrations: calibrationsView(open, "rate"),
    product: productView(open),
    explorer: explorerView(open),
    tank: tankView(open),
    seed: seedView(open),
    harvest: harvestView(open),
    drifts: driftsOf(open),
    row: rowView(open),
  };
}

/** What the station works out of the tool in view; undefined of one that doses nothing. */
const reckonedOf = ({ judged, index }: OpenRig) => judged.reckoned.rate.find(({ part }) => part === index);

/** How each constant that was read more than once stood over its life. */
function driftsOf(open: OpenRig) {
  const of = reckonedOf(open);
  return (of?.constants ?? []).flatMap(({ key }) => {
    const drift = driftOf(open, key);
    return drift && drift.points.length > 1 ? [drift] : [];
  });
}

/** The nozzles as they were caught last; null where none was. */
function rowView(open: OpenRig) {
  const found = reckonedOf(open)?.nozzles;
  const count = known(open.resolved, "rows.count");
  if (!found || found.mean === null || count === null) return null;
  return drawRow(rowUnits(count, found.found, found.mean), NEAR_MEAN, { width: 424, height: 230 });
}

const FORM_OF: Partial<Record<ToolKindKey, ProductForm>> = {
  sprayer: "liquid",
  spreader: "granules",
  drill: "seed",
  planter: "seed",
  cart: "seed",
  header: "crop",
};

function productView(open: OpenRig) {
  const {
    db,
    rig,
    resolved,
    preferences: { units },
  } = open;
  const form = resolved.tool && FORM_OF[resolved.tool];
  if (!form || !reckonedOf(open)) return null;
  const now = productIn(db, rig.implement.id);
  return {
    form,
    harvested: form === "crop",
    id: now?.id ?? null,
    now: now?.name ?? null,
    /** it, as it would be typed */
    told: now && {
      id: now.id,
      name: now.name,
      form: now.form,
      density: now.density === null ? "" : say("mass per volume", now.density, units),
      grainMass: now.grainMass === null ? "" : say("grain mass", now.grainMass, units),
      establishment: now.establishment === null ? "" : say("ratio", now.establishment, units),
      price:
        now.price === null
          ? ""
          : String(Number((now.price / (now.form === "liquid" ? 1000 : 1)).toPrecision(6))),
      money: now.money,
      ...doseTyped(now, units),
    },
    choices: productsOf(db)
      .filter((each) => each.form === form)
      .map(({ id, name }) => ({ id, name })),
    units: {
      density: unitOf("mass per volume", units),
      poured: unitOf("volume per area", units),
      weighed: unitOf("mass per area", units),
    },
  };
}

function doseTyped({ form, doseLow, doseHigh }: Product, units: Units) {
  const typed = (dose: number | null) => (dose === null ? "" : say(doseFamily(form), dose, units));
  return { doseLow: typed(doseLow), doseHigh: typed(doseHigh) };
}

/** Seed by weight or by count; null for what sows nothing, or is fed by a cart. */
function seedView({ db, rig, resolved, preferences: { units } }: OpenRig) {
  const { tool, values } = resolved;
  const counted = tool === "planter";
  const weighed =
    (tool === "drill" || tool === "cart") && !["none", null].includes(values["tool.meterDrive"].choice);
  if (!counted && !weighed) return null;
  const product = productIn(db, rig.implement.id);
  const speed = known(resolved, "work.speed");
  const [low, high] = [known(resolved, "rate.meterLow"), known(resolved, "rate.meterHigh")];
  return {
    units,
    counted,
    of: product ? `of ${product.name}` : "",
    grain: product?.grainMass == null ? "" : (product.grainMass * 1e6).toFixed(1),
    establishment: product?.establishment == null ? "" : (100 * product.establishment).toFixed(0),
    rate: known(resolved, "rate.seed"),
    seeds: known(resolved, "rate.seeds"),
    rowSpacing: known(resolved, "rows.spacing"),
    width: known(resolved, "tool.width"),
    displacement: known(resolved, "rate.displacement"),
    /** slowest and fastest one really drives: a third less, a quarter more than what is told (common practice) */
    speeds: speed === null ? [] : [speed * (2 / 3), speed, speed * 1.25],
    band: low !== null && high !== null ? { low, high } : null,
  };
}

function harvestView({ db, rig, resolved, preferences: { units } }: OpenRig) {
  if (resolved.tool !== "header") return null;
  return {
    units,
    width: known(resolved, "tool.width"),
    parts: known(resolved, "tool.parts"),
    density: productIn(db, rig.implement.id)?.density ?? null,
  };
}

/** What the explorer begins with; null where too little is known to draw a line. */
function explorerView(open: OpenRig) {
  const { resolved, preferences } = open;
  const window = reckonedOf(open)?.window;
  if (!window) return null;
  const { spraying, pressures, now } = window;
  const size = chosen<NozzleSizeKey>(resolved, "rate.nozzle")!;
  const [low, high] = [droplets(resolved, "rate.dropletsLow"), droplets(resolved, "rate.dropletsHigh")];
  return {
    units: preferences.units,
    spacing: spraying.spacing,
    density: spraying.density,
    pressures,
    nozzles: known(resolved, "rows.count"),
    pumpFlow: known(resolved, "rate.pumpFlow"),
    own: size,
    droplets: low !== null && high !== null ? { low, high } : null,
    now: { size, rate: spraying.rate, speed: now?.speed ?? USUAL_SPEED },
  };
}

/** 8 km/h, where nobody told the speed (common practice, no source). */
const USUAL_SPEED = 8 / 3.6;

function droplets(rig: ResolvedRig, key: "rate.dropletsLow" | "rate.dropletsHigh"): string | null {
  const choice = chosen(rig, key);
  return (
    dimension(key, rig)
      .choices?.find((each) => each.key === choice)
      ?.label.toLowerCase() ?? null
  );
}

/** What fills are reckoned from: a tank by litres, a hopper by kilograms; null for what has neither. */
function tankView({ resolved, preferences: { units } }: OpenRig) {
  const asked = askedKeys(resolved);
  const of = (["liquid", "seed"] as const).find((each) => asked.has(`rate.${each}`));
  if (!of) return null;
  const tank = of === "liquid" ? ("rate.tank" as const) : ("rate.hopper" as const);
  const needed = [`rate.${of}` as const, tank, "tool.width" as const];
  const area = known(resolved, "work.area");
  return {
    units,
    /** whether litres are filled in, and products mixed; kilograms otherwise */
    mixed: of === "liquid",
    area: area === null ? "" : inUnit("area", area, unitOf("area", units)).toFixed(2),
    rate: known(resolved, `rate.${of}`),
    tank: known(resolved, tank),
    rest: of === "liquid" ? (known(resolved, "rate.tankRest") ?? 0) : 0,
    width: known(resolved, "tool.width"),
    missing: needed
      .filter((key) => known(resolved, key) === null)
      .map((key) => dimension(key, resolved).label.toLowerCase()),
  };
}
