import { strFromU8, unzipSync } from "fflate";
import { type Device, ISOXMLManager } from "isoxml";
import dictionary from "isoxml/dist/DDEntities.js";
import { SaxesParser } from "saxes";
import { describe, expect, it } from "vitest";
import { sampleRig } from "../../core/rig/sample.ts";
import { DDI, describeRig, millimetres } from "./describe.ts";
import { writeTaskData } from "./write.ts";

const TRACTOR = { designator: "Tug & Tow <1>", serial: 'S"1', busName: "A00284001E20008B", id: 1 };
const DRILL = { designator: "Drill", serial: "", busName: "", id: 2 };
const bytes = (rig = sampleRig()) =>
  writeTaskData(describeRig(TRACTOR, [{ rig, identity: DRILL, behind: null }]), "Spring & winter");

type Node = { name: string; attributes: Record<string, string>; children: Node[] };

/** Reads the file with a parser that has nothing to do with the one that wrote it. */
function tree(zip: Uint8Array): Node {
  const files = unzipSync(zip);
  expect(Object.keys(files)).toEqual(["TASKDATA/TASKDATA.XML"]);
  const root: Node = { name: "", attributes: {}, children: [] };
  const stack = [root];
  const parser = new SaxesParser();
  parser.on("error", (error) => {
    throw error;
  });
  parser.on("opentag", ({ name, attributes }) => {
    const node = { name, attributes: attributes as Record<string, string>, children: [] };
    stack.at(-1)!.children.push(node);
    stack.push(node);
  });
  parser.on("closetag", () => stack.pop());
  parser.write(strFromU8(files["TASKDATA/TASKDATA.XML"]!)).close();
  return root.children[0]!;
}

const all = (node: Node, name: string): Node[] => node.children.filter((child) => child.name === name);

/** Element designator → DDI → value, following object references as a terminal would. */
function values(device: Node): Record<string, Record<string, number>> {
  const property = new Map(all(device, "DPT").map(({ attributes }) => [attributes.A!, attributes]));
  return Object.fromEntries(
    all(device, "DET").map((element) => [
      element.attributes.D!,
      Object.fromEntries(
        all(element, "DOR").map(({ attributes }) => {
          const found = property.get(attributes.A!)!;
          return [Number.parseInt(found.B!, 16), Number(found.C)];
        }),
      ),
    ]),
  );
}

describe("the exported file", () => {
  const root = tree(bytes());
  const [tractor, drill] = all(root, "DVC") as [Node, Node];

  it("is version 4 and names both machines, special characters and all", () => {
    expect(root.name).toBe("ISO11783_TaskData");
    expect(root.attributes.VersionMajor).toBe("4");
    expect(tractor.attributes).toMatchObject({ B: "Tug & Tow <1>", D: "A00284001E20008B", E: 'S"1' });
    expect(drill.attributes.D).toMatch(/^[0-9A-F]{16}$/);
    expect(drill.attributes.F).toMatch(/^[0-9A-F]{14}$/);
    expect(drill.attributes.G).toMatch(/^[0-9A-F]{14}$/);
  });

  it("has the tractor's millimetres, worked by hand", () => {
    // receiver 1.73 ahead, 0.015 left, 2.94 up (z down: −2940); pin 1.04 behind
    expect(values(tractor)).toEqual({
      Tractor: { 180: 0 },
      Receiver: { 134: 1730, 135: -15, 136: -2940 },
      Drawbar: { 157: 1, 134: -1040, 135: 0 },
    });
  });

  it("has the drill's millimetres from its pivot, worked by hand", () => {
    // pin 5.26 ahead of the pivot; middle of the work (4.18 + 4.50)/2 = 4.34 behind the pin → 0.92 ahead of the
    // pivot; ranks 0.32 apart; sections of 1.5 about +0.025: −1.475, 0.025, 1.525
    const work = { 134: 920, 226: 320 };
    expect(values(drill)).toEqual({
      Drill: { 180: 0, 306: 0, 307: 0 },
      Coupling: { 157: 1, 134: 5260, 135: 0 },
      Work: { ...work, 135: 25, 67: 4500, 70: 4500 },
      "Section 1": { ...work, 135: -1475, 67: 1500 },
      "Section 2": { ...work, 135: 25, 67: 1500 },
      "Section 3": { ...work, 135: 1525, 67: 1500 },
    });
  });

  it("has unique object ids and element numbers, and a tree that hangs together", () => {
    for (const device of [tractor, drill]) {
      const ids = [
        ...all(device, "DET").map((n) => n.attributes.B),
        ...all(device, "DPT").map((n) => n.attributes.A),
        ...all(device, "DVP").map((n) => n.attributes.A),
      ];
      expect(new Set(ids).size).toBe(ids.length);
      const numbers = all(device, "DET").map((n) => n.attributes.E);
      expect(new Set(numbers).size).toBe(numbers.length);
      for (const element of all(device, "DET")) expect(["0", ...ids]).toContain(element.attributes.F);
    }
  });

  it("couples the two at their connectors", () => {
    const [task] = all(root, "TSK") as [Node];
    const connector = (device: Node) => all(device, "DET").find((n) => n.attributes.C === "6")!.attributes.A;
    expect(task.attributes.B).toBe("Spring & winter");
    expect(all(task, "CNN")[0]!.attributes).toEqual({
      A: tractor.attributes.A,
      B: connector(tractor),
      C: drill.attributes.A,
      D: connector(drill),
    });
  });

  it("is read back by the isoxml library without a warning", async () => {
    const manager = new ISOXMLManager();
    await manager.parseISOXMLFile(bytes(), "application/zip");
    expect(manager.getWarnings()).toEqual([]);
    const devices = manager.rootElement.attributes.Device as Device[];
    expect(devices.map((each) => each.attributes.DeviceDesignator)).toEqual(["Tug & Tow <1>", "Drill"]);
    expect(devices[1]!.attributes.DeviceElement).toHaveLength(6);
  });

  it("leaves out what is not measured, rather than write a zero", () => {
    const [bare] = all(tree(bytes(sampleRig({ "receiver.height": null, "axle.pin": null }))), "DVC") as [
      Node,
    ];
    expect(values(bare)).toMatchObject({ Receiver: { 134: 1730, 135: -15 }, Drawbar: { 157: 1, 135: 0 } });
    expect(values(bare).Receiver).not.toHaveProperty("136");
    expect(values(bare).Drawbar).not.toHaveProperty("134");
  });

  it("changes its structure label when a length changes", () => {
    const label = (rig = sampleRig()) => all(tree(bytes(rig)), "DVC")[1]!.attributes.F;
    expect(label()).toBe(label());
    expect(label(sampleRig({ "pin.pivot": 5.27 }))).not.toBe(label());
  });
});

