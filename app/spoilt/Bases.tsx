import { useState } from "react";
import { Form, Link } from "react-router";
import { useChecked } from "../session/use-checked.ts";
import type { FieldErrors } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { TakeBackOf } from "../ui/TakeBackOf.tsx";
import { BaseShiftDto } from "./base.dto.ts";
import type { basesView } from "./bases.server.ts";

type Props = { view: ReturnType<typeof basesView>; errors: FieldErrors; person: string };

/** Bases that had moved: by how much, since when, and which lines were kept meanwhile. */
export function Bases({ view, errors, person }: Props) {
  return (
    <section aria-label="Bases that had moved" className="no-print grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Had the base moved?</h2>
      <p className="max-w-[760px] text-soft">
        A base that stands elsewhere than it was told moves all that is recorded the same way, whichever way
        one drove. A mark that was measured when all was right shows it.
      </p>
      {view.all.map(({ id, base, where, when, by, towards, mark, who, lines }) => (
        <div key={id} data-base={base} className="grid gap-0.5 border-b border-hair py-2">
          <div className="flex items-start justify-between gap-3">
            <p>
              <b className="text-[17px]">{base}</b> {when}, for {where}
              <span className="block font-semibold text-dye">
                What was recorded is moved {by} towards {towards}.
              </span>
              <span className="block text-small text-soft">
                By the mark at {mark}. {who}
              </span>
            </p>
            <TakeBackOf id={id} what={`that ${base} had moved`} />
          </div>
          {lines.map((line) => (
            <p key={line.id} className="text-warn">
              The line{" "}
              <Link to={`/fields/${line.fieldId}#lines`} className="underline">
                {line.text}
              </Link>{" "}
              was kept meanwhile: {line.by}.
            </p>
          ))}
        </div>
      ))}
      <NewBase view={view} errors={errors} person={person} />
    </section>
  );
}

/** An instant of the device's own clock, as the server keeps it. */
const instant = (local: string) => (local === "" ? "" : new Date(local).toISOString());

function NewBase({ view, errors: sent, person }: Props) {
  const { errors, onSubmit } = useChecked(BaseShiftDto, sent);
  const [since, setSince] = useState("");
  const [until, setUntil] = useState("");
  return (
    <Folded summary="A base had moved">
      <Form method="post" noValidate onSubmit={onSubmit} className="grid max-w-[760px] gap-3 pb-3">
        <input type="hidden" name="intent" value="base" />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <TextField
            name="base"
            label="Which base"
            placeholder="Grain store"
            autoComplete="off"
            problem={errors.base}
          />
          <SelectField
            name="farm"
            label="Who works by it"
            problem={errors.farm}
            choices={[
              ["", "Every field"],
              ...view.farms.map(({ id, name }) => [String(id), `Fields of ${name}`] as const),
            ]}
          />
          <div>
            <input type="hidden" name="since" value={instant(since)} />
            <TextField
              label="It had moved since"
              type="datetime-local"
              value={since}
              onChange={(event) => setSince(event.target.value)}
              problem={errors.since}
              hint="The last it is known to have been right, where nobody saw it."
            />
          </div>
          <div>
            <input type="hidden" name="until" value={instant(until)} />
            <TextField
              label="Put right"
              type="datetime-local"
              value={until}
              onChange={(event) => setUntil(event.target.value)}
              problem={errors.until}
              hint="Empty: it still stands so."
            />
          </div>
          <TextField
            name="mark"
            label="Where the mark is"
            placeholder="52.40341207, 10.75120311"
            autoComplete="off"
            problem={errors.mark}
            hint="As it was measured when all was right. Latitude first."
          />
          <TextField
            name="shown"
            label="Where the receiver shows it"
            placeholder="52.40340912, 10.75120794"
            autoComplete="off"
            problem={errors.shown}
            hint="Stood on the same mark, corrected from that base as it is."
          />
        </div>
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Record it
        </button>
      </Form>
    </Folded>
  );
}
