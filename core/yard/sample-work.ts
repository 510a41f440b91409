import type { Work } from "./work.ts";

/** A job of a drill that nothing is wrong with, for worked examples in tests. */
export function sampleWork(more: Partial<Work> = {}): Work {
  return {
    id: "w",
    person: "Ola",
    at: "2026-04-02T06:30:00.000Z",
    since: "2026-04-02T06:30:00.000Z",
    varietySince: "2026-01-01T06:00:00.000Z",
    field: {
      id: 1,
      name: "Long Acre",
      farm: "Hollin Court",
      client: "Hollin",
      area: 28.4e4,
      before: { crop: "Winter barley", season: "2025" },
    },
    operations: ["sowing"],
    crop: { id: 1, name: "Winter wheat" },
    varietyWay: "one",
    varietyMap: null,
    sown: null,
    varieties: [{ id: 1, name: "Halvard", rows: "" }],
    products: [
      {
        id: 1,
        name: "Halvard seed",
        form: "seed",
        rate: 0.016,
        counted: false,
        doseLow: null,
        doseHigh: null,
        grainMass: null,
      },
    ],
    trigger: "sections",
    line: { id: "l", name: "Long side", kind: "ab", shifted: 0 },
    season: "2026",
    screen: {
      map: 1,
      position: 1,
      guidance: 1,
      speed: 1,
      sections: 1,
      rateSet: 2,
      rateApplied: 2,
      tank: 2,
      blockage: 2,
    },
    screenActive: true,
    alarms: { rate: "heard", tank: "heard", blockage: "heard", position: "heard" },
    mutedRows: "",
    ...more,
  };
}
