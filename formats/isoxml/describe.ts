/**
 * A rig as ISO 11783-10 device descriptions: plain data, millimetres, before any XML.
 *
 * Axes are those of the standard, x forward, y right, z down, so no sign is turned. The tractor's reference
 * point is the middle of the rear axle's track on the ground (DDI 180 = 0, heights become −z); a drawn
 * tool's is its pivot on the ground, which makes X of its connector +(pin → pivot). Offsets are from the
 * device's own reference point, never summed along parents. What is not measured is left out, never zero.
 */
import { between } from "../../core/rig/chain.ts";
import type { ResolvedRig } from "../../core/rig/resolve.ts";
import { placeSections } from "../../core/rig/sections.ts";

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
} as const;

/** DDI 157, from memory of ISO 11783-11: 1 is a drawbar. */
export const CONNECTOR_DRAWBAR = 1;

export type ElementType = "device" | "function" | "section" | "connector" | "navigation";

export type Property = { ddi: number; value: number; designator: string };

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

export type DeviceDescription = MachineIdentity & { kind: "tractor" | "drill"; elements: Element[] };

export type Description = { tractor: DeviceDescription; drill: DeviceDescription };

/** Metres to the nearest whole millimetre, halves away from zero. */
export function millimetres(metres: number): number {
  const rounded = Math.round(Math.abs(metres) * 1e6) / 1e3;
  return Math.sign(metres) * Math.round(rounded) || 0;
}

type Named = keyof typeof DDI;

const PROPERTY_NAMES: Record<Named, string> = {
  offsetX: "Offset X",
  offsetY: "Offset Y",
  offsetZ: "Offset Z",
  connectorType: "Connector type",
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
    metres === null ? [] : [{ ddi: DDI[name], value: millimetres(metres), designator: PROPERTY_NAMES[name] }],
  );
}

const DRAWBAR: Property = {
  ddi: DDI.connectorType,
  value: CONNECTOR_DRAWBAR,
  designator: PROPERTY_NAMES.connectorType,
};

export function describeRig(rig: ResolvedRig, tractor: MachineIdentity, drill: MachineIdentity): Description {
  return {
    tractor: { ...tractor, kind: "tractor", elements: tractorElements(rig) },
    drill: { ...drill, kind: "drill", elements: drillElements(rig) },
  };
}

function tractorElements(rig: ResolvedRig): Element[] {
  const up = between(rig, "axle", "receiver", "up").total;
  return [
    {
      type: "device",
      designator: "Tractor",
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
    {
      type: "connector",
      designator: "Drawbar",
      number: 2,
      parent: 0,
      properties: [DRAWBAR, ...lengths({ offsetX: between(rig, "axle", "pin", "x").total, offsetY: 0 })],
    },
  ];
}

/**
 * The work along the line of travel, seen from the pivot: its middle and its length, worked out in whole millimetres
 * from each reading so that both ranks come back exactly. An odd length has its middle half a millimetre further front.
 */
function workAlong({ values }: ResolvedRig): { offsetX: number | null; actualWorkingLength: number | null } {
  const [pivot, front, rear] = (["pin.pivot", "pin.workFront", "pin.workRear"] as const).map(
    (key) => values[key].value,
  );
  if (pivot == null || front == null || rear == null) return { offsetX: null, actualWorkingLength: null };
  const [toFront, toRear] = [millimetres(pivot) - millimetres(front), millimetres(pivot) - millimetres(rear)];
  return {
    offsetX: Math.floor((toFront + toRear) / 2) / 1000,
    actualWorkingLength: (toFront - toRear) / 1000,
  };
}

function drillElements(rig: ResolvedRig): Element[] {
  const middle = { ...workAlong(rig), offsetY: between(rig, "pivot", "workMid", "y").total };
  const width = rig.values["tool.width"].value;
  return [
    {
      type: "device",
      designator: "Drill",
      number: 0,
      parent: null,
      properties: lengths({ referenceToGround: 0, rotationX: 0, rotationY: 0 }),
    },
    {
      type: "connector",
      designator: "Drawbar eye",
      number: 1,
      parent: 0,
      properties: [DRAWBAR, ...lengths({ offsetX: between(rig, "pivot", "pin", "x").total, offsetY: 0 })],
    },
    {
      type: "function",
      designator: "Seeding",
      number: 2,
      parent: 0,
      properties: lengths({
        ...middle,
        actualWidth: width,
        maximumWidth: width,
      }),
    },
    ...placeSections(rig).map(
      (section): Element => ({
        type: "section",
        designator: `Section ${section.number}`,
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
