/** A version 4 TASKDATA zip as the library builds it, and as bytes. */
import { XMLBuilder } from "fast-xml-parser";
import { strToU8, zipSync } from "fflate";
import { ISOXMLManager, type XMLElement } from "isoxml";

/** ISO 11783-10, from memory: a designator has 32 characters at most. */
const DESIGNATOR = 32;

/** Whether the standard has no room for all of a name. */
export const isCut = (text: string): boolean => [...text].length > DESIGNATOR;

/** A name as the standard has room for it. */
export const designator = (text: string): string => [...text].slice(0, DESIGNATOR).join("");

export const newTaskFile = () => new ISOXMLManager({ version: 4, fmisTitle: "Ambrek", fmisVersion: "1" });

/** The library escapes text twice on saving, so its tree is written by an XML builder that escapes once. */
export function packTaskFile(manager: ISOXMLManager): Uint8Array {
  const xml = new XMLBuilder({
    attributeNamePrefix: "",
    attributesGroupName: "_attributes",
    textNodeName: "_text",
    ignoreAttributes: false,
    suppressBooleanAttributes: false,
    suppressEmptyNode: true,
    format: true,
  }).build({ ISO11783_TaskData: plain(manager.rootElement.toXML()) });
  return zipSync({ "TASKDATA/TASKDATA.XML": strToU8(`<?xml version="1.0" encoding="UTF-8"?>\n${xml}`) });
}

/** Where the standard has decimals, by element: positions, and the heading of a pattern. */
const DECIMALS: Readonly<Record<string, readonly string[]>> = { PNT: ["C", "D"], GPN: ["G"] };

/** The tree with its decimals written out: the library writes a ten-millionth as 1e-7, which is no decimal of XML. */
function plain(element: XMLElement, tag = ""): XMLElement {
  return Object.fromEntries(
    Object.entries(element).map(([name, value]) => {
      if (name === "_attributes") return [name, plainAttributes(value as Record<string, string>, tag)];
      return [name, Array.isArray(value) ? value.map((each: XMLElement) => plain(each, name)) : value];
    }),
  ) as XMLElement;
}

function plainAttributes(attributes: Record<string, string>, tag: string): Record<string, string> {
  const decimals = Object.hasOwn(DECIMALS, tag) ? DECIMALS[tag]! : [];
  return Object.fromEntries(
    Object.entries(attributes).map(([name, value]) => [
      name,
      decimals.includes(name) && /e-/.test(value)
        ? Number(value)
            .toFixed(9)
            .replace(/\.?0+$/, "")
        : value,
    ]),
  );
}
