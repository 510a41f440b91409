import { useState } from "react";
import { v4 as uuid } from "uuid";
import { QuantityField } from "../../entry/QuantityField.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { Who } from "../../entry/Who.tsx";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { Send } from "../../ui/Send.tsx";
import { ChangeProductDto, LoadProductDto, NewProductDto } from "./product.dto.ts";
import type { RateView } from "./rate-view.server.ts";

type Props = { view: NonNullable<RateView["product"]>; action: string; person: string };

/** What is in the tool, and the way to say that it is another by now. */
export function ProductSection({ view, action, person }: Props) {
  const [entry, setEntry] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, "Product", {
    wrongWith: (typed) => wrongIn(validateForm(LoadProductDto, typed)),
    done: () => setEntry(uuid()),
  });
  return (
    <section id="product" aria-label="Product" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">
        {view.harvested ? "Crop" : "Product"}{" "}
        <span className="font-normal text-soft">{view.now ?? "nobody told what is in it"}</span>
      </h2>
      <form {...form} className="flex flex-wrap items-end gap-2">
        <input type="hidden" name="intent" value="load-product" />
        <input type="hidden" name="id" value={entry} />
        <SelectField
          name="product"
          label={view.harvested ? "Harvested now" : "Filled in now"}
          problem={errors.product}
          defaultValue={view.id === null ? "" : String(view.id)}
          key={view.id}
          choices={[["", "Choose"], ...view.choices.map(({ id, name }) => [String(id), name] as const)]}
        />
        <Who person={person} problem={errors.person} />
        <Send busy={busy} className="key">
          {view.harvested ? "This is cut" : "This is in it"}
        </Send>
      </form>
      {errors.form && <p className="problem">{errors.form}</p>}
      <p className="text-small text-soft">
        After another {view.harvested ? "crop" : "product"} the rate is a stop until it was entered in the
        terminal again: many set it back to nothing when one is chosen there.
      </p>
      <div className="flex flex-wrap gap-x-8">
        <ProductForm view={view} action={action} of={null} />
        {view.told && <ProductForm key={view.told.id} view={view} action={action} of={view.told} />}
      </div>
    </section>
  );
}

const FORMS = [
  ["liquid", "Sprayed"],
  ["seed", "Sown"],
  ["granules", "Spread"],
  ["crop", "Harvested"],
] as const;

type FormProps = Pick<Props, "view" | "action"> & { of: Props["view"]["told"] };

/** A product that is told: a new one, or `of`, which is told otherwise. */
function ProductForm({ view, action, of }: FormProps) {
  const [form, setForm] = useState<string>(of?.form ?? view.form);
  const Dto = of ? ChangeProductDto : NewProductDto;
  const {
    form: own,
    busy,
    errors,
  } = useKeptForm(action, of ? of.name : "A product", {
    wrongWith: (typed) => wrongIn(validateForm(Dto, typed)),
    done: (came) => {
      if (came.state === "kept")
        for (const each of document.querySelectorAll("#product details[open]")) each.removeAttribute("open");
    },
  });
  const seed = form === "seed";
  return (
    <Folded
      className="open:basis-full"
      summary={of ? `Tell ${of.name} otherwise` : "A product that is not in the list"}
    >
      <form {...own} className="grid gap-2">
        <input type="hidden" name="intent" value={of ? "change-product" : "new-product"} />
        {of && <input type="hidden" name="product" value={of.id} />}
        <div className="grid grid-cols-3 items-start gap-3 max-sm:grid-cols-1">
          <TextField name="name" label="Name" defaultValue={of?.name} problem={errors.name} maxLength={60} />
          <SelectField
            name="form"
            label="It is"
            value={form}
            onChange={(event) => setForm(event.target.value)}
            problem={errors.form}
            choices={FORMS}
          />
          <QuantityField
            name="density"
            label={form === "crop" || seed ? "Test weight" : "Density"}
            hint="empty: not known"
            unit={view.units.density}
            defaultValue={of?.density}
            problem={errors.density}
            inputMode="decimal"
          />
          {seed ? (
            <>
              <QuantityField
                name="grainMass"
                label="A thousand grains"
                hint="empty: not known"
                unit="g"
                defaultValue={of?.grainMass}
                problem={errors.grainMass}
                inputMode="decimal"
              />
              <QuantityField
                name="establishment"
                label="Comes up"
                hint="of those sown, in this field and season"
                unit="%"
                defaultValue={of?.establishment}
                problem={errors.establishment}
                inputMode="decimal"
              />
            </>
          ) : (
            ["grainMass", "grainMassUnit", "establishment", "establishmentUnit"].map((name) => (
              <input key={name} type="hidden" name={name} value="" />
            ))
          )}
          {form === "crop"
            ? ["doseLow", "doseLowUnit", "doseHigh", "doseHighUnit"].map((name) => (
                <input key={name} type="hidden" name={name} value="" />
              ))
            : (["doseLow", "doseHigh"] as const).map((name) => (
                <QuantityField
                  key={`${name} ${form === "liquid"}`}
                  name={name}
                  label={name === "doseLow" ? "Least dose" : "Most"}
                  hint={name === "doseLow" ? "by its label; empty: none told" : "by its label"}
                  unit={form === "liquid" ? view.units.poured : view.units.weighed}
                  defaultValue={of && of.form === form ? of[name] : ""}
                  problem={errors[name]}
                  inputMode="decimal"
                />
              ))}
          <TextField
            name="price"
            label="Price"
            hint="empty: nothing is said in money"
            defaultValue={of?.price}
            problem={errors.price}
            inputMode="decimal"
          />
          <SelectField
            name="priceFor"
            label="for each"
            problem={errors.priceFor}
            defaultValue={form === "liquid" ? "l" : "kg"}
            key={form}
            choices={[
              ["kg", "kg"],
              ["t", "t"],
              ["l", "l"],
            ]}
          />
          <TextField
            name="money"
            label="in"
            defaultValue={of?.money ?? "€"}
            problem={errors.money}
            maxLength={6}
          />
        </div>
        <div>
          <Send busy={busy} className="key">
            {of ? "Save it" : "Add it"}
          </Send>
        </div>
      </form>
    </Folded>
  );
}
