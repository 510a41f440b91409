import { lazy } from "react";
import { Form, Link } from "react-router";
import { RECEIVERS } from "../../../core/rig/budget.ts";
import type { Route } from "../../routes/+types/budget";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { Later } from "../../ui/Later.tsx";
import { addressesIn } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import type { BudgetView } from "./budget-view.ts";

const BudgetChart = lazy(() => import("./BudgetChart.tsx"));

export function BudgetPage({ loaderData: { frame, view } }: Route.ComponentProps) {
  const { tool, to } = addressesIn(frame);
  return (
    <RigFrame
      view={frame}
      station="proof"
      ways={{
        next: view.budgets[0]?.next?.href ?? null,
        close: to("proof"),
      }}
    >
      <div className="grid gap-4">
        <PageHead title="How sure is it?">{view.tolerance}</PageHead>
        <Form className="grid grid-cols-[1fr_110px_130px_auto] items-end gap-2 max-sm:grid-cols-2">
          {tool && <input type="hidden" name="tool" value={tool} />}
          <SelectField
            name="receiver"
            label="Receiver"
            defaultValue={view.receiver}
            choices={Object.entries(RECEIVERS).map(([key, { label }]) => [key, label])}
          />
          <TextField
            name="slope"
            label="Side slope, °"
            defaultValue={view.slope}
            problem={view.errors.slope}
          />
          <TextField
            name="speed"
            label={`Speed, ${view.speedUnit}`}
            defaultValue={view.speed}
            problem={view.errors.speed}
          />
          <button type="submit" className="key-main">
            Reckon it
          </button>
        </Form>
        {view.budgets.map((budget) => (
          <Part key={budget.key} budget={budget} />
        ))}
      </div>
    </RigFrame>
  );
}

function Part({ budget: { key, title, verdict, good, bars, rows, next, forbids } }: { budget: BudgetView }) {
  return (
    <section aria-label={title} data-budget={key} className="grid gap-2">
      <h2 className="border-b-2 border-ink pb-1">{title}</h2>
      <p className={`text-lead font-semibold ${good ? "text-ok" : "text-warn"}`}>{verdict}</p>
      {forbids && <p data-forbids>{forbids}</p>}
      {next && (
        <p className="border-[1.5px] border-dye px-3 py-1.5">
          <Link to={next.href} className="flex min-h-9 items-center font-bold text-dye">
            {next.label}
          </Link>
          {next.why}
        </p>
      )}
      <Later height={32 + 30 * bars.length} words="Drawing the contributors.">
        <BudgetChart bars={bars} />
      </Later>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-line text-soft">
            <th className="py-1 font-semibold">Contributes</th>
            <th className="py-1 font-semibold">from</th>
            <th className="py-1 text-right font-semibold">1 σ</th>
            <th className="py-1 pl-4 text-right font-semibold">share</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="border-b border-hair" data-contributor={row.key}>
              <td className="py-1 font-[650]">{row.label}</td>
              <td className="py-1 text-soft">{row.from}</td>
              <td className="py-1 text-right whitespace-nowrap">{row.sigma}</td>
              <td className="py-1 pl-4 text-right">{row.share}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
