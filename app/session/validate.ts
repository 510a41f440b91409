import { getMetadataStorage, validateSync } from "class-validator";

export type FieldErrors = Record<string, string>;

const fields = new WeakMap<object, readonly string[]>();

/** The properties a class has rules for: what a form may fill in. */
function fieldsOf(Dto: new () => object): readonly string[] {
  const known = fields.get(Dto);
  if (known) return known;
  const rules = getMetadataStorage().getTargetValidationMetadatas(Dto, "", true, false);
  const found = [...new Set(rules.map(({ propertyName }) => propertyName))];
  fields.set(Dto, found);
  return found;
}

/**
 * Builds a DTO from a form's text fields and checks it. Only properties the class has rules for are taken over; values
 * stay the strings that were typed.
 */
export function validateForm<T extends object>(
  Dto: new () => T,
  form: FormData,
): { ok: true; value: T } | { ok: false; errors: FieldErrors } {
  const dto = new Dto();
  for (const field of fieldsOf(Dto)) {
    const value = form.get(field);
    Object.assign(dto, { [field]: typeof value === "string" ? value.trim() : "" });
  }
  const errors: FieldErrors = {};
  for (const { property, constraints } of validateSync(dto, { forbidUnknownValues: true }))
    errors[property] = Object.values(constraints ?? {})[0] ?? "This was not understood.";
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, value: dto };
}

/** Fields as a form would send them. */
export function formWith(fields: Readonly<Record<string, string>>): FormData {
  const form = new FormData();
  for (const [name, value] of Object.entries(fields)) form.set(name, value);
  return form;
}

/** What several readings of one form find wrong, by field; of two that find the same field wrong the later says why. */
export function wrongIn(
  ...read: readonly ({ ok: true } | { ok: false; errors: FieldErrors })[]
): FieldErrors {
  return Object.assign({}, ...read.map((each) => (each.ok ? {} : each.errors)));
}
