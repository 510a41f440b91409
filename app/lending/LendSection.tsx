import { Form } from "react-router";
import type { FieldErrors } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import type { LoanShown } from "./lending-view.server.ts";

/** Lending a machine to another yard, with what was read of it as a file. */
export function LendSection({
  machineId,
  loan: { said, can, fileFor, here, late },
  errors,
  said: done,
}: {
  machineId: number;
  loan: LoanShown;
  errors: FieldErrors;
  said: string;
}) {
  return (
    <section id="lend" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Lend</h2>
      {said && (
        <p className={`font-semibold ${late ? "text-stop" : ""}`} data-loan>
          {said}.
        </p>
      )}
      {done && (
        <p className="font-bold text-ok" role="status">
          {done}
        </p>
      )}
      {fileFor && (
        <a className="key-main justify-self-start" href={`/machines/${machineId}/machine.json`} download>
          Its file, for {fileFor}
        </a>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      {can !== "lend" && (
        <Form method="post">
          <input type="hidden" name="intent" value="end-loan" />
          <button type="submit" className="key">
            {can === "give-back" ? "Give it back" : "It is back, without a file"}
          </button>
        </Form>
      )}
      {can === "lend" && (
        <details open={errors.there || errors.here || errors.until ? true : undefined}>
          <summary className="min-h-11 cursor-pointer content-center font-semibold text-dye">
            {said ? "Lend it again" : "Lend it to another yard"}
          </summary>
          <Form method="post" className="grid gap-2" noValidate>
            <input type="hidden" name="intent" value="lend" />
            <TextField
              name="there"
              label="To whom"
              hint="a farm, a ring, a neighbour"
              problem={errors.there}
            />
            <TextField
              name="here"
              label="What they call this yard"
              hint="stands there behind who read what"
              defaultValue={here}
              problem={errors.here}
            />
            <TextField
              name="until"
              label="Back by"
              type="date"
              hint="empty where nobody said"
              problem={errors.until}
            />
            <button type="submit" className="key-main justify-self-start">
              Lend it
            </button>
          </Form>
        </details>
      )}
    </section>
  );
}
