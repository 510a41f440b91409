/**
 * Device descriptions of ISO 11783-10 (versions 3 and 4) turned into the readings they amount to.
 *
 * Offsets are from each device's own reference point. hitch → pivot = X of the connector − DDI 306, wherever the maker
 * put the reference point; hitch → work = X of the connector − X of the sections. A zero is a number nobody entered:
 * it is named, not taken.
 */
import { type Attachment, isAhead } from "../../core/dimension/attachment.ts";
import type { DimensionKey } from "../../core/dimension/catalogue.ts";
import { senseOf } from "../../core/rig/frame.ts";
import { CONNECTOR, DDI, DEVICE_CLASS } from "./describe.ts";
import { FileProblem } from "./problem.ts";
import { named, openTaskData, type TaskData } from "./task-data.ts";
import type { XmlNode } from "./tree.ts";

export type ReadDevice = {
  designator: string;
  serial: string;
  /** 16 hex digits; empty where the file has none */
  busName: string;
  kind: "tractor" | "self-propelled" | "implement";
  /** how the tool hangs, as far as its connector tells; of what drives, how a tool hangs on the connector that is read */
  attachment: Attachment;
  /** metres, in each dimension's own direction */
  values: Partial<Record<DimensionKey, number>>;
  /** dimensions the file has as zero, though zero cannot be read off a machine there */
  zeros: DimensionKey[];
  /** metres, left to right; null where the file has no sections */
  sections: number[] | null;
  /** what the file says that is not taken over */
  notes: string[];
};

/** DET types, ISO 11783-10. */
const TYPE = { device: 1, function: 2, section: 4, connector: 6, navigation: 7 } as const;
const LAST_OBJECT_ID = 65534;
const LAST_ELEMENT_NUMBER = 4095;
const INT32 = 2 ** 31;

/**
 * Reads a TASKDATA zip, or a bare TASKDATA.XML.
 * @throws FileProblem, always with a sentence that can be shown
 */
export function readTaskData(bytes: Uint8Array): ReadDevice[] {
  const devices = devicesOf(openTaskData(bytes));
  if (devices.length === 0) throw new FileProblem("There is no device (DVC) in it.");
  return devices;
}

/** Devices of an opened set; none where it has none. */
export function devicesOf({ elements }: Pick<TaskData, "elements">): ReadDevice[] {
  return elements.filter(({ name }) => name === "DVC").map(readDevice);
}

type ReadElement = {
  id: number;
  type: number;
  number: number;
  designator: string;
  parent: number;
  values: Map<number, number>;
  /** every identifier it has, also of process data, which carry no value of the machine itself */
  identifiers: Set<number>;
};

function readDevice(node: XmlNode): ReadDevice {
  const { B: designator = "", D: name = "", E: serial = "" } = node.attributes;
  const title = designator || node.attributes.A || "a device";
  const busName = /^[0-9A-Fa-f]{16}$/.test(name) ? name.toUpperCase() : "";
  if (name !== "" && busName === "")
    throw new FileProblem(`${title}: its NAME is not 16 figures 0 to 9 and A to F.`);
  const elements = readElements(node, title);
  const about = { designator, serial, busName };
  const deviceClass = classOf(busName);
  const { kind, note } = kindOf(deviceClass, elements);
  const found =
    kind === "implement" ? asImplement(elements, deviceClass) : asDriver(elements, kind, deviceClass);
  return { ...about, kind, ...found, notes: [...note, ...found.notes] };
}

/** Device class of a bus NAME (bits 49 to 55); null without a NAME. */
function classOf(busName: string): number | null {
  return busName === "" ? null : Number((BigInt(`0x${busName}`) >> 49n) & 0x7fn);
}

const within = (low: number, high: number) => (ddi: number) => ddi >= low && ddi <= high;
/** What only a machine has that works: widths, work states and condensed work states, application rates (ISO 11783-11). */
const OF_WORK = [within(1, 50), within(66, 70), within(141, 141), within(161, 176), within(289, 305)];

/** True where elements say that the device works: sections, or a function with a width, a work state or a rate on it or below it. */
function worksByElements(elements: readonly ReadElement[]): boolean {
  const byId = new Map(elements.map((each) => [each.id, each]));
  const underFunction = (element: ReadElement | undefined): boolean =>
    element !== undefined && (element.type === TYPE.function || underFunction(byId.get(element.parent)));
  return elements.some(
    (element) =>
      element.type === TYPE.section ||
      (underFunction(element) && [...element.identifiers].some((ddi) => OF_WORK.some((is) => is(ddi)))),
  );
}

