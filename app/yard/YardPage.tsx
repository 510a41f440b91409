import { Archive, Copy, Pencil, Undo2 } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Form, Link, useRevalidator, useSearchParams } from "react-router";
import { ThumbnailDrawing } from "../drawing/ThumbnailDrawing.tsx";
import { useOutcome } from "../entry/use-outcome.ts";
import type { Route } from "../routes/+types/yard";
import { rigAddress } from "../stations/frame/address.ts";
import { Pages } from "../ui/Pages.tsx";
import { SeverityMark } from "../ui/Severity.tsx";
import { RIG_STATES, type RigState } from "./rig-states.ts";
import type { SeasonNow } from "./season-now.server.ts";
import { YardFrame } from "./YardFrame.tsx";
import type { YardRig } from "./yard-view.server.ts";

const STATE_WORDS: Record<RigState, string> = {
  all: "In use",
  stopped: "Stopped",
  ready: "Nothing stops it",
  away: "Archived",
};

/** What the season asks for today; nothing where nothing does. */
function Season({ season: { today, service: asked } }: { season: SeasonNow }) {
  const service = asked
    ? [asked.due > 0 ? `${asked.due} due` : "", asked.order > 0 ? `${asked.order} to order` : ""].filter(
        Boolean,
      )
    : ["being looked through"];
  if (today.length === 0 && service.length === 0) return null;
  return (
    <p className="flex flex-wrap gap-x-6 border-y border-hair" data-season-now>
      {today.map(({ key, text, rigId }) => (
        <Link
          key={key}
          to={rigAddress(rigId, "ladder")}
          className="flex min-h-11 items-center font-semibold text-dye"
        >
          Today {text}
        </Link>
      ))}
      {service.length > 0 && (
        <Link to="/service" className="flex min-h-11 items-center font-semibold text-warn">
          Service: {service.join(", ")}
        </Link>
      )}
    </p>
  );
}

/** Looks again every few moments while rigs are being judged. */
function useJudged(open: boolean) {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    if (!open) return;
    const again = setInterval(revalidate, LOOK_AGAIN);
    return () => clearInterval(again);
  }, [open, revalidate]);
}

const LOOK_AGAIN = 3000;

export function YardPage({ loaderData: { preferences, yard, demo, season } }: Route.ComponentProps) {
  const { counts, judging, rigs, find, state } = yard;
  useJudged(judging > 0 || season.service === null);
  return (
    <YardFrame preferences={preferences} here="rigs">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Yard</h1>
          <p className="text-lead text-soft">
            {counts.all === 0
              ? "Nothing stands here yet."
              : `${judging > 0 ? "So far nothing" : "Nothing"} stops ${counts.ready} of ${counts.all} rigs.${
                  judging > 0 ? ` ${judging} are still being judged.` : ""
                } What stops the others is below, with what to do.`}
          </p>
        </div>
        <p className="flex flex-wrap gap-2">
          <Link to="/symptoms" className="key">
            What do you see?
          </Link>
          <Link to="/faults" className="key">
            Find the fault
          </Link>
          <Link to="/plan" className="key">
            Plan of the season
          </Link>
          <Link to="/season" className="key">
            Start of season
          </Link>
          <Link to="/year" className="key">
            The year
          </Link>
          <Link to="/tape-list" className="key">
            Tape list
          </Link>
          <Link to="/words" className="key">
            Words
          </Link>
          <Link to="/begin" className="key">
            New rig
          </Link>
        </p>
      </div>
      <Season season={season} />
      {demo && <DemoYard />}
      {counts.all + counts.away === 0 ? (
        <Welcome />
      ) : (
        <Finder find={find} state={state} counts={counts} judging={judging > 0} />
      )}
      {rigs.length === 0 && counts.all > 0 && (
        <p className="text-lead">
          No rig {find && `with “${find}” in it `}here.{" "}
          <Link to="/" className="text-dye">
            Show all in use
          </Link>
        </p>
      )}
      <ul className="gap-4 lg:columns-2">
        {rigs.map((rig) => (
          <RigCard key={rig.head.id} rig={rig} />
        ))}
      </ul>
      <Pages of={{ ...yard, what: find ? "rigs found" : "rigs" }} />
    </YardFrame>
  );
}

