import { useState } from "react";
import { parseLength } from "../../../core/quantity/length.ts";
import { parseMeasure } from "../../../core/quantity/measure.ts";
import { say } from "../../../core/quantity/say.ts";
import { type Units, unitOf } from "../../../core/quantity/units.ts";
import { FORMULATIONS, type FormulationKey, mixingOrder } from "../../../core/subjects/rate/liquid/mixing.ts";
import { type TankPlan as Plan, planTank, productIn } from "../../../core/subjects/rate/liquid/tank.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { positive } from "./positive.ts";
import type { TankView } from "./rate-view.server.ts";

type Row = {
  key: number;
  name: string;
  dose: string;
  unit: "l/ha" | "kg/ha";
  formulation: FormulationKey;
  label: string;
};

const empty = (key: number): Row => ({
  key,
  name: "",
  dose: "",
  unit: "l/ha",
  formulation: "suspension",
  label: "",
});

/** How often one fills for the field, what goes into each, and where it runs dry. */
export function TankPlan({ view }: { view: TankView }) {
  const { units } = view;
  const [area, setArea] = useState(view.area);
  const [pass, setPass] = useState("");
  const [refill, setRefill] = useState<"one end" | "both ends">("one end");
  const [rows, setRows] = useState<Row[]>([empty(1)]);
  const read = readAll({ area, pass, units });
  const plan =
    read.ok && view.rate !== null && view.tank !== null && view.width !== null && view.tank > view.rest
      ? planTank({
          area: read.area,
          rate: view.rate,
          tank: view.tank,
          rest: view.rest,
          width: view.width,
          pass: read.pass,
          refill,
        })
      : null;
  return (
    <section id="tank" aria-label="Tank plan" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Filling for the field</h2>
      {view.missing.length > 0 && (
        <p className="text-warn">
          Not known yet: {view.missing.join(", ")}. Enter it below, and the fills are told.
        </p>
      )}
      <div className="grid grid-cols-3 items-start gap-3 max-sm:grid-cols-1">
        <TextField
          label={`Field, ${unitOf("area", units)}`}
          value={area}
          onChange={(event) => setArea(event.target.value)}
          problem={read.ok ? undefined : read.areaProblem}
          inputMode="decimal"
        />
        <TextField
          label="Length of a pass"
          hint="empty: it is not known how the field lies"
          value={pass}
          onChange={(event) => setPass(event.target.value)}
          problem={read.ok ? undefined : read.passProblem}
          inputMode="decimal"
        />
        <div className="grid gap-1">
          Filled at
          <Radios
            label="Filled at"
            value={refill}
            choices={[
              { value: "one end", label: "One end" },
              { value: "both ends", label: "Both" },
            ]}
            onChoose={setRefill}
            className="grid-cols-2"
          />
        </div>
      </div>
      {view.mixed && <Products rows={rows} onChange={setRows} />}
      {plan && <Fills plan={plan} view={view} rows={rows} length={read.ok ? read.pass : null} />}
    </section>
  );
}

type Read =
  | { ok: true; area: number; pass: number | null }
  | { ok: false; areaProblem?: string; passProblem?: string };

function readAll({ area, pass, units }: { area: string; pass: string; units: Units }): Read {
  const field = parseMeasure("area", area, unitOf("area", units));
  const long = pass.trim() === "" ? null : parseLength(pass, units.tape);
  // A field nobody told is open, not wrong.
  const areaProblem =
    area.trim() === ""
      ? undefined
      : field.ok
        ? field.value.value > 0
          ? undefined
          : "More than nothing."
        : field.problem;
  const passProblem =
    long === null || (long.ok && long.value.metres >= 10)
      ? undefined
      : long.ok
        ? "10 m at least."
        : long.problem;
  if (field.ok && !areaProblem && !passProblem)
    return { ok: true, area: field.value.value, pass: long?.ok ? long.value.metres : null };
  return { ok: false, ...(areaProblem ? { areaProblem } : {}), ...(passProblem ? { passProblem } : {}) };
}

const doseOf = ({ dose, unit }: Row): number | null => {
  const value = positive(dose);
  return value === null ? null : (value * (unit === "l/ha" ? 0.001 : 1)) / 1e4;
};

