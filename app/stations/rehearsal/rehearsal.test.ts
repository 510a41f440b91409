import { describe, expect, it } from "vitest";
import { plantedYard } from "../../../data/demo/planted.ts";
import { listsOf } from "../../../data/sequences.ts";
import { sampleOpen } from "../frame/sample-open.server.ts";
import { rehearsalView } from "./rehearsal-view.ts";

const db = plantedYard();

const look = (name: string) => {
  const open = sampleOpen(db, name);
  const { id } = open.rig.implement;
  return rehearsalView(open, listsOf(db, [id]).get(id) ?? {});
};

describe("what a rehearsal needs", () => {
  it("is there for a tool that folds, on its own levers, by its own speeds", () => {
    const view = look("Roller cultivator")!;
    expect(view.has).toEqual(expect.arrayContaining(["wings", "jack"]));
    expect(view.levers.map(({ kind }) => kind)).toEqual(view.has);
    for (const { name, remote, ways } of view.levers) {
      expect(name).not.toBe("");
      expect(remote).toMatch(/^Remote \d|^Power beyond/);
      expect(new Set(ways).size).toBe(2);
    }
    for (const kind of view.has) {
      expect(view.speeds[kind]!.out).toBeGreaterThan(0);
      expect(view.speeds[kind]!.in).toBeGreaterThan(0);
    }
  });

  it("knows which function takes the jack's coupling over, and that this is a swap", () => {
    const view = look("Roller cultivator")!;
    expect(view.swaps).toBe(true);
    const [jack, other] = ["jack", view.onJack].map(
      (kind) => view.levers.find((lever) => lever.kind === kind)!.remote,
    );
    expect(other).toBe(jack);
  });

  it("begins with the jack, and has both lists to follow", () => {
    const view = look("Roller cultivator")!;
    expect(view.unfold[0]!.id).toMatch(/^jack/);
    expect(view.unfold.length).toBeGreaterThan(5);
    expect(view.fold.length).toBeGreaterThan(3);
  });

  it("is not there for what does not fold, or has no plan", () => {
    expect(look("Reversible plough")).toBeNull();
    expect(look("Borrowed drill")).toBeNull();
  });
});
