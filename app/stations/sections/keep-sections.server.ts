import type { DimensionKey } from "../../../core/dimension/catalogue.ts";
import type { Instrument } from "../../../core/rig/grade.ts";
import { givenSections, resolveRig } from "../../../core/rig/resolve.ts";
import { countSections } from "../../../core/rig/sections.ts";
import { type Derived, oneRank, type Whole, withSections } from "../../../core/subjects/tool/variant.ts";
import { rigFacts } from "../../../data/facts.ts";
import { keepReading, keepSections } from "../../../data/readings.ts";
import type { Told } from "../../../data/record.ts";
import type { RigTool } from "../../../data/rigs.ts";
import { addVariant, archiveVariant, chooseVariant, variantsOf } from "../../../data/variants.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";
import { written } from "../writing/written.server.ts";
import { ChooseVariantDto, KeepLayoutDto, NewVariantDto, readRows, rowsIn } from "./sections.dto.ts";

/** Keeps the table of sections, whole. */
export const keepTable = written(KeepLayoutDto, ({ open: { db, rig }, value, told }): Outcome => {
  const { id, style, instrument } = value;
  const read = readRows(rowsIn(value.rows)!, style);
  if (!read.ok) return refused(read.errors);
  const { widths, parts } = read;
  keepSections(db, rig, widths, { id, parts, instrument, ...told });
  return kept(`${countSections({ widths })} saved`, { id });
});

/** Makes a variant of the tool in view; the rig goes on working as it does until somebody goes over to it. */
export const keepVariant = written(
  NewVariantDto,
  ({ open, value: { name, way, first, last }, told }): Outcome => {
    const { db, rig } = open;
    if (variantsOf(db, rig.implement.id).some((each) => each.name.toLowerCase() === name.toLowerCase()))
      return refused({ name: "There is a variant of this name." });
    const base = resolveRig(rigFacts(db, { ...rig, variant: null }));
    const whole = wholeOf(base);
    let derived: Derived | null = null;
    if (way !== "empty") {
      if (!whole) return refused({ way: "Give width and sections of the whole tool first." });
      if (way === "sections") {
        const [from, to] = [Number(first), Number(last)];
        if (!(from >= 1 && to >= from && to <= whole.widths.length))
          return refused({ last: `Choose sections from 1 to ${whole.widths.length}.` });
        derived = withSections(whole, from, to);
      } else {
        derived = oneRank(whole, way);
        if (!derived) return refused({ way: "Give the number of rows and their spacing first." });
      }
    }
    const instrument = givenSections(base)?.instrument ?? "estimate";
    const id = db.transaction(() => {
      const variantId = addVariant(db, rig.implement.id, name, told);
      const of: RigTool = { ...rig, variant: { id: variantId, name } };
      if (derived) write(open, of, derived, { told, instrument, note: noteOf(way, first, last) });
      return variantId;
    });
    return kept(`${name} set up`, { id: String(id) });
  },
);

function noteOf(way: string, first: string, last: string): string {
  return way === "sections"
    ? `worked out: sections ${first} to ${last} of the whole tool`
    : "worked out: every second row";
}

type Source = {
  told: Told;
  instrument: Instrument;
  note: string;
};

/** What a variant has of its own, worked out from the whole tool: graded as the whole tool's sections are. */
function write({ db }: OpenRig, rig: RigTool, derived: Derived, { told, instrument, note }: Source): void {
  const readings: [DimensionKey, number | null][] = [
    ["tool.width", derived.width],
    ["tool.lateral", derived.lateral],
    ["rows.count", derived.rows],
    ["rows.spacing", derived.spacing],
  ];
  for (const [key, value] of readings)
    if (value !== null)
      keepReading(db, rig, {
        key,
        value: Math.round(value * 1e5) / 1e5,
        rawText: key === "rows.count" ? String(value) : `${value.toFixed(3)} m`,
        step: key === "rows.count" ? 0 : 0.001,
        instrument,
        note,
        ...told,
      });
  keepSections(db, rig, derived.widths, { instrument, ...told });
}

function wholeOf(rig: ReturnType<typeof resolveRig>): Whole | null {
  const { values } = rig;
  const sections = givenSections(rig);
  if (!sections) return null;
  return {
    widths: sections.widths,
    lateral: values["tool.lateral"].value ?? 0,
    spacing: values["rows.spacing"].value,
    rows: values["rows.count"].value,
  };
}

/** Goes over to a variant, or takes one out of use. */
export const keepChosen = written(
  ChooseVariantDto,
  ({ open: { db, rig }, value: { variant, press }, told: by }): Outcome => {
    const chosen =
      variant === "" ? null : variantsOf(db, rig.implement.id).find(({ id }) => id === Number(variant));
    if (chosen === undefined) return refused({ variant: "There is no such variant of this tool." });
    if (press === "away" && chosen) {
      archiveVariant(db, chosen.id, true, by);
      return kept(`${chosen.name} archived`, { id: variant });
    }
    chooseVariant(db, rig.couplingId, chosen?.id ?? null, by);
    return kept(`Works as: ${chosen?.name ?? "whole"}`, { id: variant });
  },
);
