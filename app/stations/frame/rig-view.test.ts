import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { ATTACHMENTS } from "../../../core/dimension/attachment.ts";
import { listRigs, toolsOf } from "../../../data/rigs.ts";
import { readWritten } from "../../drawing/written.ts";
import { openSampleYard, type SampleYard } from "../../routes/sample-yard.ts";
import { firstStation, frameOf, openRig, rigOr404, viewFrom } from "./rig-view.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const at = (path: string) => new Request(`http://yard.test${path}`);
const open = (id: number, query = "") => openRig(at(`/rigs/${id}/tool${query}`), String(id));
const frame = async (id: number, query = "", own = false) => {
  const view = frameOf(await open(id, query), "tool", at(`/rigs/${id}/tool${query}`), { ownDrawing: own });
  return { ...view, drawn: view.drawn && readWritten(view.drawn) };
};

describe("a rig that is opened", () => {
  it("is not found by what is no number, or no rig", async () => {
    for (const id of ["99", "abc", "-1", "1.5", "", "12345678901"])
      await expect(openRig(at(`/rigs/${id}/tool`), id), id).rejects.toMatchObject({ status: 404 });
    expect(() => rigOr404(yard.db, "99")).toThrow();
    expect(rigOr404(yard.db, "3").name).toBe("Meadow drill, 3 m");
  });

  it("is seen from the first tool that works the field, not from the cart ahead of it", async () => {
    const train = await open(6);
    expect(train.rig.implement.model).toBe("Wide 60");
    expect(train.index).toBe(1);
    const long = await open(12);
    expect(long.rig.attachment).toBe("train");
  });

  it("is seen from the tool the address names, and from none that is not its own", async () => {
    const [cart, , roller] = toolsOf(yard.db, 12);
    expect((await open(12, `?tool=${cart!.couplingId}`)).index).toBe(0);
    expect((await open(12, `?tool=${roller!.couplingId}`)).rig.attachment).toBe("third");
    const other = toolsOf(yard.db, 6)[0]!.couplingId;
    expect((await open(12, `?tool=${other}`)).index).toBe(1);
    expect((await open(12, "?tool=nonsense")).index).toBe(1);
  });

  it("has the findings of the tool in view apart from those of the whole", async () => {
    const seen = await open(12);
    expect(seen.findings.some(({ severity }) => severity === "stop")).toBe(true);
    expect(seen.cardFindings).toEqual([]);
    const roller = viewFrom(seen, 2);
    expect(roller.cardFindings.map(({ id }) => id)).toEqual(["missing:train.second:3"]);
    expect(roller.findings).toBe(seen.findings);
  });

  it("leads first to where a stop is, with the tool it is at; else to where the walk-round begins", async () => {
    const to = async (id: number) => firstStation(await open(id)).headers.get("Location");
    expect(await to(2)).toMatch(/^\/rigs\/2\/tool/);
    expect(await to(12)).toBe(`/rigs/12/antenna?tool=${toolsOf(yard.db, 12)[2]!.couplingId}`);
    expect(await to(3)).toBe("/rigs/3/match");
  });
});

describe("what stands round a station", () => {
  it("names the rig, and its tools where there are several, each with how it hangs and its own way here", async () => {
    const { rig, tools } = await frame(5, "?at=tool.width&view=side");
    expect(rig).toMatchObject({
      name: "Mowers, front and rear",
      tractor: "Oxmoor 150 F",
      implement: "Pellworth Blade 30 F and Pellworth Blade 31 R",
    });
    expect(rig.identity).toContain("M1 no. PB30F-0226");
    expect(tools.map(({ how, now }) => [how, now])).toEqual([
      ["mounted in front", true],
      ["mounted behind", false],
    ]);
    expect(tools[1]!.href).toMatch(/^\/rigs\/5\/tool\?view=side&tool=\d+$/);
    expect((await frame(1)).tools).toEqual([]);
  });

  it("has a peg for every station, in order, and counts the stops", async () => {
    const { pegs, stops } = await frame(2);
    expect(pegs.map(({ key }) => key)).toEqual(
      expect.arrayContaining(["match", "hitch", "hoses", "balance", "antenna", "tool", "proof", "card"]),
    );
    expect(stops).toBe(2);
    expect(pegs.find(({ key }) => key === "tool")!.word).toContain("stop");
    expect((await frame(3)).stops).toBe(0);
  });

  it("is drawn from above, the side or behind, and not at all where the station draws itself", async () => {
    expect((await frame(3)).drawn!.desk.travel).toBe("up");
    expect((await frame(3, "?view=side")).drawn!.desk.travel).toBe("right");
    expect((await frame(3, "?view=rear")).drawn!.desk.travel).toBe("away");
    expect((await frame(3, "?view=upside")).view).toBe("plan");
    expect((await frame(3, "", true)).drawn).toBeNull();
  });

  it("on a phone lights the one reading that is open", async () => {
    const { drawn } = await frame(3, "?at=tool.width");
    expect(drawn!.phone.marks.map(({ target }) => target)).toEqual(["tool.width"]);
    expect(drawn!.desk.marks.length).toBeGreaterThan(5);
  });

  it("keeps every drawing of every tool on its sheet, from all sides", async () => {
    for (const { id } of listRigs(yard.db))
      for (const { couplingId, attachment } of toolsOf(yard.db, id))
        for (const view of ["plan", "side", "rear"]) {
          const { drawn } = await frame(id, `?tool=${couplingId}&view=${view}`);
          for (const { width, height, points, scale } of [drawn!.desk, drawn!.phone]) {
            const told = `${id} ${ATTACHMENTS[attachment].label} ${view}`;
            expect(scale, told).toBeGreaterThan(0);
            for (const { x, y } of points) {
              expect(Number.isFinite(x) && Number.isFinite(y), told).toBe(true);
              if (drawn!.desk.width === width) {
                expect(x, told).toBeGreaterThan(-1);
                expect(x, told).toBeLessThan(width + 1);
                expect(y, told).toBeLessThan(height + 1);
              }
            }
          }
        }
  });
});

describe("the walk-round", () => {
  it("leads to a page of the rig for every station it names", async () => {
    const { pegs } = await frame(3);
    for (const { key, href } of pegs) expect(href, key).toMatch(/^\/rigs\/3\//);
    expect(new Set(pegs.map(({ href }) => href)).size).toBe(pegs.length);
  });
});
