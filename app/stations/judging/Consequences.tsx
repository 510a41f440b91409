import { Link } from "react-router";
import { GradeMark } from "../../ui/Grade.tsx";
import type { ChainView } from "./chains.ts";
import type { StationView } from "./station-view.ts";

/** What follows from the readings: the chain one can add up by head, the rest, and what to tape next. */
export function Consequences({ view }: { view: StationView }) {
  return (
    <section aria-label="What follows" className="grid content-start gap-3">
      {view.chain && <ChainTable chain={view.chain} />}
      <dl className="grid gap-1.5 border-t border-line pt-2">
        {view.follows.map(({ label, text, plusMinus, grade }) => (
          <div key={label} className="leading-tight">
            <dt className="flex justify-between text-small text-soft">
              {label}
              {grade === "proven" && <GradeMark grade={grade} />}
            </dt>
            <dd className="flex justify-between font-[650]">
              {text} <span className="text-small font-normal text-soft">{plusMinus}</span>
            </dd>
          </div>
        ))}
      </dl>
      <Next view={view} />
    </section>
  );
}

function ChainTable({ chain }: { chain: ChainView }) {
  return (
    <div>
      <h2 className="border-b-2 border-ink pb-1.5">What follows</h2>
      <ul>
        {chain.links.map(({ key, label, text }) => (
          <li key={key} className="flex justify-between gap-2 border-b border-dashed border-line py-1">
            <span>{label}</span>
            <b className={`whitespace-nowrap ${text === "missing" ? "text-stop" : "font-[650]"}`}>{text}</b>
          </li>
        ))}
      </ul>
      {chain.total ? (
        <p className="flex items-baseline justify-between pt-1.5">
          <strong className="text-[23px] font-[750]" data-total>
            {chain.total}
          </strong>
          <span className="text-small text-soft">{chain.plusMinus}</span>
        </p>
      ) : (
        <p className="pt-1.5 font-semibold">
          No total while a link is missing.
          {chain.links.some(({ text }) => text !== "missing") && ` Known so far: ${chain.known}`}
        </p>
      )}
      <p className="flex justify-between text-small text-soft">
        <span>
          {chain.title}, {chain.caption}
        </span>
      </p>
      <GradeMark grade={chain.grade} stale={chain.stale} />
      {chain.proof && <p className="text-small text-ok">{chain.proof}</p>}
    </div>
  );
}

function Next({ view: { tapeNext, bars } }: { view: StationView }) {
  return (
    <div className="border-[1.5px] border-dye px-3 py-2" data-next={tapeNext?.letter ?? "none"}>
      {tapeNext ? (
        <>
          <Link
            to={tapeNext.href}
            preventScrollReset
            className="flex min-h-9 items-center font-bold text-dye"
          >
            Tape this next: {tapeNext.letter}, {tapeNext.label.toLowerCase()}
          </Link>
          <p className="leading-snug">{tapeNext.reason}</p>
        </>
      ) : (
        <p className="font-bold text-ok">Everything guidance uses is taped. These move it most:</p>
      )}
      <ul className="mt-1.5 grid gap-1 text-small">
        {bars.map(({ letter, label, text, share, open }) => (
          <li key={letter}>
            <div className="flex justify-between gap-2">
              <span>
                {letter} {label}
                {open ? "" : ", taped"}
              </span>
              <span className="whitespace-nowrap">{text}</span>
            </div>
            <svg
              className="block h-[7px] w-full"
              aria-hidden="true"
              preserveAspectRatio="none"
              viewBox="0 0 100 1"
            >
              <rect width="100" height="1" fill="var(--hair)" />
              <rect width={share * 100} height="1" fill="var(--dye)" />
            </svg>
          </li>
        ))}
      </ul>
    </div>
  );
}
