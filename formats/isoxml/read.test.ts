import { readFileSync } from "node:fs";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { type SAMPLE_LENGTHS, sampleRig } from "../../core/rig/sample.ts";
import { describeRig } from "./describe.ts";
import { FileProblem } from "./problem.ts";
import { readTaskData } from "./read.ts";
import { writeTaskData } from "./write.ts";

const example = (name: string) => readFileSync(new URL(`./examples/${name}`, import.meta.url));
const xml = (devices: string, version = "4") =>
  strToU8(
    `<?xml version="1.0" encoding="UTF-8"?><ISO11783_TaskData VersionMajor="${version}">${devices}</ISO11783_TaskData>`,
  );
const zipped = (bytes: Uint8Array, name = "TASKDATA/TASKDATA.XML") => zipSync({ [name]: bytes });
const problem = (bytes: Uint8Array): string => {
  try {
    return `read ${readTaskData(bytes).length} devices`;
  } catch (error) {
    if (error instanceof FileProblem) return error.message;
    throw error;
  }
};

describe("files of other writers", () => {
  it("are read wherever the reference point lies", () => {
    // eye at 0: pivot 0 − (−4655) = 4.655; ranks 3.720 and 4.010 behind; sections −1030 ± 1000 and 970 ± 1000:
    // edges −2.030 and 1.970, middle −0.030
    expect(readTaskData(example("hitch-reference.xml"))).toEqual([
      {
        designator: "Quillon & Rast 40",
        serial: "QR-40/17",
        busName: "A00886001230007F",
        kind: "implement",
        attachment: "drawn",
        values: {
          "pin.pivot": 4.655,
          "pin.workFront": 3.72,
          "pin.workRear": 4.01,
          "tool.lateral": -0.03,
          "tool.width": 4,
        },
        zeros: [],
        sections: [2, 2],
        notes: [],
      },
    ]);
  });

  it("that call a drill's controller a tractor are read by its elements, and the disagreement is said", () => {
    // NAME with class 1 in bits 49 to 55; widths stand on the sections, a rate (DDI 6) as process data on a bin of the function
    const xml = (body: string) =>
      strToU8(
        `<?xml version="1.0" encoding="UTF-8"?><ISO11783_TaskData VersionMajor="4" VersionMinor="0" DataTransferOrigin="1"><DVC A="DVC-1" B="Seeder" D="A002840000000001">${body}</DVC></ISO11783_TaskData>`,
      );
    const device =
      '<DET A="DET-1" B="1" C="1" D="Seeder" E="0" F="0"/><DET A="DET-2" B="2" C="6" D="Eye" E="1" F="1"><DOR A="20"/></DET>';
    const eye = '<DPT A="20" B="0086" C="4655"/>';
    const sections = `${device}<DET A="DET-3" B="3" C="2" D="Work" E="2" F="1"/><DET A="DET-4" B="4" C="4" D="1" E="3" F="3"><DOR A="21"/></DET>${eye}<DPT A="21" B="0043" C="4000"/>`;
    const rate = `${device}<DET A="DET-3" B="3" C="2" D="Work" E="2" F="1"/><DET A="DET-4" B="4" C="3" D="Bin" E="3" F="3"><DOR A="30"/></DET>${eye}<DPD A="30" B="0006" C="3" D="1"/>`;
    for (const body of [sections, rate]) {
      const [read] = readTaskData(xml(body));
      expect(read).toMatchObject({ kind: "implement" });
      expect(read!.values["pin.pivot"]).toBe(4.655);
      expect(read!.notes.join(" ")).toContain("Its NAME says tractor");
    }
    // A tractor's own lights and valves are functions without work of their own.
    const valves = `${device}<DET A="DET-3" B="3" C="2" D="Valves" E="2" F="1"/>${eye}`;
    expect(readTaskData(xml(valves))[0]).toMatchObject({ kind: "tractor" });
  });

  it("are read from several files, by NAME as tractor, heights from the ground, zeros named and not taken", () => {
    const zip = zipSync({
      "TASKDATA/TASKDATA.XML": example("split/TASKDATA.XML"),
      "TASKDATA/DVC00001.XML": example("split/DVC00001.XML"),
    });
    const [tractor, drill] = readTaskData(zip);
    // height: 890 above ground, z −1985: 890 + 1985 = 2.875
    expect(tractor).toMatchObject({
      kind: "tractor",
      values: {
        "receiver.foreAft": 1.39,
        "receiver.lateral": -0.012,
        "receiver.height": 2.875,
        "axle.pin": 1.015,
      },
      notes: ["2 connectors; the drawbar behind the axle is taken."],
    });
    expect(drill).toMatchObject({
      kind: "implement",
      busName: "",
      values: { "tool.lateral": 0, "tool.width": 6 },
      zeros: ["pin.pivot", "pin.workFront", "pin.workRear"],
      sections: null,
    });
  });
});

describe("our own file read back", () => {
  const identity = { designator: "M", serial: "", busName: "", id: 1 };
  const back = (lengths: Partial<typeof SAMPLE_LENGTHS>, widths: number[]) => {
    const rig = sampleRig(lengths, {}, widths);
    const [tractor, drill] = readTaskData(
      writeTaskData(describeRig(identity, [{ rig, identity, behind: null }]), "t"),
    );
    return { values: { ...tractor!.values, ...drill!.values }, sections: drill!.sections };
  };

  it("is the same machine to the millimetre, whatever the lengths", () => {
    const mm = (low: number, high: number) =>
      fc.integer({ min: low, max: high }).map((length) => length / 1000);
    const lengths = fc.record({
      "receiver.foreAft": mm(1, 4500),
      "receiver.lateral": mm(-1200, 1200),
      "receiver.height": mm(1200, 5000),
      "axle.pin": mm(300, 2500),
      "pin.pivot": mm(1000, 15000),
      "pin.workFront": mm(800, 7000),
      "pin.workRear": mm(7000, 15000),
      "tool.lateral": mm(-3000, 3000),
      "tool.width": mm(1000, 30000),
    });
    fc.assert(
      fc.property(lengths, fc.array(mm(50, 4000), { minLength: 1, maxLength: 30 }), (own, widths) => {
        const { values, sections } = back(own, widths);
        expect(values).toEqual(own);
        expect(sections).toEqual(widths);
      }),
      { numRuns: 40 },
    );
  });
});

