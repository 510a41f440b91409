import type { LogEntry } from "./log.ts";

/** An entry of a sprayer that nothing is wrong with, for worked examples in tests: 20 ha at 180 l/ha in two hours. */
export function sampleEntry(more: Partial<LogEntry> = {}): LogEntry {
  return {
    id: "e",
    seq: 1,
    rigId: 1,
    rig: "Sprayer",
    person: "Ilse",
    begun: "2026-04-09T06:00:00.000Z",
    field: { id: 1, name: "Far Fifty", farm: "Home Farm", client: "Quade" },
    fieldArea: 20.3e4,
    operations: ["spraying"],
    crop: "Winter wheat",
    varieties: [{ name: "Halvard", rows: "" }],
    season: "2026",
    line: null,
    products: [{ id: 1, name: "Leaf cover", form: "liquid", rate: 1.8e-5, counted: false, used: 3.65 }],
    frozen: { card: 4, variants: [""], readings: [], calibrations: [] },
    ended: {
      id: "x",
      person: "Ilse",
      at: "2026-04-09T08:30:00.000Z",
      area: 20e4,
      parts: [],
      time: 7200,
      fuel: 0.05,
      note: "",
    },
    loads: [],
    notes: [],
    ...more,
  };
}
