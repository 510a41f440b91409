import { useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { v4 as uuid } from "uuid";
import { VARIETY_WAYS, type VarietyWay } from "../../../core/yard/work.ts";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { type FieldErrors, validateForm, wrongIn } from "../../session/validate.ts";
import { Field, SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { toast } from "../../ui/toast.ts";
import { FAMILY_OF, JobDto, MOST_PRODUCTS, MOST_VARIETIES } from "./job.dto.ts";
import type { JobView } from "./job-view.server.ts";
import { Alarms, Screen } from "./Screen.tsx";

type Props = {
  view: JobView;
  action: string;
  person: string;
  withField: (field: string) => string;
  /** the rig's log of work, and its task file */
  log: string;
  taskFile: string;
};

/** What the rig is set to do, to be confirmed as a whole. */
export function JobPanel({ view, action, person, withField, log, taskFile }: Props) {
  const navigate = useNavigate();
  const [entry] = useState(() => uuid());
  const [dirty, setDirty] = useUnconfirmed(view.from !== null);
  const { form, busy, errors } = useKeptForm(action, "The job", {
    wrongWith: (typed) => wrongIn(validateForm(JobDto, typed)),
    done: () => {
      setDirty(false);
      navigate(withField(""), { preventScrollReset: true });
    },
  });
  const [operation, setOperation] = useState<string>(view.form.operation || view.operations[0]!.key);
  const about = view.operations.find(({ key }) => key === operation);
  const change = () => setDirty(true);
  return (
    <section id="job" aria-label="The job" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        The job{" "}
        <span className="font-normal text-soft">
          {view.set ? `${view.set.field}, set by ${view.set.by}` : "nobody set one"}
        </span>
      </h2>
      {view.set && (
        <p className="flex flex-wrap gap-2">
          <Link to={log} className="key">
            Begin, end, look back: the log
          </Link>
          {view.notInFile && (
            <a href={taskFile} className="key" download>
              Task file for the terminal
            </a>
          )}
        </p>
      )}
      {view.notInFile && (
        <details>
          <summary className="min-h-11 cursor-pointer text-soft">What of it no task file says</summary>
          <ul className="list-disc pl-5 text-soft">
            {view.notInFile.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </details>
      )}
      {view.from && (
        <p className="border-l-4 border-dye bg-sheet px-3 py-2" data-from>
          Filled in as it was set on this field before: {view.from}. Look at each line, then confirm.
        </p>
      )}
      {dirty && (
        <p className="font-semibold text-warn" data-unconfirmed role="status">
          Not confirmed yet: leaving this page keeps nothing of it.
        </p>
      )}
      <form {...form} onChange={change} className="grid gap-5">
        <input type="hidden" name="intent" value="set-job" />
        <input type="hidden" name="id" value={entry} />
        <Where
          view={view}
          errors={errors}
          onField={(field) => navigate(withField(field), { preventScrollReset: true })}
        />
        <What
          view={view}
          errors={errors}
          operation={operation}
          onOperation={setOperation}
          cropAsked={about?.crop !== "not asked"}
        />
        {about?.product && about.product !== "crop" ? (
          <WithWhat view={view} errors={errors} form={about.product} />
        ) : (
          <NoProducts />
        )}
        <HowRecorded view={view} errors={errors} />
        <Screen view={view} onChange={change} problem={errors.screen} />
        <Alarms view={view} onChange={change} errors={errors} />
        {errors.form && <p className="problem">{errors.form}</p>}
        <div className="flex flex-wrap items-end gap-3">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key-main">
            Confirm the job
          </Send>
        </div>
      </form>
    </section>
  );
}

/** Tells whether something was changed and not confirmed; leaving with it says that nothing was kept. */
function useUnconfirmed(begun: boolean): [boolean, (dirty: boolean) => void] {
  const [dirty, setState] = useState(begun);
  const now = useRef(begun);
  const set = (value: boolean) => {
    now.current = value;
    setState(value);
  };
  useEffect(
    () => () => {
      if (now.current && !/\/job(\?|$)/.test(location.pathname + location.search))
        toast("warning", "The job was not confirmed: nothing of it was kept.");
    },
    [],
  );
  return [dirty, set];
}

type PartProps = { view: JobView; errors: FieldErrors };

function Group({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-1 w-full border-b border-line pb-1 font-semibold">{title}</legend>
      {children}
    </fieldset>
  );
}

function Where({ view, errors, onField }: PartProps & { onField: (field: string) => void }) {
  return (
    <Group title="Where">
      <div className="grid grid-cols-[2fr_1fr] gap-3 max-sm:grid-cols-1">
        <Field label="Field" problem={errors.field} hint="Choosing one brings back what was set there last.">
          <select
            name="field"
            className="field"
            defaultValue={view.fieldId ?? ""}
            aria-invalid={errors.field !== undefined}
            onChange={(event) => onField(event.target.value)}
          >
            <option value="">Choose</option>
            {view.fields.map(({ farm, fields }) => (
              <optgroup key={farm} label={farm}>
                {fields.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </optgroup>
            ))}
          </select>
        </Field>
        <TextField
          name="season"
          label="Season"
          defaultValue={view.form.season}
          problem={errors.season}
          maxLength={20}
        />
      </div>
      {view.fields.length === 0 && (
        <p>
          No fields yet. <Link to="/fields">Add them</Link> first.
        </p>
      )}
    </Group>
  );
}

type WhatProps = PartProps & { operation: string; onOperation: (key: string) => void; cropAsked: boolean };

function What({ view, errors, operation, onOperation, cropAsked }: WhatProps) {
  const { form, crops, operations } = view;
  const [crop, setCrop] = useState(form.crop);
  const [way, setWay] = useState<VarietyWay>(form.varietyWay);
  const count = way === "one" ? 1 : MOST_VARIETIES;
  const known = crops.find(({ name }) => name.toLowerCase() === crop.trim().toLowerCase())?.varieties ?? [];
  return (
    <Group title="What">
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <SelectField
          name="operation"
          label="Operation"
          value={operation}
          onChange={(event) => onOperation(event.target.value)}
          problem={errors.operation}
          choices={operations.map(({ key, label }) => [key, label] as const)}
        />
        <SelectField
          name="second"
          label="Added in the terminal besides"
          defaultValue={form.second}
          problem={errors.second}
          choices={[["", "None"], ...operations.map(({ key, label }) => [key, label] as const)]}
        />
      </div>
      <div className={cropAsked ? "grid grid-cols-2 gap-3 max-sm:grid-cols-1" : "hidden"}>
        <TextField
          name="crop"
          label="Crop"
          list="crops"
          value={crop}
          onChange={(event) => setCrop(event.target.value)}
          problem={errors.crop}
          autoComplete="off"
        />
        <SelectField
          name="varietyWay"
          label="Varieties"
          value={way}
          onChange={(event) => setWay(event.target.value as VarietyWay)}
          problem={errors.varietyWay}
          choices={Object.entries(VARIETY_WAYS)}
        />
        {Array.from({ length: MOST_VARIETIES }, (_, at) => (
          <div key={at} className={at < count ? "grid grid-cols-[1fr_110px] gap-2" : "hidden"}>
            <TextField
              name={`variety${at}`}
              label={at === 0 ? "Variety" : `Variety ${at + 1}`}
              list="varieties"
              defaultValue={at < count ? form.varieties[at]?.name : ""}
              problem={errors[`variety${at}`]}
              autoComplete="off"
              className={way === "rows" ? "" : "col-span-2"}
            />
            <div className={way === "rows" ? "" : "hidden"}>
              <TextField
                name={`rows${at}`}
                label="Rows"
                placeholder="1-8"
                defaultValue={form.varieties[at]?.rows}
                problem={errors[`rows${at}`]}
              />
            </div>
          </div>
        ))}
      </div>
      {cropAsked && way === "map" && (
        <p className="text-small text-soft">
          The map itself is read on the page of the field:{" "}
          {view.fieldId === null ? (
            <Link to="/fields">Fields</Link>
          ) : (
            <Link to={`/fields/${view.fieldId}#varieties`}>Varieties by a map</Link>
          )}
          .
        </p>
      )}
      <datalist id="crops">
        {crops.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
      <datalist id="varieties">
        {known.map(({ id, name }) => (
          <option key={id} value={name} />
        ))}
      </datalist>
    </Group>
  );
}

type WithProps = PartProps & { form: "liquid" | "seed" | "granules" };

function WithWhat({ view, errors, form }: WithProps) {
  const mixed = form === "liquid";
  const count = mixed ? MOST_PRODUCTS : 1;
  const fitting = view.products.filter((each) => each.form === form);
  const family = form === "seed" && view.counted ? "count per area" : FAMILY_OF[form];
  return (
    <Group title="With what">
      {Array.from({ length: MOST_PRODUCTS }, (_, at) => {
        const own = at < count ? view.form.products[at] : undefined;
        return (
          <div key={at} className={at < count ? "grid grid-cols-[2fr_1fr] gap-3" : "hidden"}>
            <SelectField
              name={`product${at}`}
              label={mixed && at > 0 ? `Product ${at + 1}, in the same tank` : "Product"}
              defaultValue={fitting.some(({ id }) => id === own?.id) ? String(own!.id) : ""}
              problem={errors[`product${at}`]}
              choices={[
                ["", at === 0 ? "Choose" : "None"],
                ...fitting.map(({ id, name }) => [String(id), name] as const),
              ]}
            />
            <TextField
              name={`rate${at}`}
              label={mixed && at > 0 ? "Dose" : "Rate wanted"}
              placeholder={view.rateUnits[family]}
              defaultValue={own?.rate}
              problem={errors[`rate${at}`]}
              inputMode="decimal"
            />
            <input type="hidden" name={`rate${at}Unit`} value={view.rateUnits[family]} />
            <input type="hidden" name={`rate${at}Of`} value={family} />
          </div>
        );
      })}
      {mixed && (
        <p className="text-small text-soft">
          The first is what the boom is set by, water and all. The label's own dose comes first.
        </p>
      )}
    </Group>
  );
}

function NoProducts() {
  return (
    <>
      {Array.from({ length: MOST_PRODUCTS }, (_, at) =>
        ["product", "rate"].map((name) => (
          <input key={`${name}${at}`} type="hidden" name={`${name}${at}`} value="" />
        )),
      )}
    </>
  );
}

function HowRecorded({ view, errors }: PartProps) {
  const { triggers, form, lines, guided } = view;
  const word = (has: boolean | null) => (has === null ? "" : has ? "" : " — not on this rig");
  return (
    <Group title="Recorded by, and along which line">
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <SelectField
          name="trigger"
          label="The record starts and stops by"
          defaultValue={form.trigger}
          problem={errors.trigger}
          choices={[
            ["", "Choose"],
            ...triggers.map(({ key, label, has }) => [key, `${label}${word(has)}`] as const),
          ]}
        />
        {guided ? (
          <SelectField
            key={view.fieldId}
            name="line"
            label="Line"
            defaultValue={lines.some(({ id }) => id === form.line) ? form.line : ""}
            problem={errors.line}
            choices={[
              ["", lines.length === 0 ? "None on this field yet" : "Choose"],
              ...lines.map(({ id, name }) => [id, name] as const),
            ]}
          />
        ) : (
          <input type="hidden" name="line" value="" />
        )}
      </div>
    </Group>
  );
}
