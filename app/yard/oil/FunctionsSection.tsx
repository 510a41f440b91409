import { ArrowDown, ArrowUp } from "lucide-react";
import { Form, Link } from "react-router";
import { FUNCTION_KIND_KEYS, FUNCTION_KINDS } from "../../../core/subjects/hoses/kinds.ts";
import { PHASES } from "../../../core/trade/phases.ts";
import { QuantityField } from "../../entry/QuantityField.tsx";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { FunctionDto } from "./oil.dto.ts";
import type { functionRows, oilUnits, socketFields } from "./oil-view.ts";
import { PLACE_CHOICES, SocketTicks } from "./SupplySection.tsx";
import { Tick } from "./Tick.tsx";

type Row = ReturnType<typeof functionRows>[number];
type OilUnits = ReturnType<typeof oilUnits>;
type Props = {
  functions: readonly Row[];
  open: number | null;
  sockets: ReturnType<typeof socketFields>;
  /** whether somebody said that these are all */
  told: boolean;
  units: OilUnits;
  errors: FieldErrors;
};

/** What moves by oil on an implement, from its front; and the sockets it needs. */
export function FunctionsSection({ functions, open, sockets, told, units, errors }: Props) {
  const shown = functions.find(({ id }) => id === open) ?? functions[0];
  return (
    <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
      <section id="functions" className="grid content-start gap-2">
        <h2 className="border-b-2 border-ink pb-1">What moves by oil, from its front</h2>
        {functions.length === 0 && (
          <p className="text-soft">
            {told ? "Nothing on it moves by the tractor's oil." : "Nothing entered yet."}
          </p>
        )}
        <ol>
          {functions.map((row, at) => (
            <FunctionLine
              key={row.id}
              row={row}
              first={at === 0}
              last={at === functions.length - 1}
              open={row === shown}
            />
          ))}
        </ol>
        <Form method="post" className="flex flex-wrap items-end gap-2" key={functions.length}>
          <input type="hidden" name="intent" value="add-function" />
          <SelectField
            name="kind"
            label="One more function"
            choices={FUNCTION_KIND_KEYS.map((key) => [key, FUNCTION_KINDS[key].label] as const)}
            problem={errors.kind}
          />
          <button type="submit" className="key">
            Add
          </button>
        </Form>
        <Form method="post" className="grid gap-2 pt-4">
          <input type="hidden" name="intent" value="sockets" />
          <SocketTicks sockets={sockets} legend="Sockets it needs" />
          <button type="submit" className="key justify-self-start">
            {functions.length === 0 && !told ? "Save: nothing moves by oil" : "Save sockets"}
          </button>
        </Form>
      </section>
      {shown && <FunctionForm key={shown.id} row={shown} units={units} errors={errors} />}
    </div>
  );
}

function FunctionLine({
  row,
  first,
  last,
  open,
}: {
  row: Row;
  first: boolean;
  last: boolean;
  open: boolean;
}) {
  const step = (way: "up" | "down", label: string, off: boolean) => (
    <Form method="post">
      <input type="hidden" name="intent" value="move-function" />
      <input type="hidden" name="function" value={row.id} />
      <input type="hidden" name="way" value={way} />
      <button
        type="submit"
        className="key px-2.5 disabled:opacity-40"
        disabled={off}
        aria-label={`${row.name} ${label}`}
      >
        {way === "up" ? <ArrowUp size={18} aria-hidden="true" /> : <ArrowDown size={18} aria-hidden="true" />}
      </button>
    </Form>
  );
  return (
    <li
      className={`flex min-h-12 items-center justify-between gap-3 border-b border-hair py-1 ${open ? "bg-dye-wash" : ""}`}
    >
      <span className="leading-tight">
        <b>{row.name}</b>
        <span className="block text-soft">{row.text}</span>
      </span>
      <span className="flex gap-1.5">
        {step("up", "further forward", first)}
        {step("down", "further back", last)}
        <Link to={`?function=${row.id}`} preventScrollReset className="key" aria-label={`Change ${row.name}`}>
          Change
        </Link>
      </span>
    </li>
  );
}

