import { Form } from "react-router";
import { QuantityField } from "../../entry/QuantityField.tsx";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";

type Props = {
  weights: readonly { id: number; label: string; text: string }[];
  units: { mass: string; place: string };
  /** the axle their place is told from: the one that does not steer */
  axle: string;
  errors: FieldErrors;
};

/** The weights a machine can take: a stock the balance station chooses from. */
export function WeightsSection({ weights, units, axle, errors }: Props) {
  return (
    <section id="weights">
      <h2 className="border-b-2 border-ink pb-1">Weights there are for it</h2>
      {weights.length === 0 && (
        <p className="py-2 text-soft">
          None entered. The balance station can only say what is missing, not which weights to take.
        </p>
      )}
      <ul>
        {weights.map(({ id, label, text }) => (
          <li key={id} className="flex min-h-11 items-center justify-between gap-3 border-b border-hair py-1">
            <span>
              <b>{label}</b> <span className="block text-soft">{text}</span>
            </span>
            <Form method="post">
              <input type="hidden" name="intent" value="drop-weight" />
              <input type="hidden" name="weight" value={id} />
              <button type="submit" className="key" aria-label={`Out of the stock: ${label}`}>
                Out of the stock
              </button>
            </Form>
          </li>
        ))}
      </ul>
      <Form method="post" className="grid grid-cols-2 gap-2 pt-2" key={weights.length} noValidate>
        <input type="hidden" name="intent" value="add-weight" />
        <TextField name="weightLabel" label="Name" placeholder="front plate" problem={errors.weightLabel} />
        <div className="grid grid-cols-2 gap-2">
          <QuantityField name="mass" unit={units.mass} label="One weighs" problem={errors.mass} />
          <TextField
            name="count"
            label="How many"
            placeholder="4"
            inputMode="numeric"
            problem={errors.count}
          />
        </div>
        <QuantityField
          name="place"
          unit={units.place}
          label="Its middle lies"
          problem={errors.place}
          hint={`from the ${axle}`}
        />
        <SelectField
          name="side"
          label="Which way"
          choices={[
            ["ahead", `ahead of the ${axle}`],
            ["behind", `behind the ${axle}`],
          ]}
          problem={errors.side}
        />
        <button type="submit" className="key justify-self-start">
          Add to the stock
        </button>
      </Form>
    </section>
  );
}
