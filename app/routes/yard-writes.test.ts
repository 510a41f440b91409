import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { USUAL_ORDER } from "../../core/card/order.ts";
import { SHIPPED_SCHEMES } from "../../core/card/shipped.ts";
import { listMachines, listPoints } from "../../data/machines.ts";
import { findRig, listRigs, toolsOf } from "../../data/rigs.ts";
import { findScheme, listSchemes } from "../../data/schemes.ts";
import { listTyres, roadLimitsOf } from "../../data/settings.ts";
import { toForm } from "../schemes/scheme.dto.ts";
import type { Kept } from "../session/outcome.ts";
import { loader as backupLoader } from "./backup.ts";
import { action as limitsAction, loader as limitsLoader } from "./limits.tsx";
import { loader as machineLoader } from "./machine.tsx";
import { loader as photoLoader } from "./photo.ts";
import { action as preferencesAction } from "./preferences.ts";
import { loader as csvLoader } from "./readings-csv.ts";
import { action as newRigAction } from "./rig-new.tsx";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "./sample-yard.ts";
import { action as schemeAction, loader as schemeLoader } from "./scheme.tsx";
import { loader as sheetLoader } from "./sheet-csv.ts";
import { loader as tapeListLoader } from "./tape-list.tsx";
import { action as tyreAction } from "./tyre.tsx";
import { action as yardAction } from "./yard.tsx";

let yard: SampleYard;
beforeEach(() => {
  yard = openSampleYard();
});
afterEach(() => yard.close());

const leadsTo = (answer: unknown) => (answer instanceof Response ? answer.headers.get("Location") : null);

describe("a rig in the yard", () => {
  const send = (fields: Record<string, string>) => submit(yardAction, "/", fields);
  const said = (answer: unknown) => (answer as { data: { kept: Kept } }).data.kept;

  it("is renamed, copied, put away and taken back", async () => {
    expect(said(await send({ intent: "rename", rigId: "4", name: "Stubble, narrow" })).said).toBe(
      "Renamed to Stubble, narrow",
    );
    expect(findRig(yard.db, 4)!.name).toBe("Stubble, narrow");
    await send({ intent: "copy", rigId: "4" });
    const copy = listRigs(yard.db).at(-1)!;
    expect(copy.name).toBe("Stubble, narrow, copy");
    expect(copy.implement.id).toBe(findRig(yard.db, 4)!.implement.id);
    expect(said(await send({ intent: "away", rigId: "4" })).undo).toEqual({ intent: "back", rigId: "4" });
    expect(findRig(yard.db, 4)!.archivedAt).not.toBeNull();
    expect(said(await send({ intent: "back", rigId: "4" })).undo).toEqual({ intent: "away", rigId: "4" });
    expect(findRig(yard.db, 4)!.archivedAt).toBeNull();
  });

  it("keeps its name where none was typed, and is not found where there is none", async () => {
    const { status, errors } = refusal(await send({ intent: "rename", rigId: "4", name: " " }));
    expect(status).toBe(422);
    expect(errors).toHaveProperty("name");
    expect(findRig(yard.db, 4)!.name).toBe("Stubble cultivator, 3 m");
    expect((await send({ intent: "copy", rigId: "99" })) as Response).toMatchObject({ status: 404 });
    expect(refusal(await send({ intent: "paint", rigId: "4" }))).toEqual({
      status: 422,
      errors: { form: "That request was not understood." },
    });
  });
});

describe("a new rig", () => {
  const machine = (fleet: string) => listMachines(yard.db).find((each) => each.fleetNumber === fleet)!;
  const point = (fleet: string, kind: string) =>
    listPoints(yard.db).find((each) => each.machineId === machine(fleet).id && each.kind === kind)!.id;
  const make = (fields: Record<string, string>) => submit(newRigAction, "/rigs/new", fields);

  const given = () => ({
    name: "Grain drill, spare tractor",
    tractorId: String(machine("T11").id),
    receiverPointId: String(point("T11", "receiver mount")),
    tools: `${machine("D2").id}:${point("T11", "drawbar hole")}`,
  });

  it("is put together from what stands in the yard, and opened", async () => {
    const answer = await make(given());
    expect(leadsTo(answer)).toBe("/rigs/18");
    expect(toolsOf(yard.db, 18)[0]).toMatchObject({
      name: "Grain drill, spare tractor",
      tractor: { fleetNumber: "T11" },
      implement: { fleetNumber: "D2" },
      attachment: "drawn",
    });
  });

  it("wants a name, a machine that drives, a mount of that machine, and a tool where it can hang", async () => {
    expect(refusal(await make({ ...given(), name: "", tools: "" })).errors).toMatchObject({
      name: expect.any(String),
      tools: "Choose a tool and what it hangs on.",
    });
    const driven = refusal(await make({ ...given(), tractorId: String(machine("D2").id) })).errors;
    expect(driven.tractorId).toContain("drives");
    const foreign = { receiverPointId: String(point("T4", "receiver mount")) };
    expect(refusal(await make({ ...given(), ...foreign })).errors.receiverPointId).toContain(
      "of this machine",
    );
    const hung = { tools: `${machine("C3").id}:${point("T11", "drawbar hole")}` };
    expect(refusal(await make({ ...given(), ...hung })).errors.tools).toContain(
      "Choose what the Tessbury Stubble 30 hangs on",
    );
    expect(listRigs(yard.db)).toHaveLength(17);
  });
});

