import { useEffect, useState } from "react";
import { v4 as uuid } from "uuid";
import type { Hung } from "../../../core/dimension/attachment.ts";
import { draftOf } from "../../entry/draft.ts";
import { useKeep } from "../../entry/use-keep.ts";
import { askedIn } from "../../offline/queue.ts";
import { useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { Field, SelectField } from "../../ui/Field.tsx";
import { GradeMark } from "../../ui/Grade.tsx";
import { toast } from "../../ui/toast.ts";
import { asTyped, typedIn } from "../reading/waiting-readings.ts";
import { KeepSheetDto, lineName, readSheet, sureName, unitName } from "./sheet.dto.ts";
import type { SheetRow, sheetTopics } from "./sheet-view.server.ts";

type Props = {
  topics: ReturnType<typeof sheetTopics>;
  hung: Hung;
  action: string;
  person: string;
  /** what a file filled in, by dimension */
  filled: Record<string, string>;
  /** where what is typed is kept until it is sent */
  draft: string;
};

/** The sheet as one fills it in: on paper with a pencil, or here; what is typed survives a closed page. */
export function SheetForm({ topics, hung, action, person, filled, draft }: Props) {
  const [texts, setTexts] = useState<Record<string, string>>(filled);
  const [errors, setErrors] = useState<FieldErrors>({});
  const [id, setId] = useState(() => uuid());
  const { keep: send } = useKeep(action);
  const waits = typedIn(useWaiting(action));
  const kept = draftOf<Record<string, string>>(draft);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the sheet opens in the browser
  useEffect(() => {
    const before = kept.read();
    if (before) setTexts({ ...before, ...filled });
  }, []);
  const type = (key: string, text: string) => {
    const now = { ...texts, [key]: text };
    setTexts(now);
    kept.write(now);
    setErrors(({ [lineName(key)]: _, [sureName(key)]: __, ...rest }) => rest);
  };
  const keep = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const element = event.currentTarget;
    const form = new FormData(element);
    const checked = validateForm(KeepSheetDto, form);
    const read = readSheet(form, hung);
    const found = wrongIn(checked, read);
    const refuse = (wrong: FieldErrors) => {
      setErrors(wrong);
      element.querySelector<HTMLElement>(`[name="${CSS.escape(Object.keys(wrong)[0]!)}"]`)?.focus();
    };
    if (Object.keys(found).length > 0) return refuse(found);
    const came = await send(form, "a sheet of readings", {
      asked: askedIn(element),
      waits: "No connection: the sheet waits on this device, sent later.",
    });
    if (came.state === "refused") return refuse(came.errors);
    kept.clear();
    setTexts({});
    setErrors({});
    setId(uuid());
    if (came.state === "kept") toast("success", came.said || "Saved");
  };
  return (
    <form method="post" action={action} onSubmit={keep} className="grid gap-4" noValidate>
      <input type="hidden" name="intent" value="keep-sheet" />
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="measuredAt" value="" />
      {topics.map(({ topic, rows }) => (
        <section key={topic + rows[0]!.key}>
          <h2 className="break-after-avoid border-b-2 border-ink pb-1">{topic}</h2>
          <ul>
            {rows.map((row) => (
              <Line
                key={row.key}
                row={row}
                text={texts[row.key] ?? ""}
                waits={waits.get(row.key)}
                problem={errors[lineName(row.key)]}
                unusual={errors[sureName(row.key)]}
                onType={(text) => type(row.key, text)}
              />
            ))}
          </ul>
        </section>
      ))}
      <div className="no-print sticky bottom-0 grid grid-cols-[230px_1fr_auto] items-end gap-2 border-t-2 border-ink bg-paper py-3 max-sm:grid-cols-2">
        <SelectField
          name="instrument"
          label="How you know it"
          choices={[
            ["tape", "Taped or seen"],
            ["book", "Book"],
            ["estimate", "Guess"],
          ]}
          problem={errors.instrument}
        />
        <Field label="Measured by" problem={errors.person}>
          <input name="person" className="field" defaultValue={person} autoComplete="name" />
        </Field>
        <button type="submit" className="key-main">
          Save the sheet
        </button>
        {(errors.form ?? errors.id) && <p className="problem col-span-full">{errors.form ?? errors.id}</p>}
      </div>
    </form>
  );
}

function Line({
  row: { key, letter, label, fromTo, before, now, grade, stale, style, unit, quiet, choices },
  text,
  waits,
  problem,
  unusual,
  onType,
}: {
  row: SheetRow;
  text: string;
  /** what was typed before and waits on this device */
  waits: string | undefined;
  problem: string | undefined;
  /** what is said of a figure outside the usual */
  unusual: string | undefined;
  onType: (text: string) => void;
}) {
  const shared = {
    name: lineName(key),
    "aria-label": label,
    "aria-invalid": problem !== undefined,
    value: text,
  };
  return (
    <li
      data-line={key}
      className="grid break-inside-avoid grid-cols-[28px_1fr_150px_200px] items-center gap-x-3 border-b border-hair py-1 leading-snug max-sm:grid-cols-[28px_1fr] print:grid-cols-[24px_1fr_110px_130px] print:py-0.5 print:text-[13px] print:leading-tight"
    >
      <b className="text-dye">{letter}</b>
      <span>
        <b className="font-[650]">{label}</b>
        <span className="block text-small text-soft">
          {fromTo}
          {before && `; ${before}`}
        </span>
      </span>
      <span className="text-soft max-sm:col-start-2 max-sm:flex max-sm:gap-3">
        <span className={now === "missing" ? "text-stop" : quiet ? "text-soft" : "text-ink"}>{now}</span>
        {waits !== undefined && (
          <span className="block text-small font-semibold text-warn" data-waits>
            {asTyped(waits, { style, choices })} {WAITS_HERE}
          </span>
        )}
        {now !== "missing" && !quiet && (
          <span className="block">
            <GradeMark grade={grade} stale={stale} />
          </span>
        )}
      </span>
      <span className="max-sm:col-start-2">
        <input type="hidden" name={unitName(key)} value={style} />
        {choices.length > 0 ? (
          <>
            <span className="print-only text-[11px] leading-tight">
              {choices.map((choice) => choice.label).join(" / ")}
            </span>
            <select {...shared} className="field no-print" onChange={(event) => onType(event.target.value)}>
              <option value="" />
              {choices.map((choice) => (
                <option key={choice.key} value={choice.key}>
                  {choice.label}
                </option>
              ))}
            </select>
          </>
        ) : (
          <span className="relative grid">
            <input
              {...shared}
              className="field"
              autoComplete="off"
              onChange={(event) => onType(event.target.value)}
            />
            <span className="pointer-events-none absolute top-1/2 right-3 -translate-y-1/2 text-soft">
              {unit}
            </span>
          </span>
        )}
        {problem && <span className="problem block">{problem}</span>}
        {unusual && (
          <label className="flex min-h-11 items-center gap-2 leading-tight font-semibold text-warn">
            <input type="checkbox" name={sureName(key)} value="yes" className="size-6 shrink-0" />
            {unusual} Tick to say yes.
          </label>
        )}
      </span>
    </li>
  );
}
