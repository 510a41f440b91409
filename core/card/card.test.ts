import { describe, expect, it } from "vitest";
import type { Attachment } from "../dimension/attachment.ts";
import type { DimensionKey } from "../dimension/catalogue.ts";
import { judge } from "../finding/judge.ts";
import { METRES_PER } from "../quantity/length.ts";
import { PRESETS } from "../quantity/units.ts";
import type { Instrument } from "../rig/grade.ts";
import { resolveRig } from "../rig/resolve.ts";
import { sampleFacts, sampleReading, sampleRig } from "../rig/sample.ts";
import { fillCard, MACHINE_DISPLAY } from "./fill.ts";
import { freeze, retype } from "./numbered.ts";
import { USUAL_ORDER } from "./order.ts";
import { compareShown } from "./read-back.ts";
import type { Scheme, SchemeLine } from "./scheme.ts";
import { SHIPPED_SCHEMES, shippedOf } from "./shipped.ts";

const scheme = (id: string) => SHIPPED_SCHEMES.find((each) => each.id === id)!;
const card = (
  id: string,
  lengths: Partial<Record<DimensionKey, number | null>> = {},
  instruments: Partial<Record<DimensionKey, Instrument>> = {},
) => {
  const rig = sampleRig(lengths, instruments);
  return fillCard(scheme(id), rig, judge(rig), PRESETS.metric, []);
};
const typed = (id: string) =>
  Object.fromEntries(
    card(id).lines.map(({ label, figure, unit, word }) => [
      label,
      [figure, unit, word].filter(Boolean).join(" "),
    ]),
  );

describe("the same rig in each terminal's terms", () => {
  it("from the axle, in metres, with words for sides", () => {
    expect(typed("axle-m")).toEqual({
      "Axle to receiver": "1.73 m ahead",
      "Receiver, side": "0.02 m left",
      "Receiver height": "2.94 m",
      "Axle to connection": "1.04 m behind",
      "Connection type": "drawbar",
      "Connection to working edge, front": "4.18 m behind",
      "Connection to working edge, rear": "4.50 m behind",
      "Connection to wheels": "5.26 m behind",
      "Side offset": "0.03 m right",
      "Working width": "4.50 m",
      "Number of sections": "3",
      "Width of section 1 to 3": "1.50 m",
      "Switch-on delay": "0.00 s",
      "Switch-off delay": "0.00 s",
      "Line spacing": "4.50 m",
    });
  });

  it("from the hitch, in inches, behind counted as minus", () => {
    // by hand: 5.26/0.0254 = 207.087; (4.18+4.50)/2 = 4.34 → 170.866; 4.5/2 − 0.025 = 2.225 → 87.598;
    // 4.5 → 177.165; 1.04 + 1.73 = 2.77 → 109.055; −0.015 → −0.591; 2.94 → 115.748
    expect(typed("hitch-in")).toEqual({
      "Connection type": "drawbar",
      "Axle type": "rigid",
      "Hitch to pivot": "−207.1 in",
      "Hitch to working point": "−170.9 in",
      "Middle from the left edge": "87.6 in",
      "Working width": "177.2 in",
      "Overall width": "177.2 in",
      "Number of rows": "30",
      "Row spacing": "5.9 in",
      "Number of sections": "3",
      "Rows in section 1 to 3": "10",
      "Switch-on delay": "0.00 s",
      "Switch-off delay": "0.00 s",
      "Line spacing": "177.2 in",
      "Hitch to receiver": "109.1 in",
      "Receiver to the right of centre": "−0.6 in",
      "Receiver height": "115.7 in",
    });
  });

  it("has no side where the figure is zero", () => {
    const line = card("axle-m", { "tool.lateral": 0.001 }).lines.find((each) => each.label === "Side offset");
    expect(line).toMatchObject({ figure: "0.00", word: "" });
  });

  it("carries the chain and the rounding behind each figure", () => {
    const line = card("hitch-m").lines.find((each) => each.label === "Hitch to receiver")!;
    expect(line.chain!.links.map((link) => link.key)).toEqual(["axle.pin", "receiver.foreAft"]);
    expect(line.derivation).toBe("drawbar pin to receiver, forward is +");
    const side = card("axle-m").lines.find((each) => each.label === "Receiver, side")!;
    expect(side.rounding).toBeCloseTo(0.005, 9);
  });

  it("never rounds by more than half the last place", () => {
    for (const each of SHIPPED_SCHEMES)
      for (const { rounding, form } of card(each.id).lines)
        if (rounding !== null && form.kind === "length") {
          const step = METRES_PER[form.unit as keyof typeof METRES_PER] * 10 ** -form.decimals;
          expect(Math.abs(rounding)).toBeLessThanOrEqual(step / 2 + 1e-9);
        }
  });
});

