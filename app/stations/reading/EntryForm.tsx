import { useEffect, useRef, useState, useSyncExternalStore } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { v4 as uuid } from "uuid";
import { type DimensionKey, dimension } from "../../../core/dimension/catalogue.ts";
import { joinFaces, parseEntry, printEntry, printIn } from "../../../core/dimension/entry.ts";
import { capital } from "../../../core/quantity/capital.ts";
import type { Parsed } from "../../../core/quantity/figure.ts";
import { isLengthStyle, printLength } from "../../../core/quantity/length.ts";
import { PRESETS } from "../../../core/quantity/units.ts";
import type { Instrument } from "../../../core/rig/grade.ts";
import { parseSections, sectionSum } from "../../../core/rig/sections.ts";
import { draftOf } from "../../entry/draft.ts";
import { Left } from "../../entry/Left.tsx";
import { QuantityInput, sideWords, WordKeys } from "../../entry/QuantityField.tsx";
import { useKeep } from "../../entry/use-keep.ts";
import { useTakeBack } from "../../entry/use-outcome.ts";
import { askedIn } from "../../offline/queue.ts";
import type { Preferences } from "../../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Keypad } from "../../ui/Keypad.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { Send } from "../../ui/Send.tsx";
import { toast } from "../../ui/toast.ts";
import { Conditions, useConditions } from "./Conditions.tsx";
import { KeepReadingDto, KeepSectionsDto } from "./entry.dto.ts";
import type { ReadingRow } from "./reading-rows.ts";
import { StaleList } from "./StaleList.tsx";

type Props = { row: ReadingRow; preferences: Preferences; action: string };

const never = () => () => {};

/** What a finding advises to set it to, as the field writes it; empty where nothing is advised. */
function useAdvised({ target, kind, style, hung }: ReadingRow): string {
  const [search] = useSearchParams();
  const value = Number(search.get("advised") ?? "");
  if (kind === "sections" || kind === "choice" || !Number.isFinite(value) || value === 0) return "";
  return search.get("at") === target ? printIn(dimension(target as DimensionKey, hung), value, style) : "";
}

