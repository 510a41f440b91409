import { ATTACHMENTS, type Attachment } from "../../core/dimension/attachment.ts";
import { catalogueOf, type DimensionKey, dimension, hasDimension } from "../../core/dimension/catalogue.ts";
import { printEntry } from "../../core/dimension/entry.ts";
import { judgeRange } from "../../core/dimension/range.ts";
import { printLength } from "../../core/quantity/length.ts";
import type { Units } from "../../core/quantity/units.ts";
import { isSameReading } from "../../core/rig/facts.ts";
import { senseOf } from "../../core/rig/frame.ts";
import { below, gradeOf } from "../../core/rig/grade.ts";
import { sectionSum } from "../../core/rig/sections.ts";
import { isToolKind } from "../../core/trade/kinds.ts";
import type { SubjectColumns } from "../../data/facts.ts";
import { machineFacts } from "../../data/facts.ts";
import type { Database } from "../../data/handle.ts";
import { listMachines, listPoints, type Point } from "../../data/machines.ts";
import type { Machine } from "../../data/rigs.ts";
import type { ReadDevice } from "../../formats/isoxml/read.ts";

/** Onto which machine a device goes; a new one, or none. */
export type ImportTarget = { machine: number | "new" | "skip"; mount: number | null; hole: number | null };

export type ImportRow = {
  /** dimension key, or "sections" */
  key: string;
  letter: string;
  label: string;
  now: string;
  file: string;
  state: "new" | "same" | "differs" | "zero";
  /** ticked to begin with: never where something better stands */
  ticked: boolean;
};

export type ImportDevice = {
  device: ReadDevice;
  target: ImportTarget;
  /** why this machine was proposed */
  because: string;
  /** how the tool hangs, as the chosen machine is known to or the file tells */
  attachment: Attachment;
  /** in the directions the chosen machine counts them */
  values: ReadDevice["values"];
  rows: ImportRow[];
  mounts: Point[];
  holes: Point[];
};

/** The machine a device is: by bus NAME, else by serial number; never by a name that two may share. */
function match(
  device: ReadDevice,
  machines: readonly Machine[],
): { machine: Machine; because: string } | null {
  const own = machines.filter(({ kind }) => kind === device.kind);
  const byName = device.busName && own.find(({ busName }) => busName === device.busName);
  if (byName) return { machine: byName, because: "same bus NAME" };
  const bySerial = device.serial && own.find(({ serial }) => serial === device.serial);
  return bySerial ? { machine: bySerial, because: "same serial number" } : null;
}

/** Every device of a file against the yard. `wanted` are targets somebody chose, by the device's place in the file. */
export function viewImport(
  db: Database,
  devices: readonly ReadDevice[],
  wanted: (index: number) => Partial<ImportTarget>,
  units: Units,
): { devices: ImportDevice[]; machines: Machine[] } {
  const machines = listMachines(db);
  const points = listPoints(db);
  return {
    machines,
    devices: devices.map((told, index) => {
      // Previews kept by older builds tell no attachment.
      const device = { ...told, attachment: told.attachment ?? "drawn" };
      const found = match(device, machines);
      const chosen = wanted(index);
      const machine = chosen.machine ?? found?.machine.id ?? "new";
      const own = points.filter(({ machineId }) => machineId === machine);
      const mounts = own.filter(({ kind }) => kind === "receiver mount");
      const hitches: readonly string[] = ATTACHMENTS[device.attachment].hitches;
      const holes = own.filter(({ kind }) => device.kind !== "implement" && hitches.includes(kind));
      const among = (list: Point[], id: number | null | undefined) =>
        list.find((point) => point.id === id)?.id ?? list[0]?.id ?? null;
      const target = { machine, mount: among(mounts, chosen.mount), hole: among(holes, chosen.hole) };
      const attachment = attachmentOn(device, target, machines);
      const values = valuesOn(device, attachment);
      return {
        device,
        target,
        attachment,
        values,
        because: found?.machine.id === machine ? found.because : "",
        rows: machine === "skip" ? [] : rowsOf(db, { ...device, values }, target, attachment, units),
        mounts,
        holes,
      };
    }),
  };
}

