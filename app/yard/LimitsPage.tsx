import { Form } from "react-router";
import { QuantityField } from "../entry/QuantityField.tsx";
import type { Route } from "../routes/+types/limits";
import type { FieldErrors } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import { YardFrame } from "./YardFrame.tsx";

export function LimitsPage({
  loaderData: { preferences, shown, units, soil },
  actionData,
}: Route.ComponentProps) {
  const errors: FieldErrors = actionData?.errors ?? {};
  const field = (name: keyof typeof units, label: string, hint: string) => (
    <QuantityField
      name={name}
      unit={units[name]}
      label={label}
      defaultValue={shown[name]}
      problem={errors[name]}
      hint={hint}
    />
  );
  return (
    <YardFrame preferences={preferences} here="machines">
      <h1>Road limits</h1>
      <p className="text-lead text-soft">
        What the law allows where you drive. Ambrek knows no law: enter what holds in your country, and check
        local rules.
      </p>
      <Form
        method="post"
        className="grid max-w-[620px] gap-3"
        noValidate
        key={`${shown.width} ${shown.speed}`}
      >
        <TextField
          name="country"
          label="Country"
          defaultValue={shown.country}
          problem={errors.country}
          hint="only to be named beside the limits"
        />
        <div className="grid grid-cols-2 gap-3">
          {field("width", "Widest", "without a permit")}
          {field("height", "Highest", "without a permit")}
          {field("speed", "Fastest", "for a tractor with an implement")}
          {field("unbraked", "Heaviest without brakes", "drawn behind the tractor")}
        </div>
        <button type="submit" className="key-main justify-self-start">
          Save
        </button>
      </Form>
      <Soil soil={soil} errors={errors} />
      {actionData?.ok && (
        <p role="status" className="font-semibold text-ok">
          {actionData.kept.said}
        </p>
      )}
    </YardFrame>
  );
}

type SoilShown = Route.ComponentProps["loaderData"]["soil"];

/** How deep wheels may press the ground, as wet as it is. */
function Soil({ soil: { unit, states }, errors }: { soil: SoilShown; errors: FieldErrors }) {
  return (
    <section id="soil" aria-label="Ground pressure" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">How deep the ground may be pressed</h2>
      <p className="text-soft">
        Down to where 50 kPa are reached under a wheel. Asked for at Balance and before a day's work.
      </p>
      <Form
        method="post"
        noValidate
        className="grid max-w-[620px] gap-3"
        key={states.map(({ typed }) => typed).join(" ")}
      >
        <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
          {states.map(({ state, label, typed, ours }) => (
            <QuantityField
              key={state}
              name={state}
              unit={unit}
              label={label}
              defaultValue={typed}
              problem={errors[state]}
              hint={`Empty: ${ours}, ours.`}
            />
          ))}
        </div>
        <button type="submit" name="intent" value="soil" className="key-main justify-self-start">
          Keep it
        </button>
      </Form>
    </section>
  );
}
