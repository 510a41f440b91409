/** The autumn of the demo yard as it is planned: jobs with their windows, who drives, and a tractor that broke down while it drilled. */
import type { Database } from "../handle.ts";
import { listMachines } from "../machines.ts";
import { listFields } from "../places.ts";
import { addPlanAway, addPlanJob, addPlanPerson, setPlanDays } from "../plan.ts";
import { listEveryTool } from "../rigs.ts";
import { BY } from "./told.ts";

const HA = 1e4;
const HOUR = 3600;

type DemoJob = {
  name: string;
  field?: string;
  hectares?: number;
  opens: string;
  closes: string;
  most?: number;
  /** hectares an hour, where nobody drove it yet */
  rate?: number;
  /** fleet number of the tractor, and of one of its tools */
  rigs: readonly (readonly [tractor: string, tool: string])[];
};

const JOBS: readonly DemoJob[] = [
  {
    name: "Discs, Far Fifty",
    field: "Far Fifty",
    opens: "2026-09-28",
    closes: "2026-10-03",
    rigs: [["T14", "C12"]],
  },
  {
    name: "Discs, Two Oaks",
    hectares: 46,
    opens: "2026-09-28",
    closes: "2026-10-07",
    rigs: [["T14", "C12"]],
  },
  {
    name: "Stubble, Mill Acre",
    hectares: 31,
    opens: "2026-09-28",
    closes: "2026-10-09",
    rigs: [["T4", "C3"]],
  },
  {
    name: "Ploughing, Dovecote",
    hectares: 34,
    opens: "2026-09-28",
    closes: "2026-10-10",
    rigs: [["T12", "P4"]],
  },
  {
    name: "Sowing rape, Park Side",
    hectares: 22,
    opens: "2026-09-28",
    closes: "2026-10-02",
    rigs: [
      ["T12", "D7"],
      ["T4", "D2"],
    ],
  },
  {
    name: "Sowing wheat, Far Fifty",
    field: "Far Fifty",
    rate: 4.6,
    opens: "2026-10-05",
    closes: "2026-10-12",
    rigs: [
      ["T13", "D12"],
      ["T12", "D11"],
    ],
  },
  {
    name: "Sowing wheat, Long Acre",
    field: "Long Acre",
    opens: "2026-10-06",
    closes: "2026-10-14",
    rigs: [
      ["T12", "D7"],
      ["T12", "D11"],
    ],
  },
  {
    name: "Roller, Quarry Piece",
    hectares: 96,
    opens: "2026-10-05",
    closes: "2026-10-10",
    rigs: [["T12", "C9"]],
  },
  {
    name: "Sowing barley, Two Oaks",
    hectares: 236,
    rate: 4.6,
    opens: "2026-10-08",
    closes: "2026-10-14",
    rigs: [
      ["T13", "D12"],
      ["T12", "D11"],
    ],
  },
  {
    name: "Sowing grass, Brook Meadow",
    hectares: 12,
    opens: "2026-10-12",
    closes: "2026-10-20",
    rigs: [
      ["T4", "D2"],
      ["T9", "D8"],
    ],
  },
  {
    name: "Spraying rape",
    hectares: 88,
    opens: "2026-10-12",
    closes: "2026-10-17",
    most: 4,
    rigs: [["P1", "P1-B"]],
  },
  {
    name: "Lime, Church Piece",
    hectares: 40,
    opens: "2026-10-14",
    closes: "2026-10-24",
    rigs: [["T12", "S4"]],
  },
];

const PEOPLE: readonly { name: string; drives: readonly string[] }[] = [
  { name: "Ola Brannick", drives: [] },
  { name: "Ilse Marrin", drives: [] },
  { name: "Tjark Ellmer", drives: ["T4", "T9", "T14"] },
];

/** Plans it; nothing is solved or kept yet: that is the first thing to press. */
export function plantPlan(db: Database): void {
  const machines = listMachines(db);
  const machine = (fleet: string) => machines.find(({ fleetNumber }) => fleetNumber === fleet)!.id;
  const fields = listFields(db);
  const parts = listEveryTool(db);
  const rigOf = (tractor: string, tool: string) =>
    parts.find((part) => part.tractor.fleetNumber === tractor && part.implement.fleetNumber === tool)!.id;
  setPlanDays(
    db,
    {
      first: "2026-09-28",
      count: 28,
      week: [9, 9, 9, 9, 9, 6, 0].map((hours) => hours * HOUR),
      late: 10,
    },
    BY,
  );
  for (const { name, field, hectares, opens, closes, most, rate, rigs } of JOBS)
    addPlanJob(
      db,
      {
        name,
        fieldId: field === undefined ? null : fields.find((each) => each.name === field)!.id,
        area: hectares === undefined ? null : hectares * HA,
        opens,
        closes,
        most: most === undefined ? null : most * HOUR,
        rate: rate === undefined ? null : (rate * HA) / HOUR,
        rigs: rigs.map(([tractor, tool]) => rigOf(tractor, tool)),
      },
      BY,
    );
  const people = PEOPLE.map(({ name, drives }) => ({
    name,
    id: addPlanPerson(db, { name, drives: drives.map(machine) }, BY),
  }));
  const person = (name: string) => people.find((each) => each.name === name)!.id;
  addPlanAway(
    db,
    {
      machineId: null,
      personId: person("Ilse Marrin"),
      from: "2026-10-10",
      to: "2026-10-11",
      why: "wedding",
    },
    BY,
  );
  addPlanAway(
    db,
    {
      machineId: machine("T13"),
      personId: null,
      from: "2026-10-08",
      to: "2026-10-17",
      why: "broken down: hydraulic pump",
    },
    BY,
  );
}