/** Classes of machines that may drive themselves (ISO 11783-1, from memory): fertilisers, sprayers, harvesters of all kinds. */
const MAY_DRIVE = within(DEVICE_CLASS.fertiliser, DEVICE_CLASS.forage);
const isHarvester = (deviceClass: number | null) =>
  deviceClass !== null && within(DEVICE_CLASS.harvester, DEVICE_CLASS.forage)(deviceClass);

/**
 * What its elements say outvotes the class in its NAME, and the two disagreeing is said: a controller on an implement may carry any
 * class. Nothing that works is taken for what drives.
 */
function kindOf(
  deviceClass: number | null,
  elements: readonly ReadElement[],
): { kind: ReadDevice["kind"]; note: string[] } {
  const works = worksByElements(elements);
  const has = (type: number) => elements.some((each) => each.type === type);
  if (deviceClass === DEVICE_CLASS.tractor)
    return works
      ? {
          kind: "implement",
          note: ["Its NAME says tractor, its elements have work to do: it is read as an implement."],
        }
      : { kind: "tractor", note: [] };
  if (works) return { kind: "implement", note: [] };
  if (deviceClass === null) return { kind: has(TYPE.function) ? "implement" : "tractor", note: [] };
  const drives = MAY_DRIVE(deviceClass) && has(TYPE.navigation) && !has(TYPE.function);
  return { kind: drives ? "self-propelled" : "implement", note: [] };
}

function whole(text: string | undefined, title: string, what: string, low: number, high: number): number {
  const value = /^-?\d{1,10}$/.test(text ?? "") ? Number(text) : Number.NaN;
  if (!(value >= low && value <= high)) throw new FileProblem(`${title}: ${what} is “${text ?? "missing"}”.`);
  return value;
}

function readElements(node: XmlNode, title: string): ReadElement[] {
  const used = new Set<number>();
  const own = (text: string | undefined, what: string) => {
    const id = whole(text, title, what, 1, LAST_OBJECT_ID);
    if (used.has(id)) throw new FileProblem(`${title}: object id ${id} is there twice.`);
    used.add(id);
    return id;
  };
  const properties = new Map(
    named(node, "DPT").map(({ attributes: { A, B, C } }) => {
      if (!/^[0-9A-Fa-f]{4}$/.test(B ?? ""))
        throw new FileProblem(`${title}: “${B ?? ""}” is no identifier of a value.`);
      const value = whole(C, title, `the value of ${B}`, -INT32, INT32 - 1);
      return [own(A, "an object id"), { ddi: Number.parseInt(B!, 16), value }] as const;
    }),
  );
  const processData = new Map(
    named(node, "DPD").map(({ attributes: { A, B } }) => [
      own(A, "an object id"),
      /^[0-9A-Fa-f]{4}$/.test(B ?? "") ? Number.parseInt(B!, 16) : null,
    ]),
  );
  for (const { attributes } of named(node, "DVP")) own(attributes.A, "an object id");
  const ids = new Map<number, ReadElement>();
  for (const child of named(node, "DET")) {
    const { B, C, D = "", E, F } = child.attributes;
    const element: ReadElement = {
      id: own(B, "an object id"),
      type: whole(C, title, "an element's type", 1, 7),
      number: whole(E, title, "an element's number", 0, LAST_ELEMENT_NUMBER),
      parent: whole(F, title, "an element's parent", 0, LAST_OBJECT_ID),
      designator: D,
      values: new Map(),
      identifiers: new Set(),
    };
    for (const { attributes } of named(child, "DOR")) {
      const reference = whole(attributes.A, title, "an object reference", 1, LAST_OBJECT_ID);
      const property = properties.get(reference);
      if (property) element.values.set(property.ddi, property.value);
      const ddi = property?.ddi ?? processData.get(reference) ?? null;
      if (ddi !== null) element.identifiers.add(ddi);
    }
    ids.set(element.id, element);
  }
  checkTree(ids, title);
  return [...ids.values()];
}

function checkTree(ids: Map<number, ReadElement>, title: string): void {
  if (ids.size === 0) throw new FileProblem(`${title}: it has no elements.`);
  const numbers = [...ids.values()].map(({ number }) => number);
  if (new Set(numbers).size < numbers.length)
    throw new FileProblem(`${title}: an element number is there twice.`);
  for (const [id, element] of ids) {
    const path = new Set([id]);
    for (let up = element.parent; up !== 0; up = ids.get(up)!.parent) {
      if (!ids.has(up)) throw new FileProblem(`${title}: an element hangs on ${up}, which is not there.`);
      if (path.has(up)) throw new FileProblem(`${title}: its elements hang on each other in a circle.`);
      path.add(up);
    }
  }
}

