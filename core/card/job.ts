/** What a terminal is told of the job: a page for each step of setting it up that its scheme has, and what its working screen shows. */
import { LINE_WORDS } from "../place/line.ts";
import { guidedBy, usesTerminal } from "../rig/asked.ts";
import type { ResolvedRig } from "../rig/resolve.ts";
import { OPERATIONS } from "../trade/operations.ts";
import { READOUT_KEYS, READOUTS, TRIGGERS } from "../trade/recording.ts";
import type { Work } from "../yard/work.ts";
import type { Card, CardLine } from "./fill.ts";
import { type EntryStep, stepsOf } from "./order.ts";

type Told = { step: EntryStep; label: string; text: string; from: string };

const SCREEN = "Working screen";

/** Lines of the job a card gains; none where no job is set, or the tool has no terminal. */
function toldOf(work: Work, rig: ResolvedRig): Told[] {
  const { field, operations, crop, varieties, products, trigger, line } = work;
  const told = (step: EntryStep, label: string, text: string, from: string): Told[] =>
    text === "" ? [] : [{ step, label, text, from }];
  return [
    ...told("field", "Client", field.client, "as on the field's page"),
    ...told("field", "Farm", field.farm, "as on the field's page"),
    ...told("field", "Field", field.name, "where it works"),
    ...told("operation", "Operation", operations[0] ? OPERATIONS[operations[0]].label : "", "what is done"),
    ...told(
      "operation",
      "Recorded by",
      trigger ? TRIGGERS[trigger].label : "",
      "what the record starts and stops by",
    ),
    ...told("crop", "Crop", crop?.name ?? "", "what stands or will stand there"),
    ...varieties.flatMap(({ name, rows }, at) =>
      told(
        "crop",
        varieties.length > 1 ? `Variety ${at + 1}` : "Variety",
        rows === "" ? name : `${name}, rows ${rows}`,
        "as it stands on the bag",
      ),
    ),
    ...products.flatMap(({ name }, at) =>
      told("rate", products.length > 1 ? `Product ${at + 1}` : "Product", name, "what is in it"),
    ),
    ...(guidedBy(rig).lines && line
      ? told("line", "Line", line.name, `${LINE_WORDS[line.kind]}, of this field`)
      : []),
  ];
}

/** The card with the job on it: where the field comes before the machine in the scheme's order, so do its lines. */
export function withJob(card: Card, work: Work | null, rig: ResolvedRig): Card {
  if (!work || !usesTerminal(rig) || card.lines.length === 0) return card;
  const { order } = card.scheme;
  const told = toldOf(work, rig);
  const lines = (steps: readonly EntryStep[]) =>
    steps.flatMap((step) => told.filter((each) => each.step === step).map((each) => lineOf(each)));
  const machine = order.indexOf("machine");
  const before = order.slice(0, Math.max(0, machine));
  return {
    ...card,
    lines: [...lines(before), ...card.lines, ...lines(order.slice(before.length)), ...screenLines(work)],
  };
}

function lineOf({ step, label, text, from }: Told): CardLine {
  return textLine(stepsOf([step])[0]!.step, label, text, from);
}

const textLine = (page: string, label: string, figure: string, derivation: string): CardLine => ({
  page,
  label,
  figure,
  unit: "",
  word: "",
  form: { kind: "choice" },
  derivation,
  chain: null,
  rounding: null,
  tool: null,
  blockedBy: null,
});

/** Page by page what is to be in sight, and that the set is the active one. */
function screenLines({ screen, screenActive }: Work): CardLine[] {
  const pages = [...new Set(Object.values(screen))].sort((a, b) => a - b);
  if (pages.length === 0) return [];
  return [
    ...pages.map((page) =>
      textLine(
        SCREEN,
        `Page ${page}`,
        READOUT_KEYS.filter((key) => screen[key] === page)
          .map((key) => READOUTS[key])
          .join("; "),
        "in sight while it works",
      ),
    ),
    textLine(
      SCREEN,
      "Set of pages",
      screenActive ? "active" : "make it the active one",
      "the terminal shows the last job's otherwise",
    ),
  ];
}
