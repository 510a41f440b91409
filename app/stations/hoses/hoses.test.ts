import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { beforeEach, describe, expect, it } from "vitest";
import { inWords } from "../../../core/quantity/said.ts";
import { PRESETS } from "../../../core/quantity/units.ts";
import { plantedYard } from "../../../data/demo/planted.ts";
import type { Database } from "../../../data/handle.ts";
import { addRemote, planOf, remotesOf, setHydraulics } from "../../../data/hoses.ts";
import { BY } from "../../../data/sample-told.ts";
import { tagsPdf } from "../../pdf/tags-pdf.server.tsx";
import { arrived, sampleForm, sampleOpen } from "../frame/sample-open.server.ts";
import { hosesView } from "./hoses-view.ts";
import { keepPin, keepPlugged, keepUnpinned } from "./keep-hoses.server.ts";
import { tagsView } from "./tags-view.ts";

let db: Database;
beforeEach(() => {
  db = plantedYard();
});

const open = (name: string) => sampleOpen(db, name);
function view(name: string, query: { stage?: string; fn?: string } = {}, units = PRESETS.metric) {
  const rig = sampleOpen(db, name, units);
  return hosesView({
    whole: rig.whole,
    hoses: rig.judged.reckoned.hoses,
    units,
    stage: query.stage ?? null,
    fn: query.fn ?? null,
    hrefOf: (asked) =>
      `?${new URLSearchParams(Object.entries(asked).map(([key, value]) => [key, value ?? ""]))}`,
    kept: planOf(db, rig.rig)?.places ?? null,
  });
}
const idOf = (name: string, fn: string) =>
  open(name).whole.hoses.functions.find((each) => each.name === fn)!.id;
const plain = (text: string) => text.replace(/\u00a0/g, " ");
const placesIn = (name: string) =>
  Object.fromEntries(view(name).board!.rows.map((row) => [row.name, row.where]));

describe("five circuits on four remotes", () => {
  const ROLLER = "Roller cultivator";
  it("swap the jack out before unfolding and back before uncoupling, and say how", () => {
    const { swaps, phases } = view(ROLLER);
    expect(swaps.map(({ before }) => before)).toEqual(["Before unfolding", "Before uncoupling"]);
    expect(swaps[0]!.words).toBe(
      "Park; leave parking jack or stand stowed, its tap shut. Engine off, relieve both lines, then take parking jack or stand off remote 1 and plug front lift in.",
    );
    const [first] = phases;
    expect(first!.cells.map((cell) => cell && `${cell.name}${cell.swapped ? " swapped" : ""}`)).toEqual([
      "Parking jack or stand",
      null,
      "Front lift swapped",
      "Front lift",
      "Parking jack or stand swapped",
    ]);
  });

  it("are drawn each on its coupling, the jack nowhere while the field is worked", () => {
    const { board } = view(ROLLER);
    expect(placesIn(ROLLER)).toMatchObject({
      "Parking jack or stand": "not used now",
      "Front lift": "remote 1",
    });
    const { sheet } = board!;
    expect(sheet.hoses).toHaveLength(4);
    for (const hose of sheet.hoses) expect(sheet.columns.map(({ x }) => x)).toContain(hose.x);
    expect(view(ROLLER, { stage: "0" }).board!.rows[0]!.where).toBe("remote 1");
  });

  it("take as long as volume over flow: π/4 · (100 mm)² · 300 mm · 2 at 40 l/min is 7.1 s", () => {
    const lift = view(ROLLER).times.find(({ name, phase }) => name === "Front lift" && phase === "Headland")!;
    expect(plain(lift.time)).toBe("7.1 s out, 5.3 s in");
    expect(plain(lift.flow)).toBe("40 l/min");
  });

  it("say of every coupling what it would cost there, or why not", () => {
    const { open: wings } = view(ROLLER, { fn: String(idOf(ROLLER, "Wings")) });
    expect(wings!.choices.map(({ can }) => can)).toEqual([true, true, true, true]);
    expect(wings!.choices.filter(({ now }) => now)).toHaveLength(1);
    expect(wings!.choices.find(({ now }) => now)!.said).toMatch(/^Chosen: .*it has float/);
    expect(wings!.choices[0]!.said).toMatch(/more/);
  });

  it("are solved anew round a pin, and again without it", () => {
    const before = placesIn(ROLLER);
    const remote = remotesOf(db, [open(ROLLER).rig.tractor.id]).get(open(ROLLER).rig.tractor.id)![3]!;
    const wings = idOf(ROLLER, "Wings");
    const kept = keepPin(
      open(ROLLER),
      sampleForm({ function: String(wings), remote: String(remote.id) }),
      arrived(),
    );
    expect(kept).toMatchObject({ ok: true, kept: { said: "Wings: pinned to remote 4" } });
    expect(placesIn(ROLLER)).toMatchObject({ Wings: "remote 4" });
    expect(view(ROLLER)).toMatchObject({ pinned: 1, refused: null });
    keepUnpinned(open(ROLLER), sampleForm({}), arrived());
    expect(placesIn(ROLLER)).toEqual(before);
  });

  it("refuse a pin to what is not there", () => {
    const wings = String(idOf(ROLLER, "Wings"));
    expect(keepPin(open(ROLLER), sampleForm({ function: "999", remote: "1" }), arrived()).ok).toBe(false);
    expect(keepPin(open(ROLLER), sampleForm({ function: wings, remote: "999" }), arrived()).ok).toBe(false);
    expect(
      keepPin(
        open("Planter"),
        sampleForm({ function: String(idOf("Planter", "Fan")), remote: "0" }),
        arrived(),
      ),
    ).toMatchObject({
      ok: false,
      errors: { form: expect.stringContaining("power beyond") },
    });
    expect(view(ROLLER).pinned).toBe(0);
  });
});

