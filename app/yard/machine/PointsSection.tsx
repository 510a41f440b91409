import { Form } from "react-router";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";

type Props = {
  points: readonly { id: number; kind: string; label: string }[];
  /** what may be added */
  kinds: readonly string[];
  errors: FieldErrors;
};

/** Everything a machine can be coupled or fitted at. */
export function PointsSection({ points, kinds, errors }: Props) {
  return (
    <section>
      <h2 className="border-b-2 border-ink pb-1">Mounts, holes, links and shafts</h2>
      {points.length === 0 && <p className="py-2 text-soft">Nothing hangs behind it yet.</p>}
      <ul>
        {points.map(({ id, kind, label }) => (
          <li key={id} className="flex min-h-11 items-center justify-between border-b border-hair">
            {label} <span className="text-soft">{kind}</span>
          </li>
        ))}
      </ul>
      {kinds.length > 0 && (
        <Form method="post" className="flex flex-wrap items-end gap-2 pt-2" key={points.length} noValidate>
          <input type="hidden" name="intent" value="add-point" />
          <SelectField
            name="kind"
            label="Another"
            choices={kinds.map((kind) => [kind, kind])}
            problem={errors.kind}
          />
          <TextField name="label" label="Name" placeholder="hole 3" problem={errors.label} />
          <button type="submit" className="key">
            Add
          </button>
        </Form>
      )}
      <p className="pt-1 text-small text-soft">
        Each has readings of its own: back in hole 2, the readings of hole 2 hold again.
      </p>
    </section>
  );
}
