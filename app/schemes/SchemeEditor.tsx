import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { useFieldArray, useForm, useWatch } from "react-hook-form";
import { useSubmit } from "react-router";
import { ONLY_FOR, onlyLabel } from "../../core/card/only.ts";
import { type EntryStep, stepsOf, USUAL_ORDER } from "../../core/card/order.ts";
import { type Scheme, TIME_UNITS } from "../../core/card/scheme.ts";
import { POINT_KEYS, POINT_LABELS } from "../../core/dimension/points.ts";
import { LENGTH_STYLES } from "../../core/quantity/length.ts";
import { problemOf, resolveBy } from "../entry/wrong.ts";
import type { FieldErrors } from "../session/validate.ts";
import { SelectField, TextField } from "../ui/Field.tsx";
import {
  asksForLength,
  asksForTime,
  BLANK_LINE,
  checkScheme,
  fittingUnit,
  type LineForm,
  toForm,
} from "./scheme.dto.ts";

const AXIS_WORDS = { x: "along the line of travel", y: "sideways", up: "height" } as const;
const SENSE_WORDS = { x: ["forward", "rearward"], y: ["right", "left"], up: ["up", "down"] } as const;
const STYLE_WORDS: Record<(typeof LENGTH_STYLES)[number], string> = {
  m: "m",
  cm: "cm",
  mm: "mm",
  in: "in",
  ft: "feet, decimal",
  "ft-in": "ft in, to 1/16",
  "ft-in/8": "ft in, to 1/8",
};

type Choices = readonly (readonly [string, string])[];

type SchemeForm = { name: string; asks: string; lines: LineForm[]; order: EntryStep[] };

const MEASURE_WORDS: Choices = [
  ["between", "a length from … to"],
  ["dimension", "a reading"],
  ["track spacing", "track spacing"],
  ["section count", "how many sections"],
  ["rates", "constants and rates, a line each"],
  ["section widths", "the width of each section"],
  ["section units", "rows or nozzles of each section"],
  ["axle type", "the tool's axle"],
  ["connection type", "how it is coupled"],
  ["choice", "a choice of its own"],
];

/** A terminal's way of asking, line by line in its own words. */
export function SchemeEditor({
  scheme,
  sent,
  readings,
}: {
  scheme: Scheme;
  sent: FieldErrors;
  /** readings a line may ask for, with their labels */
  readings: Choices;
}) {
  const submit = useSubmit();
  const { control, register, setValue, handleSubmit, formState } = useForm<SchemeForm>({
    defaultValues: {
      name: scheme.name,
      asks: scheme.asks,
      lines: scheme.lines.map(toForm),
      order: [...scheme.order],
    },
    resolver: resolveBy((typed) => {
      const checked = checkScheme(typed);
      return checked.ok ? {} : checked.errors;
    }),
  });
  const { fields, append, remove, move } = useFieldArray({ control, name: "lines" });
  const lines = useWatch({ control, name: "lines" });
  const problem = (name: string) => problemOf(formState.errors, sent, name);
  const change = (index: number, part: Partial<LineForm>) => {
    for (const [field, value] of Object.entries(part))
      setValue(`lines.${index}.${field as keyof LineForm}`, value, { shouldValidate: formState.isSubmitted });
  };
  const order = useWatch({ control, name: "order" });
  const save = handleSubmit(({ name, asks, lines: typed, order: steps }) =>
    submit({ name, asks, lines: JSON.stringify(typed), order: JSON.stringify(steps) }, { method: "post" }),
  );
  return (
    <form onSubmit={save} className="grid gap-4" noValidate>
      <div className="grid grid-cols-[300px_1fr] gap-3 max-lg:grid-cols-1">
        <TextField label="Name" {...register("name")} problem={problem("name")} />
        <TextField label="How this terminal asks" {...register("asks")} problem={problem("asks")} />
      </div>
      {problem("lines") && <p className="problem">{problem("lines")}</p>}
      <ol className="grid gap-3">
        {fields.map(({ id }, index) => (
          <li key={id} className="border-[1.5px] border-line bg-sheet px-3 py-2" data-scheme-line={index}>
            <Line
              line={lines[index] ?? fields[index]!}
              readings={readings}
              problems={(field) => problem(`lines.${index}.${field}`)}
              onChange={(part) => change(index, part)}
            >
              <Tool
                label={`Line ${index + 1} up`}
                disabled={index === 0}
                onPress={() => move(index, index - 1)}
              >
                <ArrowUp size={18} aria-hidden="true" />
              </Tool>
              <Tool
                label={`Line ${index + 1} down`}
                disabled={index === fields.length - 1}
                onPress={() => move(index, index + 1)}
              >
                <ArrowDown size={18} aria-hidden="true" />
              </Tool>
              <Tool label={`Take out line ${index + 1}`} onPress={() => remove(index)}>
                <Trash2 size={18} aria-hidden="true" />
              </Tool>
            </Line>
          </li>
        ))}
      </ol>
      <p>
        <button
          type="button"
          className="key"
          onClick={() => append({ ...BLANK_LINE, page: lines.at(-1)?.page ?? BLANK_LINE.page })}
        >
          Add a line
        </button>
      </p>
      <Order
        order={order}
        problem={problem("order")}
        onChange={(steps) => setValue("order", steps, { shouldValidate: true })}
      />
      <p>
        <button type="submit" className="key-main">
          Save scheme
        </button>
      </p>
    </form>
  );
}

