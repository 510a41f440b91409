/** In what order a terminal is set up: what comes first opens or locks what comes after. */
const STEPS = {
  couple: {
    step: "Couple and plug in first",
    why: "machine, head or implement are recognised, and then lock or open their fields",
  },
  field: { step: "Client, farm, field", why: "boundary and lines belong to the field" },
  machine: { step: "Machine", why: "receiver and hitch, once for all its implements" },
  implement: { step: "Implement", why: "lengths, width, sections of the variant that is mounted" },
  operation: { step: "Operation", why: "what is recorded, and what triggers the recording" },
  crop: { step: "Crop and variety", why: "so that the record can be told apart later" },
  rate: { step: "Rate", why: "not zero, and of the product that is in the tank" },
  line: { step: "Line", why: "its spacing is the implement's, which is set before" },
} as const;

export type EntryStep = keyof typeof STEPS;

/** As most terminals want it; a scheme may have another order, and leave out what its terminal does not ask. */
export const USUAL_ORDER = Object.keys(STEPS) as EntryStep[];

/** Whether a text from outside names a step. */
export function isEntryStep(text: unknown): text is EntryStep {
  return typeof text === "string" && Object.hasOwn(STEPS, text);
}

export type StepOfEntry = { key: EntryStep; step: string; why: string };

/** A scheme's steps in words. */
export function stepsOf(order: readonly EntryStep[]): StepOfEntry[] {
  return order.map((key) => ({ key, ...STEPS[key] }));
}

/** What is wrong with an order, as one would say it; null where nothing is: plugging in opens the fields, lines take the implement's width. */
export function orderProblem(order: readonly EntryStep[]): string | null {
  if (new Set(order).size < order.length) return "A step stands in it twice.";
  if (order[0] !== "couple") return "Coupling and plugging in comes first: it opens and locks the rest.";
  const [implement, line] = [order.indexOf("implement"), order.indexOf("line")];
  if (line >= 0 && implement > line)
    return "The line comes after the implement: its spacing is the implement's.";
  return null;
}
