import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { resolveRig } from "../../core/rig/resolve.ts";
import { rigFacts } from "../../data/facts.ts";
import { keepPreview } from "../../data/imports.ts";
import { listMachines, pointsOf } from "../../data/machines.ts";
import { createRig, toolsOf } from "../../data/rigs.ts";
import { BY } from "../../data/sample-told.ts";
import { readTaskData } from "../../formats/isoxml/read.ts";
import { action as importAction, loader as importLoader } from "./import.tsx";
import { ask, openSampleYard, refusal, type SampleYard, submit } from "./sample-yard.ts";
import { loader as fileLoader } from "./taskdata.ts";

let yard: SampleYard;
beforeAll(() => {
  yard = openSampleYard();
});
afterAll(() => yard.close());

const person = "Ilse Marrin";

/** Takes a rig's own file in as a stranger's would be, and returns the preview's id. */
async function takenIn(rigId: number, change: (text: string) => string = (name) => name): Promise<string> {
  const answer = await ask(fileLoader, `/rigs/${rigId}/taskdata.zip`, { rigId: String(rigId) });
  const bytes = new Uint8Array(await answer.arrayBuffer());
  // Another yard's machines: no NAME and no serial number of ours.
  const content = readTaskData(bytes).map((device) => ({
    ...device,
    busName: "",
    serial: "",
    designator: change(device.designator),
  }));
  return keepPreview(yard.db, { fileName: "theirs.zip", bytes, content, at: new Date() });
}

const preview = (batchId: string, query = "") =>
  ask(importLoader, `/files/${batchId}${query}`, { batchId }).then(({ devices }) => devices);
const takeOver = (batchId: string, fields: Record<string, string>) =>
  submit(importAction, `/files/${batchId}`, { person, ...fields }, { batchId });

describe("a file of another yard", () => {
  it("makes machines that hang as theirs do, with every length to the millimetre", async () => {
    const batchId = await takenIn(5, (name) => `Kentwold ${name}`);
    const devices = await preview(batchId);
    expect(devices.map(({ device }) => device.attachment)).toEqual(["mounted", "front", "mounted"]);
    const ticks = Object.fromEntries(
      devices.flatMap(({ rows }, index) =>
        rows.filter(({ ticked }) => ticked).map(({ key }) => [`t${index}.${key}`, "yes"] as const),
      ),
    );
    const answer = (await takeOver(batchId, ticks)) as Response;
    expect(answer.headers.get("Location")).toMatch(/^\/machines\?imported=\d+,\d+,\d+$/);
    const made = listMachines(yard.db).filter(({ make }) => make === "Kentwold");
    expect(made.map(({ kind, attachment }) => [kind, attachment])).toEqual([
      ["tractor", "drawn"],
      ["implement", "front"],
      ["implement", "mounted"],
    ]);
    const [tractor, front] = made as [(typeof made)[0], (typeof made)[0]];
    const at = (kind: string) => pointsOf(yard.db, tractor.id).find((point) => point.kind === kind)?.id;
    const mount = at("receiver mount")!;
    const links = at("front three-point") ?? at("rear three-point")!;
    const id = createRig(
      yard.db,
      {
        name: "Theirs",
        tractorId: tractor.id,
        receiverPointId: mount,
        couplings: [{ pointId: links, implementId: front.id, behind: null }],
      },
      BY,
    );
    const { values } = resolveRig(rigFacts(yard.db, toolsOf(yard.db, id)[0]!));
    expect(values["pin.workFront"]).toMatchObject({ value: 1.04, grade: "assumed" });
    // A cutter bar works along one line: the file says so by having it twice.
    expect(values["pin.workRear"].value).toBe(1.04);
    expect(values["receiver.foreAft"].value).toBe(1.335);
  });

  it("shows on which machine it would go, and what it would change there", async () => {
    const batchId = await takenIn(4);
    const cultivator = listMachines(yard.db).find(({ fleetNumber }) => fleetNumber === "C3")!;
    const [, tool] = await preview(batchId, `?m1=${cultivator.id}`);
    expect(tool!.target.machine).toBe(cultivator.id);
    expect(new Set(tool!.rows.map(({ state }) => state))).toEqual(new Set(["same"]));
    expect(tool!.rows.some(({ ticked }) => ticked)).toBe(false);
  });

  it("goes onto no machine of another kind, and nowhere without a name", async () => {
    const batchId = await takenIn(4);
    const tractor = listMachines(yard.db).find(({ fleetNumber }) => fleetNumber === "T4")!;
    const count = listMachines(yard.db).length;
    expect(refusal(await takeOver(batchId, { m1: String(tractor.id) })).errors.form).toContain(
      "cannot go onto that machine",
    );
    expect(refusal(await takeOver(batchId, { person: "" })).errors).toHaveProperty("person");
    expect(listMachines(yard.db)).toHaveLength(count);
  });

  it("is taken over once", async () => {
    const batchId = await takenIn(8);
    await takeOver(batchId, { m0: "skip", m1: "skip" });
    expect(refusal(await takeOver(batchId, {})).errors.form).toBe("This file was imported before.");
    await expect(preview("none")).rejects.toMatchObject({ status: 404 });
  });
});
