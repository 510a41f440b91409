import { describe, expect, it } from "vitest";
import { PRESETS, type Units } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import { sampleOpen } from "../frame/sample-open.server.ts";
import { balanceView } from "./balance-view.ts";

const db = plantedYard();

const look = (name: string, state: string | null = null, units: Units = PRESETS.metric) => {
  const { whole, judged, index } = sampleOpen(db, name, units);
  const view = balanceView({
    whole,
    index,
    loads: judged.reckoned.balance,
    units,
    state,
    hrefOf: (each) => `?state=${each}`,
    title: name,
  });
  return JSON.parse(JSON.stringify(view).replace(/\u00a0/g, " ")) as typeof view;
};
const kilos = (text: string) => Number.parseFloat(text);

describe("what stands on each axle", () => {
  it("adds up to the whole in every state of every rig, but for what a tool carries itself", () => {
    for (const name of ["Stubble", "Mowers", "Combine", "Sprayer", "Front boom", "Reversible plough"])
      for (const { front, rear, total, tools } of look(name).states) {
        const carried = tools === "" ? 0 : tools.split(", ").reduce((sum, each) => sum + kilos(each), 0);
        expect(Math.abs(kilos(front) + kilos(rear) + carried - kilos(total)), name).toBeLessThan(2.5);
      }
  });

  it("shows the state that is most wrong, unless another is asked for", () => {
    const view = look("Stubble");
    const shown = view.states.find(({ now }) => now)!;
    expect(shown.wrong.front).toBe(true);
    const other = view.states.find(({ now }) => !now)!;
    expect(look("Stubble", other.id).states.find(({ now }) => now)!.id).toBe(other.id);
    expect(look("Stubble", "no such state").states.find(({ now }) => now)!.id).toBe(shown.id);
    expect(shown.href).toBe(`?state=${shown.id}`);
  });

  it("names the axles the way the machine steers", () => {
    expect(look("Stubble").heads).toEqual({ front: "Front axle", rear: "Rear axle" });
    expect(look("Combine").heads.front).toContain("Steered");
    expect(look("Combine").tyres.map(({ axle }) => axle)).toContain("Drive");
  });

  it("proposes plates of the stock, and says what the book's rule asks for", () => {
    const view = look("Stubble");
    expect(view.weights[0]).toMatchObject({ count: 8, fitted: 0, wanted: 4 });
    expect(view.weights[0]!.place).toBe("3.710 m ahead of the rear axle");
    expect(view.proposal).toContain("4 × front plate 42 kg");
    expect(view.manual[0]).toContain("for 20 % on the front axle");
  });

  it("looks tyres up by load and speed, and says where no table was given", () => {
    const view = look("Cart, drill and roller");
    expect(view.states).toEqual([]);
    expect(view.tyres).toEqual([]);
    expect(look("Seed cart").tyres[0]!.tyre).toContain("2 × 480/65 R28");
    for (const { field, road } of look("Stubble").tyres) {
      expect(field).not.toBe("–");
      expect(road).not.toBe("–");
    }
  });

  it("draws one arrow an axle, to one scale, and writes pounds where they are chosen", () => {
    const { desk, phone } = look("Stubble").drawing;
    expect(desk.arrows!.length).toBeGreaterThanOrEqual(2);
    expect(phone.height).toBe(236);
    expect(look("Stubble", null, PRESETS.us).states[0]!.front).toMatch(/ lb$/);
  });

  it("says of each axle by what it presses the ground, and what is missing where it cannot", () => {
    const { pressed } = look("Electric drill");
    const rear = pressed.find(({ axle }) => axle === "Rear")!.given!;
    // 8164 kg lifted and full on two tyres, gauged at 1.4 bar; its table wants 1.15 in the field.
    expect(rear.load).toBeCloseTo(4082, 0);
    expect(rear.pressure).toBeCloseTo(1.4e5, 0);
    expect(rear.least! / 1e5).toBeCloseTo(1.15, 2);
    expect(rear.half).toBeLessThan(rear.load);
    const bare = look("Seed cart").pressed.find(({ axle }) => axle.includes("Wide 60"))!;
    expect(bare).toEqual({ axle: bare.axle, given: null, missing: "No tyre table is given." });
  });
});