describe("what is refused, with a sentence", () => {
  const det = (rest: string) => `<DVC A="DVC-1" B="Tool">${rest}</DVC>`;
  const base = '<DET A="DET-1" B="1" C="1" D="" E="0" F="0"><DOR A="9"/></DET>';
  const good = zipped(xml(det(`${base}<DPT A="9" B="0086" C="5"/>`)));

  it.each([
    ["nothing", new Uint8Array(), "empty"],
    ["text", strToU8("hello"), "neither a zip nor an XML"],
    ["a cut-off zip", good.slice(0, good.length - 60).slice(0, 120), "damaged"],
    ["a zip of something else", zipped(strToU8("x"), "readme.txt"), "no TASKDATA.XML"],
    ["a path that climbs out", zipped(xml(""), "../TASKDATA.XML"), "path outside"],
    ["an absolute path", zipped(xml(""), "/etc/TASKDATA.XML"), "path outside"],
    ["another root", zipped(strToU8("<html/>")), "not ISO 11783-10"],
    ["version 2", zipped(xml("", "2")), "version 2"],
    ["no device", zipped(xml("")), "no device"],
    ["truncated XML", zipped(xml(det(base)).slice(0, 120)), "damaged at line"],
    ["a doctype", zipped(strToU8('<!DOCTYPE a [<!ENTITY b "c">]><ISO11783_TaskData/>')), "DOCTYPE"],
    ["an undeclared entity", zipped(xml(det('<DET A="&b;"/>'))), "damaged at line"],
    ["another encoding", strToU8('<?xml version="1.0" encoding="ISO-8859-1"?><a/>'), "only UTF-8"],
    ["bytes that are no UTF-8", zipped(new Uint8Array([0x3c, 0x61, 0xff, 0x2f, 0x3e])), "not UTF-8"],
    ["no elements", zipped(xml(det(""))), "no elements"],
    [
      "an object id twice",
      zipped(xml(det(`${base}<DPT A="1" B="0086" C="5"/>`))),
      "object id 1 is there twice",
    ],
    [
      "an element number twice",
      zipped(xml(det(`${base}<DET A="D" B="2" C="4" E="0" F="1"/>`))),
      "element number is there twice",
    ],
    ["a parent that is not there", zipped(xml(det('<DET A="D" B="1" C="1" E="0" F="7"/>'))), "hangs on 7"],
    [
      "a circle",
      zipped(xml(det('<DET A="D" B="1" C="1" E="0" F="2"/><DET A="D" B="2" C="2" E="1" F="1"/>'))),
      "in a circle",
    ],
    ["NaN", zipped(xml(det(`${base}<DPT A="9" B="0086" C="NaN"/>`))), "the value of 0086 is “NaN”"],
    ["12abc", zipped(xml(det(`${base}<DPT A="9" B="0086" C="12abc"/>`))), "“12abc”"],
    ["a value past 32 bits", zipped(xml(det(`${base}<DPT A="9" B="0086" C="4294967296"/>`))), "“4294967296”"],
    [
      "a type there is not",
      zipped(xml(det('<DET A="D" B="1" C="9" E="0" F="0"/>'))),
      "an element's type is “9”",
    ],
    ["a NAME that is none", zipped(xml('<DVC A="D" B="Tool" D="XYZ"/>')), "NAME"],
    ["a missing part", zipped(xml('<XFR A="DVC00001" B="1"/>')), "DVC00001.XML is named"],
  ])("%s", (_name, bytes, piece) => {
    expect(problem(bytes)).toContain(piece);
  });

  it("a zip bomb, before it has grown", () => {
    const bomb = zipped(new Uint8Array(21 * 1024 * 1024));
    expect(bomb.length).toBeLessThan(100_000);
    expect(problem(bomb)).toContain("unpacks to more than 20 MB");
  });

  it("too many entries, and XML nested without end", () => {
    const many = Object.fromEntries(Array.from({ length: 80 }, (_, index) => [`f${index}`, strToU8("x")]));
    expect(problem(zipSync(many))).toContain("more than 60 entries");
    expect(problem(zipped(xml("<a>".repeat(500) + "</a>".repeat(500))))).toContain("nested too deep");
  });

  it("any bytes at all: never another error, never a crash", () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 400 }), fc.nat(good.length), (junk, at) => {
        const mangled = new Uint8Array(good);
        mangled.set(junk.subarray(0, Math.max(0, good.length - at)), Math.min(at, good.length));
        expect(typeof problem(mangled)).toBe("string");
        expect(typeof problem(junk)).toBe("string");
      }),
    );
  });
});

describe("a file nobody could look through", () => {
  it("is refused with how many of what it has, and where a text never ends", () => {
    const devices = (count: number) =>
      zipped(xml(Array.from({ length: count }, (_, at) => `<DVC A="DVC-${at + 1}" B="Drill"/>`).join("")));
    expect(problem(devices(251))).toContain("251 elements DVC; up to 250");
    expect(problem(devices(250))).not.toContain("up to 250");
    expect(problem(zipped(xml(`\n<DVC A="DVC-1" B="${"n".repeat(1001)}"/>`)))).toContain(
      "1000 letters at line 2",
    );
  });
});