describe("what keeps a figure off the card", () => {
  it("is a stop on any link, with its reason", () => {
    const filled = card("axle-m", { "pin.workFront": 0 }, { "pin.workFront": "book" });
    expect(filled.ready).toBe(false);
    expect(filled.stops.map((stop) => stop.id)).toEqual(["zero:pin.workFront"]);
    const line = filled.lines.find((each) => each.label === "Connection to working edge, front")!;
    expect(line.figure).toBeNull();
    expect(line.blockedBy).toContain("nobody measured it");
    expect(filled.lines.find((each) => each.label === "Axle to receiver")!.figure).toBe("1.73");
  });

  it("is a missing count that only this scheme asks for", () => {
    const filled = card("hitch-m", { "rows.count": null });
    expect(filled.stops).toEqual([]);
    expect(filled.ready).toBe(false);
    expect(filled.lines.find((each) => each.label === "Number of rows")!.blockedBy).toBe(
      "Number of rows is missing.",
    );
    expect(card("axle-m", { "rows.count": null }).ready).toBe(true);
  });

  it("is a minus on a terminal that takes none", () => {
    const unsigned: SchemeLine = {
      page: "Tractor",
      label: "Receiver ahead",
      measure: { kind: "between", from: "axle", to: "receiver", axis: "x" },
      sense: 1,
      unit: "mm",
      decimals: 0,
      sign: { kind: "unsigned" },
      only: "every",
    };
    const own: Scheme = { id: "own", name: "Own", asks: "", lines: [unsigned], order: USUAL_ORDER };
    const rig = sampleRig({ "receiver.foreAft": -0.3 });
    expect(fillCard(own, rig, [], PRESETS.metric, []).lines[0]).toMatchObject({
      figure: null,
      blockedBy: "This terminal takes no minus here.",
    });
  });
});

describe("a single coverage point", () => {
  it("is the middle of the work, and the card says what that costs", () => {
    const [caution] = card("hitch-m").cautions;
    expect(caution?.replace(/\u00a0/g, " ")).toContain("0.320 m apart");
    expect(caution?.replace(/\u00a0/g, " ")).toContain("0.160 m off");
    const known = { "work.delayOn": 0.4, "work.delayOff": 0.3 };
    expect(card("axle-m", known).cautions).toEqual([]);
    expect(card("hitch-m", { ...known, "pin.workRear": 4.25 }).cautions).toEqual([]);
  });
});

