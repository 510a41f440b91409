import { useMemo } from "react";
import { Link, useSearchParams } from "react-router";
import { PlanDrawing } from "../../drawing/PlanDrawing.tsx";
import { readWritten } from "../../drawing/written.ts";
import { Header } from "../../ui/Header.tsx";
import { Shortcuts, type Ways } from "../../ui/Shortcuts.tsx";
import { rigAddress } from "./address.ts";
import type { RigDrawn, RigFrameView } from "./rig-view.server.ts";
import type { Peg } from "./stations.ts";

type Props = {
  view: RigFrameView;
  station: string;
  /** where a letter of a drawing of the page's own leads; without it each opens its reading */
  hrefOf?: (target: string) => string;
  lit?: string | null;
  /** in the place of the rig's plan and side view, where the station draws something of its own */
  drawing?: RigDrawn & { title: string };
  /** in the place of any drawing; on a phone the station shows it itself, where it belongs */
  picture?: React.ReactNode;
  /** the page has all the room: nothing stands beside it but the walk-round */
  wide?: boolean;
  /** a phone shows nothing but what is to be done */
  alone?: boolean;
  /** where keys lead on this page */
  ways?: Partial<Omit<Ways, "before" | "after" | "turn">>;
  children: React.ReactNode;
};

const NO_WAYS = { next: null, below: null, above: null, close: null };

const SEEN_FROM = { plan: "above", side: "the right", rear: "behind" } as const;
const TURNED = {
  plan: { to: "side", label: "Side view" },
  side: { to: "rear", label: "Rear view" },
  rear: { to: "plan", label: "Plan view" },
} as const;

/** What stands round every station: the rig's name, the walk-round, the drawing. */
export function RigFrame({
  view,
  station,
  hrefOf: own,
  lit = null,
  drawing,
  picture,
  wide = false,
  alone = false,
  ways = {},
  children,
}: Props) {
  const { rig, preferences, pegs } = view;
  const rigDrawn = useMemo(() => view.drawn && readWritten(view.drawn), [view.drawn]);
  const drawn = drawing ?? rigDrawn;
  const hrefOf =
    own ?? ((target: string) => view.opens[target] ?? rigAddress(rig.id, "antenna", { at: target }));
  const here = pegs.findIndex(({ key }) => key === station);
  const title = drawing?.title ?? `${rig.name}, seen from ${SEEN_FROM[view.view]}, to scale`;
  const next = TURNED[view.view];
  const [search] = useSearchParams();
  const turned = new URLSearchParams(search);
  if (next.to === "plan") turned.delete("view");
  else turned.set("view", next.to);
  const turn = `?${turned}`;
  return (
    <div className="lg:grid lg:h-screen lg:grid-cols-[minmax(0,1fr)] lg:grid-rows-[auto_1fr] print:block print:h-auto">
      <Header preferences={preferences}>
        <p className="truncate text-soft">
          <Link to="/" className="no-underline">
            Yard
          </Link>{" "}
          / <strong className="font-[650] text-ink">{rig.name}</strong> · {rig.tractor} with {rig.implement}
        </p>
        <p className="truncate text-small text-soft">{rig.identity}</p>
      </Header>
      <p className="print-only pb-2">
        <b>{rig.name}</b>: {rig.tractor} with {rig.implement}. {rig.identity}
      </p>
      <div
        className={`lg:grid lg:min-h-0 max-lg:flex max-lg:flex-col print:block ${wide ? "lg:grid-cols-[136px_minmax(0,1fr)]" : "lg:grid-cols-[136px_424px_minmax(0,1fr)]"}`}
      >
        <div className={`no-print ${lit || alone ? "max-sm:hidden" : ""}`}>
          <WalkRound pegs={pegs} station={station} />
        </div>
        {!wide && (
          <div
            className={`no-print relative border-line bg-sheet max-lg:border-b lg:min-h-0 lg:border-x ${picture ? "lg:overflow-y-auto max-lg:hidden" : view.stays ? "max-lg:sticky max-lg:top-0 max-lg:z-10" : ""}`}
          >
            {picture ??
              (drawn && (
                <>
                  <PlanDrawing
                    plan={drawn.desk}
                    title={title}
                    hrefOf={hrefOf}
                    lit={lit}
                    className="h-full w-full max-lg:hidden"
                  />
                  <PlanDrawing
                    plan={drawn.phone}
                    title={title}
                    hrefOf={hrefOf}
                    lit={lit}
                    className="mx-auto max-h-[236px] w-full lg:hidden"
                  />
                </>
              ))}
            {!drawing && !picture && (
              <Link
                to={turn}
                preventScrollReset
                replace
                className="absolute top-2 left-2 grid min-h-11 place-items-center rounded-[3px] border-[1.5px] border-ink bg-sheet px-3 font-semibold no-underline"
              >
                {next.label}
              </Link>
            )}
          </div>
        )}
        <main
          id="main"
          tabIndex={-1}
          className={`relative px-5 py-3 lg:min-h-0 lg:overflow-y-auto max-sm:px-4 ${wide ? "lg:border-l lg:border-line" : ""}`}
        >
          {view.away.map(({ name, href, why, until }) => (
            <p
              key={href}
              className="mb-2 border-l-[5px] border-stop bg-stop-wash px-3 py-2"
              role="alert"
              data-not-here
            >
              <b>
                {name} is {why}.
              </b>{" "}
              This rig cannot be coupled {until}.{" "}
              <Link to={href} className="inline-grid min-h-11 place-items-center font-bold text-dye">
                To {name}
              </Link>
            </p>
          ))}
          {view.tools.length > 0 && <Tools tools={view.tools} />}
          {children}
        </main>
      </div>
      <Shortcuts
        ways={{
          ...NO_WAYS,
          ...ways,
          turn: drawing || picture || wide ? null : turn,
          before: pegs[here - 1]?.href ?? null,
          after: pegs[here + 1]?.href ?? null,
        }}
        units={preferences.choice}
      />
    </div>
  );
}

