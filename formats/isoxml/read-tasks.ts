/**
 * Crops, products, workers and tasks of ISO 11783-10 (CTP with CVT, PDT, WKR, CPC, TSK with TZN, PDV, OTP, DAN, GAN), and a sentence for everything
 * in the file that is not taken. Attributes and codes from memory, held against the library that writes them.
 */
import { nameOf } from "../../core/place/given.ts";
import type {
  CropGiven,
  DeviceGiven,
  ProductGiven,
  RateGiven,
  RateKind,
  TaskGiven,
  TaskSet,
} from "../../core/yard/task-set.ts";
import { FileProblem } from "./problem.ts";
import { customerName } from "./read-places.ts";
import { named, type TaskData } from "./task-data.ts";
import { formOfGroup, QUANTITY_OF, RATE_OF, STATES } from "./task-words.ts";
import type { XmlNode } from "./tree.ts";

/** First-level elements that are read here, or by what reads machines and places. */
const TAKEN = new Set(["CTR", "FRM", "PFD", "CTP", "PDT", "PGP", "WKR", "CPC", "DVC", "TSK"]);

/** What the rest is, as one says it. */
const WORDS: Readonly<Record<string, string>> = {
  BSN: "base station",
  CCG: "group of coded comments",
  CCT: "coded comment",
  CLD: "colour legend",
  OTQ: "operation technique",
  VPN: "way of showing values",
  AFE: "attached file",
  TCC: "task controller's abilities",
  TLG: "log of time",
  TIM: "time worked",
  GRD: "map of rates",
  CAN: "comment",
  CNN: "connection between devices",
  DLT: "order to log",
  PAN: "allocation of a product",
  WAN: "allocation of a worker",
  CAT: "control of one device by another",
};

/** Inside a task: what is read, or follows from the rig itself. */
const IN_TASK = new Set(["TZN", "OTP", "DAN", "GAN", "CNN"]);

/**
 * @throws FileProblem where references lead nowhere, ids are there twice, or a figure is none
 */
export function taskSetOf({ elements, others }: TaskData): TaskSet {
  const index = indexed(elements);
  const notes = [...unread(elements), ...otherFiles(others)];
  const crops = [...index.of("CTP").values()].map(cropOf);
  const products = [...index.of("PDT").values()].map((node) => productOf(node, index));
  const workers = [...index.of("WKR").values()].map(workerName);
  const tasks = [...index.of("TSK").values()].map((node) => taskOf(node, index, notes));
  return { crops, products, workers, tasks, notes };
}

/** Elements by kind and id, and the one a reference means. */
type Index = {
  of: (kind: string) => ReadonlyMap<string, XmlNode>;
  refer: (kind: string, id: string | undefined, who: string, what: string) => XmlNode | null;
};

const KINDS = ["CTR", "FRM", "PFD", "CTP", "CVT", "PDT", "PGP", "WKR", "CPC", "DVC", "TSK", "GGP"] as const;

function indexed(elements: readonly XmlNode[]): Index {
  const inside = [
    ...elements,
    ...elements.filter(({ name }) => name === "CTP").flatMap((crop) => named(crop, "CVT")),
    ...elements.filter(({ name }) => name === "PFD").flatMap((field) => named(field, "GGP")),
  ];
  const kinds = new Map<string, Map<string, XmlNode>>(KINDS.map((kind) => [kind, new Map()]));
  for (const node of inside) {
    const kind = kinds.get(node.name);
    if (!kind) continue;
    const id = node.attributes.A ?? "";
    if (!new RegExp(`^${node.name}-?\\d+$`).test(id))
      throw new FileProblem(`“${id}” is no id of a ${node.name}.`);
    if (kind.has(id)) throw new FileProblem(`${id} is there twice.`);
    kind.set(id, node);
  }
  return {
    of: (kind) => kinds.get(kind)!,
    refer: (kind, id, who, what) => {
      if (id === undefined || id === "") return null;
      const found = kinds.get(kind)!.get(id);
      if (!found) throw new FileProblem(`${who} names the ${what} ${id}, which is not there.`);
      return found;
    },
  };
}

