import { Unzip, UnzipInflate } from "fflate";
import { FileProblem } from "./problem.ts";

/** What a task data set may come to once unpacked; a real one is well under a megabyte. */
export const MOST_BYTES = 20 * 1024 * 1024;
const MOST_ENTRIES = 60;
const CHUNK = 16 * 1024;

const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b;

/**
 * Unpacks a zip into files by upper-case base name, counting as it goes: what would grow too large is given up before it
 * does. A bare XML file is taken as TASKDATA.XML.
 * @throws FileProblem for what is no zip, is damaged, too large, or names paths outside itself
 */
export function inflate(bytes: Uint8Array): Map<string, Uint8Array> {
  if (bytes.length === 0) throw new FileProblem("The file is empty.");
  if (bytes.length > MOST_BYTES) throw new FileProblem("The file is larger than 20 MB.");
  if (!isZip(bytes)) {
    if (/^\s*</.test(new TextDecoder().decode(bytes.subarray(0, 64)).replace(/^\ufeff/, "")))
      return new Map([["TASKDATA.XML", bytes]]);
    throw new FileProblem("That is neither a zip nor an XML file.");
  }
  return unzipCounting(bytes);
}

function unzipCounting(bytes: Uint8Array): Map<string, Uint8Array> {
  const files = new Map<string, Uint8Array[]>();
  let open = 0;
  let entries = 0;
  let total = 0;
  // The unpacker hands what is thrown inside it back as an error of its own: the first reason is the one to tell.
  let reason: FileProblem | null = null;
  const refuse = (why: string) => {
    reason ??= new FileProblem(why);
    return reason;
  };
  const unzip = new Unzip((file) => {
    entries += 1;
    if (entries > MOST_ENTRIES) throw refuse(`The zip has more than ${MOST_ENTRIES} entries.`);
    if (leadsOutside(file.name)) throw refuse("The zip names a path outside itself.");
    if (file.name.endsWith("/")) return;
    if (file.compression !== 0 && file.compression !== 8)
      throw refuse(`${file.name} is packed in a way that is not understood.`);
    const chunks: Uint8Array[] = [];
    open += 1;
    file.ondata = (error, chunk, final) => {
      if (error) throw refuse("The zip is damaged.");
      total += chunk.length;
      if (total > MOST_BYTES) throw refuse("The zip unpacks to more than 20 MB.");
      chunks.push(chunk);
      if (!final) return;
      open -= 1;
      files.set(baseName(file.name), chunks);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for (let at = 0; at < bytes.length; at += CHUNK)
      unzip.push(bytes.subarray(at, at + CHUNK), at + CHUNK >= bytes.length);
  } catch {
    throw refuse("The zip is damaged.");
  }
  if (open > 0 || files.size === 0) throw new FileProblem("The zip is damaged, or has nothing in it.");
  return new Map([...files].map(([name, chunks]) => [name, Buffer.concat(chunks)]));
}

function leadsOutside(name: string): boolean {
  return name.split(/[/\\]/).includes("..") || /^([/\\]|[A-Za-z]:)/.test(name);
}

function baseName(name: string): string {
  return (name.split(/[/\\]/).at(-1) ?? "").toUpperCase();
}
