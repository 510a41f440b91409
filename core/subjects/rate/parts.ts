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
