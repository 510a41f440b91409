import { useMemo, useState } from "react";
import { Form, Link } from "react-router";
import { ATTACHMENTS, onLinks } from "../../../core/dimension/attachment.ts";
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
import { useChecked } from "../../session/use-checked.ts";
import type { FieldErrors } from "../../session/validate.ts";
import { TextField } from "../../ui/Field.tsx";
import { Radios } from "../../ui/Radios.tsx";
import { YardFrame } from "../YardFrame.tsx";
import { BeginDto, POWER_UNITS } from "./begin.dto.ts";

type Choice = Omit<Begun, "tool"> & { tool: Begun["tool"] | "" };

/** What somebody drives and what hangs on it, on one page: both machines and the rig, drawn as they are chosen. */
export function BeginPage({ loaderData: { preferences, first }, actionData }: Route.ComponentProps) {
  const { tape } = preferences.units;
  const [begun, setBegun] = useState<Choice>({
    machine: "assisted",
    tool: "",
    attachment: "drawn",
    power: "",
    powerUnit: inInches(tape) ? "hp" : "kW",
    category: "",
    width: "",
    widthUnit: tape,
    rows: "",
    guided: "",
    switched: "",
  });
  const { errors, onSubmit } = useChecked(BeginDto, actionData?.errors ?? {});
  const change = (told: Partial<Choice>) =>
    setBegun((now) => {
      const next = { ...now, ...told };
      if (next.tool === "") return next;
      const ways = hangsBy(next.tool, next.machine);
      if (ways.length === 0) return { ...next, tool: "" };
      return { ...next, attachment: ways.includes(next.attachment) ? next.attachment : ways[0]! };
    });
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
          <Driven begun={begun} errors={errors} onChange={change} />
          <Hung begun={begun} errors={errors} onChange={change} />
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

type Part = { begun: Choice; errors: FieldErrors; onChange: (told: Partial<Choice>) => void };

function Driven({ begun, errors, onChange }: Part) {
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

function Hung({ begun, errors, onChange }: Part) {
  const kinds = TOOL_KIND_KEYS.filter((key) => hangsBy(key, begun.machine).length > 0);
  const { tool, attachment } = begun;
  const ways = tool === "" ? [] : hangsBy(tool, begun.machine);
  const counted = tool === "" ? null : countedAcross(tool);
  return (
    <section aria-label="What hangs on it" className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">On it hangs</h2>
      <Radios
        name="tool"
        label="What hangs on it"
        value={tool}
        choices={kinds.map((key) => ({ value: key, label: TOOL_KINDS[key].label }))}
        onChoose={(kind) => onChange({ tool: kind })}
        className="grid-cols-5 max-sm:grid-cols-2"
        looks="min-h-12 leading-tight"
      />
      {errors.tool && <p className="problem">{errors.tool}</p>}
      {tool !== "" && (
        <>
          <Radios
            name="attachment"
            label="How it hangs on"
            value={attachment}
            choices={ways.map((key) => ({ value: key, label: ATTACHMENTS[key].label }))}
            onChoose={(way) => onChange({ attachment: way })}
            className="grid-cols-4 max-sm:grid-cols-1"
            looks="min-h-12 leading-tight"
          />
          {errors.attachment && <p className="problem">{errors.attachment}</p>}
          {onLinks(attachment) && (
            <div className="grid gap-1">
              <span>
                Hitch category of the tractor{" "}
                <span className="text-soft">bore of a lower ball: 22 mm is 1, 28 is 2, 37 is 3, 51 is 4</span>
              </span>
              <Radios
                name="category"
                label="Hitch category of the tractor"
                value={begun.category}
                choices={CATEGORIES.map((key) => ({ value: key, label: key }))}
                onChoose={(category) => onChange({ category })}
                className="grid-cols-8 max-sm:grid-cols-4"
              />
            </div>
          )}
          <div className="grid grid-cols-3 gap-3 max-sm:grid-cols-1">
            <TextField name="hung" label="Make and model" problem={errors.hung} autoComplete="off" />
            <QuantityField
              name="width"
              unit={begun.widthUnit}
              label="Working width"
              hint="from its book; the tape comes later"
              value={begun.width}
              onChange={(event) => onChange({ width: event.target.value })}
              problem={errors.width}
              autoComplete="off"
            />
            {counted && (
              <TextField
                name="rows"
                label={`Number of ${counted}`}
                value={begun.rows}
                onChange={(event) => onChange({ rows: event.target.value })}
                problem={errors.rows}
                inputMode="numeric"
                autoComplete="off"
              />
            )}
          </div>
          <div className="grid grid-cols-2 gap-3 max-sm:grid-cols-1">
            {TOLD.map(({ field, key }) => {
              const { label, fromTo, choices } = dimension(key, { attachment, tool });
              return (
                <div key={field} className="grid content-start gap-1">
                  <span>
                    {label} <span className="text-soft">{fromTo}</span>
                  </span>
                  <Radios
                    name={field}
                    label={label}
                    value={begun[field]}
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
        </>
      )}
    </section>
  );
}

function Drawn({ begun }: { begun: Choice }) {
  const drawing = useMemo(() => {
    const { tool } = begun;
    return tool === "" ? null : drawThumbnail(resolveRig(factsOf({ ...begun, tool })), 340, 460);
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
