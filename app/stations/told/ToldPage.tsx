import { useState } from "react";
import { Link } from "react-router";
import { v4 as uuid } from "uuid";
import { useKeep } from "../../entry/use-keep.ts";
import { askedIn } from "../../offline/queue.ts";
import type { Route } from "../../routes/+types/told";
import { type FieldErrors, validateForm, wrongIn } from "../../session/validate.ts";
import { Field } from "../../ui/Field.tsx";
import { GradeMark } from "../../ui/Grade.tsx";
import { toast } from "../../ui/toast.ts";
import { addressesIn } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import { EDGE_NAME, EDGE_UNIT, EDGES, KeepToldDto, readTold, toldName, toldUnit } from "./told.dto.ts";
import type { ToldRow } from "./told-view.server.ts";

const TONES: Record<ToldRow["kind"], string> = {
  untold: "text-soft",
  zero: "font-semibold text-stop",
  alone: "font-semibold text-warn",
  same: "font-semibold text-ok",
  differs: "font-semibold text-stop",
};

/** What an implement on the bus tells the terminal about itself, beside what was read off it. */
export function ToldPage({ loaderData: { frame, view } }: Route.ComponentProps) {
  const { to } = addressesIn(frame);
  const { rows } = view;
  return (
    <RigFrame view={{ ...frame, stays: false }} station="tool" ways={{ close: to("tool") }}>
      <div className="grid gap-3">
        <PageHead title="What it tells about itself">
          An implement plugged into the terminal brings its own figures, and the terminal believes them before
          any card. They are no readings: each is assumed until the tape says the same.
        </PageHead>
        <p className="text-lead font-[720]" role="status" data-told-sum>
          {view.sum}
        </p>
        <ToldForm
          key={rows.map(({ told }) => told?.text ?? "").join("|")}
          rows={rows}
          keys={view.keys}
          width={view.width}
          hung={view.hung}
          action={to("keep")}
          person={frame.preferences.person}
        />
      </div>
    </RigFrame>
  );
}

type FormProps = {
  rows: readonly ToldRow[];
  keys: Parameters<typeof readTold>[1];
  width: number | null;
  hung: Parameters<typeof readTold>[2];
  action: string;
  person: string;
};

function ToldForm({ rows, keys, width, hung, action, person }: FormProps) {
  const [errors, setErrors] = useState<FieldErrors>({});
  const [id] = useState(() => uuid());
  const { keep: send } = useKeep(action);
  const keep = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const element = event.currentTarget;
    const form = new FormData(element);
    const checked = validateForm(KeepToldDto, form);
    const read = readTold(form, keys, hung, width);
    const found = wrongIn(checked, read);
    const refuse = (wrong: FieldErrors) => {
      setErrors(wrong);
      element.querySelector<HTMLElement>(`[name="${CSS.escape(Object.keys(wrong)[0]!)}"]`)?.focus();
    };
    if (Object.keys(found).length > 0) return refuse(found);
    const came = await send(form, "what the implement tells", {
      asked: askedIn(element),
      waits: "No connection: it waits on this device, sent later.",
    });
    if (came.state === "refused") return refuse(came.errors);
    setErrors({});
    if (came.state === "kept") toast("success", came.said || "Saved");
  };
  return (
    <form method="post" action={action} onSubmit={keep} className="grid gap-3" noValidate>
      <input type="hidden" name="intent" value="keep-told" />
      <input type="hidden" name="id" value={id} />
      <ul className="border-t-2 border-ink">
        {rows.map((row) => (
          <Row key={row.key} row={row} problem={errors[toldName(row.key)]} />
        ))}
      </ul>
      <div className="sm:sticky sm:-bottom-3 flex flex-wrap items-end gap-2 border-t-2 border-ink bg-paper py-3">
        <Field label="Read off by" problem={errors.person}>
          <input name="person" className="field" defaultValue={person} autoComplete="name" />
        </Field>
        <button type="submit" className="key-main">
          Save what it tells
        </button>
      </div>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </form>
  );
}

function Row({ row, problem }: { row: ToldRow; problem: string | undefined }) {
  const { key, label, fromTo, style, unit, told, read, edge, choices } = row;
  const [from, setFrom] = useState("offset");
  return (
    <li className="grid gap-1 border-b border-hair py-2" data-told={key} data-telling={row.kind}>
      <div className="grid grid-cols-[1fr_150px_210px] items-center gap-3 max-sm:grid-cols-2">
        <span className="leading-snug max-sm:col-span-2">
          <b className="font-[650]">{label}</b>
          <span className="block text-small text-soft">{fromTo}</span>
        </span>
        <span className="leading-snug">
          <span className="block text-small text-soft">our reading</span>
          {read ? (
            <>
              <b>{read.text}</b> <GradeMark grade={read.grade} />
            </>
          ) : (
            <span className="text-soft">nobody yet</span>
          )}
        </span>
        <label className="grid gap-0.5">
          <span className="text-small text-soft">
            {["it tells", edge && from !== "offset" ? edge : unit].filter(Boolean).join(", ")}
          </span>
          {choices ? (
            <select
              name={toldName(key)}
              aria-label={`${label}, as it tells`}
              className="field"
              aria-invalid={problem !== undefined}
              defaultValue=""
            >
              <option value="" />
              {choices.map((each) => (
                <option key={each.key} value={each.key}>
                  {each.label}
                </option>
              ))}
            </select>
          ) : (
            <input
              name={toldName(key)}
              aria-label={`${label}, as it tells`}
              aria-invalid={problem !== undefined}
              className="field"
              autoComplete="off"
              placeholder={told?.text ?? ""}
            />
          )}
          <input type="hidden" name={toldUnit(key)} value={style} />
          {edge && <input type="hidden" name={EDGE_UNIT} value={edge} />}
          {edge && (
            <select
              name={EDGE_NAME}
              aria-label="It counts sideways"
              className="field"
              value={from}
              onChange={(event) => setFrom(event.target.value)}
            >
              {Object.entries(EDGES).map(([edge, words]) => (
                <option key={edge} value={edge}>
                  {words}
                </option>
              ))}
            </select>
          )}
        </label>
      </div>
      {problem && <p className="problem">{problem}</p>}
      <p className="flex flex-wrap items-center gap-x-3 leading-snug">
        {told && (
          <span className={TONES[row.kind]}>
            {told.text}: {row.says}.
          </span>
        )}
        {told && <span className="text-small text-soft">Read off by {told.who}</span>}
        {(row.kind === "alone" || row.kind === "differs") && (
          <Link to={row.href} className="inline-grid min-h-11 place-items-center font-bold text-dye">
            {choices ? "Enter it" : "Tape it"}
          </Link>
        )}
      </p>
    </li>
  );
}
