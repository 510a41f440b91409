import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PRESETS } from "../../core/quantity/units.ts";
import { openDatabase } from "../../data/database.ts";
import { plantedYard } from "../../data/demo/planted.ts";
import { keepPreview } from "../../data/imports.ts";
import { keepLending } from "../../data/lending/loans.ts";
import { machineFileOf } from "../../data/lending/send.ts";
import { knownMachine, takeMachine } from "../../data/lending/take.ts";
import { findMachine, listMachines } from "../../data/machines.ts";
import { readMachineFile, writeMachineFile } from "../../formats/machine/machine-file.ts";
import { anyMachineFile } from "../../formats/machine/sample-machine-files.ts";
import { endLoan, lend } from "./keep-lending.server.ts";
import { loanOf, viewCame } from "./lending-view.server.ts";

const NOW = new Date("2027-03-02T09:00:00.000Z");
const BY = { person: "Ilse Moor", at: NOW };

describe("lending on a machine's page", () => {
  const db = plantedYard();
  const known = listMachines(db)[0]!;
  const page = { db, known, by: BY };
  const wanted = { there: "Lindhof", here: "Höfe am Bach", until: "" };
  const refusal = (told: Partial<typeof wanted>, by = BY) => {
    const outcome = lend({ ...page, by }, { ...wanted, ...told });
    return outcome.ok ? "" : Object.keys(outcome.errors).join();
  };

  it("refuses what cannot be, by field, and notes nothing", () => {
    expect(refusal({}, { ...BY, person: "" })).toBe("form");
    expect(refusal({ until: "2027-02-30" })).toBe("until");
    expect(refusal({ until: "2027-03-01" })).toBe("until");
    expect(refusal({ there: "HÖFE AM BACH" })).toBe("there");
    expect(endLoan(page).ok).toBe(false);
    expect(loanOf(db, known.id, NOW)).toMatchObject({ said: "", can: "lend" });
  });

  it("says where it is, whether it is late, and when it is back", () => {
    expect(refusal({ until: "2027-03-05" })).toBe("");
    expect(loanOf(db, known.id, NOW)).toMatchObject({ can: "end", fileFor: "Lindhof", late: false });
    const late = loanOf(db, known.id, new Date("2027-03-06T09:00:00Z"));
    expect(late).toMatchObject({ late: true });
    expect(late.said).toContain("was to be back by");
    expect(refusal({})).toBe("there");
    expect(endLoan(page).ok).toBe(true);
    expect(loanOf(db, known.id, NOW)).toMatchObject({ can: "lend", fileFor: null });
    expect(loanOf(db, known.id, NOW).said).toContain("Back from Lindhof");
  });
});

describe("the file of a machine that came", () => {
  it("is shown against what is here: what changes, by whom, and what stays where it was", () => {
    const home = plantedYard();
    const machine = listMachines(home).find(({ kind }) => kind === "tractor")!;
    keepLending(home, machine.id, { way: "out", there: "Lindhof", here: "Höfe am Bach" }, BY);
    const sender = { yard: "Höfe am Bach", person: "Ilse Moor", way: "out", now: NOW } as const;
    const file = machineFileOf(home, machine, sender);
    const fresh = viewCame(openDatabase(":memory:"), file, PRESETS.metric, NOW);
    expect(fresh.onto).toBeNull();
    expect(fresh.rows.length).toBeGreaterThan(10);
    expect(fresh.rows.every(({ becomes, here }) => becomes === "new" && here === "missing")).toBe(true);
    expect(fresh.rows.find(({ label }) => label === "Wheelbase")?.file).toMatch(/^\d\.\d+\sm, /);
    expect(fresh.notes.join()).toContain("Stayed with Höfe am Bach");
    const own = viewCame(home, file, PRESETS.metric, NOW);
    expect(own.onto?.because).toContain("lent between");
    expect(own.rows.every(({ becomes }) => becomes === "same")).toBe(true);
    expect(own.counts.map(({ count }) => count)).toEqual([0, file.facts.length, 0]);
  });

  it("is looked into and taken over whatever the format lets through, and comes out again as it was read", () => {
    const db = openDatabase(":memory:");
    fc.assert(
      fc.property(anyMachineFile, (file) => {
        viewCame(db, file, PRESETS.us, NOW);
        const bytes = Buffer.from(writeMachineFile(file));
        const id = keepPreview(db, { fileName: "m.json", bytes, content: file, at: NOW });
        const onto = knownMachine(db, file)?.machine ?? null;
        const machine = findMachine(db, takeMachine(db, id, file, { onto, here: "Here" }, BY))!;
        const sender = { yard: "Here", person: "Ilse Moor", way: "out", now: NOW } as const;
        const again = machineFileOf(db, machine, sender);
        expect(readMachineFile(Buffer.from(writeMachineFile(again))).machine.kind).toBe(file.machine.kind);
      }),
      { numRuns: 60 },
    );
  });
});
