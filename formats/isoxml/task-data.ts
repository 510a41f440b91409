/** A task data set opened: its root, and every element on its first level, wherever it stands. */
import { inflate } from "./inflate.ts";
import { FileProblem } from "./problem.ts";
import { readTree, type XmlNode } from "./tree.ts";

export type TaskData = {
  version: "3" | "4";
  /** of the root and of the files it names, in order */
  elements: readonly XmlNode[];
  /** attributes of the root */
  about: XmlNode["attributes"];
  /** files of the set that nothing names: logs, maps, lists of links */
  others: readonly { name: string; bytes: number }[];
};

/**
 * Opens a TASKDATA zip, or a bare TASKDATA.XML.
 * @throws FileProblem, always with a sentence that can be shown
 */
export function openTaskData(bytes: Uint8Array): TaskData {
  const files = inflate(bytes);
  const main = files.get("TASKDATA.XML");
  if (!main) throw new FileProblem("There is no TASKDATA.XML in it.");
  const root = readTree(main, "TASKDATA.XML");
  if (root.name !== "ISO11783_TaskData") throw new FileProblem("TASKDATA.XML is not ISO 11783-10 task data.");
  const version = root.attributes.VersionMajor ?? "";
  if (version !== "3" && version !== "4")
    throw new FileProblem(`TASKDATA.XML is of version ${version || "unknown"}; versions 3 and 4 are read.`);
  const parts = named(root, "XFR").map((node) => external(node, files));
  const elements = [...root.children, ...parts.flatMap(({ children }) => children)];
  notTooMany(elements);
  const read = new Set(["TASKDATA.XML", ...named(root, "XFR").map(fileOf)]);
  return {
    version,
    about: root.attributes,
    elements: elements.filter(({ name }) => name !== "XFR"),
    others: [...files].flatMap(([name, { length }]) => (read.has(name) ? [] : [{ name, bytes: length }])),
  };
}

/** So many machines, and so many of anything else, can be looked at on one page. */
const MOST_DEVICES = 250;
const MOST_OF_A_KIND = 2_000;

/** @throws FileProblem where there is more of a kind than anybody could look through */
function notTooMany(elements: readonly XmlNode[]): void {
  const counts = new Map<string, number>();
  for (const { name } of elements) counts.set(name, (counts.get(name) ?? 0) + 1);
  for (const [name, count] of counts) {
    const most = name === "DVC" ? MOST_DEVICES : MOST_OF_A_KIND;
    if (count > most)
      throw new FileProblem(`It has ${count} elements ${name}; up to ${most} are read. Export it in parts.`);
  }
}

const fileOf = ({ attributes }: XmlNode) => `${attributes.A ?? ""}.XML`.toUpperCase();

/** A part of the set that was put into a file of its own. */
function external(node: XmlNode, files: Map<string, Uint8Array>): XmlNode {
  const name = fileOf(node);
  const part = files.get(name);
  if (!part) throw new FileProblem(`${name} is named in TASKDATA.XML and not there.`);
  return readTree(part, name);
}

export const named = (node: { children: readonly XmlNode[] }, name: string): XmlNode[] =>
  node.children.filter((child) => child.name === name);
