import { RadioGroup } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { useFetcher, useNavigate } from "react-router";
import { toast } from "sonner";
import { type DimensionKey, dimension } from "../../core/dimension/catalogue.ts";
import { parseEntry } from "../../core/dimension/entry.ts";
import { type Parsed, printLength } from "../../core/quantity/length.ts";
import type { UnitSystem } from "../../core/quantity/units.ts";
import type { Instrument } from "../../core/rig/grade.ts";
import { parseSections, sectionSum } from "../../core/rig/sections.ts";
import type { Preferences } from "../session/preferences.server.ts";
import { type FieldErrors, validateForm } from "../session/validate.ts";
import { KeepReadingDto, KeepSectionsDto } from "./entry.dto.ts";
import type { Outcome } from "./keep.server.ts";
import type { ReadingRow } from "./station-view.ts";

const WAYS: { value: Instrument; label: string }[] = [
  { value: "tape", label: "Tape" },
  { value: "book", label: "Book" },
  { value: "estimate", label: "Guess" },
];

/** Entry of one reading: typed as it is spoken, checked before it is sent, and again where it is kept. */
export function EntryForm({ row, preferences }: { row: ReadingRow; preferences: Preferences }) {
  const { system } = preferences;
  const fetcher = useFetcher<Outcome>();
  const [text, setText] = useState("");
  const [instrument, setInstrument] = useState<Instrument>("tape");
  const [edited, setEdited] = useState(false);
  const [problems, setProblems] = useState<FieldErrors>({});
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  useSaid(fetcher.data);

  const refused = fetcher.state === "idle" && fetcher.data && !fetcher.data.ok ? fetcher.data : null;
  const said: FieldErrors = { ...refused?.errors, ...problems };
  // What was said of the text is about the text that was sent.
  const errors: Partial<FieldErrors> = edited ? { ...said, text: undefined } : said;
  const retype = (typed: string) => {
    setText(typed);
    setEdited(true);
  };
  const check = (event: React.FormEvent<HTMLFormElement>) => {
    const form = new FormData(event.currentTarget);
    const checked =
      row.kind === "sections"
        ? validateForm(KeepSectionsDto, ["text", "system", "instrument", "person"], form)
        : validateForm(
            KeepReadingDto,
            ["dimension", "text", "system", "instrument", "person", "reason"],
            form,
          );
    setEdited(false);
    setProblems(checked.ok ? {} : checked.errors);
    if (checked.ok) return;
    event.preventDefault();
    event.currentTarget.querySelector<HTMLElement>(`[name="${Object.keys(checked.errors)[0]}"]`)?.focus();
  };

  return (
    <fetcher.Form method="post" onSubmit={check} className="grid gap-1.5 pl-9 max-sm:pl-0" noValidate>
      <input type="hidden" name="intent" value={row.kind === "sections" ? "keep-sections" : "keep-reading"} />
      <input type="hidden" name="dimension" value={row.target} />
      <input type="hidden" name="system" value={system} />
      <div className="grid grid-cols-[1fr_auto] gap-2">
        <input
          ref={field}
          name="text"
          autoComplete="off"
          aria-label={row.label}
          aria-invalid={errors.text !== undefined}
          aria-describedby="echo"
          inputMode={row.kind === "count" ? "numeric" : "text"}
          value={text}
          onChange={(event) => retype(event.target.value)}
          placeholder={`like ${placeholderOf(row, system)}`}
          className="min-h-12 w-full min-w-0 scroll-mt-80 rounded-[3px] border-2 border-dye bg-sheet px-3 text-[22px] font-[650] placeholder:font-normal placeholder:text-soft"
        />
        <button type="submit" className="key-main min-h-12" disabled={fetcher.state !== "idle"}>
          Keep
        </button>
      </div>
      {row.sides && <Sides sides={row.sides} text={text} onChoose={retype} />}
      <p id="echo" aria-live="polite" className={errors.text ? "problem" : "min-h-[21px]"}>
        {errors.text ?? echo(row, text, system)}
      </p>
      <Way instrument={instrument} onChoose={setInstrument} />
      {(refused?.asksReason || errors.reason) && (
        <label className="grid gap-1">
          Reason
          <input name="reason" className="field" aria-invalid={errors.reason !== undefined} />
          {errors.reason && <span className="problem">{errors.reason}</span>}
        </label>
      )}
      <label className="grid grid-cols-[auto_1fr] items-center gap-2">
        Read by
        <input
          name="person"
          defaultValue={preferences.person}
          autoComplete="name"
          className="field"
          aria-invalid={errors.person !== undefined}
        />
        {errors.person && <span className="problem col-span-2">{errors.person}</span>}
      </label>
      {errors.form && <p className="problem">{errors.form}</p>}
      <p className="text-soft">{row.how}</p>
      {row.source && (
        <p className="text-small text-soft">
          Now {row.value}: {row.source}
        </p>
      )}
    </fetcher.Form>
  );
}