function counted(names: readonly string[]): Map<string, number> {
  const counts = new Map<string, number>();
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1);
  return counts;
}

const manyOf = (name: string, count: number) => `${WORDS[name] ?? name}${count > 1 ? ` (${count})` : ""}`;

function unread(elements: readonly XmlNode[]): string[] {
  return [...counted(elements.map(({ name }) => name))].flatMap(([name, count]) =>
    TAKEN.has(name) ? [] : [`In the file: ${manyOf(name, count)}, left out.`],
  );
}

function otherFiles(others: TaskData["others"]): string[] {
  return others.map(({ name, bytes }) => `${name}, ${Math.max(1, Math.round(bytes / 1000))} kB, left out.`);
}

const titled = (text: string | undefined, otherwise: string) => nameOf(text ?? "") || otherwise;

function cropOf(node: XmlNode): CropGiven {
  return {
    name: titled(node.attributes.B, node.attributes.A!),
    varieties: named(node, "CVT").map(({ attributes: { A, B } }) => titled(B, A!)),
  };
}

/** A figure the standard has as a whole number of so many bits without a sign; null where it is not there. */
function figure(text: string | undefined, who: string, what: string): number | null {
  if (text === undefined || text === "") return null;
  const value = /^\d{1,10}$/.test(text) ? Number(text) : Number.NaN;
  if (!(value < 2 ** 32)) throw new FileProblem(`${who}: ${what} is “${text}”.`);
  return value;
}

function ddiOf(text: string | undefined, who: string): number | null {
  if (text === undefined || text === "") return null;
  if (!/^[0-9A-Fa-f]{1,4}$/.test(text)) throw new FileProblem(`${who}: “${text}” is no identifier of data.`);
  return Number.parseInt(text, 16);
}

function productOf(node: XmlNode, index: Index): ProductGiven {
  const { A, B, C, E, H, I } = node.attributes;
  const name = titled(B, A!);
  const group = index.refer("PGP", C, name, "product group");
  const told = group ? formOfGroup(group.attributes.B ?? "") : null;
  const grainMass = figure(I, name, "its mass for a thousand grains");
  const ddi = ddiOf(E, name);
  const density = figure(H, name, "its density");
  return {
    name,
    form: told ?? (ddi === QUANTITY_OF.volume ? "liquid" : null),
    density: density === 0 ? null : density,
    grainMass: grainMass === null || grainMass === 0 ? null : grainMass / 1e9,
  };
}

function workerName({ attributes: { A, B = "", C = "" } }: XmlNode): string {
  return titled(C ? `${C} ${B}` : B, A!);
}

function taskOf(node: XmlNode, index: Index, notes: string[]): TaskGiven {
  const { A, B, C, D, E, F, G } = node.attributes;
  const name = titled(B, A!);
  const field = index.refer("PFD", E, name, "field");
  const farm = index.refer("FRM", D ?? field?.attributes.F, name, "farm");
  const client = index.refer("CTR", C ?? farm?.attributes.I ?? field?.attributes.E, name, "customer");
  const worker = index.refer("WKR", F, name, "worker");
  const crop = index.refer("CTP", field?.attributes.G, name, "crop");
  const variety = index.refer("CVT", field?.attributes.H, name, "variety");
  const state = STATES[Number(G) - 1];
  if (!state) throw new FileProblem(`${name}: its state is “${G ?? "missing"}”.`);
  for (const [child, count] of counted(node.children.map((each) => each.name)))
    if (!IN_TASK.has(child)) notes.push(`${name}: ${manyOf(child, count)}, left out.`);
  return {
    name,
    state,
    field: field && {
      client: client ? customerName(client) : "",
      farm: farm ? nameOf(farm.attributes.B ?? "") : "",
      name: titled(field.attributes.C, field.attributes.A!),
    },
    crop: crop ? cropOf(crop).name : null,
    variety: variety ? titled(variety.attributes.B, variety.attributes.A!) : null,
    operations: named(node, "OTP").map((each) => {
      const practice = index.refer("CPC", each.attributes.A, name, "operation");
      return practice ? titled(practice.attributes.B, practice.attributes.A!) : "";
    }),
    worker: worker ? workerName(worker) : "",
    rates: ratesOf(node, name, index, notes),
    line: lineOf(node, name, index, notes),
    devices: named(node, "DAN").map((each) => deviceOf(each, name, index)),
  };
}

