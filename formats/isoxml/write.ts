import { createHash } from "node:crypto";
import {
  type Connection,
  type Device,
  type DeviceAllocation,
  type DeviceElement,
  type DeviceObjectReference,
  type DeviceProperty,
  type DeviceValuePresentation,
  DeviceElementDeviceElementTypeEnum as ElementTypeCode,
  type ISOXMLManager,
  type ISOXMLReference,
  TAGS,
  type Task,
  type TaskAttributes,
  TaskTaskStatusEnum,
} from "isoxml";
import type { PlaceGiven } from "../../core/place/given.ts";
import type { Description, DeviceDescription, Element, ElementType, Property } from "./describe.ts";
import { designator, newTaskFile, packTaskFile } from "./task-file.ts";
import { hexDdi } from "./task-words.ts";
import { addPlaces } from "./write-places.ts";
import { addBesides, type BesidesToGo, type JobToGo, taskOf, tellCrops } from "./write-tasks.ts";

const TYPE_CODES: Record<ElementType, ElementTypeCode> = {
  device: ElementTypeCode.Device,
  function: ElementTypeCode.Function,
  section: ElementTypeCode.Section,
  connector: ElementTypeCode.Connector,
  navigation: ElementTypeCode.Navigation,
};

/** Limits of ISO 11783-10, from memory: element numbers 0–4095, object ids 1–65534. */
const LAST_ELEMENT_NUMBER = 4095;
const LAST_OBJECT_ID = 65534;

/** Where nobody read a bus NAME: agricultural industry group, and the machine's own number as identity. Not a bus address. */
function clientName({ busName, deviceClass, id }: DeviceDescription): string {
  if (/^[0-9A-F]{16}$/i.test(busName)) return busName.toUpperCase();
  const name = (1n << 63n) | (2n << 60n) | (BigInt(deviceClass) << 49n) | BigInt(id & 0x1fffff);
  return name.toString(16).toUpperCase().padStart(16, "0");
}

/** English, point as decimal mark, metric: ISO 11783-7 language command, from memory. */
const LOCALISATION = "FF000000006E65";

/** A label that changes whenever the description does, so that a terminal does not keep an old one. */
function structureLabel(device: DeviceDescription): string {
  const hash = createHash("sha256").update(JSON.stringify(device.elements)).digest("hex");
  return hash.slice(0, 14).toUpperCase();
}

/** A rig and what is to be done with it; either may be missing. */
export type RigToGo = {
  title: string;
  description: Description | null;
  job: JobToGo | null;
};

export type TaskSetToGo = BesidesToGo & {
  places: readonly Omit<PlaceGiven, "problem">[];
  rigs: readonly RigToGo[];
};

/**
 * Writes a version 4 TASKDATA zip: places, crops, products and people, every device once, and a task for each rig, which couples its devices at their
 * connectors.
 * @throws RangeError where a value cannot be written within the standard's limits
 */
export function writeTaskSet({ places, crops, products, rigs }: TaskSetToGo): Uint8Array {
  const manager = newTaskFile();
  const jobs = rigs.flatMap(({ job }) => job ?? []);
  const written = addPlaces(manager, places);
  const entities = addBesides(manager, { crops, products }, jobs);
  tellCrops(written, jobs, entities);
  const devices = new Map<string, Added>();
  const tasks = rigs.map(({ title, description, job }) => {
    const told = job ? taskOf(manager, job, { places, written, entities }) : {};
    return rigTask(manager, title, description ? addDevices(manager, description, devices) : null, told);
  });
  const root = manager.rootElement.attributes;
  const filled = {
    Customer: written.customers,
    Farm: written.farms,
    Partfield: written.fields,
    CropType: entities.crops,
    ProductGroup: entities.groups,
    Product: entities.products,
    Worker: entities.workers,
    CulturalPractice: entities.practices,
    Device: [...devices.values()].map(({ entity }) => entity),
    Task: tasks,
  };
  for (const [name, each] of Object.entries(filled))
    if (each.length > 0) Object.assign(root, { [name]: each });
  return packTaskFile(manager);
}

/** One rig, with nothing told of what it is to do. */
export function writeTaskData(description: Description, title: string): Uint8Array {
  return writeTaskSet({ places: [], crops: [], products: [], rigs: [{ title, description, job: null }] });
}

type Coupled = { devices: Added[]; connections: Description["connections"] };

/**
 * The devices of a rig. One that another rig's task brought already is the same device: it is described as it hangs there, so its connections
 * here are left out.
 */
function addDevices(manager: ISOXMLManager, description: Description, known: Map<string, Added>): Coupled {
  const fresh = new Set<number>();
  const devices = description.devices.map((device, at) => {
    const name = clientName(device);
    const found = known.get(name);
    if (found) return found;
    fresh.add(at);
    const added = addDevice(manager, device);
    known.set(name, added);
    return added;
  });
  return {
    devices,
    connections: description.connections.filter(
      ({ from, to }) => fresh.has(from.device) && fresh.has(to.device),
    ),
  };
}

type Added = { entity: Device; reference: ISOXMLReference; elements: ISOXMLReference[]; name: string };

