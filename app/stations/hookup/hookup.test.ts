import { v4 as uuid } from "uuid";
import { beforeEach, describe, expect, it } from "vitest";
import { type DimensionKey, unchanging } from "../../../core/dimension/catalogue.ts";
import { PRESETS } from "../../../core/quantity/units.ts";
import { gradeOf } from "../../../core/rig/grade.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { keepLending } from "../../../data/lending/loans.ts";
import { archiveMachine } from "../../../data/machines.ts";
import { keepReading } from "../../../data/readings.ts";
import { notHereOf } from "../frame/not-here.server.ts";
import { day } from "../frame/print.ts";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { hookupView } from "./hookup-view.server.ts";
import { keepCoupling, keepTicked } from "./keep-hookup.server.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = (name: string, units = PRESETS.metric) => sampleOpen(db, name, units);
const rows = (name: string, units = PRESETS.metric) => hookupView(open(name, units)).rows;

describe("the hook-up list", () => {
  it("cites the readings each line comes from, with who read them and the way there", () => {
    const cited = rows("Meadow drill").flatMap(({ cites }) => cites);
    expect(cited.length).toBeGreaterThan(5);
    for (const { label, value, who, href } of cited) {
      expect(label).not.toBe("");
      expect(value).not.toBe("");
      const key = new URL(href, "http://ambrek").searchParams.get("at") as DimensionKey;
      expect(href).toBe(`/rigs/3/${unchanging(key).station}?at=${key}`);
      const { instrument, person, measuredAt } = open("Meadow drill").resolved.values[key].reading!;
      expect(who).toBe(`${gradeOf(instrument)}, ${person}, ${day(measuredAt)}`);
    }
  });

  it("is ticked whole on the rig that is coupled, and says by whom and when", () => {
    const view = hookupView(open("Meadow drill"));
    expect(view.done).toBe(view.rows.filter(({ stop }) => !stop).length);
    expect(view.coupled!.said).toContain("Ilse Marrin");
    expect(view.open).toBeNull();
    expect(view.log[0]!.said).toMatch(/^Coupled /);
    expect(new Set(view.rows.map(({ lapsed }) => lapsed))).toEqual(new Set([null]));
  });

  it("loses a tick where the line it was made on reads otherwise now", () => {
    keepReading(db, open("Meadow drill").rig, {
      key: "hitch.pin",
      rawText: "28 mm",
      value: 0.028,
      step: 0.001,
      instrument: "tape",
      person: "Mira",
      at: new Date(),
    });
    const lapsed = rows("Meadow drill").filter((row) => row.lapsed !== null);
    expect(lapsed.length).toBeGreaterThan(0);
    expect(lapsed[0]!.lapsed!.replace(/\u00a0/g, " ")).toContain("30 mm");
    expect(lapsed[0]!.done).toBeNull();
  });

  it("holds a line back until what protects people before it is settled", () => {
    const list = rows("Grain drill");
    const [first, ...rest] = list.filter(({ protects }) => protects);
    expect(first!.held).toBeNull();
    expect(rest.some(({ held }) => held !== null)).toBe(true);
    const line = list.find(({ key }) => key === first!.key)!;
    const refusal = keepTicked(
      open("Grain drill"),
      sampleForm({ line: line.key, said: line.metric, state: "not applicable", reason: "" }),
      arrived(),
    );
    expect(refusal).toMatchObject({ ok: false });
  });

  it("couples nothing while a machine of the rig is archived or at another yard, and says which", () => {
    const { rig } = open("Meadow drill");
    const couple = (kind: string) =>
      keepCoupling(
        open("Meadow drill"),
        sampleForm({ id: uuid(), kind, instead: "", measuredAt: "", person: "Mira" }),
        arrived(),
      );
    expect(couple("uncoupled")).toMatchObject({ ok: true });
    archiveMachine(db, rig.implement.id, true, { person: "Mira", at: new Date() });
    expect(notHereOf(db, [open("Meadow drill").parts, open("Grain drill").parts])).toEqual([
      [
        {
          id: rig.implement.id,
          name: "D8 Tarnwick Rill 30",
          href: `/machines/${rig.implement.id}`,
          why: "archived",
          until: "until it is back in use",
        },
      ],
      [],
    ]);
    expect(couple("coupled")).toMatchObject({
      errors: {
        form: "D8 Tarnwick Rill 30 is archived: this rig is not coupled until it is back in use.",
      },
    });
    archiveMachine(db, rig.implement.id, false, { person: "Mira", at: new Date() });
    expect(couple("coupled")).not.toMatchObject({ errors: { form: expect.stringContaining("archived") } });
    // At another yard it is as little there as put away, until it is said to be back.
    const told = (at: string) => ({ person: "Mira", at: new Date(at) });
    const loan = { there: "Lindhof", here: "Höfe am Bach" };
    keepLending(db, rig.implement.id, { way: "out", ...loan, loan: "a" }, told("2026-11-12T08:00:00Z"));
    expect(couple("coupled")).toMatchObject({
      errors: {
        form: "D8 Tarnwick Rill 30 is lent to Lindhof since 12 Nov 2026: this rig is not coupled until it is here again.",
      },
    });
    keepLending(db, rig.implement.id, { way: "back", ...loan, loan: "a" }, told("2026-11-14T08:00:00Z"));
    expect(notHereOf(db, [open("Meadow drill").parts])).toEqual([[]]);
    // Another's that came and went back is there as long as it is here.
    keepLending(db, rig.implement.id, { way: "in", ...loan, loan: "b" }, told("2026-11-15T08:00:00Z"));
    expect(notHereOf(db, [open("Meadow drill").parts])).toEqual([[]]);
    keepLending(db, rig.implement.id, { way: "back", ...loan, loan: "b" }, told("2026-11-16T08:00:00Z"));
    expect(notHereOf(db, [open("Meadow drill").parts])[0]).toMatchObject([
      { why: "back at Lindhof on 16 Nov 2026" },
    ]);
  });

  it("is ticked in feet and inches on the line it is kept by in metres", () => {
    const line = rows("Grain drill", PRESETS.us)[0]!;
    const kept = keepTicked(
      open("Grain drill", PRESETS.us),
      sampleForm({ line: line.key, said: line.metric, state: "done", reason: "" }),
      arrived(),
    );
    expect(kept).toMatchObject({ ok: true });
    expect(rows("Grain drill")[0]!.done!.said).toContain("Mira");
    expect(rows("Grain drill", PRESETS.us)[0]!.done).not.toBeNull();
  });

  it("asks for every tool of a train, each by its name", () => {
    const text = rows("Cart, drill and roller")
      .map((row) => row.text)
      .join("\n");
    for (const tool of ["Wexcombe Hopper 45", "Sorrick Wide 90", "Tessbury Press 92"])
      expect(text).toContain(tool);
  });
});
