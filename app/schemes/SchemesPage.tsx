import { Form, Link } from "react-router";
import type { Route } from "../routes/+types/schemes";
import { YardFrame } from "../yard/YardFrame.tsx";

const STANDS = {
  "as shipped": "",
  older:
    "A newer version of it is shipped: plainer words, and what terminals have come to ask. Issued cards stay as they are.",
  edited: "Edited here: kept as it is, whatever is shipped.",
  own: "This yard's own.",
} as const;

/** The schemes of the yard; one nobody touched is offered the newer version that came with Ambrek. */
export function SchemesPage({ loaderData: { preferences, schemes }, actionData }: Route.ComponentProps) {
  return (
    <YardFrame preferences={preferences} here="schemes">
      <div>
        <h1>Schemes</h1>
        <p className="text-lead text-soft">
          How terminals ask for a rig: from where, in what unit, with which sign, in which words. Each
          tractor's terminal uses one; make your own from the nearest.
        </p>
        {actionData?.errors.form && <p className="problem">{actionData.errors.form}</p>}
      </div>
      <ul className="grid grid-cols-2 gap-3 max-lg:grid-cols-1">
        {schemes.map(({ id, name, asks, lines, shipped }) => (
          <li
            key={id}
            data-scheme={id}
            data-shipped={shipped}
            className="grid content-between gap-2 border-[1.5px] border-line bg-sheet px-4 py-3"
          >
            <div>
              <h2 className="text-[17px]">{name}</h2>
              <p className="leading-snug text-soft">
                {asks} {lines} {lines === 1 ? "line" : "lines"}.
              </p>
              {STANDS[shipped] && (
                <p
                  className={`leading-snug ${shipped === "older" ? "font-semibold text-warn" : "text-soft"}`}
                >
                  {STANDS[shipped]}
                </p>
              )}
            </div>
            <div className="flex flex-wrap gap-2">
              {shipped === "older" && (
                <Form method="post">
                  <input type="hidden" name="id" value={id} />
                  <button type="submit" className="key-main">
                    Take the newer one
                  </button>
                </Form>
              )}
              <Link className="key" to={`/schemes/${id}`}>
                Words and units
              </Link>
              <Link className="key" to={`/schemes/new?from=${id}`}>
                Make one from it
              </Link>
            </div>
          </li>
        ))}
      </ul>
    </YardFrame>
  );
}