/** How the value was come by decides its grade. */
function Way({ instrument, onChoose }: { instrument: Instrument; onChoose: (way: Instrument) => void }) {
  return (
    <RadioGroup.Root
      name="instrument"
      value={instrument}
      onValueChange={(way) => onChoose(way as Instrument)}
      aria-label="Come by with"
      className="grid grid-cols-3 gap-1.5"
    >
      {WAYS.map(({ value, label }) => (
        <RadioGroup.Item
          key={value}
          value={value}
          className="min-h-11 cursor-pointer rounded-[3px] border-[1.5px] border-line font-semibold data-[state=checked]:border-dye data-[state=checked]:bg-sheet data-[state=checked]:text-dye"
        >
          {label}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
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
    <div className="grid grid-cols-2 gap-1.5">
      {[sides.minus, sides.plus].map((side) => (
        <button
          key={side}
          type="button"
          onClick={() => onChoose(`${plain} ${side}`.trim())}
          aria-pressed={text.toLowerCase().endsWith(side)}
          className="min-h-11 cursor-pointer rounded-[3px] border-[1.5px] border-line font-semibold aria-pressed:border-dye aria-pressed:bg-sheet aria-pressed:text-dye"
        >
          {side}
        </button>
      ))}
    </div>
  );
}

function placeholderOf({ kind, sides }: ReadingRow, units: Units): string {
  if (kind === "count") return "32";
  if (kind === "sections") return system === "us" ? `3 × 4' 11"` : "3 × 1.5";
  if (sides) return system === "us" ? `3/4" ${sides.minus}` : `2 cm ${sides.minus}`;
  return system === "us" ? `12' 6 3/8"` : "3.81";
}

/** What the text means, in the other system too, so that a slip shows before it is kept. */
function echo(row: ReadingRow, text: string, units: Units): string {
  if (text.trim() === "")
    return row.kind === "count" ? "A whole number." : `A bare number is in ${row.bareUnit}.`;
  const read = row.kind === "sections" ? sectionsMetres(text, system) : entryValue(row, text, system);
  if (!read.ok) return read.problem;
  if (row.kind === "count") return `= ${read.value}`;
  const side = row.sides && read.value !== 0 ? ` ${read.value > 0 ? row.sides.plus : row.sides.minus}` : "";
  const size = Math.abs(read.value);
  return `= ${printLength(size, "m")} = ${printLength(size, "ft-in")}${side}`;
}

function entryValue(row: ReadingRow, text: string, units: Units): Parsed<number> {
  const read = parseEntry(dimension(row.target as DimensionKey), text, system);
  return read.ok ? { ok: true, value: read.value.value } : read;
}

function sectionsMetres(text: string, units: Units): Parsed<number> {
  const read = parseSections(text, system);
  return read.ok ? { ok: true, value: sectionSum(read.value) } : read;
}

/** After keeping: close the entry and offer to take it back. */
function useSaid(outcome: Outcome | undefined) {
  const undo = useFetcher<Outcome>({ key: "take-back" });
  const navigate = useNavigate();
  const kept = outcome?.ok ? outcome.kept : null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: said once for each kept reading
  useEffect(() => {
    if (!kept) return;
    const action = window.location.pathname;
    toast.success(kept.said, {
      action: {
        label: "Undo",
        onClick: () => undo.submit({ intent: "take-back", id: kept.id }, { method: "post", action }),
      },
    });
    navigate(action, { preventScrollReset: true, replace: true });
  }, [kept?.id]);
}
