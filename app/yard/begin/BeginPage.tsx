import { useMemo, useState } from "react";
import { Form, Link } from "react-router";
import { ATTACHMENTS, type Attachment, onLinks } from "../../../core/dimension/attachment.ts";
import { dimension } from "../../../core/dimension/catalogue.ts";
import { countedAcross, hangsBy, MACHINE_TYPE_KEYS, MACHINE_TYPES } from "../../../core/dimension/usual.ts";
import { drawThumbnail } from "../../../core/drawing/thumbnail.ts";
import { inInches } from "../../../core/quantity/units.ts";
import { type Begun, factsOf } from "../../../core/rig/begun.ts";
import { resolveRig } from "../../../core/rig/resolve.ts";
import { CATEGORIES } from "../../../core/trade/category.ts";
import { TOOL_KIND_KEYS, TOOL_KINDS } from "../../../core/trade/kinds.ts";
import { ThumbnailDrawing } from "../../drawing/ThumbnailDrawing.tsx";
import { QuantityField } from "../../entry/QuantityField.tsx";
import type { Route } from "../../routes/+types/begin";
import { useCheckedBy } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { POWER_UNITS, readBeginning, SECOND, sharesHitch } from "./begin.dto.ts";

type ToolChoice = Omit<Begun, "tool" | "machine" | "power" | "powerUnit"> & { tool: Begun["tool"] | "" };
type Choice = Pick<Begun, "machine" | "power" | "powerUnit"> & { tools: readonly ToolChoice[] };

const toolIn = (widthUnit: string, told: Partial<ToolChoice> = {}): ToolChoice => ({
  tool: "",
  attachment: "drawn",
  category: "",
  width: "",
  widthUnit,
  rows: "",
  sections: "",
  guided: "",
  switched: "",
  ...told,
});

/** Ways a tool may hang on beside the others: a hitch carries one. */
function waysOf(choice: Choice, at: number): readonly Attachment[] {
  const { tool } = choice.tools[at]!;
  if (tool === "") return [];
  const others = choice.tools.filter((_, other) => other !== at);
  return hangsBy(tool, choice.machine).filter(
    (attachment) => !others.some((other) => other.tool !== "" && sharesHitch(other, { attachment })),
  );
}

/** What was told, with ways of hanging on that there are. */
function settled(choice: Choice): Choice {
  let now = choice;
  for (const [at, tool] of choice.tools.entries()) {
    if (tool.tool === "") continue;
    const free = waysOf(now, at);
    const attachment = free.includes(tool.attachment)
      ? tool.attachment
      : (free[0] ?? hangsBy(tool.tool, now.machine)[0]);
    const next = attachment ? { ...tool, attachment } : { ...tool, tool: "" as const };
    now = { ...now, tools: now.tools.map((each, other) => (other === at ? next : each)) };
  }
  return now;
}

/** What somebody drives and what hangs on it, on one page: all machines and the rig, drawn as they are chosen. */
export function BeginPage({ loaderData: { preferences, first }, actionData }: Route.ComponentProps) {
  const { tape } = preferences.units;
  const [begun, setBegun] = useState<Choice>({
    machine: "assisted",
    power: "",
    powerUnit: inInches(tape) ? "hp" : "kW",
    tools: [toolIn(tape)],
  });
  const { errors, onSubmit } = useCheckedBy(readBeginning, actionData?.errors ?? {});
  const change = (told: Partial<Choice>) => setBegun((now) => settled({ ...now, ...told }));
  const changeTool = (at: number) => (told: Partial<ToolChoice>) =>
    setBegun((now) =>
      settled({
        ...now,
        tools: now.tools.map((tool, other) => (other === at ? { ...tool, ...told } : tool)),
      }),
    );
  const several = begun.tools.length > 1;
  return (
    <YardFrame preferences={preferences} here="rigs">
      <div>
        <h1>What do you drive, what hangs on it?</h1>
        <p className="text-lead text-soft">
          {first ? "The first rig of this yard. " : ""}What you do not know stays open: the walk-round asks
          for it, and says what stops without it.{" "}
          {!first && (
            <Link to="/rigs/new" className="text-dye">
              Couple machines that are here already
            </Link>
          )}
        </p>
      </div>
      <div className="grid grid-cols-[1fr_340px] items-start gap-8 max-lg:grid-cols-1">
        <Form method="post" onSubmit={onSubmit} className="grid gap-5" noValidate>
          <input type="hidden" name="several" value={several ? "yes" : ""} />
          <Driven begun={begun} errors={errors} onChange={change} />
          {begun.tools.map((tool, at) => (
            <Hung
              key={at === 0 ? "first" : "second"}
              tool={tool}
              machine={begun.machine}
              ways={waysOf(begun, at)}
              switched={begun.tools[0]!.switched === "yes"}
              suffix={at === 0 ? "" : SECOND}
              errors={errors}
              onChange={changeTool(at)}
              onRemove={at === 0 ? null : () => change({ tools: begun.tools.slice(0, 1) })}
            />
          ))}
          {begun.tools[0]!.tool !== "" && (
            <Work tool={begun.tools[0]!} errors={errors} onChange={changeTool(0)} />
          )}
          {!several && begun.tools[0]!.tool !== "" && (
            <button
              type="button"
              className="key justify-self-start"
              onClick={() =>
                change({
                  tools: [...begun.tools, toolIn(tape, { tool: begun.tools[0]!.tool, attachment: "front" })],
                })
              }
            >
              Another tool, in front or behind
            </button>
          )}
          <div className="flex flex-wrap items-end gap-3">
            <TextField
              name="person"
              label="Told by"
              defaultValue={preferences.person}
              autoComplete="name"
              problem={errors.person}
            />
            <button type="submit" className="key-main min-h-12">
              Put it in the yard
            </button>
          </div>
          {Object.keys(errors).length > 0 && (
            <p className="problem" role="alert">
              Something above is still open or wrong.
            </p>
          )}
        </Form>
        <Drawn begun={begun} />
      </div>
    </YardFrame>
  );
}

