/**
 * What is usually looked after on a machine, to begin a list with. Common practice, no source: the operator's manual has the points, the oils and the hours, and
 * comes first.
 */
import type { ServiceItem } from "./service.ts";

type Usual = Omit<ServiceItem, "id" | "machineId">;

const HOUR = 3600;
const HECTARE = 1e4;
const NEVER = { time: null, area: null, days: null, season: false };
const daily = (
  round: "morning" | "evening" | "aboard",
  kind: Usual["kind"],
  name: string,
  note = "",
): Usual => ({
  name,
  kind,
  round,
  points: null,
  every: NEVER,
  note,
});
const every = (kind: Usual["kind"], name: string, of: Partial<Usual["every"]>, note = ""): Usual => ({
  name,
  kind,
  round: "interval",
  points: null,
  every: { ...NEVER, ...of },
  note,
});

const WHEELED: readonly Usual[] = [
  daily(
    "morning",
    "nuts",
    "Wheel nuts",
    "Hand tight is not enough: the spanner, and the torque of the manual after a wheel was off.",
  ),
  daily("morning", "pressure", "Tyres", "Cuts, and the pressure for today's work: the rig's Balance has it."),
];

const DRIVES: readonly Usual[] = [
  daily("morning", "oil", "Engine oil, coolant, fuel", "Level ground, engine off."),
  daily("morning", "look", "Round the machine", "Leaks, loose guards, lights, what sleeps under it."),
  ...WHEELED,
  daily(
    "evening",
    "look",
    "Idle down",
    "Three to five minutes without load before the engine is stopped: the turbocharger cools.",
  ),
  daily("evening", "clean", "Knock the soil off", "Wheels, steps, lights, number plate."),
  daily(
    "evening",
    "look",
    "Lock-outs in, key out",
    "Remotes, hitch and shaft locked for the road; nobody but you starts it.",
  ),
  every("grease", "Grease, all points", { time: 50 * HOUR }),
  every("oil", "Engine oil and filter", { time: 500 * HOUR, days: 365 }),
  every("filter", "Air filter", { time: 250 * HOUR, season: true }),
  every("filter", "Fuel filter", { time: 500 * HOUR }),
  every("oil", "Gearbox and hydraulic oil", { time: 1500 * HOUR, days: 730 }),
];

const TOOL: readonly Usual[] = [
  daily("morning", "grease", "Grease the daily points"),
  daily("morning", "nuts", "Bolts of points, blades and clamps"),
  ...WHEELED,
  daily("evening", "clean", "Knock the soil off"),
  daily("evening", "look", "Taps shut, stands down, folded and locked"),
  daily("aboard", "take", "Shear bolts and shear keys"),
  daily("aboard", "take", "Points or blades, left and right"),
  daily("aboard", "take", "Spanner, lever, tape measure"),
  every("oil", "Gearbox oil", { area: 800 * HECTARE, season: true }),
  every("chain", "Chains and belts: tension, oil", { area: 100 * HECTARE }),
  every("grease", "Grease, all points", { area: 200 * HECTARE, season: true }),
];

/** The usual list of a machine that drives, or of one that is drawn or carried. */
export const usualService = (drives: boolean): readonly Usual[] => (drives ? DRIVES : TOOL);
