import { useState } from "react";
import { useOutcome } from "../../entry/use-outcome.ts";
import { useChecked } from "../../session/use-checked.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { Send } from "../../ui/Send.tsx";
import { NewVariantDto, VARIANT_WAYS } from "./sections.dto.ts";
import type { SectionsView } from "./sections-view.server.ts";

type Props = { view: SectionsView; action: string; person: string };

/** The ways this tool works, which of them is on, and what going over to another does. */
export function Variants({ view, action, person }: Props) {
  const { submit } = useOutcome(action);
  const press = (variant: number | null, what: string) =>
    submit({ intent: "choose-variant", variant: variant === null ? "" : String(variant), press: what });
  return (
    <section aria-label="Variants" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">Variants</h2>
      <ul>
        {view.variants.map(({ id, name, now, width, sections, spacing, prompt }) => (
          <li
            key={id ?? 0}
            data-variant={name}
            className="grid grid-cols-[1fr_auto] items-center gap-x-3 border-b border-hair py-1.5"
          >
            <span className="leading-snug">
              <b className={now ? "text-dye" : ""}>{name}</b>
              {now && <span className="text-dye"> at work now</span>}
              <span className="block">
                {width}, {sections}, lines {spacing} apart
              </span>
              {!now && <span className="block text-small text-soft">{prompt}</span>}
            </span>
            {!now && (
              <span className="flex">
                <button type="button" className="key" onClick={() => press(id, "on")}>
                  Work with it
                </button>
                {id !== null && (
                  <button
                    type="button"
                    className="min-h-11 cursor-pointer px-2 font-semibold underline"
                    aria-label={`Put ${name} away`}
                    onClick={() => press(id, "away")}
                  >
                    Archive
                  </button>
                )}
              </span>
            )}
          </li>
        ))}
      </ul>
      <NewVariant view={view} action={action} person={person} />
    </section>
  );
}

function NewVariant({ view, action, person }: Props) {
  const { fetcher, errors: sent } = useOutcome(action);
  const { errors, onSubmit } = useChecked(NewVariantDto, sent);
  const [way, setWay] = useState<string>("sections");
  const ways = Object.entries(VARIANT_WAYS).filter(
    ([key]) => (key !== "first" && key !== "second") || view.hasRows,
  );
  return (
    <Folded summary="Set up another variant">
      <fetcher.Form
        method="post"
        action={action}
        onSubmit={onSubmit}
        className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,140px),1fr))] gap-2 pb-3"
        noValidate
      >
        <input type="hidden" name="intent" value="new-variant" />
        <TextField
          name="name"
          label="Name, as one says it"
          problem={errors.name}
          placeholder="left wing folded"
        />
        <SelectField
          name="way"
          label="It is the whole tool"
          choices={ways}
          value={way}
          onChange={(event) => setWay(event.target.value)}
          problem={errors.way}
        />
        {way === "sections" ? (
          <>
            <TextField
              name="first"
              label="First section at work"
              inputMode="numeric"
              defaultValue="1"
              problem={errors.first}
            />
            <TextField
              name="last"
              label="Last section at work"
              inputMode="numeric"
              defaultValue={String(view.whole)}
              problem={errors.last}
            />
          </>
        ) : (
          <>
            <input type="hidden" name="first" value="" />
            <input type="hidden" name="last" value="" />
          </>
        )}
        <TextField name="person" label="Set up by" defaultValue={person} problem={errors.person} />
        <Send busy={fetcher.state !== "idle"} className="key-main self-end">
          Set it up
        </Send>
        {errors.form && <p className="problem col-span-2">{errors.form}</p>}
      </fetcher.Form>
    </Folded>
  );
}