function Products({ rows, onChange }: { rows: readonly Row[]; onChange: (rows: Row[]) => void }) {
  const set = (key: number, part: Partial<Row>) =>
    onChange(rows.map((row) => (row.key === key ? { ...row, ...part } : row)));
  return (
    <fieldset className="grid gap-2">
      <legend className="font-semibold">Products in the mix</legend>
      {rows.map((row) => (
        <div
          key={row.key}
          className="grid grid-cols-[1.4fr_0.8fr_0.8fr_1.4fr_0.8fr] items-end gap-2 max-sm:grid-cols-2"
        >
          <TextField
            label="Product"
            value={row.name}
            onChange={(event) => set(row.key, { name: event.target.value })}
          />
          <TextField
            label="Dose"
            value={row.dose}
            inputMode="decimal"
            problem={row.dose !== "" && doseOf(row) === null ? "A number." : undefined}
            onChange={(event) => set(row.key, { dose: event.target.value })}
          />
          <SelectField
            label="Unit"
            value={row.unit}
            onChange={(event) => set(row.key, { unit: event.target.value as Row["unit"] })}
            choices={[
              ["l/ha", "l/ha"],
              ["kg/ha", "kg/ha"],
            ]}
          />
          <SelectField
            label="What it is"
            value={row.formulation}
            onChange={(event) => set(row.key, { formulation: event.target.value as FormulationKey })}
            choices={Object.entries(FORMULATIONS).map(([key, { label }]) => [key, label] as const)}
          />
          <TextField
            label="By its label"
            value={row.label}
            inputMode="numeric"
            placeholder="none"
            problem={row.label !== "" && !/^[1-9]$/.test(row.label) ? "1 to 9." : undefined}
            onChange={(event) => set(row.key, { label: event.target.value })}
          />
        </div>
      ))}
      <button
        type="button"
        className="key justify-self-start"
        onClick={() => onChange([...rows, empty(Math.max(...rows.map(({ key }) => key)) + 1)])}
        disabled={rows.length >= 8}
      >
        One more
      </button>
    </fieldset>
  );
}

