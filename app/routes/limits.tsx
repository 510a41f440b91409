import { data, Form } from "react-router";
import { printLength } from "../../core/quantity/length.ts";
import { say } from "../../core/quantity/say.ts";
import { type Units, unitOf } from "../../core/quantity/units.ts";
import { database } from "../../data/database.ts";
import { roadLimitsOf, setRoadLimits } from "../../data/settings.ts";
import { formOf } from "../session/form.server.ts";
import { readPreferences } from "../session/preferences.server.ts";
import { toldBy } from "../session/told.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { TextField } from "../ui/Field.tsx";
import { amountOf } from "../yard/amount.ts";
import { LimitsDto } from "../yard/limits.dto.ts";
import { YardFrame } from "../yard/YardFrame.tsx";
import type { Route } from "./+types/limits";

export async function loader({ request }: Route.LoaderArgs) {
  const preferences = await readPreferences(request);
  const { units } = preferences;
  const limits = roadLimitsOf(database());
  const length = (metres: number | null) => (metres === null ? "" : printLength(metres, units.tape));
  return {
    preferences,
    units: unitsOf(units),
    shown: {
      country: limits.country,
      width: length(limits.width),
      height: length(limits.height),
      speed: limits.speed === null ? "" : say("speed", limits.speed, units),
      unbraked: limits.unbraked === null ? "" : say("mass", limits.unbraked, units),
    },
  };
}

const unitsOf = (units: Units) => ({
  width: units.tape as string,
  height: units.tape as string,
  speed: unitOf("speed", units) as string,
  unbraked: unitOf("mass", units) as string,
});

export async function action({ request }: Route.ActionArgs) {
  const by = await toldBy(request);
  const checked = validateForm(LimitsDto, await formOf(request));
  if (!checked.ok) return data({ errors: checked.errors, kept: false }, { status: 422 });
  const { country, width, height, speed, unbraked, ...unit } = checked.value;
  const read = (text: string, family: "length" | "speed" | "mass", of: string) => {
    const amount = amountOf(text, { family, unit: of, optional: true });
    return amount.ok ? amount.value : null;
  };
  setRoadLimits(
    database(),
    {
      country,
      width: read(width, "length", unit.widthUnit),
      height: read(height, "length", unit.heightUnit),
      speed: read(speed, "speed", unit.speedUnit),
      unbraked: read(unbraked, "mass", unit.unbrakedUnit),
    },
    by,
  );
  return data({ errors: {} as FieldErrors, kept: true });
}

export function meta() {
  return [{ title: "Road limits · Ambrek" }];
}

export default function Limits({
  loaderData: { preferences, shown, units },
  actionData,
}: Route.ComponentProps) {
  const errors: FieldErrors = actionData?.errors ?? {};
  const field = (name: keyof typeof units, label: string, hint: string) => (
    <>
      <input type="hidden" name={`${name}Unit`} value={units[name]} />
      <TextField name={name} label={label} defaultValue={shown[name]} problem={errors[name]} hint={hint} />
    </>
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
          Keep
        </button>
        {actionData?.kept && (
          <p role="status" className="font-semibold text-ok">
            Kept. Every rig is judged by these from now on.
          </p>
        )}
      </Form>
    </YardFrame>
  );
}