/** Entry of one reading: typed as it is spoken, checked before it is sent, and again where it is kept. */
export function EntryForm({ row, preferences, action }: Props) {
  const advised = useAdvised(row);
  const [text, setText] = useState(advised);
  const [left, setLeft] = useState(false);
  const draft = draftOf<string>(`${action} ${row.target}`);
  const [instrument, setInstrument] = useState<Instrument>(row.ways[0]!.value);
  const [conditions, setConditions] = useConditions(row.conditions);
  const [numbers, setNumbers] = useState({ id: uuid(), sitting: uuid() });
  const { errors, asksReason, busy, submit, forget } = useKeeping(row, action);
  const field = useRef<HTMLInputElement>(null);
  // As the server sends it, it does not listen yet: nothing can be typed that would be lost.
  const hears = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the field opens in the browser
  useEffect(() => {
    if (!hears) return;
    field.current?.focus({ preventScroll: true });
    // In sight between what stays at the top and the keypad, and not moved where it is.
    field.current?.scrollIntoView({ block: "nearest" });
    const before = draft.read();
    if (before === null) return;
    setText(before);
    setLeft(true);
  }, [hears]);
  const retype = (typed: string) => {
    setText(typed);
    setLeft(false);
    if (typed === "") draft.clear();
    else draft.write(typed);
    forget("text");
  };
  const keep = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const pressed = (event.nativeEvent as SubmitEvent).submitter as HTMLButtonElement | null;
    const again = pressed?.value === "again";
    // The press that says a figure outside the usual is right is part of what is sent.
    form.set("sure", pressed?.name === "sure" ? "yes" : "");
    const came = await submit(form, event.currentTarget, again);
    if (came === "refused") return;
    draft.clear();
    if (came === "closed") return;
    // What was typed while the last one was being sent stays.
    setText((typed) => (typed === form.get("text") ? "" : typed));
    setNumbers(({ sitting }) => ({ id: uuid(), sitting }));
    field.current?.focus({ preventScroll: true });
  };

  return (
    <form
      method="post"
      action={action}
      onSubmit={keep}
      className="grid gap-1.5 pl-9 max-sm:pl-0"
      noValidate
      inert={!hears}
    >
      <Hidden
        values={{
          intent: row.kind === "sections" ? "keep-sections" : "keep-reading",
          dimension: row.target,
          hangs: row.hung.attachment,
          tool: row.hung.tool ?? "",
          style: row.style,
          ...numbers,
          conditions: conditions.join(","),
          measuredAt: "",
        }}
      />
      {row.conditions.length > 0 && (
        <Conditions asked={row.conditions} held={conditions} onChange={setConditions} />
      )}
      {row.kind === "choice" ? (
        <Choices row={row} text={text} onChoose={retype}>
          <Send busy={busy} className="key-main min-h-12">
            Save
          </Send>
        </Choices>
      ) : (
        <div className="grid grid-cols-[1fr_auto] gap-2 max-sm:grid-cols-1">
          <QuantityInput
            ref={field}
            name="text"
            text={text}
            onType={retype}
            problem={errors.text}
            aria-label={row.label}
            aria-describedby="echo"
            inputMode={row.kind === "count" ? "numeric" : "text"}
            placeholder={`like ${row.example}`}
            className="min-h-12 w-full min-w-0 scroll-mt-80 scroll-mb-16 max-lg:scroll-mt-2 max-sm:scroll-mb-[340px] rounded-[3px] border-2 border-dye bg-sheet px-3 text-[22px] font-[650] placeholder:font-normal placeholder:text-soft"
          />
          <Send busy={busy} className="key-main min-h-12 max-sm:hidden">
            Save
          </Send>
        </div>
      )}
      {(row.kind !== "choice" || errors.text) && (
        <p id="echo" aria-live="polite" className={errors.text ? "problem" : "min-h-[21px]"}>
          {errors.text ?? echo(row, text)}
        </p>
      )}
      {advised !== "" && text === advised && (
        <p className="font-semibold text-dye" data-advised>
          Filled in as advised. Save it once it is set so and read off.
        </p>
      )}
      {left && <Left onThrowAway={() => retype("")} />}
      {row.sides && <Sides sides={row.sides} text={text} onChoose={retype} />}
      {row.faces && <Faces faces={row.faces} onType={retype} />}
      {row.kind !== "choice" && (
        <Keypad style={row.style} text={text} onType={retype}>
          <Send busy={busy} className="key-main min-h-12 text-[18px]">
            Save
          </Send>
        </Keypad>
      )}
      {row.kind !== "sections" && row.kind !== "choice" && (
        <div className="flex flex-wrap items-center gap-2">
          <Send busy={busy} name="after" value="again" className="key">
            Save, read it again
          </Send>
          <span className="text-small text-soft">Repeats give a mean and a spread.</span>
        </div>
      )}
      {row.alters && <Altered alters={row.alters} set={advised !== ""} />}
      <Way ways={row.ways} instrument={instrument} onChoose={setInstrument} />
      {errors.sure && (
        <Send busy={busy} name="sure" value="yes" className="key min-h-12 text-left">
          {errors.sure} Save it so
        </Send>
      )}
      {(asksReason || errors.reason) && <TextField name="reason" label="Reason" problem={errors.reason} />}
      <Person name={preferences.person} problem={errors.person} />
      {row.kind !== "sections" && <More errors={errors} />}
      {(errors.form ?? errors.id ?? errors.conditions) && (
        <p className="problem">{errors.form ?? errors.id ?? errors.conditions}</p>
      )}
      <p className="text-soft">{row.how}</p>
    </form>
  );
}

function Hidden({ values }: { values: Record<string, string> }) {
  return Object.entries(values).map(([name, value]) => (
    <input key={name} type="hidden" name={name} value={value} />
  ));
}

/** Asked once on a device; later it stands there to be seen and corrected. */
function Person({ name, problem }: { name: string; problem: string | undefined }) {
  const [asking, setAsking] = useState(name === "");
  if (!asking && !problem)
    return (
      <p className="flex items-center gap-2 text-soft">
        <input type="hidden" name="person" value={name} />
        Measured by {name}.
        <button
          type="button"
          className="min-h-11 cursor-pointer px-2 font-semibold underline"
          onClick={() => setAsking(true)}
        >
          Somebody else
        </button>
      </p>
    );
  return (
    <label className="grid grid-cols-[auto_1fr] items-center gap-2">
      Measured by
      <input
        name="person"
        defaultValue={name}
        autoComplete="name"
        className="field"
        aria-invalid={problem !== undefined}
      />
      {problem && <span className="problem col-span-2">{problem}</span>}
    </label>
  );
}

