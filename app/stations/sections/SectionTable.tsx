import { useState } from "react";
import { v4 as uuid } from "uuid";
import { widthsAgree } from "../../../core/finding/widths.ts";
import { parseLength, printLength } from "../../../core/quantity/length.ts";
import { sectionSum } from "../../../core/rig/sections.ts";
import { countIn, mirror, moveBoundary, splitEvenly, unlike } from "../../../core/subjects/tool/layout.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";
import { Field } from "../../ui/Field.tsx";
import { Strip } from "./Strip.tsx";
import { KeepLayoutDto, readRows, type TypedSection } from "./sections.dto.ts";
import type { SectionsView } from "./sections-view.server.ts";

type Props = { view: SectionsView; action: string; person: string };

const EMPTY: TypedSection = { width: "", ahead: "", product: "" };

/** The sections as a table and as a drawing: what is changed in one is changed in the other. */
export function SectionTable({ view, action, person }: Props) {
  const { style, width, spacing } = view;
  const [rows, setRows] = useState<TypedSection[]>(view.rows);
  const [chosen, setChosen] = useState<number | null>(null);
  const [found, setFound] = useState<FieldErrors>({});
  const { fetcher, errors: sent, submit } = useOutcome(action);
  const errors: FieldErrors = Object.keys(found).length > 0 ? found : sent;
  const widths = rows.map((row) => metresOf(row.width, style));
  const change = (at: number, part: Partial<TypedSection>) => {
    setFound({});
    setRows((now) => now.map((row, index) => (index === at ? { ...row, ...part } : row)));
  };
  const lay = (metres: readonly number[]) =>
    setRows((now) =>
      metres.map((each, at) => ({
        ...(now[at] ?? EMPTY),
        width: printLength(each, style, { bare: true, ...(style === "m" ? { decimals: 3 } : {}) }),
      })),
    );
  const move = (at: number, by: number) => {
    if (widths.every((each) => each !== null)) lay(moveBoundary(widths as number[], at, by));
  };
  const keep = (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const checked = validateForm(KeepLayoutDto, form);
    const read = readRows(rows, style);
    const wrong = { ...(checked.ok ? {} : checked.errors), ...(read.ok ? {} : read.errors) };
    setFound(wrong);
    if (Object.keys(wrong).length === 0) submit(form);
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
      <Verdict widths={widths} view={view} />
      <Makers view={view} count={rows.length} onLay={lay} onMirror={() => setRows(mirror)} />
      <form onSubmit={keep} className="grid gap-2" noValidate>
        <input type="hidden" name="intent" value="keep-layout" />
        <input type="hidden" name="id" value={uuid()} />
        <input type="hidden" name="style" value={style} />
        <input type="hidden" name="instrument" value="tape" />
        <input type="hidden" name="rows" value={JSON.stringify(rows)} />
        <div className="overflow-x-auto">
          <table className="w-full min-w-[620px] border-collapse text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th className="w-9 py-1 font-semibold">No.</th>
                <th className="py-1 font-semibold">Width</th>
                <th className="px-2 py-1 font-semibold">
                  {view.spacing ? (view.rowWord === "row" ? "Rows" : "Nozzles") : ""}
                </th>
                <th className="py-1 font-semibold">Ahead, − behind</th>
                <th className="py-1 font-semibold">Own product</th>
                <th className="w-20" />
              </tr>
            </thead>
            <tbody>
              {rows.map((row, at) => (
                <tr key={at} className={chosen === at ? "bg-dye-wash" : ""} data-section={at + 1}>
                  <td className="pr-2 font-bold">{at + 1}</td>
                  <Cell
                    label={`Width of section ${at + 1}`}
                    value={row.width}
                    problem={errors[`width-${at}`]}
                    onFocus={() => setChosen(at)}
                    onChange={(value) => change(at, { width: value })}
                  />
                  <td className="px-2 whitespace-nowrap text-soft">
                    {countText(widths[at] ?? null, spacing)}
                  </td>
                  <Cell
                    label={`Section ${at + 1} ahead`}
                    value={row.ahead}
                    problem={errors[`ahead-${at}`]}
                    onFocus={() => setChosen(at)}
                    onChange={(value) => change(at, { ahead: value })}
                  />
                  <Cell
                    label={`Product of section ${at + 1}`}
                    value={row.product}
                    problem={errors[`product-${at}`]}
                    onFocus={() => setChosen(at)}
                    onChange={(value) => change(at, { product: value })}
                  />
                  <td>
                    <button
                      type="button"
                      className="min-h-11 cursor-pointer px-2 font-semibold underline"
                      aria-label={`Take out section ${at + 1}`}
                      onClick={() => setRows((now) => now.filter((_, index) => index !== at))}
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
            onClick={() => setRows((now) => [...now, { ...EMPTY, width: now.at(-1)?.width ?? "" }])}
          >
            One more section
          </button>
          <Field label="Read by" problem={errors.person}>
            <input name="person" className="field" defaultValue={person} autoComplete="name" />
          </Field>
          <button type="submit" className="key-main" disabled={fetcher.state !== "idle"}>
            Keep the sections
          </button>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
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

function Cell({
  label,
  value,
  problem,
  onChange,
  onFocus,
}: {
  label: string;
  value: string;
  problem: string | undefined;
  onChange: (value: string) => void;
  onFocus: () => void;
}) {
  return (
    <td className="py-0.5 pr-2 align-top">
      <input
        aria-label={label}
        className="field"
        autoComplete="off"
        value={value}
        onFocus={onFocus}
        onChange={(event) => onChange(event.target.value)}
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
      <div className="flex items-end gap-1.5">
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
      <div className="flex items-end gap-1.5">
        <Field label={`${rowWord === "nozzle" ? "Nozzles" : "Rows"} in each, like 8 6 6 8`}>
          <input className="field w-40" value={counts} onChange={(event) => setCounts(event.target.value)} />
        </Field>
        <Field label="apart">
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