describe("a tool that hangs otherwise", () => {
  const on = (
    attachment: Attachment,
    lengths: Partial<Record<DimensionKey, number | null>>,
    kind?: string,
  ) => {
    const facts = sampleFacts(lengths);
    const readings = kind
      ? { ...facts.readings, "tool.kind": [sampleReading("tool.kind", 0, { rawText: kind })] }
      : facts.readings;
    const rig = resolveRig({ ...facts, readings, attachment });
    const chosen = kind
      ? { ...rig, values: { ...rig.values, "tool.kind": { ...rig.values["tool.kind"], choice: kind } } }
      : rig;
    return (by: string | Scheme) =>
      fillCard(typeof by === "string" ? scheme(by) : by, chosen, [], PRESETS.metric, []);
  };
  const said = (filled: ReturnType<typeof fillCard>) =>
    Object.fromEntries(
      filled.lines.map(({ label, figure, word }) => [label, [figure, word].filter(Boolean).join(" ")]),
    );

  it("lies ahead in front, in every family of asking", () => {
    const front = on("front", { "axle.pin": 3.62, "pin.workFront": 1.04, "pin.workRear": 0.72 });
    expect(said(front("axle-m"))).toMatchObject({
      "Axle to connection": "3.62 ahead",
      "Connection to working edge, front": "1.04 ahead",
      "Connection to working edge, rear": "0.72 ahead",
    });
    expect(said(front("hitch-m"))).toMatchObject({
      "Hitch to working point": "0.88",
      "Hitch to receiver": "−1.89",
    });
    // the antenna is 1.73 ahead of the axle: the work 3.62 + 1.04 − 1.73 = 2.93 ahead of that
    expect(said(front("antenna-m"))).toMatchObject({ "Antenna to work, start": "2.93 ahead" });
    for (const { id } of SHIPPED_SCHEMES) expect(front(id).ready, id).toBe(true);
  });

  it("is called by its own points", () => {
    const derivation = (attachment: Attachment) =>
      on(attachment, { "pin.workFront": 1.2 })("axle-m").lines.find(
        ({ label }) => label === "Connection to working edge, front",
      )!.derivation;
    expect(derivation("mounted")).toBe("lower link ends to front of the work, rearward is +");
    expect(derivation("head")).toBe("head mount to knife, rearward is +");
    expect(derivation("boom")).toBe("boom mount to nozzles, rearward is +");
  });

  it("has its width on the machine's own display where it is a head", () => {
    const head = on("head", { "axle.pin": 1.86, "pin.workFront": 1.24, "pin.workRear": null });
    const width = head("axle-m").lines.find(({ label }) => label === "Working width")!;
    expect(width.page).toBe(MACHINE_DISPLAY);
    expect(head("axle-m").lines.filter(({ page }) => page === MACHINE_DISPLAY)).toHaveLength(1);
  });

  it("without wheels is told by its work where a terminal asks for wheels, and says so", () => {
    const mounted = on("mounted", { "pin.workFront": 0.6, "pin.workRear": 2 });
    expect(said(mounted("hitch-m"))).toMatchObject({
      "Axle type": "none",
      "Hitch to pivot": "−1.30",
    });
    expect(mounted("hitch-m").cautions.join(" ")).toContain("no wheels to turn about");
    expect(mounted("axle-m").ready).toBe(true);
  });

  it("that only carries has no card, and leads to the tool that works", () => {
    const cart = on("drawn", { "pin.workFront": null, "pin.workRear": null, "tool.width": null }, "cart");
    const filled = cart("axle-m");
    expect(filled.ready).toBe(false);
    expect(filled.cautions).toEqual([expect.stringContaining("This tool only carries")]);
    expect(filled.lines.find(({ label }) => label === "Working width")!.blockedBy).toBe(
      "Nothing of this tool works the field.",
    );
  });

  it("without rows is not asked for them, or answers none where a terminal asks all the same", () => {
    const mower = on("mounted", { "rows.count": null, "rows.spacing": null }, "mower");
    expect(mower("hitch-m").lines.map(({ label }) => label)).not.toContain("Number of rows");
    const every: Scheme = {
      ...scheme("hitch-m"),
      lines: scheme("hitch-m").lines.map((line) => ({ ...line, only: "every" })),
    };
    const rows = mower(every).lines.find(({ label }) => label === "Number of rows")!;
    expect(rows).toMatchObject({ figure: "0", blockedBy: null, derivation: "this tool has none" });
    const drill = on("mounted", { "rows.count": null }, "drill");
    expect(drill("hitch-m").ready).toBe(false);
  });
});

