import { ChevronDown, CircleAlert, CircleCheck, CircleDashed, CircleHelp } from "lucide-react";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { v4 as uuid } from "uuid";
import { stepIn } from "../../../core/subjects/ground/guide/index.ts";
import { OnePress } from "../../entry/OnePress.tsx";
import { useKeptForm } from "../../entry/use-kept-form.ts";
import { useWaiting } from "../../offline/use-waiting.ts";
import { validateForm, wrongIn } from "../../session/validate.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Folded } from "../../ui/Folded.tsx";
import { Send } from "../../ui/Send.tsx";
import { LookFields } from "./LookFields.tsx";
import { PloughDrawn } from "./PloughDrawn.tsx";
import { readSeen } from "./seen.ts";
import { ALL_STEPS, BeginStripDto, KeepLookDto, KeepPresetDto } from "./strip.dto.ts";
import type { StepView, StripView } from "./strip-view.server.ts";

type Props = { strip: StripView; action: string; person: string };

/** Set, run, stop, look, correct one thing, again: where it stands, what comes next, and every step of it. */
export function StripPanel({ strip, action, person }: Props) {
  const { good, all, next } = strip;
  const waits = useBegunHere(action);
  const begun = strip.begun ?? waits;
  const [search] = useSearchParams();
  const asked = search.get("step");
  const [opened, setOpened] = useState<{ at: string | null; next: string | null }>({
    at: asked ?? next,
    next,
  });
  // What was kept brings another step forward: that is then the open one.
  const open = opened.next === next ? opened.at : next;
  // What is good already makes room for what comes next.
  const first = strip.steps.findIndex(({ key }) => key === next || key === open);
  const [done, rest] =
    first > 1 ? [strip.steps.slice(0, first), strip.steps.slice(first)] : [[], strip.steps];
  const row = (step: StepView) => (
    <Step
      key={step.key}
      step={step}
      open={open === step.key}
      toggle={() => setOpened({ at: open === step.key ? null : step.key, next })}
      action={action}
      person={person}
      guide={strip.key}
      tool={strip.title}
    />
  );
  return (
    <section id="strip" aria-label="Guided strip" className="grid scroll-mt-4 gap-3">
      <h2 className="flex flex-wrap items-baseline justify-between gap-x-3 border-b-2 border-ink pb-1">
        <span>
          Guided strip <span className="font-normal text-soft">{strip.title}</span>
        </span>
        {begun && (
          <span data-good={good} className="text-base font-[650]">
            {good} of {all} good
          </span>
        )}
      </h2>
      {begun ? (
        <p className="leading-snug">
          <b className="font-[650]">{begun.field}</b>, {begun.ground}{" "}
          <span className="text-soft">({begun.who})</span>
        </p>
      ) : (
        <p className="text-soft">
          {strip.run} Set, run, stop without coasting back, get out and look; correct one thing; again.
        </p>
      )}
      {waits && (
        <p className="border-l-4 border-warn pl-3" data-waits>
          {strip.begun
            ? `The strip begun on ${waits.field} waits on this device: what is entered below is kept in it once it was sent.`
            : "It waits on this device; what is seen at its steps waits behind it."}
        </p>
      )}
      {strip.cautions.length > 0 && (
        <div className="grid gap-1 border-l-4 border-warn bg-warn-wash px-3 py-2">
          {strip.cautions.map((each) => (
            <p key={each}>{each}</p>
          ))}
        </div>
      )}
      {!begun && <Presets strip={strip} action={action} person={person} />}
      {begun ? (
        <>
          {strip.practised && next !== null && (
            <OfStep
              intent="run-strip"
              step={ALL}
              action={action}
              person={person || "Trainee"}
              label={`Strip run: ${strip.title}`}
            >
              Run the strip and look at all that wants it, simulated
            </OfStep>
          )}
          {done.length > 0 && (
            <details>
              <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-semibold text-ok">
                <CircleCheck size={22} aria-hidden="true" /> {done.length} good before it
              </summary>
              <ol className="grid">{done.map(row)}</ol>
            </details>
          )}
          <ol className="grid">{rest.map(row)}</ol>
        </>
      ) : (
        <Begin strip={strip} action={action} person={person} />
      )}
      {begun && strip.ploughing && (
        <PloughDrawn key={JSON.stringify(strip.ploughing.found)} {...strip.ploughing} />
      )}
      {begun && <Reached strip={strip} action={action} person={person} />}
      {begun && <Presets strip={strip} action={action} person={person} />}
      {begun && (
        <Folded summary="Begin another, on another field">
          <Begin strip={strip} action={action} person={person} />
        </Folded>
      )}
    </section>
  );
}

