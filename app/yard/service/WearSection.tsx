import { Form } from "react-router";
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { TakeBackOf } from "../../ui/TakeBackOf.tsx";
import { WearPartDto, WornDto } from "./service.dto.ts";
import type { MachineService, WearRow } from "./service-view.server.ts";

type Props = { view: MachineService; errors: FieldErrors; person: string };

/** What wears: how worn it is, how long it lasts, what to order. */
export function WearSection({ view, errors, person }: Props) {
  return (
    <section aria-label="What wears" className="grid gap-1">
      <h2 className="border-b-2 border-ink pb-1">What wears</h2>
      {view.wear.length === 0 && (
        <p className="py-1 text-soft">
          Points, blades, nozzles, boards: measured now and then, they tell when to order the next.
        </p>
      )}
      <ul>
        {view.wear.map((row) => (
          <Part key={row.id} row={row} small={view.small} errors={errors} person={person} />
        ))}
      </ul>
      <NewPart small={view.small} errors={errors} />
    </section>
  );
}

type PartProps = { row: WearRow; small: string; errors: FieldErrors; person: string };

function Part({ row, small, errors: sent, person }: PartProps) {
  const { id, name, count, stock, delivery, fresh, limit, worn, known, said, order, now, measured } = row;
  const { errors, onSubmit } = useChecked(WornDto, sent);
  return (
    <li className="border-b border-hair py-2" data-wears={name}>
      <b className="text-[17px]">{name}</b>{" "}
      <span className="text-soft">
        {count} on it, {fresh} new, changed at {limit}; {stock} on the shelf, {delivery} days to come
      </span>
      <span className={`block ${worn ? "font-semibold text-stop" : known ? "" : "font-semibold text-warn"}`}>
        {said}
      </span>
      <span className={`block ${now ? "font-semibold text-stop" : "text-soft"}`}>{order}</span>
      <ul>
        {measured.map((each) => (
          <li key={each.id} className="flex items-center justify-between gap-3 pl-4">
            <span>
              {each.text} <span className="text-small text-soft">{each.who}</span>
            </span>
            <TakeBackOf id={each.id} what={`${name}, ${each.text}`} />
          </li>
        ))}
      </ul>
      <Folded summary="Measure, change, count">
        <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-2 pb-2">
          <input type="hidden" name="intent" value="worn" />
          <input type="hidden" name="part" value={id} />
          <input type="hidden" name="sizeUnit" value={small} />
          <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
            <TextField
              name="size"
              label="The most worn one"
              inputMode="decimal"
              placeholder={small}
              problem={errors.size}
            />
            <TextField name="person" label="Who" defaultValue={person} problem={errors.person} />
          </div>
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" name="replaced" value="yes" className="size-5" />
            New ones were fitted, of this size; they come off the shelf
          </label>
          <button type="submit" className="key justify-self-start">
            Keep it
          </button>
        </Form>
        <Form method="post" className="flex flex-wrap items-end gap-2 pb-2">
          <input type="hidden" name="part" value={id} />
          <TextField
            name="stock"
            label="On the shelf"
            inputMode="numeric"
            defaultValue={String(stock)}
            problem={sent.stock}
            className="w-28"
          />
          <button type="submit" name="intent" value="stock" className="key">
            Counted
          </button>
          <button
            type="submit"
            name="intent"
            value="part-away"
            className="min-h-11 cursor-pointer px-2 underline"
          >
            Take it off the list
          </button>
        </Form>
      </Folded>
    </li>
  );
}

function NewPart({ small, errors: sent }: { small: string; errors: FieldErrors }) {
  const { errors, onSubmit } = useChecked(WearPartDto, sent);
  return (
    <Folded summary="Something else that wears">
      <Form method="post" noValidate onSubmit={onSubmit} className="grid gap-3 pb-3">
        <input type="hidden" name="intent" value="add-part" />
        <input type="hidden" name="freshUnit" value={small} />
        <input type="hidden" name="limitUnit" value={small} />
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <TextField
            name="name"
            label="What wears"
            placeholder="Points"
            autoComplete="off"
            problem={errors.name}
          />
          <TextField name="count" label="How many" inputMode="numeric" problem={errors.count} />
          <TextField
            name="fresh"
            label="New"
            placeholder={small}
            inputMode="decimal"
            problem={errors.fresh}
          />
          <TextField
            name="limit"
            label="Changed at"
            placeholder={small}
            inputMode="decimal"
            problem={errors.limit}
            hint="By the maker, or before what holds them wears."
          />
          <TextField
            name="stock"
            label="On the shelf"
            inputMode="numeric"
            defaultValue="0"
            problem={errors.stock}
          />
          <TextField
            name="delivery"
            label="Days to come"
            inputMode="numeric"
            defaultValue="3"
            problem={errors.delivery}
            hint="From ordering to having them."
          />
          <TextField name="price" label="One costs" inputMode="decimal" problem={errors.price} />
        </div>
        <button type="submit" className="key justify-self-start">
          Put it on the list
        </button>
      </Form>
    </Folded>
  );
}
