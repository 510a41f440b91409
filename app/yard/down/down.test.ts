import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { PRESETS } from "../../../core/quantity/units.ts";
import { keepEvent } from "../../../data/hookup.ts";
import { keepLending } from "../../../data/lending/loans.ts";
import { listMachines } from "../../../data/machines.ts";
import { planAways, planJobs } from "../../../data/plan.ts";
import { markOf } from "../../../data/record.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { action, loader } from "../../routes/down.tsx";
import { loader as errandsLoader } from "../../routes/errands.tsx";
import { openSampleYard, type SampleYard } from "../../routes/sample-yard.ts";
import { type DownView, downView } from "./down-view.server.ts";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const machine = (fleet: string) => listMachines(yard.db).find(({ fleetNumber }) => fleetNumber === fleet)!;
const rig = (name: string) => listRigs(yard.db).find((each) => each.name.startsWith(name))!;
const look = (fleet: string, name: string): DownView =>
  downView(yard.db, machine(fleet), String(rig(name).id), PRESETS.metric);
const take = async (fleet: string, fields: Record<string, string>) => {
  const body = new FormData();
  for (const [name, value] of Object.entries({ from: "", until: "", why: "", ...fields }))
    body.set(name, value);
  const params = { machineId: String(machine(fleet).id) };
  const request = new Request(`http://localhost/machines/${params.machineId}/down`, { method: "POST", body });
  return (action as (sent: object) => Promise<unknown>)({ request, params, context: {} });
};

