import { Form, Link } from "react-router";
import type { Route } from "../../routes/+types/oil";
import type { FieldErrors } from "../../session/validate.ts";
import { YardFrame } from "../YardFrame.tsx";
import { FunctionsSection } from "./FunctionsSection.tsx";
import { RemotesSection, SupplySection } from "./SupplySection.tsx";

export function OilPage({ loaderData, actionData }: Route.ComponentProps) {
  const { preferences, machine, units, supply, sockets, told, remotes, functions, out, open } = loaderData;
  const errors: FieldErrors = actionData?.errors ?? {};
  return (
    <YardFrame preferences={preferences} here="machines">
      <div>
        <h1>{machine.name}: oil and sockets</h1>
        <Link to={`/machines/${machine.id}`} className="font-semibold text-dye">
          Everything else of this machine
        </Link>
      </div>
      {out && (
        <Form method="post" className="flex flex-wrap items-center gap-3">
          <input type="hidden" name="intent" value="back" />
          <span className="text-soft">Taken out last: {out}.</span>
          <button type="submit" className="key">
            Bring it back
          </button>
        </Form>
      )}
      {errors.form && <p className="problem">{errors.form}</p>}
      {machine.drives ? (
        <div className="grid grid-cols-2 gap-8 max-lg:grid-cols-1">
          <SupplySection supply={supply} sockets={sockets} units={units} errors={errors} />
          <RemotesSection remotes={remotes} open={open.remote} units={units} errors={errors} />
        </div>
      ) : (
        <FunctionsSection
          functions={functions}
          open={open.function}
          sockets={sockets}
          told={told}
          units={units}
          errors={errors}
        />
      )}
    </YardFrame>
  );
}