function FunctionForm({ row, units, errors: sent }: { row: Row; units: OilUnits; errors: FieldErrors }) {
  const { errors, onSubmit } = useChecked(FunctionDto, sent);
  const amount = (
    name: "flow" | "pressure" | "charge" | "bore" | "rod" | "stroke" | "displacement" | "speed",
    label: string,
    unit: string,
    hint = "",
  ) => (
    <QuantityField
      name={name}
      unit={unit}
      label={label}
      defaultValue={row[name]}
      problem={errors[name]}
      hint={hint}
    />
  );
  return (
    <div className="grid content-start gap-3 bg-dye-wash p-3">
      <Form method="post" className="grid gap-3" noValidate onSubmit={onSubmit}>
        <input type="hidden" name="intent" value="function" />
        <input type="hidden" name="function" value={row.id} />
        <h2>{row.kind}</h2>
        <div className="grid grid-cols-2 gap-2">
          <TextField name="name" label="Name on its hoses" defaultValue={row.name} problem={errors.name} />
          <SelectField
            name="action"
            label="Kind"
            choices={[
              ["double", "double-acting"],
              ["single", "single-acting"],
              ["motor", "motor"],
            ]}
            defaultValue={row.action}
            problem={errors.action}
          />
        </div>
        <fieldset>
          <legend className="font-semibold">When it is used</legend>
          <div className="grid grid-cols-4 gap-2 max-sm:grid-cols-2">
            {PHASES.map(({ key, label }) => (
              <SelectField
                key={key}
                name={`use-${key}`}
                label={label}
                choices={[
                  ["", "–"],
                  ["moves", "moves"],
                  ["floats", "float"],
                  ["holds", "held"],
                  ["runs", "runs"],
                ]}
                defaultValue={row.uses[key] ?? ""}
              />
            ))}
          </div>
        </fieldset>
        <div className="flex flex-wrap gap-x-5">
          <Tick name="lockable" label="Can be locked or shut off" on={row.lockable} />
          <Tick name="automatic" label="A controller drives it" on={row.automatic} />
          <Tick name="trigger" label="Starts the record" on={row.trigger} />
        </div>
        <div className="grid grid-cols-3 gap-2 max-sm:grid-cols-2">
          {amount("flow", "Flow it wants", units.flow)}
          {amount("pressure", "Least pressure", units.pressure)}
          {amount("charge", "Charged to", units.pressure, "before its tap is shut")}
          <TextField
            name="tap"
            label="Tap or lock"
            placeholder="blue tap"
            defaultValue={row.tap}
            problem={errors.tap}
          />
          <SelectField
            name="place"
            label="Hoses reach"
            choices={PLACE_CHOICES}
            defaultValue={row.place}
            problem={errors.place}
          />
          <TextField
            name="coupling"
            label="Size or form"
            hint="empty where all are alike"
            defaultValue={row.coupling}
            problem={errors.coupling}
          />
        </div>
        <fieldset>
          <legend className="font-semibold">Cylinders</legend>
          <div className="grid grid-cols-4 gap-2 max-sm:grid-cols-2">
            {amount("bore", "Bore", units.length)}
            {amount("rod", "Rod", units.length)}
            {amount("stroke", "Stroke", units.length)}
            <TextField
              name="cylinders"
              label="How many"
              inputMode="numeric"
              defaultValue={row.cylinders}
              problem={errors.cylinders}
            />
          </div>
        </fieldset>
        <fieldset>
          <legend className="font-semibold">Motor</legend>
          <div className="grid grid-cols-3 gap-2">
            {amount("displacement", "Oil for a turn", units.displacement)}
            {amount("speed", "Its speed", units.rotation)}
            <Tick name="caseDrain" label="Case drain" on={row.caseDrain} />
          </div>
        </fieldset>
        <span className="flex gap-2">
          <button type="submit" className="key-main">
            Save {row.name}
          </button>
        </span>
      </Form>
      <Form method="post">
        <input type="hidden" name="intent" value="drop-function" />
        <input type="hidden" name="function" value={row.id} />
        <button type="submit" className="key" aria-label={`Take out ${row.name}`}>
          Take out
        </button>
      </Form>
    </div>
  );
}
