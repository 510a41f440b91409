/** The one way a station's form is taken in: checked by its class, with who says so and when, or answered by field. */
import type { Told } from "../../../data/record.ts";
import type { Stamp } from "../../session/clock.server.ts";
import { type Outcome, refused } from "../../session/outcome.ts";
import { validateForm } from "../../session/validate.ts";
import type { OpenRig } from "../frame/rig-view.server.ts";

export type Writing<T> = {
  open: OpenRig;
  /** what was typed, checked */
  value: T;
  /** who says so: the form's person, or the one this device last said it is; when it happened and when it arrived */
  told: Required<Omit<Told, "device">>;
  /** what the class knows nothing of: files, and fields whose names follow from what is open */
  form: FormData;
};

/** A write by its class: nothing of it runs unless every field is right. */
export function written<T extends object, Answer extends Outcome | Promise<Outcome>>(
  Dto: new () => T,
  keep: (writing: Writing<T>) => Answer,
) {
  return (open: OpenRig, form: FormData, { at, now }: Stamp): Answer | Outcome => {
    const checked = validateForm(Dto, form);
    if (!checked.ok) return refused(checked.errors);
    const { value } = checked;
    const said = "person" in value && typeof value.person === "string" ? value.person : "";
    const outcome = keep({ open, value, told: { person: said || open.preferences.person, at, now }, form });
    const signed = (came: Outcome) => (came.ok && said ? { ...came, person: said } : came);
    return (outcome instanceof Promise ? outcome.then(signed) : signed(outcome)) as Answer;
  };
}
