import { Form } from "react-router";
import { CAMERA_WANTS } from "../../../core/steering/camera.ts";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { ProfileDto } from "./camera.dto.ts";
import type { CameraView } from "./camera.server.ts";

/** Profiles that are kept, and which of them is for these rows. */
export function Profiles({ view }: { view: CameraView }) {
  return (
    <section aria-label="Profiles" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Profiles <span className="font-normal text-soft">one for each row spacing, whatever grows there</span>
      </h2>
      {view.spacing === null ? (
        <p className="font-semibold text-warn">How far apart rows stand is not known.</p>
      ) : (
        view.fitting === null && (
          <p className="font-semibold text-warn">
            Rows of this tool stand {view.spacing} apart: no profile is for that.
          </p>
        )
      )}
      <ul>
        {view.profiles.map((each) => (
          <li
            key={each.id}
            data-profile={each.name}
            className={`flex items-start justify-between gap-3 border-b border-hair py-2 ${each.id === view.fitting ? "border-l-4 border-l-ok bg-sheet px-3" : ""}`}
          >
            <div>
              <b className="text-[17px]">
                {each.name}, {each.spacing}
              </b>
              {each.id === view.fitting && <span className="font-semibold text-ok"> for these rows</span>}
              <span className="block">{each.said}</span>
              <span className="block text-small text-soft">
                {each.made}; {each.who}
              </span>
              {each.amiss.length > 0 && (
                <span className="block font-semibold text-warn">
                  Made in a hurry: {each.amiss.join(", ")}.
                </span>
              )}
            </div>
            <Form method="post">
              <input type="hidden" name="intent" value="take-back" />
              <input type="hidden" name="id" value={each.id} />
              <button
                type="submit"
                className="min-h-11 cursor-pointer px-2 font-semibold whitespace-nowrap underline"
                aria-label={`Take back ${each.name}`}
              >
                Take back
              </button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}

const YES_NO = [
  ["yes", "Yes"],
  ["no", "No"],
] as const;

type NewProps = { view: CameraView; errors: FieldErrors; person: string };

/** How it is calibrated, and what came of it. */
export function NewProfile({ view, errors: sent, person }: NewProps) {
  const { errors, onSubmit } = useChecked(ProfileDto, sent);
  const { units } = view;
  const kmh = (speed: number) => Math.round(speed * 36) / 10;
  return (
    <Folded summary="Calibrate it for a row spacing">
      <ol className="list-decimal pl-6 pb-2">
        <li>Look first that roll and speed on the terminal are plausible, and that the lens is clean.</li>
        <li>
          {CAMERA_WANTS.straight} m of straight rows on flat ground, a good stand, wind up to{" "}
          {kmh(CAMERA_WANTS.wind)} km/h.
        </li>
        <li>
          Steer very straight by hand at {kmh(CAMERA_WANTS.slowest)} to {kmh(CAMERA_WANTS.fastest)} km/h:
          above {kmh(CAMERA_WANTS.starts)} km/h it starts by itself.
        </li>
        <li>
          Quality over {100 * CAMERA_WANTS.quality} % at the end. A couple of passes with a look in the mirror
          centre it finely.
        </li>
      </ol>
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-2 pb-3">
        <input type="hidden" name="intent" value="profile" />
        <input type="hidden" name="rowSpacingUnit" value={units.small} />
        <input type="hidden" name="sideOffsetUnit" value={units.small} />
        <input type="hidden" name="straightUnit" value={units.tape} />
        <input type="hidden" name="windUnit" value={units.speed} />
        <input type="hidden" name="speedUnit" value={units.speed} />
        <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-2">
          <TextField name="name" label="Called in the terminal" problem={errors.name} autoComplete="off" />
          <TextField
            name="rowSpacing"
            label={`Row spacing, ${units.small}`}
            inputMode="decimal"
            problem={errors.rowSpacing}
          />
          <TextField
            name="quality"
            label="Quality at the end, %"
            inputMode="numeric"
            problem={errors.quality}
          />
          <TextField
            name="sideOffset"
            label={`Lens to the nearest furrow, ${units.small}`}
            inputMode="decimal"
            problem={errors.sideOffset}
          />
          <SelectField
            name="side"
            label="Furrow lies to the"
            problem={errors.side}
            choices={[
              ["right", "right of the lens"],
              ["left", "left of the lens"],
            ]}
          />
          <TextField
            name="aim"
            label="Aims off straight, °"
            inputMode="text"
            problem={errors.aim}
            hint="right positive"
            defaultValue="0"
          />
          <TextField
            name="straight"
            label={`Straight rows, ${units.tape}`}
            inputMode="decimal"
            problem={errors.straight}
          />
          <TextField
            name="speed"
            label={`Driven at, ${units.speed}`}
            inputMode="decimal"
            problem={errors.speed}
          />
          <TextField name="wind" label={`Wind, ${units.speed}`} inputMode="decimal" problem={errors.wind} />
          <SelectField name="flat" label="On flat ground" problem={errors.flat} choices={YES_NO} />
          <SelectField name="stand" label="Good, even stand" problem={errors.stand} choices={YES_NO} />
          <TextField name="person" label="Calibrated by" defaultValue={person} problem={errors.person} />
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
        <button type="submit" className="key-main justify-self-start">
          Keep the profile
        </button>
      </Form>
    </Folded>
  );
}
