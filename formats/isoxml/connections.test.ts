import fc from "fast-check";
import { strFromU8, unzipSync } from "fflate";
import { type Device, ISOXMLManager } from "isoxml";
import { describe, expect, it } from "vitest";
import { type Attachment, isAhead } from "../../core/dimension/attachment.ts";
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import { hasDimension } from "../../core/dimension/catalogue.ts";
import { type ResolvedRig, resolveRig } from "../../core/rig/resolve.ts";
import { sampleFacts, sampleReading } from "../../core/rig/sample.ts";
import type { ToolKindKey } from "../../core/trade/kinds.ts";
import { DDI, type Description, describeRig, type Element, type PartToDescribe } from "./describe.ts";
import { readTaskData } from "./read.ts";
import { writeTaskData } from "./write.ts";

type Lengths = Partial<Record<DimensionKey, number | null>>;

const DRIVER = { designator: "Puller", serial: "", busName: "", id: 1 };
const named = (designator: string, id: number) => ({ designator, serial: `no ${id}`, busName: "", id });

/** The sample rig hung on in another way. */
function rigOn(attachment: Attachment, lengths: Lengths = {}, kind: ToolKindKey | null = null): ResolvedRig {
  const facts = sampleFacts(lengths);
  const told = kind === null ? {} : { "tool.kind": [sampleReading("tool.kind", 0, { rawText: kind })] };
  return resolveRig({ ...facts, readings: { ...facts.readings, ...told }, attachment });
}

function alone(attachment: Attachment, lengths: Lengths = {}, kind: ToolKindKey | null = null): Description {
  const rig = rigOn(attachment, lengths, kind);
  return describeRig(DRIVER, [{ rig, identity: named("Tool", 2), behind: null }]);
}

const figures = ({ properties }: Element) =>
  Object.fromEntries(properties.map(({ ddi, value }) => [ddi, value]));
const elementOf = (description: Description, device: number, type: Element["type"], at = 0) =>
  description.devices[device]!.elements.filter((each) => each.type === type)[at]!;

describe("how a tool hangs", () => {
  it("mounted behind: counted from the lower link ends, nothing to turn about", () => {
    const tool = alone("mounted", { "pin.workFront": 0.61, "pin.workRear": 2.02 });
    expect(figures(elementOf(tool, 1, "device"))).toEqual({ [DDI.referenceToGround]: 0 });
    expect(figures(elementOf(tool, 1, "connector"))).toEqual({
      [DDI.connectorType]: 3,
      [DDI.offsetX]: 0,
      [DDI.offsetY]: 0,
    });
    // middle of −610 and −2020: −1315; 1410 long
    expect(figures(elementOf(tool, 1, "function"))).toMatchObject({
      [DDI.offsetX]: -1315,
      [DDI.actualWorkingLength]: 1410,
    });
  });

  it("mounted in front: its work lies ahead of its hitch, and the hitch ahead of the axle", () => {
    const tool = alone("front", { "axle.pin": 3.62, "pin.workFront": 1.04, "pin.workRear": 0.72 });
    expect(figures(elementOf(tool, 0, "connector"))[DDI.offsetX]).toBe(3620);
    expect(elementOf(tool, 0, "connector").designator).toBe("Front three-point");
    expect(figures(elementOf(tool, 1, "function"))).toMatchObject({
      [DDI.offsetX]: 880,
      [DDI.actualWorkingLength]: 320,
    });
  });

  it("with wheels of its own, drawn or on the links: counted from the wheels, which it turns about", () => {
    for (const [attachment, type] of [
      ["drawn", 1],
      ["links", 2],
      ["semi", 2],
    ] as const) {
      const tool = alone(attachment);
      expect(figures(elementOf(tool, 1, "device")), attachment).toMatchObject({ [DDI.rotationX]: 0 });
      expect(figures(elementOf(tool, 1, "connector"))).toMatchObject({
        [DDI.connectorType]: type,
        [DDI.offsetX]: 5260,
      });
      expect(figures(elementOf(tool, 0, "connector"))[DDI.connectorType]).toBe(type);
    }
  });

  it("fixed to its machine: along one line, by the connector of a machine that drives itself", () => {
    for (const attachment of ["head", "boom", "frontBoom"] as const) {
      const tool = alone(attachment, { "axle.pin": 1.86, "pin.workFront": 1.24, "pin.workRear": null });
      const sense = attachment === "boom" ? -1 : 1;
      expect(figures(elementOf(tool, 1, "connector"))[DDI.connectorType]).toBe(9);
      expect(figures(elementOf(tool, 0, "connector"))[DDI.connectorType]).toBe(9);
      expect(figures(elementOf(tool, 1, "function"))).toMatchObject({
        [DDI.offsetX]: sense * 1240,
        [DDI.actualWorkingLength]: 0,
      });
      expect(figures(elementOf(tool, 0, "connector"))[DDI.offsetX]).toBe(sense * 1860);
    }
  });
});

