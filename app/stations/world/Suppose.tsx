import { Form } from "react-router";
import { Field } from "../../ui/Field.tsx";
import { GradeMark } from "../../ui/Grade.tsx";
import type { Driveable } from "./world-view.server.ts";

type Props = Pick<Driveable, "told" | "crop" | "wrong"> & { field: number };

/** What if a reading is really another: the terminal keeps what it was told, the ground has this. */
export function Suppose({ told, field, crop, wrong }: Props) {
  const supposed = told.filter(({ is }) => is !== null);
  return (
    <details open={supposed.length > 0 || wrong} className="border-t-2 border-ink">
      <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-x-3 font-semibold text-dye">
        Suppose a reading is really another
        <span className="font-normal text-soft">
          {supposed.length === 0
            ? "now map and ground have the same figures"
            : supposed.map(({ label, figure, typed }) => `${label} ${typed}, not ${figure}`).join("; ")}
        </span>
      </summary>
      <Form method="get" preventScrollReset className="grid gap-3 pt-2">
        <input type="hidden" name="field" value={field} />
        {crop !== "" && <input type="hidden" name="crop" value={crop} />}
        <p className="text-soft">
          The terminal goes on believing the figure on record; the ground has what you type. Nothing of it is
          kept.
        </p>
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          {told.map(({ key, label, figure, assumed, within, grade, typed, problem, unit }) => (
            <div key={`${key} ${typed}`} className="grid content-start gap-1">
              <Field
                label={`${label}, really${unit ? `, ${unit}` : ""}`}
                problem={problem ?? undefined}
                hint={`${assumed ? "Not read, taken for" : "On record"} ${figure}, within ${within}`}
              >
                <input
                  className="field"
                  name={`is.${key}`}
                  defaultValue={typed}
                  aria-invalid={problem !== null}
                />
              </Field>
              <GradeMark grade={grade} />
            </div>
          ))}
        </div>
        <p>
          <button type="submit" className="key-main">
            Drive it so
          </button>
        </p>
      </Form>
    </details>
  );
}
