/** The log of work as CSV: one line an entry, units in the header, figures in SI's own multiples that people reckon in. */
import Papa from "papaparse";
import { judgeEntry } from "../../core/log/judge.ts";
import { FAMILIES } from "../../core/quantity/measure.ts";
import { type Units, unitOf } from "../../core/quantity/units.ts";
import { OPERATIONS } from "../../core/trade/operations.ts";
import type { LogEntry } from "../../core/yard/log.ts";
import { cell, WRITTEN } from "./cell.ts";

const plain = (value: number) => Number(value.toPrecision(9));

function inUnits(units: Units) {
  const of = (family: "area" | "volume" | "mass") => {
    const unit = unitOf(family, units);
    const { factor } = (FAMILIES[family] as Record<string, { factor: number }>)[unit]!;
    return { unit, write: (value: number | null) => (value === null ? "" : plain(value / factor)) };
  };
  return { area: of("area"), volume: of("volume"), mass: of("mass") };
}

/** The whole log; an empty cell is not known. */
export function logCsv(entries: readonly LogEntry[], units: Units): string {
  const { area, volume, mass } = inUnits(units);
  const head = [
    "client",
    "farm",
    "field",
    "season",
    "operation",
    "crop",
    "varieties",
    "rig",
    "person",
    "begun (UTC)",
    "ended (UTC)",
    `worked (${area.unit})`,
    `field (${area.unit})`,
    "at work (h)",
    `fuel (${volume.unit})`,
    `product used (${volume.unit} of liquids, ${mass.unit} of the rest)`,
    `loads (${mass.unit})`,
    "card",
    "variants",
    "note",
  ];
  const rows = entries.map((entry) => {
    const { ended } = entry;
    return [
      cell(entry.field.client),
      cell(entry.field.farm),
      cell(entry.field.name),
      cell(entry.season),
      entry.operations.map((key) => OPERATIONS[key].label).join("; "),
      cell(entry.crop ?? ""),
      cell(entry.varieties.map(({ name, rows: own }) => (own === "" ? name : `${name} (${own})`)).join("; ")),
      cell(entry.rig),
      cell(entry.person),
      entry.begun,
      ended?.at ?? "",
      area.write(ended?.area ?? null),
      area.write(entry.fieldArea),
      ended?.time == null ? "" : plain(ended.time / 3600),
      volume.write(ended?.fuel ?? null),
      cell(
        entry.products
          .flatMap(({ name, form, used }) =>
            used === null ? [] : [`${name}: ${(form === "liquid" ? volume : mass).write(used)}`],
          )
          .join("; "),
      ),
      mass.write(judgeEntry(entry).loaded),
      entry.frozen.card ?? "",
      cell(entry.frozen.variants.filter(Boolean).join("; ")),
      cell(ended?.note ?? ""),
    ];
  });
  return `\ufeff${Papa.unparse([head, ...rows], WRITTEN)}\r\n`;
}
