import { Check, Circle, CircleDot, OctagonAlert } from "lucide-react";
import { useEffect, useState } from "react";
import { createPortal } from "react-dom";
import {
  type Folding,
  type FoldingKind,
  type Lever,
  ON_FOOT,
  type OnFoot,
  onFoot,
  parked,
  tick,
  withLever,
  worldOf,
} from "../../../core/rehearsal/folding.ts";
import { type FoldingPart, sketchOf } from "../../../core/rehearsal/folding-drawing.ts";
import { unmetNeeds } from "../../../core/sequence/run.ts";
import { type Step, stateWords } from "../../../core/sequence/step.ts";
import type { RehearsalView } from "./rehearsal-view.ts";

/** Rehearsed faster than it goes in earnest: nobody learns from waiting. */
const FASTER = 4;
const MOMENT = 50;

/** Id of the place a desk shows the picture in. */
export const PICTURE = "rehearsal-picture";

type Going = { state: Folding; which: "unfold" | "fold"; done: number };

const begin = (view: RehearsalView): Going => ({
  state: parked(view.has, view.swaps),
  which: "unfold",
  done: 0,
});

/** Steps that hold already, one after the other: what was done counts, in its order. */
function advance(going: Going, view: RehearsalView): Going {
  const steps: readonly Step[] = view[going.which];
  const world = worldOf(going.state);
  let { done } = going;
  while (done < steps.length && Object.entries(steps[done]!.sets).every(([part, is]) => world[part] === is))
    done += 1;
  return done === going.done ? going : { ...going, done };
}

/** A folding tool to practise on: levers move it as they would, and what goes wrong costs nothing. */
export function Rehearsal({ view }: { view: RehearsalView }) {
  const [going, setGoing] = useState(() => begin(view));
  const { state, which, done } = going;
  const act = (next: (state: Folding) => Folding) =>
    setGoing((now) => advance({ ...now, state: next(now.state) }, view));
  const moving = Object.values(state.lever).some((lever) => lever !== "neutral");
  useEffect(() => {
    if (!moving) return;
    const timer = setInterval(
      () =>
        setGoing((now) =>
          advance(
            { ...now, state: tick(now.state, (MOMENT / 1000) * FASTER, view.speeds, view.onJack) },
            view,
          ),
        ),
      MOMENT,
    );
    return () => clearInterval(timer);
  }, [moving, view]);
  // On a desk the picture stands where every station draws.
  const [desk, setDesk] = useState<Element | null>(null);
  useEffect(() => setDesk(document.getElementById(PICTURE)), []);
  const steps = view[which];
  const turn = () =>
    setGoing((now) =>
      advance(
        {
          state: { ...now.state, looked: false },
          which: now.which === "unfold" ? "fold" : "unfold",
          done: 0,
        },
        view,
      ),
    );
  return (
    <div className="grid gap-4">
      <div className="sticky top-0 z-10 -mx-5 border-y border-line bg-sheet max-sm:-mx-4 lg:hidden">
        <RehearsalPicture state={state} small />
      </div>
      {desk && createPortal(<RehearsalPicture state={state} />, desk)}
      {state.harm.length > 0 && (
        <section
          role="alert"
          aria-label="Harm"
          className="border-l-[5px] border-stop bg-stop-wash p-3"
          data-harm
        >
          {state.harm.map(({ id, kind, text }) => (
            <p key={id} className="flex items-start gap-2 font-semibold text-stop" data-harm-id={id}>
              <OctagonAlert size={22} aria-hidden="true" className="shrink-0" />
              {kind === "hurts" ? "Somebody is hurt. " : "Something breaks. "}
              {text}
            </p>
          ))}
          <button type="button" className="key mt-2" onClick={() => setGoing(begin(view))}>
            Start again
          </button>
        </section>
      )}
      <Levers view={view} state={state} act={act} />
      <OnFootKeys view={view} act={act} />
      <section aria-label="Steps">
        <h2 className="flex items-center justify-between border-b-2 border-ink pb-1">
          {which === "unfold" ? "Unfolding" : "Folding"}, {done} of {steps.length} done
          {done === steps.length && (
            <button type="button" className="key" onClick={turn}>
              {which === "unfold" ? "Now fold it" : "Unfold it again"}
            </button>
          )}
        </h2>
        <ol>
          {steps.map((step, at) => (
            <StepLine
              key={step.id}
              step={step}
              state={at < done ? "done" : at === done ? "now" : "later"}
              sim={state}
            />
          ))}
        </ol>
      </section>
    </div>
  );
}

type Act = (next: (state: Folding) => Folding) => void;