/** Facts of the work that decide what is asked at all. */
const TOLD = [
  { field: "guided", key: "work.guided" },
  { field: "switched", key: "work.switched" },
] as const;

type DrivenProps = { begun: Choice; errors: FieldErrors; onChange: (told: Partial<Choice>) => void };

function Driven({ begun, errors, onChange }: DrivenProps) {
  return (
    <section aria-label="What you drive" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">You drive</h2>
      <Radios
        name="machine"
        label="What you drive"
        value={begun.machine}
        choices={MACHINE_TYPE_KEYS.map((key) => ({ value: key, label: MACHINE_TYPES[key].label }))}
        onChoose={(machine) => onChange({ machine })}
        className="grid-cols-5 max-sm:grid-cols-2"
        looks="min-h-12 leading-tight"
      />
      <div className="grid grid-cols-[1fr_1fr] gap-3 max-sm:grid-cols-1">
        <TextField name="driven" label="Make and model" problem={errors.driven} autoComplete="off" />
        <div className="grid grid-cols-[1fr_auto] items-start gap-2">
          <TextField
            name="power"
            label="Engine power"
            value={begun.power}
            onChange={(event) => onChange({ power: event.target.value })}
            problem={errors.power}
            autoComplete="off"
            hint="rated, as on the plate"
          />
          <Radios
            name="powerUnit"
            label="Power is in"
            value={begun.powerUnit}
            choices={POWER_UNITS.map((unit) => ({ value: unit, label: unit }))}
            onChoose={(powerUnit) => onChange({ powerUnit })}
            className="grid-cols-2 pt-[25px]"
          />
        </div>
      </div>
    </section>
  );
}

type HungProps = {
  tool: ToolChoice;
  machine: Begun["machine"];
  ways: readonly Attachment[];
  /** a terminal switches its sections */
  switched: boolean;
  /** behind the names of its fields */
  suffix: string;
  errors: FieldErrors;
  onChange: (told: Partial<ToolChoice>) => void;
  /** null of the first, which stays */
  onRemove: (() => void) | null;
};

