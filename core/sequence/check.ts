/** Is a list of steps sound? What stands in the wrong order, waits for itself, or is left undone at its end. */
import { endOf, unmetNeeds, walk } from "./run.ts";
import { type Need, type Sequence, type SequenceKind, type Step, stateWords, type World } from "./step.ts";

export type Fault = { step: string | null; severity: "stop" | "fix"; text: string };

/** What must hold when a sequence is over, where the machine has the part at all, and why. */
const ENDS: Partial<Record<SequenceKind, readonly (Need & { why: string })[]>> = {
  "hook-up": [
    { part: "coupled", is: "yes", why: "It is not coupled." },
    { part: "jack", is: "stowed", why: "The jack is still down: it ploughs, and bends." },
  ],
  unfold: [
    { part: "jack", is: "stowed", why: "The jack is still down: it ploughs, and bends." },
    { part: "wings", is: "out", why: "The wings are not right out." },
    {
      part: "wings float",
      is: "on",
      why: "The wings are never put in float: they dig in or hang in the air.",
    },
    { part: "undercarriage float", is: "on", why: "The undercarriage is never put in float." },
    { part: "tap", is: "shut", why: "The tap is never shut: the charge goes back through the hose." },
  ],
  start: [
    {
      part: "downforce",
      is: "on",
      why: "Downforce is never switched on: the first pass is sown too shallow.",
    },
    { part: "drive", is: "free", why: "The drive lock-out is left in: nothing turns." },
    { part: "current", is: "on", why: "The generator's current is never switched on." },
    { part: "fan", is: "running", why: "The fan is never started." },
    { part: "lift", is: "lowered", why: "It is never lowered." },
  ],
  stop: [
    { part: "current", is: "off", why: "The current stays on." },
    { part: "PTO", is: "stopped", why: "The PTO stays on." },
    { part: "downforce", is: "off", why: "Downforce stays on: it presses on when it is next lowered." },
  ],
  fold: [
    { part: "wings", is: "folded", why: "The wings are not folded." },
    { part: "locks", is: "in", why: "The transport locks stay out: on the road the wings could come down." },
    { part: "drive", is: "locked", why: "The drive is not locked out: it turns on the road." },
  ],
  uncouple: [
    { part: "jack", is: "down", why: "The jack is not down: the drawbar drops." },
    { part: "hoses", is: "off", why: "The hoses are still on." },
    { part: "coupled", is: "no", why: "It is still coupled." },
  ],
};

/** Everything wrong with a sequence that begins with the machine in this state. */
export function faultsOf(start: World, { kind, steps }: Sequence): Fault[] {
  return [...repeated(steps), ...cycles(steps), ...orders(start, steps), ...ends(start, kind, steps)];
}

function repeated(steps: readonly Step[]): Fault[] {
  return steps
    .filter(({ id }, at) => steps.findIndex((each) => each.id === id) < at)
    .map(({ id, text }) => ({ step: id, severity: "fix", text: `“${text}” stands in the list twice.` }));
}

/** Steps that wait for each other in a ring can never be done. */
function cycles(steps: readonly Step[]): Fault[] {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const ringFrom = (id: string): string[] | null => {
    const reach = (at: string, path: readonly string[]): string[] | null => {
      for (const next of byId.get(at)?.after ?? []) {
        if (next === id) return [...path, next];
        if (path.includes(next)) continue;
        const found = reach(next, [...path, next]);
        if (found) return found;
      }
      return null;
    };
    return reach(id, []);
  };
  const told = new Set<string>();
  return steps.flatMap(({ id, text }): Fault[] => {
    const ring = told.has(id) ? null : ringFrom(id);
    if (!ring) return [];
    for (const each of ring) told.add(each);
    const others = ring.filter((each) => each !== id).map((each) => `“${byId.get(each)?.text ?? each}”`);
    return [
      {
        step: id,
        severity: "stop",
        text:
          others.length === 0
            ? `“${text}” waits for itself.`
            : `“${text}” waits for ${others.join(", ")}, and that for it again: none can be done.`,
      },
    ];
  });
}

function orders(start: World, steps: readonly Step[]): Fault[] {
  return walk(start, steps).flatMap(({ step, before }, at) => [
    ...unmetNeeds(step, before).map((need): Fault => {
      const later = steps.slice(at + 1).find(({ sets }) => sets[need.part] === need.is);
      return {
        step: step.id,
        severity: "stop",
        text: later
          ? `“${step.text}” comes before “${later.text}”, but it needs that ${stateWords(need)}.`
          : `“${step.text}” needs that ${stateWords(need)}, and no step before sees to that.`,
      };
    }),
    ...step.after
      .filter((id) => steps.findIndex((each) => each.id === id) > at)
      .map(
        (id): Fault => ({
          step: step.id,
          severity: "stop",
          text: `“${step.text}” waits for “${steps.find((each) => each.id === id)!.text}”, which comes later.`,
        }),
      ),
  ]);
}

function ends(start: World, kind: SequenceKind, steps: readonly Step[]): Fault[] {
  const end = endOf(start, steps);
  return (ENDS[kind] ?? [])
    .filter(({ part, is }) => end[part] !== undefined && end[part] !== is)
    .map(({ why }) => ({ step: null, severity: "stop", text: why }));
}

/** Parts that are looked at anew before every movement, and those that a movement upsets by itself. */
const LOOKED_AT = new Set(["people"]);
const PASSING = new Set(["phase"]);

/**
 * A sequence backwards: looking round first, then the steps taken back, last first. What stays until uncoupling is left out. What
 * cannot be taken back, and what does not hold on the way, is told; with any of that there is no reverse.
 */
export function reverseOf(
  kind: SequenceKind,
  start: World,
  { steps }: Sequence,
): { ok: true; sequence: Sequence } | { ok: false; why: string[] } {
  const only = (step: Step, parts: ReadonlySet<string>) =>
    Object.keys(step.sets).every((part) => parts.has(part));
  const looks = steps.filter((step) => only(step, LOOKED_AT));
  const walked = walk(start, steps).filter(
    ({ step }) => !only(step, LOOKED_AT) && !only(step, PASSING) && !step.stays,
  );
  const stuck = walked
    .filter(({ step }) => !step.back)
    .map(({ step }) => `“${step.text}” cannot be taken back.`);
  const taken = [...walked].reverse().flatMap(({ step, before }): Step[] => {
    if (!step.back) return [];
    const sets = Object.fromEntries(Object.keys(step.sets).map((part) => [part, before[part] ?? ""]));
    return [{ ...step, ...step.back, id: `back ${step.id}`, sets, after: [], back: null }];
  });
  const back = [...looks, ...taken];
  const unlooked = Object.fromEntries([...LOOKED_AT].map((part) => [part, start[part] ?? ""]));
  if (stuck.length > 0) return { ok: false, why: stuck };
  const why = orders({ ...endOf(start, steps), ...unlooked }, back).map(({ text }) => text);
  return why.length > 0 ? { ok: false, why } : { ok: true, sequence: { kind, steps: back } };
}