/** The tools of a rig: which of them the readings below are of. */
export function Tools({ tools }: { tools: RigFrameView["tools"] }) {
  return (
    <nav aria-label="Tools of this rig" className="mb-3 flex gap-1.5 max-sm:overflow-x-auto sm:flex-wrap">
      {tools.map(({ id, label, how, now, href }) => (
        <Link
          key={id}
          to={href}
          preventScrollReset
          aria-current={now ? "true" : undefined}
          className={`grid min-h-11 content-center rounded-[3px] border-[1.5px] px-3 leading-tight wrap-anywhere no-underline max-sm:whitespace-nowrap ${now ? "border-dye bg-dye-wash font-bold text-dye" : "border-line"}`}
        >
          {label}
          <span className="text-small font-normal text-soft max-sm:hidden">{how}</span>
        </Link>
      ))}
    </nav>
  );
}

/** The stations in working order; each peg says by shape, colour and word how it stands. */
function WalkRound({ pegs, station }: { pegs: Peg[]; station: string }) {
  return (
    <nav aria-label="Walk-round" className="bg-sheet max-lg:border-b max-lg:border-line lg:h-full lg:pt-4">
      <ol className="flex max-lg:overflow-x-auto lg:flex-col lg:gap-1">
        {pegs.map(({ key, label, href, worst, word, open, unused }, index) => {
          const now = key === station;
          return (
            <li key={key} ref={now ? intoView : undefined} className="max-lg:min-w-[112px] max-lg:flex-1">
              <Link
                to={href}
                aria-current={now ? "page" : undefined}
                className={`flex min-h-12 items-center gap-2.5 px-3 no-underline max-lg:justify-center ${now ? "bg-dye-wash font-bold text-dye" : ""}`}
              >
                <PegMark number={index + 1} tone={toneOf({ worst, open, unused })} now={now} />
                <span className="leading-tight whitespace-nowrap">
                  {label}
                  <span
                    className={`block text-small font-normal ${worst === "stop" ? "text-stop" : "text-soft"}`}
                  >
                    {word}
                  </span>
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

type Tone = "stop" | "well" | "open";

function toneOf({ worst, open, unused }: Pick<Peg, "worst" | "open" | "unused">): Tone {
  if (unused) return "open";
  if (worst === "stop") return "stop";
  return worst === null && !open ? "well" : "open";
}

/** On a phone the row of stations is wider than the screen: the one that is open stands in it. */
function intoView(peg: HTMLLIElement | null): void {
  const row = peg?.parentElement;
  if (row) row.scrollLeft = peg.offsetLeft - row.offsetLeft - (row.clientWidth - peg.clientWidth) / 2;
}

function PegMark({ number, tone: how, now }: { number: number; tone: Tone; now: boolean }) {
  const tone =
    how === "stop" ? "var(--stop)" : how === "well" ? "var(--ok)" : now ? "var(--dye)" : "var(--ink)";
  const filled = how !== "open";
  return (
    <svg width="30" height="30" aria-hidden="true" className="shrink-0">
      <rect
        x="5"
        y="5"
        width="20"
        height="20"
        transform="rotate(45 15 15)"
        fill={filled ? tone : "none"}
        stroke={tone}
        strokeWidth="1.8"
      />
      <text
        x="15"
        y="20"
        textAnchor="middle"
        fontSize="14"
        fontWeight="700"
        fill={filled ? "var(--sheet)" : tone}
      >
        {number}
      </text>
    </svg>
  );
}
