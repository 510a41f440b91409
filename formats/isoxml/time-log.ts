/**
 * A time log of ISO 11783-10: TLG00001.XML says what a record has, TLG00001.BIN has the records, little-endian (layout from memory). Positions and
 * whether work was done; what else is logged is stepped over.
 */
import type { Geographic } from "../../core/geodesy/plane.ts";
import { inflate } from "./inflate.ts";
import { FileProblem } from "./problem.ts";
import { readTree, type XmlNode } from "./tree.ts";

export type Logged = Geographic & {
  /** since midnight, days counted on */
  seconds: number;
  /** null where the log has no work state by then */
  working: boolean | null;
};

export type TimeLog = { name: string; records: Logged[]; states: "work state" | "condensed" | "none" };

/** DDI 141: actual work state; 161 to 176: sixteen sections each, two bits a section, 01 is on. */
const WORK_STATE = 141;
const CONDENSED = { first: 161, last: 176 };

type Field = { attribute: string; bytes: number };
/** Fields of a position in their order, each in the record where the header has it empty. */
const POSITION: readonly Field[] = [
  { attribute: "A", bytes: 4 },
  { attribute: "B", bytes: 4 },
  { attribute: "C", bytes: 4 },
  { attribute: "D", bytes: 1 },
  { attribute: "E", bytes: 2 },
  { attribute: "F", bytes: 2 },
  { attribute: "G", bytes: 1 },
  { attribute: "H", bytes: 4 },
  { attribute: "I", bytes: 2 },
];
const DEGREE = Math.PI / 180;
const DAY = 86_400;

const isEmpty = (node: XmlNode | undefined, attribute: string) => node?.attributes[attribute] === "";

/** Reads one log. @throws FileProblem, always with a sentence that can be shown */
export function readTimeLog(name: string, header: Uint8Array, bin: Uint8Array): TimeLog {
  const time = readTree(header, `${name}.XML`);
  if (time.name !== "TIM") throw new FileProblem(`${name}.XML is no header of a time log.`);
  if (!isEmpty(time, "A")) throw new FileProblem(`${name} has no time in its records.`);
  const position = time.children.find((child) => child.name === "PTN");
  if (!isEmpty(position, "A") || !isEmpty(position, "B"))
    throw new FileProblem(`${name} has no positions in its records.`);
  const fields = POSITION.filter(({ attribute }) => isEmpty(position, attribute));
  const ddis = time.children
    .filter((child) => child.name === "DLV")
    .map(({ attributes }) => Number.parseInt(attributes.A ?? "", 16));
  return { name, ...recordsOf(name, bin, fields, ddis) };
}

function recordsOf(
  name: string,
  bin: Uint8Array,
  fields: readonly Field[],
  ddis: readonly number[],
): Pick<TimeLog, "records" | "states"> {
  const view = new DataView(bin.buffer, bin.byteOffset, bin.byteLength);
  const records: Logged[] = [];
  const held = new Map<number, number>();
  let at = 0;
  const take = (bytes: number) => {
    if (at + bytes > view.byteLength) throw new FileProblem(`${name}.BIN ends within a record.`);
    at += bytes;
    return at - bytes;
  };
  while (at < view.byteLength) {
    const seconds = view.getUint32(take(4), true) / 1000 + DAY * view.getUint16(take(2), true);
    const where: Record<string, number> = {};
    for (const { attribute, bytes } of fields) {
      const from = take(bytes);
      if (bytes === 4) where[attribute] = view.getInt32(from, true);
    }
    const count = view.getUint8(take(1));
    for (let each = 0; each < count; each += 1) {
      const ordinal = view.getUint8(take(1));
      const value = view.getInt32(take(4), true);
      const ddi = ddis[ordinal];
      if (ddi === undefined) throw new FileProblem(`${name}.BIN has a value its header does not name.`);
      held.set(ddi, value);
    }
    const [north, east] = [where.A! * 1e-7, where.B! * 1e-7];
    // Nothing was received: the fields hold their largest number.
    if (Math.abs(north) > 90 || Math.abs(east) > 180) continue;
    records.push({ latitude: north * DEGREE, longitude: east * DEGREE, seconds, working: workingBy(held) });
  }
  const has = (test: (ddi: number) => boolean) => ddis.some(test);
  return {
    records,
    states: has((ddi) => ddi === WORK_STATE) ? "work state" : has(isCondensed) ? "condensed" : "none",
  };
}

const isCondensed = (ddi: number) => ddi >= CONDENSED.first && ddi <= CONDENSED.last;

/** Every time log of a task data set, in order. @throws FileProblem, always with a sentence that can be shown */
export function timeLogsIn(bytes: Uint8Array): TimeLog[] {
  const files = inflate(bytes);
  const logs = [...files.keys()]
    .flatMap((name) => /^(TLG\d{5})\.XML$/.exec(name)?.[1] ?? [])
    .sort()
    .flatMap((name) => {
      const bin = files.get(`${name}.BIN`);
      return bin ? [readTimeLog(name, files.get(`${name}.XML`)!, bin)] : [];
    });
  if (logs.length === 0) throw new FileProblem("There is no time log in it: TLG00001.XML with its BIN.");
  return logs;
}

/** By the work state where it is logged, else by any section that is on. */
function workingBy(held: ReadonlyMap<number, number>): boolean | null {
  const state = held.get(WORK_STATE);
  if (state !== undefined) return state === 1;
  const sections = [...held].filter(([ddi]) => isCondensed(ddi));
  if (sections.length === 0) return null;
  return sections.some(([, value]) =>
    Array.from({ length: 16 }, (_, at) => (value >>> (2 * at)) & 3).includes(1),
  );
}
