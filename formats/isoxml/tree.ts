import { SaxesParser } from "saxes";
import { FileProblem } from "./problem.ts";

export type XmlNode = { name: string; attributes: Record<string, string>; children: XmlNode[] };

const DEEPEST = 24;
const MOST_ELEMENTS = 200_000;
/** ISO 11783-10 ends its longest text at 128 signs (from memory); what is far longer is no text of a terminal's. */
const LONGEST = 1_000;

/**
 * Reads XML strictly: UTF-8 only, no DOCTYPE, so that no entity but the five of XML itself is ever expanded.
 * @throws FileProblem with the line where it went wrong
 */
export function readTree(bytes: Uint8Array, fileName: string): XmlNode {
  const refuse = (why: string) => new FileProblem(`${fileName}: ${why}`);
  const root: XmlNode = { name: "", attributes: {}, children: [] };
  const open = [root];
  let count = 0;
  const parser = new SaxesParser();
  parser.on("xmldecl", ({ encoding }) => {
    if (encoding && !/^utf-?8$/i.test(encoding)) throw refuse(`written in ${encoding}; only UTF-8 is read.`);
  });
  parser.on("doctype", () => {
    throw refuse("has a DOCTYPE, which task data never has.");
  });
  parser.on("error", () => {
    throw refuse(`damaged at line ${parser.line}.`);
  });
  parser.on("opentag", ({ name, attributes }) => {
    count += 1;
    if (count > MOST_ELEMENTS) throw refuse("has too many elements.");
    if (open.length > DEEPEST) throw refuse("is nested too deep.");
    if (Object.values(attributes).some((each) => String(each).length > LONGEST))
      throw refuse(`has a text of over ${LONGEST} letters at line ${parser.line}.`);
    const node: XmlNode = { name, attributes: attributes as Record<string, string>, children: [] };
    open.at(-1)!.children.push(node);
    open.push(node);
  });
  parser.on("closetag", () => open.pop());
  parser.write(decode(bytes, refuse)).close();
  const [first] = root.children;
  if (!first) throw refuse("has nothing in it.");
  return first;
}

function decode(bytes: Uint8Array, refuse: (why: string) => FileProblem): string {
  const head = new TextDecoder("latin1").decode(bytes.subarray(0, 120));
  const declared = /^[^<]*<\?xml[^>]*encoding\s*=\s*["']([^"']+)["']/i.exec(head)?.[1];
  if (declared && !/^utf-?8$/i.test(declared)) throw refuse(`written in ${declared}; only UTF-8 is read.`);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    throw refuse("is not UTF-8.");
  }
}