type Found = Pick<ReadDevice, "attachment" | "values" | "zeros" | "sections" | "notes">;

/** Gathers values; a zero where none can be is named apart. */
function gather(given: readonly [DimensionKey, number | null, "zero is a value" | "zero is missing"][]) {
  const values: Partial<Record<DimensionKey, number>> = {};
  const zeros: DimensionKey[] = [];
  for (const [key, value, zero] of given) {
    if (value === null) continue;
    if (value === 0 && zero === "zero is missing") zeros.push(key);
    else values[key] = value / 1000;
  }
  return { values, zeros };
}

const first = (elements: readonly ReadElement[], type: number) =>
  elements.find((element) => element.type === type);
const value = (element: ReadElement | undefined, ddi: number) => element?.values.get(ddi) ?? null;
const minus = (a: number | null, b: number | null) => (a === null || b === null ? null : a - b || 0);

/** A connector of what drives, and what hangs on it. */
type Hitch = { attachment: Attachment; x: number };

/** What a connector of a machine takes, by its type and by where it is. */
function hitchOf(element: ReadElement, deviceClass: number | null, drivesItself: boolean): Hitch {
  const x = value(element, DDI.offsetX) ?? 0;
  const type = value(element, DDI.connectorType);
  if (drivesItself)
    return { x, attachment: x <= 0 ? "boom" : isHarvester(deviceClass) ? "head" : "frontBoom" };
  const onLinks = type === CONNECTOR.mounted || type === CONNECTOR.semiMounted;
  return { x, attachment: onLinks ? (x > 0 ? "front" : "mounted") : "drawn" };
}

/** The connector that is read: the drawbar of a tractor, else its rear links; the only one of a machine that drives itself. */
function chosenHitch(hitches: readonly Hitch[], drivesItself: boolean): Hitch | null {
  if (drivesItself) return hitches.length === 1 ? hitches[0]! : null;
  const behind = hitches.filter(({ x }) => x <= 0);
  return behind.find(({ attachment }) => attachment === "drawn") ?? behind[0] ?? null;
}

function asDriver(
  elements: readonly ReadElement[],
  kind: "tractor" | "self-propelled",
  deviceClass: number | null,
): Found {
  const drivesItself = kind === "self-propelled";
  const receiver = first(elements, TYPE.navigation);
  const hitches = elements
    .filter(({ type, values }) => type === TYPE.connector && values.has(DDI.offsetX))
    .map((element) => hitchOf(element, deviceClass, drivesItself));
  const hitch = chosenHitch(hitches, drivesItself);
  const device = first(elements, TYPE.device);
  const ground = value(device, DDI.referenceToGround) ?? 0;
  const up = value(receiver, DDI.offsetZ);
  const attachment = hitch?.attachment ?? "drawn";
  return {
    attachment,
    ...gather([
      ["receiver.foreAft", value(receiver, DDI.offsetX), "zero is missing"],
      ["receiver.lateral", value(receiver, DDI.offsetY), "zero is a value"],
      ["receiver.height", up === null ? null : ground - up, "zero is missing"],
      ["axle.pin", hitch && (senseOf(attachment, "axle.pin") * hitch.x || 0), "zero is missing"],
    ]),
    sections: null,
    notes: hitchNotes(hitches, hitch),
  };
}

function hitchNotes(hitches: readonly Hitch[], taken: Hitch | null): string[] {
  if (hitches.length === 0) return [];
  if (!taken)
    return [
      hitches.length === 1
        ? "Its connector lies ahead of the axle: it is no drawbar, and is not offered."
        : `${hitches.length} connectors, and none of them is sure to be the one that is wanted: none is offered.`,
    ];
  if (hitches.length === 1) return [];
  const which = taken.attachment === "drawn" ? "the drawbar" : "the rear links";
  return [`${hitches.length} connectors; ${which} behind the axle is taken.`];
}