/** Whose reading a dimension becomes on the chosen machine; null for a machine that is not there yet. */
export function subjectOn(
  key: DimensionKey,
  { machine, mount, hole }: ImportTarget,
  attachment: Attachment,
): SubjectColumns | null {
  if (typeof machine !== "number") return null;
  switch (dimension(key, attachment).subject) {
    case "receiver mount":
      return mount === null ? null : { pointId: mount };
    case "hitch":
      return hole === null ? null : { pointId: hole };
    case "tractor":
    case "implement":
      return { machineId: machine };
    default:
      return null;
  }
}

/** How the tool hangs: as the chosen machine is known to, or else as the file's connector tells. */
function attachmentOn(
  { kind, attachment }: Pick<ReadDevice, "kind" | "attachment">,
  { machine }: Pick<ImportTarget, "machine">,
  machines: readonly Machine[],
): Attachment {
  if (kind !== "implement") return attachment;
  return machines.find(({ id }) => id === machine)?.attachment ?? attachment;
}

/** The file's values in the directions this attachment counts them: ahead of a front hitch, behind any other. */
function valuesOn({ values, attachment: read }: ReadDevice, attachment: Attachment): ReadDevice["values"] {
  return Object.fromEntries(
    (Object.entries(values) as [DimensionKey, number][])
      .filter(([key]) => hasDimension(attachment, key))
      .map(([key, value]) => [key, isTurned(read, attachment, key) ? -value || 0 : value]),
  );
}

function isTurned(read: Attachment, attachment: Attachment, key: DimensionKey): boolean {
  return hasDimension(read, key) && senseOf(read, key) !== senseOf(attachment, key);
}

function rowsOf(
  db: Database,
  device: ReadDevice,
  target: ImportTarget,
  attachment: Attachment,
  units: Units,
): ImportRow[] {
  const known = machineFacts(
    db,
    (key) => subjectOn(key, target, attachment),
    typeof target.machine === "number" ? target.machine : null,
  );
  const tool = known.readings["tool.kind"]?.rawText ?? "";
  const hung = { attachment, tool: isToolKind(tool) ? tool : null };
  const rows = catalogueOf(hung).flatMap((entry): ImportRow[] => {
    const { key, letter, label } = entry;
    const now = known.readings[key] ?? null;
    const shown = now ? `${printEntry(entry, now.value, units)}, ${gradeOf(now.instrument)}` : "missing";
    if (device.zeros.includes(key))
      return [{ key, letter, label, now: shown, file: "0: missing", state: "zero", ticked: false }];
    const value = device.values[key];
    if (value === undefined) return [];
    const same = now !== null && isSameReading(now.value, value);
    return [
      {
        key,
        letter,
        label,
        now: shown,
        file: printEntry(entry, value, units),
        state: now === null ? "new" : same ? "same" : "differs",
        // A minus where there is no other side is a slip of the file's, whatever stands here.
        ticked:
          !same &&
          (value >= 0 || entry.sides !== null) &&
          judgeRange(entry, value) !== "impossible" &&
          (now === null || below(gradeOf(now.instrument), "book")),
      },
    ];
  });
  return device.sections ? [...rows, sectionsRow(device.sections, known.sections, units)] : rows;
}

function sectionsRow(
  widths: readonly number[],
  now: { widths: readonly number[]; grade: string } | null,
  units: Units,
): ImportRow {
  const shown = (list: readonly number[]) => `${list.length} = ${printLength(sectionSum(list), units.tape)}`;
  const same =
    now !== null &&
    now.widths.length === widths.length &&
    widths.every((each, at) => isSameReading(each, now.widths[at]!));
  return {
    key: "sections",
    letter: "N",
    label: "Sections",
    now: now ? `${shown(now.widths)}, ${now.grade}` : "missing",
    file: shown(widths),
    state: now === null ? "new" : same ? "same" : "differs",
    ticked: !same && (now === null || now.grade === "assumed"),
  };
}
