import { useEffect, useRef } from "react";
import { FIXES, SLOPES, SOILS } from "../../../core/trade/field-conditions.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { useChecked } from "../../session/use-checked.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { stylesText } from "./observation.ts";
import { TestConditionsDto } from "./proof.dto.ts";
import type { JobView } from "./proof-view.server.ts";

const choices = (of: Record<string, string>) =>
  [["", "not said"], ...Object.entries(of)] as [string, string][];

/** Under what the test was driven: without a fixed solution nothing that rests on the receiver is proven. */
export function TestConditions({ job, action }: { job: JobView; action: string }) {
  const { fetcher, errors: sent } = useOutcome(action);
  const { errors, onSubmit } = useChecked(TestConditionsDto, sent);
  const { conditions, receiver, asksSpacing, rows } = job;
  const details = useRef<HTMLDetailsElement>(null);
  const open = receiver && conditions.fix === "";
  useEffect(() => {
    if (fetcher.data?.ok) details.current?.removeAttribute("open");
  }, [fetcher.data]);
  return (
    <details ref={details} open={open} className="border-y border-line">
      <summary className="flex min-h-11 cursor-pointer flex-wrap items-center justify-between gap-x-3 font-semibold text-dye">
        How it was driven
        <span className={`text-small font-normal ${open ? "text-warn" : "text-soft"}`} data-conditions>
          {conditions.said || (receiver ? "say what fix the receiver had" : "nothing said yet")}
        </span>
      </summary>
      <fetcher.Form
        method="post"
        action={action}
        onSubmit={onSubmit}
        className="grid grid-cols-2 gap-2 pb-3"
        noValidate
      >
        <input type="hidden" name="intent" value="set-test" />
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
        <button type="submit" className="key col-span-2" disabled={fetcher.state !== "idle"}>
          Save the conditions
        </button>
        {errors.form && <p className="problem col-span-2">{errors.form}</p>}
      </fetcher.Form>
    </details>
  );
}