function asImplement(elements: readonly ReadElement[], deviceClass: number | null): Found {
  const connector = first(elements, TYPE.connector);
  const device = first(elements, TYPE.device);
  const sections = elements.filter(({ type }) => type === TYPE.section);
  const work =
    elements.find(({ type, values }) => type === TYPE.function && values.has(DDI.offsetX)) ??
    first(elements, TYPE.function);
  const working = sections.length > 0 ? sections : work ? [work] : [];
  const hitch = value(connector, DDI.offsetX);
  const { front, rear } = workAlong(working);
  const attachment = attachmentOf(value(connector, DDI.connectorType), hitch, front, deviceClass);
  const pivot = pivotOf(device, connector);
  const sense = isAhead(attachment) ? -1 : 1;
  const ordered = [...sections].sort((a, b) => (value(a, DDI.offsetY) ?? 0) - (value(b, DDI.offsetY) ?? 0));
  const widths = ordered.map(widthOf);
  // Side by side only where each says where it lies.
  const known =
    ordered.every((each) => value(each, DDI.offsetY) !== null) &&
    widths.length > 0 &&
    widths.every((each) => each !== null && each > 0)
      ? (widths as number[])
      : null;
  const sum = known?.reduce((total, each) => total + each, 0) ?? null;
  const width = (work ? widthOf(work) : null) ?? (device ? widthOf(device) : null) ?? sum;
  const [toFront, toRear] = [minus(hitch, front), minus(hitch, rear)];
  return {
    attachment,
    ...gather([
      ["pin.pivot", minus(hitch, pivot), "zero is missing"],
      ["pin.workFront", toFront && sense * toFront, "zero is missing"],
      ["pin.workRear", toRear && sense * toRear, "zero is missing"],
      ["tool.lateral", value(work, DDI.offsetY) ?? middleOf(ordered), "zero is a value"],
      ["tool.width", width, "zero is missing"],
    ]),
    sections: known?.map((each) => each / 1000) ?? null,
    notes: [
      ...(sections.length > 0 && !known ? ["Its sections have no widths or places, and are left out."] : []),
      ...delayNotes(work),
    ],
  };
}

/** Switching times belong to a tool on its tractor, not to the tool: they are told, to be typed where they belong. */
function delayNotes(work: ReadElement | undefined): string[] {
  const [on, off] = [value(work, DDI.turnOnTime), value(work, DDI.turnOffTime)];
  if (on === null && off === null) return [];
  const say = (time: number | null) => (time === null ? "none" : `${time} ms`);
  return [`Switching times, on ${say(on)}, off ${say(off)}: type them at the rig's Tool station.`];
}

/**
 * Types 2 and 3 of a connector are three-point, 9 part of a machine that drives itself; what then works ahead of its connector hangs
 * in front.
 */
function attachmentOf(
  type: number | null,
  hitch: number | null,
  front: number | null,
  deviceClass: number | null,
): Attachment {
  const ahead = hitch !== null && front !== null && front > hitch;
  if (type === CONNECTOR.chassis) {
    if (isHarvester(deviceClass)) return "head";
    return ahead ? "frontBoom" : "boom";
  }
  if (type === CONNECTOR.semiMounted) return "semi";
  if (type !== CONNECTOR.mounted) return "drawn";
  return ahead ? "front" : "mounted";
}

/** Where a device turns, millimetres; null where it is carried and its reference point is where it hangs. */
function pivotOf(device: ReadElement | undefined, connector: ReadElement | undefined): number | null {
  if (device?.values.has(DDI.rotationX)) return value(device, DDI.rotationX);
  const type = value(connector, DDI.connectorType);
  const carried = type === CONNECTOR.mounted || type === CONNECTOR.chassis || type === CONNECTOR.unknown;
  return carried && value(connector, DDI.offsetX) === 0 ? null : 0;
}

/** Working width of an element: actual (67), default (68) or maximum (70), the first that is there. */
function widthOf(element: ReadElement): number | null {
  return value(element, DDI.actualWidth) ?? value(element, 68) ?? value(element, DDI.maximumWidth);
}

/** Front and rear end of the work from middles and working lengths; an odd length has its middle nearer the rear. */
function workAlong(elements: readonly ReadElement[]): { front: number | null; rear: number | null } {
  const ends = elements.flatMap((element) => {
    const middle = value(element, DDI.offsetX);
    if (middle === null) return [];
    const length = Math.max(0, value(element, DDI.actualWorkingLength) ?? 0);
    return [{ front: middle + Math.ceil(length / 2), rear: middle - Math.floor(length / 2) }];
  });
  if (ends.length === 0) return { front: null, rear: null };
  return {
    front: Math.max(...ends.map(({ front }) => front)),
    rear: Math.min(...ends.map(({ rear }) => rear)),
  };
}

/** Middle of the outermost edges of sections that lie side by side. */
function middleOf(ordered: readonly ReadElement[]): number | null {
  const [left, right] = [ordered[0], ordered.at(-1)];
  if (!left || !right) return null;
  const [from, to] = [value(left, DDI.offsetY), value(right, DDI.offsetY)];
  const [wide, broad] = [widthOf(left), widthOf(right)];
  // Sections without a width have no edges.
  if (from === null || to === null || wide === null || broad === null) return null;
  return Math.round((from - wide / 2 + to + broad / 2) / 2) || 0;
}
