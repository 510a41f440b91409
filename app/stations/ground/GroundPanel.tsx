import { Link } from "react-router";
import { Adjusters } from "./Adjusters.tsx";
import { DepthMap } from "./DepthMap.tsx";
import type { GroundView } from "./ground-view.server.ts";
import { NewMap } from "./NewMap.tsx";

type Props = { view: GroundView; action: string; person: string; paper: string };

/** Depth and level of the tool in view: what the ground says, what to turn, and the next map. `paper`: address of what is printed to take along. */
export function GroundPanel({ view, action, person, paper }: Props) {
  if (!view.digs && !view.guided)
    return (
      <section id="depth-map" aria-label="Depth map">
        <div id="strip">
          <p id="adjusters" className="text-soft">
            This tool works at no depth in the soil.
          </p>
        </div>
      </section>
    );
  const adjusters = (
    <>
      <Adjusters view={view.adjusters} action={action} person={person} />
      <Link to={paper} className="key justify-self-start">
        Paper to take along
      </Link>
    </>
  );
  if (!view.mapped) return adjusters;
  return (
    <>
      <section
        id="depth-map"
        aria-label="Depth map"
        className="grid scroll-mt-4 grid-cols-[minmax(0,1fr)] gap-3"
      >
        <h2 className="border-b-2 border-ink pb-1">
          Depth map <span className="font-normal text-soft">{view.map?.field}</span>
        </h2>
        {view.map && <DepthMap map={view.map} action={action} person={person} />}
        <NewMap key={view.map?.when ?? ""} asked={view.form} action={action} person={person} />
      </section>
      {adjusters}
    </>
  );
}
