import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { Pin } from "lucide-react";
import { useRef, useState } from "react";
import { type Block, changeoversOf } from "../../../core/season/plan/blocks.ts";
import { dateAfter, weekdayOf } from "../../../core/season/plan/kept.ts";
import type { Solved } from "../../../core/season/plan/solve.ts";
import type { PlanView } from "./plan-view.server.ts";
import { dateWords, hoursWords, minutesWords, type PickedKey } from "./plan-words.ts";

const ROW = 60;
const LETTERS = ["M", "T", "W", "T", "F", "S", "S"];

type Props = {
  view: PlanView;
  solved: Solved | null;
  blocks: readonly Block[];
  picked: Block | null;
  onPick: (key: PickedKey) => void;
  onPull: (block: Block, tractor: number, day: number) => void;
};

const idOf = ({ job, tractor, from }: Block) => `${job} ${tractor} ${from}`;

/** Tractors down, days across, each stretch of work where it lies: to scale, a day as wide as its neighbour. Pulled by mouse, finger or keys. */
export function Calendar({ view, solved, blocks, picked, onPick, onPull }: Props) {
  const { asked, first } = view;
  const sheet = useRef<HTMLDivElement>(null);
  const [shadow, setShadow] = useState<{ tractor: number; day: number; fits: boolean } | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 6 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 220, tolerance: 8 } }),
  );
  const days = asked.days.length;
  const width = () => (sheet.current?.getBoundingClientRect().width ?? 1) / days;
  const target = ({ active, delta }: DragMoveEvent | DragEndEvent) => {
    const block = blocks.find((each) => idOf(each) === active.id);
    if (!block) return null;
    const day = block.from + Math.round(delta.x / width());
    const tractor = block.tractor + Math.round(delta.y / ROW);
    const fits =
      day >= 0 &&
      day < days &&
      asked.tractors[tractor] !== undefined &&
      asked.jobs[block.job]!.ways.some((way) => way.tractor === tractor);
    return { block, day, tractor, fits };
  };
  const dropped = (event: DragEndEvent) => {
    setShadow(null);
    const found = target(event);
    if (!found) return;
    const { block, day, tractor } = found;
    if (day === block.from && tractor === block.tractor) onPick({ job: block.job, tractor, from: day });
    else
      onPull(
        block,
        Math.max(0, Math.min(asked.tractors.length - 1, tractor)),
        Math.max(0, Math.min(days - 1, day)),
      );
  };
  const window = picked ? asked.jobs[picked.job]! : null;
  return (
    <DndContext
      id="plan"
      sensors={sensors}
      autoScroll={false}
      onDragMove={(event) => {
        const found = target(event);
        setShadow(found && { tractor: found.tractor, day: found.day, fits: found.fits });
      }}
      onDragEnd={dropped}
      onDragCancel={() => setShadow(null)}
    >
      <div className="overflow-x-auto" data-calendar>
        <div
          className="grid grid-cols-[104px_1fr] max-sm:grid-cols-[52px_1fr]"
          style={{ minWidth: Math.max(860, 104 + 26 * days) }}
        >
          <span />
          <Heads first={first} days={asked.days} />
          <div className="sticky left-0 z-30 bg-paper">
            {asked.tractors.map(({ id, name }) => (
              <p
                key={id}
                className="grid content-center border-b border-hair pr-2 leading-tight font-bold"
                style={{ height: ROW }}
              >
                {name}
              </p>
            ))}
          </div>
          <div ref={sheet} className="relative bg-sheet" style={{ height: ROW * asked.tractors.length }}>
            <Ground view={view} window={window} />
            {shadow && (
              <span
                aria-hidden="true"
                className={`pointer-events-none absolute z-0 border-2 border-dashed ${shadow.fits ? "border-dye bg-dye-wash" : "border-stop bg-stop-wash"}`}
                style={{
                  left: `${(100 * shadow.day) / days}%`,
                  top: shadow.tractor * ROW + 3,
                  width: `${100 / days}%`,
                  height: ROW - 6,
                }}
              />
            )}
            {solved &&
              changeoversOf(asked, solved.plan).map(({ tractor, day, time, to }) => (
                <span
                  key={`${tractor} ${day}`}
                  data-changeover={`${tractor} ${day}`}
                  className="absolute w-[4px] bg-warn"
                  style={{
                    left: `${(100 * day) / days}%`,
                    top: tractor * ROW + (to === 0 ? ROW / 2 : 1),
                    height: to === 0 ? ROW / 2 - 1 : ROW - 2,
                  }}
                  title={`${dateWords(dateAfter(first, day))}: ${minutesWords(time)} of setting`}
                />
              ))}
            {blocks.map((block) => (
              <Bar
                key={idOf(block)}
                block={block}
                view={view}
                room={roomOf(block, blocks, days)}
                isPicked={block === picked}
                onPick={onPick}
                onPull={onPull}
              />
            ))}
          </div>
        </div>
      </div>
      <p className="flex flex-wrap gap-x-5 text-small text-soft">
        <span>
          <span aria-hidden="true" className="mr-1 inline-block h-3 w-[4px] bg-warn" /> coupled and set,
          before work
        </span>
        <span>
          <span aria-hidden="true" className="mr-1 inline-block size-3 border-2 border-stop bg-stop-wash" />{" "}
          beside its window
        </span>
        <span>
          <Pin aria-hidden="true" className="mr-1 inline size-3.5" />
          pulled there by hand, and stays
        </span>
        <span>
          <span aria-hidden="true" className="mr-1 inline-block size-3 bg-steel" /> day off, or not there
        </span>
        <span>Pull a bar, or choose it and use the arrow keys.</span>
      </p>
    </DndContext>
  );
}

