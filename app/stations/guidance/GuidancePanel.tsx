import { lazy } from "react";
import { Link } from "react-router";
import { Later } from "../../ui/Later.tsx";
import type { GuidanceView } from "./guidance-view.server.ts";
import { Tramlines } from "./Tramlines.tsx";

const PassPlan = lazy(() => import("./PassPlan.tsx"));
const TurnDriven = lazy(() => import("./TurnDriven.tsx"));

type Props = {
  view: GuidanceView;
  person: string;
  withField: (field: string) => void;
  to: (page: string) => string;
};

/** On which field, and what passes come of it. */
export function GuidancePanel({ view, person, withField, to }: Props) {
  const { plan, fields, spacing, turn } = view;
  return (
    <>
      <p className="flex flex-wrap gap-2">
        <Link to={to("steering")} className="key">
          Ready to steer
        </Link>
        <Link to={to("world")} className="key">
          True beside believed
        </Link>
        {view.camera && (
          <Link to={to("camera")} className="key">
            Row camera
          </Link>
        )}
      </p>
      <label className="grid max-w-[420px] gap-1">
        Field
        <select
          key={view.fieldId}
          className="field"
          defaultValue={view.fieldId ?? ""}
          onChange={(event) => withField(event.target.value)}
        >
          <option value="">Choose</option>
          {fields.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <span className="text-small text-soft">
          {view.job === null ? "No job is set: choose one to plan for." : `The job is on ${view.job}.`}{" "}
          <Link to="/fields">Fields</Link> without a boundary are not among them.
        </span>
      </label>
      {view.unbounded && (
        <p className="font-semibold text-warn">
          {view.unbounded}: nobody told where it ends, so no passes can be laid.
        </p>
      )}
      {spacing === null && (
        <p className="font-semibold text-warn">Width or overlap is not known: no passes can be laid.</p>
      )}
      {plan && (
        <Later height={520} words="Laying passes.">
          <PassPlan key={plan.fieldId} view={plan} person={person} />
        </Later>
      )}
      {turn && (
        <Later height={560} words="Driving the turn.">
          <TurnDriven view={turn} />
        </Later>
      )}
      {plan?.drill && <Tramlines drill={plan.drill} units={plan.units} />}
    </>
  );
}