function More({ errors }: { errors: Partial<FieldErrors> }) {
  return (
    <details open={errors.note !== undefined || errors.photo !== undefined || undefined}>
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold text-dye">Note, photo</summary>
      <div className="grid gap-2">
        <TextField name="note" label="Note" problem={errors.note} />
        <TextField
          name="photo"
          label="Photo of the tape"
          type="file"
          accept="image/jpeg,image/png,image/webp"
          className="py-2"
          problem={errors.photo}
        />
      </div>
    </details>
  );
}

/** One of a list, each a press. */
function Choices({
  row,
  text,
  onChoose,
  children,
}: {
  row: ReadingRow;
  text: string;
  onChoose: (key: string) => void;
  children: React.ReactNode;
}) {
  return (
    <div className="grid gap-2">
      <Radios
        name="text"
        label={row.label}
        value={text}
        choices={row.choices.map(({ key, label }) => ({ value: key, label }))}
        onChoose={onChoose}
        className={row.choices.length > 3 ? "grid-cols-2" : ""}
        looks="choice-washed py-1 text-left leading-tight"
      />
      {children}
    </div>
  );
}

/** Read again, or set to another value: only the second makes other readings stale, and says which before it is kept. */
function Altered({ alters, set }: { alters: NonNullable<ReadingRow["alters"]>; set: boolean }) {
  const [changed, setChanged] = useState(set ? "yes" : "");
  return (
    <fieldset className="grid gap-1.5" aria-label="Read again or changed">
      <input type="hidden" name="changed" value={changed} />
      <Radios
        label="Was it changed?"
        value={changed || "no"}
        choices={[
          { value: "no", label: "Only read again" },
          { value: "yes", label: "It was changed" },
        ]}
        onChoose={(value) => setChanged(value === "yes" ? "yes" : "")}
        className="grid-cols-2"
        looks="choice-washed"
      />
      {changed === "yes" && <StaleList stales={alters.stales} />}
    </fieldset>
  );
}

/** How the value was come by decides its grade. */
function Way({
  ways,
  instrument,
  onChoose,
}: {
  ways: ReadingRow["ways"];
  instrument: Instrument;
  onChoose: (way: Instrument) => void;
}) {
  return (
    <Radios
      name="instrument"
      label="How you know it"
      value={instrument}
      choices={ways}
      onChoose={onChoose}
      className="grid-cols-3"
      looks="choice-washed"
    />
  );
}

/** For a gloved hand: the side word at one press, instead of a sign. */
function Sides({
  sides,
  text,
  onChoose,
}: {
  sides: { plus: string; minus: string };
  text: string;
  onChoose: (text: string) => void;
}) {
  const plain = text
    .replace(new RegExp(`\\s*(${sides.plus}|${sides.minus})\\s*$`, "i"), "")
    .replace(/^\s*[-+−]\s*/, "");
  return (
    <WordKeys
      words={sideWords(sides.minus, sides.plus)}
      looks="choice-washed"
      isOn={(side) => text.toLowerCase().endsWith(side)}
      onPress={(side) => onChoose(`${plain} ${side}`.trim())}
    />
  );
}

/** A lateral from two distances, one to each side: written into the field as it would be said. */
function Faces({
  faces,
  onType,
}: {
  faces: { left: string; right: string };
  onType: (text: string) => void;
}) {
  const [both, setBoth] = useState({ left: "", right: "" });
  const change = (side: "left" | "right", value: string) => {
    const next = { ...both, [side]: value };
    setBoth(next);
    onType(next.left || next.right ? joinFaces(next) : "");
  };
  return (
    <details>
      <summary className="min-h-11 cursor-pointer py-2.5 font-semibold text-dye">
        From the distances to both sides
      </summary>
      <div className="grid grid-cols-2 gap-2">
        {(["left", "right"] as const).map((side) => (
          <label key={side} className="grid gap-1 leading-snug">
            {capital(faces[side])}
            <input
              className="field"
              autoComplete="off"
              value={both[side]}
              onChange={(event) => change(side, event.target.value)}
            />
          </label>
        ))}
      </div>
    </details>
  );
}

