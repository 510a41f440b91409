import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { Pin } from "lucide-react";
import { Fragment, useEffect } from "react";
import { Link } from "react-router";
import type { HoseColumn, HoseRow, HoseSheet } from "../../../core/drawing/hoses.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { toast } from "../../ui/toast.ts";
import type { Board, BoardColumn, BoardRow } from "./hoses-view.ts";

/** The tractor from behind, its couplings in a row, the hoses hanging to the functions. A plug is pulled to another coupling, or moved by arrow keys. */
export function HoseBoard({ board, action }: { board: Board; action: string }) {
  const { sheet, rows, columns, shown } = board;
  const { errors, kept, submit } = useOutcome(action);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  useEffect(() => {
    const [problem] = Object.values(errors);
    if (problem) toast("error", problem);
  }, [errors]);
  const pin = (fn: number, remote: number | null) =>
    submit({ intent: "pin-hose", function: String(fn), remote: remote === null ? "" : String(remote) });
  const dropped = ({ active, over }: DragEndEvent) => {
    if (over) pin(Number(active.id), Number(over.id));
  };
  const share = (x: number) => `${(100 * x) / sheet.width}%`;
  return (
    <DndContext sensors={sensors} onDragEnd={dropped} autoScroll={false} id="hoses">
      <section
        aria-label={`Couplings and hoses at ${shown}`}
        className="relative w-full overflow-hidden"
        style={{ height: sheet.height }}
      >
        <Machine sheet={sheet} share={share} />
        <p className="absolute top-2 left-3 leading-tight text-soft">
          From behind,
          <b className="block text-ink first-letter:uppercase">{shown}</b>
        </p>
        {rows.map((row, at) => (
          <Row key={row.id} row={row} at={sheet.rows[at]!} sheet={sheet} />
        ))}
        {sheet.hoses.map(({ fn, x, from, to }) => (
          <span
            key={fn}
            aria-hidden="true"
            className="pointer-events-none absolute z-10 w-[7px] -translate-x-1/2 rounded-full border-x-2 border-ink bg-steel-2"
            style={{ left: share(x), top: from, height: to - from }}
          />
        ))}
        {sheet.columns.map((column, at) => (
          <Coupling key={column.remote} column={column} about={columns[at]!} sheet={sheet} share={share} />
        ))}
        {rows.map((row, at) => (
          <Plug key={row.id} row={row} at={sheet.rows[at]!} columns={columns} share={share} pin={pin} />
        ))}
      </section>
      {kept?.undo && (
        <p className="flex items-center justify-between gap-3 border-t border-line px-3 py-1" data-moved>
          {kept.said}
          <button type="button" className="key" onClick={() => submit(kept.undo!)}>
            Undo
          </button>
        </p>
      )}
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 border-t border-line p-3">
        {board.facts.map(({ label, text }) => (
          <Fragment key={label}>
            <dt className="text-soft">{label}</dt>
            <dd>{text}</dd>
          </Fragment>
        ))}
      </dl>
    </DndContext>
  );
}

type Share = (x: number) => string;

/** Tyres, body and cab from behind, for recognition only. */
function Machine({ sheet, share }: { sheet: HoseSheet; share: Share }) {
  const parts = [
    ...sheet.tyres.map((box) => ({ box, tone: "bg-steel-2 rounded-[8px]" })),
    { box: sheet.body, tone: "bg-steel" },
    { box: sheet.cab, tone: "bg-sheet" },
  ];
  return (
    <div aria-hidden="true">
      {parts.map(({ box, tone }) => (
        <span
          key={`${box.x} ${box.y}`}
          className={`absolute border-[1.5px] border-dashed border-steel-line ${tone}`}
          style={{ left: share(box.x), top: box.y, width: share(box.w), height: box.h }}
        />
      ))}
    </div>
  );
}

function Coupling({
  column,
  about,
  sheet,
  share,
}: {
  column: HoseColumn;
  about: BoardColumn;
  sheet: HoseSheet;
  share: Share;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: about.id });
  const pitch =
    sheet.columns.length > 1 ? sheet.columns[1]!.x - sheet.columns[0]!.x : sheet.width - sheet.labels;
  return (
    <>
      <span
        ref={setNodeRef}
        className={`pointer-events-none absolute bottom-0 -translate-x-1/2 rounded-[4px] ${isOver ? "bg-dye-wash outline-2 outline-dye" : ""}`}
        style={{ left: share(column.x), top: sheet.couplings - 40, width: share(pitch - 4) }}
      />
      <span
        title={`${about.name}${about.lever ? `, ${about.lever}` : ""}`}
        className="absolute z-20 grid -translate-x-1/2 justify-items-center"
        style={{ left: share(column.x), top: sheet.couplings - 30 }}
      >
        <b className="rounded-[3px] border-[1.5px] border-ink bg-sheet px-1.5 leading-snug whitespace-nowrap">
          {column.label}
        </b>
        <span className="mt-1 flex gap-[3px]" aria-hidden="true">
          {(column.pair ? [0, 1] : [0]).map((port) => (
            <span key={port} className="size-[11px] rounded-full border-2 border-ink bg-sheet" />
          ))}
        </span>
      </span>
    </>
  );
}

function Row({ row, at, sheet }: { row: BoardRow; at: HoseRow; sheet: HoseSheet }) {
  const away = at.remote === null;
  return (
    <Link
      to={row.href}
      preventScrollReset
      replace
      data-hose={row.id}
      className={`absolute right-0 left-0 grid content-center border-t border-hair pl-3 leading-tight no-underline ${row.open ? "bg-dye-wash" : ""}`}
      style={{ top: at.y - sheet.row / 2, height: sheet.row }}
    >
      <span style={{ width: `${(100 * sheet.labels) / sheet.width}%` }} className="pr-1">
        <b className={away ? "text-soft" : row.open ? "text-dye" : ""}>{row.name}</b>
        <span className="block truncate text-small text-soft">{row.where}</span>
      </span>
    </Link>
  );
}

type PlugProps = {
  row: BoardRow;
  at: HoseRow;
  columns: readonly BoardColumn[];
  share: Share;
  pin: (fn: number, remote: number | null) => void;
};

function Plug({ row, at, columns, share, pin }: PlugProps) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: row.id });
  if (at.x === null) return null;
  const moved = transform ? `translate(${transform.x}px, ${transform.y}px)` : "";
  const press = ({ key }: React.KeyboardEvent) => {
    const step = key === "ArrowLeft" ? -1 : key === "ArrowRight" ? 1 : 0;
    const next = step !== 0 && at.remote !== null ? columns[at.remote + step] : undefined;
    if (next) pin(row.id, next.id);
    if (key === "Delete" || key === "Backspace") pin(row.id, null);
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      onKeyDown={press}
      aria-label={`${row.name}, on ${row.where}${row.pinned ? ", pinned" : ""}. Arrow keys move it, Delete lets it go.`}
      className={`absolute z-30 grid size-11 cursor-grab touch-none place-items-center ${isDragging ? "cursor-grabbing opacity-80" : ""}`}
      style={{ left: share(at.x), top: at.y, transform: `translate(-50%, -50%) ${moved}` }}
    >
      <span
        className={`grid size-7 place-items-center rounded-full border-2 text-sheet ${row.pinned ? "border-dye bg-dye" : "border-ink bg-ink"}`}
      >
        {row.pinned && <Pin size={15} aria-hidden="true" />}
      </span>
    </button>
  );
}