/** The newest strip of this tool that was begun on this device and was not sent yet. */
function useBegunHere(action: string) {
  const fields = useWaiting(action)
    .filter(({ fields: { intent } }) => intent === "begin-strip")
    .at(-1)?.fields;
  if (!fields) return null;
  const told = [fields.soil, fields.moisture, fields.crop].filter(Boolean).join(", ");
  return { field: fields.field ?? "", ground: told || "soil not told", who: fields.person ?? "" };
}

function Begin({ strip, action, person }: Props) {
  const [id] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, `Strip begun: ${strip.title}`, {
    wrongWith: (typed) => wrongIn(validateForm(BeginStripDto, typed)),
  });
  const { soil, moisture, crop } = strip.last;
  return (
    <form {...form} className="grid gap-2">
      <input type="hidden" name="intent" value="begin-strip" />
      <input type="hidden" name="id" value={id} />
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        <TextField name="field" label="Field" maxLength={60} problem={errors.field} />
        <TextField
          name="crop"
          label="Crop, or what stood there"
          maxLength={60}
          defaultValue={crop}
          problem={errors.crop}
        />
        <SelectField
          name="soil"
          label="Soil"
          defaultValue={soil}
          choices={[["", "not told"], ...strip.soils]}
          problem={errors.soil}
        />
        <SelectField
          name="moisture"
          label="How moist"
          defaultValue={moisture}
          choices={[["", "not told"], ...strip.moistures]}
          problem={errors.moisture}
        />
        <TextField
          name="person"
          label="Who runs it"
          defaultValue={person}
          autoComplete="name"
          problem={errors.person}
        />
      </div>
      <Send busy={busy} className="key-main justify-self-start">
        Begin the strip
      </Send>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </form>
  );
}

const SIGNS = {
  good: [CircleCheck, "text-ok"],
  fix: [CircleAlert, "text-warn"],
  check: [CircleAlert, "text-warn"],
  stop: [CircleAlert, "text-stop"],
  note: [CircleHelp, "text-soft"],
  unknown: [CircleDashed, "text-soft"],
} as const;

type StepProps = {
  step: StepView;
  open: boolean;
  toggle: () => void;
  action: string;
  person: string;
  /** key and name of the guide */
  guide: string;
  tool: string;
};

function Step({ step, open, toggle, ...rest }: StepProps) {
  const [Sign, color] = SIGNS[step.verdict];
  return (
    <li
      data-step={step.key}
      data-verdict={step.verdict}
      data-state={step.state}
      data-loops={step.loops}
      className="border-b border-hair"
    >
      <button
        type="button"
        aria-expanded={open}
        onClick={toggle}
        className="grid min-h-12 w-full cursor-pointer grid-cols-[26px_1fr_auto_20px] items-center gap-2 py-1.5 text-left leading-snug"
      >
        <Sign size={22} aria-hidden="true" className={color} />
        <span>
          <b className="font-[650]">
            {step.number} {step.title}
          </b>
          <span className="block text-small text-soft">
            {step.state === "judged" && !open ? step.said : step.where}
          </span>
        </span>
        <span className={`text-small font-semibold ${color}`}>{step.word}</span>
        <ChevronDown size={20} aria-hidden="true" className={open ? "rotate-180" : ""} />
      </button>
      {open && <OpenStep step={step} {...rest} />}
    </li>
  );
}

