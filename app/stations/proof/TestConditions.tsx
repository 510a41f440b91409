import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { FIXES, SLOPES, SOILS } from "../../../core/trade/field-conditions.ts";
import { useKeep } from "../../entry/use-keep.ts";
import { askedIn } from "../../offline/queue.ts";
import { useWaiting, WAITS_HERE } from "../../offline/use-waiting.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { toast } from "../../ui/toast.ts";
import { stylesText } from "./observation.ts";
import { TestConditionsDto } from "./proof.dto.ts";
import type { JobView } from "./proof-view.server.ts";

const choices = (of: Record<string, string>) =>
  [["", "not said"], ...Object.entries(of)] as [string, string][];

/** Under what the test was driven: without a fixed solution nothing that rests on the receiver is proven. */
export function TestConditions({ job, action }: { job: JobView; action: string }) {
  const { keep, busy } = useKeep(action);
  const [errors, setErrors] = useState<FieldErrors>({});
  const [id, setId] = useState(() => uuid());
  const waits = useWaiting(action).some(
    ({ fields }) => fields.intent === "set-test" && fields.test === job.id,
  );
  const { conditions, receiver, asksSpacing, rows } = job;
  const details = useRef<HTMLDetailsElement>(null);
  const open = receiver && conditions.fix === "";
  const save = async (event: React.FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const checked = validateForm(TestConditionsDto, form);
    setErrors(checked.ok ? {} : checked.errors);
    if (!checked.ok) return;
    const kept = await keep(form, "how it was driven", { asked: askedIn(event.currentTarget) });
    if (kept.state === "refused") return setErrors(kept.errors);
    setId(uuid());
    details.current?.removeAttribute("open");
    if (kept.state === "kept") toast("success", kept.said);
  };
  return (
    <details ref={details} open={open} className="border-y border-line">
      <summary className="flex min-h-11 cursor-pointer flex-wrap items-center justify-between gap-x-3 font-semibold text-dye">
        How it was driven
        <span className={`text-small font-normal ${open ? "text-warn" : "text-soft"}`} data-conditions>
          {waits && `${WAITS_HERE}; before: `}
          {conditions.said || (receiver ? "say what fix the receiver had" : "nothing said yet")}
        </span>
      </summary>
      <form
        method="post"
        action={action}
        onSubmit={save}
        className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,140px),1fr))] gap-2 pb-3"
        noValidate
      >
        <input type="hidden" name="intent" value="set-test" />
        <input type="hidden" name="id" value={id} />
        <input type="hidden" name="test" value={job.id} />
        <input type="hidden" name="styles" value={stylesText(job.styles)} />
        <SelectField
          name="fix"
          label="Receiver showed"
          choices={choices(FIXES)}
          defaultValue={conditions.fix}
          problem={errors.fix}
        />
        <TextField
          name="source"
          label="Correction from"
          defaultValue={conditions.source}
          problem={errors.source}
        />
        <SelectField
          name="slope"
          label="Ground"
          choices={choices(SLOPES)}
          defaultValue={conditions.slope}
          problem={errors.slope}
        />
        <SelectField
          name="soil"
          label="Soil"
          choices={choices(SOILS)}
          defaultValue={conditions.soil}
          problem={errors.soil}
        />
        <TextField
          name="speed"
          label={`Speed, ${job.styles.speed}`}
          defaultValue={conditions.speed}
          problem={errors.speed}
        />
        {asksSpacing ? (
          <TextField
            name="spacing"
            label="Spacing in the terminal"
            defaultValue={conditions.spacing}
            problem={errors.spacing}
          />
        ) : (
          <input type="hidden" name="spacing" value={conditions.spacing} />
        )}
        {asksSpacing && rows ? (
          <label className="col-span-2 flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              name="rowToRow"
              value="yes"
              className="size-5"
              defaultChecked={conditions.rowToRow}
            />
            Taped from row to row: one row spacing is taken off each joint
          </label>
        ) : (
          <input type="hidden" name="rowToRow" value={conditions.rowToRow ? "yes" : ""} />
        )}
        <Send busy={busy} className="key col-span-2">
          Save the conditions
        </Send>
        {errors.form && <p className="problem col-span-2">{errors.form}</p>}
      </form>
    </details>
  );
}