/** How values are shown, by unit: millimetres of lengths, milliseconds of switching times. */
const PRESENTATIONS = { mm: 1, ms: 2 } as const;

function addDevice(manager: ISOXMLManager, device: DeviceDescription): Added {
  const name = clientName(device);
  const entity = manager.createEntityFromAttributes(TAGS.Device, {
    DeviceDesignator: designator(device.designator),
    ClientNAME: name,
    ...(device.serial ? { DeviceSerialNumber: designator(device.serial) } : {}),
    DeviceStructureLabel: structureLabel(device),
    DeviceLocalizationLabel: LOCALISATION,
  }) as Device;
  const reference = manager.registerEntity(entity);
  const parts = elementsOf(manager, device.elements);
  entity.attributes.DeviceElement = parts.elements;
  entity.attributes.DeviceProperty = parts.properties;
  const used = new Set(device.elements.flatMap(({ properties }) => properties.map(({ unit }) => unit)));
  entity.attributes.DeviceValuePresentation = (["mm", "ms"] as const)
    .filter((unit) => used.has(unit))
    .map((unit) => presentationOf(manager, unit));
  return {
    entity,
    reference,
    elements: parts.elements.map((element) => manager.getReferenceByEntity(element)!),
    name,
  };
}

function presentationOf(manager: ISOXMLManager, unit: keyof typeof PRESENTATIONS): DeviceValuePresentation {
  return manager.createEntityFromAttributes(TAGS.DeviceValuePresentation, {
    DeviceValuePresentationObjectId: PRESENTATIONS[unit],
    Offset: 0,
    Scale: 1,
    NumberOfDecimals: 0,
    UnitDesignator: unit,
  }) as DeviceValuePresentation;
}

/** Object ids run through elements first, then properties, after the presentations. */
function elementsOf(manager: ISOXMLManager, elements: readonly Element[]) {
  const objectId = (index: number) => PRESENTATIONS.ms + 1 + index;
  let nextId = objectId(elements.length);
  const properties: DeviceProperty[] = [];
  const written = elements.map((element, index) => {
    const references = element.properties.map((property) => {
      properties.push(propertyEntity(manager, property, nextId));
      return manager.createEntityFromAttributes(TAGS.DeviceObjectReference, {
        DeviceObjectId: nextId++,
      }) as DeviceObjectReference;
    });
    return elementEntity(
      manager,
      element,
      objectId(index),
      element.parent === null ? 0 : objectId(element.parent),
      references,
    );
  });
  if (nextId - 1 > LAST_OBJECT_ID) throw new RangeError("too many objects for one device description");
  return { elements: written, properties };
}

function elementEntity(
  manager: ISOXMLManager,
  element: Element,
  id: number,
  parent: number,
  references: DeviceObjectReference[],
): DeviceElement {
  if (element.number > LAST_ELEMENT_NUMBER)
    throw new RangeError("too many elements for one device description");
  const entity = manager.createEntityFromAttributes(TAGS.DeviceElement, {
    DeviceElementObjectId: id,
    DeviceElementType: TYPE_CODES[element.type],
    DeviceElementDesignator: designator(element.designator),
    DeviceElementNumber: element.number,
    ParentObjectId: parent,
    DeviceObjectReference: references,
  }) as DeviceElement;
  manager.registerEntity(entity);
  return entity;
}

function propertyEntity(
  manager: ISOXMLManager,
  { ddi, value, unit, designator: text }: Property,
  id: number,
): DeviceProperty {
  if (!Number.isSafeInteger(value) || Math.abs(value) > 0x7fffffff)
    throw new RangeError(`${text} cannot be written: ${value}`);
  return manager.createEntityFromAttributes(TAGS.DeviceProperty, {
    DevicePropertyObjectId: id,
    DevicePropertyDDI: hexDdi(ddi),
    DevicePropertyValue: value,
    DevicePropertyDesignator: designator(text),
    ...(unit === null ? {} : { DeviceValuePresentationObjectId: PRESENTATIONS[unit] }),
  }) as DeviceProperty;
}

function rigTask(
  manager: ISOXMLManager,
  title: string,
  coupled: Coupled | null,
  told: Partial<TaskAttributes>,
): Task {
  const { devices, connections } = coupled ?? { devices: [], connections: [] };
  const task = manager.createEntityFromAttributes(TAGS.Task, {
    TaskDesignator: designator(title),
    ...told,
    TaskStatus: TaskTaskStatusEnum.Planned,
    DeviceAllocation: devices.map(
      ({ name, reference }) =>
        manager.createEntityFromAttributes(TAGS.DeviceAllocation, {
          ClientNAMEValue: name,
          DeviceIdRef: reference,
        }) as DeviceAllocation,
    ),
    Connection: connections.map(
      ({ from, to }) =>
        manager.createEntityFromAttributes(TAGS.Connection, {
          DeviceIdRef_0: devices[from.device]!.reference,
          DeviceElementIdRef_0: devices[from.device]!.elements[from.element]!,
          DeviceIdRef_1: devices[to.device]!.reference,
          DeviceElementIdRef_1: devices[to.device]!.elements[to.element]!,
        }) as Connection,
    ),
  }) as Task;
  manager.registerEntity(task);
  return task;
}