describe("hose tags", () => {
  const tags = (name: string) => {
    const { rig, whole, judged } = open(name);
    return tagsView(rig.name, whole, judged.reckoned.hoses)!.tags.map(({ code, name: of, way, note }) =>
      [code, of, way, note].filter(Boolean).join(", "),
    );
  };
  it("number and letter both ends, with what each port does and what is swapped", () => {
    expect(tags("Roller cultivator").slice(0, 4)).toEqual([
      "1A, Parking jack or stand, down, swapped: goes on for standing up",
      "1B, Parking jack or stand, up, swapped: goes on for standing up",
      "1A, Front lift, raise, swapped: goes on for field work",
      "1B, Front lift, lower, swapped: goes on for field work",
    ]);
  });
  it("give a motor its return and leak line, and a single-acting hose no second", () => {
    const planter = tags("Planter").join("\n");
    expect(planter).toMatch(/4A, Fan, runs\n4R, Fan, free return\n4L, Fan, leak line, no pressure/);
    expect(planter).toMatch(/PA, Generator, runs\nPR, Generator, free return/);
    expect(planter).toMatch(/1A, Downforce, presses down$/);
  });
  it("are on paper twice, with every sign the font has", async () => {
    const { rig, whole, judged } = open("Roller cultivator");
    const bytes = new Uint8Array(await tagsPdf(tagsView(rig.name, whole, judged.reckoned.hoses)!));
    const paper = await getDocument({ data: bytes }).promise;
    const pages = await Promise.all(
      Array.from({ length: paper.numPages }, async (_, at) => (await paper.getPage(at + 1)).getTextContent()),
    );
    const text = pages.flatMap(({ items }) => items.map((item) => ("str" in item ? item.str : ""))).join(" ");
    expect(text.match(/\b3A\b/g)).toHaveLength(2);
    expect(text).toContain("swapped: goes on for field work");
    expect(text).toContain("implement end");
  });
  it("are there only where there is a plan", () => {
    const { rig, whole, judged } = open("Seed cart");
    expect(tagsView(rig.name, whole, judged.reckoned.hoses)).toBeNull();
  });
});

describe("one circuit too many", () => {
  const TRAIN = "Seed cart";
  it("names the cures, and each of them is one", () => {
    const { refused, phases } = view(TRAIN);
    expect(phases).toEqual([]);
    expect(refused!.map(({ cure }) => cure)).toEqual(["Use a port for power beyond", "Have one more remote"]);
    for (const { after } of refused!) expect(after).toMatch(/nothing is swapped/);
    const { tractor } = open(TRAIN).rig;
    setHydraulics(db, tractor.id, { powerBeyond: true }, BY);
    expect(view(TRAIN).refused).toBeNull();
    expect(placesIn(TRAIN)["Cart's fan"]).toBe("power beyond");
    setHydraulics(db, tractor.id, { powerBeyond: false }, BY);
    const { id: _, ...like } = remotesOf(db, [tractor.id]).get(tractor.id)![0]!;
    addRemote(db, tractor.id, { ...like, number: 5 }, BY);
    expect(view(TRAIN).refused).toBeNull();
  });

  it("names the tool of each function where there are several", () => {
    expect(view(TRAIN).board!.rows.map(({ tool }) => tool)).toContain("Wexcombe Hopper 32");
  });
});

describe("a plan that is kept", () => {
  it("is what the tractor's other rigs are held to, and says which gave way", () => {
    expect(keepPlugged(open("Roller cultivator"), sampleForm({ person: "" }), arrived())).toMatchObject({
      ok: false,
      errors: { person: "Say who you are." },
    });
    const { rig } = open("Roller cultivator");
    const [, , , last] = remotesOf(db, [rig.tractor.id]).get(rig.tractor.id)!;
    const pin = (name: string, fn: string) =>
      keepPin(
        open(name),
        sampleForm({ function: String(idOf(name, fn)), remote: String(last!.id) }),
        arrived(),
      );
    pin("Roller cultivator", "Wings");
    expect(keepPlugged(open("Roller cultivator"), sampleForm({}), arrived()).ok).toBe(true);
    expect(view("Roller cultivator").kept).toBe(true);
    setHydraulics(db, rig.tractor.id, { powerBeyond: true }, BY);
    // The drill's wings go where the cultivator's are, by themselves.
    expect(placesIn("Seed cart").Wings).toBe("remote 4");
    pin("Seed cart", "Markers");
    expect(view("Seed cart").preferences.join(" ")).toContain(
      "on the tractor's other rigs it is on remote 4",
    );
  });

  it("cannot be kept where there is none", () => {
    expect(keepPlugged(open("Seed cart"), sampleForm({}), arrived()).ok).toBe(false);
  });
});

describe("what is not told", () => {
  it("is open, not good; nothing to move is good", () => {
    expect(view("Borrowed").board).toBeNull();
    const said = (name: string) =>
      open(name)
        .judged.checks.filter(({ station }) => station === "hoses")
        .map(({ verdict, said: words }) => `${verdict}: ${inWords(words, PRESETS.metric)}`)
        .join("\n");
    expect(said("Borrowed")).toMatch(/unknown: .*functions not entered/);
    expect(said("Stubble")).toMatch(/good: Nothing here moves by the tractor's oil/);
  });

  it("reads in the operator's units", () => {
    const { times, oil, board } = view("Roller cultivator", {}, PRESETS.us);
    expect(plain(times[0]!.flow)).toBe("5.3 gal/min");
    expect(plain(oil)).toMatch(/2\.5 gal of the tractor's oil/);
    expect(board!.facts.map(({ text }) => plain(text))).toContain("2973 psi");
  });
});
