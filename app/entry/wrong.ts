/** Between what a class says of a form, by the names of its fields, and how a form with rows keeps it. */
import { type FieldValues, type FieldErrors as Found, get, type Resolver, set } from "react-hook-form";
import type { FieldErrors } from "../session/validate.ts";

/** Checks a form with rows by what its class and its reader say: "rows.2.width" is the width of the third row. */
export function resolveBy<T extends FieldValues>(wrongIn: (values: T) => FieldErrors): Resolver<T> {
  return (values) => {
    const errors = wrongIn(values);
    if (Object.keys(errors).length === 0) return { values, errors: {} };
    const found = {};
    for (const [name, message] of Object.entries(errors))
      set(found, name === "form" ? "root.form" : name, { type: "said", message });
    return { values: {}, errors: found as Found<T> };
  };
}

/** What is wrong with a field: found in the browser, else said by the server. */
export function problemOf(found: Found, sent: FieldErrors, name: string): string | undefined {
  return get(found, `${name === "form" ? "root.form" : name}.message`) ?? sent[name];
}