function Heads({ first, days }: { first: string; days: readonly number[] }) {
  const narrow = days.length > 35;
  return (
    <div className="relative h-11 border-b-2 border-ink">
      {days.map((_, day) => {
        const date = dateAfter(first, day);
        const weekday = weekdayOf(date);
        const left = `${(100 * day) / days.length}%`;
        return (
          <span key={date} className="absolute top-0 h-full" style={{ left, width: `${100 / days.length}%` }}>
            {(weekday === 0 || day === 0) && (
              <b className="absolute top-0 left-0.5 text-small whitespace-nowrap">
                {dateWords(date).slice(4)}
              </b>
            )}
            {!narrow && (
              <span className="absolute bottom-0.5 left-0.5 text-small text-soft">{LETTERS[weekday]}</span>
            )}
          </span>
        );
      })}
    </div>
  );
}

/** Days off, days away, and the window of the job that is looked at. */
function Ground({ view, window }: { view: PlanView; window: { from: number; to: number } | null }) {
  const { asked, first } = view;
  const days = asked.days.length;
  const share = (count: number) => `${(100 * count) / days}%`;
  return (
    <div aria-hidden="true">
      {asked.days.map((there, day) => (
        <span
          key={dateAfter(first, day)}
          className={`absolute inset-y-0 border-l ${weekdayOf(dateAfter(first, day)) === 0 ? "border-line" : "border-hair"} ${there === 0 ? "bg-steel" : ""}`}
          style={{ left: share(day), width: share(1) }}
        />
      ))}
      {window && (
        <span
          className="absolute inset-y-0 border-x-[3px] border-dye bg-dye-wash opacity-60"
          style={{
            left: share(Math.max(0, window.from)),
            width: share(window.to - Math.max(0, window.from) + 1),
          }}
        />
      )}
      {asked.tractors.map(({ id, away }, tractor) => (
        <span key={id}>
          {[...away].map((day) => (
            <span
              key={day}
              className="absolute bg-steel"
              style={{ left: share(day), width: share(1), top: tractor * ROW, height: ROW }}
            />
          ))}
          <span
            className="absolute inset-x-0 border-b border-hair"
            style={{ top: tractor * ROW, height: ROW }}
          />
        </span>
      ))}
    </div>
  );
}

/** Days from where a bar begins to the next on its tractor. */
const roomOf = ({ tractor, begin }: Block, blocks: readonly Block[], days: number): number =>
  Math.min(
    days,
    ...blocks.flatMap((other) => (other.tractor === tractor && other.begin > begin ? [other.begin] : [])),
  ) - begin;

/** A day is so many pixels wide at the least. */
const wide = (days: number) => Math.max(26, 750 / days);

type BarProps = {
  block: Block;
  room: number;
  view: PlanView;
  isPicked: boolean;
  onPick: (key: PickedKey) => void;
  onPull: (block: Block, tractor: number, day: number) => void;
};

function Bar({ block, view, room, isPicked, onPick, onPull }: BarProps) {
  const { asked, first } = view;
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: idOf(block) });
  const { job, tractor, from } = block;
  const days = asked.days.length;
  const name = asked.jobs[job]!.name;
  // A short stretch is drawn wide enough to be met by a finger, where the next does not begin before.
  const shown = Math.max(block.end - block.begin, Math.min(26 / wide(days), room));
  const pixels = shown * wide(days);
  const words = `${job + 1} ${name}, ${asked.tractors[tractor]!.name}, ${dateWords(dateAfter(first, from))} to ${dateWords(dateAfter(first, block.to))}, ${hoursWords(block.time)}${block.late > 0 ? ", beside its window" : ""}${block.pinned ? ", pulled there" : ""}`;
  const keys = (event: React.KeyboardEvent) => {
    const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    if (!by) return;
    event.preventDefault();
    const [down, on] = by as [number, number];
    const able = asked.jobs[job]!.ways.map((way) => way.tractor).sort((a, b) => a - b);
    const next =
      down === 0
        ? tractor
        : down > 0
          ? able.find((each) => each > tractor)
          : able.findLast((each) => each < tractor);
    if (next === undefined) return;
    let day = from + on;
    while (on !== 0 && asked.days[day] === 0) day += on;
    onPull(block, next, day);
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      data-bar={name}
      data-tractor={asked.tractors[tractor]!.name}
      data-from={dateAfter(first, from)}
      data-pinned={block.pinned || undefined}
      aria-label={words}
      aria-pressed={isPicked}
      title={words}
      {...listeners}
      onClick={() => onPick({ job, tractor, from })}
      onKeyDown={keys}
      className={`absolute z-10 flex touch-pan-x items-center gap-0.5 overflow-hidden rounded-[3px] border-2 px-0.5 text-left text-small leading-tight font-semibold ${
        block.late > 0 ? "border-stop bg-stop-wash" : "border-ink bg-check-wash"
      } ${isPicked ? "outline-3 outline-dye" : ""} ${isDragging ? "z-20 cursor-grabbing opacity-80" : "cursor-grab"}`}
      style={{
        left: `${(100 * block.begin) / days}%`,
        width: `${(100 * shown) / days}%`,
        top: tractor * ROW + 8,
        height: ROW - 16,
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      {block.pinned && <Pin aria-hidden="true" className="size-3.5 shrink-0" />}
      {pixels > 16 && <span className="line-clamp-2">{pixels > 74 ? `${job + 1} ${name}` : job + 1}</span>}
    </button>
  );
}