/** What to do where nothing stands yet. */
function Welcome() {
  return (
    <section aria-label="Welcome" className="grid max-w-[760px] gap-4 border-l-4 border-dye bg-sheet p-5">
      <p className="text-lead">
        Say what you drive and what hangs on it. Ambrek draws it to scale, asks for what it lacks in the order
        that matters, says what is wrong, and tells the figures your terminal wants.
      </p>
      <p>
        <Link to="/begin" className="key-main min-h-12 text-[18px]">
          What do you drive, what hangs on it?
        </Link>
      </p>
      <p className="text-soft">
        You have machines in a terminal or a spreadsheet already?{" "}
        <Link to="/files" className="text-dye">
          Bring a file in
        </Link>
        .
      </p>
      <Form method="post" className="flex flex-wrap items-center gap-3 text-soft">
        <input type="hidden" name="intent" value="demo" />
        Or look round a full yard first: seventeen made-up rigs, each with something to find.
        <button type="submit" className="key">
          Show the demo yard
        </button>
      </Form>
    </section>
  );
}

/** Whose yard this is, and the way to one's own. */
function DemoYard() {
  return (
    <Form
      method="post"
      className="flex flex-wrap items-center gap-3 border-l-4 border-warn bg-sheet px-4 py-2"
    >
      <input type="hidden" name="intent" value="own" />
      <span>
        <b>This is the demo yard.</b> Its people, farms and machines are made up; try anything.
      </span>
      <button type="submit" className="key">
        Begin with an empty yard
      </button>
    </Form>
  );
}

function Finder({
  find,
  state,
  counts,
  judging,
}: {
  find: string;
  state: RigState;
  counts: Record<RigState, number>;
  /** how many are stopped, and how many are not, is not known of all yet */
  judging: boolean;
}) {
  const [search] = useSearchParams();
  const field = useRef<HTMLInputElement>(null);
  // The key / leads here from a rig's screens with an empty word to find.
  const wanted = search.has("find") && find === "";
  useEffect(() => {
    if (wanted) field.current?.focus();
    const listen = (event: KeyboardEvent) => {
      if (event.key !== "/" || (event.target as Element).closest("input, textarea, select")) return;
      event.preventDefault();
      field.current?.focus();
    };
    window.addEventListener("keydown", listen);
    return () => window.removeEventListener("keydown", listen);
  }, [wanted]);
  return (
    <Form className="flex flex-wrap items-center gap-2">
      <input
        ref={field}
        name="find"
        type="search"
        defaultValue={find}
        placeholder="Find by name, fleet number, serial   /"
        aria-label="Find a rig"
        className="field max-w-[320px]"
      />
      {state !== "all" && <input type="hidden" name="state" value={state} />}
      <button type="submit" className="key">
        Find
      </button>
      <nav aria-label="Which rigs" className="flex flex-wrap gap-1">
        {RIG_STATES.filter((each) => each !== "away" || counts.away > 0).map((each) => (
          <Link
            key={each}
            to={`/?${new URLSearchParams({ ...(find && { find }), ...(each !== "all" && { state: each }) })}`}
            aria-current={each === state ? "page" : undefined}
            className="grid min-h-11 place-items-center rounded-[3px] border-[1.5px] border-line px-3 font-semibold no-underline aria-[current]:border-dye aria-[current]:bg-dye-wash aria-[current]:text-dye"
          >
            {STATE_WORDS[each]} {counts[each]}
            {judging && (each === "stopped" || each === "ready") && " so far"}
          </Link>
        ))}
      </nav>
    </Form>
  );
}

