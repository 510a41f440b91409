import { Form, Link } from "react-router";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField } from "../../ui/Field.tsx";

type Props = {
  axles: readonly { axle: string; label: string; tyreId: string; count: string }[];
  tyres: readonly { id: number; label: string }[];
  errors: FieldErrors;
};

const COUNTS = ["2", "4", "6", "8", "10", "12", "16"].map((count): [string, string] => [
  count,
  `${count} tyres`,
]);

/** Which tyre of the yard's tables each axle runs on. */
export function TyresSection({ axles, tyres, errors }: Props) {
  return (
    <section id="tyres">
      <h2 className="border-b-2 border-ink pb-1">Tyres</h2>
      {tyres.length === 0 && (
        <p className="py-2 text-soft">
          No tyre table in this yard yet. Copy one from the tyre maker's data book, then pressures follow from
          it.
        </p>
      )}
      {tyres.length > 0 &&
        axles.map(({ axle, label, tyreId, count }) => (
          <Form
            method="post"
            key={`${axle} ${tyreId} ${count}`}
            className="flex flex-wrap items-end gap-2 border-b border-hair py-2"
          >
            <input type="hidden" name="intent" value="set-tyre" />
            <input type="hidden" name="axle" value={axle} />
            <SelectField
              name="tyreId"
              label={label}
              choices={[
                ["", "not entered"],
                ...tyres.map(({ id, label }): [string, string] => [String(id), label]),
              ]}
              defaultValue={tyreId}
              problem={errors[`tyre-${axle}`]}
            />
            <SelectField name="tyreCount" label="On it" choices={COUNTS} defaultValue={count} />
            <button type="submit" className="key">
              Save
            </button>
          </Form>
        ))}
      <p className="flex flex-wrap gap-2 pt-2">
        <Link to="/tyres" className="key">
          Tyre tables
        </Link>
      </p>
    </section>
  );
}
