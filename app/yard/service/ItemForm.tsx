import { useState } from "react";
import { Form } from "react-router";
import { SERVICE_KINDS, SERVICE_ROUNDS, type ServiceRound } from "../../../core/season/service.ts";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { ServiceItemDto } from "./service.dto.ts";
import type { ItemTyped } from "./service-view.server.ts";

/** `item`: the one that is changed; null: a new one. */
type Props = { area: string; errors: FieldErrors; item: ItemTyped | null };

/** What is looked after, when, and how many points of it there are. */
export function ItemForm({ area, errors: sent, item }: Props) {
  const { errors, onSubmit } = useChecked(ServiceItemDto, sent);
  const [round, setRound] = useState<ServiceRound>(item?.round ?? "interval");
  return (
    <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
      {item && <input type="hidden" name="item" value={item.item} />}
      <input type="hidden" name="areaUnit" value={area} />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          name="name"
          label="What is done"
          autoComplete="off"
          defaultValue={item?.name}
          problem={errors.name}
        />
        <SelectField
          name="kind"
          label="It is"
          choices={Object.entries(SERVICE_KINDS)}
          defaultValue={item?.kind}
          problem={errors.kind}
        />
        <SelectField
          name="round"
          label="When"
          value={round}
          onChange={(event) => setRound(event.target.value as ServiceRound)}
          choices={Object.entries(SERVICE_ROUNDS)}
          problem={errors.round}
        />
        <TextField
          name="points"
          label="How many points"
          inputMode="numeric"
          defaultValue={item?.points}
          problem={errors.points}
          hint="Empty where nobody counted."
        />
      </div>
      <div className={round === "interval" ? "grid grid-cols-3 gap-3 max-sm:grid-cols-1" : "hidden"}>
        <TextField
          name="time"
          label="Every, h"
          inputMode="decimal"
          defaultValue={item?.time}
          problem={errors.time}
        />
        <TextField
          name="area"
          label={`Every, ${area}`}
          inputMode="decimal"
          defaultValue={item?.area}
          problem={errors.area}
        />
        <TextField
          name="days"
          label="Every, days"
          inputMode="numeric"
          defaultValue={item?.days}
          problem={errors.days}
        />
        <label className="col-span-full flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            name="season"
            value="yes"
            defaultChecked={item?.season ?? false}
            className="size-5"
          />
          Each season, which turns on 1 November
        </label>
      </div>
      <TextField
        name="note"
        label="Oil, amount, torque"
        defaultValue={item?.note}
        problem={errors.note}
        hint="By the operator's manual."
      />
      <p className="flex flex-wrap items-center gap-2">
        <button type="submit" name="intent" value={item ? "change-item" : "add-item"} className="key">
          {item ? "Change it so" : "Put it on the list"}
        </button>
        {item && (
          <button
            type="submit"
            name="intent"
            value="item-away"
            className="min-h-11 cursor-pointer px-2 underline"
            formNoValidate
          >
            Take it off the list
          </button>
        )}
      </p>
    </Form>
  );
}