describe("switching times", () => {
  const delays = (id: string, on: number | null, off: number | null) =>
    card(id, { "work.delayOn": on, "work.delayOff": off });
  const figures = (id: string, on: number | null, off: number | null) =>
    delays(id, on, off)
      .lines.filter(({ form }) => form.kind === "time")
      .map(({ figure, unit }) => `${figure} ${unit}`);

  it("are asked in seconds, or in milliseconds where a terminal counts them so (ISO 11783-11: DDI 205, 206)", () => {
    for (const id of ["axle-m", "hitch-in", "antenna-m"])
      expect(figures(id, 0.625, 0.34), id).toEqual(["0.63 s", "0.34 s"]);
    expect(figures("iso-mm", 0.625, 0.34)).toEqual(["625 ms", "340 ms"]);
  });

  it("stay at zero while nobody measured them, and the card says what finds them", () => {
    const unknown = delays("antenna-m", null, 0.34);
    expect(figures("antenna-m", null, 0.34)).toEqual(["0.00 s", "0.34 s"]);
    expect(unknown.ready).toBe(true);
    expect(unknown.cautions.join(" ")).toContain("drive headland marks");
    expect(delays("antenna-m", 0.6, 0.34).cautions.join(" ")).not.toContain("headland");
  });

  it("are read back by value, and say by how much they differ", () => {
    const line = freeze(delays("axle-m", 0.62, 0.34)).find(({ label }) => label === "Switch-on delay")!;
    for (const text of ["0.62", "0,62", "620 ms", "0.620 s"])
      expect(compareShown(line, { text, word: "" }), text).toEqual({ kind: "match" });
    expect(compareShown(line, { text: "1.02", word: "" })).toEqual({ kind: "differs", by: "+0.40 s" });
    expect(compareShown(line, { text: "0", word: "" })).toEqual({ kind: "differs", by: "−0.62 s" });
    expect(compareShown(line, { text: "soon", word: "" }).kind).toBe("unreadable");
  });

  it("are to be typed anew once a test has found them", () => {
    expect(retype(freeze(delays("axle-m", 0.62, 0.34)), delays("axle-m", 0.9, 0.34))).toEqual([
      { page: "Switching", label: "Switch-on delay", was: "0.62", now: "0.90" },
    ]);
  });
});

describe("more ways of asking", () => {
  it("from the antenna, one length with a switch", () => {
    // 1.04 + 1.73 = 2.77; 5.26 + 2.77 = 8.03; 4.18 + 2.77 = 6.95; 4.50 + 2.77 = 7.27; 0.025 + 0.015 = 0.04 right
    expect(typed("antenna-m")).toMatchObject({
      "Antenna to rear axle": "1.73 m behind",
      "Antenna to hitch": "2.77 m behind",
      "Antenna to wheels of the tool": "8.03 m behind",
      "Antenna to work, start": "6.95 m behind",
      "Antenna to work, end": "7.27 m behind",
      "Work, side of the antenna": "0.04 m right",
    });
  });

  it("in the ISO frame, z down, the tool from its wheels", () => {
    expect(typed("iso-mm")).toMatchObject({
      "Receiver, offset X": "1730 mm",
      "Receiver, offset Y": "−15 mm",
      "Receiver, offset Z": "−2940 mm",
      "Hitch connector, offset X": "−1040 mm",
      "Connector, offset X": "5260 mm",
      "Work front, offset X": "1080 mm",
      "Work rear, offset X": "760 mm",
      "Work, offset Y": "25 mm",
    });
  });
});

describe("a numbered card", () => {
  it("freezes what went to the cab, and says what to type again when readings change", () => {
    const frozen = freeze(card("axle-m"));
    expect(retype(frozen, card("axle-m"))).toEqual([]);
    expect(retype(frozen, card("axle-m", { "pin.workFront": 4.21 }))).toEqual([
      {
        page: "Implement",
        label: "Connection to working edge, front",
        was: "4.18 behind",
        now: "4.21 behind",
      },
    ]);
    // a millimetre that the terminal rounds away changes nothing in the cab
    expect(retype(frozen, card("axle-m", { "pin.workFront": 4.181 }))).toEqual([]);
    expect(retype(frozen, card("axle-m", { "receiver.lateral": 0.015 }))).toMatchObject([
      { was: "0.02 left", now: "0.02 right" },
    ]);
    expect(() => freeze(card("axle-m", { "pin.workFront": null }))).toThrow(RangeError);
  });
});

