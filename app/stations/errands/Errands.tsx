import { Link } from "react-router";
import type { ErrandsView } from "./errands-view.server.ts";

/** What stops it, what is coupled and set, what is read, what is not known: to be gone through with a pen. */
export function Errands({ view }: { view: ErrandsView }) {
  const { stops, lines, readings, unknown, notCounted, coupled } = view;
  return (
    <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-lg:grid-cols-1 print:grid-cols-2">
      <div className="grid content-start gap-4">
        {stops.length > 0 && (
          <section aria-label="Cure first">
            <h2 className="border-b-2 border-ink pb-1">Cure first</h2>
            <ul>
              {stops.map(({ id, what, why, href }) => (
                <li key={id} className="border-b border-hair py-1.5" data-stop={id}>
                  <Link to={href} className="font-semibold text-stop underline">
                    {what}
                  </Link>{" "}
                  <span className="text-soft">{why}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label="Couple and set">
          <h2 className="border-b-2 border-ink pb-1">Couple and set</h2>
          {coupled ? (
            <p className="py-1.5 text-ok">It is coupled.</p>
          ) : (
            <ul>
              {lines.map((line) => (
                <Box key={line}>{line}</Box>
              ))}
            </ul>
          )}
          {!coupled && notCounted.length > 0 && (
            <p className="text-warn">Not in the minutes: {notCounted.join("; ")}.</p>
          )}
        </section>
      </div>
      <div className="grid content-start gap-4">
        <section aria-label="Read">
          <h2 className="border-b-2 border-ink pb-1">Read and enter</h2>
          {readings.length === 0 && <p className="py-1.5 text-ok">Nothing is missing, doubted or stale.</p>}
          <ul>
            {readings.map(({ key, label, fromTo, value, href }) => (
              <Box key={key}>
                <Link to={href} className="font-[650] underline">
                  {label}
                </Link>{" "}
                <span className="text-soft">
                  {fromTo && `${fromTo}; `}
                  {value}
                </span>
              </Box>
            ))}
          </ul>
        </section>
        {unknown.length > 0 && (
          <section aria-label="Not known">
            <h2 className="border-b-2 border-ink pb-1">Not known yet</h2>
            <ul>
              {unknown.map(({ label, href }) => (
                <li key={href + label} className="border-b border-hair">
                  <Link to={href} className="flex min-h-11 items-center text-warn underline">
                    {label}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </div>
  );
}

/** A line with a square to tick on paper. */
function Box({ children }: { children: React.ReactNode }) {
  return (
    <li className="grid grid-cols-[18px_1fr] gap-2 border-b border-hair py-1.5">
      <span aria-hidden="true" className="mt-0.5 size-4 border-[1.5px] border-ink" />
      <span>{children}</span>
    </li>
  );
}
