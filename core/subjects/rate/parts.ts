import type { ComponentKind } from "../../yard/component.ts";

const LITRES_PER_MINUTE = 0.001 / 60;

/** Tips along a boom. */
export const NOZZLE: ComponentKind = {
  key: "nozzle",
  label: "Nozzles",
  one: "nozzle",
  mirrored: false,
  figures: [
    {
      key: "flow",
      label: "Flow at 3 bar",
      family: "flow",
      step: null,
      range: [0, 20 * LITRES_PER_MINUTE],
    },
  ],
};

/** Row units of a planter. */
export const ROW: ComponentKind = {
  key: "row",
  label: "Row units",
  one: "row unit",
  mirrored: false,
  figures: [{ key: "population", label: "Plants", family: "count per area", step: null, range: [0, 500] }],
};

/** Openers of a drill. */
export const OPENER: ComponentKind = {
  key: "opener",
  label: "Openers",
  one: "opener",
  mirrored: false,
  figures: [{ key: "caught", label: "Caught in a test", family: "mass", step: null, range: [0, 50] }],
};
