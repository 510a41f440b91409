import { useState } from "react";
import { behindLabel } from "../../../core/quantity/length.ts";
import { ADJUSTER_FORMS } from "../../../core/yard/ground.ts";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { type FieldErrors, validateForm, wrongIn } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { type Typed, UNTOLD } from "./adjuster-typed.ts";
import type { AdjustersView, AdjusterView } from "./adjusters-view.server.ts";
import { AdjusterDto, AHEAD, ASIDE, readMoves, readPlace } from "./ground.dto.ts";

type Props = {
  view: AdjustersView;
  /** the one told otherwise; null: a new one */
  own: AdjusterView | null;
  action: string;
  person: string;
  done?: () => void;
};

/** All that is told of an adjuster: what it is, what a step of it moves, where it sits, what it is kept to. */
export function AdjusterForm({ view, own, action, person, done = () => {} }: Props) {
  const typed = own?.typed ?? UNTOLD;
  const [moves, setMoves] = useState(typed.measure);
  const [pair, setPair] = useState(typed.pair);
  const [sides, setSides] = useState("one");
  const measure = view.measures.find(({ key }) => key === moves) ?? null;
  const { form, busy, errors } = useKeptForm(
    action,
    own ? `Told otherwise: ${own.label}` : "Another adjuster",
    {
      wrongWith: (entered) =>
        wrongIn(validateForm(AdjusterDto, entered), readMoves(entered), readPlace(entered)),
      done,
    },
  );
  const others = view.names.filter(([id]) => id !== String(own?.id));
  return (
    <form {...form} className="grid gap-3 pt-1">
      <input type="hidden" name="intent" value={own ? "change-adjuster" : "add-adjuster"} />
      {own && <input type="hidden" name="adjuster" value={own.id} />}
      <input type="hidden" name="fine" value={view.fine} />
      <input type="hidden" name="tape" value={view.tape} />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField
          name="label"
          label="What it is called"
          hint={sides === "both" ? "“left” and “right” are put behind it" : undefined}
          placeholder="wheel screw"
          defaultValue={typed.label}
          problem={errors.label}
        />
        <SelectField
          name="form"
          label="What it is"
          defaultValue={typed.form}
          problem={errors.form}
          choices={Object.entries(ADJUSTER_FORMS).map(([key, { label }]) => [key, label] as const)}
        />
        {!own && (
          <SelectField
            name="sides"
            label="There is"
            value={sides}
            onChange={(event) => setSides(event.target.value)}
            choices={[
              ["one", "one of it"],
              ["both", "one on each side, alike and kept equal"],
            ]}
          />
        )}
      </div>
      <div className="grid grid-cols-4 gap-3 max-sm:grid-cols-2">
        <Steps name="low" label="Lowest, in steps" typed={typed} errors={errors} />
        <Steps name="high" label="Highest, in steps" typed={typed} errors={errors} />
        <Steps name="start" label="Starts at" hint="by its book" typed={typed} errors={errors} />
        <Steps name="storage" label="Storage position" hint="empty: none" typed={typed} errors={errors} />
      </div>
      <Moves
        view={view}
        typed={typed}
        errors={errors}
        measure={measure}
        moves={moves}
        setMoves={setMoves}
        right={sides === "both"}
      />
      <Place view={view} typed={typed} errors={errors} aside={sides === "both"} />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        {sides === "one" && (
          <SelectField
            name="pair"
            label="Kept equal with"
            value={pair}
            onChange={(event) => setPair(event.target.value)}
            choices={[["", "nothing"], ...others]}
            problem={errors.pair}
          />
        )}
        {sides === "one" && pair !== "" ? (
          <Steps
            name="difference"
            label="Steps above it on purpose"
            hint="0: equal; minus: below"
            typed={typed}
            errors={errors}
          />
        ) : (
          <input type="hidden" name="difference" value="0" />
        )}
        <SelectField
          name="master"
          label="Slave of"
          defaultValue={typed.master}
          choices={[["", "no other: it is set by itself"], ...others]}
          problem={errors.master}
        />
        <TextField
          name="how"
          label="How it is set"
          placeholder="loosened lowered, tightened raised"
          defaultValue={typed.how}
          problem={errors.how}
        />
        <TextField name="person" label="Told by" defaultValue={person} problem={errors.person} />
      </div>
      <Send busy={busy} className="key-main justify-self-start">
        {own ? "Save" : sides === "both" ? "Add both" : "Add it"}
      </Send>
    </form>
  );
}

type Part = { view: AdjustersView; typed: Typed; errors: FieldErrors };

