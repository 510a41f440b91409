import type { OperationKey } from "../../../core/trade/operations.ts";
import { linesOf } from "../../../data/lines.ts";
import { fieldOf } from "../../../data/places.ts";
import { productsOf } from "../../../data/products.ts";
import { cropNamed, keepWork, varietyNamed } from "../../../data/work.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { amountOf } from "../../yard/amount.ts";
import { written } from "../writing/written.server.ts";
import { JobDto, MOST_PRODUCTS, MOST_VARIETIES, type RateFamily, readAlarms, readScreen } from "./job.dto.ts";

/** Fields that come in rows, by name and row. */
const row = (
  value: JobDto,
  name: "variety" | "rows" | "product" | "rate",
  at: number,
  of: "" | "Unit" | "Of" = "",
) => (value as unknown as Record<string, string>)[`${name}${at}${of}`] ?? "";

const upTo = (count: number) => Array.from({ length: count }, (_, at) => at);

/** Keeps what a rig is set to do: all of it, or nothing. */
export const keepJob = written(JobDto, ({ open, value, told }): Outcome => {
  const { db, rig } = open;
  const field = fieldOf(db, Number(value.field));
  const products = productsOf(db);
  const chosen = upTo(MOST_PRODUCTS).filter((at) => row(value, "product", at) !== "");
  const names = upTo(MOST_VARIETIES).filter((at) => row(value, "variety", at) !== "");
  const line =
    value.line === "" ? null : linesOf(db, Number(value.field)).find(({ id }) => id === value.line);
  const errors: FieldErrors = {
    ...(field ? {} : { field: "There is no such field." }),
    ...(line === undefined ? { line: "This line is of another field." } : {}),
    ...(names.length > 0 && value.crop === "" ? { crop: "Of which crop is the variety?" } : {}),
    ...(value.second !== "" && value.second === value.operation ? { second: "It is entered already." } : {}),
  };
  for (const at of chosen)
    if (!products.some(({ id }) => id === Number(row(value, "product", at))))
      errors[`product${at}`] = "There is no such product.";
  const twice = chosen.find(
    (at, index) =>
      chosen.findIndex((other) => row(value, "product", other) === row(value, "product", at)) !== index,
  );
  if (twice !== undefined) errors[`product${twice}`] = "It stands here twice.";
  if (Object.keys(errors).length > 0) return refused(errors);
  db.transaction(() => {
    const cropId = value.crop === "" ? null : cropNamed(db, value.crop, told);
    keepWork(
      db,
      rig.id,
      {
        id: value.id,
        fieldId: field!.id,
        operations: [value.operation, value.second].filter((each): each is OperationKey => each !== ""),
        cropId,
        varietyWay: value.varietyWay,
        varieties: names.map((at) => ({
          id: varietyNamed(db, cropId!, row(value, "variety", at), told),
          rows: value.varietyWay === "rows" ? row(value, "rows", at) : "",
        })),
        products: chosen.map((at) => ({
          id: Number(row(value, "product", at)),
          rate: rateOf(value, at),
          counted: row(value, "rate", at, "Of") === "count per area",
        })),
        recordedBy: value.trigger === "" ? null : value.trigger,
        line: line?.seq ?? null,
        season: value.season,
        screen: readScreen(value.screen)!,
        screenActive: value.screenActive === "yes",
        alarms: readAlarms(value.alarms)!,
        mutedRows: value.mutedRows,
      },
      told,
    );
  });
  return kept(`Set for ${field!.name}`, { id: value.id, undo: { intent: "take-back", id: value.id } });
});

function rateOf(value: JobDto, at: number): number | null {
  const read = amountOf(row(value, "rate", at), {
    family: row(value, "rate", at, "Of") as RateFamily,
    unit: row(value, "rate", at, "Unit"),
    optional: true,
  });
  return read.ok ? read.value : null;
}