describe("a tractor that is down", () => {
  it("names who carries its tool, the quickest first, and what stops each of the others", () => {
    const { carriers, without, off, anyway } = look("T12", "Electric drill");
    const able = carriers.filter(({ stops }) => stops.length === 0);
    const stopped = carriers.filter(({ stops }) => stops.length > 0);
    expect(able.length).toBeGreaterThan(0);
    // Those nothing stops stand before the others.
    expect(carriers.slice(0, able.length)).toEqual(able);
    // T4 is too light in front for it: by the balance, not by a list.
    expect(stopped.map(({ name }) => name)).toContain("T4");
    expect(stopped.find(({ name }) => name === "T4")!.stops[0]!.what).toContain("front axle");
    // What stands against the drill on its own tractor is no fault of another.
    expect(anyway.join(" ")).toContain("The terminal believes");
    expect(carriers.flatMap(({ stops }) => stops.map(({ what }) => what)).join(" ")).not.toContain(
      "believes",
    );
    // A combine, a sprayer: nothing to hang it on.
    expect(without.map(({ name }) => name).sort()).toEqual(["K1", "P1", "P2"]);
    expect(without[0]!.why).toContain("rear three-point");
    expect(off!.lines).toEqual(["Sorrick Volt 40 off."]);
    // What was set on the links of the old tractor is not known of the new pair.
    expect(able[0]!.unknown.length).toBeGreaterThan(3);
  });

  it("counts from what is coupled to the other now", () => {
    const before = look("T12", "Electric drill").carriers.find(({ name }) => name === "T9")!;
    keepEvent(yard.db, rig("Meadow drill").id, "uncoupled", {
      person: "Mira",
      at: new Date("2026-11-01T08:00:00Z"),
    });
    const after = look("T12", "Electric drill").carriers.find(({ name }) => name === "T9")!;
    expect(before.carries).toBe("Meadow drill, 3 m");
    expect(after.carries).toBeNull();
    expect(before.lines.length).toBe(after.lines.length + 1);
  });

  it("has nothing carried by a machine that is lent, nor a tool that is", async () => {
    const lend = (id: number) =>
      keepLending(
        yard.db,
        id,
        { way: "out", there: "Sill Farm", here: "Home", until: "" },
        { person: "Mira", at: new Date("2026-11-01T08:00:00Z") },
      );
    const drill = rig("Electric drill");
    const [first] = look("T12", "Electric drill").carriers;
    lend(first!.id);
    const { carriers, notHere, without } = look("T12", "Electric drill");
    expect(carriers.map(({ id }) => id)).not.toContain(first!.id);
    expect(carriers.length).toBeGreaterThan(0);
    expect(without.length).toBe(3);
    expect(notHere).toMatchObject([{ id: first!.id, why: "lent to Sill Farm since 1 Nov 2026" }]);
    const mark = markOf(yard.db);
    const wanted = { rig: String(drill.id), other: String(first!.id) };
    expect(((await take("T12", wanted)) as { errors: { form: string } }).errors.form).toContain(
      "lent to Sill Farm since 1 Nov 2026: it does not take over until it is here again.",
    );
    expect(markOf(yard.db)).toBe(mark);

    const other = String(carriers[0]!.id);
    lend(toolsOf(yard.db, drill.id)[0]!.implement.id);
    const toolAway = look("T12", "Electric drill");
    expect(toolAway.carriers).toEqual([]);
    expect(toolAway.anyway[0]).toContain(
      "is lent to Sill Farm since 1 Nov 2026: nothing carries it until it is here again.",
    );
    expect(
      ((await take("T12", { rig: String(drill.id), other })) as { errors: { form: string } }).errors.form,
    ).toContain("lent to Sill Farm");
  });

  it("writes nothing while it is looked at", async () => {
    const mark = markOf(yard.db);
    look("T12", "Electric drill");
    expect(markOf(yard.db)).toBe(mark);
    const gone = (loader as (sent: object) => Promise<unknown>)({
      request: new Request("http://localhost/machines/12/down"),
      params: { machineId: String(machine("H2").id) },
    });
    await expect(gone).rejects.toMatchObject({ status: 404 });
  });

  it("makes the rig in one press: speed and depth go along, the plan goes without the tractor, errands are listed", async () => {
    const [old, other] = [rig("Cart, drill and roller"), machine("T12")];
    const answer = (await take("T13", {
      rig: String(old.id),
      other: String(other.id),
      from: "2026-10-08",
      until: "2026-10-17",
      why: "pump",
    })) as Response;
    expect(answer.status).toBe(302);
    const made = rig("Cart, drill and roller, 9 m, on T12");
    expect(answer.headers.get("Location")).toBe(`/rigs/${made.id}/errands`);
    const parts = toolsOf(yard.db, made.id);
    expect(parts.map(({ implement }) => implement.id)).toEqual(
      toolsOf(yard.db, old.id).map((part) => part.implement.id),
    );
    expect(parts.map(({ attachment }) => attachment)).toEqual(["drawn", "train", "third"]);
    expect(planAways(yard.db).filter(({ why }) => why === "pump")).toMatchObject([
      { from: "2026-10-08", to: "2026-10-17" },
    ]);
    const barley = planJobs(yard.db).find(({ name }) => name.startsWith("Sowing barley"))!;
    expect(barley.rigs).toContain(made.id);
    const { errands } = await (
      errandsLoader as (
        sent: object,
      ) => Promise<{ errands: { lines: string[]; readings: unknown[]; stops: { what: string }[] } }>
    )({
      request: new Request(`http://localhost/rigs/${made.id}/errands`),
      params: { rigId: String(made.id) },
    });
    expect(errands.lines.join(" ")).toContain("Wexcombe Hopper 45 on.");
    expect(errands.readings.length).toBeGreaterThan(0);
    // A second press makes no second rig.
    const again = (await take("T13", { rig: String(old.id), other: String(other.id) })) as Response;
    expect(again.headers.get("Location")).toBe(`/rigs/${made.id}/errands`);
  });

  it("refuses what cannot be, and changes nothing", async () => {
    const old = String(rig("Cart, drill and roller").id);
    const mark = markOf(yard.db);
    for (const fields of [
      { rig: "999", other: String(machine("T12").id) },
      { rig: old, other: String(machine("T13").id) },
      { rig: old, other: String(machine("H2").id) },
      { rig: old, other: String(machine("P1").id) },
      { rig: old, other: "x" },
      { rig: old, other: String(machine("T12").id), from: "2026-10-08", until: "2026-10-01" },
      { rig: old, other: String(machine("T12").id), until: "2026-02-31" },
    ])
      expect(Object.keys(((await take("T13", fields)) as { errors: object }).errors).length).toBeGreaterThan(
        0,
      );
    expect(markOf(yard.db)).toBe(mark);
  });
});