function Fills({
  plan,
  view,
  rows,
  length,
}: {
  plan: Plan;
  view: TankView;
  rows: readonly Row[];
  length: number | null;
}) {
  const { units, rate } = view;
  const { fills, full, mixed, left, passesATank } = plan;
  const products = mixingOrder(
    rows.flatMap((row) => {
      const dose = doseOf(row);
      return dose === null || row.name.trim() === ""
        ? []
        : [{ ...row, dose, label: /^[1-9]$/.test(row.label) ? Number(row.label) : null }];
    }),
  );
  const last = fills.at(-1)!;
  const filled = (amount: number) => say(view.mixed ? "volume" : "mass", amount, units, 0);
  return (
    <div className="grid gap-2" data-fills={fills.length}>
      <p className="text-lead leading-snug">
        <b>
          {fills.length} {fills.length === 1 ? "fill" : "fills"}
        </b>
        {fills.length > 1 && <>, the last one {filled(last.volume)}</>}. A full{" "}
        {view.mixed ? "tank" : "hopper"} does {say("area", full.area, units)}, {Math.round(full.metres)} m of
        it. {filled(mixed)} {view.mixed ? "mixed" : "filled"} in all
        {left > 0 && <>, {filled(left)} of it stays where the pump cannot draw it</>}.
      </p>
      {passesATank === 0 ? (
        <p className="font-semibold text-warn">
          A tank does not last {length === null ? "" : "there and back"}: it runs dry inside the field. Fill
          at both ends, or put out less.
        </p>
      ) : (
        passesATank !== null && (
          <p>
            {passesATank} passes a tank, then to the headland: filled for that, it does not run dry on the
            way.
          </p>
        )
      )}
      <div className="overflow-x-auto">
        <table className="w-full">
          <thead>
            <tr className="border-b border-ink text-left text-small">
              <th scope="col">Fill</th>
              <th scope="col">Put in</th>
              {products.map(({ key, name }) => (
                <th key={key} scope="col" className="font-normal">
                  {name}
                </th>
              ))}
              <th scope="col">Does</th>
              <th scope="col">Empty after</th>
            </tr>
          </thead>
          <tbody>
            {fills.slice(0, 12).map((fill) => (
              <tr key={fill.number} className="border-b border-hair" data-fill={fill.number}>
                <th scope="row" className="text-left">
                  {fill.number}
                </th>
                <td className="font-semibold">{filled(fill.volume)}</td>
                {products.map(({ key, dose, unit }) => {
                  const amount = productIn({ inTank: fill.volume }, dose, rate!);
                  return (
                    <td key={key}>
                      {unit === "l/ha" ? say("volume", amount, units, 2) : say("mass", amount, units, 2)}
                    </td>
                  );
                })}
                <td>{say("area", fill.area, units)}</td>
                <td>
                  {fill.passes === null ? `${Math.round(fill.metres)} m` : `pass ${round(fill.passes)}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {fills.length > 12 && <p className="text-soft">And {fills.length - 12} more like them.</p>}
      {length !== null && <Passes plan={plan} view={view} length={length} />}
      {products.length > 1 && (
        <p className="leading-snug">
          Into half a tank of water, stirring, each dissolved before the next:{" "}
          <b>{products.map(({ name }) => name).join(", then ")}</b>.{" "}
          <span className="text-small text-soft">
            The label comes first; where none gives a place, the order is common practice.
          </span>
        </p>
      )}
      <p className="border-l-4 border-stop bg-stop-wash px-3 py-1.5 font-semibold">
        {!view.mixed && "Dressed seed: gloves and mask at the hopper; nobody under a lifted bag. "}
        {view.mixed &&
          "Gloves, glasses and apron at the filler; the label says what else, and which mixtures are not allowed."}
      </p>
    </div>
  );
}

const round = (passes: number) => Number(passes.toFixed(1));

/** The field's passes from the side one begins at, each tank in its shade, with where it is empty. */
function Passes({ plan: { fills }, view, length }: { plan: Plan; view: TankView; length: number }) {
  const total = fills.at(-1)!.passes!;
  const count = Math.max(1, Math.ceil(total - 1e-9));
  if (count > 160) return null;
  const [width, height] = [660, 130];
  const each = (width - 20) / count;
  const metres = (at: number) => at * length;
  const strokes = fills.flatMap(({ number, passes }) => {
    const from = number === 1 ? 0 : fills[number - 2]!.passes!;
    const parts: { x: number; y1: number; y2: number; number: number }[] = [];
    for (let pass = Math.floor(from + 1e-9); pass < passes! - 1e-9; pass += 1) {
      const [a, b] = [Math.max(from, pass) - pass, Math.min(passes!, pass + 1) - pass];
      const up = pass % 2 === 0;
      const y = (share: number) => (up ? height - 12 - share * (height - 24) : 12 + share * (height - 24));
      parts.push({ x: 10 + (pass + 0.5) * each, y1: y(a), y2: y(b), number });
    }
    return parts;
  });
  return (
    <figure>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="w-full border border-line bg-sheet"
        role="img"
        aria-label={`${count} passes of ${Math.round(metres(1))} m, ${fills.length} tanks`}
      >
        {strokes.map(({ x, y1, y2, number }) => (
          <line
            key={`${x} ${y1}`}
            x1={x}
            x2={x}
            y1={y1}
            y2={y2}
            stroke={number % 2 === 1 ? "var(--dye)" : "var(--steel-line)"}
            strokeWidth={Math.max(1.5, Math.min(10, each * 0.62))}
          />
        ))}
        {fills.slice(0, -1).map(({ number }) => {
          const end = strokes.findLast((each_) => each_.number === number)!;
          return (
            <circle
              key={number}
              cx={end.x}
              cy={end.y2}
              r={6}
              fill="var(--sheet)"
              stroke="var(--stop)"
              strokeWidth={3}
            />
          );
        })}
      </svg>
      <figcaption className="text-small text-soft">
        Passes of {Math.round(length)} m, {say("area", view.width! * length, view.units)} each, not to scale
        across. Ring: the tank is empty.
      </figcaption>
    </figure>
  );
}