describe("the limits of the roads", () => {
  const LIMITS = { country: "Ostmark", width: "2.55", height: "4", speed: "40", unbraked: "3,5 t" };
  const UNITS = { widthUnit: "m", heightUnit: "m", speedUnit: "km/h", unbrakedUnit: "kg" };
  const send = (fields: Partial<typeof LIMITS>) =>
    submit(limitsAction, "/limits", { ...LIMITS, ...UNITS, ...fields });

  it("are kept in SI and shown as they were meant", async () => {
    await send({});
    expect(roadLimitsOf(yard.db)).toMatchObject({
      country: "Ostmark",
      width: 2.55,
      height: 4,
      unbraked: 3500,
    });
    expect(roadLimitsOf(yard.db).speed).toBeCloseTo(11.111, 3);
    const { shown } = await ask(limitsLoader, "/limits");
    expect(shown).toMatchObject({ country: "Ostmark", width: expect.stringContaining("2.55") });
  });

  it("may be unknown, and are refused where they are no amounts", async () => {
    await send({ width: "", unbraked: "" });
    expect(roadLimitsOf(yard.db)).toMatchObject({ width: null, unbraked: null, height: 4 });
    const { errors } = refusal(await send({ speed: "fast", height: "tall" }));
    expect(Object.keys(errors).sort()).toEqual(["height", "speed"]);
    expect(roadLimitsOf(yard.db).height).toBe(4);
  });
});

describe("a tyre table", () => {
  const TABLE = "bar; 10 km/h; 40 km/h\n0.8; 2000; 1500\n1.6; 3000; 2200";
  const send = (id: string, fields: Record<string, string>) =>
    submit(
      tyreAction,
      `/tyres/${id}`,
      { label: "600/55", source: "book", table: TABLE, ...fields },
      { tyreId: id },
    );

  it("that cannot be read is refused by its line; a good one is kept", async () => {
    const before = listTyres(yard.db).length;
    const { errors } = refusal(await send("new", { table: "bar; 10 km/h\n0.8; many" }));
    expect(errors.table).toMatch(/^Line 2: /);
    expect(listTyres(yard.db)).toHaveLength(before);
    expect(refusal(await send("new", { label: "" })).errors).toHaveProperty("label");
    const answer = await send("new", {});
    if (leadsTo(answer) === null) throw new Error(JSON.stringify(refusal(answer)));
    expect(leadsTo(answer)).toBe("/tyres");
    const kept = listTyres(yard.db).find(({ label }) => label === "600/55")!;
    expect(kept.cells).toHaveLength(4);
    expect((await send("999", {})) as Response).toMatchObject({ status: 404 });
  });
});

describe("a scheme", () => {
  const order = JSON.stringify(USUAL_ORDER);
  const send = (id: string, fields: Record<string, string>) =>
    submit(schemeAction, `/schemes/${id}`, { order, ...fields }, { schemeId: id });
  const lines = JSON.stringify(SHIPPED_SCHEMES[0]!.lines.map(toForm));

  it("is made from another, under a name of its own", async () => {
    const { scheme } = await ask(schemeLoader, "/schemes/new?from=axle-m", { schemeId: "new" });
    expect(scheme.name).toBe("From the axle, metres, ours");
    const count = listSchemes(yard.db).length;
    expect(refusal(await send("new", { name: "From the axle, metres", asks: "", lines })).errors).toEqual({
      name: "There is a scheme of this name already.",
    });
    expect(leadsTo(await send("new", { name: "Ours", asks: "", lines }))).toBe("/schemes");
    expect(listSchemes(yard.db)).toHaveLength(count + 1);
  });

  it("is changed as a whole, or not at all", async () => {
    expect(refusal(await send("axle-m", { name: "X", asks: "", lines: "not json" })).errors).toHaveProperty(
      "lines",
    );
    expect(findScheme(yard.db, "axle-m")!.lines).toHaveLength(SHIPPED_SCHEMES[0]!.lines.length);
    const one = JSON.stringify([toForm(SHIPPED_SCHEMES[0]!.lines[0]!)]);
    expect(leadsTo(await send("axle-m", { name: "Short", asks: "", lines: one }))).toBe("/schemes");
    expect(findScheme(yard.db, "axle-m")).toMatchObject({
      name: "Short",
      lines: [{ label: "Axle to receiver" }],
    });
    expect((await send("none", { name: "X", asks: "", lines })) as Response).toMatchObject({ status: 404 });
  });
});

