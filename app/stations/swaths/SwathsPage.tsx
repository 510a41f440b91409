import { Form } from "react-router";
import type { Route } from "../../routes/+types/swaths";
import { Field } from "../../ui/Field.tsx";
import { addressesIn } from "../frame/address.ts";
import { PageHead } from "../frame/PageHead.tsx";
import { RigFrame } from "../frame/RigFrame.tsx";
import type { PlanView } from "./swaths-view.ts";

export function SwathsPage({ loaderData: { frame, view } }: Route.ComponentProps) {
  const { tool, to } = addressesIn(frame);
  return (
    <RigFrame view={frame} station="tool" ways={{ close: to("tool") }}>
      <div className="grid gap-4">
        <PageHead title="The last pass" back={{ to: to("tool"), label: "Back to the tool" }}>
          How many passes a field takes, what is left, and where to put the narrow one. {view.tool}
        </PageHead>
        {view.missing ? (
          <p className="problem">{view.missing}</p>
        ) : (
          <Form className="flex items-end gap-2">
            {tool && <input type="hidden" name="tool" value={tool} />}
            <Field label="Width of the field, across the passes" problem={view.problem ?? undefined}>
              <input name="field" className="field" defaultValue={view.field} autoComplete="off" />
            </Field>
            <button type="submit" className="key-main">
              Plan it
            </button>
          </Form>
        )}
        {view.verdict && (
          <p className="text-value font-[650]" data-remainder>
            {view.verdict}
          </p>
        )}
        {view.even.length > 0 && (
          <section aria-label="Fields that come out even" className="grid gap-1" data-even>
            <h2 className="border-b-2 border-ink pb-1">Fields that come out even</h2>
            <ul className="grid grid-cols-2 gap-x-6 max-sm:grid-cols-1">
              {view.even.map(({ passes, width }) => (
                <li key={passes} className="flex justify-between border-b border-hair py-1.5">
                  <span>{passes} passes</span>
                  <b className="font-[650]">{width}</b>
                </li>
              ))}
            </ul>
            <p className="text-small text-soft">One working width, and a line spacing for each pass more.</p>
          </section>
        )}
        {view.plans.map((plan) => (
          <Plan key={plan.school} plan={plan} />
        ))}
      </div>
    </RigFrame>
  );
}

/** The field from its near side to its far side, to scale; narrow passes stand out. */
function Plan({ plan: { school, title, why, said, passes } }: { plan: PlanView }) {
  const every = Math.ceil(passes.length / 20);
  return (
    <section aria-label={title} className="grid gap-1" data-plan={school}>
      <h2>{title}</h2>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: on a phone it is wider than the screen, and keys must reach its end */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="The field's passes">
        <svg
          viewBox="0 0 700 64"
          className="w-full min-w-[680px] bg-sheet"
          role="img"
          aria-label={`${title}: ${said}`}
        >
          {passes.map(({ number, left, width, narrow, label }) => (
            <g key={number}>
              <rect
                x={7 * left + 1}
                y={narrow ? 14 : 8}
                width={Math.max(0.5, 7 * width - 2)}
                height={narrow ? 36 : 48}
                fill={narrow ? "var(--dye-wash)" : "var(--steel)"}
                fillOpacity={0.8}
                stroke={narrow ? "var(--dye)" : "var(--steel-line)"}
                strokeWidth={narrow ? 2 : 1}
              />
              {(narrow || number % every === 0 || number === 1) && width > 3 && (
                <text
                  x={7 * (left + width / 2)}
                  y={37}
                  textAnchor="middle"
                  fontSize={15}
                  fontWeight={650}
                  fill={narrow ? "var(--dye)" : "var(--ink)"}
                >
                  {label || number}
                </text>
              )}
            </g>
          ))}
          <path d="M1 4v56M699 4v56" stroke="var(--ink)" strokeWidth={2} />
        </svg>
      </section>
      <p className="font-semibold">{said}</p>
      <p className="text-soft">{why}</p>
    </section>
  );
}
