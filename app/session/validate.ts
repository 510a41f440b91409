import { validateSync } from "class-validator";

export type FieldErrors = Record<string, string>;

/**
 * Builds a DTO from a form's text fields and checks it. Only the properties named are taken over; values
 * stay the strings that were typed.
 */
export function validateForm<T extends object>(
  Dto: new () => T,
  fields: readonly (keyof T & string)[],
  form: FormData,
): { ok: true; value: T } | { ok: false; errors: FieldErrors } {
  const dto = new Dto();
  for (const field of fields) {
    const value = form.get(field);
    Object.assign(dto, { [field]: typeof value === "string" ? value.trim() : "" });
  }
  const errors: FieldErrors = {};
  for (const { property, constraints } of validateSync(dto, { forbidUnknownValues: true }))
    errors[property] = Object.values(constraints ?? {})[0] ?? "This was not understood.";
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, value: dto };
}