describe("a train of three", () => {
  const cart = { rig: rigOn("drawn", { "pin.pivot": 4.54 }), identity: named("Cart", 2), behind: null };
  const drill: PartToDescribe = {
    rig: rigOn("train", { "train.hitch": 6.12, "pin.pivot": 5.24 }),
    identity: named("Drill", 3),
    behind: 0,
  };
  const roller: PartToDescribe = {
    rig: rigOn("third", { "train.hitch": 6.12, "train.second": 6.71, "pin.pivot": 3.14 }),
    identity: named("Roller", 4),
    behind: 1,
  };
  const train = describeRig(DRIVER, [cart, drill, roller]);

  it("has a rear hitch on each tool that pulls another, from that tool's own wheels, worked by hand", () => {
    // pin to wheels 4.540, pin to rear hitch 6.120: the hitch lies 1.580 behind the wheels
    expect(figures(elementOf(train, 1, "connector", 1))).toMatchObject({
      [DDI.offsetX]: -1580,
      [DDI.connectorType]: 1,
    });
    // 5.240 and 6.710: 1.470 behind
    expect(figures(elementOf(train, 2, "connector", 1))[DDI.offsetX]).toBe(-1470);
    expect(train.devices[3]!.elements.filter(({ type }) => type === "connector")).toHaveLength(1);
  });

  it("is coupled link by link", () => {
    expect(train.connections.map(({ from, to }) => [from.device, to.device])).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
    ]);
    for (const { from, to } of train.connections)
      for (const { device, element } of [from, to])
        expect(train.devices[device]!.elements[element]!.type).toBe("connector");
  });

  it("leaves out where a tool hangs that nobody taped, and keeps the link", () => {
    const untaped = { ...roller, rig: rigOn("third", { "train.hitch": 6.12, "pin.pivot": 3.14 }) };
    const part = describeRig(DRIVER, [cart, drill, untaped]);
    expect(figures(elementOf(part, 2, "connector", 1))).not.toHaveProperty(String(DDI.offsetX));
    expect(part.connections).toHaveLength(3);
  });

  it("is read back by the isoxml library without a warning, with its links", async () => {
    const manager = new ISOXMLManager();
    await manager.parseISOXMLFile(writeTaskData(train, "Train"), "application/zip");
    expect(manager.getWarnings()).toEqual([]);
    const devices = manager.rootElement.attributes.Device as Device[];
    expect(devices.map(({ attributes }) => attributes.DeviceDesignator)).toEqual([
      "Puller",
      "Cart",
      "Drill",
      "Roller",
    ]);
    const [task] = manager.rootElement.attributes.Task!;
    expect(task!.attributes.Connection).toHaveLength(3);
    expect(task!.attributes.DeviceAllocation).toHaveLength(4);
  });

  it("a front tool and a rear one hang on connectors of their own", () => {
    const both = describeRig(DRIVER, [
      { rig: rigOn("front", { "axle.pin": 3.62 }), identity: named("Front", 2), behind: null },
      { rig: rigOn("mounted"), identity: named("Rear", 3), behind: null },
    ]);
    const hitches = both.devices[0]!.elements.filter(({ type }) => type === "connector");
    expect(hitches.map(({ designator }) => designator)).toEqual(["Front three-point", "Rear three-point"]);
    expect(hitches.map((each) => figures(each)[DDI.offsetX])).toEqual([3620, -1040]);
    expect(new Set(hitches.map(({ number }) => number)).size).toBe(2);
  });

  it("is refused where there is no tool", () => {
    expect(() => describeRig(DRIVER, [])).toThrow(RangeError);
  });
});

