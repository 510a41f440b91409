import { type AdjusterMark, TAG } from "../../../core/drawing/adjusters.ts";
import { PlanDrawing } from "../../drawing/PlanDrawing.tsx";
import type { AdjustersView, AdjusterView } from "./adjusters-view.server.ts";

/** Where each sits, from above and from behind, to scale; a press on its number leads to where it is set. `paper`: nothing is pressed there. */
export function AdjustersDrawn({ view, paper = false }: { view: AdjustersView; paper?: boolean }) {
  const { drawn, unplaced } = view;
  if (!drawn)
    return (
      <p className="text-soft">
        Nobody said where they sit. Told under <i>Tell one otherwise</i>, they are drawn on the tool.
      </p>
    );
  const named = new Map(view.groups.flatMap(({ members }) => members).map((each) => [each.id, each]));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-1" data-adjusters-drawn>
      <div className="flex flex-wrap items-start gap-4">
        <Seen
          title="From above, travel upward"
          of={drawn.plan}
          named={named}
          one={paper ? Numbered : Pressed}
        />
        <Seen title="From behind" of={drawn.rear} named={named} one={paper ? Numbered : Pressed} />
      </div>
      <p className="text-small text-soft">
        To scale.{!paper && " Press a number to set it."}
        {drawn.plan.marks.some(({ slave }) => slave) && " Grey: a slave, which follows its master."}
        {drawn.rear.marks.some(({ assumed }) => assumed) && " Dashed: its height is assumed."}
        {unplaced.length > 0 && ` Not drawn, since nobody said where: ${unplaced.join(", ")}.`}
      </p>
    </div>
  );
}

type Of = NonNullable<AdjustersView["drawn"]>["plan"];

function Seen({
  title,
  of: { drawn, marks, view },
  named,
  one: One,
}: {
  title: string;
  of: Of;
  one: (one: One) => React.ReactNode;
  named: ReadonlyMap<number, AdjusterView>;
}) {
  return (
    <figure className="grid content-start gap-0.5" style={{ width: view.w, maxWidth: "100%" }}>
      <figcaption className="text-small text-soft">{title}</figcaption>
      <section className="overflow-x-auto">
        <div style={{ minWidth: view.w * 0.95 }}>
          <PlanDrawing
            plan={drawn}
            bare
            title={`Adjusters, ${title.toLowerCase()}`}
            hrefOf={null}
            lit={null}
            view={view}
            className="w-full"
          >
            {marks.map((mark) => {
              const adjuster = named.get(mark.id);
              return adjuster ? <One key={mark.id} mark={mark} adjuster={adjuster} /> : null;
            })}
          </PlanDrawing>
        </div>
      </section>
    </figure>
  );
}

type One = { mark: AdjusterMark; adjuster: AdjusterView };

/** A press leads to the field where it is set. */
function Pressed({ mark, adjuster }: One) {
  const { name, label, setting } = adjuster;
  const go = (event: React.MouseEvent) => {
    const field = document.getElementById(name);
    if (!(field instanceof HTMLInputElement)) return;
    event.preventDefault();
    field.scrollIntoView({ block: "center" });
    field.focus();
    field.select();
  };
  return (
    <a
      href={`#${name}`}
      onClick={go}
      aria-label={`${mark.number} ${label}, stands at ${setting ?? "not known"}`}
    >
      <Numbered mark={mark} adjuster={adjuster} />
    </a>
  );
}

function Numbered({ mark, adjuster: { label } }: One) {
  const { number, x, y, tag, assumed, slave } = mark;
  const tone = slave ? "var(--soft)" : "var(--dye)";
  const away = Math.hypot(tag.x - x, tag.y - y) > 1;
  return (
    <g data-mark={label}>
      {away && <line x1={x} y1={y} x2={tag.x} y2={tag.y} stroke={tone} strokeWidth={1.5} />}
      {away && <circle cx={x} cy={y} r={4} fill={tone} />}
      <circle
        cx={tag.x}
        cy={tag.y}
        r={TAG}
        fill="var(--sheet)"
        stroke={tone}
        strokeWidth={2}
        strokeDasharray={assumed ? "4 3" : undefined}
      />
      <text x={tag.x} y={tag.y + 5.5} textAnchor="middle" fontSize={16} fontWeight={700} fill={tone}>
        {number}
      </text>
    </g>
  );
}
