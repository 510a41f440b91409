import { Form, Link } from "react-router";
import { QuantityField } from "../../entry/QuantityField.tsx";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { RemoteDto, SupplyDto } from "./oil.dto.ts";
import type { oilUnits, remoteRows, socketFields, supplyFields } from "./oil-view.ts";
import { Tick } from "./Tick.tsx";

type OilUnits = ReturnType<typeof oilUnits>;
type Sockets = ReturnType<typeof socketFields>;

export const PLACE_CHOICES = [
  ["rear", "at the rear"],
  ["front", "at the front"],
  ["mid", "amidships"],
] as const;

/** Pump, ports, oil and sockets of what drives. */
export function SupplySection({
  supply,
  sockets,
  units,
  errors: sent,
}: {
  supply: ReturnType<typeof supplyFields>;
  sockets: Sockets;
  units: OilUnits;
  errors: FieldErrors;
}) {
  const { errors, onSubmit } = useChecked(SupplyDto, sent);
  const amount = (name: "pumpFlow" | "pressure" | "spareOil", label: string, unit: string, hint: string) => (
    <QuantityField
      name={name}
      unit={unit}
      label={label}
      defaultValue={supply[name]}
      problem={errors[name]}
      hint={hint}
    />
  );
  return (
    <Form method="post" className="grid content-start gap-3" noValidate onSubmit={onSubmit}>
      <input type="hidden" name="intent" value="supply" />
      <h2 className="border-b-2 border-ink pb-1">What the tractor gives</h2>
      <div className="grid grid-cols-2 gap-3">
        {amount("pumpFlow", "Pump, at rated speed", units.flow, "from its book")}
        {amount("pressure", "System pressure", units.pressure, "from its book")}
        {amount("spareOil", "Oil it can spare", units.volume, "implements may keep so much")}
        <TextField
          name="mainLever"
          label="Lever used most"
          defaultValue={supply.mainLever}
          problem={errors.mainLever}
          hint="number of its remote"
          inputMode="numeric"
        />
      </div>
      <div className="flex flex-wrap gap-x-5">
        <Tick name="freeReturn" label="Free return to the tank" on={supply.freeReturn} />
        <Tick name="powerBeyond" label="Power beyond" on={supply.powerBeyond} />
        <Tick name="loadSensing" label="Load-sensing port" on={supply.loadSensing} />
      </div>
      <SocketTicks sockets={sockets} legend="Sockets it has" />
      <button type="submit" className="key-main justify-self-start">
        Save
      </button>
    </Form>
  );
}

export function SocketTicks({ sockets, legend }: { sockets: Sockets; legend: string }) {
  return (
    <fieldset>
      <legend className="font-semibold">{legend}</legend>
      <div className="flex flex-wrap gap-x-5">
        {sockets.map(({ socket, has }) => (
          <Tick key={socket} name={`socket ${socket}`} label={socket} on={has} />
        ))}
      </div>
    </fieldset>
  );
}

type RemoteRow = ReturnType<typeof remoteRows>[number];

/** The remotes, and the form of the one that is open or of a new one. */
export function RemotesSection({
  remotes,
  open,
  units,
  errors,
}: {
  remotes: readonly RemoteRow[];
  open: number | null;
  units: OilUnits;
  errors: FieldErrors;
}) {
  const shown = remotes.find(({ id }) => id === open);
  return (
    <section id="remotes" className="grid content-start gap-2">
      <h2 className="border-b-2 border-ink pb-1">Remotes</h2>
      {remotes.length === 0 && (
        <p className="text-soft">None entered: walk round the rear and count the couplings.</p>
      )}
      <ul>
        {remotes.map(({ id, number, lever, text }) => (
          <li key={id} className="flex min-h-12 items-center justify-between gap-3 border-b border-hair py-1">
            <span className="leading-tight">
              <b>Remote {number}</b>
              {lever && `, ${lever}`}
              <span className="block text-soft">{text}</span>
            </span>
            <span className="flex gap-1.5">
              <Link to={`?remote=${id}`} preventScrollReset className="key">
                Change
              </Link>
              <Form method="post">
                <input type="hidden" name="intent" value="drop-remote" />
                <input type="hidden" name="remote" value={id} />
                <button type="submit" className="key" aria-label={`Take out remote ${number}`}>
                  Take out
                </button>
              </Form>
            </span>
          </li>
        ))}
      </ul>
      <RemoteForm
        key={`${shown?.id} ${remotes.length}`}
        remote={shown}
        next={remotes.length + 1}
        units={units}
        errors={errors}
      />
    </section>
  );
}

function RemoteForm({
  remote,
  next,
  units,
  errors: sent,
}: {
  remote: RemoteRow | undefined;
  next: number;
  units: OilUnits;
  errors: FieldErrors;
}) {
  const { errors, onSubmit } = useChecked(RemoteDto, sent);
  return (
    <Form method="post" className="grid gap-2 bg-dye-wash p-3" noValidate onSubmit={onSubmit}>
      <input type="hidden" name="intent" value="remote" />
      <input type="hidden" name="remote" value={remote?.id ?? ""} />
      <h3 className="font-bold">{remote ? `Remote ${remote.number}` : "One more remote"}</h3>
      <div className="grid grid-cols-2 gap-2">
        <TextField
          name="number"
          label="Number"
          defaultValue={remote?.number ?? next}
          inputMode="numeric"
          problem={errors.number}
        />
        <TextField
          name="lever"
          label="What moves it"
          placeholder="lever 1"
          defaultValue={remote?.lever}
          problem={errors.lever}
        />
        <SelectField
          name="action"
          label="Kind"
          choices={[
            ["double", "double-acting"],
            ["single", "single-acting"],
          ]}
          defaultValue={remote?.action ?? "double"}
          problem={errors.action}
        />
        <QuantityField
          name="flow"
          unit={units.flow}
          label="Most it passes"
          defaultValue={remote?.flow}
          problem={errors.flow}
        />
        <SelectField
          name="place"
          label="Couplings are"
          choices={PLACE_CHOICES}
          defaultValue={remote?.place ?? "rear"}
          problem={errors.place}
        />
        <TextField
          name="coupling"
          label="Size or form"
          hint="empty where all are alike"
          defaultValue={remote?.coupling}
          problem={errors.coupling}
        />
      </div>
      <div className="flex flex-wrap gap-x-5">
        <Tick name="float" label="Float" on={remote?.float ?? true} />
        <Tick name="detent" label="Stays on (detent)" on={remote?.detent ?? true} />
        <Tick name="timed" label="Timed" on={remote?.timed ?? false} />
        <Tick name="automatic" label="The terminal can drive it" on={remote?.automatic ?? false} />
      </div>
      <span className="flex gap-2">
        <button type="submit" className="key-main">
          {remote ? "Save this remote" : "Add this remote"}
        </button>
        {remote && (
          <Link to="?" preventScrollReset className="key">
            Close
          </Link>
        )}
      </span>
    </Form>
  );
}