describe("sections of their own", () => {
  it("lie ahead or behind by their own offset, on top of the work's", () => {
    const rig = sampleRig();
    const swept = {
      ...rig,
      sections: {
        ...rig.sections!,
        parts: [
          { ahead: -0.4, product: "" },
          { ahead: 0, product: "" },
          { ahead: -0.4, product: "" },
        ],
      },
    };
    const drill = (of: typeof rig) => values(all(tree(bytes(of)), "DVC")[1]!);
    const straight = drill(rig)["Section 1"]![DDI.offsetX]!;
    expect(drill(swept)["Section 1"]![DDI.offsetX]).toBe(straight - 400);
    expect(drill(swept)["Section 2"]![DDI.offsetX]).toBe(straight);
  });
});

describe("identifiers", () => {
  const entities = ((dictionary as { default?: unknown }).default ?? dictionary) as Record<
    string,
    { name: string; unit: string; bitResolution: number }
  >;

  it.each([
    [DDI.offsetX, "Device Element Offset X"],
    [DDI.offsetY, "Device Element Offset Y"],
    [DDI.offsetZ, "Device Element Offset Z"],
    [DDI.referenceToGround, "Device Reference Point (DRP) to Ground distance"],
    [DDI.actualWidth, "Actual Working Width"],
    [DDI.maximumWidth, "Maximum Working Width"],
    [DDI.actualWorkingLength, "Actual Working Length"],
    [DDI.rotationX, "True Rotation Point X-Offset"],
    [DDI.rotationY, "True Rotation Point Y-Offset"],
  ])("%d is %s, whole millimetres, in the library's dictionary", (ddi, name) => {
    const { name: known, unit, bitResolution } = entities[ddi]!;
    expect(known.replace(/\s+/g, " ")).toContain(name);
    expect({ unit, bitResolution }).toEqual({ unit: "mm", bitResolution: 1 });
  });

  it("157 is the connector type", () => {
    expect(entities[DDI.connectorType]!.name).toContain("Connector Type");
  });
});

describe("millimetres", () => {
  it("are whole, halves away from zero, and never minus zero", () => {
    expect(millimetres(1.0005)).toBe(1001);
    expect(millimetres(-1.0005)).toBe(-1001);
    expect(millimetres(12.375 * 0.0254)).toBe(314);
    expect(Object.is(millimetres(-0), 0)).toBe(true);
  });
});
