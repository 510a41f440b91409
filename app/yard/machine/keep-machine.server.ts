import { redirect } from "react-router";
import { POINTS_OF, SINGLE } from "../../../core/dimension/point-kinds.ts";
import type { Database } from "../../../data/handle.ts";
import { addPoint, archiveMachine, changeMachine, createMachine, pointsOf } from "../../../data/machines.ts";
import type { Told } from "../../../data/record.ts";
import { listEveryTool, type Machine } from "../../../data/rigs.ts";
import { addWeight, archiveWeight, listTyres, setAxleTyre, weightsOf } from "../../../data/settings.ts";
import { endLoan, lend } from "../../lending/keep-lending.server.ts";
import { LendDto } from "../../lending/lending.dto.ts";
import { carryOut, checkedBy, type Intents } from "../../session/intents.server.ts";
import { kept, type Outcome, refused } from "../../session/outcome.ts";
import { validateForm } from "../../session/validate.ts";
import { amountOf } from "../amount.ts";
import { AxleTyreDto, MachineDto, PointDto, WeightDto, WeightRowDto } from "../yard.dto.ts";

type Page = { db: Database; known: Machine; by: Told };

const put =
  (away: boolean) =>
  ({ db, known, by }: Page) => {
    archiveMachine(db, known.id, away, by);
    return kept();
  };

/** What the page of a machine that is there can do. */
const INTENTS: Intents<Page> = {
  save: checkedBy(MachineDto, ({ db, known, by }: Page, value) => save(db, known, value, by)),
  "add-point": checkedBy(PointDto, keepPoint),
  "add-weight": checkedBy(WeightDto, keepWeight),
  "drop-weight": checkedBy(WeightRowDto, dropWeight),
  "set-tyre": checkedBy(AxleTyreDto, keepTyre),
  lend: checkedBy(LendDto, lend),
  "end-loan": endLoan,
  away: put(true),
  back: put(false),
};

/** `known` is null on the page of a new one. */
export function keepMachine(db: Database, known: Machine | null, form: FormData, by: Told): Outcome {
  if (known) return carryOut(INTENTS, { db, known, by }, form);
  if (form.get("intent") !== "save")
    throw new Response("There is no such machine in this yard.", { status: 404 });
  const checked = validateForm(MachineDto, form);
  return checked.ok ? save(db, null, checked.value, by) : refused(checked.errors);
}

function save(db: Database, known: Machine | null, { kind, ...details }: MachineDto, by: Told): Outcome {
  const named = { ...details, busName: details.busName.toUpperCase() };
  if (!known) throw redirect(`/machines/${createMachine(db, kind, named, by)}`);
  const coupled = listEveryTool(db).find(({ implement }) => implement.id === known.id);
  if (coupled && known.attachment !== named.attachment)
    return refused({
      attachment: `It is coupled so in the rig “${coupled.name}”. Add it as another implement to hang it on otherwise.`,
    });
  changeMachine(db, known.id, named, by);
  throw redirect(`/machines/${known.id}`);
}

function keepPoint({ db, known, by }: Page, value: PointDto): Outcome {
  const { kind, label } = value;
  const mayHave: readonly string[] = POINTS_OF[known.kind];
  if (!mayHave.includes(kind)) return refused({ kind: `This machine has no ${kind}.` });
  const there = pointsOf(db, known.id).filter((point) => point.kind === kind);
  if (SINGLE.includes(kind) && there.length > 0) return refused({ kind: `It has a ${kind} already.` });
  if (there.some((point) => point.label === label))
    return refused({ label: "There is one of that name already." });
  addPoint(db, known.id, kind, label, by);
  return kept();
}

function keepWeight({ db, known, by }: Page, value: WeightDto): Outcome {
  const { weightLabel, mass, massUnit, place, placeUnit, side, count } = value;
  if (known.kind === "implement") return refused({ weightLabel: "Weights hang on what drives." });
  if (weightsOf(db, known.id).length >= 12)
    return refused({ weightLabel: "Twelve kinds of weight are enough." });
  const read = (text: string, family: "mass" | "length", unit: string) => {
    const amount = amountOf(text, { family, unit, optional: false });
    return amount.ok ? (amount.value ?? 0) : 0;
  };
  const [kilos, metres] = [read(mass, "mass", massUnit), read(place, "length", placeUnit)];
  if (kilos <= 0 || kilos > 5000) return refused({ mass: "Between 1 kg and 5 t." });
  if (metres < 0 || metres > 12) return refused({ place: "Between 0 and 12 m from the axle." });
  const ahead = side === "ahead" ? metres : -metres;
  const weight = {
    machineId: known.id,
    label: weightLabel,
    mass: kilos,
    place: ahead,
    count: Number(count),
  };
  addWeight(db, weight, by);
  return kept();
}

function dropWeight({ db, known, by }: Page, { weight: typed }: WeightRowDto): Outcome {
  const id = Number(typed);
  if (weightsOf(db, known.id).some((weight) => weight.id === id)) archiveWeight(db, id, true, by);
  return kept();
}

function keepTyre({ db, known, by }: Page, value: AxleTyreDto): Outcome {
  const { axle, tyreId, tyreCount } = value;
  if ((axle === "tool") !== (known.kind === "implement"))
    return refused({ [`tyre-${axle}`]: "This machine has no such axle." });
  if (tyreId !== "" && !listTyres(db).some(({ id }) => id === Number(tyreId)))
    return refused({ [`tyre-${axle}`]: "Choose a tyre of the list." });
  setAxleTyre(
    db,
    { machineId: known.id, axle },
    tyreId === "" ? null : { tyreId: Number(tyreId), count: Number(tyreCount) },
    by,
  );
  return kept();
}