describe("switching times", () => {
  const tool = alone("drawn", { "work.delayOn": 0.62, "work.delayOff": 0.345 });

  it("stand with the work, in milliseconds, shown in milliseconds", () => {
    expect(figures(elementOf(tool, 1, "function"))).toMatchObject({
      [DDI.turnOnTime]: 620,
      [DDI.turnOffTime]: 345,
    });
    const xml = strFromU8(unzipSync(writeTaskData(tool, "t"))["TASKDATA/TASKDATA.XML"]!);
    const shown = /<DPT A="\d+" B="00CD" C="620" D="Turn on time" E="(\d)"/.exec(xml)?.[1];
    expect(xml).toMatch(new RegExp(`<DVP A="${shown}" B="0" C="1" D="0" E="ms"`));
  });

  it("are left out where nobody measured them, and told when a file has them", () => {
    expect(figures(elementOf(alone("drawn"), 1, "function"))).not.toHaveProperty(String(DDI.turnOnTime));
    const [, read] = readTaskData(writeTaskData(tool, "t"));
    expect(read!.notes.join(" ")).toContain("on 620 ms, off 345 ms");
    expect(read!.values).not.toHaveProperty("work.delayOn");
  });
});

describe("our own file read back, however the tool hangs", () => {
  const mm = (low: number, high: number) => fc.integer({ min: low, max: high }).map((each) => each / 1000);
  const READ_AS: [Attachment, Attachment][] = [
    ["drawn", "drawn"],
    ["links", "semi"],
    ["semi", "semi"],
    ["mounted", "mounted"],
    ["front", "front"],
    ["boom", "boom"],
    ["frontBoom", "frontBoom"],
    ["head", "head"],
  ];

  it.each(READ_AS)("%s is read as %s, to the millimetre", (attachment, told) => {
    const work = hasDimension(attachment, "pin.workRear")
      ? fc.record({ "pin.workFront": mm(200, 3000), "pin.workRear": mm(3001, 7000) })
      : mm(200, 3000).map((each) => ({ "pin.workFront": each, "pin.workRear": null }));
    fc.assert(
      fc.property(work, mm(1000, 9000), mm(-2000, 2000), (along, pivot, lateral) => {
        const ahead =
          isAhead(attachment) && hasDimension(attachment, "pin.workRear")
            ? { ...along, ...swapped(along) }
            : along;
        const lengths: Lengths = { ...ahead, "pin.pivot": pivot, "tool.lateral": lateral };
        const [, read] = readTaskData(writeTaskData(alone(attachment, lengths), "t"));
        expect(read!.attachment).toBe(told);
        expect(read!.values["pin.workFront"]).toBe(lengths["pin.workFront"]);
        expect(read!.values["pin.workRear"]).toBe(lengths["pin.workRear"] ?? lengths["pin.workFront"]);
        expect(read!.kind).toBe("implement");
        expect(read!.values["tool.lateral"]).toBe(lateral);
        expect(read!.values["pin.pivot"]).toBe(hasDimension(attachment, "pin.pivot") ? pivot : undefined);
        expect(read!.zeros).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe("what drives, read back", () => {
  const machineOf = (attachment: Attachment, lengths: Lengths = {}) =>
    readTaskData(writeTaskData(alone(attachment, lengths), "t"))[0]!;

  it.each<[Attachment, string, number]>([
    ["head", "self-propelled", 7],
    ["frontBoom", "self-propelled", 6],
    ["boom", "self-propelled", 6],
    ["drawn", "tractor", 1],
    ["mounted", "tractor", 1],
  ])(
    "with a tool that hangs as %s is a %s of class %d, and has its hitch the way it lies",
    (attachment, kind, deviceClass) => {
      const sprays = attachment === "boom" || attachment === "frontBoom";
      const description = alone(attachment, { "axle.pin": 1.86 }, sprays ? "sprayer" : null);
      expect(description.devices[0]!.deviceClass).toBe(deviceClass);
      const [read] = readTaskData(writeTaskData(description, "t"));
      expect(read).toMatchObject({ kind, attachment, notes: [] });
      expect(read!.values["axle.pin"]).toBe(1.86);
    },
  );

  it("has no drawbar where its only connector lies ahead of the axle", () => {
    const read = machineOf("front", { "axle.pin": 3.9 });
    expect(read.kind).toBe("tractor");
    expect(read.values).not.toHaveProperty("axle.pin");
    expect(read.notes.join(" ")).toContain("lies ahead of the axle");
  });
});

/** In front the front of the work is the further one. */
function swapped(along: Lengths): Lengths {
  return {
    "pin.workFront": along["pin.workRear"] ?? null,
    "pin.workRear": along["pin.workFront"] ?? null,
  };
}
