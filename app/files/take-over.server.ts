/** What of a file was ticked, taken over into the yard. */
import { ATTACHMENTS } from "../../core/dimension/attachment.ts";
import { isDimensionKey } from "../../core/dimension/catalogue.ts";
import type { Database } from "../../data/handle.ts";
import { type FileRead, type ImportedReading, type ImportedSections, takeOver } from "../../data/imports.ts";
import { createMachine, pointsOf } from "../../data/machines.ts";
import type { Told } from "../../data/record.ts";
import type { Machine } from "../../data/rigs.ts";
import type { ReadDevice } from "../../formats/isoxml/read.ts";
import { ROW_NUMBER } from "../entry/row-number.ts";
import { type ImportDevice, type ImportTarget, subjectOn } from "./import-view.server.ts";

/** The devices of a file that was read and waits. */
/** False of a file of fields, which has a page of its own. */
export const hasDevices = ({ content }: FileRead) => content.startsWith("[");
export const devicesIn = ({ content }: FileRead) => JSON.parse(content) as ReadDevice[];

/** Targets somebody chose, from the address or from the form: m0, p0, h0 for the first device. */
export function targetsIn(get: (name: string) => string | null): (index: number) => Partial<ImportTarget> {
  const id = (text: string | null) => (ROW_NUMBER.test(text ?? "") ? Number(text) : null);
  return (index) => {
    const machine = get(`m${index}`);
    const chosen = machine === "new" || machine === "skip" ? machine : id(machine);
    return {
      ...(chosen === null ? {} : { machine: chosen }),
      mount: id(get(`p${index}`)),
      hole: id(get(`h${index}`)),
    };
  };
}

/** Whether a device may go onto the machine chosen for it. */
export function goesOnto({ device, target }: ImportDevice, machines: readonly Machine[]): boolean {
  return (
    typeof target.machine !== "number" ||
    machines.some(({ id, kind }) => id === target.machine && kind === device.kind)
  );
}

/** Takes over the readings that are ticked, all or none, and returns the machines they went onto; `ticked` is asked for t0.KEY of the first device, and so on. */
export function takeTicked(
  db: Database,
  batchId: string,
  devices: readonly ImportDevice[],
  ticked: (name: string) => boolean,
  by: Told,
): number[] {
  return db.transaction(() => {
    const machines: number[] = [];
    const readings: ImportedReading[] = [];
    const layouts: ImportedSections[] = [];
    for (const [index, { device, target, attachment, values, rows }] of devices.entries()) {
      if (target.machine === "skip") continue;
      const onto = target.machine === "new" ? newMachine(db, device, by) : target;
      machines.push(onto.machine as number);
      for (const { key } of rows.filter((row) => row.state !== "zero" && ticked(`t${index}.${row.key}`))) {
        if (key === "sections") layouts.push({ machineId: onto.machine as number, widths: device.sections! });
        const subject = isDimensionKey(key) ? subjectOn(key, onto, attachment) : null;
        if (isDimensionKey(key) && subject) readings.push({ key, value: values[key]!, subject });
      }
    }
    takeOver(db, batchId, readings, layouts, by);
    return machines;
  });
}

/** A machine of the yard for a device that was none yet. */
function newMachine(
  db: Database,
  { kind, designator, serial, busName, attachment }: ReadDevice,
  by: Told,
): ImportTarget {
  const [make = "", ...model] = (designator || "Unnamed").slice(0, 40).split(" ");
  const details = {
    make,
    model: model.join(" ") || "–",
    fleetNumber: "",
    serial: serial.slice(0, 32),
    busName,
    ...(kind === "implement" ? { attachment } : {}),
  };
  const id = createMachine(db, kind, details, by);
  const points = pointsOf(db, id);
  const first = (...wanted: string[]) => points.find((point) => wanted.includes(point.kind))?.id ?? null;
  return { machine: id, mount: first("receiver mount"), hole: first(...ATTACHMENTS[attachment].hitches) };
}