function Hung({ tool: begun, machine, ways, switched, suffix, errors, onChange, onRemove }: HungProps) {
  const kinds = TOOL_KIND_KEYS.filter((key) => hangsBy(key, machine).length > 0);
  const { tool, attachment } = begun;
  const counted = tool === "" ? null : countedAcross(tool);
  const named = (name: string) => `${name}${suffix}`;
  const title = suffix ? "And on it hangs" : "On it hangs";
  return (
    <section aria-label={title} className="grid gap-2">
      <h2 className="flex items-end justify-between border-b-2 border-ink pb-1">
        {title}
        {onRemove && (
          <button type="button" className="key font-normal" onClick={onRemove}>
            Take it out
          </button>
        )}
      </h2>
      <Radios
        name={named("tool")}
        label="What hangs on it"
        value={tool}
        choices={kinds.map((key) => ({ value: key, label: TOOL_KINDS[key].label }))}
        onChoose={(kind) => kind !== "" && onChange({ tool: kind, attachment: hangsBy(kind, machine)[0]! })}
        className="grid-cols-5 max-sm:grid-cols-2"
        looks="min-h-12 leading-tight"
      />
      {errors[named("tool")] && <p className="problem">{errors[named("tool")]}</p>}
      {tool !== "" && (
        <>
          <Radios
            name={named("attachment")}
            label="How it hangs on"
            value={attachment}
            choices={ways.map((key) => ({ value: key, label: ATTACHMENTS[key].label }))}
            onChoose={(way) => onChange({ attachment: way })}
            className="grid-cols-4 max-sm:grid-cols-1"
            looks="min-h-12 leading-tight"
          />
          {errors[named("attachment")] && <p className="problem">{errors[named("attachment")]}</p>}
          {onLinks(attachment) && (
            <div className="grid gap-1">
              <span>
                Hitch category of the tractor{" "}
                <span className="text-soft">bore of a lower ball: 22 mm is 1, 28 is 2, 37 is 3, 51 is 4</span>
              </span>
              <Radios
                name={named("category")}
                label="Hitch category of the tractor"
                value={begun.category}
                choices={CATEGORIES.map((key) => ({ value: key, label: key }))}
                onChoose={(category) => onChange({ category })}
                className="grid-cols-8 max-sm:grid-cols-4"
              />
            </div>
          )}
          <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
            <TextField
              name={named("hung")}
              label="Make and model"
              problem={errors[named("hung")]}
              autoComplete="off"
            />
            <QuantityField
              name={named("width")}
              unit={begun.widthUnit}
              label="Working width"
              hint="from its book; the tape comes later"
              value={begun.width}
              onChange={(event) => onChange({ width: event.target.value })}
              problem={errors[named("width")]}
              autoComplete="off"
            />
            {counted && (
              <TextField
                name={named("rows")}
                label={`Number of ${counted}`}
                value={begun.rows}
                onChange={(event) => onChange({ rows: event.target.value })}
                problem={errors[named("rows")]}
                inputMode="numeric"
                autoComplete="off"
              />
            )}
          </div>
          {switched && (
            <QuantityField
              name={named("sections")}
              unit={begun.widthUnit}
              label="Sections"
              hint="how many equal ones, or each width from the left: 7, or 2 × 4.5; 3; 2 × 4.5"
              value={begun.sections}
              onChange={(event) => onChange({ sections: event.target.value })}
              problem={errors[named("sections")]}
              autoComplete="off"
            />
          )}
        </>
      )}
    </section>
  );
}

/** What decides what is asked at all, of the rig as a whole. */
function Work({ tool, errors, onChange }: Pick<HungProps, "tool" | "errors" | "onChange">) {
  const hung = { attachment: tool.attachment, tool: tool.tool === "" ? null : tool.tool };
  return (
    <section aria-label="How it is used" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">Guidance</h2>
      <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
        {TOLD.map(({ field, key }) => {
          const { label, fromTo, choices } = dimension(key, hung);
          return (
            <div key={field} className="grid content-start gap-1">
              <span>
                {label} <span className="text-soft">{fromTo}</span>
              </span>
              <Radios
                name={field}
                label={label}
                value={tool[field]}
                choices={(choices ?? []).map((each) => ({ value: each.key, label: each.label }))}
                onChoose={(told) => onChange({ [field]: told })}
                className="grid-cols-2"
                looks="min-h-12 leading-tight"
              />
              {errors[field] && <p className="problem">{errors[field]}</p>}
            </div>
          );
        })}
      </div>
    </section>
  );
}

function Drawn({ begun }: { begun: Choice }) {
  const drawing = useMemo(() => {
    const { tools, ...machine } = begun;
    const [lead, ...others] = tools.flatMap(({ tool, ...told }) =>
      tool === "" ? [] : [resolveRig(factsOf({ ...machine, ...told, tool }))],
    );
    return lead ? drawThumbnail(lead, 340, 460, others) : null;
  }, [begun]);
  return (
    <figure className={`sticky top-4 grid gap-1 max-lg:static ${drawing ? "" : "max-lg:hidden"}`}>
      {drawing ? (
        <ThumbnailDrawing
          drawing={drawing}
          title="The rig from above"
          className="w-full border border-line"
        />
      ) : (
        <p className="grid min-h-[460px] place-items-center border border-line bg-sheet p-6 text-center text-soft">
          The rig is drawn here as soon as you say what hangs on it.
        </p>
      )}
      <figcaption className="text-small text-soft">
        To scale. Dashed is assumed: nobody told or taped it, it is drawn as such rigs usually are.
      </figcaption>
    </figure>
  );
}
