import { strToU8, unzipSync, zipSync } from "fflate";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { findImport, keepPreview, retractImport } from "../../data/imports.ts";
import { productsOf } from "../../data/products.ts";
import { listRigs } from "../../data/rigs.ts";
import { BY } from "../../data/sample-told.ts";
import { cropsOf, worksOf } from "../../data/work.ts";
import { devicesOf } from "../../formats/isoxml/read.ts";
import { placesOf } from "../../formats/isoxml/read-places.ts";
import { taskSetOf } from "../../formats/isoxml/read-tasks.ts";
import { openTaskData } from "../../formats/isoxml/task-data.ts";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "../routes/sample-yard.ts";
import { action, loader } from "../routes/task-file.tsx";
import { loader as rigFile } from "../routes/taskdata.ts";
import { loader as yardFile } from "../routes/tasks-taskdata.ts";
import type { TaskFileKept } from "./task-file-view.server.ts";
import { notInFile } from "./tasks-to-go.server.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const rigNamed = (name: string) => listRigs(yard.db).find((each) => each.name.startsWith(name))!.id;
const workOf = (id: number) => worksOf(yard.db, [id]).get(id)!;

/** A file as it waits once somebody sent it; `change` is what happened to it on the way. */
async function waiting(bytes: Uint8Array, change: (xml: string) => string = (xml) => xml): Promise<string> {
  const xml = change(new TextDecoder().decode(unzipSync(bytes)["TASKDATA/TASKDATA.XML"]));
  const data = openTaskData(zipSync({ "TASKDATA.XML": strToU8(xml) }));
  const keep = (content: unknown) =>
    keepPreview(yard.db, { fileName: "from-terminal.zip", bytes, content, at: new Date() });
  const devices = devicesOf(data);
  return keep({
    tasks: taskSetOf(data),
    devices: devices.length > 0 ? keep(devices) : null,
    places: keep({ places: placesOf(data) }),
  } satisfies TaskFileKept);
}

const bytesOf = async (answer: Response) => new Uint8Array(await answer.arrayBuffer());
const fileOfRig = async (id: number) =>
  bytesOf(await ask(rigFile, `/rigs/${id}/taskdata.zip`, { rigId: String(id) }));
const look = async (fileId: string, query = "") =>
  (await ask(loader, `/tasks/${fileId}${query}`, { fileId })).view;
const take = (fileId: string, fields: Record<string, string>) =>
  submit(action, `/tasks/${fileId}`, { person: "Ola Brannick", ...fields }, { fileId });

describe("the yard's own task file", () => {
  it("comes back with nothing new, nothing otherwise and nothing left out", async () => {
    const view = await look(await waiting(await bytesOf(await ask(yardFile, "/tasks.zip", {}))));
    expect(view.notes).toEqual([]);
    expect(view.fields!.rows.filter(({ state }) => state !== "same" && state !== "no boundary")).toEqual([]);
    expect([...view.crops, ...view.products].filter(({ state }) => state !== "same")).toEqual([]);
    expect(view.machines!.rows.every(({ state }) => state === "same")).toBe(true);
    expect(view.tasks.map(({ name, state, changes, looks }) => [name, state, changes, looks])).toEqual(
      view.tasks.map(({ name }) => [name, "same", [], []]),
    );
    expect(view.tasks.length).toBeGreaterThan(3);
  });
});

describe("what no task file says of a job", () => {
  it("is told beside it: rows of varieties, a product without a rate, a name too long", () => {
    const work = workOf(rigNamed("Sprayer"));
    const [always] = notInFile(work);
    expect(notInFile(work)).toEqual([always]);
    const [product] = work.products;
    const told = notInFile({
      ...work,
      field: { ...work.field, name: "The long piece behind the old brick works" },
      varietyWay: "rows",
      products: [{ ...product!, rate: null }],
    }).join(" ");
    expect(told).toContain("Varieties by rows");
    expect(told).toContain("no rate is set");
    expect(told).toContain("behind the old brick works: the name is cut");
  });
});

