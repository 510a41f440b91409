import { useState } from "react";
import { Link } from "react-router";
import { v4 as uuid } from "uuid";
import { TakeBack } from "../../entry/TakeBack.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { AskReadingDto } from "./handover.dto.ts";
import type { HandoverView } from "./handover-view.server.ts";

const TONE = { plain: "", stop: "font-semibold text-stop", warn: "font-semibold text-warn" } as const;

/** More would not be read at a shift change, nor fit a page. */
const MOST = 14;

type Line = HandoverView["odd"][number];

/** One page: what is set, what was odd, what stays as it is, what is open. */
export function Handover({ view }: { view: HandoverView }) {
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-lg:grid-cols-1 print:grid-cols-2">
      <Group title="Set" lines={view.set} none="Nothing is set." />
      <Group title="Was odd" lines={view.odd} none="Nothing was odd, as far as anybody wrote." />
      <Group
        title="Stays as it is"
        lines={view.leave}
        none="Nothing was proved, calibrated or set on the ground yet."
      />
      <Group title="Open" lines={view.open} none="Nothing is open." />
    </div>
  );
}

function Group({ title, lines, none }: { title: string; lines: readonly Line[]; none: string }) {
  return (
    <section aria-label={title} className="break-inside-avoid">
      <h2 className="border-b-2 border-ink pb-1">
        {title} {lines.length > 0 && <span className="font-normal text-soft">{lines.length}</span>}
      </h2>
      {lines.length === 0 && <p className="text-soft">{none}</p>}
      <ul data-group={title}>
        {lines.slice(0, MOST).map(({ label, said, tone, href }, at) => (
          <li key={`${label} ${at}`} className="border-b border-hair">
            <Link to={href} className="block min-h-11 py-1.5 leading-snug no-underline hover:bg-hair">
              <b>{label}</b> <span className={TONE[tone]}>{said}</span>
            </Link>
          </li>
        ))}
      </ul>
      {lines.length > MOST && <p className="text-soft">And {lines.length - MOST} more, at their stations.</p>}
    </section>
  );
}

/** Readings somebody at the machine is asked for, each with a link that opens just that. */
export function AskedReadings({
  view,
  action,
  person,
}: {
  view: HandoverView;
  action: string;
  person: string;
}) {
  const [entry, setEntry] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, "A reading asked for", {
    wrongWith: (typed) => wrongIn(validateForm(AskReadingDto, typed)),
    done: () => setEntry(uuid()),
  });
  return (
    <section aria-label="Asked for" className="no-print grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        Ask for one reading{" "}
        <span className="font-normal text-soft">
          of somebody at the machine: the link opens just that on their phone
        </span>
      </h2>
      <form {...form} key={entry} className="grid gap-2">
        <input type="hidden" name="intent" value="ask-reading" />
        <input type="hidden" name="id" value={entry} />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <SelectField
            name="what"
            label="What"
            problem={errors.what}
            choices={[["", "Choose"], ...view.choices.map(({ value, label }) => [value, label] as const)]}
          />
          <TextField
            name="note"
            label="What they should know"
            problem={errors.note}
            placeholder="Pin in hole 2, drill lowered"
          />
        </div>
        <div className="flex flex-wrap items-end gap-2">
          <Who person={person} problem={errors.person} />
          <Send busy={busy} className="key">
            Make the link
          </Send>
        </div>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
      <ul>
        {view.asked.map((each) => (
          <li
            key={each.id}
            data-asked={each.answer === null ? "open" : "answered"}
            className="flex flex-wrap items-center gap-4 border-b border-hair py-2"
          >
            {each.code && (
              <div
                className="size-28 shrink-0 bg-white [&>svg]:size-28"
                role="img"
                aria-label={`Code of the link to ${each.what}`}
                // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the QR package from our own address
                dangerouslySetInnerHTML={{ __html: each.code }}
              />
            )}
            <div className="min-w-0 flex-1">
              <b className="text-[17px]">{each.what}</b> <span className="text-soft">{each.how}</span>
              {each.note && <p>{each.note}</p>}
              <p className="text-small text-soft">Asked by {each.who}</p>
              {each.answer === null ? (
                <Link to={each.path} className="font-semibold break-all">
                  {each.link}
                </Link>
              ) : (
                <p className="font-semibold text-ok">{each.answer}</p>
              )}
            </div>
            <TakeBack id={each.id} action={action} label={`Take back the question for ${each.what}`} />
          </li>
        ))}
      </ul>
    </section>
  );
}
