import { useEffect, useState } from "react";
import { type UseFormRegisterReturn, useFieldArray, useForm, useWatch } from "react-hook-form";
import { v4 as uuid } from "uuid";
import { widthsAgree } from "../../../core/finding/widths.ts";
import { behindLabel, parseLength, printLength } from "../../../core/quantity/length.ts";
import { sectionSum, splitEvenly } from "../../../core/rig/sections.ts";
import { countIn, mirror, moveBoundary, unlike } from "../../../core/subjects/tool/layout.ts";
import { draftOf } from "../../entry/draft.ts";
import { Left } from "../../entry/Left.tsx";
import { useOutcome } from "../../entry/use-outcome.ts";
import { problemOf, resolveBy } from "../../entry/wrong.ts";
import { formWith, validateForm, wrongIn } from "../../session/validate.ts";
import { Field } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { Strip } from "./Strip.tsx";
import { KeepLayoutDto, readRows, type TypedSection } from "./sections.dto.ts";
import type { SectionsView } from "./sections-view.server.ts";

type Props = { view: SectionsView; action: string; person: string };

const EMPTY: TypedSection = { width: "", ahead: "", product: "" };

type Typed = { rows: TypedSection[]; person: string };

/** The sections as a table and as a drawing: what is changed in one is changed in the other. */
export function SectionTable({ view, action, person }: Props) {
  const { style, width, spacing } = view;
  const unit = behindLabel(style);
  const [chosen, setChosen] = useState<number | null>(null);
  const { fetcher, errors: sent, kept, submit } = useOutcome(action);
  const layoutOf = ({ rows, person }: Typed) => ({
    intent: "keep-layout",
    id: uuid(),
    style,
    instrument: "tape",
    rows: JSON.stringify(rows),
    person,
  });
  const { control, register, setValue, getValues, reset, handleSubmit, formState } = useForm<Typed>({
    defaultValues: { rows: view.rows, person },
    resolver: resolveBy((typed) => {
      const checked = validateForm(KeepLayoutDto, formWith(layoutOf(typed)));
      const read = readRows(typed.rows, style);
      return wrongIn(checked, read);
    }),
  });
  const { fields, append, remove, replace } = useFieldArray({ control, name: "rows" });
  const rows = useWatch({ control, name: "rows" });
  const draft = draftOf<TypedSection[]>(
    `${action} sections ${view.variants.find(({ now }) => now)?.id ?? 0}`,
  );
  const [left, setLeft] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the table opens in the browser
  useEffect(() => {
    const before = draft.read();
    if (!before) return;
    replace(before);
    setLeft(true);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: written as it is typed
  useEffect(() => {
    if (formState.isDirty) draft.write(rows);
  }, [rows, formState.isDirty]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each time it was saved
  useEffect(() => {
    if (!kept) return;
    draft.clear();
    setLeft(false);
    reset({ rows: getValues("rows"), person: getValues("person") });
  }, [kept]);
  const problem = (name: string) => problemOf(formState.errors, sent, name);
  const widths = rows.map((row) => metresOf(row.width, style));
  /** The rows that are there stay where they are: what one types in keeps its place. */
  const become = (next: readonly TypedSection[]) => {
    if (next.length !== rows.length) return replace([...next]);
    for (const [at, row] of next.entries()) setValue(`rows.${at}`, row);
  };
  const lay = (metres: readonly number[]) =>
    become(
      metres.map((each, at) => ({
        ...(rows[at] ?? EMPTY),
        width: printLength(each, style, { bare: true, ...(style === "m" ? { decimals: 3 } : {}) }),
      })),
    );
  const move = (at: number, by: number) => {
    if (widths.every((each) => each !== null)) lay(moveBoundary(widths as number[], at, by));
  };
  return (
    <section aria-label="Sections" className="grid gap-3">
      <h2 className="border-b-2 border-ink pb-1">
        Sections{" "}
        <span className="font-normal text-soft">
          of {view.variants.find(({ now }) => now)?.name.toLowerCase() ?? "whole"}
        </span>
      </h2>
      <div className="overflow-x-auto">
        <Strip
          widths={widths.map((each) => each ?? 0)}
          rows={rows}
          style={style}
          chosen={chosen}
          step={spacing ?? 0.1}
          onChoose={setChosen}
          onMove={move}
        />
      </div>
      {left && (
        <Left
          onThrowAway={() => {
            draft.clear();
            setLeft(false);
            reset({ rows: view.rows, person });
          }}
        />
      )}
      <Verdict widths={widths} view={view} />
      <Makers view={view} count={rows.length} onLay={lay} onMirror={() => become(mirror(rows))} />
      <form onSubmit={handleSubmit((typed) => submit(layoutOf(typed)))} className="grid gap-2" noValidate>
        <div className="overflow-x-auto">
          <table className="w-full min-w-[620px] border-collapse text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th className="w-9 py-1 font-semibold">No.</th>
                <th className="py-1 font-semibold">Width{unit}</th>
                <th className="px-2 py-1 font-semibold">
                  {view.spacing ? (view.rowWord === "row" ? "Rows" : "Nozzles") : ""}
                </th>
                <th className="py-1 font-semibold">Ahead, − behind{unit}</th>
                <th className="py-1 font-semibold">Own product</th>
                <th className="w-20" />
              </tr>
            </thead>
            <tbody>
              {fields.map(({ id }, at) => (
                <tr key={id} className={chosen === at ? "bg-dye-wash" : ""} data-section={at + 1}>
                  <td className="pr-2 font-bold">{at + 1}</td>
                  <Cell
                    label={`Width of section ${at + 1}`}
                    field={register(`rows.${at}.width`)}
                    problem={problem(`rows.${at}.width`)}
                    onFocus={() => setChosen(at)}
                  />
                  <td className="px-2 whitespace-nowrap text-soft">
                    {countText(widths[at] ?? null, spacing)}
                  </td>
                  <Cell
                    label={`Section ${at + 1} ahead`}
                    field={register(`rows.${at}.ahead`)}
                    problem={problem(`rows.${at}.ahead`)}
                    onFocus={() => setChosen(at)}
                  />
                  <Cell
                    label={`Product of section ${at + 1}`}
                    field={register(`rows.${at}.product`)}
                    problem={problem(`rows.${at}.product`)}
                    onFocus={() => setChosen(at)}
                  />
                  <td>
                    <button
                      type="button"
                      className="min-h-11 cursor-pointer px-2 font-semibold underline"
                      aria-label={`Take out section ${at + 1}`}
                      onClick={() => remove(at)}
                    >
                      Take out
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <button
            type="button"
            className="key"
            onClick={() => append({ ...EMPTY, width: rows.at(-1)?.width ?? "" })}
          >
            One more section
          </button>
          <Field label="Measured by" problem={problem("person")}>
            <input {...register("person")} className="field" autoComplete="name" />
          </Field>
          <Send busy={fetcher.state !== "idle"} className="key-main">
            Save the sections
          </Send>
        </div>
        {problem("form") && <p className="problem">{problem("form")}</p>}
      </form>
      {width === null && (
        <p className="text-soft">The working width is not read yet: nothing to hold the sum against.</p>
      )}
    </section>
  );
}

function metresOf(text: string, style: SectionsView["style"]): number | null {
  const read = parseLength(text, style);
  return read.ok ? read.value.metres : null;
}

function countText(width: number | null, spacing: number | null): string {
  if (width === null || spacing === null) return "";
  const { count, whole } = countIn(width, spacing);
  return whole ? String(Math.round(count)) : `${count}, not whole`;
}

type CellProps = {
  label: string;
  field: UseFormRegisterReturn;
  problem: string | undefined;
  onFocus: () => void;
};

function Cell({ label, field, problem, onFocus }: CellProps) {
  return (
    <td className="py-0.5 pr-2 align-top">
      <input
        {...field}
        aria-label={label}
        className="field"
        autoComplete="off"
        onFocus={onFocus}
        aria-invalid={problem !== undefined}
      />
      {problem && <span className="problem block">{problem}</span>}
    </td>
  );
}

/** What the layout says while it is edited: the sum against the width, whole rows, two alike halves. */
function Verdict({ widths, view }: { widths: readonly (number | null)[]; view: SectionsView }) {
  const { width, spacing, style, rowWord } = view;
  if (widths.length === 0 || widths.some((each) => each === null))
    return <p data-sum>{widths.length === 0 ? "No sections yet." : "A width is not readable yet."}</p>;
  const metres = widths as number[];
  const sum = sectionSum(metres);
  const off = width === null || widthsAgree(sum, width) ? null : sum - width;
  const odd = unlike(metres);
  const broken =
    spacing === null ? [] : metres.flatMap((each, at) => (countIn(each, spacing).whole ? [] : [at + 1]));
  return (
    <ul className="leading-snug" data-sum>
      <li className={off === null ? "" : "font-semibold text-warn"}>
        {metres.length} sections, {printLength(sum, style)}
        {width !== null &&
          (off === null
            ? ", as wide as the work"
            : `: ${printLength(Math.abs(off), style)} ${off > 0 ? "more" : "less"} than the working width of ${printLength(width, style)}`)}
      </li>
      {broken.length > 0 && (
        <li>
          No whole number of {rowWord}s in section {broken.slice(0, 4).join(", ")}: a {rowWord} would be
          switched by two.
        </li>
      )}
      {odd && (
        <li>
          Section {odd.left} and section {odd.right} differ: right and left are not alike.
        </li>
      )}
    </ul>
  );
}

/** Ways to lay the sections out at once. */
function Makers({
  view: { width, spacing, style, rowWord },
  count,
  onLay,
  onMirror,
}: {
  view: SectionsView;
  count: number;
  onLay: (widths: readonly number[]) => void;
  onMirror: () => void;
}) {
  const [parts, setParts] = useState(String(Math.max(1, count)));
  const [counts, setCounts] = useState("");
  const [each, setEach] = useState(spacing === null ? "" : printLength(spacing, style, { bare: true }));
  const wanted = Number(parts);
  const list = counts
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
  const apart = metresOf(each, style);
  const usable =
    list.length > 0 && list.every((n) => Number.isInteger(n) && n > 0) && apart !== null && apart > 0;
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-4 gap-y-2 border-y border-line py-2">
      <div className="flex flex-wrap items-end gap-1.5">
        <Field label="Sections">
          <input
            className="field w-20"
            inputMode="numeric"
            value={parts}
            onChange={(event) => setParts(event.target.value)}
          />
        </Field>
        <button
          type="button"
          className="key whitespace-nowrap"
          disabled={width === null || !(wanted >= 1 && wanted <= 256)}
          onClick={() => onLay(splitEvenly(width!, Math.floor(wanted)))}
        >
          Split evenly
        </button>
      </div>
      <button type="button" className="key" disabled={count < 2} onClick={onMirror}>
        Mirror left to right
      </button>
      <div className="flex flex-wrap items-end gap-3">
        <Field label={`${rowWord === "nozzle" ? "Nozzles" : "Rows"} in each, like 8 6 6 8`}>
          <input className="field w-40" value={counts} onChange={(event) => setCounts(event.target.value)} />
        </Field>
        <Field label={`Apart${behindLabel(style)}`}>
          <input className="field w-24" value={each} onChange={(event) => setEach(event.target.value)} />
        </Field>
        <button
          type="button"
          className="key"
          disabled={!usable}
          onClick={() => onLay(list.map((n) => n * apart!))}
        >
          Lay out
        </button>
      </div>
    </div>
  );
}