function Steps({
  name,
  label,
  hint,
  typed,
  errors,
}: {
  name: "low" | "high" | "start" | "storage" | "difference";
  label: string;
  hint?: string;
} & Omit<Part, "view">) {
  return (
    <TextField
      name={name}
      label={label}
      hint={hint}
      defaultValue={typed[name]}
      problem={errors[name]}
      inputMode="numeric"
      autoComplete="off"
    />
  );
}

function Moves({
  view,
  typed,
  errors,
  measure,
  moves,
  setMoves,
  right,
}: Part & {
  measure: AdjustersView["measures"][number] | null;
  moves: string;
  setMoves: (key: string) => void;
  /** told for the one on the right */
  right: boolean;
}) {
  return (
    <>
      <SelectField
        name="measure"
        label="What it moves"
        value={moves}
        onChange={(event) => setMoves(event.target.value)}
        choices={[
          ["", "depth and level of the tool"],
          ...view.measures.map(({ key, label }) => [key, label] as const),
        ]}
        problem={errors.measure}
      />
      {measure ? (
        <Amount measure={measure} typed={typed} errors={errors} />
      ) : (
        <fieldset className="grid gap-1">
          <legend className="pb-1 font-semibold">
            One step more {right ? "of the right one " : ""}makes it, {view.fine}
          </legend>
          <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
            <TextField
              name="front"
              label="deeper in front by"
              hint="minus where shallower"
              defaultValue={typed.front}
              problem={errors.front}
            />
            <TextField name="rear" label="deeper behind by" defaultValue={typed.rear} problem={errors.rear} />
            <TextField
              name="across"
              label="right deeper than left by"
              defaultValue={typed.across}
              problem={errors.across}
            />
          </div>
        </fieldset>
      )}
    </>
  );
}

/** Where it sits, from where the tool is coupled. `aside`: there is one on each side, so how far from the middle is all that is asked. */
function Place({ view: { tape }, typed, errors, aside }: Part & { aside: boolean }) {
  const unit = behindLabel(tape);
  return (
    <fieldset className="grid gap-1">
      <legend className="pb-1 font-semibold">
        Where it sits <span className="font-normal text-soft">drawn there; empty where nobody taped it</span>
      </legend>
      <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
        <Way
          name="ahead"
          label={`From the pins${unit}`}
          hint="where it is coupled"
          sides={[AHEAD.minus, AHEAD.plus]}
          typed={typed}
          errors={errors}
        />
        {aside ? (
          <div>
            <input type="hidden" name="aside-way" value={ASIDE.plus} />
            <TextField
              name="aside"
              label={`From the middle, each${unit}`}
              defaultValue={typed.aside}
              problem={errors.aside}
              inputMode="decimal"
            />
          </div>
        ) : (
          <Way
            name="aside"
            label={`From the middle${unit}`}
            sides={[ASIDE.minus, ASIDE.plus]}
            typed={typed}
            errors={errors}
          />
        )}
        <TextField
          name="up"
          label={`Above the ground${unit}`}
          hint="at work"
          defaultValue={typed.up}
          problem={errors.up}
          inputMode="decimal"
        />
      </div>
    </fieldset>
  );
}

function Way({
  name,
  label,
  hint,
  sides,
  typed,
  errors,
}: {
  name: "ahead" | "aside";
  label: string;
  hint?: string;
  sides: readonly string[];
} & Omit<Part, "view">) {
  return (
    <div className="grid grid-cols-[1fr_auto] items-start gap-2">
      <TextField
        name={name}
        label={label}
        hint={hint}
        defaultValue={typed[name]}
        problem={errors[name]}
        inputMode="decimal"
        autoComplete="off"
      />
      <SelectField
        name={`${name}-way`}
        label="which way"
        defaultValue={typed[`${name}-way`]}
        choices={[["", "—"], ...sides.map((each) => [each, each] as const)]}
      />
    </div>
  );
}

/** What a step does to the one thing it moves: which way, and how far where that is known. */
function Amount({
  measure,
  typed,
  errors,
}: {
  measure: AdjustersView["measures"][number];
  typed: Typed;
  errors: FieldErrors;
}) {
  return (
    <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
      <input type="hidden" name="unit" value={measure.unit} />
      <SelectField
        name="way"
        label="One step more makes it"
        choices={[
          ["", "nobody knows: learnt from a turn"],
          ["more", measure.more],
          ["less", measure.less],
        ]}
        defaultValue={typed.way}
        problem={errors.way}
      />
      {measure.unit && (
        <TextField
          name="amount"
          label={`by, ${measure.unit}`}
          hint="empty where nobody knows"
          inputMode="decimal"
          defaultValue={typed.amount}
          problem={errors.amount}
        />
      )}
    </div>
  );
}