describe("what a device prefers", () => {
  const tell = (fields: Record<string, string>) => submit(preferencesAction, "/preferences", fields);

  it("is what was chosen, and the rest stays", async () => {
    const answer = (await tell({ choice: "us", person: "  Ida " })) as unknown as {
      init: { headers: Record<string, string> };
    };
    const cookie = decodeURIComponent(answer.init.headers["Set-Cookie"]!.split(";")[0]!.split("=")[1]!);
    const kept = JSON.parse(Buffer.from(cookie, "base64").toString());
    expect(kept).toMatchObject({ choice: "us", theme: "day", person: "Ida" });
  });

  it("is refused by field where there is no such choice, and nothing is kept", async () => {
    const answer = await tell({ choice: "us", theme: "purple", person: "x".repeat(80) });
    expect(refusal(answer)).toMatchObject({
      status: 422,
      errors: { theme: expect.any(String), person: expect.any(String) },
    });
    expect(JSON.stringify(answer)).not.toContain("Set-Cookie");
  });
});

describe("files to take away", () => {
  it("the readings of one rig, or of the yard, for a spreadsheet", async () => {
    const one = await (await ask(csvLoader, "/rigs/3/readings.csv", { rigId: "3" })).text();
    const all = await (await ask(csvLoader, "/readings.csv")).text();
    expect(one).toContain("as typed");
    expect(one.split("\n").length).toBeGreaterThan(30);
    expect(all.split("\n").length).toBeGreaterThan(3 * one.split("\n").length);
    await expect(ask(csvLoader, "/rigs/99/readings.csv", { rigId: "99" })).rejects.toMatchObject({
      status: 404,
    });
  });

  it("a sheet to fill, with what stands now beside it", async () => {
    const text = await (await ask(sheetLoader, "/rigs/3/sheet.csv?of=guidance", { rigId: "3" })).text();
    expect(text).toContain("tool.width");
    expect(text).not.toContain("\u00a0");
    const other = await (await ask(sheetLoader, "/rigs/3/sheet.csv?of=nonsense", { rigId: "3" })).text();
    expect(other).toBe(text);
  });

  it("a backup that is a database, and no photo that is not there", async () => {
    const bytes = new Uint8Array(await (await ask(backupLoader, "/backup.db")).arrayBuffer());
    expect(new TextDecoder().decode(bytes.slice(0, 15))).toBe("SQLite format 3");
    await expect(ask(photoLoader, "/photos/none", { photoId: "none" })).rejects.toMatchObject({
      status: 404,
    });
  });

  it("a list of what a person with a tape should read, without rigs where nothing is open", async () => {
    const { lists } = await ask(tapeListLoader, "/tape-list");
    const names = lists.map(({ head }) => head.name);
    expect(names).toContain("Borrowed drill, 6 m");
    const roller = lists.find(({ head }) => head.name === "Cart, drill and roller, 9 m")!;
    expect(roller.rows.map(({ label }) => label)).toContain("Hitch to hitch of the second implement");
    for (const { rows } of lists) expect(rows.length).toBeGreaterThan(0);
  });
});

describe("a machine's page", () => {
  it("tells what the machine is in, and is not found for what is none", async () => {
    const { machine } = await ask(machineLoader, "/machines/1", { machineId: "1" });
    expect(machine).toMatchObject({ make: "Belvane" });
    for (const id of ["999", "x", "-1"])
      await expect(ask(machineLoader, `/machines/${id}`, { machineId: id })).rejects.toMatchObject({
        status: 404,
      });
    const drivers = new Set(listRigs(yard.db).map(({ tractor }) => tractor.id));
    expect(drivers.size).toBe(toolsOf(yard.db, 1).length + 9);
  });
});
