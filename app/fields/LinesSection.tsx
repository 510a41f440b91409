import { useState } from "react";
import { Form } from "react-router";
import { useChecked } from "../session/use-checked.ts";
import type { FieldErrors } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import { Folded } from "../ui/Folded.tsx";
import { TakeBackOf } from "../ui/TakeBackOf.tsx";
import type { FieldView } from "./field-view.server.ts";
import { LineDto, ShiftDto } from "./fields.dto.ts";

type Props = { view: FieldView; errors: FieldErrors; person: string };

/** Lines of a field, how they were shifted and by whom, and who drives along them. */
export function LinesSection({ view, errors, person }: Props) {
  return (
    <section aria-label="Lines" id="lines" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Lines</h2>
      {view.lines.length === 0 && (
        <p className="text-soft">None yet. Enter one, or plan passes with a rig and keep the first.</p>
      )}
      <ul>
        {view.lines.map((line) => (
          <Line key={line.id} line={line} view={view} errors={errors} person={person} />
        ))}
      </ul>
      <NewLine view={view} errors={errors} person={person} />
      <DrivenLine errors={errors} person={person} />
    </section>
  );
}

function Line({ line, view, errors, person }: Props & { line: FieldView["lines"][number] }) {
  const { id, name, what, who, shifts, shifted, much, rigs } = line;
  return (
    <li className="border-b border-hair py-2" data-line={name}>
      <div className="flex items-start justify-between gap-3">
        <div>
          <b className="text-[17px]">{name}</b> <span>{what}</span>
          <span className="block text-small text-soft">{who}</span>
        </div>
        <TakeBackOf id={id} what={name} />
      </div>
      {rigs.said.length > 0 && <p className="text-small">Driven along by {rigs.said.join("; ")}.</p>}
      {rigs.odd && <p className="font-semibold text-warn">{rigs.odd}</p>}
      {shifted && (
        <p className={much ? "font-semibold text-warn" : ""}>
          Shifted {shifted}, altogether.{much && " More than drift makes: is it still the line it was?"}
        </p>
      )}
      <ul>
        {shifts.map((each) => (
          <li key={each.id} className="flex items-center justify-between gap-3 pl-4">
            <span>
              {each.what} <span className="text-small text-soft">{each.why}</span>
            </span>
            <TakeBackOf id={each.id} what={`the shift ${each.what} of ${name}`} />
          </li>
        ))}
      </ul>
      <Shift id={id} name={name} view={view} errors={errors} person={person} />
    </li>
  );
}

function Shift({ id, name, view, errors: sent, person }: Props & { id: string; name: string }) {
  const { errors, onSubmit } = useChecked(ShiftDto, sent);
  return (
    <Folded summary={`${name} was shifted`}>
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-2 pb-2">
        <input type="hidden" name="intent" value="shift" />
        <input type="hidden" name="line" value={id} />
        <input type="hidden" name="amountUnit" value={view.small} />
        <div className="grid grid-cols-2 gap-3">
          <TextField
            name="amount"
            label="By"
            inputMode="decimal"
            placeholder={view.small}
            problem={errors.amount}
          />
          <SelectField
            name="way"
            label="To the"
            problem={errors.way}
            choices={[
              ["right", "right, from A to B"],
              ["left", "left, from A to B"],
            ]}
          />
        </div>
        <TextField name="reason" label="Why" placeholder="Drift since the morning" problem={errors.reason} />
        <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Record the shift
        </button>
      </Form>
    </Folded>
  );
}

function NewLine({ view, errors: sent, person }: Props) {
  const { errors, onSubmit } = useChecked(LineDto, sent);
  const [kind, setKind] = useState<"ab" | "heading" | "circle">("ab");
  return (
    <Folded summary="A line by its places">
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-2 pb-3">
        <input type="hidden" name="intent" value="line" />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <TextField name="name" label="Name" problem={errors.name} autoComplete="off" />
          <SelectField
            name="kind"
            label="Told by"
            value={kind}
            onChange={(event) => setKind(event.target.value as typeof kind)}
            problem={errors.kind}
            choices={[
              ["ab", "two places, A and B"],
              ["heading", "a place and a heading"],
              ["circle", "a pivot and a radius"],
            ]}
          />
          <TextField
            name="a"
            label={kind === "circle" ? "Pivot" : "A"}
            placeholder="52.40341, 10.75120"
            problem={errors.a}
            autoComplete="off"
          />
          {kind === "ab" && (
            <TextField
              name="b"
              label="B"
              placeholder="52.40641, 10.75620"
              problem={errors.b}
              autoComplete="off"
            />
          )}
          {kind === "heading" && (
            <TextField
              name="heading"
              label="Heading, ° from north"
              inputMode="decimal"
              placeholder="87.5"
              problem={errors.heading}
            />
          )}
          {kind === "circle" && (
            <>
              <input type="hidden" name="radiusUnit" value={view.lengthUnit} />
              <TextField
                name="radius"
                label="Radius"
                inputMode="decimal"
                placeholder={view.lengthUnit}
                problem={errors.radius}
              />
            </>
          )}
        </div>
        <TextField name="person" label="Entered by" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Keep the line
        </button>
      </Form>
    </Folded>
  );
}

function DrivenLine({ errors, person }: { errors: FieldErrors; person: string }) {
  return (
    <Folded summary="A line that was driven: a receiver's log">
      <Form method="post" encType="multipart/form-data" noValidate className="grid gap-2 pb-3">
        <input type="hidden" name="intent" value="driven-line" />
        <TextField name="name" label="Name" problem={errors.name} autoComplete="off" />
        <TextField
          name="log"
          label="Log"
          type="file"
          accept=".nmea,.txt,.log"
          className="py-2"
          problem={errors.log}
        />
        <TextField name="person" label="Driven by" defaultValue={person} problem={errors.person} />
        <button type="submit" className="key justify-self-start">
          Keep the line
        </button>
      </Form>
    </Folded>
  );
}
