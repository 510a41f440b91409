/**
 * A rig as ISO 11783-10 device descriptions: plain data, millimetres, before any XML.
 *
 * Axes are those of the standard, x forward, y right, z down, so no sign is turned. The tractor's reference
 * point is the middle of the rear axle's track on the ground (DDI 180 = 0, heights become −z). That of a tool with
 * wheels of its own is its pivot on the ground, which makes X of its connector +(pin → pivot); that of a tool which
 * is carried is where it hangs (common practice, no source). Offsets are from the device's own reference point, never
 * summed along parents or along a train. What is not measured is left out, never zero.
 */
import { type Attachment, isFixed } from "../../core/dimension/attachment.ts";
import { hasDimension } from "../../core/dimension/catalogue.ts";
import type { PointKey } from "../../core/dimension/points.ts";
import { between } from "../../core/rig/chain.ts";
import { givenSections, type ResolvedRig } from "../../core/rig/resolve.ts";
import { placeSections } from "../../core/rig/sections.ts";
import { TOOL_KINDS, type ToolKindKey } from "../../core/trade/kinds.ts";

/** Identifiers of ISO 11783-11's data dictionary used here. */
export const DDI = {
  offsetX: 134,
  offsetY: 135,
  offsetZ: 136,
  connectorType: 157,
  referenceToGround: 180,
  actualWidth: 67,
  maximumWidth: 70,
  actualWorkingLength: 226,
  rotationX: 306,
  rotationY: 307,
  turnOnTime: 205,
  turnOffTime: 206,
} as const;

/** DDI 157, from memory of ISO 11783-11. */
export const CONNECTOR = { unknown: 0, drawbar: 1, semiMounted: 2, mounted: 3, chassis: 9 } as const;

const CONNECTOR_OF: Record<Attachment, number> = {
  drawn: CONNECTOR.drawbar,
  train: CONNECTOR.drawbar,
  third: CONNECTOR.drawbar,
  links: CONNECTOR.semiMounted,
  semi: CONNECTOR.semiMounted,
  mounted: CONNECTOR.mounted,
  front: CONNECTOR.mounted,
  head: CONNECTOR.chassis,
  boom: CONNECTOR.chassis,
  frontBoom: CONNECTOR.chassis,
};

const HITCH_NAMES: Record<Attachment, string> = {
  drawn: "Drawbar",
  train: "Rear hitch",
  third: "Rear hitch",
  links: "Rear lower links",
  semi: "Rear three-point",
  mounted: "Rear three-point",
  front: "Front three-point",
  head: "Head mount",
  boom: "Boom mount",
  frontBoom: "Boom mount",
};

/** Device classes of the agricultural industry group, ISO 11783-1, from memory. */
export const DEVICE_CLASS = {
  any: 0,
  tractor: 1,
  primaryTillage: 2,
  secondaryTillage: 3,
  seeder: 4,
  fertiliser: 5,
  sprayer: 6,
  harvester: 7,
  forage: 9,
  transport: 11,
} as const;

const CLASS_OF: Record<ToolKindKey, number> = {
  plough: DEVICE_CLASS.primaryTillage,
  subsoiler: DEVICE_CLASS.primaryTillage,
  chisel: DEVICE_CLASS.primaryTillage,
  disc: DEVICE_CLASS.secondaryTillage,
  cultivator: DEVICE_CLASS.secondaryTillage,
  hoe: DEVICE_CLASS.secondaryTillage,
  roller: DEVICE_CLASS.secondaryTillage,
  planter: DEVICE_CLASS.seeder,
  drill: DEVICE_CLASS.seeder,
  mower: DEVICE_CLASS.forage,
  conditioner: DEVICE_CLASS.forage,
  rake: DEVICE_CLASS.forage,
  spreader: DEVICE_CLASS.fertiliser,
  sprayer: DEVICE_CLASS.sprayer,
  cart: DEVICE_CLASS.transport,
  header: DEVICE_CLASS.harvester,
  other: DEVICE_CLASS.any,
};

export type ElementType = "device" | "function" | "section" | "connector" | "navigation";

export type Property = { ddi: number; value: number; unit: "mm" | "ms" | null; designator: string };

export type Element = {
  type: ElementType;
  designator: string;
  number: number;
  /** index of the parent in the device's list; null for the device itself */
  parent: number | null;
  properties: Property[];
};