function OpenStep({ step, action, person, guide, tool }: Omit<StepProps, "open" | "toggle">) {
  return (
    <div className="grid gap-3 pb-4 sm:pl-9">
      {step.state !== "not yet" && (
        <div
          data-said
          className={`grid gap-1 border-l-4 px-3 py-2 ${step.verdict === "good" ? "border-ok bg-sheet" : "border-warn bg-warn-wash"}`}
        >
          <p className="font-semibold">{step.said}</p>
          {step.cure && <p>{step.cure}</p>}
          {step.turn && (
            <p className="font-[650]" data-turn>
              {step.turn}
            </p>
          )}
        </div>
      )}
      {step.learnt && <Learnt step={step} action={action} person={person} />}
      {step.tells && <Tells step={step} action={action} person={person} />}
      {step.turns.length > 0 && (
        <OfStep
          intent="turned-as-said"
          step={step}
          action={action}
          person={person}
          label={`Turned as said: ${step.title}`}
          main
        >
          Turned as said
        </OfStep>
      )}
      <ul className="grid list-disc gap-1 pl-5">
        {step.how.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      {step.caution && <p className="border-l-4 border-warn bg-warn-wash px-3 py-2">{step.caution}</p>}
      {(step.runs || step.mends) && (
        <div className="flex flex-wrap gap-2">
          {step.mends && (
            <OfStep
              intent="mend"
              step={step}
              action={action}
              person={person || "Trainee"}
              label={`Mended: ${step.title}`}
            >
              Mend it
            </OfStep>
          )}
          {step.runs && (
            <OfStep
              intent="run-strip"
              step={step}
              action={action}
              person={person || "Trainee"}
              label={`Strip run: ${step.title}`}
            >
              Run it and look at this, simulated
            </OfStep>
          )}
        </div>
      )}
      {step.mapped ? (
        <a href="#depth-map" className="key justify-self-start">
          Enter the depths in the map
        </a>
      ) : (
        <Look key={`${step.key} ${step.loops}`} {...{ step, action, person, guide, tool }} />
      )}
      {step.school && <SchoolChoice school={step.school} action={action} />}
      {step.before.length > 0 && (
        <Folded
          summary={
            <>Seen in this strip, {step.before.length === 1 ? "once" : `${step.before.length} times`}</>
          }
        >
          <ol className="grid gap-1 text-small">
            {step.before.map(({ id, said, who }) => (
              <li key={id}>
                {said} <span className="text-soft">({who})</span>
              </li>
            ))}
          </ol>
        </Folded>
      )}
    </div>
  );
}

function Look({ step, action, person, guide, tool }: Omit<StepProps, "open" | "toggle">) {
  const [id] = useState(() => uuid());
  const [taken, setTaken] = useState(false);
  const { ofMap } = step;
  const fields = step.fields.map((field) => {
    const of = taken ? ofMap?.typed[field.key] : undefined;
    return of ? { ...field, typed: of.text, word: of.word } : field;
  });
  const { form, busy, errors } = useKeptForm(action, `${step.title}, ${tool}`, {
    wrongWith: (typed) => wrongIn(validateForm(KeepLookDto, typed), readStep(guide, step.key, typed)),
  });
  return (
    <form {...form} data-look={step.key} className="grid gap-2">
      <input type="hidden" name="intent" value="keep-look" />
      <input type="hidden" name="id" value={id} />
      <input type="hidden" name="step" value={step.key} />
      {ofMap && (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-line pl-3" data-of-map>
          <span>
            By the depth map. <span className="text-soft">{ofMap.said}.</span>
          </span>
          <button type="button" className="key" onClick={() => setTaken(true)} disabled={taken}>
            Take its figures over
          </button>
        </p>
      )}
      <LookFields fields={fields} errors={errors} />
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          name="person"
          label="Seen by"
          defaultValue={person}
          autoComplete="name"
          problem={errors.person}
        />
        <Send busy={busy} className="key-main">
          Save what I saw
        </Send>
      </div>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </form>
  );
}

/** The same reading the server does, by the step of any guide. */
function readStep(guide: string, key: string, typed: FormData) {
  const step = stepIn(guide, key);
  return step ? readSeen(step.fields, typed, step.wrong) : ({ ok: true } as const);
}

/** Every step that wants a look. */
const ALL = { key: ALL_STEPS, turns: [], comes: "" };

type OfStepProps = {
  intent: string;
  step: Pick<StepView, "key" | "turns" | "comes">;
  action: string;
  person: string;
  /** as it waits on the device */
  label: string;
  main?: boolean;
  children: React.ReactNode;
};

/** One press for what a step says to do. */
function OfStep({ intent, step, ...rest }: OfStepProps) {
  const turned = intent === "turned-as-said" && (
    <>
      <ul className="grid gap-1">
        {step.turns.map(({ said, how, name, to }) => (
          <li key={said}>
            <input type="hidden" name={name} value={to} />
            <b className="font-[650]">{said}</b>
            {how && <span className="block text-small text-soft">{how}</span>}
          </li>
        ))}
      </ul>
      {step.comes && <p>{step.comes}</p>}
    </>
  );
  return <OnePress {...rest} fields={{ intent, step: step.key }} over={turned} />;
}

function Learnt({ step, action, person }: Pick<StepProps, "step" | "action" | "person">) {
  const { turned, came, tells, wrongWay } = step.learnt!;
  return (
    <div
      data-learnt={wrongWay ? "wrong way" : "as told"}
      className={`grid gap-1 border-l-4 px-3 py-2 ${wrongWay ? "border-stop bg-stop-wash" : "border-hair bg-sheet"}`}
    >
      <p>
        Since the look before: <b className="font-[650]">{turned}</b>; {came}.
      </p>
      {wrongWay && (
        <p className="font-semibold text-stop">
          It went the other way than told: every advice by it leads away.
        </p>
      )}
      {tells && (
        <OfStep
          intent="learn-amount"
          step={step}
          action={action}
          person={person}
          label={`Learnt: ${step.title}`}
        >
          Reckon with what it did
        </OfStep>
      )}
    </div>
  );
}

/** What it measured of the tool as well: kept at its station by a press. */
function Tells({ step, action, person }: Pick<StepProps, "step" | "action" | "person">) {
  const { label, measured, now, kept } = step.tells!;
  return (
    <div className="grid gap-1 border-l-4 border-line pl-3" data-tells={kept ? "kept" : "open"}>
      <p>
        <b className="font-[650]">
          {label} by this test {measured}.
        </b>{" "}
        {kept ? "Kept at Tool." : `At Tool it is ${now}.`}
      </p>
      {!kept && (
        <OfStep
          intent="keep-measured"
          step={step}
          action={action}
          person={person}
          label={`${label}, measured`}
        >
          Keep it as measured
        </OfStep>
      )}
    </div>
  );
}

function SchoolChoice({ school, action }: { school: NonNullable<StepView["school"]>; action: string }) {
  const { form, busy, errors } = useKeptForm(action, `School: ${school.label}`);
  return (
    <Folded
      summary={
        <>
          School: {school.practices.find(([key]) => key === school.followed)?.[1]}
          {!school.chosen && <span className="ml-1 font-normal text-soft"> (nobody chose)</span>}
        </>
      }
    >
      <form {...form} className="grid gap-2 pt-1">
        <input type="hidden" name="intent" value="follow-school" />
        <input type="hidden" name="school" value={school.key} />
        <p className="text-soft">{school.why}</p>
        <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
          <SelectField
            name="practice"
            label={school.label}
            defaultValue={school.followed}
            choices={school.practices}
          />
          <SelectField
            name="of"
            label="Followed by"
            defaultValue="yard"
            choices={[
              ["yard", "the whole yard"],
              ["rig", "this rig alone"],
            ]}
          />
        </div>
        <Send busy={busy} className="key justify-self-start">
          Follow it
        </Send>
        {errors.form && <p className="problem">{errors.form}</p>}
      </form>
    </Folded>
  );
}

function Presets({ strip, action, person }: Props) {
  if (strip.presets.length === 0) return null;
  return (
    <div className="grid gap-2" data-presets>
      <h3 className="font-bold">
        {strip.begun ? "Kept from before, the likest ground first" : "Kept from before"}
      </h3>
      <ul className="grid gap-2">
        {strip.presets.map((preset) => (
          <li key={preset.id} className="grid gap-1 border-b border-hair pb-2">
            <p>
              <b className="font-[650]">{preset.name}</b>
              {preset.like && <span className="font-semibold text-ok"> in like ground</span>}: {preset.said}
            </p>
            <p className="text-small text-soft">
              {preset.where}; {preset.came}
            </p>
            <SetAsKept preset={preset} action={action} person={person} />
          </li>
        ))}
      </ul>
    </div>
  );
}

function SetAsKept({
  preset,
  action,
  person,
}: {
  preset: StripView["presets"][number];
  action: string;
  person: string;
}) {
  const { form, busy, errors } = useKeptForm(action, `Set as kept: ${preset.name}`);
  const [problem] = Object.values(errors);
  return (
    <form {...form} className="grid gap-1">
      <input type="hidden" name="intent" value="set-as-kept" />
      <input type="hidden" name="preset" value={preset.id} />
      <input type="hidden" name="person" value={person} />
      <Send busy={busy} className="key justify-self-start">
        I set them so
      </Send>
      {problem && <p className="problem">{problem}</p>}
    </form>
  );
}

function Reached({ strip, action, person }: Props) {
  const [id, setId] = useState(() => uuid());
  const { form, busy, errors } = useKeptForm(action, `Kept: ${strip.title}`, {
    wrongWith: (typed) => wrongIn(validateForm(KeepPresetDto, typed)),
    done: () => setId(uuid()),
  });
  const done = strip.next === null;
  const entry = (
    <form {...form} className="grid gap-2">
      <input type="hidden" name="intent" value="keep-preset" />
      <input type="hidden" name="id" value={id} />
      <div className="flex flex-wrap items-end gap-2">
        <TextField
          name="name"
          label="Keep these settings as"
          placeholder="spring stubble"
          maxLength={60}
          problem={errors.name}
        />
        <TextField name="person" label="Kept by" defaultValue={person} problem={errors.person} />
        <Send busy={busy} className={done ? "key-main" : "key"}>
          Keep them
        </Send>
      </div>
      {(errors.form ?? errors.id) && <p className="problem">{errors.form ?? errors.id}</p>}
    </form>
  );
  if (done)
    return (
      <div data-done className="grid gap-2 border-l-4 border-ok bg-sheet px-3 py-2">
        <p className="text-lead font-semibold text-ok">Good enough for the work: every step is good.</p>
        {entry}
      </div>
    );
  return <Folded summary="Keep the settings as they stand">{entry}</Folded>;
}