/** In both systems of units, so that a slip shows. */
function bothWays(entry: ReturnType<typeof entryOf>, value: number): string {
  const said = [PRESETS.metric, PRESETS.us].map((units) => printEntry(entry, value, units));
  return [...new Set(said)].join(" = ");
}

/** What the text means, in the other system too, so that a slip shows before it is kept. */
function echo(row: ReadingRow, text: string): string {
  if (text.trim() === "")
    return row.kind === "count" ? "A whole number." : `A bare number is in ${row.bareUnit}.`;
  const read = amountOf(row, text);
  if (!read.ok) return read.problem;
  if (row.kind === "count") return `= ${read.value}`;
  if (row.kind === "measure") return `= ${bothWays(entryOf(row), read.value)}${changeOf(row, read.value)}`;
  const than = changeOf(row, read.value);
  const side = row.sides && read.value !== 0 ? ` ${read.value > 0 ? row.sides.plus : row.sides.minus}` : "";
  const size = Math.abs(read.value);
  return `= ${printLength(size, "m")} = ${printLength(size, "ft-in")}${side}${than}`;
}

/** How far it is from what stands now, before it is saved: a slipped digit shows by its size. */
function changeOf({ was, sides, ...row }: ReadingRow, value: number): string {
  if (was === null || row.kind === "choice" || row.kind === "sections") return "";
  const entry = entryOf({ was, sides, ...row });
  const by = value - was;
  const amount = printIn({ ...entry, sides: null }, Math.abs(by), row.style);
  if (amount === printIn({ ...entry, sides: null }, 0, row.style)) return "; as before";
  const way = sides ? `further ${by > 0 ? sides.plus : sides.minus}` : by > 0 ? "more" : "less";
  return `; ${amount} ${way} than ${printIn(entry, was, row.style)} now`;
}

function entryOf(row: ReadingRow) {
  return dimension(row.target as DimensionKey, row.hung);
}

function amountOf(row: ReadingRow, text: string): Parsed<number> {
  if (row.kind === "sections" && isLengthStyle(row.style)) {
    const read = parseSections(text, row.style);
    return read.ok ? { ok: true, value: sectionSum(read.value) } : read;
  }
  const read = parseEntry(entryOf(row), text, row.style);
  return read.ok ? { ok: true, value: read.value.value } : read;
}

/** Checks a form, sends it or keeps it on the device, says how it went, and closes the entry. */
function useKeeping(row: ReadingRow, action: string) {
  const [errors, setErrors] = useState<Partial<FieldErrors>>({});
  const [asksReason, setAsksReason] = useState(false);
  const { keep, busy } = useKeep(action);
  const takeBack = useTakeBack(action);
  const navigate = useNavigate();
  const refuse = (said: FieldErrors, form: HTMLFormElement) => {
    setErrors(said);
    form.querySelector<HTMLElement>(`[name="${Object.keys(said)[0]}"]`)?.focus();
  };
  const submit = async (
    form: FormData,
    element: HTMLFormElement,
    stay: boolean,
  ): Promise<"refused" | "closed" | "emptied"> => {
    const checked =
      row.kind === "sections" ? validateForm(KeepSectionsDto, form) : validateForm(KeepReadingDto, form);
    if (!checked.ok) {
      refuse(checked.errors, element);
      return "refused";
    }
    setErrors({});
    const label = `${row.letter} ${form.get("text")}`;
    const kept = await keep(form, label, { asked: askedIn(element), anew: stay });
    if (kept.state === "refused") {
      refuse(kept.errors, element);
      setAsksReason(kept.asksReason);
      return "refused";
    }
    if (kept.state === "kept") toast("success", kept.said, () => takeBack(kept.id));
    // Without a connection the page cannot be loaded again: the entry is emptied where it stands.
    if (kept.state === "waits" || stay) return "emptied";
    await navigate(window.location.pathname + viewOf(row.target), {
      preventScrollReset: true,
      replace: true,
    });
    return "closed";
  };
  const forget = (name: string) => setErrors((said) => ({ ...said, [name]: undefined }));
  return { errors, asksReason, busy, submit, forget };
}

/** The view and the tool chosen, to be kept when an entry closes; and what was saved, so that the next one is offered. */
function viewOf(saved: string): string {
  const search = new URLSearchParams(window.location.search);
  search.delete("at");
  search.set("after", saved);
  return `?${search}`;
}