function RigCard({
  rig: { head, holding, more, standing, drawing, climbed, away, lacks },
}: {
  rig: YardRig;
}) {
  const { stops, fixes, checks } = standing;
  return (
    <li
      data-rig={head.id}
      className="mb-4 grid break-inside-avoid grid-cols-[150px_1fr] border-[1.5px] border-line bg-sheet max-sm:grid-cols-1"
    >
      <div className="border-r border-hair max-sm:hidden">
        <ThumbnailDrawing
          drawing={drawing}
          title={`${head.name}, seen from above, to scale`}
          className="h-[210px] w-[149px]"
        />
      </div>
      <div className="grid content-start gap-1.5 px-4 py-3">
        <div className="flex flex-wrap items-start justify-between gap-x-3">
          <h2 className="text-[19px] leading-tight font-[720]">
            <Link to={rigAddress(head.id, "")} className="no-underline">
              {head.name}
            </Link>
          </h2>
          <p className={`font-[720] ${stops || lacks.length > 0 ? "text-stop" : "text-ok"}`}>
            {stops
              ? `${stops} ${stops === 1 ? "stop" : "stops"}`
              : lacks.length > 0
                ? "Not whole"
                : "Nothing stops it"}
          </p>
        </div>
        <p className="leading-snug">
          {head.tractor} with {head.implement}
          <span className="block text-small text-soft">{head.identity}</span>
        </p>
        {lacks.map(({ name, href, why }) => (
          <p
            key={href}
            className="flex flex-wrap items-center gap-x-3 border-t border-hair text-stop"
            data-not-here
          >
            <span>
              {name} is {why}: this rig cannot be coupled.
            </span>
            <Link to={href} className="inline-grid min-h-11 place-items-center font-bold text-dye">
              To it
            </Link>
          </p>
        ))}
        {holding.map(({ id, severity, what, next, href }) => (
          <p key={id} className="grid grid-cols-[62px_1fr_auto] items-center gap-2 border-t border-hair">
            <SeverityMark severity={severity} />
            <span className="py-1 leading-snug">{what}</span>
            <Link
              to={href}
              className="inline-grid min-h-11 place-items-center font-bold whitespace-nowrap text-dye"
            >
              {next.label}
            </Link>
          </p>
        ))}
        <div className="flex flex-wrap items-center justify-between gap-x-3">
          <p className="text-small text-soft">
            {[more > 0 && `${more} more like these`, checks > 0 && `${checks} to check`]
              .filter(Boolean)
              .join(", ") ||
              (stops + fixes === 0 && "Nothing to check.")}
          </p>
          <Link
            to={rigAddress(head.id, "ladder")}
            className="grid min-h-11 items-center font-semibold text-dye"
            aria-label={`Start ${climbed.good} of ${climbed.all}: ${head.name}`}
          >
            Start {climbed.good} of {climbed.all}
          </Link>
        </div>
        <div className="flex flex-wrap items-center gap-2">
          <Link to={rigAddress(head.id, "")} className={stops ? "key-main" : "key"}>
            Walk round
          </Link>
          <Link to={rigAddress(head.id, "card")} className={stops ? "key" : "key-main"}>
            Cab card
          </Link>
          <Manage id={head.id} name={head.name} away={away} />
        </div>
      </div>
    </li>
  );
}

/** Rename, copy, put away: each undone with one press. */
function Manage({ id, name, away }: { id: number; name: string; away: boolean }) {
  const { fetcher, errors, kept, submit } = useOutcome("/?index");
  const [renaming, setRenaming] = useState(false);
  const problem = errors.name;
  useEffect(() => {
    if (kept) setRenaming(false);
  }, [kept]);
  const send = (intent: string) => submit({ intent, rigId: String(id) });
  if (renaming)
    return (
      <fetcher.Form method="post" action="/?index" className="flex flex-wrap items-center gap-2" noValidate>
        <input type="hidden" name="intent" value="rename" />
        <input type="hidden" name="rigId" value={id} />
        <input
          name="name"
          defaultValue={name}
          aria-label="New name"
          aria-invalid={problem !== undefined}
          className="field max-w-[220px]"
        />
        <button type="submit" className="key-main">
          Rename
        </button>
        <button type="button" className="key" onClick={() => setRenaming(false)}>
          Leave it
        </button>
        {problem && <p className="problem">{problem}</p>}
      </fetcher.Form>
    );
  const small = "grid size-11 cursor-pointer place-items-center rounded-[3px] border-[1.5px] border-line";
  return (
    <span className="flex gap-1">
      <button
        type="button"
        className={small}
        aria-label={`Rename ${name}`}
        title="Rename"
        onClick={() => setRenaming(true)}
      >
        <Pencil size={18} aria-hidden="true" />
      </button>
      <button
        type="button"
        className={small}
        aria-label={`Copy ${name}`}
        title="Copy"
        onClick={() => send("copy")}
      >
        <Copy size={18} aria-hidden="true" />
      </button>
      <button
        type="button"
        className={small}
        aria-label={away ? `Bring back ${name}` : `Archive ${name}`}
        title={away ? "Bring back into use" : "Archive"}
        onClick={() => send(away ? "back" : "away")}
      >
        {away ? <Undo2 size={18} aria-hidden="true" /> : <Archive size={18} aria-hidden="true" />}
      </button>
    </span>
  );
}
