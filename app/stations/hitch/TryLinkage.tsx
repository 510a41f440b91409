import { useState } from "react";
import { brokenWords, drawTrial } from "../../../core/drawing/linkage-side.ts";
import { carried, type Posed, turnsFor } from "../../../core/linkage/linkage.ts";
import { pitchWords } from "../../../core/linkage/words.ts";
import { capital } from "../../../core/quantity/capital.ts";
import { printLength } from "../../../core/quantity/length.ts";
import { inWords } from "../../../core/quantity/said.ts";
import { PlanDrawing } from "../../drawing/PlanDrawing.tsx";
import { Slide } from "../../ui/Slide.tsx";
import type { Trial } from "./hitch-view.ts";

/** Lift it and turn the top link on the screen first: the drawing and the pitch follow. Nothing is kept. */
export function TryLinkage({ trial }: { trial: Trial }) {
  const { shape, units, lift, top } = trial;
  const [ballHeight, setBallHeight] = useState(shape.ballHeight);
  const [topLink, setTopLink] = useState(shape.linkage.topLink);
  const tried = { ...shape, ballHeight, linkage: { ...shape.linkage, topLink } };
  const { plan, posed } = drawTrial(tried, { width: 340, height: 264, units, notes: false, ghosts: true });
  const changed = ballHeight !== shape.ballHeight || topLink !== shape.linkage.topLink;
  return (
    <section aria-label="Try it" className="grid gap-1 border-[1.5px] border-line px-3 py-2" data-try>
      <div className="flex min-h-11 items-center justify-between gap-2">
        <h2>
          Try it <span className="font-normal text-soft">nothing is saved</span>
        </h2>
        {changed && (
          <button
            type="button"
            className="key"
            onClick={() => {
              setBallHeight(shape.ballHeight);
              setTopLink(shape.linkage.topLink);
            }}
          >
            As it is
          </button>
        )}
      </div>
      <div className="grid grid-cols-[340px_1fr] items-center gap-4 max-sm:grid-cols-1">
        <PlanDrawing plan={plan} title="The linkage as it is tried" hrefOf={null} lit={null} />
        <div className="grid gap-3">
          <Slide
            label="Link ends above ground"
            shown={printLength(ballHeight, units.tape)}
            range={lift}
            value={ballHeight}
            onSlide={setBallHeight}
          />
          <Slide
            label="Top link"
            shown={printLength(topLink, units.tape)}
            range={top}
            value={topLink}
            onSlide={setTopLink}
          />
          <p className="font-[650] leading-snug" aria-live="polite" data-tried>
            {triedWords(posed, trial, topLink).join(" ")}
          </p>
        </div>
      </div>
    </section>
  );
}

function triedWords(posed: Posed, { shape, units, thread }: Trial, topLink: number): string[] {
  if (!posed.ok) return [`${brokenWords(posed)}, by ${printLength(posed.by, units.small)}.`];
  const { pose } = posed;
  const pitch = inWords(pitchWords(shape.ahead ? -pose.pitch : pose.pitch), units);
  const { back, under } = shape.tool;
  const clear = carried(pose, { back, up: -under }).z;
  const turns = thread && turnsFor(topLink - shape.linkage.topLink, thread);
  return [
    `${capital(pitch)}.`,
    clear >= 0
      ? `Its lowest part ${printLength(clear, units.tape)} above the road.`
      : `Its lowest part ${printLength(-clear, units.tape)} in the ground.`,
    turns?.direction ? `${turns.turns.toFixed(1)} turns ${turns.direction} than now.` : "",
  ].filter(Boolean);
}