function Levers({ view, state, act }: { view: RehearsalView; state: Folding; act: Act }) {
  return (
    <section aria-label="Levers" className="grid gap-2">
      {view.levers.map(({ kind, name, remote, ways, float }) => (
        <div
          key={kind}
          className="grid grid-cols-[1fr_auto] items-center gap-2 border-b border-hair pb-2 max-sm:grid-cols-1"
        >
          <p className="leading-tight">
            <b>{name}</b>
            <span className="block text-soft">
              {remote}, {Math.round(state.stroke[kind] * 100)} % out
            </span>
          </p>
          <fieldset aria-label={name} className="flex flex-wrap gap-1.5">
            <Way kind={kind} lever="out" words={ways[0]} state={state} act={act} />
            <Way kind={kind} lever="neutral" words="hold" state={state} act={act} />
            <Way kind={kind} lever="in" words={ways[1]} state={state} act={act} />
            {float && <Way kind={kind} lever="float" words="float" state={state} act={act} />}
          </fieldset>
        </div>
      ))}
    </section>
  );
}

function Way({
  kind,
  lever,
  words,
  state,
  act,
}: {
  kind: FoldingKind;
  lever: Lever;
  words: string;
  state: Folding;
  act: Act;
}) {
  const on = state.lever[kind] === lever;
  return (
    <button
      type="button"
      aria-pressed={on}
      data-lever={`${kind} ${lever}`}
      onClick={() => act((now) => withLever(now, kind, lever))}
      className={`min-h-12 min-w-16 cursor-pointer rounded-[3px] border-[1.5px] px-3 font-semibold ${on ? "border-dye bg-dye text-sheet" : "border-ink"}`}
    >
      {words}
    </button>
  );
}

function OnFootKeys({ view, act }: { view: RehearsalView; act: Act }) {
  const there: OnFoot[] = [
    "look",
    "locks out",
    "locks in",
    ...(view.has.includes("jack") ? (["stow", "swing"] as const) : []),
    ...(view.swaps ? (["swap"] as const) : []),
    ...(view.has.includes("front lift") ? (["even"] as const) : []),
  ];
  return (
    <section aria-label="On foot" className="flex flex-wrap gap-2">
      {there.map((what) => (
        <button
          key={what}
          type="button"
          className="key min-h-12"
          onClick={() => act((now) => onFoot(now, what))}
        >
          {ON_FOOT[what]}
        </button>
      ))}
    </section>
  );
}

const MARKS = { done: Check, now: CircleDot, later: Circle };

function StepLine({
  step,
  state,
  sim,
}: {
  step: RehearsalView["unfold"][number];
  state: "done" | "now" | "later";
  sim: Folding;
}) {
  const Mark = MARKS[state];
  const missing = state === "now" ? unmetNeeds(step, worldOf(sim)) : [];
  return (
    <li
      className="grid min-h-11 grid-cols-[28px_1fr] items-center gap-2 border-b border-hair py-1 leading-tight"
      data-step={step.id}
      data-state={state}
    >
      <Mark
        size={22}
        aria-label={state}
        className={state === "done" ? "text-ok" : state === "now" ? "text-dye" : "text-soft"}
      />
      <span className={state === "done" ? "text-soft" : ""}>
        {step.text}
        {step.levers.length > 0 && <b className="block text-dye">{step.levers.join("; ")}</b>}
        {missing.length > 0 && (
          <span className="block text-warn">Not yet: {missing.map(stateWords).join("; ")}.</span>
        )}
      </span>
    </li>
  );
}

const TONES: Record<FoldingPart["role"], string> = {
  frame: "fill-ink",
  wing: "fill-steel-2 stroke-ink",
  wheel: "fill-steel stroke-steel-line",
  lift: "fill-steel stroke-ink",
  cradle: "fill-dye",
  jack: "fill-warn",
  ground: "fill-soil",
};

/** The tool from behind above, from the side below; a phone has room for the first alone. Moved by the same state as the levers. */
function RehearsalPicture({ state, small = false }: { state: Folding; small?: boolean }) {
  const sketch = sketchOf(state);
  const draw = (parts: readonly FoldingPart[]) =>
    parts.map(({ id, role, points }) => (
      <polygon
        key={id}
        points={points.map((point) => point.join(",")).join(" ")}
        className={`${TONES[role]} stroke-[1.5px]`}
      />
    ));
  return (
    <svg
      viewBox={`0 0 ${sketch.width} ${small ? sketch.height / 2 : sketch.height}`}
      className="w-full"
      role="img"
      aria-label="The tool from behind and from the side"
    >
      <text x="12" y="244" className="fill-soft text-[17px]">
        From behind
      </text>
      {draw(sketch.rear)}
      {!small && (
        <g transform={`translate(0 ${sketch.height / 2})`}>
          <text x="12" y="244" className="fill-soft text-[17px]">
            From the side, travel to the right
          </text>
          {draw(sketch.side)}
        </g>
      )}
    </svg>
  );
}
