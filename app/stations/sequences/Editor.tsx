import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { GripVertical, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { v4 as uuid } from "uuid";
import { faultsOf } from "../../../core/sequence/check.ts";
import { type EditedStep, editedOf, OWN, stepsOf } from "../../../core/sequence/edit.ts";
import type { SequenceKind, Step, World } from "../../../core/sequence/step.ts";
import { useOutcome } from "../../entry/use-outcome.ts";
import { TextField } from "../../ui/Field.tsx";

type Props = {
  kind: SequenceKind;
  /** the list as it stands, and every step there is to take from */
  steps: Step[];
  known: Step[];
  start: World;
  edited: boolean;
  action: string;
  backHref: string;
  person: string;
};

/** A list put in order by hand, or by keys; what is wrong with it is said while it is edited, by the same core as on the server. */
export function Editor({ kind, steps, known, start, edited, action, backHref, person }: Props) {
  const [past, setPast] = useState<EditedStep[][]>([]);
  const [list, setList] = useState<EditedStep[]>(() => steps.map(editedOf));
  const { fetcher, errors } = useOutcome(action);
  const change = (next: EditedStep[]) => {
    setPast([...past, list]);
    setList(next);
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setPast(past.slice(0, -1));
    setList(last);
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const [from, to] = [active.id, over.id].map((id) => list.findIndex((step) => step.id === id)) as [
      number,
      number,
    ];
    const next = [...list];
    const [moved] = next.splice(from, 1);
    next.splice(to, 0, moved!);
    change(next);
  };
  const faults = faultsOf(start, { kind, steps: stepsOf(list, known) });
  const missing = known.filter(({ id }) => !list.some((step) => step.id === id));
  return (
    <div className="grid gap-4">
      <section aria-label="What is wrong with this list" data-faults={faults.length}>
        {faults.length === 0 ? (
          <p className="font-semibold text-ok">Sound: everything a step needs is done before it.</p>
        ) : (
          <ul className="border-l-[5px] border-stop bg-stop-wash p-3">
            {faults.map(({ step, text }) => (
              <li key={`${step} ${text}`}>{text}</li>
            ))}
          </ul>
        )}
      </section>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped} id="editor">
        <SortableContext items={list.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol>
            {list.map((step, at) => (
              <Line
                key={step.id}
                step={step}
                at={at + 1}
                wrong={faults.some((fault) => fault.step === step.id)}
                onChange={(words) =>
                  change(list.map((each) => (each.id === step.id ? { ...each, ...words } : each)))
                }
                onRemove={() => change(list.filter(({ id }) => id !== step.id))}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="key" onClick={undo} disabled={past.length === 0}>
          Undo
        </button>
        <button
          type="button"
          className="key"
          onClick={() =>
            change([
              ...list,
              { id: `${OWN}${uuid()}`, text: "A step of our own", look: "", caution: "", after: [] },
            ])
          }
        >
          A step of our own
        </button>
        {missing.map((step) => (
          <button
            key={step.id}
            type="button"
            className="key"
            onClick={() => change([...list, editedOf(step)])}
          >
            Put back: {step.text}
          </button>
        ))}
      </div>
      <fetcher.Form method="post" action={action} className="flex flex-wrap items-end gap-2" noValidate>
        <input type="hidden" name="intent" value="keep-list" />
        <input type="hidden" name="kind" value={kind} />
        <TextField name="person" label="Who edits" defaultValue={person} problem={errors.person} />
        <button type="submit" name="steps" value={JSON.stringify(list)} className="key-main">
          Save this list
        </button>
        {edited && (
          <button type="submit" name="steps" value="template" className="key">
            Back to the template
          </button>
        )}
        <Link to={backHref} className="key">
          Close
        </Link>
      </fetcher.Form>
      {errors.form && (
        <p role="alert" className="problem">
          {errors.form}
        </p>
      )}
    </div>
  );
}

type LineProps = {
  step: EditedStep;
  at: number;
  wrong: boolean;
  onChange: (words: Partial<EditedStep>) => void;
  onRemove: () => void;
};

function Line({ step, at, wrong, onChange, onRemove }: LineProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: step.id,
  });
  const word = (name: "text" | "look" | "caution", label: string) => (
    <TextField
      name={name}
      label={label}
      defaultValue={step[name]}
      onBlur={({ target }) => target.value !== step[name] && onChange({ [name]: target.value })}
    />
  );
  return (
    <li
      ref={setNodeRef}
      data-edit={step.id}
      style={{ transform: CSS.Transform.toString(transform), transition }}
      className={`grid grid-cols-[48px_1fr_48px] items-center border-b border-hair bg-paper ${isDragging ? "relative z-10 outline-2 outline-dye" : ""} ${wrong ? "border-l-[5px] border-l-stop" : ""}`}
    >
      <button
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move step ${at}: ${step.text}`}
        className="grid size-12 cursor-grab touch-none place-items-center text-soft"
      >
        <GripVertical size={22} aria-hidden="true" />
      </button>
      <details>
        <summary className="flex min-h-12 cursor-pointer items-center leading-tight">
          <span>
            <b>{at}.</b> {step.text}
          </span>
        </summary>
        <div className="grid gap-2 pb-3">
          {word("text", "What to do")}
          {word("look", "What to look for")}
          {word("caution", "Caution")}
        </div>
      </details>
      <button
        type="button"
        onClick={onRemove}
        aria-label={`Take out step ${at}: ${step.text}`}
        className="grid size-12 cursor-pointer place-items-center text-soft"
      >
        <Trash2 size={20} aria-hidden="true" />
      </button>
    </li>
  );
}