describe("a read-back", () => {
  const line = (id: string, label: string) => freeze(card(id)).find((each) => each.label === label)!;

  it("compares values, not text", () => {
    // 177.2 in on the card: 14' 9.2" is the same value
    const width = line("hitch-in", "Working width");
    for (const text of ["177.2", "177.20 in", "14' 9.2\"", "177,2"])
      expect(compareShown(width, { text, word: "" }), text).toEqual({ kind: "match" });
    expect(compareShown({ ...width, figure: "153.5" }, { text: "12' 9.5\"", word: "" }).kind).toBe("match");
    const off = compareShown(width, { text: "176", word: "" });
    expect(off.kind === "differs" && off.by.replace(/\u00a0/g, " ")).toBe("−1.2 in");
  });

  it("minds the sign, by number or by switch", () => {
    const coverage = line("hitch-in", "Hitch to working point");
    expect(compareShown(coverage, { text: "-170.9", word: "" }).kind).toBe("match");
    expect(compareShown(coverage, { text: "170.9", word: "" }).kind).toBe("differs");
    const side = line("axle-m", "Receiver, side");
    expect(compareShown(side, { text: "0.02", word: "left" }).kind).toBe("match");
    expect(compareShown(side, { text: "0.02", word: "right" }).kind).toBe("differs");
    expect(compareShown(side, { text: "0.02", word: "" })).toMatchObject({ kind: "unreadable" });
    expect(compareShown(side, { text: "0.00", word: "" }).kind).toBe("differs");
  });

  it("knows counts, choices, nothing and nonsense", () => {
    const rows = line("hitch-m", "Number of rows");
    expect(compareShown(rows, { text: "30", word: "" }).kind).toBe("match");
    expect(compareShown(rows, { text: "28", word: "" })).toEqual({ kind: "differs", by: "−2" });
    expect(compareShown(rows, { text: "30.5", word: "" }).kind).toBe("unreadable");
    const axle = line("hitch-m", "Axle type");
    expect(compareShown(axle, { text: "Rigid", word: "" }).kind).toBe("match");
    expect(compareShown(axle, { text: "steered", word: "" }).kind).toBe("differs");
    expect(compareShown(rows, { text: " ", word: "" }).kind).toBe("open");
    expect(compareShown(line("axle-m", "Working width"), { text: "4.x", word: "" }).kind).toBe("unreadable");
  });

  it("sets a choice of a scheme's own to just what the scheme says", () => {
    const own: SchemeLine = {
      ...SHIPPED_SCHEMES[2]!.lines[0]!,
      label: "Tool profile",
      measure: { kind: "choice", choice: "planter" },
    };
    expect(
      fillCard({ ...SHIPPED_SCHEMES[2]!, lines: [own] }, sampleRig(), [], PRESETS.metric, []).lines[0],
    ).toMatchObject({
      figure: "planter",
      derivation: "set as the scheme says",
    });
  });

  it("tells a scheme as it is shipped from an older one, an edited one and the yard's own", () => {
    const [axle, , hitch] = SHIPPED_SCHEMES;
    expect(SHIPPED_SCHEMES.map(shippedOf)).toEqual(SHIPPED_SCHEMES.map(() => "as shipped"));
    expect(shippedOf({ ...axle!, id: "mine" })).toBe("own");
    expect(shippedOf({ ...axle!, lines: axle!.lines.slice(1) })).toBe("edited");
    const before: Record<string, string> = {
      "Hitch to pivot": "Hitch to navigation point",
      "Hitch to working point": "Hitch to coverage point",
      "Middle from the left edge": "Centre distance from left edge",
    };
    // Twelve lines in the words of the first hour, for whatever tool; thirteen with the connection; then those of some tools only.
    const first = ["Axle type", "Hitch to pivot", "Hitch to working point", "Middle from the left edge"]
      .concat(["Working width", "Number of rows", "Switch-on delay", "Switch-off delay", "Line spacing"])
      .concat(["Hitch to receiver", "Receiver to the right of centre", "Receiver height"]);
    const every = (labels: readonly string[]) =>
      hitch!.lines
        .filter(({ label }) => labels.includes(label))
        .map((line): SchemeLine => ({ ...line, only: "every" }));
    const older = {
      ...hitch!,
      asks: "Tool lengths from the hitch, behind counted as minus; one coverage point; the centre from the left edge.",
      lines: every(first).map((line) => ({ ...line, label: before[line.label] ?? line.label })),
    };
    expect(older.lines).toHaveLength(12);
    expect(shippedOf(older)).toBe("older");
    expect(shippedOf({ ...hitch!, lines: every(["Connection type", ...first]) })).toBe("older");
    expect(shippedOf({ ...hitch!, lines: every(first) })).toBe("edited");
    expect(shippedOf({ ...older, name: "Ours" })).toBe("edited");
  });

  it("matches every card against itself", () => {
    for (const { id } of SHIPPED_SCHEMES)
      for (const each of freeze(card(id)))
        expect(compareShown(each, { text: each.figure, word: each.word }), each.label).toEqual({
          kind: "match",
        });
  });
});