describe("a task file that was changed on its way", () => {
  it("names the rate that is otherwise, and taking it over sets that and nothing else", async () => {
    const id = rigNamed("Sprayer");
    const before = workOf(id);
    const fileId = await waiting(await fileOfRig(id), (xml) => xml.replace('B="1800000"', 'B="2100000"'));
    const { tasks } = await look(fileId);
    expect(tasks[0]).toMatchObject({ rigId: id, state: "differs", looks: [] });
    expect(tasks[0]!.changes).toEqual([
      { what: "Rate of Leaf cover T1", now: "180\u00a0l/ha", file: "210\u00a0l/ha" },
    ]);
    await take(fileId, { task0: "yes" });
    const now = workOf(id);
    expect(now.products[0]!.rate).toBeCloseTo(2.1e-5, 12);
    expect({ ...now, id: "", at: "", person: "", season: "", products: [] }).toEqual({
      ...before,
      id: "",
      at: "",
      person: "",
      season: "",
      products: [],
    });
    expect(refusal(await take(fileId, { task0: "yes" })).errors).toMatchObject({
      form: "This file was taken over before.",
    });
    // Taken back as one, what was set before stands again.
    expect(retractImport(yard.db, fileId, BY)).toBe(true);
    expect(workOf(id).products[0]!.rate).toBeCloseTo(1.8e-5, 12);
    expect(findImport(yard.db, fileId)!.takenBack).toBe(true);
  });

  it("is for another machine where the serial number is another one, and is not ticked then", async () => {
    const id = rigNamed("Sprayer");
    const fileId = await waiting(await fileOfRig(id), (xml) => xml.replace("SGB24-0172", "SGB24-0999"));
    const { tasks, machines } = await look(fileId);
    expect(tasks[0]!.looks[0]).toContain("SGB24-0999");
    expect(machines!.rows.find(({ name }) => name === "Sollgard B 24")).toMatchObject({ state: "differs" });
  });

  it("cannot be taken where its field is none here, its rate has no product, or it was done already", async () => {
    const id = rigNamed("Sprayer");
    const state = async (change: (xml: string) => string) => {
      const fileId = await waiting(await fileOfRig(id), change);
      const { tasks } = await look(fileId);
      expect(refusal(await take(fileId, { task0: "yes" })).errors).toHaveProperty("task0", tasks[0]!.said);
      return tasks[0]!.said;
    };
    expect(await state((xml) => xml.replace('C="Far Fifty"', 'C="Far Sixty"'))).toContain(
      "take the fields over first",
    );
    expect(await state((xml) => xml.replace(/ C="PDT\d+"/, ""))).toContain("names no product");
    expect(await state((xml) => xml.replace(/(<TSK [^>]*)G="1"/, '$1G="4"'))).toContain("completed");
    expect(await state((xml) => xml.replace('A="0001"', 'A="0006"'))).toContain("a rate by mass of it");
    expect(workOf(id).products[0]!.rate).toBeCloseTo(1.8e-5, 12);
  });

  it("brings crops and products that are new, a product without a form only with one, and nothing unticked", async () => {
    const id = rigNamed("Sprayer");
    const more = `<CTP A="CTP99" B="Linseed"><CVT A="CVT99" B="Blue Nyth"/></CTP><PDT A="PDT98" B="Trace mix"/><PDT A="PDT99" B="Other mix"/>`;
    const fileId = await waiting(await fileOfRig(id), (xml) => xml.replace("<TSK ", `${more}<TSK `));
    const { crops, products } = await look(fileId);
    const at = (name: string) => products.find((each) => each.name === name)!.at;
    expect(products.find(({ name }) => name === "Trace mix")).toMatchObject({ state: "new", asks: true });
    const ticks = {
      [`crop${crops.find(({ name }) => name === "Linseed")!.at}`]: "yes",
      [`product${at("Trace mix")}`]: "yes",
    };
    expect(refusal(await take(fileId, ticks)).errors).toEqual({
      [`form${at("Trace mix")}`]: "Say what it is.",
    });
    expect(productsOf(yard.db).some(({ name }) => name === "Trace mix")).toBe(false);
    await take(fileId, { ...ticks, [`form${at("Trace mix")}`]: "liquid" });
    expect(productsOf(yard.db).find(({ name }) => name === "Trace mix")!.form).toBe("liquid");
    expect(productsOf(yard.db).some(({ name }) => name === "Other mix")).toBe(false);
    expect(
      cropsOf(yard.db)
        .find(({ name }) => name === "Linseed")!
        .varieties.map(({ name }) => name),
    ).toEqual(["Blue Nyth"]);
  });

  it("is held against the rig somebody chooses, and refuses one rig twice, no tick, and nobody", async () => {
    const fileId = await waiting(await bytesOf(await ask(yardFile, "/tasks.zip", {})), (xml) =>
      xml.replaceAll('B="1800000"', 'B="1900000"').replaceAll('B="22000"', 'B="23000"'),
    );
    const first = await look(fileId);
    const at = (name: string) => first.tasks.find((each) => each.name.startsWith(name))!.at;
    const plough = rigNamed("Reversible plough");
    const chosen = await look(fileId, `?rig${at("Spreader")}=${plough}`);
    expect(chosen.tasks[at("Spreader")]).toMatchObject({ rigId: plough, state: "new" });
    expect(chosen.tasks[at("Spreader")]!.looks.join(" ")).toContain("is no machine of this rig");
    const twice = { [`task${at("Sprayer")}`]: "yes", [`task${at("Spreader")}`]: "yes" };
    const sprayer = String(rigNamed("Sprayer"));
    expect(
      refusal(
        await take(fileId, { ...twice, [`rig${at("Sprayer")}`]: sprayer, [`rig${at("Spreader")}`]: sprayer }),
      ).errors,
    ).toHaveProperty("form");
    expect(refusal(await take(fileId, {})).errors).toEqual({ form: "Nothing is ticked." });
    expect(refusal(await take(fileId, { ...twice, person: "" })).errors).toHaveProperty("person");
    await expect(look("no-such-file")).rejects.toMatchObject({ status: 404 });
  });
});
