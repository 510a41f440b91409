import { data, redirect } from "react-router";
import { POINTS_OF, SINGLE } from "../../../core/dimension/point-kinds.ts";
import type { Database } from "../../../data/handle.ts";
import { addPoint, archiveMachine, changeMachine, createMachine, pointsOf } from "../../../data/machines.ts";
import type { Told } from "../../../data/record.ts";
import { listEveryTool, type Machine } from "../../../data/rigs.ts";
import { addWeight, archiveWeight, listTyres, setAxleTyre, weightsOf } from "../../../data/settings.ts";
import { type FieldErrors, validateForm } from "../../session/validate.ts";
import { amountOf } from "../amount.ts";
import { AxleTyreDto, MachineDto, PointDto, WeightDto } from "../yard.dto.ts";

const refused = (errors: FieldErrors) => data({ errors }, { status: 422 });
const kept = () => data({ errors: {} as FieldErrors });

/** What a machine's page can do. `known` is null on the page of a new one. */
export function keepMachine(db: Database, known: Machine | null, form: FormData, by: Told) {
  const intent = form.get("intent");
  if (intent === "save") return save(db, known, form, by);
  if (!known) throw new Response("There is no such machine in this yard.", { status: 404 });
  switch (intent) {
    case "add-point":
      return keepPoint(db, known, form, by);
    case "add-weight":
      return keepWeight(db, known, form, by);
    case "drop-weight":
      return dropWeight(db, known, form, by);
    case "set-tyre":
      return keepTyre(db, known, form, by);
    case "away":
    case "back":
      archiveMachine(db, known.id, intent === "away", by);
      return kept();
    default:
      throw new Response("That request was not understood.", { status: 400 });
  }
}

function save(db: Database, known: Machine | null, form: FormData, by: Told) {
  const checked = validateForm(MachineDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { kind, ...details } = checked.value;
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

function keepPoint(db: Database, known: Machine, form: FormData, by: Told) {
  const checked = validateForm(PointDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { kind, label } = checked.value;
  const mayHave: readonly string[] = POINTS_OF[known.kind];
  if (!mayHave.includes(kind)) return refused({ kind: `This machine has no ${kind}.` });
  const there = pointsOf(db, known.id).filter((point) => point.kind === kind);
  if (SINGLE.includes(kind) && there.length > 0) return refused({ kind: `It has a ${kind} already.` });
  if (there.some((point) => point.label === label))
    return refused({ label: "There is one of that name already." });
  addPoint(db, known.id, kind, label, by);
  return kept();
}

function keepWeight(db: Database, known: Machine, form: FormData, by: Told) {
  const checked = validateForm(WeightDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { weightLabel, mass, massUnit, place, placeUnit, side, count } = checked.value;
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

function dropWeight(db: Database, known: Machine, form: FormData, by: Told) {
  const id = Number(form.get("weight"));
  if (weightsOf(db, known.id).some((weight) => weight.id === id)) archiveWeight(db, id, true, by);
  return kept();
}

function keepTyre(db: Database, known: Machine, form: FormData, by: Told) {
  const checked = validateForm(AxleTyreDto, form);
  if (!checked.ok) return refused(checked.errors);
  const { axle, tyreId, tyreCount } = checked.value;
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