export type MachineIdentity = {
  designator: string;
  serial: string;
  /** 16 hex digits; empty where nobody read it */
  busName: string;
  /** told apart by this where there is no bus NAME */
  id: number;
};

export type DeviceDescription = MachineIdentity & { deviceClass: number; elements: Element[] };

/** A connector of a device, both by their place in the lists. */
export type Plug = { device: number; element: number };

export type Description = {
  /** what drives first, then the tools as they are coupled */
  devices: DeviceDescription[];
  connections: { from: Plug; to: Plug }[];
};

/** One tool of a rig, and which of the tools it hangs on; null: the machine that drives. */
export type PartToDescribe = { rig: ResolvedRig; identity: MachineIdentity; behind: number | null };

/** Metres to the nearest whole millimetre, halves away from zero. */
export function millimetres(metres: number): number {
  const rounded = Math.round(Math.abs(metres) * 1e6) / 1e3;
  return Math.sign(metres) * Math.round(rounded) || 0;
}

type Named = Exclude<keyof typeof DDI, "connectorType" | "turnOnTime" | "turnOffTime">;

const PROPERTY_NAMES: Record<Named, string> = {
  offsetX: "Offset X",
  offsetY: "Offset Y",
  offsetZ: "Offset Z",
  referenceToGround: "Reference point to ground",
  actualWidth: "Working width",
  maximumWidth: "Maximum working width",
  actualWorkingLength: "Working length",
  rotationX: "Rotation point X",
  rotationY: "Rotation point Y",
};

/** Properties for the lengths that are known. */
function lengths(given: Partial<Record<Named, number | null>>): Property[] {
  return (Object.entries(given) as [Named, number | null][]).flatMap(([name, metres]) =>
    metres === null
      ? []
      : [{ ddi: DDI[name], value: millimetres(metres), unit: "mm", designator: PROPERTY_NAMES[name] }],
  );
}

function connectorType({ attachment }: ResolvedRig): Property {
  return {
    ddi: DDI.connectorType,
    value: CONNECTOR_OF[attachment],
    unit: null,
    designator: "Connector type",
  };
}

/** How long before a boundary the order is given, where somebody measured it. */
function switchingTimes({ values }: ResolvedRig): Property[] {
  const time = (ddi: number, designator: string, seconds: number | null): Property[] =>
    seconds === null ? [] : [{ ddi, value: Math.round(seconds * 1000), unit: "ms", designator }];
  return [
    ...time(DDI.turnOnTime, "Turn on time", values["work.delayOn"].value),
    ...time(DDI.turnOffTime, "Turn off time", values["work.delayOff"].value),
  ];
}

/**
 * The class of what drives: a tractor, or what the machine does that carries its head or boom itself; non-specific while nobody told
 * what that is.
 */
function driverClass(rig: ResolvedRig): number {
  return isFixed(rig.attachment) ? toolClass(rig) : DEVICE_CLASS.tractor;
}

/** A head harvests, whatever it is. */
function toolClass(rig: ResolvedRig): number {
  return rig.attachment === "head" ? DEVICE_CLASS.harvester : CLASS_OF[kindOf(rig) ?? "other"];
}

/** Describes what drives and every tool. @throws RangeError where there is no tool */
export function describeRig(driver: MachineIdentity, parts: readonly PartToDescribe[]): Description {
  const first = parts[0];
  if (!first) throw new RangeError("a rig has at least one tool");
  const devices: DeviceDescription[] = [
    { ...driver, deviceClass: driverClass(first.rig), elements: driverElements(first.rig) },
    ...parts.map(
      ({ rig, identity }): DeviceDescription => ({
        ...identity,
        deviceClass: toolClass(rig),
        elements: toolElements(rig, identity.designator),
      }),
    ),
  ];
  const connections = parts.map(({ rig, behind }, at) => {
    const carrier = behind === null ? 0 : behind + 1;
    const { elements } = devices[carrier]!;
    const number = Math.max(...elements.map((element) => element.number)) + 1;
    elements.push(hitchOn(rig, behind === null ? null : parts[behind]!.rig, number));
    return { from: { device: carrier, element: elements.length - 1 }, to: { device: at + 1, element: EYE } };
  });
  return { devices, connections };
}

function kindOf({ values }: ResolvedRig): ToolKindKey | null {
  return values["tool.kind"].choice as ToolKindKey | null;
}

