import fc from "fast-check";
import { strToU8, unzipSync, zipSync } from "fflate";
import { ISOXMLManager, type Task } from "isoxml";
import { describe, expect, it } from "vitest";
import { PRODUCT_FORMS } from "../../core/yard/product.ts";
import type { ProductGiven, RateGiven, TaskSet } from "../../core/yard/task-set.ts";
import { anyPlace } from "../any-place.ts";
import { FileProblem } from "./problem.ts";
import { placesOf } from "./read-places.ts";
import { taskSetOf } from "./read-tasks.ts";
import { openTaskData } from "./task-data.ts";
import { operationCalled } from "./task-words.ts";
import { type TaskSetToGo, writeTaskSet } from "./write.ts";

const xml = (elements: string) =>
  strToU8(`<?xml version="1.0"?><ISO11783_TaskData VersionMajor="4">${elements}</ISO11783_TaskData>`);
const read = (elements: string) => taskSetOf(openTaskData(xml(elements)));
const refused = (elements: string) => {
  try {
    read(elements);
    return "read";
  } catch (error) {
    if (error instanceof FileProblem) return error.message;
    throw error;
  }
};

const word = fc
  .stringMatching(/^[A-Za-zÀ-ÿ][A-Za-zÀ-ÿ0-9 &<"'-]{0,20}[A-Za-z0-9]$/)
  .filter((text) => !/\s\s/.test(text));
const product: fc.Arbitrary<ProductGiven> = fc.record({
  name: word,
  form: fc.constantFrom(...PRODUCT_FORMS),
  density: fc.option(fc.integer({ min: 1, max: 3000 })),
  grainMass: fc.option(fc.integer({ min: 1, max: 400_000 }).map((each) => each / 1e9)),
});

/** A set as the yard writes one: rates in whole steps of the standard. */
const anySet: fc.Arbitrary<TaskSetToGo> = fc
  .record({
    places: fc.uniqueArray(anyPlace, { minLength: 1, maxLength: 3, selector: ({ field }) => field }),
    crop: word,
    varieties: fc.uniqueArray(word, { minLength: 1, maxLength: 3 }),
    products: fc.uniqueArray(product, { minLength: 1, maxLength: 3, selector: ({ name }) => name }),
    steps: fc.array(fc.integer({ min: 0, max: 2 ** 31 - 1 }), { minLength: 3, maxLength: 3 }),
    worker: word,
  })
  .map(({ places, crop, varieties, products, steps, worker }) => ({
    places,
    crops: [{ name: crop, varieties }],
    products,
    rigs: places.map((_, place) => ({
      title: `Task ${place}`,
      description: null,
      job: {
        place,
        crop,
        variety: varieties[0]!,
        operations: ["Sowing", "Something of ours"],
        worker,
        rates: products.map(({ name }, at): RateGiven => {
          const kind = (["volume", "mass", "count"] as const)[at]!;
          return { product: name, kind, rate: steps[at]! / { volume: 1e11, mass: 1e6, count: 1e3 }[kind] };
        }),
        line: "driven",
      },
    })),
  }));

describe("a task file", () => {
  it("reads back the same as it was written: places, crops, products, people, tasks", () => {
    fc.assert(
      fc.property(anySet, (set) => {
        const data = openTaskData(writeTaskSet(set));
        const found = taskSetOf(data);
        expect(found.notes).toEqual([]);
        expect(found.crops).toEqual(set.crops);
        expect(found.products).toEqual(set.products);
        expect(found.workers).toEqual([set.rigs[0]!.job!.worker]);
        expect(placesOf(data).places.map(({ problem: _, ...place }) => place)).toEqual(
          set.places.map((place) => ({ ...place, lines: expect.any(Array), boundary: expect.any(Array) })),
        );
        for (const [at, { title, job }] of set.rigs.entries()) {
          const { client, farm, field } = set.places[at]!;
          expect(found.tasks[at]).toEqual({
            name: title,
            state: "planned",
            field: { client, farm, name: field },
            crop: job!.crop,
            variety: job!.variety,
            operations: job!.operations,
            worker: job!.worker,
            rates: job!.rates.map((rate) => ({ ...rate, rate: expect.closeTo(rate.rate, 12) })),
            line: "driven",
            devices: [],
          });
        }
      }),
      { numRuns: 25 },
    );
  });

  it("is read by a general library of the format, with the identifiers and steps of the dictionary", async () => {
    const set: TaskSetToGo = {
      places: [{ client: "", farm: "", field: "Ley", boundary: null, lines: [] }],
      crops: [],
      products: [
        { name: "Mix", form: "liquid", density: 1030, grainMass: null },
        { name: "Maize", form: "seed", density: null, grainMass: 0.31e-3 },
      ],
      rigs: [
        {
          title: "All of it",
          description: null,
          job: {
            place: 0,
            crop: null,
            variety: null,
            operations: [],
            worker: "",
            line: null,
            // 150 l/ha, 167.3 kg/ha, 111 111 seeds/ha.
            rates: [
              { product: "Mix", kind: "volume", rate: 150e-3 / 1e4 },
              { product: null, kind: "mass", rate: 167.3 / 1e4 },
              { product: "Maize", kind: "count", rate: 111_111 / 1e4 },
            ],
          },
        },
      ],
    };
    const manager = new ISOXMLManager();
    await manager.parseISOXMLFile(writeTaskSet(set), "application/zip");
    const [task] = manager.rootElement.attributes.Task as Task[];
    const [zone] = task!.attributes.TreatmentZone!;
    expect(task!.attributes.DefaultTreatmentZoneCode).toBe(zone!.attributes.TreatmentZoneCode);
    // Whole numbers of ISO 11783-11: 1 is 0.01 mm³/m², 6 is mg/m², 11 is 0.001/m².
    expect(
      zone!.attributes.ProcessDataVariable!.map(({ attributes }) => [
        attributes.ProcessDataDDI,
        attributes.ProcessDataValue,
      ]),
    ).toEqual([
      ["0001", 1_500_000],
      ["0006", 16_730],
      ["000B", 11_111],
    ]);
    const [mix, maize] = manager.rootElement.attributes.Product!;
    expect(mix!.attributes).toMatchObject({ QuantityDDI: "0048", DensityMassPerVolume: 1030 });
    // A thousand grains of 310 g: 310 000 mg.
    expect(maize!.attributes).toMatchObject({ QuantityDDI: "004B", DensityMassPerCount: 310_000 });
    expect(manager.getWarnings?.() ?? []).toEqual([]);
  });

  it("cannot be written with a rate beyond its numbers", () => {
    const job = { place: 0, crop: null, variety: null, operations: [], worker: "", line: null };
    const rate = { product: null, kind: "volume" as const, rate: 1 };
    const places = [{ client: "", farm: "", field: "F", boundary: null, lines: [] }];
    expect(() =>
      writeTaskSet({
        places,
        crops: [],
        products: [],
        rigs: [{ title: "T", description: null, job: { ...job, rates: [rate] } }],
      }),
    ).toThrow(RangeError);
  });
});

describe("a task file of another writer", () => {
  const FIELD = `<CTP A="CTP1" B="Barley"><CVT A="CVT1" B="Aldin"/></CTP><PFD A="PFD1" C="Ley" D="0" G="CTP1" H="CVT1"/>`;

  it("says everything it has that is not taken, and never more of a task than it says", () => {
    const { tasks, notes } = read(`${FIELD}
      <VPN A="VPN1" B="0" C="1" D="0"/><CCT A="CCT1" B="x" C="1"/><CCT A="CCT2" B="y" C="1"/>
      <TSK A="TSK1" B="Feed" E="PFD1" G="4" H="3">
        <TZN A="3"><PDV A="0006" B="22000"/><PDV A="0038" B="30"/></TZN>
        <TZN A="4"><PDV A="0006" B="9"/></TZN>
        <TZN A="5"><PLN A="2"/><PDV A="0006" B="5"/></TZN>
        <TLG A="TLG00001" C="1"/><TLG A="TLG00002" C="1"/><GRD A="1" B="1" C="1" D="1" E="1" F="1" I="1"/>
      </TSK>`);
    expect(tasks).toEqual([
      {
        name: "Feed",
        state: "completed",
        field: { client: "", farm: "", name: "Ley" },
        crop: "Barley",
        variety: "Aldin",
        operations: [],
        worker: "",
        rates: [{ product: null, kind: "mass", rate: 0.022 }],
        line: null,
        devices: [],
      },
    ]);
    expect(notes).toEqual([
      "In the file: way of showing values, left out.",
      "In the file: coded comment (2), left out.",
      "Feed: log of time (2), left out.",
      "Feed: map of rates, left out.",
      "Feed: 1 zones of rates by place, left out: they are a map.",
      "Feed: 1 zones of rates besides the one that holds, left out.",
      "Feed: a figure of its zone (identifier 56), left out.",
    ]);
  });

  it("names the files of the set that nothing reads", () => {
    const set = zipSync({
      "TASKDATA/TASKDATA.XML": xml(`<XFR A="CTP00001" B="1"/>${`<PFD A="PFD1" C="Ley" D="0"/>`}`),
      "TASKDATA/CTP00001.XML": strToU8(`<XFC><CTP A="CTP1" B="Barley"/></XFC>`),
      "TASKDATA/TLG00001.BIN": new Uint8Array(5200),
      "TASKDATA/LINKLIST.XML": strToU8("<ISO11783LinkList/>"),
    });
    const { crops, notes } = taskSetOf(openTaskData(set));
    expect(crops).toEqual([{ name: "Barley", varieties: [] }]);
    expect(notes).toEqual(["TLG00001.BIN, 5 kB, left out.", "LINKLIST.XML, 1 kB, left out."]);
  });

  it("is refused as a whole where a reference leads nowhere, an id is there twice, or a figure is none", () => {
    const task = (attributes: string, inside = "") =>
      `${FIELD}<TSK A="TSK1" B="T" G="1" ${attributes}>${inside}</TSK>`;
    expect(refused(task(`E="PFD9"`))).toContain("T names the field PFD9");
    expect(refused(task(`F="WKR1"`))).toContain("names the worker WKR1");
    expect(refused(task("", `<OTP A="CPC4"/>`))).toContain("names the operation CPC4");
    expect(refused(task("", `<DAN A="" C="DVC2"/>`))).toContain("names the device DVC2");
    expect(refused(task("", `<GAN A="GGP2"/>`))).toContain("names the guidance line GGP2");
    expect(refused(task(`H="7"`))).toContain("names the zone 7");
    expect(refused(task("", `<TZN A="1"><PDV A="0006" B="1e9"/></TZN>`))).toContain("is “1e9”");
    expect(refused(task("", `<TZN A="1"><PDV A="0006" B="-4"/></TZN>`))).toContain("is “-4”");
    expect(refused(task("", `<TZN A="1"><PDV A="zz" B="4"/></TZN>`))).toContain("no identifier");
    expect(refused(task("", `<TZN A="1"><PDV A="0006" B="4" C="PDT1"/></TZN>`))).toContain(
      "names the product",
    );
    expect(refused(task("", `<DAN A="hello"/>`))).toContain("no NAME");
    expect(refused(`${FIELD}<TSK A="TSK1" G="9"/>`)).toContain("its state is “9”");
    expect(refused(`<PDT A="PDT1" B="P" H="many"/>`)).toContain("its density is “many”");
    expect(
      refused(
        `<CTP A="CTP1" B="a"><CVT A="CVT1" B="b"/></CTP><CTP A="CTP2" B="c"><CVT A="CVT1" B="d"/></CTP>`,
      ),
    ).toContain("CVT1 is there twice");
    expect(refused(`<WKR A="W1" B="x"/>`)).toContain("no id of a WKR");
  });

  it("keeps whatever was changed in it apart from what was not: one figure more, one task otherwise", () => {
    const place = { client: "", farm: "", field: "Ley", boundary: null, lines: [] };
    const bytes = writeTaskSet({
      places: [place],
      crops: [],
      products: [{ name: "Mix", form: "liquid", density: null, grainMass: null }],
      rigs: ["One", "Two"].map((title) => ({
        title,
        description: null,
        job: {
          place: 0,
          crop: null,
          variety: null,
          operations: ["Crop protection"],
          worker: "Ilse Marrin",
          rates: [{ product: "Mix", kind: "volume" as const, rate: 1.8e-5 }],
          line: null,
        },
      })),
    });
    const files = unzipSync(bytes);
    const text = new TextDecoder()
      .decode(files["TASKDATA/TASKDATA.XML"])
      .replace('B="1800000"', 'B="2100000"');
    const tampered = taskSetOf(openTaskData(zipSync({ "TASKDATA.XML": strToU8(text) })));
    const rates = (set: TaskSet) => set.tasks.map((each) => each.rates[0]!.rate);
    expect(rates(taskSetOf(openTaskData(bytes)))).toEqual([1.8e-5, 1.8e-5]);
    expect(rates(tampered)).toEqual([2.1e-5, 1.8e-5]);
    expect(operationCalled("crop PROTECTION")).toBe("spraying");
    expect(operationCalled("Something of theirs")).toBeNull();
  });
});