/** Rates of the zone that holds where no other does; those of zones with an outline are a map, which is not taken. */
function ratesOf(node: XmlNode, name: string, index: Index, notes: string[]): RateGiven[] {
  const zones = named(node, "TZN");
  const outlined = zones.filter((zone) => named(zone, "PLN").length > 0);
  if (outlined.length > 0)
    notes.push(`${name}: ${outlined.length} zones of rates by place, left out: they are a map.`);
  const plain = zones.filter((zone) => !outlined.includes(zone));
  const code = node.attributes.H;
  const holds = code === undefined ? plain[0] : plain.find(({ attributes }) => attributes.A === code);
  if (code !== undefined && !holds && !outlined.some(({ attributes }) => attributes.A === code))
    throw new FileProblem(`${name} names the zone ${code}, which is not there.`);
  const others = plain.filter((zone) => zone !== holds).length;
  if (others > 0) notes.push(`${name}: ${others} zones of rates besides the one that holds, left out.`);
  return holds ? named(holds, "PDV").flatMap((each) => rateOf(each, name, index, notes)) : [];
}

function rateOf(
  { attributes: { A, B, C } }: XmlNode,
  name: string,
  index: Index,
  notes: string[],
): RateGiven[] {
  const ddi = ddiOf(A, name);
  const kind = (Object.keys(RATE_OF) as RateKind[]).find((each) => RATE_OF[each].ddi === ddi);
  const value = /^-?\d{1,10}$/.test(B ?? "") ? Number(B) : Number.NaN;
  if (!(Math.abs(value) <= 2 ** 31))
    throw new FileProblem(`${name}: a figure of its zone is “${B ?? "missing"}”.`);
  const product = index.refer("PDT", C, name, "product");
  if (!kind) {
    notes.push(`${name}: a figure of its zone (identifier ${ddi ?? "missing"}), left out.`);
    return [];
  }
  if (value < 0) throw new FileProblem(`${name}: a rate of its zone is “${B}”.`);
  return [
    {
      product: product ? titled(product.attributes.B, product.attributes.A!) : null,
      kind,
      rate: value / RATE_OF[kind].steps,
    },
  ];
}

function lineOf(node: XmlNode, name: string, index: Index, notes: string[]): string | null {
  const [first, ...others] = named(node, "GAN");
  if (others.length > 0) notes.push(`${name}: ${others.length} guidance lines besides the first, left out.`);
  if (first && named(first, "GST").length > 0) notes.push(`${name}: shifts of its line, left out.`);
  const group = first ? index.refer("GGP", first.attributes.A, name, "guidance line") : null;
  return group
    ? titled(named(group, "GPN")[0]?.attributes.B ?? group.attributes.B, group.attributes.A!)
    : null;
}

function deviceOf({ attributes: { A = "", C } }: XmlNode, name: string, index: Index): DeviceGiven {
  const device = index.refer("DVC", C, name, "device");
  const busName = device?.attributes.D ?? A;
  if (busName !== "" && !/^[0-9A-Fa-f]{16}$/.test(busName))
    throw new FileProblem(`${name}: “${busName}” is no NAME of a device.`);
  return {
    name: titled(device?.attributes.B, device?.attributes.A ?? busName),
    busName: busName.toUpperCase(),
    serial: (device?.attributes.E ?? "").trim(),
  };
}
