import type { Product } from "../../../core/yard/product.ts";
import { addProduct, changeProduct, keepLoaded, productIn, productsOf } from "../../../data/products.ts";
import { keepChange } from "../../../data/readings.ts";
import { factOf } from "../../../data/record.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { amountOf } from "../../yard/amount.ts";
import { written } from "../writing/written.server.ts";
import { ChangeProductDto, doseFamily, LoadProductDto, NewProductDto } from "./product.dto.ts";

/** Records what the tool in view was filled with. Another product is a change: what was set for the last one is stale. */
export const keepProduct = written(LoadProductDto, ({ open, value, told }): Outcome => {
  const { db, rig } = open;
  const product = productsOf(db).find(({ id }) => id === Number(value.product));
  if (!product) return refused({ product: "There is no such product." });
  const before = productIn(db, rig.implement.id);
  db.transaction(() => {
    keepLoaded(db, rig.implement.id, product.id, { ...told, id: value.id });
    if (before?.id === product.id) return;
    const partOf = factOf(db, value.id)!.seq;
    keepChange(db, rig, { kind: "product", note: product.name, ...told, partOf });
  });
  const said = before?.id === product.id ? "Filled again" : "Other product";
  return kept(`${said}: ${product.name}`, { id: value.id, undo: { intent: "take-back", id: value.id } });
});

const PER = { kg: 1, t: 0.001, l: 1000 } as const;

type Typed = { ok: true; told: Omit<Product, "id"> } | { ok: false; errors: FieldErrors };

/** A product as it was typed, or what of it is wrong; `others` are those of the yard besides it. */
function readProduct(value: NewProductDto, others: readonly Product[]): Typed {
  const name = value.name.trim();
  const read = (family: "mass per volume" | "grain mass" | "ratio", text: string, unit: string) => {
    const amount = amountOf(text, { family, unit, optional: true });
    return amount.ok ? amount.value : null;
  };
  const establishment = read("ratio", value.establishment, value.establishmentUnit);
  const dose = (text: string, unit: string) => {
    const amount = amountOf(text, { family: doseFamily(value.form), unit, optional: true });
    return amount.ok ? amount.value : null;
  };
  const [doseLow, doseHigh] = [
    dose(value.doseLow, value.doseLowUnit),
    dose(value.doseHigh, value.doseHighUnit),
  ];
  const errors: FieldErrors = {
    ...(doseLow !== null && doseHigh !== null && doseLow > doseHigh
      ? { doseHigh: "The most is less than the least." }
      : {}),
    ...(others.some((each) => each.name.toLowerCase() === name.toLowerCase())
      ? { name: "There is one of that name." }
      : {}),
    ...(establishment !== null && (establishment <= 0 || establishment > 1)
      ? { establishment: "Between 1 and 100 %." }
      : {}),
  };
  if (Object.keys(errors).length > 0) return { ok: false, errors };
  return {
    ok: true,
    told: {
      name,
      form: value.form,
      density: read("mass per volume", value.density, value.densityUnit),
      grainMass: read("grain mass", value.grainMass, value.grainMassUnit),
      establishment,
      price: value.price === "" ? null : Number(value.price.replace(",", ".")) * PER[value.priceFor],
      money: value.money.trim(),
      doseLow,
      doseHigh,
    },
  };
}

/** Adds a product to the yard's list. */
export const keepNewProduct = written(NewProductDto, ({ open: { db }, value, told }): Outcome => {
  const read = readProduct(value, productsOf(db));
  if (!read.ok) return refused(read.errors);
  addProduct(db, read.told, told);
  return kept(`Added: ${read.told.name}`);
});

/** Tells a product of the yard's list otherwise. */
export const keepChangedProduct = written(ChangeProductDto, ({ open: { db }, value, told }): Outcome => {
  const id = Number(value.product);
  const products = productsOf(db);
  if (!products.some((each) => each.id === id)) return refused({ product: "There is no such product." });
  const read = readProduct(
    value,
    products.filter((each) => each.id !== id),
  );
  if (!read.ok) return refused(read.errors);
  changeProduct(db, { id, ...read.told }, told);
  return kept(`Changed: ${read.told.name}`);
});