function driverElements(rig: ResolvedRig): Element[] {
  const up = between(rig, "axle", "receiver", "up").total;
  return [
    {
      type: "device",
      designator: isFixed(rig.attachment) ? "Machine" : "Tractor",
      number: 0,
      parent: null,
      properties: lengths({ referenceToGround: 0 }),
    },
    {
      type: "navigation",
      designator: "Receiver",
      number: 1,
      parent: 0,
      properties: lengths({
        offsetX: between(rig, "axle", "receiver", "x").total,
        offsetY: between(rig, "axle", "receiver", "y").total,
        offsetZ: up === null ? null : -up,
      }),
    },
  ];
}

/** Where a tool hangs, on what carries it: from the axle of what drives, or from the pivot of the tool ahead. */
function hitchOn(rig: ResolvedRig, ahead: ResolvedRig | null, number: number): Element {
  const from = rig.attachment === "third" ? "midPin" : "leadPin";
  const offsetX = ahead
    ? sum(between(ahead, referenceOf(ahead), "pin", "x").total, between(rig, from, "pin", "x").total)
    : between(rig, "axle", "pin", "x").total;
  return {
    type: "connector",
    designator: HITCH_NAMES[rig.attachment],
    number,
    parent: 0,
    properties: [connectorType(rig), ...lengths({ offsetX, offsetY: 0 })],
  };
}

/** The point of a tool its offsets are counted from. */
function referenceOf({ attachment }: ResolvedRig): PointKey {
  return hasDimension(attachment, "pin.pivot") ? "pivot" : "pin";
}

/** The sum in whole millimetres of each, in metres; null where one is missing. */
function sum(...metres: (number | null)[]): number | null {
  return metres.includes(null)
    ? null
    : metres.reduce<number>((total, each) => total + millimetres(each!), 0) / 1000;
}

/**
 * The work along the line of travel, seen from the reference point: its middle and its length, worked out in whole
 * millimetres from each reading so that both ranks come back exactly. An odd length has its middle half a millimetre further rear.
 */
function workAlong(rig: ResolvedRig): { offsetX: number | null; actualWorkingLength: number | null } {
  const hitch = between(rig, referenceOf(rig), "pin", "x").total;
  const [front, rear] = (["workFront", "workRear"] as const).map((point) =>
    sum(hitch, between(rig, "pin", point, "x").total),
  );
  if (front == null || rear == null) return { offsetX: null, actualWorkingLength: null };
  const [toFront, toRear] = [millimetres(front), millimetres(rear)];
  return {
    offsetX: Math.floor((toFront + toRear) / 2) / 1000,
    actualWorkingLength: (toFront - toRear) / 1000,
  };
}

/** Place of a tool's own connector in its list. */
const EYE = 1;

function toolElements(rig: ResolvedRig, designator: string): Element[] {
  const reference = referenceOf(rig);
  const middle = { ...workAlong(rig), offsetY: between(rig, reference, "workMid", "y").total };
  const width = rig.values["tool.width"].value;
  const kind = kindOf(rig);
  const given = givenSections(rig) !== null;
  const turns = reference === "pivot" ? { rotationX: 0, rotationY: 0 } : {};
  return [
    {
      type: "device",
      designator,
      number: 0,
      parent: null,
      properties: lengths({ referenceToGround: 0, ...turns }),
    },
    {
      type: "connector",
      designator: "Coupling",
      number: 1,
      parent: 0,
      properties: [
        connectorType(rig),
        ...lengths({ offsetX: between(rig, reference, "pin", "x").total, offsetY: 0 }),
      ],
    },
    {
      type: "function",
      designator: kind ? TOOL_KINDS[kind].label : "Work",
      number: 2,
      parent: 0,
      properties: [
        ...lengths({
          ...middle,
          actualWidth: width,
          maximumWidth: width,
        }),
        ...switchingTimes(rig),
      ],
    },
    ...placeSections(rig).map(
      (section): Element => ({
        type: "section",
        designator: given ? `Section ${section.number}` : "One section, assumed",
        number: 2 + section.number,
        parent: 2,
        properties: lengths({
          ...middle,
          offsetX: middle.offsetX === null ? null : middle.offsetX + section.ahead,
          offsetY: section.centre,
          actualWidth: section.width,
        }),
      }),
    ),
  ];
}