/** The steps of the terminal, moved up and down, taken out where it does not ask, and put back. */
function Order({
  order,
  problem,
  onChange,
}: {
  order: readonly EntryStep[];
  problem: string | undefined;
  onChange: (order: EntryStep[]) => void;
}) {
  const moved = (from: number, to: number) => {
    const next = order.filter((_, index) => index !== from);
    next.splice(to, 0, order[from]!);
    onChange(next);
  };
  const absent = stepsOf(USUAL_ORDER.filter((key) => !order.includes(key)));
  return (
    <section aria-label="Order of entry" className="grid gap-1">
      <h2>In what order this terminal is set up</h2>
      <ol className="grid max-w-[720px] list-decimal gap-1 pl-6">
        {stepsOf(order).map(({ key, step, why }, index) => (
          <li key={key} data-step={key} className="border-b border-hair pl-1">
            <span className="grid grid-cols-[1fr_auto] items-center gap-2">
              <span className="leading-snug">
                <b className="font-[650]">{step}</b> <span className="text-soft">{why}</span>
              </span>
              <span className="flex gap-1">
                <Tool label={`${step} up`} disabled={index === 0} onPress={() => moved(index, index - 1)}>
                  <ArrowUp size={18} aria-hidden="true" />
                </Tool>
                <Tool
                  label={`${step} down`}
                  disabled={index === order.length - 1}
                  onPress={() => moved(index, index + 1)}
                >
                  <ArrowDown size={18} aria-hidden="true" />
                </Tool>
                <Tool
                  label={`Leave out ${step}`}
                  onPress={() => onChange(order.filter((each) => each !== key))}
                >
                  <Trash2 size={18} aria-hidden="true" />
                </Tool>
              </span>
            </span>
          </li>
        ))}
      </ol>
      {absent.length > 0 && (
        <p className="flex flex-wrap items-center gap-2">
          <span className="text-soft">It does not ask for:</span>
          {absent.map(({ key, step }) => (
            <button key={key} type="button" className="key" onClick={() => onChange([...order, key])}>
              {step}
            </button>
          ))}
        </p>
      )}
      {problem && <p className="problem">{problem}</p>}
    </section>
  );
}

function Line({
  line,
  readings,
  problems,
  onChange,
  children,
}: {
  line: LineForm;
  readings: Choices;
  problems: (field: keyof LineForm) => string | undefined;
  onChange: (part: Partial<LineForm>) => void;
  children: React.ReactNode;
}) {
  const set =
    <K extends keyof LineForm>(field: K) =>
    (value: string) => {
      const part = { [field]: field === "sense" || field === "decimals" ? Number(value) : value };
      onChange({ ...part, unit: fittingUnit({ ...line, ...part }) });
    };
  const pick = (field: keyof LineForm, label: string, choices: Choices) => (
    <Pick
      label={label}
      value={String(line[field])}
      choices={choices}
      onChange={set(field)}
      problem={problems(field)}
    />
  );
  const write = (field: keyof LineForm, label: string) => (
    <Text label={label} value={String(line[field])} onChange={set(field)} problem={problems(field)} />
  );
  const [plus, minus] = SENSE_WORDS[line.axis];
  const isTime = asksForTime(line);
  const isLength = asksForLength(line);
  const points: Choices = POINT_KEYS.map((key) => [key, POINT_LABELS[key]]);
  return (
    <div className="grid gap-2">
      <div className="grid grid-cols-[130px_1fr_190px_auto] items-end gap-2 max-sm:grid-cols-1">
        {write("page", "Page")}
        {write("label", "Words on the terminal")}
        {pick("measure", "It asks for", MEASURE_WORDS)}
        <span className="flex gap-1">{children}</span>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        {pick(
          "only",
          "Shown for",
          ONLY_FOR.map((only) => [only, onlyLabel(only)]),
        )}
        {line.measure === "between" && (
          <>
            {pick("from", "From", points)}
            {pick("to", "To", points)}
            {pick("axis", "Measured", Object.entries(AXIS_WORDS))}
            {pick("sense", "Plus is", [
              ["1", plus],
              ["-1", minus],
            ])}
          </>
        )}
        {line.measure === "dimension" && pick("dimension", "Reading", readings)}
        {line.measure === "choice" && write("choice", "Set it to")}
        {(isLength || isTime) && (
          <>
            {pick(
              "unit",
              "Unit",
              isTime
                ? TIME_UNITS.map((unit) => [unit, unit])
                : LENGTH_STYLES.map((style) => [style, STYLE_WORDS[style]]),
            )}
            {pick(
              "decimals",
              "Decimals",
              ["0", "1", "2", "3", "4"].map((each) => [each, each]),
            )}
          </>
        )}
        {isLength && (
          <>
            {pick("sign", "Sign", [
              ["signed", "+ and −"],
              ["words", "a switch"],
              ["unsigned", "takes no minus"],
            ])}
            {line.sign === "words" && (
              <>
                {write("plus", "Word for +")}
                {write("minus", "Word for −")}
              </>
            )}
          </>
        )}
      </div>
    </div>
  );
}

type FieldProps = {
  label: string;
  value: string;
  onChange: (value: string) => void;
  problem: string | undefined;
};

function Text({ onChange, ...rest }: FieldProps) {
  return <TextField {...rest} onChange={(event) => onChange(event.target.value)} />;
}

function Pick({ onChange, ...rest }: FieldProps & { choices: Choices }) {
  return <SelectField {...rest} onChange={(event) => onChange(event.target.value)} />;
}

function Tool({
  label,
  disabled = false,
  onPress,
  children,
}: {
  label: string;
  disabled?: boolean;
  onPress: () => void;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      disabled={disabled}
      onClick={onPress}
      className="grid size-11 cursor-pointer place-items-center rounded-[3px] border-[1.5px] border-line disabled:opacity-30"
    >
      {children}
    </button>
  );
}
