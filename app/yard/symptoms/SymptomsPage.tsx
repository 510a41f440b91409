import { ChevronDown } from "lucide-react";
import { useState } from "react";
import { Form, Link, useSearchParams, useSubmit } from "react-router";
import { PICTURES, type PictureKey } from "../../../core/symptom/pictures.ts";
import type { Route } from "../../routes/+types/symptoms";
import { SelectField, TextField } from "../../ui/Field.tsx";
import { YardFrame } from "../YardFrame.tsx";
import type { Known, SymptomsView } from "./symptoms-view.server.ts";

const INKS = {
  soil: "var(--soil)",
  iron: "var(--ink)",
  line: "var(--steel-2)",
  alarm: "var(--stop)",
  green: "var(--ok)",
} as const;

/** From what one sees to what to test first: suspects in order, each with its test, its cure, and what is known of it on the rig. */
export function SymptomsPage({ loaderData: { preferences, view } }: Route.ComponentProps) {
  const [search] = useSearchParams();
  const submit = useSubmit();
  const ask = (event: React.FormEvent<HTMLFormElement>) =>
    submit(event.currentTarget, { replace: true, preventScrollReset: true });
  return (
    <YardFrame preferences={preferences} here={null}>
      <div>
        <h1>What do you see?</h1>
        <p className="text-lead text-soft">
          Suspects in the order to check them.{" "}
          {view.rig
            ? `On ${view.rig.name}, with what is known of each.`
            : "Choose a rig: then each leads to where it is tested."}
        </p>
      </div>
      <Form onChange={ask} className="grid grid-cols-2 gap-3 max-sm:grid-cols-1" role="search">
        <TextField
          name="find"
          label="In your words"
          placeholder="soil on seedlings, pulls aside, gaps"
          defaultValue={search.get("find") ?? ""}
          autoComplete="off"
        />
        <SelectField
          name="rig"
          label="On which rig"
          defaultValue={String(view.rig?.id ?? "")}
          choices={[["", "any"], ...view.rigs.map(({ id, name }) => [String(id), name] as const)]}
        />
      </Form>
      {view.symptoms.length === 0 ? (
        <p role="status" className="text-lead">
          Nothing by these words{view.rig && " on this rig"}. Try one of them alone: gap, deep, pulls, trash,
          wheel.
        </p>
      ) : (
        <ul className="gap-6 lg:columns-2">
          {view.symptoms.map((each) => (
            <Row key={each.key} symptom={each} alone={view.symptoms.length === 1} />
          ))}
        </ul>
      )}
    </YardFrame>
  );
}

type Shown = SymptomsView["symptoms"][number];

function Row({ symptom: { key, seen, picture, causes }, alone }: { symptom: Shown; alone: boolean }) {
  const [opened, setOpened] = useState<boolean | null>(null);
  const open = opened ?? alone;
  return (
    <li data-symptom={key} className="mb-1 break-inside-avoid border-b border-hair">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpened(!open)}
        className="grid min-h-14 w-full cursor-pointer grid-cols-[72px_1fr_20px] items-center gap-3 py-1.5 text-left"
      >
        <Picture of={picture} />
        <b className="font-[650] leading-snug">{seen}</b>
        <ChevronDown size={20} aria-hidden="true" className={open ? "rotate-180" : ""} />
      </button>
      {open && (
        <ol className="grid gap-3 pb-4">
          {causes.map((each, at) => (
            <Suspect key={each.what} number={at + 1} cause={each} />
          ))}
        </ol>
      )}
    </li>
  );
}

function Suspect({
  number,
  cause: { what, test, cure, href, at, known },
}: {
  number: number;
  cause: Shown["causes"][number];
}) {
  return (
    <li className="grid grid-cols-[28px_1fr] gap-x-2 leading-snug">
      <b className="text-dye">{number}</b>
      <div className="grid gap-0.5">
        <b className="font-[650]">{what}</b>
        <span>{test}</span>
        <span className="text-soft">Cure: {cure}</span>
        {known && <State known={known} />}
        {href ? (
          <Link to={href} className="flex min-h-11 items-center font-semibold text-dye">
            Test it: {at}
          </Link>
        ) : (
          <span className="text-small text-soft">Tested at: {at}</span>
        )}
      </div>
    </li>
  );
}

const STATES = {
  good: ["Good so far", "text-ok"],
  bad: ["Off", "text-warn"],
  open: ["Open", "text-soft"],
} as const;

function State({ known: { state, said } }: { known: Known }) {
  const [word, color] = STATES[state];
  return (
    <span data-known={state} className={`font-semibold ${color}`}>
      {word}: <span className="font-normal">{said}</span>
    </span>
  );
}

function Picture({ of }: { of: PictureKey }) {
  return (
    <svg viewBox="0 0 64 44" className="h-11 w-16 border border-hair bg-sheet" aria-hidden="true">
      {PICTURES[of].map((stroke) => {
        const { d, ink } = stroke;
        const filled = "fill" in stroke;
        return (
          <path
            key={d}
            d={d}
            fill={filled ? INKS[ink] : "none"}
            stroke={filled ? "none" : INKS[ink]}
            strokeWidth={"width" in stroke ? stroke.width : 2}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        );
      })}
    </svg>
  );
}
