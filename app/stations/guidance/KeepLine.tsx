import { useFetcher } from "react-router";
import { degreesOf } from "../../../core/geodesy/degrees.ts";
import { fromPlane } from "../../../core/geodesy/plane.ts";
import type { Plan } from "../../../core/guidance/plan.ts";
import type { Outcome } from "../../session/outcome.ts";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Send } from "../../ui/Send.tsx";
import { inDegrees } from "./degrees.ts";
import type { PlanView } from "./guidance-view.server.ts";

/** The first pass of a plan, kept as a line of the field. */
export function KeepLine({ view, plan, person }: { view: PlanView; plan: Plan; person: string }) {
  const fetcher = useFetcher<Outcome>();
  const [run] = plan.runs;
  if (!run || plan.heading === null) return null;
  const place = (point: typeof run.from) => {
    const { latitude, longitude } = fromPlane(view.plane.origin, point);
    return `${degreesOf(latitude)}, ${degreesOf(longitude)}`;
  };
  const errors = fetcher.data?.errors ?? {};
  return (
    <fetcher.Form method="post" action={`/fields/${view.fieldId}`} className="flex flex-wrap items-end gap-2">
      <input type="hidden" name="intent" value="line" />
      <input type="hidden" name="kind" value="ab" />
      <input type="hidden" name="a" value={place(run.from)} />
      <input type="hidden" name="b" value={place(run.to)} />
      <TextField
        name="name"
        label="Keep its first pass as a line called"
        defaultValue={`${Math.round(inDegrees(plan.heading) * 10) / 10}°`}
        problem={errors.name ?? errors.a ?? errors.b}
      />
      {person === "" ? (
        <TextField name="person" label="Who" problem={errors.person} />
      ) : (
        <input type="hidden" name="person" value={person} />
      )}
      <Send busy={fetcher.state !== "idle"} className="key">
        Keep the line
      </Send>
      {fetcher.data?.ok && <p className="basis-full font-bold text-ok">{fetcher.data.kept.said}</p>}
    </fetcher.Form>
  );
}

/** A round along the edge, kept as a line of the field. */
export function KeepRound({ view, rounds, person }: { view: PlanView; rounds: number; person: string }) {
  const fetcher = useFetcher<Outcome>();
  if (rounds === 0) return null;
  const errors = fetcher.data?.errors ?? {};
  return (
    <fetcher.Form method="post" action={`/fields/${view.fieldId}`} className="flex flex-wrap items-end gap-2">
      <input type="hidden" name="intent" value="round-line" />
      <input type="hidden" name="spacing" value={view.spacing.toFixed(4)} />
      <SelectField
        name="round"
        label="Keep as a line"
        problem={errors.round ?? errors.spacing}
        choices={Array.from({ length: rounds }, (_, at) => [
          String(at + 1),
          `Round ${at + 1} along the edge`,
        ])}
      />
      <TextField name="name" label="called" defaultValue="Headland" problem={errors.name} />
      {person === "" ? (
        <TextField name="person" label="Who keeps it" problem={errors.person} />
      ) : (
        <input type="hidden" name="person" value={person} />
      )}
      <Send busy={fetcher.state !== "idle"} className="key">
        Keep the round
      </Send>
      {fetcher.data?.ok && <p className="basis-full font-bold text-ok">{fetcher.data.kept.said}</p>}
    </fetcher.Form>
  );
}
