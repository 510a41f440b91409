import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { archiveMachine, findMachine, listMachines } from "../../../data/machines.ts";
import { addPlanAway, keepPlan } from "../../../data/plan.ts";
import { listRigs } from "../../../data/rigs.ts";
import { BY } from "../../../data/sample-told.ts";
import { openSampleYard, type SampleYard } from "../../routes/sample-yard.ts";
import { loader } from "../../routes/year.tsx";
import { openRig } from "../../stations/frame/rig-view.server.ts";
import { seasonLines } from "../../stations/ladder/season-lines.server.ts";
import { serviceHistory } from "../service/service-view.server.ts";
import { yearView } from "./year-view.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const NOW = new Date("2026-11-01T08:00:00Z");
const machine = (fleet: string) => listMachines(yard.db).find(({ fleetNumber }) => fleetNumber === fleet)!;
const look = (year: number, fleet: string | null = null) =>
  yearView(yard.db, {
    year,
    machine: fleet === null ? null : machine(fleet),
    units: PRESETS.metric,
    now: NOW,
  });
const plain = (text: string | null) => text?.replaceAll("\u00a0", " ");
const texts = (lines: readonly { text: string }[]) => lines.map(({ text }) => plain(text)).join("\n");

describe("a year on one page", () => {
  it("adds up what was driven, and counts a machine in every rig that has it", () => {
    const all = look(2026).worked.all!;
    // By hand from the log of the demo yard: spreading, spraying, planting, harvest.
    expect(plain(all.figures.area)).toBe(`${(79.5 + 38.4 + 19.6 + 9.5).toFixed(2)} ha`);
    expect(plain(all.hours)).toBe(`${(4.9 + 2.7 + 4.9 + 3.1).toFixed(1)} h`);
    const money = 345 * 1.32 + 15.6 * 27;
    expect(plain(all.money)).toBe(`${Math.round(money)} EUR`);
    const t12 = look(2026, "T12");
    expect(t12.worked.rows.map(({ key }) => key)).toEqual(["Spreading fertiliser, Spreader, 24 m"]);
    expect(plain(look(2026, "S4").worked.all!.figures.area)).toBe("79.50 ha");
    expect(look(2019).worked.all).toBeNull();
    expect(look(2026).years).toEqual([2026, 2025]);
  });

  it("says what went wrong and was found, what was proved, and what the winter is for", () => {
    const year = look(2026);
    expect(texts(year.wrong)).toContain("79.5 ha driven with a number that is another by now");
    expect(texts(year.wrong)).toContain("T13 away Thu 8 to Sat 17 Oct: broken down: hydraulic pump");
    expect(texts(year.proved)).toMatch(/Working width: off by .* Meadow drill/);
    expect(texts(year.winter)).toContain("Mowers, front and rear: The drive shaft's guard is damaged.");
    expect(texts(year.done)).toContain("Air filter, T12: 18 Sept 2026");
    // Done a year before: it stands there.
    expect(texts(year.done)).not.toContain("Engine oil and filter");
    expect(texts(look(2025).done)).toContain("Engine oil and filter");
    // Only what is about it.
    const t13 = look(2026, "T13");
    expect(texts(t13.wrong)).toContain("hydraulic pump");
    expect(texts(t13.winter)).not.toContain("Mowers");
    expect(texts(look(2025).wrong)).toContain("Electric drill");
  });

  it("tells what was done with a machine that is put away since, of it and of the yard", async () => {
    const sold = machine("T12");
    addPlanAway(
      yard.db,
      { machineId: sold.id, personId: null, from: "2026-06-01", to: "2026-06-04", why: "gearbox" },
      BY,
    );
    const lines = ({ wrong, done, winter }: ReturnType<typeof look>) => texts([...wrong, ...done, ...winter]);
    const before = lines(look(2026, "T12"));
    expect(before).toContain("T12 away");
    archiveMachine(yard.db, sold.id, true, BY);
    try {
      const year = { year: 2026, units: PRESETS.metric, now: NOW };
      expect(lines(yearView(yard.db, { ...year, machine: findMachine(yard.db, sold.id) }))).toBe(before);
      expect(lines(look(2026))).toContain("T12 away");
      const rig = listRigs(yard.db).find(({ tractor }) => tractor.id === sold.id)!;
      const open = await openRig(new Request(`http://localhost/rigs/${rig.id}`), String(rig.id));
      const due = seasonLines(open, new Date("2028-03-01T08:00:00Z"));
      expect(due.map(({ text }) => text).join()).toContain("Due on T12");
      expect(serviceHistory(yard.db, sold.id).length).toBeGreaterThan(0);
      expect(serviceHistory(yard.db, 99_999)).toEqual([]);
    } finally {
      archiveMachine(yard.db, sold.id, false, BY);
    }
  });

  it("is this year's where no other is asked for, and not found of a machine that is not there", async () => {
    const ask = (query: string) =>
      (loader as (sent: object) => Promise<{ view: { year: number } }>)({
        request: new Request(`http://localhost/year${query}`),
        params: {},
      });
    expect((await ask("?year=abc")).view.year).toBe(new Date().getUTCFullYear());
    await expect(ask("?machine=999")).rejects.toMatchObject({ status: 404 });
  });
});

describe("what the season says on the page a day begins with", () => {
  it("is what is planned with the rig, and what is due on its machines", async () => {
    const drill = listRigs(yard.db).find(({ name }) => name.startsWith("Electric drill"))!;
    const open = await openRig(new Request(`http://localhost/rigs/${drill.id}`), String(drill.id));
    const at = new Date("2026-09-22T08:00:00Z");
    expect(seasonLines(open, at).some(({ key }) => key.startsWith("plan"))).toBe(false);
    const block = {
      jobId: 1,
      job: "Sowing, Long Acre",
      field: "Long Acre",
      machineId: drill.tractor.id,
      machine: "T12",
      rigId: drill.id,
      rig: drill.name,
      days: [{ day: "2026-09-22", time: 3600, people: [{ name: "Ola Brannick", time: 3600 }] }],
      area: 1e5,
      pinned: false,
    };
    keepPlan(
      yard.db,
      {
        first: "2026-09-21",
        count: 28,
        blocks: [
          { ...block, from: "2026-09-20", to: "2026-09-21", job: "Over" },
          { ...block, from: "2026-09-22", to: "2026-09-23" },
          { ...block, from: "2026-09-25", to: "2026-09-25", job: "Later", rigId: drill.id },
          { ...block, from: "2026-09-25", to: "2026-09-25", job: "Another rig", rigId: drill.id + 1 },
        ],
        from: "0123456789abcdef",
        inside: 1,
        asked: 1,
        most: null,
        late: 0,
        rerig: 0,
      },
      { person: "Mira", at },
    );
    const lines = seasonLines(open, at).map(({ text }) => text);
    expect(lines[0]).toBe("Planned: Sowing, Long Acre, today, till Wed 23 Sept, Ola Brannick");
    expect(lines[1]).toContain("Later, Fri 25 Sept");
    expect(lines.join()).not.toMatch(/Over|Another rig/);
  });
});
